/**
 * Pools: tiers and allowances are counted over the scope their rate names, once; each component then carries its
 * share in proportion to its quantity. A pool over a provider whose regions have different prices is charged per
 * region price on the pooled quantity, so that the tier reached is the account's. Source: pricing rules, "Pools".
 */
import { assertNever, decimal, type Decimal, ok, type Result } from '../base';
import type { BookHead, Grant, Rate } from '../books';
import { chargeFor, POOLABLE } from '../rates';
import { type Figure, given, product, quotient, type RateSource, relabel, restated, sum } from '../trace';
import { conversionFactor } from '../units';
import { afterAllowance, type AllowanceTerms, atLeastIfAny } from '../usage';
import type { Demand } from './meter-context';

export interface Claim {
  readonly demand: Demand;
  readonly book: BookHead;
}

/** Amounts in the book's currency, by the demand they pay for. */
export type Amounts = ReadonlyMap<Demand, Result<Figure>>;

/** An allowance that units of another component bring along. */
export interface Granted {
  readonly book: string;
  readonly region: string;
  readonly by: string;
  readonly grant: Grant;
  readonly units: Decimal;
}

/** Grants of a whole design, by what they are for: most meters have none, and every line asks. */
export type Grants = ReadonlyMap<string, readonly Granted[]>;

export const NO_GRANTS: Grants = new Map();

export function grantsByMeter(grants: readonly Granted[]): Grants {
  const found = new Map<string, Granted[]>();
  for (const each of grants) {
    const key = grantKey(each.book, each.grant);
    const known = found.get(key);
    if (known) known.push(each);
    else found.set(key, [each]);
  }
  return found;
}

/** All that is granted to a meter of a book, wherever it is granted. */
export function grantedTo(
  grants: Grants,
  book: string,
  rate: Pick<Rate, 'sku' | 'meter'>,
): readonly Granted[] {
  return grants.size === 0 ? [] : (grants.get(grantKey(book, rate)) ?? []);
}

function grantKey(book: string, { sku, meter }: Pick<Rate, 'sku' | 'meter'>): string {
  return `${book}\n${sku}\n${meter}`;
}

/** The amount of every claim. */
export function chargeClaims(
  claims: readonly Claim[],
  grants: Grants,
  allowances: AllowanceTerms,
): Map<Demand, Result<Figure>> {
  const pools = new Map<string, Claim[]>();
  const amounts = new Map<Demand, Result<Figure>>();
  const alone = (claim: Claim): void => {
    const { demand } = claim;
    amounts.set(demand, chargeQuantity(claim, demand.use.quantity, grants, allowances));
  };
  for (const claim of claims) {
    if (!isPooled(claim.demand.rate)) {
      alone(claim);
      continue;
    }
    const key = poolKey(claim);
    const members = pools.get(key);
    if (members) members.push(claim);
    else pools.set(key, [claim]);
  }
  for (const members of pools.values()) {
    if (members.length === 1) {
      alone(members[0]!);
      continue;
    }
    const total = poolQuantity(members);
    const byRegion = new Map<string, Result<Figure>>();
    for (const claim of members) {
      const { demand } = claim;
      const { region } = demand.rate;
      const amount = byRegion.get(region) ?? chargeQuantity(claim, total, grants, allowances);
      byRegion.set(region, amount);
      amounts.set(demand, amount.ok ? ok(shareOf(claim, total, amount.value, members.length)) : amount);
    }
  }
  return amounts;
}

/** Whether the amount of a demand depends on what others use. */
export function isPooled(rate: Rate): boolean {
  return rate.pool !== 'component' && POOLABLE.has(rate.charge.structure);
}

function poolKey(claim: Claim): string {
  const { demand, book } = claim;
  const { rate } = demand;
  const what = `${book.key}\n${rate.sku}\n${rate.meter}\n${rate.term}`;
  switch (rate.pool) {
    case 'component':
      throw new Error('what is counted by component is in no pool');
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
  const { rate } = first.demand;
  const where = rate.pool === 'region' ? rate.region : first.book.provider;
  return sum(
    `All of it in ${where}, ${members.length} components`,
    rate.unit,
    members.map((member) => member.demand.use.quantity),
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
  grants: Grants,
  allowances: AllowanceTerms,
): Result<Figure> {
  const { book, demand } = claim;
  const { rate, use } = demand;
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
function grantsFor({ demand: { rate }, book }: Claim, grants: Grants): readonly Figure[] {
  return grantedTo(grants, book.key, rate).flatMap(({ grant, units, by, region }) => {
    const reaches = rate.pool === 'provider' || rate.pool === 'workspace' || region === rate.region;
    const factor = reaches ? conversionFactor(grant.unit, rate.unit) : null;
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
  const own = restated('This component', claim.demand.use.quantity, total.unit);
  const all = restated('All of the pool', total, total.unit);
  return product('Share of the pool', claim.book.currency, [
    whole,
    quotient('Share by quantity', '', [own, all]),
  ]);
}
