/** A bill against its design, worked out: laid, with what every part closes at, what is included and what is committed. */
import {
  allowanceThings,
  type AllowanceUse,
  allowanceUse,
  type CommitmentUse,
  commitmentsOf,
  commitmentUse,
  completenessOf,
  type CostBasis,
  type DayCost,
  expectedBill,
  type LaidBill,
  layBill,
  monthsOfPeriod,
  ownerOf,
  type Projection,
  projectClose,
  type Taken,
  takeThings,
  withIds,
} from '@/core/bills';
import type { Design } from '@/core/design';
import { allowancesIn } from '@/core/pricing';
import { componentsOf, rulesOf, type RulesOfDesign } from './bill-rules';
import { notFound } from './app-error';
import { loadBooks } from './load-books';
import type { Context, BillListing, DayGroup, GroupDay, StoredBill, StoredDesign } from './ports';

export interface WorkedBill {
  readonly bill: StoredBill;
  /** Null: it is held against none. */
  readonly found: StoredDesign | null;
  readonly design: Design;
  readonly basis: CostBasis;
  readonly rules: RulesOfDesign | null;
  readonly taken: readonly Taken[];
  readonly laid: LaidBill;
  readonly completeness: readonly string[];
  readonly close: Projection | null;
  /** By component or service, and by section. */
  readonly closes: Readonly<Record<string, Projection>>;
  /** By component and meter, over a space. */
  readonly meterCloses: Readonly<Record<string, Projection>>;
  readonly allowances: readonly AllowanceUse[];
  readonly commitments: readonly CommitmentUse[];
}

/** Without a design everything is outside of it, and nothing is expected. */
export async function workBill(context: Context, id: string, basis: CostBasis): Promise<WorkedBill> {
  const { workspace } = context.actor;
  const bill = await context.bills.find(workspace, id);
  if (!bill) throw notFound('bill');
  const linked = await context.bills.designOf(workspace, bill);
  const found = linked ? await context.designs.find(workspace, linked) : null;
  const design = found?.design ?? EMPTY;
  const [things, seen, kept, books] = await Promise.all([
    context.bills.things(workspace, id),
    context.bills.seen(workspace, id),
    found ? rulesOf(context, found.id) : null,
    loadBooks(context.books, workspace, design),
  ]);
  const taken = takeThings(things, withIds(kept?.rules ?? [], design), componentsOf(design));
  const expected = expectedBill(design, books, bill, bill.currency);
  const completeness = completenessOf(seen);
  const laid = layBill({ design, expected, taken, period: bill, newest: bill.newest, basis, completeness });
  const base = { bill, laid, taken, basis, completeness };
  const [projected, allowances, commitments] = await Promise.all([
    projections(context, base),
    allowancesOf(context, base, { design, allowances: found ? allowancesIn(design, books) : [] }),
    commitmentUses(context, base),
  ]);
  return { ...base, ...projected, found, design, rules: kept, allowances, commitments };
}

const EMPTY: Design = {
  title: '',
  description: '',
  currency: 'USD',
  assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
  books: [],
  sections: [],
};

export interface OwnDays {
  readonly days: readonly DayCost[];
  readonly fees: readonly DayCost[];
}

interface Projected {
  readonly bill: StoredBill;
  readonly laid: LaidBill;
  readonly taken: readonly Taken[];
  readonly basis: CostBasis;
  readonly completeness: readonly string[];
}

type Things = DayGroup['things'][number][];

/** What is bought, put right, taxed or credited is known by its day, and makes no run of days. */
const isFee = ({ thing: { category, isCorrection } }: Taken): boolean => category !== 'Usage' || isCorrection;

async function projections(
  context: Context,
  asked: Projected,
): Promise<Pick<WorkedBill, 'close' | 'closes' | 'meterCloses'>> {
  const { laid, taken } = asked;
  const meterOf = metersByThing(laid);
  const groups = new Map<string, { things: Things; owner: string; meter: string; isFee: boolean }>();
  for (const each of taken) {
    const owner = ownerOf(each);
    const fee = isFee(each);
    const meter = meterOf.get(`${owner} ${each.thing.at}`) ?? '';
    const key = `${fee ? 'fee' : 'run'} ${owner} ${meter}`;
    const group = groups.get(key) ?? { things: [], owner, meter, isFee: fee };
    group.things.push({ at: each.thing.at, share: each.share.toString() });
    groups.set(key, group);
  }
  const byOwner = new Map<string, OwnDays>();
  const byMeter = new Map<string, OwnDays>();
  for (const [{ owner, meter }, own] of await daysOf(context, asked, [...groups.values()])) {
    byOwner.set(owner, joined([byOwner.get(owner) ?? NO_DAYS, own]));
    if (meter) {
      const key = `${owner} ${meter}`;
      byMeter.set(key, joined([byMeter.get(key) ?? NO_DAYS, own]));
    }
  }
  const closes: Record<string, Projection> = {};
  const meterCloses: Record<string, Projection> = {};
  const keep = (into: Record<string, Projection>, key: string, own: OwnDays): void => {
    const close = closeOf(asked, own);
    if (close) into[key] = close;
  };
  for (const { id, components } of laid.sections) {
    keep(closes, `section ${id}`, joined(components.flatMap((each) => byOwner.get(each.id) ?? [])));
    for (const component of components) {
      const days = byOwner.get(component.id);
      if (days) keep(closes, component.id, days);
    }
  }
  for (const [key, days] of byMeter) keep(meterCloses, key, days);
  return { close: closeOf(asked, joined([...byOwner.values()])), closes, meterCloses };
}

function metersByThing({ sections }: LaidBill): Map<string, string> {
  const found = new Map<string, string>();
  for (const { part, components } of sections) {
    if (part !== 'design') continue;
    for (const { id, meters } of components)
      for (const { meter, things } of meters) for (const at of things) found.set(`${id} ${at}`, meter);
  }
  return found;
}

/** The money of each group, day by day. */
async function daysOf<T extends DayGroup & { readonly isFee: boolean }>(
  context: Context,
  { bill, basis }: { readonly bill: Pick<BillListing, 'id'>; readonly basis: CostBasis },
  groups: readonly T[],
): Promise<Map<T, OwnDays>> {
  const found = new Map<T, { days: DayCost[]; fees: DayCost[] }>();
  for (const row of await context.bills.days(context.actor.workspace, bill.id, groups)) {
    const group = groups[row.group]!;
    const own = found.get(group) ?? { days: [], fees: [] };
    found.set(group, own);
    (group.isFee ? own.fees : own.days).push({ day: row.day, cost: row[basis] });
  }
  return found;
}

/** What bears a tag, closed as any part is; and what of it no line of the design expects. */
export async function tagClose(
  context: Context,
  worked: WorkedBill,
  tag: { readonly key: string; readonly value: string },
): Promise<{ readonly close: Projection; readonly taken: readonly Taken[] } | null> {
  const taken = worked.taken.filter(
    ({ thing }) => Object.hasOwn(thing.tags, tag.key) && thing.tags[tag.key] === tag.value,
  );
  if (taken.length === 0) return null;
  const groups = [false, true].map((fee) => ({
    isFee: fee,
    things: taken
      .filter((each) => isFee(each) === fee)
      .map(({ thing, share }) => ({ at: thing.at, share: share.toString() })),
  }));
  const found = await daysOf(context, worked, groups);
  const close = closeOf(worked, joined([...found.values()]));
  return close && { close, taken };
}

/** The days of a bill that is over, as they were; for a look at how a projection would have done. */
export async function daysOfBill(context: Context, bill: BillListing, basis: CostBasis): Promise<OwnDays> {
  const things = await context.bills.things(context.actor.workspace, bill.id);
  const groups = [false, true].map((fee) => ({
    isFee: fee,
    things: things
      .filter(({ category, isCorrection }) => (category !== 'Usage' || isCorrection) === fee)
      .map(({ at }) => ({ at, share: '1' })),
  }));
  const found = await daysOf(context, { bill, basis }, groups);
  return joined([...found.values()]);
}

async function allowancesOf(
  context: Context,
  worked: Projected,
  of: { readonly design: Design; readonly allowances: ReturnType<typeof allowancesIn> },
): Promise<AllowanceUse[]> {
  const { allowances, design } = of;
  if (allowances.length === 0) return [];
  const groups = allowances.map((each) => allowanceThings(each, worked.laid, worked.taken));
  const rows = await context.bills.days(context.actor.workspace, worked.bill.id, groups);
  const months = monthsOfPeriod(design, worked.bill).toString();
  return allowances.map((allowance, at) => {
    const days = rows.flatMap(({ group, day, quantity }) =>
      group === at && quantity !== null ? [{ day, cost: quantity }] : [],
    );
    return allowanceUse(allowance, months, closeOf(worked, { days, fees: [] }));
  });
}

async function commitmentUses(
  context: Context,
  { bill, taken, completeness }: Pick<Projected, 'bill' | 'taken' | 'completeness'>,
): Promise<CommitmentUse[]> {
  const parts = commitmentsOf([...new Map(taken.map(({ thing }) => [thing.at, thing])).values()]);
  if (parts.length === 0) return [];
  const whole = (things: readonly { readonly at: number }[]): DayGroup => ({
    things: things.map(({ at }) => ({ at, share: '1' })),
  });
  const groups = parts.flatMap(({ used, beyond }) => [whole(used), whole(beyond)]);
  const rows = await context.bills.days(context.actor.workspace, bill.id, groups);
  const quantities = (group: number): ReadonlyMap<string, string> =>
    new Map(rows.flatMap((row: GroupDay) => (row.group === group ? [[row.day, row.quantity ?? '0']] : [])));
  return parts.map((each, at) => {
    const [covered, beyond] = [quantities(at * 2), quantities(at * 2 + 1)];
    const all = [...new Set([...covered.keys(), ...beyond.keys()])].sort();
    // Of the newest days not everything is there yet: they would look as if less ran.
    const days =
      bill.newest !== null && dayAfter(bill.newest) < bill.to
        ? all.slice(0, -completeness.length || undefined)
        : all;
    return commitmentUse(
      each,
      days.map((day) => ({ day, covered: covered.get(day) ?? '0', beyond: beyond.get(day) ?? '0' })),
    );
  });
}

const joined = (all: readonly OwnDays[]): OwnDays => ({
  days: all.flatMap(({ days }) => days),
  fees: all.flatMap(({ fees }) => fees),
});

const NO_DAYS: OwnDays = { days: [], fees: [] };

function closeOf(
  { bill: { from, to, newest }, completeness }: Pick<Projected, 'bill' | 'completeness'>,
  { days, fees }: OwnDays,
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

const dayAfter = (day: string): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + DAY).toISOString().slice(0, 10);
