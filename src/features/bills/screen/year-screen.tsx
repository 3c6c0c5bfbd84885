/** Twelve periods beside one another: by service, with what the design expected of each. */
'use client';
import Link from 'next/link';
import { useState } from 'react';
import { addAll, decimal } from '@/engine/base';
import { writeMoney } from '@/platform/words';
import { yearRows } from '@/features/bills/words';
import type { BillYear } from '@/features/bills/use/bill-year';
import { Empty } from '@/platform/ui/empty';
import { Choice } from '@/platform/ui/field';
import { Difference } from '@/features/review/screen/marks';
import { BillsHead } from './bills-head';

type Basis = 'effective' | 'billed';
const NUMBER = 'py-1 pl-4 text-right whitespace-nowrap tabular-nums';

interface YearProps {
  readonly years: readonly BillYear[];
  readonly unseen: number;
}

export function YearScreen({ years, unseen }: YearProps) {
  const [chosen, setChosen] = useState('0');
  const [basis, setBasis] = useState<Basis>('effective');
  const year = years[Number(chosen)];
  return (
    <>
      <BillsHead unseen={unseen} />
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
        tabIndex={0}
        role="region"
        aria-label="A year of bills"
      >
        {!year ? (
          <Empty title="No bill yet">Bring in a few periods, and they stand beside one another here.</Empty>
        ) : (
          <>
            <div className="flex flex-wrap items-end gap-3">
              <Choice
                label="Bills of"
                value={chosen}
                options={years.map((each, at): [string, string] => [
                  String(at),
                  `${each.provider} ${each.account}, ${each.currency}`,
                ])}
                onChange={setChosen}
              />
              <Choice
                label="Money"
                value={basis}
                options={[
                  ['effective', 'effective: advance payments spread'],
                  ['billed', 'billed: as it is charged'],
                ]}
                onChange={setBasis}
              />
            </div>
            <YearTable year={year} basis={basis} />
          </>
        )}
      </div>
    </>
  );
}

function YearTable({ year, basis }: { readonly year: BillYear; readonly basis: Basis }) {
  const { periods, services, currency } = year;
  const totals = periods.map((each) => each[basis]);
  const rows = yearRows(
    services.map((each) => ({ name: each.service || 'not said', amounts: each[basis] })),
    totals,
    currency,
  );
  const money = (text: string): string => writeMoney(text, currency);
  const columns = periods.map((_, at) =>
    addAll(rows.map(({ amounts }) => decimal(amounts[at] ?? '0'))).toString(),
  );
  const all = addAll(columns.map((each) => decimal(each))).toString();
  const hasExpected = periods.some(({ expected }) => expected !== null);
  return (
    <table className="mt-4 text-sm">
      <caption className="mb-1 text-left text-base font-semibold">
        {`What did ${periods.length === 1 ? 'the period' : `the last ${periods.length} periods`} cost, by service? ${currency}`}
      </caption>
      <thead>
        <tr className="border-b border-ink text-left text-xs text-soft">
          <th scope="col" className="py-1 font-normal">
            Service
          </th>
          {periods.map(({ id, from, isOpen, isClosed }) => (
            <th key={id} scope="col" className={`${NUMBER} font-normal`}>
              <Link
                href={`/bills/${id}`}
                prefetch={false}
                className="text-brand underline underline-offset-2"
              >
                {from.slice(0, 7)}
              </Link>
              <span className="block">{isClosed ? 'closed' : isOpen ? 'so far' : 'whole'}</span>
            </th>
          ))}
          <th scope="col" className={`${NUMBER} font-normal`}>
            Together
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, amounts, sum }) => (
          <tr key={name} className="border-b border-line">
            <th scope="row" className="max-w-[260px] truncate py-1 text-left font-normal" title={name}>
              {name}
            </th>
            {amounts.map((amount, at) => (
              <td key={periods[at]!.id} className={NUMBER}>
                {amount === null ? '–' : money(amount)}
              </td>
            ))}
            <td className={NUMBER}>{money(sum)}</td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className="border-t border-ink font-semibold">
          <th scope="row" className="py-1 text-left">
            Together
          </th>
          {columns.map((column, at) => (
            <td key={periods[at]!.id} className={NUMBER}>
              {money(column)}
            </td>
          ))}
          <td className={NUMBER}>{money(all)}</td>
        </tr>
        {hasExpected && (
          <>
            <tr>
              <th scope="row" className="py-1 text-left font-normal text-soft">
                The design expects
              </th>
              {periods.map(({ id, expected }) => (
                <td key={id} className={`${NUMBER} text-soft`}>
                  {expected === null ? '–' : money(expected)}
                </td>
              ))}
              <td />
            </tr>
            <tr>
              <th scope="row" className="py-1 text-left font-normal text-soft">
                Difference
              </th>
              {periods.map(({ id, expected, isOpen }, at) => (
                <td key={id} className={NUMBER}>
                  {expected === null || isOpen ? (
                    '–'
                  ) : (
                    <Difference
                      value={decimal(columns[at]!).minus(expected).toString()}
                      currency={currency}
                    />
                  )}
                </td>
              ))}
              <td />
            </tr>
          </>
        )}
      </tfoot>
    </table>
  );
}
