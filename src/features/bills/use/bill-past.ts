/** How projections of the periods before a bill would have done: from what each of their days came to as a whole. */
import { backTest, type BackTested, type CostBasis, type DayCost, periodDays } from '@/features/bills/calc';
import { within } from './bill-closes';
import type { BillListing, Context } from '@/stores/ports';

const MOST_PAST = 6;

/** Oldest first; as many days of them known as are of this one. */
export async function pastOf(
  context: Context,
  bill: BillListing,
  basis: CostBasis,
): Promise<readonly BackTested[]> {
  if (bill.newest === null) return [];
  const { workspace } = context.actor;
  const known = periodDays({ from: bill.from, to: bill.newest }) + 1;
  const before = (await context.bills.list(workspace))
    .filter(
      (each) =>
        each.provider === bill.provider &&
        each.account === bill.account &&
        each.currency === bill.currency &&
        each.to <= bill.from &&
        each.newest !== null,
    )
    .slice(0, MOST_PAST)
    .reverse();
  const days = await context.bills.wholeDays(
    workspace,
    before.map(({ id }) => id),
  );
  const costs = (id: string, isFee: boolean): DayCost[] =>
    days.flatMap((each) =>
      each.bill === id && each.isFee === isFee ? [{ day: each.day, cost: each[basis] }] : [],
    );
  return backTest(
    before.map(({ id, from, to }) => ({
      ...{ from, to },
      days: within(costs(id, false), { from, to }),
      fees: within(costs(id, true), { from, to }),
    })),
    known,
  );
}
