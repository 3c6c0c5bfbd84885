/**
 * Pools: tiers and allowances are counted over the scope their rate names, once; each component then carries its
 * share in proportion to its quantity. A pool over a provider whose regions have different prices is charged per
 * region price on the pooled quantity, so that the tier reached is the account's. Source: pricing rules, "Pools".
 */
import { assertNever, decimal, type Decimal, ok, type Result } from '../base';
import type { BookHead, Grant, Rate } from '../books';
import { chargeFor, POOLABLE } from '../rates';
import { type Figure, given, product, quotient, type RateSource, relabel, sum } from '../trace';
import { conversionFactor } from '../units';
import { afterAllowance, type AllowanceTerms, atLeastIfAny } from '../usage';
import type { Demand } from './demands';

export interface Claim extends Demand {
  readonly key: string;
  readonly componentId: string;
  readonly book: BookHead;
}

/** An allowance that units of another component bring along. */
export interface Granted {
  readonly book: string;
  readonly region: string;
  readonly by: string;
  readonly grant: Grant;
  readonly units: Decimal;
}

/** The amount of every claim, in its book's currency, by its key. */
export function chargeClaims(
  claims: readonly Claim[],
  grants: readonly Granted[],
  allowances: AllowanceTerms,
): Map<string, Result<Figure>> {
  const pools = new Map<string, Claim[]>();
  for (const claim of claims) {
    const key = poolKey(claim);
    const members = pools.get(key);
    if (members) members.push(claim);
    else pools.set(key, [claim]);
  }
  const charged = new Map<string, Result<Figure>>();
  const amounts = new Map<string, Result<Figure>>();
  for (const [pool, members] of pools) {
    if (members.length === 1) {
      const claim = members[0]!;
      amounts.set(claim.key, chargeQuantity(claim, claim.use.quantity, grants, allowances));
      continue;
    }
    const total = poolQuantity(members);
    for (const claim of members) {
      const amountKey = `${pool}\n${claim.rate.region}`;
      const amount = charged.get(amountKey) ?? chargeQuantity(claim, total, grants, allowances);
      charged.set(amountKey, amount);
      amounts.set(claim.key, amount.ok ? ok(shareOf(claim, total, amount.value, members.length)) : amount);
    }
  }
  return amounts;
}

/** Whether the amount of a demand depends on what others use. */
export function isPooled(rate: Rate): boolean {
  return rate.pool !== 'component' && POOLABLE.has(rate.charge.structure);
}

function poolKey(claim: Claim): string {
  const { rate, book } = claim;
  if (!isPooled(rate)) return `component\n${claim.key}`;
  const what = `${book.key}\n${rate.sku}\n${rate.meter}\n${rate.term}`;
  switch (rate.pool) {
    case 'component':
      return `component\n${claim.key}`;
    case 'region':
      return `region\n${rate.region}\n${what}`;
    case 'provider':
      return `provider\n${what}\n${rate.unit}`;
    case 'workspace':
      // All that one meter measures, whichever offer of the book it is bought as.
      return `workspace\n${book.key}\n${rate.meter}\n${rate.term}\n${rate.unit}`;
    default:
      return assertNever(rate.pool);
  }
}

function poolQuantity(members: readonly Claim[]): Figure {
  const first = members[0]!;
  const where = first.rate.pool === 'region' ? first.rate.region : first.book.provider;
  return sum(
    `All of it in ${where}, ${members.length} components`,
    first.rate.unit,
    members.map((member) => member.use.quantity),
  );
}

export function rateSource(rate: Rate, book: BookHead): RateSource {
  return {
    book: book.title,
    revision: book.revision,
    effective: book.effective,
    sku: rate.sku,
    region: rate.region,
  };
}

function chargeQuantity(
  claim: Claim,
  quantity: Figure,
  grants: readonly Granted[],
  allowances: AllowanceTerms,
): Result<Figure> {
  const { rate, book, use } = claim;
  const least = atLeastIfAny('Minimum of the month', quantity, rate.minimums?.total ?? null);
  const included = {
    amount: rate.allowance,
    months: rate.allowanceMonths,
    granted: grantsFor(claim, grants),
  };
  const charged = afterAllowance(least, included, allowances);
  const context = { unit: rate.unit, currency: book.currency, source: rateSource(rate, book) };
  return chargeFor(rate.charge, { ...use, quantity: charged }, context);
}

/** What other components of the design bring to this pool, in its unit. */
function grantsFor({ rate, book }: Claim, grants: readonly Granted[]): Figure[] {
  return grants.flatMap(({ grant, units, by, ...from }) => {
    const fits =
      from.book === book.key &&
      grant.sku === rate.sku &&
      grant.meter === rate.meter &&
      (rate.pool === 'provider' || rate.pool === 'workspace' || from.region === rate.region);
    const factor = fits ? conversionFactor(grant.unit, rate.unit) : null;
    if (!factor?.ok) return [];
    const each = given('Included with each', grant.amount.times(factor.value), rate.unit);
    return [product(`Included with ${by}`, rate.unit, [given('Units', units, ''), each])];
  });
}

function shareOf(claim: Claim, total: Figure, amount: Figure, members: number): Figure {
  if (total.value.isZero()) {
    const equal = quotient('Equal share', '', [
      given('One', decimal(1), ''),
      given('Components', decimal(members), ''),
    ]);
    const whole = relabel(amount, 'The whole pool', 'nothing is used; shared equally');
    return product('Share of the pool', claim.book.currency, [whole, equal]);
  }
  const whole = relabel(amount, 'The whole pool', 'priced once for all its components');
  const own = given('This component', claim.use.quantity.value, claim.rate.unit);
  const all = given('All of the pool', total.value, claim.rate.unit);
  return product('Share of the pool', claim.book.currency, [
    whole,
    quotient('Share by quantity', '', [own, all]),
  ]);
}
