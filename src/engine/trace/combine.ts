/** The sums themselves: one step over its parts, and a whole figure done again from its leaves. */
import { assertNever, Decimal, ONE, roundedUp, withoutHair, ZERO } from '../base';
import type { Figure, Operation } from './model';

type Valued = Pick<Figure, 'value'>;

/**
 * One step over its parts.
 *
 * @example
 * combine('product', [{ value: decimal('2') }, { value: decimal('3') }]).toString(); // => '6'
 */
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

/**
 * Works a figure out again from its leaves alone.
 *
 * @example
 * evaluate(priceDesign(design, books, 'likely').monthly).toString(); // => '146'
 */
export function evaluate(figure: Figure): Decimal {
  if (figure.operation === 'given' || figure.operation === 'rate') return figure.value;
  return combine(
    figure.operation,
    figure.parts.map((part) => ({ value: evaluate(part) })),
  );
}
