/**
 * What differs between two priced designs, line by line, and why: one answer for newer prices, edits, files and reviews.
 * Source: product description, "Comparing"; needs K6, U2.
 */
import { type Decimal, ZERO } from '../base';
import { allComponents, type Component, type Design } from '../design';
import type { PricedDesign, PricedLine } from '../pricing';

/**
 * `price`: the same thing at another price; `quantity`: more or less of it; `mix`: something else in its place (another
 * offer, place or way of paying); `lost` and `found`: it has no amount any more, or has one now.
 */
export type Why = 'added' | 'gone' | 'lost' | 'found' | 'price' | 'quantity' | 'mix';

export interface LineDifference {
  /** Of the line as it is after; of one that is gone, as it was. */
  readonly id: string;
  readonly name: string;
  /** The likely month; null: it has no amount, or is not there. */
  readonly before: Decimal | null;
  readonly after: Decimal | null;
  /** Null: one of the two has no amount. */
  readonly change: Decimal | null;
  /** Null: nothing differs. */
  readonly why: Why | null;
}

export interface Difference {
  readonly currency: string;
  readonly before: Decimal;
  readonly after: Decimal;
  readonly change: Decimal;
  /** Some line of one of them has no amount: then the totals are, too. */
  readonly incomplete: boolean;
  /** All lines of the design after, in its order, then those that are gone. Changes of rows add up to the change. */
  readonly rows: readonly LineDifference[];
}

export interface ComparedSide {
  readonly design: Design;
  readonly priced: PricedDesign;
}

/**
 * Lines belong together by id; with `byName` also by name, where one came from another file.
 *
 * @example
 * const priced = priceDesign(design, books, 'likely');
 * differenceBetween({ design, priced }, { design, priced }).rows.map(({ why }) => why); // => [null]
 */
export function differenceBetween(before: ComparedSide, after: ComparedSide, byName = false): Difference {
  const left = new Map(linesOf(before).map((line) => [line.component.id, line]));
  const rows = linesOf(after).map((now): LineDifference => {
    const { id, name } = now.component;
    const known =
      left.get(id) ?? (byName ? [...left.values()].find((each) => each.component.name === name) : undefined);
    if (known) left.delete(known.component.id);
    return rowOf(known, now);
  });
  const [was, is] = [before.priced.monthly.value, after.priced.monthly.value];
  return {
    currency: after.priced.currency,
    before: was,
    after: is,
    change: is.minus(was),
    incomplete: before.priced.unpriced + after.priced.unpriced > 0,
    rows: [...rows, ...[...left.values()].map((line) => rowOf(line, undefined))],
  };
}

interface Line {
  readonly component: Component;
  readonly priced: PricedLine;
}

function linesOf({ design, priced }: ComparedSide): Line[] {
  const lines = new Map(priced.sections.flatMap((section) => section.lines.map((line) => [line.id, line])));
  return allComponents(design).map((component) => ({ component, priced: lines.get(component.id)! }));
}

function amountOf(line: Line | undefined): Decimal | null {
  return line?.priced.status === 'priced' ? line.priced.monthly.value : null;
}

function rowOf(was: Line | undefined, is: Line | undefined): LineDifference {
  const { id, name } = (is ?? was)!.component;
  const [before, after] = [amountOf(was), amountOf(is)];
  const known = (line: Line | undefined, amount: Decimal | null): boolean => !line || amount !== null;
  const change = known(was, before) && known(is, after) ? (after ?? ZERO).minus(before ?? ZERO) : null;
  return { id, name, before, after, change, why: whyOf(was, is) };
}

function whyOf(was: Line | undefined, is: Line | undefined): Why | null {
  if (!was) return 'added';
  if (!is) return 'gone';
  const [before, after] = [amountOf(was), amountOf(is)];
  if (before === null || after === null) {
    if (before === after) return null;
    return after === null ? 'lost' : 'found';
  }
  if (before.equals(after)) return null;
  if (!sameThing(was, is)) return 'mix';
  return sameQuantity(was.component, is.component) ? 'price' : 'quantity';
}

/** Bought the same way: the offer that it came to as well, where the cheapest was sought. */
function sameThing(was: Line, is: Line): boolean {
  const offerOf = ({ priced }: Line): string | null =>
    priced.status === 'priced' ? (priced.offer?.sku ?? null) : null;
  const thing = ({ component: { kind, place, choice, term, size, licences, custom } }: Line): string =>
    JSON.stringify([kind, place, choice, term, size ?? null, licences ?? null, custom ?? null]);
  return offerOf(was) === offerOf(is) && thing(was) === thing(is);
}

function sameQuantity(was: Component, is: Component): boolean {
  const quantity = ({
    count,
    usage,
    running,
    load,
    committed,
    allocated,
    months,
    later,
    zones,
  }: Component): string =>
    JSON.stringify([
      count,
      usage,
      running,
      load ?? null,
      committed ?? null,
      allocated ?? null,
      months ?? null,
      later ?? null,
      zones ?? null,
    ]);
  return quantity(was) === quantity(is);
}
