/**
 * Minimums: a least quantity per unit, per cluster (at least so many units) and per month, and a least time that
 * stored data is paid for. Where a minimum bites, the line says so. Source: pricing rules, "Minimums"; needs G16, I4, K7.
 */
import { type Decimal, decimal } from '../base';
import { type Figure, given, greatest, product, quotient, withLive } from '../trace';

export interface Minimums {
  /** Per unit and month, in the rate's unit. */
  readonly each: Decimal | null;
  /** At least so many units. */
  readonly count: Decimal | null;
  /** Over the whole pool and month, in the rate's unit. */
  readonly total: Decimal | null;
  /** Days that stored data is paid for at least. */
  readonly keptDays: Decimal | null;
}

/**
 * At least `minimum` of what is bought at all: no units, no minimum.
 *
 * @example
 * atLeastIfAny('Billed', given('Used', decimal('0'), 'GB'), decimal('10')).value.toString(); // => '0'
 */
export function atLeastIfAny(label: string, quantity: Figure, minimum: Decimal | null): Figure {
  return quantity.value.isZero() ? quantity : atLeast(label, quantity, minimum);
}

/**
 * At least `minimum` of it.
 *
 * @example
 * atLeast('Billed', given('Used', decimal('3'), 'GB'), decimal('10')).value.toString(); // => '10'
 */
export function atLeast(label: string, quantity: Figure, minimum: Decimal | null): Figure {
  if (!minimum) return quantity;
  const floor = given('Minimum', minimum, quantity.unit);
  if (!quantity.value.lessThan(minimum)) {
    return withLive(quantity, () => greatest(label, quantity.unit, [quantity, floor]));
  }
  return greatest(
    label,
    quantity.unit,
    [quantity, floor],
    `you pay for ${minimum}, you use ${quantity.value}`,
  );
}

/**
 * What is held on average when `monthly` is written each month and kept for `days`: monthly × days ÷ days of the
 * month. A minimum retention counts at least its days, also when data is deleted earlier.
 *
 * @example
 * heldOnAverage(given('Comes in', decimal('730'), 'GB'), given('Kept for', decimal('10'), 'day'), null, decimal('730')).value.toString(); // => '240'
 */
export function heldOnAverage(
  monthly: Figure,
  days: Figure,
  minimumDays: Decimal | null,
  monthHours: Decimal,
): Figure {
  const kept = atLeast('Days paid for', days, minimumDays);
  const month = quotient('Days of the month', 'day', [
    given('Hours of the month', monthHours, 'hour'),
    given('Hours of a day', decimal(24), 'hour'),
  ]);
  return product('Held on average', monthly.unit, [monthly, quotient('Months kept', 'month', [kept, month])]);
}
