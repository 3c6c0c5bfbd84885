/** What a rule read of a resource, before and after; what did it stands first. */
import type { ReadAttribute } from '@/features/review/calc';

const written = (value: ReadAttribute['before']): string =>
  value === null ? '–' : typeof value === 'string' ? value : String(value);

const isChanged = ({ before, after, unknown }: ReadAttribute): boolean => unknown || before !== after;

export function ReadAttributes({ read }: { readonly read: readonly ReadAttribute[] }) {
  if (read.length === 0) return null;
  return (
    <section aria-label="Attributes" className="mt-4">
      <h3 className="text-sm font-semibold">What was read of it</h3>
      <table className="mt-1 w-full table-fixed text-xs">
        <thead>
          <tr className="border-b border-ink text-left text-soft">
            <th className="w-[40%] py-0.5 font-normal">Attribute</th>
            <th className="py-0.5 font-normal">Before</th>
            <th className="py-0.5 font-normal">After</th>
          </tr>
        </thead>
        <tbody>
          {read.map((each) => (
            <tr
              key={each.path}
              className={`border-b border-line align-baseline ${isChanged(each) ? 'font-semibold' : ''}`}
            >
              <td className="py-0.5 pr-2 font-mono wrap-anywhere">{each.path}</td>
              <td className="py-0.5 pr-2 wrap-anywhere">{written(each.before)}</td>
              <td className="py-0.5 wrap-anywhere">
                {each.unknown ? (
                  <span className="text-ember-ink">known when applied</span>
                ) : (
                  written(each.after)
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-xs text-soft">Nothing else of the resource is kept.</p>
    </section>
  );
}
