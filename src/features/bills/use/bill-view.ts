/** A bill against its design, as it is shown. Needs P1 to P4, P7, P8. */
import {
  type AllowanceUse,
  type BackTested,
  type CommitmentUse,
  type CostBasis,
  type LaidBill,
  type MeasuredEntry,
  measuredEntries,
  type Projection,
  type Relation,
  relationsOf,
  type RuleTaking,
  tagKeys,
  takingOf,
  unknownIn,
  withIds,
} from '@/features/bills/calc';
import { workBill } from './bill-work';
import { allow } from '@/platform/use/may';
import type { Context, StoredBill } from '@/stores/ports';

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
  /** What would have been projected of the periods before, when as many days were known as are of this one. */
  readonly tested: readonly BackTested[];
  /** By which it can be grouped. */
  readonly tags: readonly string[];
}

export async function viewBill(
  context: Context,
  id: string,
  basis: CostBasis = 'effective',
): Promise<BillView> {
  allow(context.actor, 'viewBill');
  const { bill, found, design, laid, taken, close, closes, rules, allowances, commitments, tested } =
    await workBill(context, id, basis);
  const own = withIds(rules?.rules ?? [], design);
  return {
    ...{ bill, basis, laid, close, closes, allowances, commitments, tested },
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
