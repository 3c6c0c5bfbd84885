/** One quantity of a component: its amount in three cases, its unit, and what some rates ask besides. */
'use client';
import type { MeterDefinition } from '@/engine/books';
import { asList, type Edit, type UsageEntry } from '@/engine/design';
import { conversionFactor, UNIT_CODES } from '@/engine/units';
import { type Cased, isRanged } from '@/engine/usage';
import { Button } from '@/platform/ui/button';
import { CasedEntry } from './cased-entry';
import { GuessMark } from './guess-mark';
import { SizesEntry } from './sizes-entry';
import type { SettingsProps } from './settings-props';
import { readAmount, readNumber } from '../cells/number-text';

interface UsageProps extends SettingsProps {
  readonly meter: MeterDefinition;
}

const SIZE_UNITS = ['KiB', 'MiB', 'kB', 'MB'];
const TIME_UNITS = ['millisecond', 'second', 'minute'];

/** Units of the same dimension, the common ones of a list that is long for data. */
function unitsFor(unit: string): readonly string[] {
  return UNIT_CODES.filter((code) => conversionFactor(code, unit).ok);
}

export function UsageEntries({ component, meter, apply, preview }: UsageProps) {
  const entry = component.usage[meter.meter];
  const unit = entry?.unit ?? meter.enteredIn;
  const edit = (part: Partial<UsageEntry>): Edit => ({
    edit: 'set-usage',
    id: component.id,
    meter: meter.meter,
    value: { ...(entry ?? { amount: { likely: '0' }, unit }), ...part },
  });
  const cased = (
    label: string,
    words: string,
    value: Cased | null,
    read: ReturnType<typeof readAmount>,
    make: (value: Cased) => Partial<UsageEntry>,
    rising = true,
  ) => (
    <CasedEntry
      label={label}
      rising={rising}
      value={value}
      unit={words}
      read={read}
      preview={(next) => {
        preview(next ? [edit(make(next))] : []);
        return null;
      }}
      commit={(next) => apply([edit(make(next))])}
      cancel={() => preview([])}
    />
  );
  if (entry?.sizes) {
    return (
      <SizesEntry
        label={meter.label}
        entry={entry}
        onChange={(value) => apply([{ edit: 'set-usage', id: component.id, meter: meter.meter, value }])}
      />
    );
  }
  const eachUnit = entry?.each?.unit ?? (meter.from === 'runs' ? 'millisecond' : 'KiB');
  const countsEvents = unitsFor('request').includes(unit);
  return (
    <div>
      {cased(meter.label, 'of each, a month', entry?.amount ?? null, readAmount(unit), (amount) => ({
        amount,
      }))}
      <div className="flex items-end justify-between">
        <UnitSelect
          label="Unit"
          unit={unit}
          units={unitsFor(unit)}
          disabled={!entry}
          onChange={(next) => entry && apply([edit({ unit: next })])}
        />
        {entry && (
          <GuessMark component={component} entry={`usage/${meter.meter}`} label={meter.label} apply={apply} />
        )}
      </div>
      {entry && meter.from === 'held' && !entry.setAside && !entry.keptDays && !isRanged(entry.amount) && (
        <Button
          tone="bare"
          onClick={() =>
            apply([{ edit: 'set-usage', id: component.id, meter: meter.meter, value: asList(entry) }])
          }
        >
          As a list of sizes
        </Button>
      )}
      {entry && countsEvents && (
        <details className="mt-1" open={entry.each !== undefined}>
          <summary className="cursor-pointer text-xs text-soft">
            {meter.from === 'runs' ? 'How long one runs' : 'Size of one'}
          </summary>
          {cased(
            'Each',
            eachUnit,
            entry.each?.amount ?? null,
            readAmount(eachUnit),
            (amount) => ({ each: { amount, unit: eachUnit } }),
            false,
          )}
          <UnitSelect
            label="in"
            unit={eachUnit}
            units={meter.from === 'runs' ? TIME_UNITS : SIZE_UNITS}
            disabled={!entry.each}
            onChange={(next) => entry.each && apply([edit({ each: { ...entry.each, unit: next } })])}
          />
        </details>
      )}
      {entry && meter.from === 'held' && (
        <details className="mt-1" open={entry.setAside !== undefined || entry.keptDays !== undefined}>
          <summary className="cursor-pointer text-xs text-soft">Set aside, days kept</summary>
          {cased('Set aside', unit, entry.setAside ?? null, readAmount(unit), (setAside) => ({ setAside }))}
          {cased(
            'Days kept',
            'then the amount is what comes in',
            entry.keptDays ?? null,
            readNumber,
            (keptDays) => ({ keptDays }),
            false,
          )}
        </details>
      )}
    </div>
  );
}

interface UnitSelectProps {
  readonly label: string;
  readonly unit: string;
  readonly units: readonly string[];
  readonly disabled: boolean;
  readonly onChange: (unit: string) => void;
}

export function UnitSelect({ label, unit, units, disabled, onChange }: UnitSelectProps) {
  return (
    <label className="mt-1 flex items-center gap-2 text-xs text-soft">
      {label}
      <select
        value={unit}
        disabled={disabled}
        onChange={(event) => onChange(event.target.value)}
        className="h-6 rounded border border-edge bg-surface px-1 text-xs text-ink disabled:opacity-50"
      >
        {(units.includes(unit) ? units : [unit, ...units]).map((each) => (
          <option key={each}>{each}</option>
        ))}
      </select>
    </label>
  );
}
