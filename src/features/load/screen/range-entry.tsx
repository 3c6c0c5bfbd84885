/** From where to where an axis goes, and whether by equal steps or by powers. */
'use client';
import { parseDecimal } from '@/engine/base';
import type { Axis1 } from '@/features/load/calc';
import { sentenceFor } from '@/platform/words';
import { TextEntry } from '@/platform/ui/text-entry';

type Range = Pick<Axis1, 'from' | 'to' | 'scale'>;

interface RangeEntryProps {
  readonly axis: Axis1;
  readonly onChange: (range: Range) => void;
}

/** Why a range cannot be; null: it can. */
export function rangeFault({ from, to, scale }: Range): string | null {
  if (!(to > from)) return 'The range must end above where it begins.';
  if (scale === 'log' && !(from > 0)) return 'By powers it must begin above zero.';
  return null;
}

export function RangeEntry({ axis, onChange }: RangeEntryProps) {
  const { from, to, scale } = axis;
  const read = (end: 'from' | 'to', text: string): Range | string => {
    const number = parseDecimal(text.trim());
    if (!number.ok) return sentenceFor(number.issue);
    const next = { from, to, scale, [end]: number.value.toNumber() };
    return rangeFault(next) ?? next;
  };
  const entry = (end: 'from' | 'to') => (
    <div className="w-[92px]">
      <TextEntry
        key={`${end}${axis[end]}`}
        label={end}
        text={String(axis[end])}
        maxLength={24}
        preview={(text) => {
          const next = read(end, text);
          return typeof next === 'string' ? next : null;
        }}
        commit={(text) => {
          const next = read(end, text);
          if (typeof next !== 'string') onChange(next);
        }}
        cancel={() => undefined}
      />
    </div>
  );
  return (
    <fieldset className="flex items-start gap-1.5">
      <legend className="sr-only">Range</legend>
      {entry('from')}
      {entry('to')}
      <label className="flex flex-col text-xs text-soft">
        in
        <select
          value={scale}
          onChange={(event) => {
            const next = { from, to, scale: event.target.value as Range['scale'] };
            if (rangeFault(next) === null) onChange(next);
            else onChange({ ...next, from: to / 1000 });
          }}
          className="mt-0.5 h-7 rounded border border-edge bg-surface px-1.5 text-sm text-ink"
        >
          <option value="linear">equal steps</option>
          <option value="log">powers</option>
        </select>
      </label>
    </fieldset>
  );
}
