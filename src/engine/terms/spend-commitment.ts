/**
 * Spend commitments: an amount of money per hour buys eligible use at committed prices. Hour by hour of the week the
 * amount is used up by what it saves most on; what exceeds it is on demand, what is left of it is lost.
 * Source: pricing rules, "Spend commitment", "Where two rules meet", 1 to 3.
 */
import { addAll, comparedWithoutHair, type Decimal, leftOf, ONE, ZERO } from '../base';
import { type Hour, unitHoursOf, type Week } from '../usage';

export interface SpendMember {
  readonly id: string;
  /** All units, as they are billed. */
  readonly weeks: readonly Week[];
  /** Per unit and hour. */
  readonly committed: Decimal;
  readonly onDemand: Decimal;
}

export interface SpendAllocation {
  /** By member: the unit-hours of a week that the commitment pays. */
  readonly covered: ReadonlyMap<string, Decimal>;
  /** By member: what it leaves; the very same weeks where it pays nothing. */
  readonly left: ReadonlyMap<string, readonly Week[]>;
  /** Money of a week that buys nothing. */
  readonly unused: Decimal;
}

/**
 * Shares `perHour` out over the members. Weekly figures: 168 hours.
 *
 * @example
 * const member = { id: 'a', weeks: everyWeek(sameAllWeek(decimal('2'))), committed: decimal('0.07'), onDemand: decimal('0.1') };
 * allocateSpend(decimal('0.07'), [member]).covered.get('a')?.toString(); // => '168'
 */
export function allocateSpend(perHour: Decimal, members: readonly SpendMember[]): SpendAllocation {
  const order = [...members].sort(byWhatIsSaved);
  const covered = new Map(members.map((member) => [member.id, ZERO]));
  const rest = order.map((): Week[] => []);
  let unused = ZERO;
  for (const { share, weeks } of kindsTogether(order)) {
    const after = order.map((): Hour[] => []);
    const known = new Map<string, { left: Hour[]; bought: Decimal[]; unspent: Decimal }>();
    for (let hour = 0; hour < 168; hour += 1) {
      const now = weeks.map((week) => week[hour]!);
      const key = now.map(textOf).join('|');
      let done = known.get(key);
      if (!done) known.set(key, (done = spendHour(perHour, order, now)));
      done.left.forEach((each, index) => after[index]!.push(each));
      done.bought.forEach((each, index) => {
        const { id } = order[index]!;
        if (!each.isZero()) covered.set(id, covered.get(id)!.plus(each.times(share)));
      });
      unused = unused.plus(done.unspent.times(share));
    }
    after.forEach((hours, index) => rest[index]!.push({ share, hours }));
  }
  const left = new Map(
    order.map((member, index) => [member.id, covered.get(member.id)!.isZero() ? member.weeks : rest[index]!]),
  );
  return { covered, left, unused: members.length === 0 ? perHour.times(168) : unused };
}

/** One clock hour: what saves most first, until the money is spent. */
function spendHour(perHour: Decimal, order: readonly SpendMember[], hours: readonly Hour[]) {
  let money = perHour;
  const bought = order.map(() => ZERO);
  const left = order.map((member, index): Hour => {
    const hour = hours[index]!;
    const wanted = unitHoursOf(hour);
    if (wanted.isZero() || (money.isZero() && !member.committed.isZero())) return hour;
    const cost = member.committed.times(wanted);
    // A hair that a division left is neither money nor use.
    const all = leftOf(cost, money).isZero();
    const units = all ? wanted : money.dividedBy(member.committed);
    bought[index] = units;
    money = all ? leftOf(money, cost) : ZERO;
    const keeps = all ? ZERO : wanted.minus(units).dividedBy(wanted);
    return hour.map((stretch) => ({ length: stretch.length, units: stretch.units.times(keeps) }));
  });
  return { left, bought, unspent: money };
}

const texts = new WeakMap<Hour, string>();

function textOf(hour: Hour): string {
  let text = texts.get(hour);
  if (text === undefined) {
    text = hour.map(({ length, units }) => `${length}:${units}`).join(',');
    texts.set(hour, text);
  }
  return text;
}

/**
 * The saving on all that a commitment may buy, as a share of it on demand: who buys first.
 *
 * @example
 * const member = { id: 'a', weeks: everyWeek(sameAllWeek(decimal('2'))), committed: decimal('0.07'), onDemand: decimal('0.1') };
 * savingOf([member], weekUnitHours).toString(); // => '0.3'
 */
export function savingOf(
  members: readonly SpendMember[],
  hoursOf: (weeks: readonly Week[]) => Decimal,
): Decimal {
  const onDemand = addAll(members.map((each) => each.onDemand.times(hoursOf(each.weeks))));
  if (onDemand.isZero()) return ZERO;
  const committed = addAll(members.map((each) => each.committed.times(hoursOf(each.weeks))));
  return ONE.minus(committed.dividedBy(onDemand));
}

/** Largest saving per committed money first; the order of equals does not depend on how the design is arranged. */
function byWhatIsSaved(a: SpendMember, b: SpendMember): number {
  const order = comparedWithoutHair(a.committed.times(b.onDemand), b.committed.times(a.onDemand));
  return order || (a.id < b.id ? -1 : 1);
}

/** The kinds of weeks of all members at once: in the weeks that have three days, all have three. */
function kindsTogether(members: readonly SpendMember[]): { share: Decimal; weeks: (readonly Hour[])[] }[] {
  const ends = new Map<string, Decimal>();
  for (const { weeks } of members) {
    let end = ZERO;
    weeks.forEach(({ share }, index) => {
      end = index === weeks.length - 1 ? ONE : end.plus(share);
      ends.set(end.toString(), end);
    });
  }
  const sorted = [...ends.values()].sort((a, b) => a.comparedTo(b));
  return sorted.map((end, index) => ({
    share: end.minus(sorted[index - 1] ?? ZERO),
    weeks: members.map(({ weeks }) => kindAt(weeks, end)),
  }));
}

/** The kind of week that holds just before `end`. */
function kindAt(weeks: readonly Week[], end: Decimal): readonly Hour[] {
  let reached = ZERO;
  for (const { share, hours } of weeks) {
    reached = reached.plus(share);
    if (end.lessThanOrEqualTo(reached)) return hours;
  }
  return weeks[weeks.length - 1]!.hours;
}
