/** A watch in the margin: how it stands, its steps, who is told, and where to look further. */
'use client';
import Link from 'next/link';
import { watchedSentence, watchedWords, writeWatched } from '@/features/alerts/words';
import { writeShare } from '@/platform/words';
import type { ShownWatch } from '@/features/alerts/use/watches';
import { Button } from '@/platform/ui/button';
import { MarginRow } from '@/features/bills/screen/period-margin';
import { StepBar } from './step-bar';

interface WatchMarginProps {
  readonly watch: ShownWatch;
  readonly names: ReadonlyMap<string, string>;
  /** That its bills are held against; null: none. */
  readonly design: string | null;
  readonly onChange: () => void;
  readonly onDelete: () => void;
}

export function WatchMargin({ watch: shown, names, design, onChange, onDelete }: WatchMarginProps) {
  const { watch, watched, bill } = shown;
  const standing = watched.state === 'watching' ? watched.standing : null;
  return (
    <>
      <h2 className="pr-8 text-base font-semibold break-words">{watch.name}</h2>
      <p className="mt-1 text-sm break-words text-soft">{sentenceCase(watchedWords(watch, names))}</p>
      <p
        className={`mt-2 text-sm ${standing ? '' : 'text-ember-ink'}`}
        data-testid="watch-sentence"
        role="status"
      >
        {watchedSentence(watch, watched)}
      </p>
      {standing && (
        <>
          <div className="mt-2">
            <StepBar
              label={watchedSentence(watch, watched)}
              share={Number(standing.share)}
              steps={watch.steps.map(Number)}
            />
          </div>
          <table className="mt-2 w-full text-sm">
            <thead>
              <tr className="border-b border-ink text-left text-xs text-soft">
                <th className="py-1 font-normal">Step</th>
                <th className="py-1 font-normal">When</th>
              </tr>
            </thead>
            <tbody>
              {watch.steps.map((step) => (
                <tr key={step} className="border-b border-line">
                  <td className="py-0.5 pr-2 tabular-nums">{writeShare(step)}</td>
                  <td className="py-0.5">{whenWords(step, standing)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <dl className="mt-3 border-t border-line text-sm">
        {standing && <MarginRow label="Now">{writeWatched(standing.value, standing.unit)}</MarginRow>}
        {standing && <MarginRow label="Threshold">{writeWatched(standing.limit, standing.unit)}</MarginRow>}
        <MarginRow label="Which is">
          {watch.limit !== null
            ? 'an amount of yours'
            : watch.of.what === 'allowance'
              ? 'what is included'
              : 'what the design expects'}
        </MarginRow>
        <MarginRow label="Said ahead">
          {watch.ahead === 0 ? 'no' : `${watch.ahead} ${watch.ahead === 1 ? 'day' : 'days'}`}
        </MarginRow>
        <MarginRow label="Mail">{watch.mail.length > 0 ? watch.mail.join(', ') : 'none'}</MarginRow>
        <MarginRow label="Call">{watch.call ?? 'none'}</MarginRow>
      </dl>
      {bill && (
        <p className="mt-3 text-sm">
          <Link
            href={`/bills/${bill.id}`}
            prefetch={false}
            className="text-brand underline underline-offset-2"
          >
            {`Open the bill, ${bill.from} to ${bill.to}`}
          </Link>
        </p>
      )}
      {design && (
        <p className="mt-1 text-sm">
          <Link
            href={`/designs/${design}/load`}
            prefetch={false}
            className="text-brand underline underline-offset-2"
          >
            At which load would the design cross a budget?
          </Link>
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button tone="strong" onClick={onChange}>
          Change
        </Button>
        <Button onClick={onDelete}>Delete</Button>
      </div>
      <p className="mt-2 text-xs text-soft">
        Each step is said once in a period; if the threshold is changed, they are said anew.
      </p>
    </>
  );
}

function whenWords(
  step: string,
  standing: NonNullable<Extract<ShownWatch['watched'], { state: 'watching' }>['standing']>,
): string {
  const reached = standing.reached.find((each) => each.step === step);
  if (reached) return reached.day ? `reached on ${reached.day}` : 'reached';
  const coming = standing.coming.find((each) => each.step === step);
  return coming ? `on ${coming.day} at this pace` : 'not in sight';
}

const sentenceCase = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
