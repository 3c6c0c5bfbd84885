/** How the bill keeps to FOCUS, column by column, and what that means for the numbers. */
import { writeNumber } from '@/platform/words';
import type { BillView } from '@/features/bills/use/bill-view';

const WORDS = {
  'missing-column': 'is missing',
  empty: 'is empty where the specification asks for a value',
  'unknown-value': 'has a value that the specification does not have',
  'negative-use': 'is below nothing without being a correction',
  'outside-period': 'lies outside of the billing period',
  'stands-twice': 'the same row stands twice',
  'several-currencies': 'has several currencies',
  'own-column': 'is no column of the specification',
} as const;

export function ColumnsScreen({ view }: { readonly view: BillView }) {
  const { conformance, fileName } = view.bill;
  const { findings } = conformance;
  const { told, folded } = foldedFindings(findings);
  return (
    <div
      className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
      tabIndex={0}
      role="region"
      aria-label="Columns of the file"
    >
      <p className="text-lg font-semibold">
        {findings.length === 0
          ? `${fileName} keeps to FOCUS ${conformance.version} in every column.`
          : `${fileName}, read as FOCUS ${conformance.version}: ${findings.length} ${findings.length === 1 ? 'thing' : 'things'} to know.`}
      </p>
      <p className="mt-1 max-w-[760px] text-sm text-soft">
        {`${writeNumber(String(conformance.rows))} rows. A file that would break the sums is refused; what stands here was taken, and this is what it means.`}
      </p>
      {told.length > 0 && <Findings findings={told} />}
      {folded.size > 0 && (
        <section aria-label="Columns that are missing" className="mt-5 max-w-[1100px] text-sm">
          <h2 className="border-b border-ink pb-1 text-base font-semibold">Missing, for the same reason</h2>
          {[...folded].map(([means, columns]) => (
            <p key={means} className="border-b border-line py-1.5 break-words">
              <span className="font-mono text-xs">{columns.join(', ')}</span>
              <span className="ml-2 text-soft">{means}</span>
            </p>
          ))}
        </section>
      )}
    </div>
  );
}

type Finding = BillView['bill']['conformance']['findings'][number];

/** Columns that are missing and mean the same, in one line; what is told of rows comes first. */
function foldedFindings(findings: readonly Finding[]): { told: Finding[]; folded: Map<string, string[]> } {
  const byMeaning = new Map<string, string[]>();
  for (const { kind, means, column } of findings)
    if (kind === 'missing-column') byMeaning.set(means, [...(byMeaning.get(means) ?? []), column]);
  const folded = new Map([...byMeaning].filter(([, columns]) => columns.length > 1));
  return {
    folded,
    told: findings.filter((each) => each.kind !== 'missing-column' || !folded.has(each.means)),
  };
}

function Findings({ findings }: { readonly findings: readonly Finding[] }) {
  return (
    <table className="mt-3 w-full max-w-[1100px] text-sm">
      <thead>
        <tr className="border-b border-ink text-left text-xs text-soft">
          <th className="py-1 pr-3 font-normal">Column</th>
          <th className="py-1 pr-3 font-normal">What was found</th>
          <th className="py-1 pr-3 text-right font-normal">Rows</th>
          <th className="py-1 pr-3 text-right font-normal">First row</th>
          <th className="py-1 font-normal">What it means</th>
        </tr>
      </thead>
      <tbody>
        {findings.map(({ kind, column, rows, firstLine, example, means }) => (
          <tr key={`${kind} ${column}`} className="border-b border-line align-baseline">
            <td className="py-1 pr-3 font-mono text-xs break-all">{column || 'the whole row'}</td>
            <td className="py-1 pr-3 break-words">
              {WORDS[kind]}
              {example ? `: ${example}` : ''}
            </td>
            <td className="py-1 pr-3 text-right tabular-nums">{writeNumber(String(rows))}</td>
            <td className="py-1 pr-3 text-right tabular-nums">{firstLine ?? '–'}</td>
            <td className="py-1 break-words text-soft">{means}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
