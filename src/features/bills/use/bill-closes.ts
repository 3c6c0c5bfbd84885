/** Where a bill and its parts close, from what every day of them came to. */
import {
  type BillPeriod,
  type CostBasis,
  dayAfter,
  type DayCost,
  type LaidBill,
  ownerOf,
  type Projection,
  projectClose,
  type Taken,
} from '@/features/bills/calc';
import type { Context, DayGroup, StoredBill } from '@/stores/ports';

export interface Projected {
  readonly bill: StoredBill;
  readonly laid: LaidBill;
  readonly taken: readonly Taken[];
  readonly basis: CostBasis;
  readonly completeness: readonly string[];
  /** How far periods before came to rest from what would have been said of them. */
  readonly past: readonly string[];
}

export interface Closes {
  /** Null: no day has use yet. */
  readonly close: Projection | null;
  /** By component or service, and by section. */
  readonly closes: Readonly<Record<string, Projection>>;
  /** By component and meter, over a space. */
  readonly meterCloses: Readonly<Record<string, Projection>>;
}

interface OwnDays {
  readonly days: readonly DayCost[];
  readonly fees: readonly DayCost[];
}

type Things = DayGroup['things'][number][];

/** What is bought, put right, taxed or credited is known by its day, and makes no run of days. */
const isFee = ({ thing: { category, isCorrection } }: Taken): boolean => category !== 'Usage' || isCorrection;

export async function closesOf(context: Context, asked: Projected): Promise<Closes> {
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
  { bill, basis }: Pick<Projected, 'bill' | 'basis'>,
  groups: readonly T[],
): Promise<Map<T, OwnDays>> {
  const found = new Map<T, { days: DayCost[]; fees: DayCost[] }>();
  for (const { group, day, amount } of await context.bills.days(
    context.actor.workspace,
    bill.id,
    groups,
    basis,
  )) {
    const of = groups[group]!;
    const own = found.get(of) ?? { days: [], fees: [] };
    found.set(of, own);
    (of.isFee ? own.fees : own.days).push({ day, cost: amount ?? '0' });
  }
  return found;
}

/** What bears a tag, closed as any part is; and what of it no line of the design expects. */
export async function tagClose(
  context: Context,
  worked: Projected,
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

const joined = (all: readonly OwnDays[]): OwnDays => ({
  days: all.flatMap(({ days }) => days),
  fees: all.flatMap(({ fees }) => fees),
});

const NO_DAYS: OwnDays = { days: [], fees: [] };

export function closeOf(
  { bill: { from, to, newest }, completeness, past }: Pick<Projected, 'bill' | 'completeness' | 'past'>,
  { days, fees }: OwnDays,
): Projection | null {
  if (newest === null) return null;
  const period = { from, to };
  return projectClose({
    ...{ ...period, newest, days: within(days, period), fees: within(fees, period), past },
    completeness: dayAfter(newest) >= to ? [] : completeness,
  });
}

/** What is charged for a day outside of the period is charged within it. */
export function within(days: readonly DayCost[], { from, to }: BillPeriod): DayCost[] {
  const last = dayAfter(to, -1);
  return days.map(({ day, cost }) => ({ cost, day: day < from ? from : day > last ? last : day }));
}
