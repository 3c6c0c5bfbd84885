/** Random choices that come back the same for the same seed. */
import { type Random, seededRandom } from '@/engine/base';

export class Dice {
  private readonly random: Random;

  constructor(seed: number) {
    this.random = seededRandom(`mixed ${seed}`);
  }

  often(share: number): boolean {
    return this.random.next() < share;
  }

  number(least: number, most: number): number {
    return this.random.whole(least, most);
  }

  whole(least: number, most: number): string {
    return String(this.number(least, most));
  }

  /** With a half now and then. */
  half(least: number, most: number): string {
    return String(this.number(least * 2, most * 2) / 2);
  }

  /** A price up to `most`, never nothing. */
  price(digits: number, most = 0.5): string {
    return Math.max(10 ** -digits, this.random.next() * most).toFixed(digits);
  }

  one<T>(...all: readonly T[]): T {
    return this.random.pick(all);
  }
}
