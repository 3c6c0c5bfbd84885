/** What its rule makes of each resource of a type: before and after, and what it read. */
import { mappedSideWords } from '@/features/review/words';
import type { MappedResource } from '@/features/review/calc';

/** More are not drawn at once. */
const SHOWN = 100;

interface ResourcesProps {
  readonly type: string;
  readonly resources: readonly MappedResource[];
}

export function ResourcesOfType({ type, resources }: ResourcesProps) {
  const own = resources.filter((each) => each.type === type);
  return (
    <section aria-label={`Resources of ${type}`} className="mt-5">
      <h2 className="text-sm font-semibold">
        What the rule makes of each <span className="font-mono text-xs">{type}</span>
      </h2>
      <table className="mt-1 w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-xs text-soft">
            <th className="py-1 pr-3 font-normal">Resource</th>
            <th className="py-1 pr-3 font-normal">Before</th>
            <th className="py-1 pr-3 font-normal">After</th>
            <th className="py-1 font-normal">Read of it</th>
          </tr>
        </thead>
        <tbody>
          {own.slice(0, SHOWN).map(({ address, before, after, read }) => (
            <tr key={address} className="border-b border-line align-top">
              <td className="max-w-[260px] py-1 pr-3 font-mono text-xs wrap-anywhere">{address}</td>
              <td className="py-1 pr-3 break-words text-soft">{mappedSideWords(before)}</td>
              <td className="py-1 pr-3 break-words">{mappedSideWords(after)}</td>
              <td className="max-w-[220px] py-1 font-mono text-xs wrap-anywhere text-soft">
                {read
                  .filter(isSaid)
                  .map((each) => `${each.path} ${valueWords(each)}`)
                  .join(', ') || '–'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {own.length > SHOWN && <p className="mt-1 text-sm text-soft">{`and ${own.length - SHOWN} more`}</p>}
    </section>
  );
}

/** It is there on one side. */
const isSaid = ({ before, after, unknown }: MappedResource['read'][number]): boolean =>
  unknown || before !== null || after !== null;

function valueWords({ before, after, unknown }: MappedResource['read'][number]): string {
  if (unknown) return '?';
  return before === after ? String(after) : `${before ?? '–'} → ${after ?? '–'}`;
}
