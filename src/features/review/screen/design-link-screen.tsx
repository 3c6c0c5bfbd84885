/** The design that the change comes from: how the change moves it, which line is which resource, and accepting it as edits. */
'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { signedAmount } from '@/features/review/words';
import { writeMoney } from '@/platform/words';
import type { DesignEdit } from '@/engine/design';
import type { LineMatch, LineMatches } from '@/features/review/calc';
import type { EffectAnswer } from '@/features/review/worker/review-protocol';
import { Button } from '@/platform/ui/button';
import { Choice } from '@/platform/ui/field';
import { tell } from '@/platform/ui/toast';
import { callApi, postJson } from '@/platform/screen/call-api';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { EffectTable } from './effect-table';
import { MatchTable } from './match-table';
import { useReview, useReviewAsked } from './review-context';
import { ReviewTally } from './review-tally';

const JSON_SENT = { 'content-type': 'application/json' } as const;
const NONE = '';

interface DesignLinkProps {
  readonly designs: readonly { readonly id: string; readonly title: string }[];
}

export function DesignLinkScreen({ designs }: DesignLinkProps) {
  const { of, review, link } = useReview();
  const { repository } = review;
  const router = useRouter();
  const [design, setDesign] = useState(link?.design ?? NONE);
  const [said, setSaid] = useState<LineMatches>(link?.matches ?? {});
  const [trouble, setTrouble] = useState<string | null>(null);
  const known = designs.find(({ id }) => id === design);
  /** Another state of the design is another question. */
  const [turn, setTurn] = useState(0);
  const question = useMemo(
    () => (known ? { ask: 'effect' as const, ...of, repository, design: known.id, said, turn } : null),
    [of, repository, known, said, turn],
  );
  const asked = useReviewAsked(question);
  const told = asked.isWaiting ? null : asked.answer;
  const attempt = async (act: () => Promise<void>): Promise<void> => {
    setTrouble(null);
    try {
      await act();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
  };
  const keep = (next: string, matches: LineMatches): void => {
    setDesign(next);
    setSaid(matches);
    void attempt(async () => {
      await callApi('/api/repository-link', {
        method: 'PUT',
        headers: JSON_SENT,
        body: JSON.stringify({ repository, design: next === NONE ? null : next, matches }),
      });
      router.refresh();
    });
  };
  const send = async (edits: readonly DesignEdit[], baseRevision: number): Promise<number> => {
    const body = { baseRevision, batch: crypto.randomUUID(), edits };
    const saved = await postJson<{ revision: number }>(`/api/designs/${design}/edits`, body);
    setTurn((before) => before + 1);
    return saved.revision;
  };
  const accept = ({ edits, inverse, revision, title }: EffectAnswer): void =>
    void attempt(async () => {
      const now = await send(edits, revision);
      tell(`“${title}” has taken the change over.`, {
        label: 'Take it back',
        run: () => void attempt(async () => void (await send(inverse, now))),
      });
    });
  return (
    <>
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
        tabIndex={0}
        role="region"
        aria-label="The design"
      >
        <div className="max-w-[420px]">
          <Choice
            label={`Design that ${repository} comes from`}
            value={known ? design : NONE}
            options={[[NONE, 'none'], ...designs.map(({ id, title }) => [id, title] as const)]}
            onChange={(next) => keep(next, {})}
          />
        </div>
        {!known && (
          <p className="mt-3 max-w-[700px] text-sm text-soft">
            {link && !known
              ? 'The design that it came from is not there any more. Choose another.'
              : 'Choose the design that this code was planned in. Then it is said how far each change moves it, and what was merged can be taken over into it.'}
          </p>
        )}
        {trouble && (
          <p role="alert" className="mt-2 text-sm text-ember-ink">
            {trouble}
          </p>
        )}
        <Trouble trouble={asked.trouble} again={asked.again} />
        {known && !told && !asked.trouble && (
          <Working progress={null} words="Holding it against the design" />
        )}
        {known && told && (
          <>
            <p className="mt-4 max-w-[820px] text-lg font-semibold" data-testid="effect" role="status">
              {effectSentence(told)}
            </p>
            <div className="mt-2 flex flex-wrap gap-2">
              <Button tone="strong" disabled={told.edits.length === 0} onClick={() => accept(told)}>
                Take it over into the design
              </Button>
              <Link
                href={`/designs/${known.id}`}
                prefetch={false}
                className="inline-flex h-7 items-center rounded px-2.5 text-sm font-medium text-brand hover:bg-wash"
              >
                Open the design
              </Link>
            </div>
            <EffectTable effect={told} />
            <MatchTable effect={told} onMatch={(line, match) => keep(design, withMatch(said, line, match))} />
          </>
        )}
      </div>
      <ReviewTally />
    </>
  );
}

function withMatch(said: LineMatches, line: string, match: LineMatch): LineMatches {
  // One line of the design is one line of code: whoever had it before is asked again.
  const others = Object.entries(said).filter(
    ([id, each]) => id !== line && !(match.is === 'line' && each.is === 'line' && each.line === match.line),
  );
  return { ...Object.fromEntries(others), [line]: match };
}

function effectSentence({ totals, currency, edits, title }: EffectAnswer): string {
  if (edits.length === 0) return `The change moves nothing of “${title}”: it says what the design says.`;
  const moved = signedAmount(totals.difference, currency);
  return `The change moves “${title}” by ${moved} ${currency} a month: ${writeMoney(totals.before, currency)} becomes ${writeMoney(totals.after, currency)}.`;
}
