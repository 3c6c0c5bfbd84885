/** Pricing with fresh objects each time, so that nothing is shared with what was asked before. */
import type { Decimal } from '@/engine/base';
import type { Component, Design } from '@/engine/design';
import { type PricedDesign, priceDesign } from '@/engine/pricing';
import { booksOf } from './agree';
import type { Dice } from './dice';
import type { Mixed } from './mixed-design';
import { drawnSeeds } from '@tests/support/drawn';

export const DESIGNS = drawnSeeds(50_000, 250);
export const fresh = ({ design, books }: Mixed) => ({
  design: structuredClone(design),
  books: booksOf(structuredClone(books)),
});

export function amounts(priced: PricedDesign): Record<string, string> {
  return Object.fromEntries(
    priced.sections.flatMap(({ lines }) =>
      lines.map((line) => [
        line.id,
        line.status === 'priced'
          ? [line.monthly.value, line.list.value, line.resale.value, line.upfront, line.recurring]
              .map(short)
              .join(' ')
          : line.issues.map((each) => each.code).join(' '),
      ]),
    ),
  );
}

export const short = (value: Decimal): string =>
  value.abs().lessThan('1e-20') ? '0' : value.toSignificantDigits(22).toString();

export function priceAnew(
  mix: Mixed,
  change: (design: Design) => Design = (design) => design,
): Record<string, string> {
  const { design, books } = fresh(mix);
  return amounts(priceDesign(change(design), books, 'likely'));
}

export function shuffled<T>(rows: readonly T[], dice: Dice): T[] {
  const left = [...rows];
  const out: T[] = [];
  while (left.length > 0) out.push(...left.splice(dice.number(0, left.length - 1), 1));
  return out;
}

export const mapAll = (design: Design, change: (component: Component) => Component): Design => ({
  ...design,
  sections: design.sections.map((section) => ({ ...section, components: section.components.map(change) })),
});
