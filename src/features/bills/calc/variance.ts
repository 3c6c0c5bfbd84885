/**
 * Why a bill is another than what was expected, in parts that add up exactly on every level: price, quantity, mix, what is
 * new, what is gone, corrections. Source: pricing rules, "Bills"; opening 37.
 */
import { addAll, type Decimal, decimal, ZERO } from '@/engine/base';

/** Money, and of how much. `quantity` null: a fee that hangs on no quantity. */
export interface Charged {
  readonly cost: string;
  readonly quantity: string | null;
  readonly unit: string | null;
}

/** One thing that is held against itself: a meter of a line, say. Null: not expected, or not billed. */
export interface VarianceCell {
  /** What it is counted together with: things of one name in one unit. Absent: all of its unit. */
  readonly like?: string;
  readonly expected: Charged | null;
  readonly billed: Charged | null;
  /** What was put right later, credits and refunds apart from it; money. */
  readonly corrections: string;
}

/** Money, billed less expected; the first six add up to the last. */
export interface Variance {
  /** Another price of a unit, at the quantity that is billed. */
  readonly price: string;
  /** Another quantity, at the price that was expected. */
  readonly quantity: string;
  /** Within the same quantity, more of what costs more; only above single things. */
  readonly mix: string;
  readonly new: string;
  readonly gone: string;
  readonly corrections: string;
  readonly difference: string;
}

/** Of prices that are worked out by dividing. */
const DIGITS = 18;

/**
 * @example
 * const cell = { expected: { cost: '10', quantity: '100', unit: 'GB' }, billed: { cost: '33', quantity: '300', unit: 'GB' }, corrections: '0' };
 * varianceOf([cell]).quantity; // => '20'
 * varianceOf([cell]).price; // => '3'
 */
export function varianceOf(cells: readonly VarianceCell[]): Variance {
  const parts = cells.map(partsOf);
  const sum = (of: (part: CellParts) => Decimal): Decimal => addAll(parts.map(of));
  const single = sum(({ quantity }) => quantity);
  const together = quantityTogether(cells);
  const all = {
    price: sum(({ price }) => price),
    quantity: together,
    mix: single.minus(together),
    new: sum((part) => part.new),
    gone: sum(({ gone }) => gone),
    corrections: sum(({ corrections }) => corrections),
  };
  const text = (value: Decimal): string => value.toString();
  return {
    price: text(all.price),
    quantity: text(all.quantity),
    mix: text(all.mix),
    new: text(all.new),
    gone: text(all.gone),
    corrections: text(all.corrections),
    difference: text(addAll(Object.values(all))),
  };
}

interface CellParts {
  readonly price: Decimal;
  readonly quantity: Decimal;
  readonly new: Decimal;
  readonly gone: Decimal;
  readonly corrections: Decimal;
}

function partsOf({ expected, billed, corrections }: VarianceCell): CellParts {
  const none = { price: ZERO, quantity: ZERO, new: ZERO, gone: ZERO, corrections: decimal(corrections) };
  if (!expected) return { ...none, new: billed ? decimal(billed.cost) : ZERO };
  if (!billed) return { ...none, gone: decimal(expected.cost).negated() };
  const difference = decimal(billed.cost).minus(expected.cost);
  const quantity = quantityEffect(expected, billed);
  // What is left is the price, so that nothing is lost by dividing.
  return { ...none, quantity, price: difference.minus(quantity) };
}

function quantityEffect(expected: Charged, billed: Charged): Decimal {
  const [before, after] = [countedOf(expected), countedOf(billed)];
  // A fee has no quantity, and another unit none that could be held against it.
  if (before === null || after === null || before.isZero() || expected.unit !== billed.unit) return ZERO;
  return after.minus(before).times(expected.cost).dividedBy(before).toDecimalPlaces(DIGITS);
}

const countedOf = ({ quantity }: Charged): Decimal | null => (quantity === null ? null : decimal(quantity));

/** All that is alike and counted in the same unit as one: what the sum of quantities moves at the average price. */
function quantityTogether(cells: readonly VarianceCell[]): Decimal {
  const units = new Map<string, { cost: Decimal; before: Decimal; after: Decimal }>();
  for (const { expected, billed, like } of cells) {
    if (!expected || !billed || expected.unit !== billed.unit) continue;
    const [before, after] = [countedOf(expected), countedOf(billed)];
    if (before === null || after === null || before.isZero()) continue;
    const key = `${like ?? ''}\n${expected.unit ?? ''}`;
    const known = units.get(key) ?? { cost: ZERO, before: ZERO, after: ZERO };
    units.set(key, {
      cost: known.cost.plus(expected.cost),
      before: known.before.plus(before),
      after: known.after.plus(after),
    });
  }
  return addAll(
    [...units.values()].map(({ cost, before, after }) =>
      before.isZero() ? ZERO : after.minus(before).times(cost).dividedBy(before).toDecimalPlaces(DIGITS),
    ),
  );
}
