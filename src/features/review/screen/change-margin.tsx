/** A review beside the list: what it moves, and what may be done with it. */
'use client';
import { writeMoney } from '@/platform/words';
import type { ReviewListing } from '@/features/review/use/review-ports';
import { Button } from '@/platform/ui/button';
import { Difference, LimitsMark } from './marks';
import type { useReviewActs } from './review-acts';

interface ChangeMarginProps {
  readonly review: ReviewListing;
  readonly acts: ReturnType<typeof useReviewActs>;
}

export function ChangeMargin({ review, acts }: ChangeMarginProps) {
  const { id, title, change, repository, branch, author, commit, commits, phase, summary } = review;
  const name = title || `Change ${change}`;
  return (
    <>
      <h2 className="pr-8 text-base font-semibold break-words">{name}</h2>
      <p className="mt-1 text-sm break-words text-soft">
        {`${repository}, change ${change}${author ? `, by ${author}` : ''}`}
      </p>
      {summary ? (
        <dl className="mt-3 border-t border-line text-sm">
          <Row label="Before">{`${writeMoney(summary.before, summary.currency)} ${summary.currency}`}</Row>
          <Row label="After">{`${writeMoney(summary.after, summary.currency)} ${summary.currency}`}</Row>
          <Row label="A month more">
            <Difference value={summary.difference} currency={summary.currency} strong />
          </Row>
          {Number(summary.upfront) !== 0 && (
            <Row label="At the beginning">
              <Difference value={summary.upfront} currency={summary.currency} />
            </Row>
          )}
          <Row label="Limits">
            <LimitsMark state={summary.limits} />
          </Row>
          {summary.broken.length > 0 && <Row label="Broken">{summary.broken.join(', ')}</Row>}
          <Row label="Resources">{`${summary.changed} of ${summary.resources} change`}</Row>
          {summary.doubts > 0 && (
            <Row label="Not known">{`${summary.doubts} ${summary.doubts === 1 ? 'resource' : 'resources'}`}</Row>
          )}
        </dl>
      ) : (
        <p role="status" className="mt-3 text-sm text-soft">
          It is being worked out.
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button tone="strong" onClick={() => acts.open(id)}>
          Open
        </Button>
        <Button onClick={() => acts.remove({ id, title: name })}>Delete</Button>
      </div>
      <p className="mt-4 text-xs wrap-anywhere text-soft">
        {`Commit ${commit}${branch ? ` on ${branch}` : ''}; ${phase}${commits > 1 ? `; ${commits} commits were reviewed` : ''}.`}
      </p>
      <p className="mt-2 text-xs text-soft">Enter opens · Delete deletes, and can be taken back</p>
    </>
  );
}

function Row({ label, children }: { readonly label: string; readonly children: React.ReactNode }) {
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-line py-1">
      <dt className="text-soft">{label}</dt>
      <dd className="min-w-0 text-right tabular-nums">{children}</dd>
    </div>
  );
}
