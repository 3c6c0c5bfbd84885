/** The tally of a review: the month before and after, its range, twelve months, what is paid at once, what is not known. */
'use client';
import { writeNumber } from '@/platform/words';
import { Amount } from '@/platform/ui/amount';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { Wick } from '@/platform/ui/wick';
import type { WorkAnswer } from '@/features/review/worker/review-protocol';
import { LimitsMark, Difference } from './marks';
import { useReview } from './review-context';

const booksWords = (books: WorkAnswer['books']): string =>
  books.map(({ book, revision, effective }) => `${book} r${revision}, ${effective}`).join('; ');

export function ReviewTally() {
  const { answer } = useReview();
  const told = answer.answer;
  if (!told) {
    return (
      <TallyLine>
        <TallyFigure label="A month more">…</TallyFigure>
      </TallyLine>
    );
  }
  const { totals, currency, rows } = told.review;
  const open = rows.filter(({ doubts }) => doubts.length > 0).length;
  const [low, high] = [told.lean.after, told.heavy.after];
  return (
    <TallyLine aside={[`${currency} a month`, booksWords(told.books)].filter(Boolean).join(' · ')}>
      <TallyFigure label="A month more">
        <span data-testid="review-difference">
          <Difference value={totals.difference} currency={currency} />
        </span>
      </TallyFigure>
      <TallyFigure label="Before">
        <Amount value={totals.before} currency={currency} />
      </TallyFigure>
      <TallyFigure label="After">
        <Amount value={totals.after} currency={currency} />
      </TallyFigure>
      {low !== high && (
        <TallyFigure label="Lean to heavy">
          <div className="h-5 w-[120px] pt-0.5">
            <Wick values={{ low, likely: totals.after, high }} currency={currency} most={Number(high)} />
          </div>
        </TallyFigure>
      )}
      <TallyFigure label="12 months more">
        <Difference value={totals.twelveMonths.difference} currency={currency} />
      </TallyFigure>
      {Number(totals.upfront.difference) !== 0 && (
        <TallyFigure label="At the beginning">
          <Difference value={totals.upfront.difference} currency={currency} />
        </TallyFigure>
      )}
      <TallyFigure label="Limits">
        <LimitsMark state={told.limits.state} />
      </TallyFigure>
      <TallyFigure label="Not all known">
        <span className={open > 0 ? 'text-ember-ink' : ''}>{writeNumber(String(open))}</span>
      </TallyFigure>
    </TallyLine>
  );
}
