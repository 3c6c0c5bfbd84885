/** What is kept of the change: the extract, resource by resource, and the two files beside the code. Nothing else is. */
'use client';
import { useMemo, useState } from 'react';
import { mappedSideWords } from '@/features/review/words';
import { writeNumber } from '@/platform/words';
import { Button } from '@/platform/ui/button';
import { saveText } from '@/platform/screen/save-text';
import { Trouble } from '@/platform/screen/trouble';
import { Working } from '@/platform/screen/working';
import { useReview, useReviewAsked } from './review-context';
import { ReviewTally } from './review-tally';

/** On a page. */
const AT_ONCE = 100;

export function KeptScreen() {
  const { of, review, setLoad } = useReview();
  const [from, setFrom] = useState(0);
  const question = useMemo(() => ({ ask: 'kept' as const, ...of, from, count: AT_ONCE }), [of, from]);
  const asked = useReviewAsked(question);
  const told = asked.answer;
  const number = (value: number): string => writeNumber(String(value));
  return (
    <>
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
        tabIndex={0}
        role="region"
        aria-label="What is kept"
      >
        <p className="max-w-[760px] text-base">
          The plan itself was never here. What is kept is below, all of it: what each resource is in the words
          of the price books, and the attributes that a rule read. What the plan marks as sensitive, and
          everything that no rule reads, is not in it.
        </p>
        <Trouble trouble={asked.trouble} again={asked.again} />
        {!told && !asked.trouble && <Working progress={null} words="Reading what is kept" />}
        {told && (
          <>
            <p className="mt-2 text-sm text-soft">
              {`${number(told.total)} resources, read from a ${told.form} with the map ${told.map}. Priced with ${told.pins.books.map(({ book, revision }) => `${book} r${revision}`).join(', ')}.`}{' '}
              <a className="text-brand underline" href={`/api/reviews/${of.id}`} download="review.json">
                Save it as a file
              </a>
            </p>
            <table className="mt-3 w-full max-w-[1100px] text-sm">
              <thead>
                <tr className="border-b border-ink text-left text-xs text-soft">
                  <th className="py-1 pr-3 font-normal">Resource</th>
                  <th className="py-1 pr-3 font-normal">Before</th>
                  <th className="py-1 pr-3 font-normal">After</th>
                  <th className="py-1 font-normal">Read of it</th>
                </tr>
              </thead>
              <tbody>
                {told.resources.map(({ address, before, after, read }) => (
                  <tr key={address} className="border-b border-line align-top">
                    <td className="max-w-[300px] py-1 pr-3 font-mono text-xs wrap-anywhere">{address}</td>
                    <td className="max-w-[240px] py-1 pr-3 break-words">{mappedSideWords(before)}</td>
                    <td className="max-w-[240px] py-1 pr-3 break-words">{mappedSideWords(after)}</td>
                    <td className="max-w-[260px] py-1 font-mono text-xs wrap-anywhere text-soft">
                      {read.map(({ path }) => path).join(', ') || '–'}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            {told.total > AT_ONCE && (
              <div className="mt-2 flex items-center gap-2 text-sm">
                <Button disabled={from === 0} onClick={() => setFrom(from - AT_ONCE)}>
                  Those before
                </Button>
                <span>{`${number(from + 1)} to ${number(Math.min(told.total, from + AT_ONCE))} of ${number(told.total)}`}</span>
                <Button disabled={from + AT_ONCE >= told.total} onClick={() => setFrom(from + AT_ONCE)}>
                  Those after
                </Button>
              </div>
            )}
          </>
        )}
        <LoadFile load={of.load} onTakeAway={() => setLoad(null)} />
        <FileText title="Limits beside the code" name="limits.yaml" text={review.limits} />
      </div>
      <ReviewTally />
    </>
  );
}

interface LoadFileProps {
  readonly load: string | null;
  readonly onTakeAway: () => void;
}

/** With what is missing as comments to fill in, on wish. */
function LoadFile({ load, onTakeAway }: LoadFileProps) {
  const { of, client } = useReview();
  const [trouble, setTrouble] = useState<string | null>(null);
  const draft = async (): Promise<void> => {
    if (!client) return;
    try {
      saveText(await client.ask({ ask: 'draft-load', ...of }), 'load.yaml', 'application/yaml');
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
  };
  return (
    <>
      <FileText title="Load profile" name="load.yaml" text={load} />
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => void draft()}>Save it with what is missing</Button>
        {load !== null && <Button onClick={onTakeAway}>Take it away</Button>}
      </div>
      {trouble && (
        <p role="alert" className="mt-1 text-sm text-ember-ink">
          {trouble}
        </p>
      )}
    </>
  );
}

interface FileTextProps {
  readonly title: string;
  readonly name: string;
  readonly text: string | null;
}

function FileText({ title, name, text }: FileTextProps) {
  return (
    <section aria-label={title} className="mt-6">
      <h2 className="text-base font-semibold">{title}</h2>
      {text === null ? (
        <p className="text-sm text-soft">There is none.</p>
      ) : (
        <>
          <pre
            tabIndex={0}
            className="mt-1 max-h-[320px] max-w-[900px] overflow-auto border border-line p-3 font-mono text-xs leading-[17px]"
          >
            {text}
          </pre>
          <Button tone="bare" onClick={() => saveText(text, name, 'application/yaml')}>
            {`Save ${name}`}
          </Button>
        </>
      )}
    </section>
  );
}
