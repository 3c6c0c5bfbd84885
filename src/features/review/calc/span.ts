/** What a thing may cost whose size is known only when it is applied: each size that it may have, by itself. */
import { Decimal } from '@/engine/base';
import type { Component } from '@/engine/design';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import type { Pricer } from '@/engine/pricing';
import type { Case } from '@/engine/usage';
import type { ReviewSetting } from './designs';
import type { Span } from './model';

export function spanOf(
  among: readonly Component[],
  pricer: Pricer,
  { currency, assumptions, books }: ReviewSetting,
  which: Case,
): Span | null {
  const amounts = among.flatMap((component): Decimal[] => {
    const sections = [{ id: 's', name: '', components: [component] }];
    const plan = pricer.plan({ title: '', description: '', currency, assumptions, books, sections });
    const [line] = pricer.price(plan, { case: which }).sections[0]!.lines;
    return line?.status === 'priced' ? [line.monthly.value] : [];
  });
  if (amounts.length === 0) return null;
  const text = (amount: Decimal): string => halfAwayFromZero(amount, minorDigits(currency)).toString();
  return {
    least: text(amounts.reduce((a, b) => Decimal.min(a, b))),
    most: text(amounts.reduce((a, b) => Decimal.max(a, b))),
  };
}
