/** Pools, minimums of the month, allowances and grants. Rules 1, 5 and 9. */
import type { RateRow } from '@/features/price-books/format/price-book-schema';
import { boughtBy, usedBy } from './above';
import { f, type Fraction, most, ONE, sum, ZERO } from './fraction';
import type { Demand, Left, Owner, Scene } from './shapes';
import { convert } from './units';

export const POOLABLE = ['per-unit', 'per-block', 'graduated', 'volume'];

export function isPooled(rate: RateRow): boolean {
  return rate.pool !== 'component' && POOLABLE.includes(rate.charge.structure);
}

/** Rule 9: everything in the scope that the rate names. */
export function poolOf(demand: Demand, demands: readonly Demand[]): Demand[] {
  const { rate, owner } = demand;
  if (!isPooled(rate)) return [demand];
  return demands.filter(
    (other) =>
      isPooled(other.rate) &&
      other.owner.book === owner.book &&
      other.rate.pool === rate.pool &&
      other.rate.meter === rate.meter &&
      other.rate.term === rate.term &&
      convert(other.rate.unit, rate.unit) !== null &&
      (rate.pool === 'workspace' || other.rate.sku === rate.sku) &&
      (rate.pool !== 'region' || other.rate.region === rate.region),
  );
}

/** Minimums of the month and allowances, by pool: rules 1, 5 and 9. */
export function leftByAllowances(
  scene: Scene,
  demands: readonly Demand[],
  granting: readonly Owner[],
): Map<Demand, Left> {
  const left = new Map<Demand, Left>();
  for (const demand of demands) {
    const { rate } = demand;
    const pool = poolOf(demand, demands);
    const inOwn = (other: Demand, amount: Fraction): Fraction =>
      amount.times(convert(other.rate.unit, rate.unit)!);
    const used = sum(pool.map((other) => inOwn(other, usedBy(other))));
    const bought = sum(pool.map((other) => inOwn(other, boughtBy(other))));
    const free = sum(pool.filter(({ committed }) => !committed).map((other) => inOwn(other, usedBy(other))));
    const floor = rate.minimums?.total == null ? ZERO : f(rate.minimums.total);
    const missing = bought.isZero ? ZERO : most(ZERO, floor.minus(bought));
    const all = used.plus(bought.isZero ? ZERO : missing.times(free.over(bought)));
    const included = includedFor(scene, demand, demands, pool, granting);
    const share = all.isZero ? ONE : most(ZERO, all.minus(included)).over(all);
    const own = bought.isZero ? ZERO : missing.times(boughtBy(demand)).over(bought);
    left.set(demand, { share, missing: own });
  }
  return left;
}

export function includedFor(
  scene: Scene,
  demand: Demand,
  demands: readonly Demand[],
  pool: readonly Demand[],
  granting: readonly Owner[],
): Fraction {
  const { rate } = demand;
  const { countAllowances, allowanceShare } = scene.design.assumptions;
  if (!countAllowances) return ZERO;
  const ended = rate.allowanceMonths != null && scene.when.month >= rate.allowanceMonths;
  const own = rate.allowance === null || ended ? ZERO : f(rate.allowance).times(f(allowanceShare ?? '1'));
  const wide = isPooled(rate) && rate.pool !== 'region';
  const skus = isPooled(rate) ? [...new Set(pool.map((other) => other.rate.sku))] : [rate.sku];
  const granted = sum(
    granting
      .filter((owner) => owner.book === demand.owner.book && (wide || owner.region === rate.region))
      .flatMap((owner) =>
        (owner.offer.grants ?? []).map((grant) => {
          const factor =
            grant.meter === rate.meter && skus.includes(grant.sku) && convert(grant.unit, rate.unit);
          return factor ? f(grant.amount).times(owner.count).times(factor) : ZERO;
        }),
      ),
  );
  if (isPooled(rate) || granted.isZero) return own.plus(granted);
  // Counted by component: the grant is shared out by quantity, once.
  const sharing = demands.filter(
    (other) =>
      !isPooled(other.rate) &&
      other.owner.book === demand.owner.book &&
      other.rate.sku === rate.sku &&
      other.rate.meter === rate.meter &&
      other.rate.region === rate.region,
  );
  const total = sum(sharing.map((other) => other.quantity.amount));
  return own.plus(total.isZero ? granted : granted.times(demand.quantity.amount).over(total));
}
