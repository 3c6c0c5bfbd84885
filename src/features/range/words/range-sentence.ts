/** A simulation in words: how much is likely enough, how sure the budget is, and why the heavy case is rarer than P90. */
import { decimal } from '@/engine/base';
import type { Effect, EffectsAnswer, RangeAnswer } from '@/features/range/calc';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';
import type { FlatRow, FlatTable } from '@/platform/tables';

const money = (value: number, currency: string): string =>
  `${writeMoney(decimal(value), currency)} ${currency}`;

/** A share of draws as it is said: never more exact than the draws are. */
function shareText(share: number, draws: number): string {
  const hair = 1 / Math.max(1, draws);
  if (share <= 0) return `fewer than ${writeShare(decimal(hair))}`;
  return writeShare(decimal(Number(share.toPrecision(3))));
}

/**
 * @example
 * rangeSentence({ inputs: [], currency: 'USD' }); // => 'Nothing in this design has a range: every quantity is entered as one number.'
 */
export function rangeSentence(
  answer: Pick<RangeAnswer, 'inputs' | 'currency'> & Partial<RangeAnswer>,
): string {
  const { inputs, currency, design, budget, done = 0, without = 0 } = answer;
  if (inputs.length === 0 || !design) {
    return 'Nothing in this design has a range: every quantity is entered as one number.';
  }
  const draws = done - without;
  const middle = `Half of all draws cost less than ${money(design.p50, currency)} a month, nine of ten less than ${money(design.p90, currency)}.`;
  if (!budget) return middle;
  const limit = `${writeMoney(budget.amount, currency)} ${currency}`;
  return `${middle} The budget of ${limit} is exceeded in ${shareText(budget.exceeded, draws)} of them.`;
}

/**
 * Why the sum of the worst cases is rarer than P90: all inputs would have to be heavy at once.
 *
 * @example
 * casesText({ inputs: [], cases: [], currency: 'USD', done: 0, without: 0 }); // => ''
 */
export function casesText({
  inputs,
  cases,
  currency,
  done,
  without,
}: Pick<RangeAnswer, 'inputs' | 'cases' | 'currency' | 'done' | 'without'>): string {
  const heavy = cases.find((each) => each.case === 'heavy');
  const likely = cases.find((each) => each.case === 'likely');
  if (!heavy || !likely || inputs.length === 0) return '';
  const draws = done - without;
  const above = 1 - heavy.rank;
  const rare =
    above <= 0
      ? `none of ${writeNumber(String(draws))} draws costs more`
      : `${shareText(above, draws)} of the draws cost more`;
  const many =
    inputs.length === 1
      ? 'the one input'
      : inputs.length === 2
        ? 'both inputs'
        : `all ${inputs.length} inputs`;
  return `The heavy case, ${writeMoney(heavy.amount, currency)} ${currency}, takes ${many} at the heavy end at once: ${rare}. The likely case, ${writeMoney(likely.amount, currency)} ${currency}, is above ${writeShare(decimal(Number(likely.rank.toPrecision(3))))} of them: what is likely line by line is not the middle of the sum.`;
}

/**
 * @example
 * effectsSentence({ method: '', base: 64, width: 0, effects: [] }, 'USD'); // => 'There is nothing to measure: no input has a range.'
 */
export function effectsSentence({ effects, width }: EffectsAnswer, currency: string): string {
  const first = effects[0];
  if (!first) return 'There is nothing to measure: no input has a range.';
  if (width <= 0) return 'Nothing explains the spread: the month is the same in every draw.';
  return `Measure first: ${first.label}. It explains ${writeShare(decimal(Number(first.first.toPrecision(3))))} of the variance. Known exactly, P10 to P90 would be about ${money(first.widthThen, currency)} wide in place of ${money(width, currency)}.`;
}

/**
 * By design, section and line, as a flat table.
 *
 * @example
 * rangeTable(new Simulation(plan, 'seed', 10).answer()).rows.at(-1)?.cells[0]; // => 'The design'
 */
export function rangeTable(answer: RangeAnswer, effects: readonly Effect[] = []): FlatTable {
  const { currency, sections, lines, design, seed, done, draws, without, p90Between } = answer;
  const cells = (
    name: string,
    level: FlatRow['level'],
    row: RangeAnswer['design'] | (typeof lines)[number],
  ): FlatRow => ({
    level,
    cells: [
      name,
      ...[row.p10, row.p50, row.mean, row.p80, row.p90].map((each) => ({ money: plainText(each) })),
    ],
  });
  return {
    title: 'How sure the month is',
    answer: rangeSentence(answer),
    currency,
    head: ['', 'P10', 'P50', 'mean', 'P80', 'P90'],
    rows: [
      ...lines.map((row) => cells(row.name, 'line', row)),
      ...sections.map((row) => cells(row.name, 'group', row)),
      cells('The design', 'total', design),
    ],
    noSums: true,
    notes: [
      {
        title: 'How it was drawn',
        lines: [
          `${done} of ${draws} draws, seed “${seed}”; each input triangular from lean to heavy with likely as its peak.`,
          `P90 lies between ${money(p90Between[0], currency)} and ${money(p90Between[1], currency)}, nineteen times of twenty.`,
          ...(without > 0 ? [`${without} draws left out: a line had no amount.`] : []),
          ...answer.notes,
        ],
      },
      ...(effects.length === 0
        ? []
        : [{ title: 'What explains the spread', lines: effects.map(effectText) }]),
    ],
  };

  function effectText({ label, first, total, money: by }: Effect): string {
    const share = (value: number): string => writeShare(decimal(Number(value.toPrecision(3))));
    return `${label}: ${share(first)} of the variance alone, ${share(total)} with what it acts on; ${money(by, currency)}`;
  }
}

const plainText = (value: number): string => decimal(Number(value.toPrecision(15))).toString();
