/**
 * Grants: allowances that units of one offer bring along for a meter of another (transfer that comes with a server).
 * One allowance over its scope, whoever brings it; where the rate counts by component, each component has its share by
 * quantity, and the shares are the grant, once. Source: pricing rules, "Where two rules meet", 9.
 */
import type { Decimal } from '../base';
import type { Grant, Rate } from '../books';
import { type Figure, given, product } from '../trace';
import { conversionFactor } from '../units';

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

export function grantKey(book: string, { sku, meter }: Pick<Rate, 'sku' | 'meter'>): string {
  return `${book}\n${sku}\n${meter}`;
}

/** What reaches a rate, in its unit: over its region, or wherever it counts together. */
export function grantFigures(grants: Grants, book: string, rate: Rate): readonly Figure[] {
  return grantedTo(grants, book, rate).flatMap(({ grant, units, by, region }) => {
    const reaches = rate.pool === 'provider' || rate.pool === 'workspace' || region === rate.region;
    const factor = reaches ? conversionFactor(grant.unit, rate.unit) : null;
    if (!factor?.ok) return [];
    const each = given('Included with each', grant.amount.times(factor.value), rate.unit);
    return [product(`Included with ${by}`, rate.unit, [given('Units', units, ''), each])];
  });
}
