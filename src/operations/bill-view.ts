/** A bill against its design: laid, with what every part closes at. Needs P1 to P4, P8. */
import {
  completenessOf,
  type CostBasis,
  type DayCost,
  expectedBill,
  type LaidBill,
  layBill,
  type MeasuredEntry,
  measuredEntries,
  ownerOf,
  type Projection,
  projectClose,
  type Relation,
  relationsOf,
  type RuleTaking,
  type Taken,
  takeThings,
  takingOf,
  unknownIn,
  withIds,
} from '@/core/bills';
import type { Design } from '@/core/design';
import { componentsOf, rulesOf } from './bill-rules';
import { openBill } from './bills';
import { loadBooks } from './load-books';
import { allow } from './may';
import type { Context, DayGroup, StoredBill } from './ports';

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
}

/** Without a design everything is outside of it, and nothing is expected. */
export async function viewBill(
  context: Context,
  id: string,
  basis: CostBasis = 'effective',
): Promise<BillView> {
  allow(context.actor, 'viewBill');
  const { workspace } = context.actor;
  const bill = await openBill(context, id);
  const linked = await context.bills.designOf(workspace, bill);
  const found = linked ? await context.designs.find(workspace, linked) : null;
  const design = found?.design ?? EMPTY;
  const [things, seen, kept, books] = await Promise.all([
    context.bills.things(workspace, id),
    context.bills.seen(workspace, id),
    found ? rulesOf(context, found.id) : null,
    loadBooks(context.books, workspace, design),
  ]);
  const rules = withIds(kept?.rules ?? [], design);
  const taken = takeThings(things, rules, componentsOf(design));
  const expected = expectedBill(design, books, bill, bill.currency);
  const completeness = completenessOf(seen);
  const laid = layBill({ design, expected, taken, period: bill, newest: bill.newest, basis, completeness });
  const projected = await projections(context, { bill, laid, taken, basis, completeness });
  return {
    ...{ bill, basis, laid, ...projected },
    design: found && { id: found.id, title: found.design.title, revision: found.revision },
    rulesRevision: kept?.revision ?? 0,
    taking: takingOf(
      taken,
      rules.map((rule) => rule.id),
    ),
    unknown: unknownIn(rules, design),
    relations: relationsOf(laid),
    measured: found ? measuredEntries(laid, design) : [],
  };
}

const EMPTY: Design = {
  title: '',
  description: '',
  currency: 'USD',
  assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
  books: [],
  sections: [],
};

interface OwnDays {
  readonly days: DayCost[];
  readonly fees: DayCost[];
}

interface Projected {
  readonly bill: StoredBill;
  readonly laid: LaidBill;
  readonly taken: readonly Taken[];
  readonly basis: CostBasis;
  readonly completeness: readonly string[];
}

async function projections(
  context: Context,
  { bill, laid, taken, basis, completeness }: Projected,
): Promise<Pick<BillView, 'close' | 'closes'>> {
  const groups = new Map<string, { things: DayGroup['things'][number][]; owner: string; isFee: boolean }>();
  for (const each of taken) {
    const owner = ownerOf(each);
    // What is bought, put right, taxed or credited is known by its day, and makes no run of days.
    const isFee = each.thing.category !== 'Usage' || each.thing.isCorrection;
    const key = `${isFee ? 'fee' : 'run'} ${owner}`;
    const group = groups.get(key) ?? { things: [], owner, isFee };
    group.things.push({ at: each.thing.at, share: each.share.toString() });
    groups.set(key, group);
  }
  const ordered = [...groups.values()];
  const byOwner = new Map<string, OwnDays>();
  for (const row of await context.bills.days(context.actor.workspace, bill.id, ordered)) {
    const { owner, isFee } = ordered[row.group]!;
    const own = byOwner.get(owner) ?? { days: [], fees: [] };
    byOwner.set(owner, own);
    (isFee ? own.fees : own.days).push({ day: row.day, cost: row[basis] });
  }
  const closes: Record<string, Projection> = {};
  const keep = (key: string, own: OwnDays): void => {
    const close = closeOf(bill, own, completeness);
    if (close) closes[key] = close;
  };
  for (const { id, components } of laid.sections) {
    const own = components.flatMap((each) => byOwner.get(each.id) ?? []);
    keep(`section ${id}`, joined(own));
    for (const component of components) {
      const days = byOwner.get(component.id);
      if (days) keep(component.id, days);
    }
  }
  return { close: closeOf(bill, joined([...byOwner.values()]), completeness), closes };
}

const joined = (all: readonly OwnDays[]): OwnDays => ({
  days: all.flatMap(({ days }) => days),
  fees: all.flatMap(({ fees }) => fees),
});

function closeOf(
  { from, to, newest }: StoredBill,
  { days, fees }: OwnDays,
  completeness: readonly string[],
): Projection | null {
  if (newest === null) return null;
  const last = new Date(Date.parse(`${to}T00:00:00Z`) - DAY).toISOString().slice(0, 10);
  // What is charged for a day outside of the period is charged within it.
  const within = (all: readonly DayCost[]): DayCost[] =>
    all.map(({ day, cost }) => ({ cost, day: day < from ? from : day > last ? last : day }));
  return projectClose({
    from,
    to,
    newest,
    days: within(days),
    fees: within(fees),
    completeness: newest >= last ? [] : completeness,
  });
}

const DAY = 86_400_000;
