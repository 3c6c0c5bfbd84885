/** A bill against its design, as it is shown. Needs P1 to P4, P7, P8. */
import {
  type AllowanceUse,
  backTest,
  type BackTested,
  type CommitmentUse,
  type CostBasis,
  type LaidBill,
  type MeasuredEntry,
  measuredEntries,
  periodDays,
  type Projection,
  type Relation,
  relationsOf,
  type RuleTaking,
  tagKeys,
  takingOf,
  unknownIn,
  withIds,
} from '@/core/bills';
import { daysOfBill, workBill } from './bill-work';
import { openBill } from './bills';
import { allow } from './may';
import type { Context, StoredBill } from './ports';

export interface BillView {
  readonly bill: StoredBill;
  readonly design: { readonly id: string; readonly title: string; readonly revision: number } | null;
  readonly basis: CostBasis;
  readonly laid: LaidBill;
  /** Null: no day has use yet. */
  readonly close: Projection | null;
  /** By component or service, and by section. */
  readonly closes: Readonly<Record<string, Projection>>;
  readonly rulesRevision: number;
  readonly taking: readonly RuleTaking[];
  readonly unknown: readonly { readonly rule: string; readonly component: string }[];
  readonly relations: readonly Relation[];
  readonly measured: readonly MeasuredEntry[];
  readonly allowances: readonly AllowanceUse[];
  readonly commitments: readonly CommitmentUse[];
  /** By which it can be grouped. */
  readonly tags: readonly string[];
}

export async function viewBill(
  context: Context,
  id: string,
  basis: CostBasis = 'effective',
): Promise<BillView> {
  allow(context.actor, 'viewBill');
  const { bill, found, design, laid, taken, close, closes, rules, allowances, commitments } = await workBill(
    context,
    id,
    basis,
  );
  const own = withIds(rules?.rules ?? [], design);
  return {
    ...{ bill, basis, laid, close, closes, allowances, commitments },
    design: found && { id: found.id, title: found.design.title, revision: found.revision },
    rulesRevision: rules?.revision ?? 0,
    taking: takingOf(
      taken,
      own.map((rule) => rule.id),
    ),
    unknown: unknownIn(own, design),
    relations: relationsOf(laid),
    measured: found ? measuredEntries(laid, design) : [],
    tags: tagKeys(taken.map(({ thing }) => thing)),
  };
}

const MOST_PAST = 6;

/** What would have been projected of the periods before, when as many days were known as are of this one. */
export async function backTestBill(
  context: Context,
  id: string,
  basis: CostBasis = 'effective',
): Promise<BackTested[]> {
  allow(context.actor, 'backTestBill');
  const { workspace } = context.actor;
  const bill = await openBill(context, id);
  if (bill.newest === null) return [];
  const known = periodDays({ from: bill.from, to: bill.newest }) + 1;
  const past = (await context.bills.list(workspace))
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
  const days = await Promise.all(
    past.map(async (each) => ({ from: each.from, to: each.to, ...(await daysOfBill(context, each, basis)) })),
  );
  return backTest(days, known);
}
