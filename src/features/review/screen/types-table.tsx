/** What the maps make of a plan, type by type; those without a rule first. */
import type { ReadType } from '@/features/review/worker/review-protocol';

interface TypesTableProps {
  readonly types: readonly ReadType[];
  readonly chosen: string | null;
  readonly onChoose: (type: string) => void;
}

export function TypesTable({ types, chosen, onChoose }: TypesTableProps) {
  return (
    <table className="mt-3 w-full text-sm">
      <caption className="pb-1 text-left text-sm font-semibold">What its types are</caption>
      <thead>
        <tr className="border-b border-ink text-left text-xs text-soft">
          <th className="py-1 pr-3 font-normal">Type</th>
          <th className="py-1 pr-3 text-right font-normal">Resources</th>
          <th className="py-1 pr-3 font-normal">Is</th>
          <th className="py-1 pr-3 font-normal">By the map</th>
          <th className="py-1 text-right font-normal">Not clear</th>
        </tr>
      </thead>
      <tbody>
        {types.map(({ type, count, is, map, open }) => (
          <tr
            key={type}
            className={`border-b border-line align-baseline ${type === chosen ? 'bg-wash' : ''}`}
          >
            <td className="py-1 pr-3">
              <button
                type="button"
                aria-pressed={type === chosen}
                onClick={() => onChoose(type)}
                className="rounded text-left font-mono text-xs wrap-anywhere hover:underline"
              >
                {type}
              </button>
            </td>
            <td className="py-1 pr-3 text-right tabular-nums">{count}</td>
            <td className="py-1 pr-3 break-words">
              {map === null ? (
                <span className="inline-block rounded border border-dashed border-ember px-1 text-xs leading-[18px] text-ember-ink">
                  no rule
                </span>
              ) : (
                is || 'nothing that costs'
              )}
            </td>
            <td className="py-1 pr-3 text-soft">{map ?? '–'}</td>
            <td className={`py-1 text-right tabular-nums ${open > 0 ? 'text-ember-ink' : 'text-soft'}`}>
              {open > 0 ? open : '–'}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
