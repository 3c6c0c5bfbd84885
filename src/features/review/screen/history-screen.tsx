/** History of a repository: what it costs a month after every change that was merged; as a line, and as a table. */
'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { decimal } from '@/engine/base';
import { signedAmount } from '@/features/review/words';
import { writeMoney } from '@/platform/words';
import type { ReviewListing } from '@/features/review/use/review-ports';
import { Amount } from '@/platform/ui/amount';
import { CurveChart } from '@/platform/ui/curve-chart';
import { Empty } from '@/platform/ui/empty';
import { Choice } from '@/platform/ui/field';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { historyDrawing } from './history-drawing';
import { Difference, LimitsMark } from './marks';
import { ReviewsHead } from './reviews-head';

interface HistoryProps {
  readonly repositories: readonly string[];
  readonly repository: string | null;
  readonly merged: readonly ReviewListing[];
}

export function HistoryScreen({ repositories, repository, merged }: HistoryProps) {
  const router = useRouter();
  const known = merged.filter(({ summary }) => summary !== null);
  const [first, last] = [known[0]?.summary, known.at(-1)?.summary];
  const drawing = repository === null ? null : historyDrawing(repository, merged);
  return (
    <>
      <ReviewsHead />
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
        tabIndex={0}
        role="region"
        aria-label="History"
      >
        {repository !== null && (
          <div className="max-w-[320px]">
            <Choice
              label="Repository"
              value={repository}
              options={repositories.map((each) => [each, each] as const)}
              onChange={(next) => router.push(`/reviews/history?repository=${encodeURIComponent(next)}`)}
            />
          </div>
        )}
        {merged.length === 0 ? (
          <Empty title="Nothing was merged yet">
            {repository === null
              ? 'When reviews come in and are merged, what the repository costs a month stands here, change by change.'
              : `When a change of ${repository} is merged, what it costs a month afterwards stands here.`}
          </Empty>
        ) : (
          <>
            {first && last && (
              <p className="mt-3 max-w-[820px] text-lg font-semibold" data-testid="history-sentence">
                {sentence(repository!, known.length, first, last)}
              </p>
            )}
            {drawing && (
              <section aria-label={drawing.question} className="mt-3 max-w-[900px]">
                <h2 className="text-sm font-semibold">{drawing.question}</h2>
                <CurveChart
                  label={drawing.question}
                  {...drawing}
                  height={240}
                  file={`${repository}, history`}
                />
              </section>
            )}
            <MergedTable merged={merged} />
          </>
        )}
      </div>
      <TallyLine>
        <TallyFigure label="Merged changes">{merged.length}</TallyFigure>
        {last && (
          <TallyFigure label={`A month now, ${last.currency}`}>
            <Amount value={last.after} currency={last.currency} />
          </TallyFigure>
        )}
      </TallyLine>
    </>
  );
}

type Summary = NonNullable<ReviewListing['summary']>;

function sentence(repository: string, count: number, first: Summary, last: Summary): string {
  const { currency, after } = last;
  const moved = decimal(after).minus(first.before).toString();
  const changes = count === 1 ? 'One change' : `${count} changes`;
  return `${changes} took ${repository} from ${writeMoney(first.before, currency)} to ${writeMoney(after, currency)} ${currency} a month (${signedAmount(moved, currency)}).`;
}

function MergedTable({ merged }: { readonly merged: readonly ReviewListing[] }) {
  return (
    <table className="mt-4 w-full max-w-[900px] text-sm">
      <caption className="pb-1 text-left text-sm font-semibold">Change by change</caption>
      <thead>
        <tr className="border-b border-ink text-left text-xs text-soft">
          <th className="py-1 font-normal">Merged</th>
          <th className="py-1 font-normal">Change</th>
          <th className="py-1 font-normal">Author</th>
          <th className="py-1 font-normal">Limits</th>
          <th className="py-1 text-right font-normal">A month more</th>
          <th className="py-1 text-right font-normal">A month after</th>
        </tr>
      </thead>
      <tbody>
        {merged.toReversed().map(({ id, title, change, author, mergedAt, summary }) => (
          <tr key={id} className="border-b border-line">
            <td className="py-1 pr-3 whitespace-nowrap">{mergedAt?.slice(0, 10)}</td>
            <td className="py-1 pr-3 break-words">
              <Link href={`/reviews/${id}`} prefetch={false} className="text-brand underline">
                {title || `Change ${change}`}
              </Link>{' '}
              <span className="text-soft">{change}</span>
            </td>
            <td className="py-1 pr-3 text-soft">{author}</td>
            <td className="py-1 pr-3">{summary && <LimitsMark state={summary.limits} />}</td>
            <td className="py-1 text-right">
              {summary ? (
                <Difference value={summary.difference} currency={summary.currency} />
              ) : (
                <span className="text-xs text-soft">working …</span>
              )}
            </td>
            <td className="py-1 text-right">
              {summary && <Amount value={summary.after} currency={summary.currency} />}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
