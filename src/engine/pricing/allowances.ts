/** What a design has included each month, pool by pool: for bills that are held against it. Needs J2, J3, P3. */
import type { Case } from '../usage';
import { allComponents, type Design } from '../design';
import type { PoolScope } from '../books';
import type { BookSet } from './book-set';
import { claimsOf } from './charges';
import { designUnder, whenOf } from './conditions';
import { contextFor } from './context';
import { grantsByMeter } from './grants';
import { openComponent } from './opening';
import { isPooled } from './claim';
import { poolsOf } from './pools';

/** An allowance over what it is counted together. */
export interface DesignAllowance {
  readonly meter: string;
  readonly label: string;
  readonly unit: string;
  /** Each month, in `unit`. */
  readonly included: string;
  /** Over what it is counted. */
  readonly pool: PoolScope;
  /** Whose use it takes, in the design's order. */
  readonly components: readonly string[];
  /** After so many months of the account it ends; null: never. */
  readonly months: number | null;
}

/**
 * Of lines with an amount, in the design's order; nothing where allowances do not count.
 *
 * @example
 * allowancesIn(design, books); // => []
 */
export function allowancesIn(design: Design, books: BookSet, which: Case = 'likely'): DesignAllowance[] {
  const stands = designUnder(design, { case: which });
  const context = contextFor(stands, which, whenOf(stands, 0));
  const opens = allComponents(stands).flatMap((component) => {
    const opening = openComponent(component, books, context);
    return 'status' in opening ? [] : [opening];
  });
  const grants = grantsByMeter(opens.flatMap((each) => each.grants));
  const claims = opens.flatMap(({ value }) => claimsOf(value));
  return poolsOf(claims, grants, context.allowances).flatMap(({ members, left }): DesignAllowance[] => {
    const first = members[0]!;
    const included = left.get(first)?.included;
    if (!included || included.value.isZero()) return [];
    const { rate, meter, label } = first.demand;
    return [
      {
        ...{ meter, label, unit: included.unit, included: included.value.toString() },
        pool: isPooled(rate) ? rate.pool : 'component',
        components: [...new Set(members.map(({ owner }) => owner.component.id))],
        months: rate.allowanceMonths ?? null,
      },
    ];
  });
}
