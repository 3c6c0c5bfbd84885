/** A resource: what happens to it, its parts, how each side adds up, which attributes changed, what use is missing. */
'use client';
import { useState } from 'react';
import { decimal } from '@/engine/base';
import { lineDoubt, rowWords } from '@/features/review/words';
import { writeShare } from '@/platform/words';
import type { ReviewLine, ReviewRow } from '@/features/review/calc';
import { Amount } from '@/platform/ui/amount';
import { TraceTree } from '@/platform/ui/trace-tree';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { Difference } from '../marks';
import { useReview, useReviewAsked } from '../review-context';
import { ReadAttributes } from './read-attributes';
import { SayUse } from './say-use';

export function ResourceMargin({ row }: { readonly row: ReviewRow }) {
  const { answer } = useReview();
  const currency = answer.answer?.review.currency ?? '';
  const { address, lines, free, movedFrom, type, under } = row;
  const [part, setPart] = useState<string | null>(null);
  const line = lines.find(({ id }) => id === part) ?? firstFelt(lines);
  return (
    <>
      <h2 className="pr-8 font-mono text-sm font-semibold wrap-anywhere">{address}</h2>
      <p className="mt-1 text-sm text-soft">
        {`${sentence(rowWords(row))}${movedFrom === null ? '' : `; it was ${movedFrom}`}${under === null ? '' : `; belongs to ${under}`}.`}
      </p>
      {free !== null && <p className="mt-2 text-sm">{`Costs nothing: ${free}`}</p>}
      {row.doubts.includes('no-rule') && (
        <p className="mt-2 text-sm text-ember-ink">
          {`No resource map has a rule for “${type}”, so it is in no sum. Resource maps drafts one.`}
        </p>
      )}
      {lines.length > 0 && (
        <ul aria-label="Parts" className="mt-3 border-t border-line text-sm">
          {lines.map((each) => (
            <li key={each.id} className="border-b border-line">
              <button
                type="button"
                aria-pressed={each.id === line?.id}
                onClick={() => setPart(each.id)}
                className={`flex w-full items-baseline gap-2 py-1 text-left hover:bg-wash ${each.id === line?.id && lines.length > 1 ? 'font-semibold' : ''}`}
              >
                <span className="min-w-0 flex-1 break-words">{partWords(each)}</span>
                <PartAmount line={each} currency={currency} />
              </button>
              {each.doubts.length > 0 && (
                <p className="pb-1 text-xs text-ember-ink">{lineDoubt(each, currency)}</p>
              )}
            </li>
          ))}
        </ul>
      )}
      {line && line.missing.length > 0 && <SayUse address={address} line={line} currency={currency} />}
      {line && <AddsUp key={line.id} line={line} currency={currency} />}
      <ReadAttributes read={row.read} />
    </>
  );
}

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

/** Its part, and its size; both where another is taken. */
function partWords({ part, size: { before, after } }: ReviewLine): string {
  const size =
    before !== null && after !== null && before !== after ? `${before} → ${after}` : (after ?? before);
  return [part, size].filter(Boolean).join(': ') || 'The resource itself';
}

const firstFelt = (lines: readonly ReviewLine[]): ReviewLine | undefined =>
  lines.find(({ before, after }) => before !== after) ?? lines[0];

function PartAmount({ line, currency }: { readonly line: ReviewLine; readonly currency: string }) {
  const { before, after, half } = line;
  const shown = after ?? before;
  if (shown === null) return <span className="text-xs text-ember-ink">no amount</span>;
  if (half) return <span className="text-xs text-ember-ink">known on one side</span>;
  const moved = Number(after ?? 0) - Number(before ?? 0);
  return (
    <span className="text-right font-normal">
      {before !== null && after !== null && moved !== 0 && (
        <>
          <Amount value={before} currency={currency} /> <span aria-label="becomes">→</span>{' '}
        </>
      )}
      <span className={after === null ? 'line-through' : ''}>
        <Amount value={shown} currency={currency} />
      </span>
    </span>
  );
}

/** The very calculation, of the side that is chosen. */
function AddsUp({ line, currency }: { readonly line: ReviewLine; readonly currency: string }) {
  const { of } = useReview();
  const sides = (['after', 'before'] as const).filter((side) => line[side] !== null);
  const [chosen, setChosen] = useState<'before' | 'after'>('after');
  const side = sides.includes(chosen) ? chosen : sides[0];
  const question = side ? { ask: 'explain' as const, ...of, line: line.id, side } : null;
  const asked = useReviewAsked(question);
  if (!side) return null;
  const printed = line[side]!;
  return (
    <section aria-label="How it adds up" className="mt-4">
      <div className="flex items-baseline justify-between">
        <h3 className="text-sm font-semibold">How it adds up</h3>
        {sides.length > 1 && (
          <div role="group" aria-label="Side" className="flex text-xs">
            {sides.toReversed().map((each) => (
              <button
                key={each}
                type="button"
                aria-pressed={each === side}
                onClick={() => setChosen(each)}
                className={`border-b-2 px-2 py-0.5 ${each === side ? 'border-brand font-semibold' : 'border-transparent text-soft'}`}
              >
                {each === 'before' ? 'before' : 'after'}
              </button>
            ))}
          </div>
        )}
      </div>
      <Trouble trouble={asked.trouble} again={asked.again} />
      {asked.isWaiting && !asked.answer && <Working progress={null} />}
      {asked.answer && !asked.isWaiting && (
        <TraceTree figure={asked.answer} currency={currency} printed={printed} />
      )}
      {line.before !== null && line.after !== null && (
        <p className="mt-1 text-sm">
          The change: <Difference value={difference(line)} currency={currency} strong />
          {shareOf(line)}
        </p>
      )}
    </section>
  );
}

/** In brackets; of nothing there is none. */
function shareOf({ before, after }: ReviewLine): string {
  if (decimal(before!).isZero() || before === after) return '';
  const share = decimal(after!).minus(before!).dividedBy(before!);
  return ` (${share.isNegative() ? '' : '+'}${writeShare(share.toString())})`;
}

const difference = ({ before, after }: ReviewLine): string => decimal(after!).minus(before!).toString();
