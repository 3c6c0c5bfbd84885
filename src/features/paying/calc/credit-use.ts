/**
 * What is paid for what is used, by the credit that is prepaid, over what is used: the credit's own price, and beyond it
 * list or the book's overage price. Both are asked of the engine: the credit alone costs what it costs; what a credit of a
 * cent leaves over tells the price beyond. Needs E10, E11.
 */
import type { Decimal } from '@/engine/base';
import type { Term } from '@/engine/terms';
import type { CreditPlan, CreditRow } from './model';

const STEPS = 60;

/** The smallest amount by which a band is entered. */
export const CENT = '0.01';

export interface CreditPrices {
  /** What a credit costs in a month, whether it is used or not. */
  readonly alone: (term: Term, credit: string) => Decimal;
  /** What the month of the design comes to with it, likely. */
  readonly within: (term: Term, credit: string) => Decimal;
  /** What is used in a month at list, likely; and what of the month no credit pays. */
  readonly used: (term: Term) => { readonly use: Decimal; readonly heavy: Decimal; readonly rest: Decimal };
}

/**
 * The lines of the chosen rows, and of no credit.
 *
 * @example
 * const prices = { alone: () => decimal('8'), within: () => decimal('100'), used: () => ({ use: decimal('100'), heavy: decimal('100'), rest: decimal('0') }) };
 * overUse([{ term: '12-none', credit: '10' }], prices).lines[1]!.amounts[0]; // => 8
 */
export function overUse(
  chosen: readonly Pick<CreditRow, 'term' | 'credit'>[],
  { alone, within, used }: CreditPrices,
): CreditPlan['overUse'] {
  const most = Math.max(
    1,
    ...chosen.flatMap(({ term, credit }) => [used(term).heavy.toNumber() * 1.5, Number(credit) * 1.25]),
  );
  const uses = Array.from({ length: STEPS + 1 }, (_, at) => (most * at) / STEPS);
  const bends = chosen.map(({ credit }) => Number(credit)).filter((each) => each < most);
  const at = [...new Set([...uses, ...bends])].sort((a, b) => a - b);
  return {
    uses: at,
    lines: [
      { term: null, credit: '0', amounts: at },
      ...chosen.map(({ term, credit }) => {
        const own = alone(term, credit).toNumber();
        const { use, rest } = used(term);
        const beyond = use.greaterThan(CENT)
          ? within(term, CENT).minus(rest).minus(alone(term, CENT)).dividedBy(use.minus(CENT)).toNumber()
          : 1;
        const paid = (each: number): number => own + Math.max(0, each - Number(credit)) * beyond;
        return { term, credit, amounts: at.map(paid) };
      }),
    ],
  };
}
