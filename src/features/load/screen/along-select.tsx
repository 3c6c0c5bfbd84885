/** What stands on an axis: traffic, a driver, an entry of a line. */
'use client';
import { type Along, type Design, entriesOf } from '@/engine/design';
import { readAlong, writeAlong } from '@/features/load/format/along-text';

export const SELECT = 'h-7 max-w-[260px] rounded border border-edge bg-surface px-1.5 text-sm text-ink';

interface AlongSelectProps {
  readonly label: string;
  readonly design: Design;
  readonly value: Along;
  readonly onChange: (along: Along) => void;
}

export function AlongSelect({ label, design, value, onChange }: AlongSelectProps) {
  const drivers = design.assumptions.drivers ?? [];
  return (
    <label className="flex items-center gap-1.5 text-sm text-soft">
      {label}
      <select
        value={writeAlong(value)}
        onChange={(event) => onChange(readAlong(event.target.value)!)}
        className={SELECT}
      >
        {drivers.map(({ name, title }) => (
          <option key={name} value={writeAlong({ of: 'driver', name })}>
            {title}
          </option>
        ))}
        <option value="traffic">all traffic, times what is planned</option>
        {design.sections.flatMap(({ components }) =>
          components.map((component) => (
            <optgroup key={component.id} label={component.name}>
              {entriesOf(component)
                .filter((each) => each.value.formula === undefined)
                .map(({ entry, label: words }) => (
                  <option key={entry} value={writeAlong({ of: 'entry', line: component.id, entry })}>
                    {words}
                  </option>
                ))}
            </optgroup>
          )),
        )}
      </select>
    </label>
  );
}
