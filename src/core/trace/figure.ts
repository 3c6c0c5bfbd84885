/**
 * A figure is a value together with how it came about: the calculation builds figures and so writes its own
 * explanation. Every node but the leaves is an operation over its parts; `evaluate` does the sums again from the
 * leaves, and a test holds both against each other. Source: pricing rules, "From usage to amount".
 */
import { assertNever, Decimal, ONE, roundedUp, withoutHair, ZERO } from '../base';

/** Where a rate was read: enough to find it in the published list. */
export interface RateSource {
  readonly book: string;
  readonly revision: number;
  readonly effective: string;
  readonly sku: string;
  readonly region: string;
}

export type Operation =
  | 'given'
  | 'rate'
  | 'sum'
  | 'difference'
  | 'product'
  | 'quotient'
  | 'least'
  | 'greatest'
  /** The next whole number of its one part. */
  | 'ceiling'
  /** Its last part, because the first lies above the second and up to the third (which may be missing: no end). */
  | 'band'
  /** The same, but zero where the quantity is not in the band: a sum over all bands holds for any quantity. */
  | 'within';

export interface EntryOf {
  readonly component: string;
  /** `count`, or `usage/` and the meter. */
  readonly entry: string;
}

export interface Figure {
  readonly operation: Operation;
  readonly label: string;
  readonly value: Decimal;
  /** For people: "hour", "GB-month", "USD", "USD per hour". */
  readonly unit: string;
  readonly parts: readonly Figure[];
  readonly note?: string;
  readonly source?: RateSource;
  /** Of a leaf: which entry of which component it is. */
  readonly input?: EntryOf;
  /** Of a leaf: negotiated between two parties; not shown to strangers. */
  readonly confidential?: true;
  /** Of a leaf: the figure whose value it states again. For whoever writes the calculation as formulas. */
  readonly restates?: Figure;
  /**
   * The step written out so that it holds for other quantities too: all tiers and bands, the minimum that does not bite.
   * Worked out only when someone asks.
   */
  readonly live?: () => Figure;
}

const NO_PARTS: readonly Figure[] = [];

/** A leaf: something entered or assumed. */
export function given(label: string, value: Decimal, unit: string, note?: string): Figure {
  return { operation: 'given', label, value, unit, parts: NO_PARTS, note };
}

/** A leaf that a person entered with the component, and where. */
export function entered(label: string, value: Decimal, unit: string, input: EntryOf, note?: string): Figure {
  return { ...given(label, value, unit, note), input };
}

/** A leaf that was negotiated: a discount, a price, a margin. */
export function negotiated(label: string, value: Decimal, unit: string): Figure {
  return { ...given(label, value, unit), confidential: true };
}

/** Whether anything negotiated stands in it, at any depth. */
export function isConfidential(figure: Figure): boolean {
  return figure.confidential === true || figure.parts.some(isConfidential);
}

/** A leaf with the value of another figure, whose own steps are shown elsewhere. */
export function restated(label: string, figure: Figure, unit: string): Figure {
  return { ...given(label, figure.value, unit), restates: figure };
}

/** A leaf: a price read from a book. */
export function rate(label: string, value: Decimal, unit: string, source: RateSource): Figure {
  return { operation: 'rate', label, value, unit, parts: NO_PARTS, source };
}

export function sum(label: string, unit: string, parts: readonly Figure[], note?: string): Figure {
  return node('sum', label, unit, parts, note);
}

export function product(label: string, unit: string, parts: readonly Figure[], note?: string): Figure {
  return node('product', label, unit, parts, note);
}

export function quotient(
  label: string,
  unit: string,
  parts: readonly [Figure, Figure],
  note?: string,
): Figure {
  return node('quotient', label, unit, parts, note);
}

export function difference(
  label: string,
  unit: string,
  parts: readonly [Figure, Figure],
  note?: string,
): Figure {
  return node('difference', label, unit, parts, note);
}

export function least(label: string, unit: string, parts: readonly Figure[], note?: string): Figure {
  return node('least', label, unit, parts, note);
}

export function greatest(label: string, unit: string, parts: readonly Figure[], note?: string): Figure {
  return node('greatest', label, unit, parts, note);
}

/** Rounded up to whole: started blocks, started increments, whole capacity units. */
export function ceiling(label: string, unit: string, part: Figure, note?: string): Figure {
  return node('ceiling', label, unit, [part], note);
}

/** What holds for a quantity above `from` (itself included only at zero) and up to `upTo`, itself included. */
export function band(
  label: string,
  unit: string,
  quantity: Figure,
  bounds: { readonly from: Figure; readonly upTo: Figure | null },
  value: Figure,
): Figure {
  const parts = bounds.upTo ? [quantity, bounds.from, bounds.upTo, value] : [quantity, bounds.from, value];
  return node('band', label, unit, parts);
}

/** Like `band`, and zero outside it. Only in live forms. */
export function within(
  label: string,
  unit: string,
  quantity: Figure,
  bounds: { readonly from: Figure; readonly upTo: Figure | null },
  value: Figure,
): Figure {
  const parts = bounds.upTo ? [quantity, bounds.from, bounds.upTo, value] : [quantity, bounds.from, value];
  return node('within', label, unit, parts);
}

/** The same figure with the form that holds for other quantities. */
export function withLive(figure: Figure, live: () => Figure): Figure {
  return { ...figure, live };
}

/** The same figure under another label or with a note. */
export function relabel(figure: Figure, label: string, note = figure.note): Figure {
  const { operation, value, unit, parts, source, input, confidential, restates, live } = figure;
  if (source || input || confidential || restates || live) return { ...figure, label, note };
  return { operation, label, value, unit, parts, note };
}

function node(
  operation: Operation,
  label: string,
  unit: string,
  parts: readonly Figure[],
  note?: string,
): Figure {
  return { operation, label, value: combine(operation, parts), unit, parts, note };
}

type Valued = Pick<Figure, 'value'>;

/** One step over its parts. */
export function combine(operation: Operation, parts: readonly Valued[]): Decimal {
  switch (operation) {
    case 'given':
    case 'rate':
      throw new Error('a leaf has no parts to combine');
    case 'sum':
      return fold(parts, ZERO, (left, { value }) => left.plus(value));
    case 'difference':
      return fold(parts, ZERO, (left, { value }) => left.minus(value));
    case 'product':
      return fold(parts, ONE, (left, { value }) => left.times(value));
    case 'quotient':
      return parts[0]!.value.dividedBy(parts[1]!.value);
    case 'least':
      return Decimal.min(...parts.map((part) => part.value));
    case 'greatest':
      return Decimal.max(...parts.map((part) => part.value));
    case 'ceiling':
      return roundedUp(parts[0]!.value);
    case 'band':
      return banded(parts.map((part) => part.value));
    case 'within':
      return isInBand(parts.map((part) => part.value)) ? parts[parts.length - 1]!.value : ZERO;
    default:
      return assertNever(operation);
  }
}

/** From the first part on, in the order given; without parts it is `empty`. */
function fold(
  parts: readonly Valued[],
  empty: Decimal,
  step: (left: Decimal, part: Valued) => Decimal,
): Decimal {
  if (parts.length === 0) return empty;
  let result = parts[0]!.value;
  for (let index = 1; index < parts.length; index += 1) result = step(result, parts[index]!);
  return result;
}

function isInBand(values: readonly Decimal[]): boolean {
  const [from, end] = values.slice(1) as [Decimal, Decimal];
  const quantity = withoutHair(values[0]!);
  const above = quantity.greaterThan(from) || (from.isZero() && quantity.isZero());
  return above && (values.length === 3 || quantity.lessThanOrEqualTo(end));
}

function banded(values: readonly Decimal[]): Decimal {
  if (!isInBand(values)) throw new Error(`${values[0]} is not in the band above ${values[1]}`);
  return values[values.length - 1]!;
}

/** Works a figure out again from its leaves alone. */
export function evaluate(figure: Figure): Decimal {
  if (figure.operation === 'given' || figure.operation === 'rate') return figure.value;
  return combine(
    figure.operation,
    figure.parts.map((part) => ({ value: evaluate(part) })),
  );
}
