/** Any amount of a study as a figure that opens into the assumptions it is made of. */
import type { Figure } from '@/engine/trace';
import { FIGURES } from './algebra';
import { LineBook } from './flow-book';
import { flow, groundOf } from './flows';
import type { Study, Variant } from './model';
import { figuresOf, type StudyCase } from './read-values';
import { MONTHS } from './setting';
import { studyMonth } from './study-month';

export interface ExplainedLine {
  readonly id: string;
  readonly name: string;
  /** By month; missing: nothing in that month. */
  readonly cash: readonly (Figure | undefined)[];
  readonly spread: readonly (Figure | undefined)[];
  readonly worth: Figure | null;
}

/**
 * Every line of a variant, month by month, explained.
 *
 * @example
 * const study = newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' });
 * explainedLines(study, study.variants[0]!).length > 0; // => true
 */
export function explainedLines(study: Study, variant: Variant, which: StudyCase = 'likely'): ExplainedLine[] {
  const book = new LineBook<Figure>(FIGURES, study.currency, study.years * MONTHS);
  flow(groundOf(FIGURES, study, figuresOf(study, which)), variant, book);
  return [...book.lines.values()];
}

/** Which amounts: of these lines, in these months (from, until before). */
export interface Wanted {
  readonly variant: string;
  readonly lines: readonly string[];
  readonly from: number;
  readonly to: number;
  readonly basis: Study['basis'];
  readonly title: string;
  /** What the lines are still worth at the end, taken off: instead of what they cost, or as well. */
  readonly worth?: 'only' | 'too';
}

/**
 * One amount of the table: its lines, then its months, then how each came about; null: no such variant.
 *
 * @example
 * const study = newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' });
 * explainAmount(study, { variant: 'keep', lines: [], from: 0, to: 12, basis: 'cash', title: 'Year 1' })?.value.toString(); // => '0'
 */
export function explainAmount(study: Study, asked: Wanted): Figure | null {
  const { variant: id, lines, from, to, basis, title, worth } = asked;
  const variant = study.variants.find((each) => each.id === id);
  if (!variant) return null;
  const unit = study.currency;
  const wanted = explainedLines(study, variant).filter((line) => lines.includes(line.id));
  const parts = wanted.flatMap((line): Figure[] => {
    const left =
      worth === undefined || line.worth === null
        ? []
        : [
            FIGURES.less(
              worth === 'only' ? line.name : `${line.name}: still worth`,
              unit,
              FIGURES.zero,
              line.worth,
            ),
          ];
    if (worth === 'only') return left;
    const months = line[basis].slice(from, to).flatMap((figure, at): Figure[] => {
      const month = studyMonth(study.start, from + at);
      return figure === undefined || figure.value.isZero() ? [] : [FIGURES.sum(month, unit, [figure])];
    });
    return [...(months.length === 0 ? [] : [FIGURES.sum(line.name, unit, months)]), ...left];
  });
  return FIGURES.sum(title, unit, parts);
}
