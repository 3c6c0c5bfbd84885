/** What has to be said of a side before it is called cheaper. */
import type { ComparedColumn, Remark } from '@/features/compare/calc/comparison';
import { sentenceFor } from '@/platform/words';

/** More of a list are behind a fold. */
const SHOWN = 6;

export function Remarks({ column }: { readonly column: ComparedColumn }) {
  const { stayed, lacks, remarks, minimums, unlike } = column;
  const before = unlike.filter(({ billed }) => billed === 'only-before');
  const here = unlike.filter(({ billed }) => billed === 'only-here');
  return (
    <>
      <List title="Does not follow" rows={stayed} strange />
      <List title="Lacks" rows={lacks} strange />
      <List title="Is another than it was" rows={remarks} />
      <List title="Billed apart in the design, not here" rows={before} />
      <List title="Billed apart here, not in the design" rows={here} />
      <List title="Minimums" rows={minimums} />
    </>
  );
}

function List({
  title,
  rows,
  strange = false,
}: {
  readonly title: string;
  readonly rows: readonly Remark[];
  readonly strange?: boolean;
}) {
  if (rows.length === 0) return null;
  const [shown, more] = [rows.slice(0, SHOWN), rows.slice(SHOWN)];
  return (
    <section aria-label={title} className="mt-4">
      <h3 className={`text-sm font-semibold ${strange ? 'text-ember-ink' : ''}`}>
        {title} <span className="font-normal text-soft">{rows.length}</span>
      </h3>
      <ul className="text-sm">{shown.map(row)}</ul>
      {more.length > 0 && (
        <details>
          <summary className="cursor-pointer text-sm text-brand">{more.length} more</summary>
          <ul className="text-sm">{more.map(row)}</ul>
        </details>
      )}
    </section>
  );
}

function row({ name, issue }: Remark, at: number) {
  return (
    <li key={at} className="border-b border-line py-1 break-words">
      <span className="font-medium">{name}</span> <span className="text-soft">{sentenceFor(issue)}</span>
    </li>
  );
}
