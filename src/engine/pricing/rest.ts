/**
 * What of a claim is on demand: after the allowance, after the usage commitment, after spend commitments. Every step
 * works on what the one before left over. Source: pricing rules, "Where two rules meet", 1 to 5.
 */
import { addAll, type Decimal, leftOf, ONE, ZERO } from '../base';
import type { Rank } from '../terms';
import { type Figure, given, product, sum } from '../trace';
import { atLeastIfAny, timesWeeks, type Week } from '../usage';
import { ranksOfLevels } from './billed-hours';
import { type Claim, monthUnitHours } from './claim';
import type { Left } from './pools';
import type { RunningShape } from './meter-context';

/** What a running claim leaves to spend commitments. */
export interface Open {
  readonly weeks: readonly Week[];
  /** Units by their hours, with what a least number of hours adds. */
  readonly ranks: readonly Rank[];
  /** Hours that only a minimum adds: nobody's use, so no commitment pays them. */
  readonly added: Decimal;
}

export interface Rest {
  /** On demand, in the rate's unit. */
  readonly quantity: Figure;
  /** Running meters: units by the hours that are on demand. */
  readonly ranks: (() => readonly Rank[]) | null;
}

/** Worked out for a claim that has a week. */
export function openOf(claim: Claim, left: Left, running: RunningShape): Open {
  const { hoursInMonth } = claim.owner;
  const times = left.share?.value ?? ONE;
  const committed = claim.committed?.running ?? null;
  const weeks = committed ? committed.above(times) : timesWeeks(running.weeks(), times);
  const ranks = committed
    ? ranksOfLevels(weeks, hoursInMonth).map((rank) => raised(rank, running.leastHours))
    : scaledRanks(running.ranks(), left.share);
  const added = running.leastHours ? leftOf(hoursOf(ranks), monthUnitHours(weeks, hoursInMonth)) : ZERO;
  return { weeks, ranks, added };
}

function raised(rank: Rank, leastHours: Figure | null): Rank {
  if (!leastHours) return rank;
  return { ...rank, hours: atLeastIfAny('Hours of each, at least', rank.hours, leastHours.value) };
}

export function hoursOf(ranks: readonly Rank[]): Decimal {
  return addAll(ranks.map(({ units, hours }) => units.value.times(hours.value)));
}

function scaledRanks(ranks: readonly Rank[], share: Figure | null): readonly Rank[] {
  if (!share) return ranks;
  return ranks.map(({ units, hours }) => ({
    units,
    hours: product('Hours left after the allowance', 'hour', [hours, share]),
  }));
}

/** Nothing stands between the use and the tiers. */
export function plainRest({ demand }: Claim, left: Left): Rest {
  const running = demand.use.running ?? null;
  return {
    quantity: left.quantity,
    ranks: running && (() => scaledRanks(running.ranks(), left.share)),
  };
}

/** `weeks` is what commitments left of it; the same object as in `open` where they took nothing. */
export function restOf(
  claim: Claim,
  left: Left,
  running: RunningShape,
  open: Open,
  weeks: readonly Week[],
): Rest {
  const { demand, owner, committed } = claim;
  const ranks = weeks === open.weeks ? open.ranks : withAdded(ranksOfLevels(weeks, owner.hoursInMonth), open);
  const hours = sum(
    'Hours on demand',
    'hour',
    ranks.map((rank) => product(`${rank.units.value} on demand`, 'hour', [rank.units, rank.hours])),
  );
  const used = product('On demand', demand.rate.unit, [hours, running.perHour()]);
  const quantity =
    left.missing && !committed?.running
      ? sum('With what the minimum adds', demand.rate.unit, [
          used,
          left.share
            ? product('Left after the allowance', demand.rate.unit, [left.missing, left.share])
            : left.missing,
        ])
      : used;
  return { quantity, ranks: () => ranks };
}

/** What a minimum adds goes along with the hours that are left, in proportion. */
function withAdded(ranks: readonly Rank[], { added, ranks: before }: Open): readonly Rank[] {
  if (added.isZero()) return ranks;
  const hours = hoursOf(ranks);
  if (hours.isZero()) {
    const units = addAll(before.map((rank) => rank.units.value));
    if (units.isZero()) return ranks;
    return [
      {
        units: given('Units', units, 'unit'),
        hours: given('Hours that the minimum adds', added.dividedBy(units), 'hour'),
      },
    ];
  }
  const factor = given('With the hours that the minimum adds', hours.plus(added).dividedBy(hours), '');
  return ranks.map((rank) => ({
    units: rank.units,
    hours: product('Hours, with the minimum', 'hour', [rank.hours, factor]),
  }));
}
