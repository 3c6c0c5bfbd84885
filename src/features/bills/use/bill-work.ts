/** A bill against its design, worked out: laid, with what every part closes at, what is included and what is committed. */
import {
  type BackTested,
  completenessOf,
  type CostBasis,
  expectedBill,
  layBill,
  takeThings,
  withIds,
} from '@/features/bills/calc';
import type { Design } from '@/engine/design';
import { allowancesIn } from '@/engine/pricing';
import { notFound } from '@/platform/use/app-error';
import { type Closes, closesOf, type Projected } from './bill-closes';
import { pastOf } from './bill-past';
import { componentsOf, rulesOf, type RulesOfDesign } from './bill-rules';
import { type UseOfBill, usedOf } from './bill-use';
import { loadBooks } from '@/features/price-books/use/load-books';
import type { Context, StoredDesign } from '@/stores/ports';

export interface WorkedBill extends Projected, Closes, UseOfBill {
  /** Null: it is held against none. */
  readonly found: StoredDesign | null;
  readonly design: Design;
  readonly rules: RulesOfDesign | null;
  /** What would have been projected of the periods before, when as many days were known as are of this one. */
  readonly tested: readonly BackTested[];
}

/** Without a design everything is outside of it, and nothing is expected. */
export async function workBill(context: Context, id: string, basis: CostBasis): Promise<WorkedBill> {
  const { workspace } = context.actor;
  const bill = await context.bills.find(workspace, id);
  if (!bill) throw notFound('bill');
  const linked = await context.bills.designOf(workspace, bill);
  const found = linked ? await context.designs.find(workspace, linked) : null;
  const design = found?.design ?? EMPTY;
  const [things, seen, kept, books, tested] = await Promise.all([
    context.bills.things(workspace, id),
    context.bills.seen(workspace, id),
    found ? rulesOf(context, found.id) : null,
    loadBooks(context.books, workspace, design),
    pastOf(context, bill, basis),
  ]);
  const taken = takeThings(things, withIds(kept?.rules ?? [], design), componentsOf(design));
  const expected = expectedBill(design, books, bill, bill.currency);
  const completeness = completenessOf(seen);
  const laid = layBill({ design, expected, taken, period: bill, newest: bill.newest, basis, completeness });
  const past = tested.flatMap(({ beside }) => beside ?? []);
  const base = { bill, laid, taken, basis, completeness, past };
  const [closed, use] = await Promise.all([
    closesOf(context, base),
    usedOf(context, base, { design, allowances: found ? allowancesIn(design, books) : [] }),
  ]);
  return { ...base, ...closed, ...use, found, design, rules: kept, tested };
}

const EMPTY: Design = {
  title: '',
  description: '',
  currency: 'USD',
  assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
  books: [],
  sections: [],
};
