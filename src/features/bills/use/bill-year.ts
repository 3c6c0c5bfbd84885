/** Twelve periods of each account beside one another, by service, with what the design expected. Needs P1, P8. */
import { addAll, decimal } from '@/engine/base';
import { dayAfter, expectedBill } from '@/features/bills/calc';
import type { Design } from '@/engine/design';
import { loadBooks } from '@/features/price-books/use/load-books';
import { allow } from '@/platform/use/may';
import type { BillListing, Context } from '@/stores/ports';

export interface YearPeriod {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  readonly isClosed: boolean;
  /** Days are missing yet. */
  readonly isOpen: boolean;
  readonly billed: string;
  readonly effective: string;
  /** Of the design as it is now; null: held against none. */
  readonly expected: string | null;
}

export interface BillYear {
  readonly provider: string;
  readonly account: string;
  readonly currency: string;
  /** Oldest first. */
  readonly periods: readonly YearPeriod[];
  /** What cost most first; an amount for each period, null where there is none. */
  readonly services: readonly {
    readonly service: string;
    readonly billed: readonly (string | null)[];
    readonly effective: readonly (string | null)[];
  }[];
}

const PERIODS = 12;
const MOST_ACCOUNTS = 50;

export async function billYears(context: Context): Promise<BillYear[]> {
  allow(context.actor, 'billYears');
  const { workspace } = context.actor;
  const byAccount = new Map<string, BillListing[]>();
  for (const bill of await context.bills.list(workspace)) {
    const key = JSON.stringify([bill.provider, bill.account, bill.currency]);
    byAccount.set(key, [...(byAccount.get(key) ?? []), bill]);
  }
  const years: BillYear[] = [];
  for (const [, bills] of [...byAccount].sort().slice(0, MOST_ACCOUNTS))
    years.push(await yearOf(context, bills.slice(0, PERIODS).reverse()));
  return years;
}

async function yearOf(context: Context, bills: readonly BillListing[]): Promise<BillYear> {
  const { workspace } = context.actor;
  const [first] = bills;
  const { provider, account, currency } = first!;
  const ids = bills.map(({ id }) => id);
  const [sums, linked] = await Promise.all([
    context.bills.services(workspace, ids),
    context.bills.designOf(workspace, first!),
  ]);
  const design = linked ? (await context.designs.find(workspace, linked))?.design : undefined;
  const expected = design ? await expectedOf(context, design, bills) : null;
  const places = new Map(ids.map((id, at) => [id, at]));
  const services = new Map<string, { billed: (string | null)[]; effective: (string | null)[] }>();
  for (const { bill, service, billed, effective } of sums) {
    const row = services.get(service) ?? { billed: ids.map(() => null), effective: ids.map(() => null) };
    services.set(service, row);
    row.billed[places.get(bill)!] = billed;
    row.effective[places.get(bill)!] = effective;
  }
  const worth = ({ effective }: { readonly effective: readonly (string | null)[] }) =>
    addAll(effective.map((each) => decimal(each ?? '0')));
  return {
    ...{ provider, account, currency },
    periods: bills.map((bill, at) => ({
      ...{ id: bill.id, from: bill.from, to: bill.to, billed: bill.billed, effective: bill.effective },
      isClosed: bill.closing !== null,
      isOpen: bill.newest === null || dayAfter(bill.newest) < bill.to,
      expected: expected?.[at] ?? null,
    })),
    services: [...services]
      .map(([service, amounts]) => ({ service, ...amounts }))
      .sort((a, b) => worth(b).comparedTo(worth(a)) || (a.service < b.service ? -1 : 1)),
  };
}

async function expectedOf(
  context: Context,
  design: Design,
  bills: readonly BillListing[],
): Promise<string[]> {
  const books = await loadBooks(context.books, context.actor.workspace, design);
  return bills.map((bill) =>
    addAll(
      expectedBill(design, books, bill, bill.currency).meters.map(({ cost }) => decimal(cost)),
    ).toString(),
  );
}
