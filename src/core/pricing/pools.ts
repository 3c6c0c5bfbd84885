/**
 * Pools: tiers and allowances are counted over the scope their rate names, once; each component then carries its
 * share in proportion to its quantity. A pool over a provider whose regions have different prices is charged per
 * region price on the pooled quantity, so that the tier reached is the account's. Source: pricing rules, "Pools".
 */
import { assertNever } from '../base';
import type { BookHead } from '../books';
import { chargeFor } from '../rates';
import { type Figure, given, product, quotient, type RateSource, relabel, sum } from '../trace';
import { afterAllowance } from '../usage';
import type { Demand } from './resolve';

export interface Claim extends Demand {
  readonly componentId: string;
  readonly book: BookHead;
}

/** The amount of every claim, in its book's currency, in the order given. */
export function chargeClaims(claims: readonly Claim[], countAllowances: boolean): Figure[] {
  const pools = new Map<string, Claim[]>();
  for (const claim of claims) {
    const key = poolKey(claim);
    const members = pools.get(key);
    if (members) members.push(claim);
    else pools.set(key, [claim]);
  }
  const pooled = new Map<string, Figure>();
  for (const [key, members] of pools) if (members.length > 1) pooled.set(key, poolQuantity(members));
  const amounts = new Map<string, Figure>();
  return claims.map((claim) => {
    const key = poolKey(claim);
    const total = pooled.get(key);
    if (!total) return chargeQuantity(claim, claim.quantity, countAllowances);
    const amountKey = `${key}\n${claim.rate.region}`;
    const amount = amounts.get(amountKey) ?? chargeQuantity(claim, total, countAllowances);
    amounts.set(amountKey, amount);
    return shareOf(claim, total, amount, pools.get(key)!.length);
  });
}

function poolKey(claim: Claim): string {
  const { rate, book, componentId } = claim;
  const what = `${book.key}\n${rate.sku}\n${rate.meter}\n${rate.term}`;
  switch (rate.pool) {
    case 'component':
      return `component\n${componentId}\n${what}`;
    case 'region':
      return `region\n${rate.region}\n${what}`;
    case 'provider':
      return `provider\n${what}\n${rate.unit}`;
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
    members.map((m) => m.quantity),
  );
}

function chargeQuantity(claim: Claim, quantity: Figure, countAllowances: boolean): Figure {
  const { rate, book } = claim;
  const source: RateSource = {
    book: book.title,
    revision: book.revision,
    effective: book.effective,
    sku: rate.sku,
    region: rate.region,
  };
  const charged = afterAllowance(quantity, rate.allowance, countAllowances);
  return chargeFor(rate.charge, charged, { unit: rate.unit, currency: book.currency, source });
}

function shareOf(claim: Claim, total: Figure, amount: Figure, members: number): Figure {
  if (total.value.isZero())
    return relabel(amount, amount.label, `pool of ${members} components, nothing used`);
  const whole = relabel(amount, 'The whole pool', 'priced once for all its components');
  const own = given('This component', claim.quantity.value, claim.rate.unit);
  const all = given('All of the pool', total.value, claim.rate.unit);
  return product('Share of the pool', claim.book.currency, [
    whole,
    quotient('Share by quantity', '', [own, all]),
  ]);
}
