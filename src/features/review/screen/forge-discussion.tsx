/** A change in the forge: what it is for, its commits, the comment of the pipeline, the check, and what can be done. */
'use client';
import dynamic from 'next/dynamic';
import type { ReactNode } from 'react';
import type { ForgeChange } from '@/features/review/use/forge-ports';
import { Button } from '@/platform/ui/button';
import { writeWhen } from '@/platform/screen/time';
import { CheckMark } from './check-mark';

/** Markdown is read only where a comment is shown. */
const Comment = dynamic(() => import('./comment'), { ssr: false });

export type ForgeAct = 'push' | 'run' | 'merge';

interface DiscussionProps {
  readonly change: ForgeChange;
  readonly acting: ForgeAct | null;
  readonly trouble: string | null;
  readonly onAct: (which: ForgeAct) => void;
  readonly children?: ReactNode;
}

export function ForgeDiscussion({ change, acting, trouble, onAct, children }: DiscussionProps) {
  const { title, author, branch, text, phase, commits, next, comment, check, repository } = change;
  const isBusy = acting !== null;
  return (
    <article className="max-w-[860px]">
      <h2 className="text-lg font-semibold">
        {title} <span className="font-normal text-soft">{change.change}</span>
      </h2>
      <p className="text-sm text-soft">{`${author} asks to merge ${branch} into ${repository}.`}</p>
      <p className="mt-2 text-base">{text}</p>
      <h3 className="mt-4 text-sm font-semibold">Commits</h3>
      <ul className="mt-1 border-t border-line text-sm">
        {commits.map((each) => (
          <li key={each.commit} className="flex gap-3 border-b border-line py-1">
            <span className="font-mono text-xs leading-[20px] text-soft">{each.commit}</span>
            <span className="min-w-0 flex-1">{each.message}</span>
            <span className="text-soft">{each.author}</span>
          </li>
        ))}
      </ul>
      {next && phase === 'open' && (
        <p className="mt-2 flex flex-wrap items-center gap-2 text-sm">
          <Button disabled={isBusy} onClick={() => onAct('push')}>
            Push the next commit
          </Button>
          <span className="text-soft">{`“${next.message}”, by ${next.author}`}</span>
        </p>
      )}
      <h3 className="mt-5 text-sm font-semibold">Discussion</h3>
      {comment ? (
        <section aria-label="Comment of Wick Tally" className="mt-1 rounded border border-line px-4 py-2">
          <p className="text-xs text-soft" suppressHydrationWarning>
            {`Wick Tally, ${writeWhen(comment.at)}${comment.updates === 0 ? '' : `; brought up to date ${comment.updates} ${comment.updates === 1 ? 'time' : 'times'}`}`}
          </p>
          <Comment text={comment.text} />
        </section>
      ) : (
        <p className="mt-1 text-sm text-soft">
          Nothing was said yet. The pipeline says what the change costs.
        </p>
      )}
      <section aria-label="Check" className="mt-4 border-t border-ink pt-2">
        <p role="status" data-testid="check" className="text-sm">
          <CheckMark check={check} />
          {check.state !== 'none' && <span className="ml-2">{check.words}</span>}
        </p>
        {trouble && (
          <p role="alert" className="mt-1 text-sm text-ember-ink">
            {trouble}
          </p>
        )}
        <div className="mt-2 flex flex-wrap items-center gap-2">
          {phase === 'open' && (
            <>
              <Button disabled={isBusy} onClick={() => onAct('run')}>
                {acting === 'run' ? 'The pipeline runs …' : 'Run the pipeline'}
              </Button>
              <Button
                tone="strong"
                disabled={isBusy || check.state !== 'passed'}
                onClick={() => onAct('merge')}
              >
                Merge
              </Button>
            </>
          )}
          {phase === 'merged' && <span className="text-sm font-semibold">Merged</span>}
          {children}
          {phase === 'open' && check.state !== 'passed' && (
            <span className="text-sm text-soft">It can be merged when the check has passed.</span>
          )}
        </div>
      </section>
    </article>
  );
}
