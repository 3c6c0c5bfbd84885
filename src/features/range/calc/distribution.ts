/**
 * The triangular distribution between lean and heavy with its peak at likely, by its inverse; and the normal one, for
 * inputs that move together. Source: pricing rules, "Three cases".
 */

/**
 * What lies at a share of the way from lean to heavy: 0 is lean, 1 is heavy, whichever of them is more.
 *
 * @example
 * triangularAt({ lean: 0, likely: 1, heavy: 2 }, 0.5); // => 1
 */
export function triangularAt(
  { lean, likely, heavy }: { readonly lean: number; readonly likely: number; readonly heavy: number },
  share: number,
): number {
  const width = heavy - lean;
  if (width === 0) return likely;
  const peak = (likely - lean) / width;
  // A peak outside of its ends is moved to the nearer one.
  const at = Math.min(1, Math.max(0, peak));
  if (share < at) return lean + width * Math.sqrt(share * at);
  return heavy - width * Math.sqrt((1 - share) * (1 - at));
}

/**
 * The standard normal distribution function, to about 1e-15 near the middle (series of Marsaglia, 2004).
 *
 * @example
 * normalShare(0); // => 0.5
 */
export function normalShare(z: number): number {
  if (z < -8) return 0;
  if (z > 8) return 1;
  let sum = z;
  let term = z;
  let before = 0;
  for (let factor = 3; sum !== before; factor += 2) {
    before = sum;
    term *= (z * z) / factor;
    sum += term;
  }
  // Far out the series rounds a hair past its ends.
  return Math.min(1, Math.max(0, 0.5 + sum * Math.exp(-0.5 * z * z - HALF_LOG_TWO_PI)));
}

const HALF_LOG_TWO_PI = 0.918938533204672742;

/**
 * A normal value from two uniform ones (Box and Muller, 1958).
 *
 * @example
 * Math.abs(normalFrom(0.5, 0.25)) < 1e-9; // => true
 */
export function normalFrom(first: number, second: number): number {
  return Math.sqrt(-2 * Math.log(Math.max(first, Number.MIN_VALUE))) * Math.cos(2 * Math.PI * second);
}

/**
 * By how much normal values have to correlate so that their ranks correlate so (Pearson, 1907).
 *
 * @example
 * underRank(1); // => 1
 */
export function underRank(rank: number): number {
  return rank >= 1 ? 1 : 2 * Math.sin((Math.PI / 6) * rank);
}
