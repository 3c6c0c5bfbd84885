/**
 * Spend commitments: an amount of money per hour buys eligible use at committed prices. Hour by hour of the week the
 * amount is used up by what it saves most on; what exceeds it is on demand, what is left of it is lost.
 * Source: pricing rules, "Spend commitment".
 */
import { type Decimal, Decimal as Decimals, ZERO } from '../base';

export interface SpendMember {
  readonly id: string;
  /** Units running in each of the 168 hours, all units together. */
  readonly units: readonly Decimal[];
  /** Per unit and hour. */
  readonly committed: Decimal;
  readonly onDemand: Decimal;
}

export interface SpendAllocation {
  /** By member: the unit-hours of a week that the commitment pays. */
  readonly covered: ReadonlyMap<string, Decimal>;
  /** Money of a week that buys nothing. */
  readonly unused: Decimal;
}

/** Shares `perHour` out over the members. Weekly figures: 168 hours. */
export function allocateSpend(perHour: Decimal, members: readonly SpendMember[]): SpendAllocation {
  const order = [...members].sort(byWhatIsSaved);
  const covered = new Map(members.map((member) => [member.id, ZERO]));
  let unused = ZERO;
  for (const { hours, units } of hoursAlike(order)) {
    let left = perHour;
    order.forEach((member, index) => {
      const wanted = units[index]!;
      if (wanted.isZero() || left.isZero()) return;
      const cost = member.committed.times(wanted);
      const bought = cost.lessThanOrEqualTo(left) ? wanted : left.dividedBy(member.committed);
      left = Decimals.max(ZERO, left.minus(cost));
      covered.set(member.id, covered.get(member.id)!.plus(bought.times(hours)));
    });
    unused = unused.plus(left.times(hours));
  }
  return { covered, unused };
}

/** Largest saving per committed money first; the order of equals does not depend on how the design is arranged. */
function byWhatIsSaved(a: SpendMember, b: SpendMember): number {
  const order = a.committed.times(b.onDemand).comparedTo(b.committed.times(a.onDemand));
  return order || (a.id < b.id ? -1 : 1);
}

/** Hours of the week in which everything runs alike, so that each such hour is worked out once. */
function hoursAlike(members: readonly SpendMember[]): { hours: number; units: Decimal[] }[] {
  const groups = new Map<string, { hours: number; units: Decimal[] }>();
  for (let hour = 0; hour < 168; hour += 1) {
    const units = members.map((member) => member.units[hour]!);
    const key = units.join(' ');
    const known = groups.get(key);
    if (known) known.hours += 1;
    else groups.set(key, { hours: 1, units });
  }
  return [...groups.values()];
}
