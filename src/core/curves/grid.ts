/** Places on an axis: equal steps, or equal shares. */
import type { Axis1 } from './model';

/**
 * @example
 * gridOf({ from: 1, to: 100, scale: 'log' }, 3); // => [1, 10, 100]
 */
export function gridOf({ from, to, scale }: Pick<Axis1, 'from' | 'to' | 'scale'>, points: number): number[] {
  const last = Math.max(2, points) - 1;
  return Array.from({ length: last + 1 }, (_, step) => {
    if (step === 0) return from;
    if (step === last) return to;
    return tidy(scale === 'log' ? from * (to / from) ** (step / last) : from + ((to - from) * step) / last);
  });
}

/**
 * Twelve digits: what is asked by text is what was drawn.
 *
 * @example
 * tidy(0.1 + 0.2); // => 0.3
 */
export function tidy(value: number): number {
  return Number(value.toPrecision(12));
}
