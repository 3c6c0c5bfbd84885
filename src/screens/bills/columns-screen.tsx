/** How the bill keeps to FOCUS, column by column, and what that means for the numbers. */
import { writeNumber } from '@/core/display';
import type { BillView } from '@/operations';

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
      {findings.length > 0 && (
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
      )}
    </div>
  );
}
