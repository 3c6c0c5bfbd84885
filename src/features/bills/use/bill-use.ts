/** What is included and what is committed in a bill, as it was used day by day. */
import {
  allowanceThings,
  type AllowanceUse,
  allowanceUse,
  type CommitmentUse,
  commitmentsOf,
  commitmentUse,
  dayAfter,
  monthsOfPeriod,
} from '@/features/bills/calc';
import type { Design } from '@/engine/design';
import type { allowancesIn } from '@/engine/pricing';
import { closeOf, type Projected } from './bill-closes';
import type { Context, DayGroup, GroupDay } from '@/stores/ports';

export interface UseOfBill {
  readonly allowances: readonly AllowanceUse[];
  readonly commitments: readonly CommitmentUse[];
}

/** All groups are asked at once, since every question goes over all days of the bill. */
export async function usedOf(
  context: Context,
  worked: Projected,
  of: { readonly design: Design; readonly allowances: ReturnType<typeof allowancesIn> },
): Promise<UseOfBill> {
  const { bill, laid, taken } = worked;
  const parts = commitmentsOf([...new Map(taken.map(({ thing }) => [thing.at, thing])).values()]);
  const included = of.allowances.map((each) => allowanceThings(each, laid, taken));
  const committed = parts.flatMap(({ used, beyond }) => [whole(used), whole(beyond)]);
  const rows = await context.bills.days(
    context.actor.workspace,
    bill.id,
    [...included, ...committed],
    'quantity',
  );
  const byGroup = new Map<number, GroupDay[]>();
  for (const row of rows) byGroup.set(row.group, [...(byGroup.get(row.group) ?? []), row]);
  const quantities = (group: number): ReadonlyMap<string, string> =>
    new Map((byGroup.get(included.length + group) ?? []).map(({ day, amount }) => [day, amount ?? '0']));
  const months = monthsOfPeriod(of.design, bill).toString();
  return {
    allowances: of.allowances.map((allowance, at) => {
      const days = (byGroup.get(at) ?? []).flatMap(({ day, amount }) =>
        amount === null ? [] : [{ day, cost: amount }],
      );
      // What periods before were off by is of money.
      return allowanceUse(allowance, months, closeOf({ ...worked, past: [] }, { days, fees: [] }));
    }),
    commitments: parts.map((each, at) => {
      const [covered, beyond] = [quantities(at * 2), quantities(at * 2 + 1)];
      const all = [...new Set([...covered.keys(), ...beyond.keys()])].sort();
      return commitmentUse(
        each,
        wholeDays(all, worked).map((day) => ({
          ...{ day, covered: covered.get(day) ?? '0', beyond: beyond.get(day) ?? '0' },
        })),
      );
    }),
  };
}

const whole = (things: readonly { readonly at: number }[]): DayGroup => ({
  things: things.map(({ at }) => ({ at, share: '1' })),
});

/** Of the newest days not everything is there yet: they would look as if less ran. */
function wholeDays(
  days: readonly string[],
  { bill, completeness }: Pick<Projected, 'bill' | 'completeness'>,
): readonly string[] {
  const isOpen = bill.newest !== null && dayAfter(bill.newest) < bill.to;
  return isOpen ? days.slice(0, -completeness.length || undefined) : days;
}
