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
    const at = (each: number): number =>
      scale === 'log' ? from * (to / from) ** (each / last) : from + ((to - from) * each) / last;
    return readable(at(step), at(step + 1) - at(step));
  });
}

/** With as few digits as keep it within a twentieth of a step: places are read, too. */
function readable(value: number, step: number): number {
  for (let digits = 2; digits < 12; digits += 1) {
    const short = Number(value.toPrecision(digits));
    if (Math.abs(short - value) <= step / 20) return short;
  }
  return tidy(value);
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
