/** What is included free of charge may be all that makes one side cheaper: the two without it. Needs J4, L13. */
import type { Alternator } from '../alternatives';
import type { Decimal } from '@/engine/base';
import type { Alternative, Design } from '@/engine/design';
import type { Pricer } from '@/engine/pricing';

export interface WithoutFree {
  /** By how much the alternative costs more than the design, a likely month; less than none: it costs less. */
  readonly change: Decimal;
  /** The same where nothing is included free on either side. */
  readonly without: Decimal;
}

/**
 * @example
 * const same = { id: 'x', name: 'Same', note: '', changes: [] };
 * withoutFree(design, same, createPricer(books), createAlternator(books)).without.toString(); // => '0'
 */
export function withoutFree(
  design: Design,
  alternative: Pick<Alternative, 'changes'>,
  pricer: Pricer,
  alternator: Alternator,
): WithoutFree {
  const { alternatives: _, ...own } = design;
  const other = alternator.apply(own, alternative).design;
  const monthly = (each: Design): Decimal =>
    pricer.price(pricer.plan(each), { case: 'likely' }).monthly.value;
  return {
    change: monthly(other).minus(monthly(own)),
    without: monthly(paidInFull(other)).minus(monthly(paidInFull(own))),
  };
}

const paidInFull = (design: Design): Design => ({
  ...design,
  assumptions: { ...design.assumptions, countAllowances: false },
});
