/** Zones, the share that this design bears, and amounts that change from a later month on. */
'use client';
import { err, issue, ok, type Result } from '@/engine/base';
import { kindOf, mainMeter } from '@/engine/books';
import { meantPlace, placeIsTakenOver } from '@/engine/design';
import { Button } from '@/platform/ui/button';
import { CasedEntry } from './cased-entry';
import { percentText, readPercent } from '../cells/percent-text';
import { MonthValuesEntry } from './month-values-entry';
import { ReadEntry } from './read-entry';
import { setField, type SettingsProps } from './settings-props';

/** What stands somewhere: kinds that run, or hold something. */
function standsInZones(kind: SettingsProps['component']['kind']): boolean {
  return kindOf(kind).meters.some((meter) => meter.from === 'running' || meter.from === 'held');
}

const MOST_ZONES = 12;

function readZones(text: string): Result<number | null> {
  if (text.trim() === '') return ok(null);
  const zones = Number(text);
  if (Number.isInteger(zones) && zones >= 1 && zones <= MOST_ZONES) return ok(zones);
  return err(issue('edit.invalid', [], { reason: `zones are a whole number from 1 to ${MOST_ZONES}.` }));
}

export function ZonesEntry({ component, apply }: SettingsProps) {
  if (!component.place || !standsInZones(component.kind)) return null;
  return (
    <ReadEntry
      label="Zones it is spread over"
      text={component.zones ? String(component.zones) : ''}
      placeholder="not said"
      maxLength={2}
      read={readZones}
      onRead={(zones) => apply([setField(component, 'zones', zones)])}
    />
  );
}

export function BorneEntry({ component, apply, preview }: SettingsProps) {
  return (
    <details open={Boolean(component.allocated)}>
      <summary className="cursor-pointer text-xs text-soft">Shared with other designs</summary>
      <CasedEntry
        label="Allocated to this design"
        unit="%"
        write={percentText}
        value={component.allocated ?? null}
        read={(text) => readPercent(text, 100)}
        preview={(next) => {
          preview(next ? [setField(component, 'allocated', next)] : []);
          return null;
        }}
        commit={(next) => apply([setField(component, 'allocated', next.likely === '1' ? null : next)])}
        cancel={() => preview([])}
      />
    </details>
  );
}

/** Prepaid credit and spend commitments: bought larger or smaller as experience grows. */
export function LaterEntries({ component, apply }: SettingsProps) {
  const meter = mainMeter(component.kind);
  const entry = meter && component.usage[meter.meter];
  if (meter?.enteredIn !== 'money' || !entry) return null;
  return (
    <MonthValuesEntry
      label={`From a later month, in ${entry.unit}`}
      hint="such as 13: 5000, 25: 8000; until then the amount above"
      rows={(component.later ?? []).map(({ fromMonth, amount }) => ({ month: fromMonth, value: amount }))}
      commit={(rows) =>
        apply([
          setField(
            component,
            'later',
            rows && rows.map(({ month, value }) => ({ fromMonth: month, amount: value })),
          ),
        ])
      }
    />
  );
}

/** Said where the place was not chosen but taken over from the line before. */
export function TakenPlaceNote({ component, apply }: SettingsProps) {
  if (!placeIsTakenOver(component)) return null;
  return (
    <p className="flex items-center justify-between gap-2 text-xs text-soft">
      Taken over from the line before; nobody chose it.
      <Button tone="bare" onClick={() => apply(meantPlace(component))}>
        It is meant
      </Button>
    </p>
  );
}
