/** What a repository costs a month, over its merged changes: level from one to the next. */
import type { Drawing } from '@/platform/tables';
import type { ReviewListing } from '@/features/review/use/review-ports';

/** Null: fewer than two amounts, or amounts of two currencies, are no line. */
export function historyDrawing(
  repository: string,
  merged: readonly Pick<ReviewListing, 'summary'>[],
): Drawing | null {
  const known = merged.flatMap(({ summary }) => summary ?? []);
  const [first] = known;
  if (!first || known.some(({ currency }) => currency !== first.currency)) return null;
  const amounts = [first.before, ...known.map(({ after }) => after)].map(Number);
  return {
    question: `What does ${repository} cost a month, change by change?`,
    lines: [
      {
        name: repository,
        points: [...amounts, amounts.at(-1)!].map((amount, at) => [at, amount] as const),
      },
    ],
    x: {
      title: 'Changes merged',
      from: 0,
      to: amounts.length,
      scale: 'linear',
      parts: amounts.length,
    },
    y: { title: `${first.currency} a month`, scale: 'linear' },
    stepped: true,
  };
}
