/** Currency. Rule 13. */
import { type Fraction, ONE, f } from './fraction';
import type { Scene } from './shapes';
import { Refused } from './week';

/** Rule 13: the newest of a pair that is not after the design's date. */
export function exchange(scene: Scene, from: string): Fraction {
  const to = scene.design.currency;
  if (from === to) return ONE;
  const { exchange, start } = scene.design.assumptions;
  const date = start ? `${start}-01` : '9999';
  const pick = (a: string, b: string) => {
    const pair = exchange.filter((each) => each.from === a && each.to === b);
    const known = pair.filter((each) => each.date <= date).sort((x, y) => (x.date < y.date ? 1 : -1));
    return known[0] ?? pair.sort((x, y) => (x.date < y.date ? -1 : 1))[0];
  };
  const direct = pick(from, to);
  if (direct) return f(direct.rate);
  const back = pick(to, from);
  if (!back) throw new Refused('currency.no-rate');
  return ONE.over(f(back.rate));
}
