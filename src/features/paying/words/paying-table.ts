/** What to commit to, as flat tables: for the command line and files. */
import type { CreditPlan, CreditRow, SpendPlan, UsagePlan } from '@/features/paying/calc';
import { describeTerm } from '@/engine/terms';
import { type Case, CASES } from '@/engine/usage';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';
import type { FlatCell, FlatTable } from '@/platform/tables';
import { creditPlanSentence, spendPlanSentence, usagePlanSentence } from './paying-sentence';

const amounts = (by: Readonly<Record<Case, string | null>>): FlatCell[] =>
  CASES.map((which) => (by[which] === null ? 'no amount' : { money: by[which] }));

/**
 * The calm level of each line.
 *
 * @example
 * usagePlanTable(usagePlan(plan, '12-none')).rows[0]!.cells.slice(0, 2); // => ['Component a', '2']
 */
export function usagePlanTable(plan: UsagePlan): FlatTable {
  return {
    title: `What to commit by line, ${describeTerm(plan.term)}`,
    answer: usagePlanSentence(plan),
    currency: plan.currency,
    head: ['Line', 'Commit', 'Costs now', ...CASES, 'Regret at most'],
    rows: plan.rows.map(({ name, levels, calm, stands, regret }) => ({
      level: 'line',
      cells: [
        name,
        levels[calm]!.units,
        { money: stands },
        ...amounts(levels[calm]!.amounts),
        { money: regret },
      ],
    })),
    notes:
      plan.stoppable.length === 0 ? [] : [{ title: 'Could be interruptible', lines: stoppableText(plan) }],
  };
}

/**
 * What could be interruptible, a sentence each.
 *
 * @example
 * stoppableText({ currency: 'USD', stoppable: [{ id: 'a', name: 'Batch', mayBeStopped: true, stands: '10', interruptible: '4' }] }); // => ['“Batch” may be stopped: 4.00 in place of 10.00 USD a month']
 */
export function stoppableText({ stoppable, currency }: Pick<UsagePlan, 'stoppable' | 'currency'>): string[] {
  return stoppable.map(({ name, mayBeStopped, stands, interruptible }) => {
    const amounts = `${writeMoney(interruptible, currency)} in place of ${writeMoney(stands, currency)} ${currency} a month`;
    return mayBeStopped
      ? `“${name}” may be stopped: ${amounts}`
      : `“${name}”, if it may be stopped at any time: ${amounts}`;
  });
}

/**
 * @example
 * spendPlanTable({ currency: 'USD', book: 'b', term: '12-none', before: [], bands: { lean: [], likely: [], heavy: [] }, best: { lean: '0', likely: '0', heavy: '0' }, calm: '0', regret: '0', readings: [{ level: '0', amounts: { lean: '1', likely: '2', heavy: '3' } }], curve: { levels: [], amounts: { lean: [], likely: [], heavy: [] } }, asked: { level: '0', used: 0, covered: 0 } }).rows[0]!.cells[0]; // => '0'
 */
export function spendPlanTable(plan: SpendPlan): FlatTable {
  const { currency, readings, best, calm, asked, before } = plan;
  const why = (level: string): string =>
    [
      level === '0' ? 'nothing' : '',
      level === calm ? 'calm' : '',
      ...CASES.map((which) => (best[which] === level ? `best ${which}` : '')),
      level === asked.level && level !== calm ? 'looked at' : '',
    ]
      .filter(Boolean)
      .join(', ');
  return {
    title: `What to commit for every hour, ${describeTerm(plan.term)}`,
    answer: spendPlanSentence(plan, currency),
    currency,
    head: ['An hour', 'What it is', ...CASES],
    rows: readings.map(({ level, amounts: by }) => ({
      level: 'line',
      cells: [writeNumber(level), why(level), ...amounts(by)],
    })),
    notes:
      before.length === 0
        ? []
        : [
            {
              title: 'Counted first',
              lines: before.map(({ name, level }) => `${name}: ${writeNumber(level)} an hour`),
            },
          ],
  };
}

const CREDIT_WORDS: Readonly<Record<CreditRow['why'], string>> = {
  band: 'a band begins',
  use: 'what is used',
  none: 'no credit',
};

/**
 * @example
 * creditPlanTable({ currency: 'USD', book: 'b', use: '0', rows: [{ term: 'on-demand', credit: '0', amounts: { lean: '1', likely: '2', heavy: '3' }, unused: null, why: 'none' }], best: { lean: 0, likely: 0, heavy: 0 }, calm: 0, jumps: [] }).rows[0]!.cells[2]; // => 'no credit, calm, best lean, best likely, best heavy'
 */
export function creditPlanTable(plan: CreditPlan): FlatTable {
  const { currency, rows, best, calm } = plan;
  return {
    title: 'What to prepay',
    answer: creditPlanSentence(plan, currency),
    currency,
    head: ['Credit a month', 'For', 'What it is', ...CASES, 'Unused, likely'],
    rows: rows.map((row, at) => {
      const marks = [
        CREDIT_WORDS[row.why],
        at === calm ? 'calm' : '',
        ...CASES.map((which) => (best[which] === at ? `best ${which}` : '')),
      ];
      return {
        level: 'line',
        cells: [
          writeMoney(row.credit, currency),
          row.why === 'none' ? '' : describeTerm(row.term),
          marks.filter(Boolean).join(', '),
          ...amounts(row.amounts),
          row.unused === null ? '' : writeShare(row.unused),
        ],
      };
    }),
    notes: [],
  };
}
