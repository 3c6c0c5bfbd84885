/** A module: what it costs with everything below it. */
'use client';
import { Amount } from '@/platform/ui/amount';
import { Difference } from '../marks';
import { useReview } from '../review-context';
import type { ReviewItem } from '../review-rows';

type Module = Extract<ReviewItem, { is: 'module' }>;

export function ModuleMargin({ module }: { readonly module: Module }) {
  const { answer } = useReview();
  const currency = answer.answer?.review.currency ?? '';
  return (
    <>
      <h2 className="pr-8 font-mono text-sm font-semibold wrap-anywhere">{module.key}</h2>
      <p className="mt-1 text-sm text-soft">
        {`${module.all} ${module.all === 1 ? 'resource' : 'resources'} in it, ${module.shown} listed; sums have what is below it, too.`}
      </p>
      <dl className="mt-3 border-t border-line text-sm">
        {(['before', 'after'] as const).map((side) => (
          <div key={side} className="flex justify-between border-b border-line py-1">
            <dt className="text-soft">{side === 'before' ? 'Before' : 'After'}</dt>
            <dd>
              <Amount value={module.sums[side]} currency={currency} />
            </dd>
          </div>
        ))}
        <div className="flex justify-between border-b border-line py-1">
          <dt className="text-soft">A month more</dt>
          <dd>
            <Difference value={module.sums.difference} currency={currency} strong />
          </dd>
        </div>
      </dl>
      <p className="mt-4 text-xs text-soft">Enter folds and unfolds it</p>
    </>
  );
}
