/** All three cases of a design, and what can be kept from one run to the next. */
import type { Component, Design } from '../design';
import { CASES, type Case, type Cased } from '../usage';
import type { BookSet } from './book-set';
import type { When } from './context';
import { priceDesign } from './price-design';
import type { PricedDesign, PricedLine } from './priced';

/** Lines that are known already, by case and component. */
export type KnownLines = Readonly<Record<Case, ReadonlyMap<string, PricedLine>>>;

/**
 * All three cases. A component whose inputs are the same in all of them, and whose amount depends on nobody else's,
 * is worked out once; a test holds this against pricing each case by itself.
 */
export function priceCases(
  design: Design,
  books: BookSet,
  known?: KnownLines,
  when?: When,
): Record<Case, PricedDesign> {
  const likely = priceDesign(design, books, 'likely', known?.likely, when);
  const same = sameInEveryCase(design, likely);
  const price = (which: 'lean' | 'heavy'): PricedDesign =>
    priceDesign(design, books, which, new Map([...(known?.[which] ?? []), ...same]), when);
  return { lean: price('lean'), likely, heavy: price('heavy') };
}

/**
 * The lines of an earlier run that hold for a design in which only some components changed: those that `unchanged`
 * accepts and whose amount depends on nobody else. Assumptions, agreements, currency and books must be the same. Where
 * something ties lines together (a spend commitment, prepaid credit), nothing is kept.
 */
export function reusableLines(
  before: Readonly<Record<Case, PricedDesign>>,
  unchanged: (id: string) => boolean,
  design: Design,
): KnownLines {
  const tied = design.sections.some((section) =>
    section.components.some(({ kind }) => kind === 'spend-commitment' || kind === 'prepaid-credit'),
  );
  const linesOf = ({ sections }: PricedDesign): Map<string, PricedLine> => {
    const kept = sections.flatMap((section) =>
      section.lines.filter((line) => line.status === 'priced' && !line.dependent && unchanged(line.id)),
    );
    return new Map(tied ? [] : kept.map((line) => [line.id, line]));
  };
  return Object.fromEntries(CASES.map((which) => [which, linesOf(before[which])])) as unknown as KnownLines;
}

function sameInEveryCase(design: Design, likely: PricedDesign): Map<string, PricedLine> {
  const same = new Map<string, PricedLine>();
  design.sections.forEach((section, at) => {
    section.components.forEach((component, index) => {
      const line = likely.sections[at]!.lines[index]!;
      if (line.status === 'priced' && !line.dependent && isSure(component)) same.set(component.id, line);
    });
  });
  return same;
}

/** Components never change, so neither does the answer. */
const sure = new WeakMap<Component, boolean>();

/** No quantity of the component differs between cases. Interruptible prices move by themselves. */
function isSure(component: Component): boolean {
  const known = sure.get(component);
  if (known !== undefined) return known;
  const answer = component.term !== 'interruptible' && !holdsRange(component);
  sure.set(component, answer);
  return answer;
}

/** Whether a lean or heavy value stands anywhere in what was entered. */
function holdsRange(value: unknown): boolean {
  if (value === null || typeof value !== 'object') return false;
  const { lean, heavy } = value as Partial<Cased>;
  return lean !== undefined || heavy !== undefined || Object.values(value).some(holdsRange);
}
