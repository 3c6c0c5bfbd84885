/** Which of several levels regrets least: whose worst loss against the best of a case is smallest. */
import { type Decimal, ZERO } from '@/engine/base';
import { type Case, CASES } from '@/engine/usage';

type Amounts = Readonly<Record<Case, Decimal | null>>;

/**
 * The place of the least in each case. Ties stay with the smaller level, which binds less.
 *
 * @example
 * const at = (lean: string, likely: string, heavy: string) => ({ lean: decimal(lean), likely: decimal(likely), heavy: decimal(heavy) });
 * leastRegret([at('1', '5', '9'), at('4', '4', '4')]); // => { best: { lean: 0, likely: 1, heavy: 1 }, calm: 1, regret: decimal('3') }
 */
export function leastRegret(levels: readonly Amounts[]): {
  readonly best: Record<Case, number>;
  readonly calm: number;
  readonly regret: Decimal;
} {
  const best = { lean: 0, likely: 0, heavy: 0 };
  for (const which of CASES) {
    levels.forEach((amounts, at) => {
      const [ours, known] = [amounts[which], levels[best[which]]![which]];
      if (ours && (!known || ours.lessThan(known))) best[which] = at;
    });
  }
  let calm = 0;
  let regret: Decimal | null = null;
  levels.forEach((amounts, at) => {
    let worst: Decimal | null = ZERO;
    for (const which of CASES) {
      const [ours, least] = [amounts[which], levels[best[which]]![which]];
      if (!ours || !least) worst = null;
      else if (worst) {
        const loss = ours.minus(least);
        if (loss.greaterThan(worst)) worst = loss;
      }
    }
    if (worst && (!regret || worst.lessThan(regret))) [calm, regret] = [at, worst];
  });
  return { best, calm, regret: regret ?? ZERO };
}
