/** Rounding is always a named function handed in; nothing in the core rounds by a hidden default. */
import { Decimal } from '../base';

export type Rounding = (value: Decimal, digits: number) => Decimal;

/** 2.345 → 2.35, −2.345 → −2.35: what printed amounts use. */
export const halfAwayFromZero: Rounding = (value, digits) =>
  value.toDecimalPlaces(digits, Decimal.ROUND_HALF_UP);

/** Toward minus infinity. */
export const down: Rounding = (value, digits) => value.toDecimalPlaces(digits, Decimal.ROUND_FLOOR);
