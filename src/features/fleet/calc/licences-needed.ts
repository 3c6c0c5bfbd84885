/** What licences a machine needs: that of its system, and those of databases and other software on it. Needs I13, M1. */
import type { LicenceChoice } from '@/engine/design';
import type { Machine } from './model';
import type { FleetPlacement } from './placement';
import { licenceOf, licenceTexts, type SystemChoice, systemOf, type Systems } from './systems';

export interface LicencesNeeded {
  /** In the order of their names. */
  readonly products: readonly LicenceChoice[];
  /** Nobody said what its system or one of its licences means. */
  readonly isUnmapped: boolean;
  /** Its system or software cannot be rented. */
  readonly isNotSold: boolean;
}

/**
 * @example
 * const world = { systems: {}, licences: { 'Castrum DB': { is: 'licensed' as const, product: 'castrum-db' } } };
 * licencesNeeded({ system: 'Linux', licences: 'Castrum DB' }, { licences: 'brought' }, world).products; // => [{ product: 'castrum-db', how: 'brought' }]
 */
export function licencesNeeded(
  { system, licences: text }: Pick<Machine, 'system' | 'licences'>,
  { licences, softwareLicences = licences }: Pick<FleetPlacement, 'licences' | 'softwareLicences'>,
  { systems, licences: mapped = {} }: { readonly systems: Systems; readonly licences?: Systems },
): LicencesNeeded {
  const own = systemOf(system, systems);
  const software = licenceTexts(text).map((each) => licenceOf(each, mapped));
  const byProduct = new Map<string, LicenceChoice>();
  const take = (choice: SystemChoice | null, how: LicenceChoice['how']): void => {
    if (choice?.is === 'licensed' && !byProduct.has(choice.product))
      byProduct.set(choice.product, { product: choice.product, how });
  };
  take(own, licences);
  for (const choice of software) take(choice, softwareLicences);
  const all = [own, ...software];
  return {
    products: [...byProduct.values()].sort((a, b) => (a.product < b.product ? -1 : 1)),
    isUnmapped: all.includes(null),
    isNotSold: all.some((choice) => choice?.is === 'not-sold'),
  };
}
