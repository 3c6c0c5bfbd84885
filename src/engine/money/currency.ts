/** How many minor digits a currency is printed with (ISO 4217, through the platform's own table). */
const digits = new Map<string, number>();

/** Three capital letters as in ISO 4217. */
export const CURRENCY_CODE = /^[A-Z]{3}$/;

/**
 * @example
 * minorDigits('JPY'); // => 0
 */
export function minorDigits(currency: string): number {
  let known = digits.get(currency);
  if (known === undefined) {
    const options = new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions();
    known = options.maximumFractionDigits ?? 2;
    digits.set(currency, known);
  }
  return known;
}
