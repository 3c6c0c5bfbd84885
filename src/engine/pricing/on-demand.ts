/**
 * What is on demand, as money: its tiers over the pool, then sustained use and caps. The same again at another price,
 * for agreements that fix one. Source: pricing rules, "Where two rules meet", 1, 4, 7, 9.
 */
import { addAll, type Decimal, ok, ONE, type Result } from '../base';
import { type Charge, type ChargeContext, chargeFor, priceLeaf } from '../rates';
import { type Rank, sustainedHours } from '../terms';
import { type Figure, given, least, product, quotient, rate as rateFigure, sum, withLive } from '../trace';
import { conversionFactor } from '../units';
import type { Rate } from '../books';
import { type Claim, inUnit, rateSource } from './claim';
import { type Left, type Pool, shareOfPool } from './pools';
import { hoursOf, type Rest } from './rest';

/** One claim with everything that its on-demand amount depends on. */
export interface OnDemand {
  readonly claim: Claim;
  readonly left: Left;
  readonly rest: Rest;
  /** Null: it shares nothing. */
  readonly pool: PoolAmounts | null;
}

/** A pool with what is on demand of it, and its amounts at the prices they were asked for: once for each rate. */
export class PoolAmounts {
  /** Nothing but an allowance stands before the tiers of any member. */
  private readonly untouched: boolean;
  private readonly known = new Map<Rate, PoolAmount>();

  constructor(
    readonly members: Pool['members'],
    left: Pool['left'],
    private readonly rests: ReadonlyMap<Claim, Rest>,
  ) {
    this.untouched = members.every(
      (each) => left.get(each)!.whole !== null && rests.get(each)!.quantity === left.get(each)!.quantity,
    );
  }

  /** All of the pool in the unit of one of its rates, and what that costs at `charge`. */
  at({ demand }: Claim, left: Left, charge: Charge, context: ChargeContext): PoolAmount {
    const { rate, use } = demand;
    const known = charge === rate.charge ? this.known.get(rate) : undefined;
    if (known) return known;
    const all = this.untouched
      ? left.whole!
      : sum(
          'All of the pool on demand',
          rate.unit,
          this.members.map((each) => inUnit(this.rests.get(each)!.quantity, rate.unit)),
        );
    const amount = chargeFor(charge, { ...use, quantity: all }, context);
    const made = { all, amount, byUse: this.untouched };
    if (charge === rate.charge) this.known.set(rate, made);
    return made;
  }
}

interface PoolAmount {
  readonly all: Figure;
  readonly amount: Result<Figure>;
  /** Members share by what they use, before any allowance. */
  readonly byUse: boolean;
}

/** Prices of an agreement in place of the book's. */
export interface AgreedPrice {
  readonly charge: Charge;
  readonly agreement: string;
}

/** The amount at the rate's own prices, or at agreed ones; in the book's currency. */
export function onDemandAmount(of: OnDemand, agreed?: AgreedPrice): Result<Figure> {
  const { claim, rest } = of;
  const { rate } = claim.demand;
  const charge = agreed?.charge ?? rate.charge;
  const context: ChargeContext = {
    unit: rate.unit,
    currency: claim.book.currency,
    source: rateSource(rate, claim.book),
    ...(agreed ? { agreement: agreed.agreement } : {}),
  };
  if (rate.monthlyCap && charge.structure === 'per-unit' && rest.ranks) {
    return ok(cappedAmount(of, charge.price, rest.ranks(), context));
  }
  const amount = tieredAmount(of, charge, context);
  if (!amount.ok || !rest.ranks) return amount;
  const sustained = rate.sustained ? timesSustained(of, amount.value, rest.ranks()) : amount.value;
  return ok(rate.monthlyCap ? underCaps(of, sustained, rest.ranks()) : sustained);
}

/** A pool is charged at the member's own prices, and the member has its share by quantity. */
function tieredAmount(
  { claim, left, rest, pool }: OnDemand,
  charge: Charge,
  context: ChargeContext,
): Result<Figure> {
  if (!pool) {
    return chargeFor(charge, { ...claim.demand.use, quantity: rest.quantity }, context);
  }
  const { all, amount, byUse } = pool.at(claim, left, charge, context);
  if (!amount.ok) return amount;
  const [own, total] = byUse ? [left.own, left.total] : [rest.quantity, all];
  return ok(shareOfPool(amount.value, own, total, context));
}

/** The price falls with the share of the month that each unit is on demand. */
function timesSustained({ claim }: OnDemand, amount: Figure, ranks: readonly Rank[]): Figure {
  const hours = hoursOf(ranks);
  if (hours.isZero()) return amount;
  const paid = sustainedHours(ranks, claim.demand.rate.sustained!, claim.owner.hoursInMonth);
  const onDemand = withLive(given('Hours on demand', hours, 'hour'), () =>
    sum(
      'Hours on demand',
      'hour',
      ranks.map((rank) => product('Of this rank', 'hour', [rank.units, rank.hours])),
    ),
  );
  const factor = quotient('Sustained use', '', [paid, onDemand]);
  return product('After sustained use', claim.book.currency, [amount, factor]);
}

/** No unit pays more than the cap in a month. */
function cappedAmount(
  { claim }: OnDemand,
  price: Decimal,
  ranks: readonly Rank[],
  context: ChargeContext,
): Figure {
  const { demand, owner } = claim;
  const { rate } = demand;
  const { currency, source } = context;
  const factor = conversionFactor('hour', rate.unit);
  const perUnit = priceLeaf(`Price per ${rate.unit}`, price, `${currency} per ${rate.unit}`, context);
  const hourly =
    rate.unit === 'hour'
      ? perUnit
      : product('Price an hour', `${currency} per hour`, [
          perUnit,
          given(`1 hour in ${rate.unit}`, factor.ok ? factor.value : ONE, `${rate.unit} each`),
        ]);
  const cap = rateFigure('Monthly cap of each', rate.monthlyCap!, `${currency} each`, source);
  const running = ranks.filter(({ units }) => !units.value.isZero());
  const rows = running.map((rank) => {
    const hours = rate.sustained
      ? quotient('Hours after sustained use', 'hour', [
          sustainedHours([rank], rate.sustained, owner.hoursInMonth),
          rank.units,
        ])
      : rank.hours;
    return product(`${rank.units.value} running ${rank.hours.value} h`, currency, [
      rank.units,
      least('Each, at most the monthly cap', `${currency} each`, [
        product('By the hour', `${currency} each`, [hours, hourly]),
        cap,
      ]),
    ]);
  });
  return sum('Under the monthly cap', currency, rows);
}

/** An agreed table of tiers under the list's cap: no more than the cap for every unit that runs. */
function underCaps({ claim }: OnDemand, amount: Figure, ranks: readonly Rank[]): Figure {
  const { currency } = claim.book;
  const units = addAll(ranks.map((rank) => rank.units.value));
  const cap = product('Monthly cap of all units', currency, [
    given('Units', units, 'unit'),
    rateFigure(
      'Monthly cap of each',
      claim.demand.rate.monthlyCap!,
      `${currency} each`,
      rateSource(claim.demand.rate, claim.book),
    ),
  ]);
  return least(amount.label, currency, [amount, cap]);
}
