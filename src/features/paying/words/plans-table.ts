/** Commitments over the months ahead, and of two kinds together, in words and as flat tables. */
import { decimal } from '@/engine/base';
import type { BothPlan, BothRow, StepsPlan, StepsRow } from '@/features/paying/calc';
import { describeTerm } from '@/engine/terms';
import { CASES } from '@/engine/usage';
import { writeMoney, writeNumber } from '@/platform/words';
import type { FlatTable } from '@/platform/tables';

export const STEP_WAYS: Readonly<Record<StepsRow['way'], string>> = {
  none: 'nothing',
  once: 'one level throughout',
  steps: 'a level for each year',
};

/**
 * @example
 * stepsText([{ fromMonth: 1, level: '2' }, { fromMonth: 13, level: '3.5' }]); // => '2 an hour, 3.5 from month 13'
 */
export function stepsText(steps: StepsRow['steps']): string {
  if (steps.length === 0) return 'none';
  return steps
    .map(({ fromMonth, level }, at) =>
      at === 0 && fromMonth === 1
        ? `${writeNumber(level)} an hour`
        : `${writeNumber(level)}${at === 0 ? ' an hour' : ''} from month ${fromMonth}`,
    )
    .join(', ');
}

/**
 * @example
 * stepsSentence(null); // => 'Nothing that runs here is sold at a committed price under it.'
 */
export function stepsSentence(plan: StepsPlan | null): string {
  if (!plan) return 'Nothing that runs here is sold at a committed price under it.';
  const { rows, months, currency, onlyUp } = plan;
  const [none, once, steps] = rows as [StepsRow, StepsRow, StepsRow];
  const gain = (from: StepsRow, to: StepsRow) => decimal(from.totals.likely).minus(to.totals.likely);
  const money = (amount: ReturnType<typeof gain>): string => `${writeMoney(amount, currency)} ${currency}`;
  if (steps.steps.length === 0) return `No level pays over ${months} months: what runs, runs too little.`;
  const rising = onlyUp ? ' A longer term is only added to.' : '';
  if (gain(once, steps).lessThanOrEqualTo('0.005')) {
    return `Commit at once: ${stepsText(once.steps)} saves ${money(gain(none, once))} in ${months} months, and steps would save no more.${rising}`;
  }
  return `Commit in steps: ${stepsText(steps.steps)} saves ${money(gain(none, steps))} in ${months} months, ${money(gain(once, steps))} more than ${stepsText(once.steps)} throughout.${rising}`;
}

/**
 * @example
 * stepsTable({ currency: 'USD', months: 12, onlyUp: false, rows: [{ way: 'none', steps: [], totals: { lean: '1', likely: '2', heavy: '3' }, cash: '2' }, { way: 'once', steps: [], totals: { lean: '1', likely: '2', heavy: '3' }, cash: '2' }, { way: 'steps', steps: [], totals: { lean: '1', likely: '2', heavy: '3' }, cash: '2' }] }, '12-none').rows[0]!.cells[0]; // => 'nothing'
 */
export function stepsTable(plan: StepsPlan, term: Parameters<typeof describeTerm>[0]): FlatTable {
  return {
    title: `At once or in steps, ${describeTerm(term)}, ${plan.months} months`,
    answer: stepsSentence(plan),
    currency: plan.currency,
    head: ['How', 'Money for every hour', ...CASES, 'leaves the account, likely'],
    rows: plan.rows.map(({ way, steps, totals, cash }) => ({
      level: 'line',
      cells: [
        STEP_WAYS[way],
        stepsText(steps),
        ...CASES.map((which) => ({ money: totals[which] })),
        { money: cash },
      ],
    })),
    notes: [],
  };
}

export const BOTH_WAYS: Readonly<Record<BothRow['way'], string>> = {
  neither: 'neither',
  lines: 'by line only',
  hours: 'for every hour only',
  both: 'both together',
};

/**
 * What is committed in one way.
 *
 * @example
 * bothText({ units: [{ id: 'a', units: '2' }], level: '3' }); // => '1 line, 3 an hour'
 */
export function bothText({ units, level }: Pick<BothRow, 'units' | 'level'>): string {
  const lines = units.length === 0 ? '' : units.length === 1 ? '1 line' : `${units.length} lines`;
  const hours = level === '0' ? '' : `${writeNumber(level)} an hour`;
  return [lines, hours].filter(Boolean).join(', ') || 'none';
}

/**
 * @example
 * bothSentence({ rows: [{ way: 'neither', units: [], level: '0', amounts: { lean: '1', likely: '2', heavy: '3' } }], best: { lean: 0, likely: 0, heavy: 0 }, calm: 0, currency: 'USD' }); // => 'Neither pays in all three cases: the month costs least, or regrets least, without.'
 */
export function bothSentence({
  rows,
  best,
  calm,
  currency,
}: Pick<BothPlan, 'rows' | 'best' | 'calm' | 'currency'>): string {
  const [none, chosen, likely] = [rows[0]!, rows[calm]!, rows[best.likely]!];
  if (chosen.way === 'neither')
    return 'Neither pays in all three cases: the month costs least, or regrets least, without.';
  const gain = decimal(none.amounts.likely).minus(chosen.amounts.likely);
  const money = (amount: typeof gain): string => `${writeMoney(amount.abs(), currency)} ${currency}`;
  const saves = gain.isNegative() ? `costs ${money(gain)} more` : `saves ${money(gain)}`;
  const other = likely === chosen ? '' : ` As likely planned, ${BOTH_WAYS[likely.way]} would cost least.`;
  return `Commit ${BOTH_WAYS[chosen.way]} (${bothText(chosen)}): it regrets least, and as likely planned ${saves} a month.${other}`;
}

/**
 * @example
 * bothTable({ currency: 'USD', lineTerm: '12-none', hourTerm: '36-none', rows: [{ way: 'neither', units: [], level: '0', amounts: { lean: '1', likely: '2', heavy: '3' } }], best: { lean: 0, likely: 0, heavy: 0 }, calm: 0, regret: '0' }).rows[0]!.cells[1]; // => 'none'
 */
export function bothTable(plan: BothPlan): FlatTable {
  const { currency, rows, lineTerm, hourTerm } = plan;
  return {
    title: `By line for ${describeTerm(lineTerm)}, and for every hour for ${describeTerm(hourTerm)}`,
    answer: bothSentence(plan),
    currency,
    head: ['What is committed', 'How much', ...CASES],
    rows: rows.map((row, at) => ({
      level: 'line',
      cells: [
        [BOTH_WAYS[row.way], at === plan.calm ? 'calm' : ''].filter(Boolean).join(', '),
        bothText(row),
        ...CASES.map((which) => ({ money: row.amounts[which] })),
      ],
    })),
    notes: [
      {
        title: 'How it was found',
        lines: [
          'Levels by line and the level for every hour one after the other, each for what the other leaves, until neither changes or a hundred changes were tried. The amounts are exact; that no other pair costs less is not proven.',
        ],
      },
    ],
  };
}
