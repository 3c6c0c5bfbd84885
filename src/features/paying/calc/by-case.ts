/** The same of each case. */
import type { Case } from '@/engine/usage';
import type { ByCase } from './model';

/**
 * @example
 * byCase((which) => which.length); // => { lean: 4, likely: 6, heavy: 5 }
 */
export function byCase<T>(read: (which: Case) => T): ByCase<T> {
  return { lean: read('lean'), likely: read('likely'), heavy: read('heavy') };
}
