/**
 * Commitments as the bill has them: what they cover, what was paid unused, and which level would have cost least over the
 * days that are known. Need P7; pricing rules, "Bills".
 */
import { addAll, type Decimal, decimal, ONE, ZERO } from '@/engine/base';
import { conversionFactor } from '@/engine/units';
import type { BillThing } from './bill';
import { billUnit } from './bill-unit';

/** One commitment's day: what was running of what it could pay, and what it paid for, in the same units. */
export interface CommitmentDay {
  readonly day: string;
  /** Paid by the commitment. */
  readonly covered: string;
  /** The same thing beyond it, on demand. */
  readonly beyond: string;
}

export interface CommitmentUse {
  readonly commitment: string;
  readonly service: string;
  readonly sku: string;
  /** Effective money. */
  readonly used: string;
  readonly unused: string;
  /** Of what is paid, so much paid for something: 1 is all. */
  readonly use: string;
  /** Of what ran of its SKU, so much was covered: 1 is all. Null: nothing ran. */
  readonly coverage: string | null;
  /** In which quantities are; empty: the bill does not say. */
  readonly unit: string;
  readonly better: BetterLevel | null;
}

/** Which level would have cost least. Money and quantities of a day. */
export interface BetterLevel {
  readonly level: string;
  /** What is committed now. */
  readonly now: string;
  /** Over the known days, at each level. */
  readonly costNow: string;
  readonly costBest: string;
}

/** Places of the things of one commitment, and of what it could have paid. */
export interface CommitmentParts {
  readonly commitment: string;
  readonly used: readonly BillThing[];
  readonly unused: readonly BillThing[];
  /** Of the same SKU and region, paid on demand. */
  readonly beyond: readonly BillThing[];
}

const DIGITS = 9;

/**
 * Each commitment with what it pays for, in the order of their names.
 *
 * @example
 * commitmentsOf([{ ...thing, commitment: 'c-1', commitmentStatus: 'Used' }, thing]).map(({ used, beyond }) => [used.length, beyond.length]); // => [[1, 1]]
 */
export function commitmentsOf(things: readonly BillThing[]): CommitmentParts[] {
  const use = things.filter(({ category, isCorrection }) => category === 'Usage' && !isCorrection);
  const byName = groupsOf(use, ({ commitment }) => commitment);
  const onDemand = groupsOf(byName.get('') ?? [], placeOf);
  byName.delete('');
  const names = [...byName.keys()].sort();
  return names.map((commitment) => {
    const own = byName.get(commitment)!;
    const used = own.filter(({ commitmentStatus }) => commitmentStatus !== 'Unused');
    return {
      commitment,
      used,
      unused: own.filter(({ commitmentStatus }) => commitmentStatus === 'Unused'),
      beyond: [...new Set(used.map(placeOf))].flatMap((place) => onDemand.get(place) ?? []),
    };
  });
}

function groupsOf(things: readonly BillThing[], by: (thing: BillThing) => string): Map<string, BillThing[]> {
  const groups = new Map<string, BillThing[]>();
  for (const thing of things) {
    const group = groups.get(by(thing)) ?? [];
    groups.set(by(thing), group);
    group.push(thing);
  }
  return groups;
}

const placeOf = ({ service, sku, region, unit }: BillThing): string =>
  [service, sku, region, unit].join('\n');

/**
 * `days`: quantities of each known day. What is committed a day is what it cost a day at what a unit of it cost where it
 * was used; on demand costs what the list says.
 *
 * @example
 * const used = { ...thing, commitment: 'c-1', commitmentStatus: 'Used', effective: '60', quantity: '10', listUnitPrice: '10' };
 * const unused = { ...used, commitmentStatus: 'Unused', effective: '60', quantity: null };
 * const days = Array.from({ length: 10 }, (_, at) => ({ day: `2026-11-${at + 10}`, covered: '1', beyond: '0' }));
 * const { use, better } = commitmentUse({ commitment: 'c-1', used: [used], unused: [unused], beyond: [] }, days);
 * [use, better?.now, better?.level, better?.costNow, better?.costBest]; // => ['0.5', '2', '1', '120', '60']
 */
export function commitmentUse(parts: CommitmentParts, days: readonly CommitmentDay[]): CommitmentUse {
  const { commitment, used, unused, beyond } = parts;
  const first = used[0] ?? unused[0]!;
  const money = (all: readonly BillThing[]): Decimal => addAll(all.map((each) => decimal(each.effective)));
  const amount = (all: readonly BillThing[]): Decimal =>
    addAll(all.map(({ quantity }) => decimal(quantity ?? '0')));
  const [paid, idle] = [money(used), money(unused)];
  const whole = paid.plus(idle);
  const [covered, open] = [amount(used), amount(beyond)];
  const ran = covered.plus(open);
  const time = inHours(first.unit);
  return {
    ...{ commitment, service: first.service, sku: first.sku, unit: time?.unit ?? first.unit },
    used: paid.toString(),
    unused: idle.toString(),
    use: whole.isZero() ? '1' : paid.dividedBy(whole).toDecimalPlaces(DIGITS).toString(),
    coverage: ran.isZero() ? null : covered.dividedBy(ran).toDecimalPlaces(DIGITS).toString(),
    better: betterLevel(
      { paid, whole, covered, listed: listedPrice([...used, ...beyond]), factor: time?.factor ?? ONE },
      days,
    ),
  };
}

/** Running time is told in hours, whatever the bill counts. */
function inHours(unit: string): { readonly unit: string; readonly factor: Decimal } | null {
  const read = billUnit(unit);
  const factor = read && conversionFactor(read.unit, 'hour');
  return factor?.ok ? { unit: 'hours', factor: factor.value.times(read!.factor) } : null;
}

/** What a unit costs on demand: as the bill lists it, in the first thing that says. */
function listedPrice(things: readonly BillThing[]): Decimal | null {
  const said = things.find(({ listUnitPrice }) => listUnitPrice !== null);
  return said ? decimal(said.listUnitPrice!) : null;
}

interface LevelAsked {
  readonly paid: Decimal;
  readonly whole: Decimal;
  readonly covered: Decimal;
  readonly listed: Decimal | null;
  /** One unit of the bill is so many of those that are told. */
  readonly factor: Decimal;
}

/** Between two days' use the cost is straight, so the best level is the use of one of the days, or none at all. */
function betterLevel(asked: LevelAsked, days: readonly CommitmentDay[]): BetterLevel | null {
  const { paid, whole, covered, listed, factor } = asked;
  if (!listed || covered.isZero() || paid.isZero() || days.length === 0) return null;
  const unit = paid.dividedBy(covered);
  const ran = days.map((each) => decimal(each.covered).plus(each.beyond));
  const costOf = (level: Decimal): Decimal =>
    addAll(
      ran.map((each) =>
        level.times(unit).plus(each.greaterThan(level) ? each.minus(level).times(listed) : ZERO),
      ),
    );
  // As much of it as of the whole period is unused on these days, too.
  const onThese = addAll(days.map((each) => decimal(each.covered)));
  const now = onThese.times(whole).dividedBy(paid).dividedBy(days.length);
  let best = { level: ZERO, cost: costOf(ZERO) };
  for (const level of [now, ...ran]) {
    const cost = costOf(level);
    if (cost.lessThan(best.cost)) best = { level, cost };
  }
  const text = (value: Decimal): string => value.toDecimalPlaces(DIGITS).toString();
  return {
    ...{
      level: text(best.level.times(factor)),
      now: text(now.times(factor)),
      costNow: text(costOf(now)),
      costBest: text(best.cost),
    },
  };
}

/**
 * Whether another level is worth a word: at least one of a hundred cheaper.
 *
 * @example
 * isWorthSaying({ level: '1', now: '2', costNow: '120', costBest: '60' }); // => true
 */
export function isWorthSaying({ costNow, costBest }: BetterLevel): boolean {
  return decimal(costBest).lessThan(decimal(costNow).times(ONE.minus('0.01')));
}
