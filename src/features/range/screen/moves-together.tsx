/** Inputs that move together: fully, or by a rank correlation. */
'use client';
import { useState } from 'react';
import type { UncertainInput } from '@/features/range/calc';
import type { MovingTogether } from '@/engine/drivers';
import { Button } from '@/platform/ui/button';
import { INPUT } from '@/platform/ui/field';
import { useRoom } from '@/features/design/screen/room';

const RANKS = [
  ['1', 'entirely'],
  ['0.8', 'closely (0.8)'],
  ['0.5', 'somewhat (0.5)'],
  ['0.2', 'a little (0.2)'],
] as const;

export function MovesTogether({ inputs }: { readonly inputs: readonly UncertainInput[] }) {
  const { state, apply } = useRoom();
  const groups = state.design.assumptions.together ?? [];
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [name, setName] = useState('');
  const [rank, setRank] = useState<string>('1');
  const key = ({ component, entry }: { component: string; entry: string }): string =>
    `${component}\n${entry}`;
  const taken = new Set(groups.flatMap((group) => group.inputs.map(key)));
  const free = inputs.filter((each) => !taken.has(key(each)));
  const put = (next: readonly MovingTogether[]): boolean =>
    apply([{ edit: 'set-assumption', field: 'together', value: next.length === 0 ? null : next }]);
  const add = (): void => {
    const members = free
      .filter((each) => chosen.includes(key(each)))
      .map(({ component, entry }) => ({ component, entry }));
    const made = { name: name.trim() || `Group ${groups.length + 1}`, rank, inputs: members };
    if (members.length > 1 && put([...groups, made])) {
      setChosen([]);
      setName('');
    }
  };
  return (
    <section aria-label="What moves together">
      <h2 className="text-lg font-semibold">What moves together</h2>
      {groups.length === 0 && (
        <p className="mt-1 text-sm text-soft">
          Nothing yet: each is drawn by itself. A storm moves several at once.
        </p>
      )}
      <ul>
        {groups.map((group) => (
          <li
            key={group.name}
            className="flex items-baseline justify-between gap-2 border-b border-line py-1.5 text-sm"
          >
            <span className="min-w-0 break-words">
              <b className="font-medium">{group.name}</b>
              <span className="text-soft">
                {' '}
                {RANKS.find(([value]) => value === group.rank)?.[1] ?? group.rank}:{' '}
                {group.inputs
                  .map(
                    (each) =>
                      inputs.find((input) => key(input) === key(each))?.label ?? 'not uncertain any more',
                  )
                  .join(', ')}
              </span>
            </span>
            <Button
              tone="bare"
              className="-mr-2.5 shrink-0"
              aria-label={`Take ${group.name} apart`}
              onClick={() => put(groups.filter((each) => each !== group))}
            >
              Apart
            </Button>
          </li>
        ))}
      </ul>
      {free.length > 1 && (
        <details className="mt-2">
          <summary className="cursor-pointer text-sm font-medium">Let inputs move together</summary>
          <fieldset className="mt-1 min-w-0 space-y-1 text-sm">
            <legend className="sr-only">Inputs that move together</legend>
            {free.map((input) => (
              <label key={key(input)} className="flex items-baseline gap-1.5">
                <input
                  type="checkbox"
                  checked={chosen.includes(key(input))}
                  onChange={(event) =>
                    setChosen(
                      event.target.checked
                        ? [...chosen, key(input)]
                        : chosen.filter((each) => each !== key(input)),
                    )
                  }
                  className="accent-brand"
                />
                {input.label}
              </label>
            ))}
          </fieldset>
          <div className="mt-1.5 grid grid-cols-2 gap-1.5">
            <label className="text-xs text-soft">
              name
              <input
                value={name}
                maxLength={100}
                onChange={(event) => setName(event.target.value)}
                className={INPUT}
              />
            </label>
            <label className="text-xs text-soft">
              how closely
              <select value={rank} onChange={(event) => setRank(event.target.value)} className={INPUT}>
                {RANKS.map(([value, words]) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
              </select>
            </label>
          </div>
          <Button className="mt-1.5" disabled={chosen.length < 2} onClick={add}>
            Move together
          </Button>
        </details>
      )}
    </section>
  );
}
