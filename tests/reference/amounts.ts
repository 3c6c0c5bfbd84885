/** What is on demand and what is committed, as money. Rules 4, 5, 7 and 9. */
import { type ChargeRow, chargeOf } from './charge';
import { type Fraction, ONE, ZERO, f, least, most, sum } from './fraction';
import { poolOf } from './left';
import { hoursOf } from './running';
import { type Demand, type Left, type Part, type Rest, type Scene, monthsOf, plainPart } from './shapes';
import { convert } from './units';

/** What is on demand, at the tiers that the pool reaches, after sustained use, under caps: rules 4, 7, 9. */
export function tiers(
  scene: Scene,
  demands: readonly Demand[],
  left: ReadonlyMap<Demand, Left>,
  rests: ReadonlyMap<Demand, Rest>,
): (demand: Demand, agreed?: ChargeRow) => Fraction {
  return (demand, agreed) => {
    const { rate, quantity, owner } = demand;
    const charge = agreed ?? rate.charge;
    const rest = rests.get(demand)!;
    const ranks = rest.ranks;
    const cap = rate.monthlyCap == null ? null : f(rate.monthlyCap);
    if (cap && ranks && charge.structure === 'per-unit') {
      const hourly = f(charge.price).times(convert('hour', rate.unit)!);
      return sum(
        ranks.map(({ units, hours }) => {
          const counted = rate.sustained ? sustained(hours, rate.sustained, owner.month) : hours;
          return units.times(least(counted.times(hourly), cap));
        }),
      );
    }
    const pool = poolOf(demand, demands);
    let amount: Fraction;
    if (pool.length === 1) amount = chargeOf(charge, rest.amount, quantity, owner.parts);
    else {
      const all = sum(
        pool.map((other) => rests.get(other)!.amount.times(convert(other.rate.unit, rate.unit)!)),
      );
      amount = all.isZero ? ZERO : chargeOf(charge, all, quantity, owner.parts).times(rest.amount).over(all);
    }
    if (ranks && rate.sustained) {
      const hours = hoursOf(ranks);
      const counted = sum(
        ranks.map((rank) => rank.units.times(sustained(rank.hours, rate.sustained!, owner.month))),
      );
      if (!hours.isZero) amount = amount.times(counted).over(hours);
    }
    return cap && ranks ? least(amount, cap.times(sum(ranks.map(({ units }) => units)))) : amount;
  };
}

export function sustained(
  hours: Fraction,
  bands: readonly { upTo: string; multiplier: string }[],
  month: Fraction,
): Fraction {
  let from = ZERO;
  return sum(
    bands.map(({ upTo, multiplier }, index) => {
      const end = index === bands.length - 1 ? most(hours, month) : f(upTo).times(month);
      const within = most(ZERO, least(hours, end).minus(from));
      from = end;
      return within.times(f(multiplier));
    }),
  );
}

export function committedPart(
  scene: Scene,
  { owner, meter, promised, quantity: demanded }: Demand,
  missing: Fraction,
): Part {
  const { rate, units, missing: few, amount, quantity, byTheHour } = promised!;
  const months = monthsOf(owner.component.term)!;
  // The minimum is stated in the on-demand rate's unit.
  const perHour = demanded.running?.perHour ?? ONE;
  const own = units.plus(few).times(owner.month).times(perHour);
  const times = byTheHour && !own.isZero ? own.plus(missing).over(own) : ONE;
  const filled = amount.times(times);
  const price = (charge: ChargeRow): Fraction => chargeOf(charge, filled, quantity, owner.parts);
  const recurring = price(rate.charge);
  const paidFor = (byTheHour ? units.plus(few) : units).times(times);
  const upfront = paidFor.times(f(rate.upfront ?? '0'));
  const isMoney = ['spend-commitment', 'prepaid-credit'].includes(owner.component.kind);
  return {
    meter: meter.meter,
    unit: rate.unit,
    term: rate.term,
    monthly: recurring.plus(upfront.over(f(months))),
    recurring,
    upfront,
    once: ZERO,
    bought: null,
    committed: { months, recurring, upfront },
    early: rate.early ?? null,
    at: isMoney ? null : price,
  };
}

export function onDemandPart(
  demand: Demand,
  amounts: (demand: Demand, agreed?: ChargeRow) => Fraction,
): Part {
  const { rate, meter } = demand;
  return {
    ...plainPart(meter.meter, rate.unit, amounts(demand), rate.charge),
    term: rate.term,
    at: (charge) => amounts(demand, standingIn(rate.charge, charge)),
  };
}

/** An agreed price of capacity units leaves the hourly fee; of a fee it is the fee. */
export function standingIn(listed: ChargeRow, agreed: ChargeRow): ChargeRow {
  if (agreed.structure !== 'per-unit') return agreed;
  if (listed.structure === 'greatest-of') return { ...listed, unitPrice: agreed.price };
  return listed.structure === 'flat' ? { ...listed, amount: agreed.price } : agreed;
}
