/** What a question is about: the whole design, a section, a line; as `readScope` reads it. */
'use client';
import type { Design } from '@/engine/design';

interface ScopeSelectProps {
  readonly label: string;
  readonly design: Design;
  readonly value: string;
  readonly onlyLines?: boolean;
  readonly onChange: (of: string) => void;
}

export function ScopeSelect({ label, design, value, onlyLines = false, onChange }: ScopeSelectProps) {
  return (
    <label className="flex items-center gap-1.5 text-sm text-soft">
      {label}
      <select
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className="h-7 max-w-[220px] rounded border border-edge bg-surface px-1.5 text-sm text-ink"
      >
        {!onlyLines && <option value="all">the whole design</option>}
        {!onlyLines &&
          design.sections.map(({ id, name }) => (
            <option key={id} value={`section ${id}`}>
              section {name}
            </option>
          ))}
        {design.sections.map((section) => (
          <optgroup key={section.id} label={section.name}>
            {section.components.map(({ id, name }) => (
              <option key={id} value={`line ${id}`}>
                {name}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
    </label>
  );
}
