/** One driver: what it is called, what it is measured in, its three values and its range. */
'use client';
import { parseDecimal } from '@/engine/base';
import { sentenceFor } from '@/platform/words';
import { type Driver, DRIVER_NAME } from '@/engine/drivers';
import { Button } from '@/platform/ui/button';
import { TextEntry } from '@/platform/ui/text-entry';
import { CasedEntry } from '@/features/design/screen/margin/cased-entry';
import { rangeFault } from './range-entry';

interface DriverEntryProps {
  readonly driver: Driver;
  readonly others: readonly Driver[];
  readonly onChange: (driver: Driver) => void;
  /** While typing; null takes it back. */
  readonly onShow: (driver: Driver | null) => void;
  readonly onRemove: () => void;
}

export function DriverEntry({ driver, others, onChange, onShow, onRemove }: DriverEntryProps) {
  const number = (text: string) => parseDecimal(text.trim());
  const text = (
    field: 'name' | 'title' | 'unit' | 'from' | 'to',
    label: string,
    fault: (typed: string) => string | null,
    hint?: string,
  ) => (
    <TextEntry
      label={label}
      text={driver[field]}
      hint={hint}
      maxLength={field === 'title' ? 200 : 60}
      preview={(typed) => fault(typed.trim())}
      commit={(typed) => onChange({ ...driver, [field]: typed.trim() })}
      cancel={() => undefined}
    />
  );
  const range = (field: 'from' | 'to', typed: string): string | null => {
    const value = number(typed);
    if (!value.ok) return sentenceFor(value.issue);
    if (value.value.isNegative()) return 'It must not be below zero.';
    const { from, to, scale }: Driver = { ...driver, [field]: value.value.toString() };
    return rangeFault({ from: Number(from), to: Number(to), scale });
  };
  return (
    <fieldset className="mt-3 min-w-0 border-t border-line pt-2">
      <legend className="sr-only">{driver.title}</legend>
      {text('title', 'Name', (typed) => (typed === '' ? 'It needs a name.' : null))}
      <div className="mt-1.5 grid grid-cols-2 gap-1.5">
        {text('name', 'in formulas', (typed) => {
          if (!DRIVER_NAME.test(typed)) return 'A letter, then letters, digits and underscores.';
          return others.some(({ name }) => name === typed) ? `“${typed}” is there already.` : null;
        })}
        {text('unit', 'measured in', () => null)}
      </div>
      <div className="mt-1.5">
        <CasedEntry
          label="Value"
          unit={driver.unit}
          value={driver.value}
          rising
          read={(typed) => {
            const value = number(typed);
            return value.ok ? { ok: true, value: value.value.toFixed() } : value;
          }}
          preview={(value) => {
            if (value && Number(value.likely) < 0) return 'It must not be below zero.';
            onShow(value ? { ...driver, value } : null);
            return null;
          }}
          commit={(value) => onChange({ ...driver, value })}
          cancel={() => onShow(null)}
        />
      </div>
      <div className="mt-1.5 grid grid-cols-3 gap-1.5">
        {text('from', 'looked at from', (typed) => range('from', typed))}
        {text('to', 'to', (typed) => range('to', typed))}
        <label className="text-xs text-soft">
          in
          <select
            value={driver.scale}
            onChange={(event) => {
              const scale = event.target.value as Driver['scale'];
              const from = scale === 'log' && Number(driver.from) <= 0 ? '1' : driver.from;
              onChange({ ...driver, scale, from });
            }}
            className="mt-0.5 h-7 w-full rounded border border-edge bg-surface px-1 text-sm text-ink"
          >
            <option value="linear">equal steps</option>
            <option value="log">powers</option>
          </select>
        </label>
      </div>
      <Button tone="bare" className="mt-1 -ml-2.5" onClick={onRemove} aria-label={`Remove ${driver.title}`}>
        Remove
      </Button>
    </fieldset>
  );
}
