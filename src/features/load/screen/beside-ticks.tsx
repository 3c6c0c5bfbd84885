/** Which alternatives are drawn beside the design. */
'use client';
import type { Design } from '@/engine/design';

interface BesideTicksProps {
  readonly design: Design;
  readonly beside: readonly string[];
  readonly onChange: (beside: readonly string[]) => void;
}

export function BesideTicks({ design, beside, onChange }: BesideTicksProps) {
  const alternatives = design.alternatives ?? [];
  if (alternatives.length === 0) return null;
  return (
    <fieldset className="flex min-w-0 flex-wrap items-center gap-x-3 gap-y-1 text-sm text-soft">
      <legend className="float-left mr-3">beside it</legend>
      {alternatives.map(({ id, name }) => (
        <label key={id} className="flex max-w-[220px] items-center gap-1.5">
          <input
            type="checkbox"
            checked={beside.includes(id)}
            onChange={(event) =>
              onChange(
                alternatives
                  .map((each) => each.id)
                  .filter((each) => (each === id ? event.target.checked : beside.includes(each))),
              )
            }
            className="accent-brand"
          />
          <span className="truncate" title={name}>
            {name}
          </span>
        </label>
      ))}
    </fieldset>
  );
}
