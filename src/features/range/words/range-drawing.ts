/** How often a month costs what, as it is drawn. */
import type { RangeAnswer } from '@/features/range/calc';
import type { Drawing } from '@/platform/tables';

/**
 * How often the month costs what, as steps.
 *
 * @example
 * rangeDrawing(new Simulation(plan, 'seed', 10).answer()).question; // => 'How often does the month cost what?'
 */
export function rangeDrawing({ design, histogram, currency, budget, cases }: RangeAnswer): Drawing {
  const to = design.most > design.least ? design.most : design.least + 1;
  const bars = histogram.counts.map((count, bin) => [histogram.from + histogram.step * bin, count] as const);
  const last = bars[bars.length - 1];
  const places = [
    { at: design.p10, label: 'P10' },
    { at: design.p50, label: 'P50' },
    { at: design.p90, label: 'P90' },
    ...(budget ? [{ at: Number(budget.amount), label: 'budget', low: true }] : []),
    ...cases.flatMap((each) =>
      each.case === 'likely' ? [{ at: Number(each.amount), label: 'likely case', low: true }] : [],
    ),
  ];
  return {
    question: 'How often does the month cost what?',
    lines: [{ name: 'draws', points: last ? [...bars, [to, last[1]] as const] : [] }],
    x: { title: `${currency} a month`, from: design.least, to, scale: 'linear' },
    y: { title: 'draws', scale: 'linear' },
    places: places.filter(({ at }) => at >= design.least && at <= to),
    stacked: true,
    stepped: true,
  };
}
