/** What a worked example is, and short ways to make one. The page `how-it-calculates.md` is written from these. */
import { indexBook } from '@/engine/books';
import type { Component, Design } from '@/engine/design';
import { type BookSet, bookSet, type PricedComponent, priceDesign } from '@/engine/pricing';
import type { Figure } from '@/engine/trace';
import { type Case, inAllCases } from '@/engine/usage';
import { checkPriceBook, toBookData } from '@/features/price-books/format/price-book';
import { wideBookFile } from '@tests/support/wide-book';

export interface Example {
  /** What is asked, in one sentence with its numbers. */
  readonly says: string;
  /** Worked out by hand. */
  readonly expect: string;
  readonly figure: Figure;
}

export interface Chapter {
  readonly title: string;
  /** The rule, in a sentence or two. */
  readonly rule: string;
  readonly examples: readonly Example[];
}

const checked = checkPriceBook(wideBookFile());
if (!checked.ok) throw new Error(JSON.stringify(checked.faults));
export const WIDE: BookSet = bookSet([indexBook(toBookData(checked.value))]);

/** A component of the examples' book in Severn, on demand, always running. */
export function part(
  kind: Component['kind'],
  sku: string,
  more: Partial<Component> & { readonly use?: Readonly<Record<string, readonly [string, string]>> } = {},
): Component {
  const { use = {}, ...rest } = more;
  const usage = Object.fromEntries(
    Object.entries(use).map(([meter, [amount, unit]]) => [meter, { amount: inAllCases(amount), unit }]),
  );
  return {
    id: rest.id ?? sku.toLowerCase(),
    name: rest.name ?? sku,
    kind,
    count: inAllCases('1'),
    place: { book: 'wide', region: 'severn' },
    choice: kind === 'custom' ? { by: 'none' } : { by: 'sku', sku },
    running: { pattern: 'always' },
    usage: { ...usage },
    term: 'on-demand',
    ...rest,
    ...(rest.usage ? { usage: { ...usage, ...rest.usage } } : {}),
  };
}

export function design(components: readonly Component[], more: Partial<Design> = {}): Design {
  return {
    title: 'Example',
    description: '',
    currency: 'USD',
    assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
    books: [{ book: 'wide', revision: 1 }],
    sections: [{ id: 'section', name: 'Section', components }],
    ...more,
  };
}

/** The priced line of the first component; the others stand beside it. */
export function lineOf(
  components: readonly Component[],
  more: Partial<Design> = {},
  which: Case = 'likely',
): PricedComponent {
  const line = priceDesign(design(components, more), WIDE, which).sections[0]!.lines[0]!;
  if (line.status !== 'priced') throw new Error(JSON.stringify(line.issues));
  return line;
}

export function monthOf(component: Component, ...others: readonly Component[]): Figure {
  return lineOf([component, ...others]).monthly;
}
