/**
 * A figure is a value together with how it came about: the calculation builds figures and so writes its own
 * explanation. Every node but the leaves is an operation over its parts; `evaluate` does the sums again from the
 * leaves, and a test holds both against each other. Source: pricing rules, "From usage to amount".
 */
import type { Decimal } from '../base';
import { combine } from './combine';
import type { EntryOf, Figure, Operation, RateSource } from './model';

const NO_PARTS: readonly Figure[] = [];

/**
 * A leaf: something entered or assumed.
 *
 * @example
 * given('Hours', decimal('730'), 'hour').operation; // => 'given'
 */
export function given(label: string, value: Decimal, unit: string, note?: string): Figure {
  return { operation: 'given', label, value, unit, parts: NO_PARTS, note };
}

/**
 * A leaf that a person entered with the component, and where.
 *
 * @example
 * entered('Count', decimal('2'), '', { component: 'a', entry: 'count' }).input?.entry; // => 'count'
 */
export function entered(label: string, value: Decimal, unit: string, input: EntryOf, note?: string): Figure {
  return { ...given(label, value, unit, note), input };
}

/**
 * A leaf that was negotiated: a discount, a price, a margin.
 *
 * @example
 * negotiated('Discount', decimal('0.1'), '').confidential; // => true
 */
export function negotiated(label: string, value: Decimal, unit: string): Figure {
  return { ...given(label, value, unit), confidential: true };
}

/**
 * Whether anything negotiated stands in it, at any depth.
 *
 * @example
 * isConfidential(product('Price', 'USD', [given('List', decimal('10'), 'USD'), negotiated('Share', decimal('0.9'), '')])); // => true
 */
export function isConfidential(figure: Figure): boolean {
  return figure.confidential === true || figure.parts.some(isConfidential);
}

/**
 * A leaf with the value of another figure, whose own steps are shown elsewhere.
 *
 * @example
 * restated('Again', given('Hours', decimal('730'), 'hour'), 'hour').value.toString(); // => '730'
 */
export function restated(label: string, figure: Figure, unit: string): Figure {
  return { ...given(label, figure.value, unit), restates: figure };
}

/**
 * A leaf: a price read from a book.
 *
 * @example
 * rate('Price', decimal('0.1'), 'USD per hour', { book: 'small', revision: 3, effective: '2026-11-01', sku: 'A-4', region: 'severn' }).source?.sku; // => 'A-4'
 */
export function rate(label: string, value: Decimal, unit: string, source: RateSource): Figure {
  return { operation: 'rate', label, value, unit, parts: NO_PARTS, source };
}

/**
 * @example
 * sum('Both', 'USD', [given('One', decimal('1'), 'USD'), given('Two', decimal('2'), 'USD')]).value.toString(); // => '3'
 */
export function sum(label: string, unit: string, parts: readonly Figure[], note?: string): Figure {
  return node('sum', label, unit, parts, note);
}

/**
 * @example
 * product('Cost', 'USD', [given('Hours', decimal('730'), 'hour'), given('Price', decimal('0.1'), 'USD per hour')]).value.toString(); // => '73'
 */
export function product(label: string, unit: string, parts: readonly Figure[], note?: string): Figure {
  return node('product', label, unit, parts, note);
}

/**
 * @example
 * quotient('Days', 'day', [given('Hours', decimal('48'), 'hour'), given('A day', decimal('24'), 'hour')]).value.toString(); // => '2'
 */
export function quotient(
  label: string,
  unit: string,
  parts: readonly [Figure, Figure],
  note?: string,
): Figure {
  return node('quotient', label, unit, parts, note);
}

/**
 * @example
 * difference('Left', 'GB', [given('All', decimal('300'), 'GB'), given('Included', decimal('100'), 'GB')]).value.toString(); // => '200'
 */
export function difference(
  label: string,
  unit: string,
  parts: readonly [Figure, Figure],
  note?: string,
): Figure {
  return node('difference', label, unit, parts, note);
}

/**
 * @example
 * least('Capped', 'USD', [given('Cost', decimal('12'), 'USD'), given('Cap', decimal('9'), 'USD')]).value.toString(); // => '9'
 */
export function least(label: string, unit: string, parts: readonly Figure[], note?: string): Figure {
  return node('least', label, unit, parts, note);
}

/**
 * @example
 * greatest('At least', 'GB', [given('Used', decimal('3'), 'GB'), given('Minimum', decimal('5'), 'GB')]).value.toString(); // => '5'
 */
export function greatest(label: string, unit: string, parts: readonly Figure[], note?: string): Figure {
  return node('greatest', label, unit, parts, note);
}

/**
 * Rounded up to whole: started blocks, started increments, whole capacity units.
 *
 * @example
 * ceiling('Blocks', '', given('Started', decimal('2.1'), '')).value.toString(); // => '3'
 */
export function ceiling(label: string, unit: string, part: Figure, note?: string): Figure {
  return node('ceiling', label, unit, [part], note);
}

/**
 * What holds for a quantity above `from` (itself included only at zero) and up to `upTo`, itself included.
 *
 * @example
 * const gb = (value: string) => given('', decimal(value), 'GB');
 * band('Second tier', 'GB', gb('150'), { from: gb('100'), upTo: gb('200') }, gb('50')).value.toString(); // => '50'
 */
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

/**
 * Like `band`, and zero outside it. Only in live forms.
 *
 * @example
 * const gb = (value: string) => given('', decimal(value), 'GB');
 * within('Second tier', 'GB', gb('90'), { from: gb('100'), upTo: gb('200') }, gb('50')).value.toString(); // => '0'
 */
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

/**
 * The same figure with the form that holds for other quantities.
 *
 * @example
 * const hours = given('Hours', decimal('730'), 'hour');
 * withLive(hours, () => hours).live?.() === hours; // => true
 */
export function withLive(figure: Figure, live: () => Figure): Figure {
  return { ...figure, live };
}

/**
 * The same figure under another label or with a note.
 *
 * @example
 * relabel(given('Hours', decimal('730'), 'hour'), 'Time').label; // => 'Time'
 */
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
