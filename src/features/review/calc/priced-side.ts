/** One side of a change, priced, and as it is printed: every line rounded by itself (decision 42). */
import type { Decimal } from '@/engine/base';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import type { DesignPlan, PricedDesign, PricedLine } from '@/engine/pricing';
import type { Case } from '@/engine/usage';

export interface PricedSide {
  readonly priced: PricedDesign;
  readonly lines: ReadonlyMap<string, PricedLine>;
  readonly printed: ReadonlyMap<string, Decimal>;
}

export function sideOf(plan: DesignPlan, which: Case): PricedSide {
  const priced = plan.pricer.price(plan, { case: which });
  const digits = minorDigits(priced.currency);
  const lines = new Map(
    priced.sections.flatMap((section) => section.lines.map((line) => [line.id, line] as const)),
  );
  // Each by itself, so that what does not change is the same on both sides; what that leaves stands in a row of its own.
  const printed = new Map(
    [...lines].flatMap(([id, line]) =>
      line.status === 'priced' ? [[id, halfAwayFromZero(line.monthly.value, digits)] as const] : [],
    ),
  );
  return { priced, lines, printed };
}
