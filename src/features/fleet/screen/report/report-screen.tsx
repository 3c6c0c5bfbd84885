/** A fleet's report: the total, then each question with its answer and its table. The same on paper. */
'use client';
import { type TableReport, type TableReportTotal } from '@/platform/tables';
import { writeMoney, writeNumber } from '@/platform/words';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Wick } from '@/platform/ui/wick';
import { BesideTables } from '@/features/report/screen/beside-tables';
import { FileMakingLine, useFileMaking } from '@/features/report/screen/file-making';
import { FleetFiles } from '../fleet-files';
import { NothingPlaced } from '../nothing-placed';
import { useFleet } from '../room-context';
import { Trouble } from '@/platform/screen/trouble';
import { useFleetAsked } from '../use-fleet-asked';
import { Working } from '@/platform/screen/working';

export function FleetReportScreen() {
  const { plan, id, opening, isOpen } = useFleet();
  const asked = useFleetAsked(plan.placements.length > 0 ? { ask: 'report', plan } : null);
  const files = useFileMaking(`/api/fleets/${id}/file`, '/api/jobs');
  if (plan.placements.length === 0) {
    return (
      <NothingPlaced title="Nothing to report yet" id={id}>
        The report says what this fleet would cost under its placements, what is in the way and what
        everything rests on. It takes one placement at least.
      </NothingPlaced>
    );
  }
  return (
    <>
      <FileMakingLine {...files} />
      <div className="flex min-h-[46px] shrink-0 items-center justify-end gap-3 border-b border-line px-[18px] print:hidden">
        {(!isOpen || asked.isWaiting) && (
          <Working progress={opening ?? asked.progress} onStop={asked.isWaiting ? asked.stop : undefined} />
        )}
        {asked.answer && (
          <>
            <Button onClick={() => window.print()}>Print</Button>
            <FleetFiles files={files} />
          </>
        )}
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto bg-surface print:overflow-visible">
        <Trouble trouble={asked.trouble} again={asked.again} />
        {asked.answer && <Paper report={asked.answer} />}
      </div>
    </>
  );
}

function Paper({ report }: { readonly report: TableReport }) {
  const { title, currency, lead, total, tables } = report;
  return (
    <article
      aria-label={`Report on ${title}`}
      className="mx-auto w-full max-w-[1120px] px-[18px] pt-5 pb-16 print:max-w-none print:p-0"
    >
      <h2 className="text-xl font-semibold break-words">{title}</h2>
      {lead.map((text) => (
        <p key={text} className="mt-1 max-w-[760px] text-base break-words text-soft">
          {text}
        </p>
      ))}
      {total ? (
        <Total total={total} currency={currency} />
      ) : (
        <p className="mt-4 text-sm">There are no machines in these groups.</p>
      )}
      <BesideTables tables={tables} />
    </article>
  );
}

function Total({ total, currency }: { readonly total: TableReportTotal; readonly currency: string }) {
  const { placement, where, machines, monthly, year, low, high, missing } = total;
  const money = (value: string): string => writeMoney(value, currency);
  const rows: readonly (readonly [string, string])[] = [
    ['Where', where],
    ['Machines', writeNumber(String(machines))],
    ['12 months', money(year)],
    ...(low === high
      ? []
      : [['If all were measured, a month', money(low === monthly ? high : low)] as const]),
  ];
  return (
    <section aria-label="Total" className="mt-5 max-w-[560px]">
      <div className="double-line flex items-baseline justify-between gap-4 border-t border-t-ink py-1.5">
        <span className="min-w-0 text-base font-semibold break-words">
          {placement}, {currency} a month
        </span>
        <span className="text-xl" data-testid="report-total">
          <Amount value={monthly} currency={currency} strong />
        </span>
      </div>
      {missing > 0 && (
        <p className="mt-1.5 text-sm font-semibold text-ember-ink">
          Incomplete: {missing} machines or lines have no amount, see below.
        </p>
      )}
      <div className="mt-1.5">
        <Wick values={{ low, likely: monthly, high }} currency={currency} most={Number(high)} height={18} />
      </div>
      <dl className="mt-1">
        {rows.map(([label, value]) => (
          <div key={label} className="flex justify-between gap-4 border-b border-line py-1">
            <dt className="text-soft">{label}</dt>
            <dd className="text-right tabular-nums">{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
