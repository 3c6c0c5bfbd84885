/** Alternatives and axes in a report: the tables of the files, on the page. */
import type { Drawing, FlatTable } from '@/platform/tables';
import type { KeptAnswer } from '@/features/saved-questions/calc';
import { CurveChart } from '@/platform/ui/curve-chart';
import { FlatRows } from '@/platform/screen/flat-rows';
import { HEADING } from '@/platform/screen/report-looks';

export function BesideTables({ tables }: { readonly tables: readonly FlatTable[] }) {
  return tables.map((table) => <Beside key={table.title} table={table} />);
}

/** What was kept with the design: drawn, and the same as a table. */
export function KeptAnswers({ kept }: { readonly kept: readonly KeptAnswer[] }) {
  return kept.map(({ id, table, drawing }) => <Beside key={id} table={table} drawing={drawing} />);
}

interface BesideProps {
  readonly table: FlatTable;
  readonly drawing?: Drawing | null;
}

function Beside({ table, drawing }: BesideProps) {
  const { title, answer, head, notes } = table;
  return (
    <section aria-label={title}>
      <h2 className={HEADING}>{title}</h2>
      <p className="mt-2 max-w-[760px] text-base">{answer}</p>
      {drawing && (
        <div className="mt-2 max-w-[860px]">
          <h3 className="text-sm font-semibold">{drawing.question}</h3>
          <CurveChart label={`${drawing.question} ${answer}`} {...drawing} height={260} file={title} />
        </div>
      )}
      {head.length > 0 && <FlatRows table={table} />}
      <div className="grid gap-x-10 sm:grid-cols-2">
        {notes.map((note) => (
          <div key={note.title} className="mt-3 text-sm">
            <h3 className="font-semibold">{note.title}</h3>
            <ul>
              {note.lines.map((line, at) => (
                <li key={at} className="break-words text-soft">
                  {line}
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}
