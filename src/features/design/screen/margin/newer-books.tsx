/** The price books a design is pinned to, and what a newer revision would change in it, line by line. */
'use client';
import { useMemo, useState } from 'react';
import type { Design, Edit } from '@/engine/design';
import { writeMoney } from '@/platform/words';
import { Button } from '@/platform/ui/button';
import type { PricingClient } from '@/features/design/worker/client';
import type { NewerAnswer } from '@/features/design/worker/protocol';
import type { BookInfo } from '../book-list';
import { useAsked } from '../use-asked';
import { AmountChanges } from './amount-changes';

interface NewerBooksProps {
  readonly design: Design;
  readonly client: PricingClient | null;
  readonly bookList: readonly BookInfo[];
  readonly apply: (edits: readonly Edit[]) => void;
}

export function NewerBooks({ design, client, bookList, apply }: NewerBooksProps) {
  const [asked, setAsked] = useState<{ readonly book: string; readonly revision: number } | null>(null);
  const question = useMemo(
    () => asked && { ask: 'newer' as const, design, books: pinnedTo(design, asked.book, asked.revision) },
    [asked, design],
  );
  const { now: answer, trouble } = useAsked(client, question, 0);
  return (
    <ul className="text-sm">
      {design.books.map((pin) => {
        const book = bookList.find((each) => each.key === pin.book);
        const dated = book?.revisions.find((each) => each.number === pin.revision);
        const isBehind = book !== undefined && book.newest > pin.revision;
        const shown = asked?.book === pin.book && isBehind && !trouble ? asked : null;
        return (
          <li key={pin.book} className="border-b border-line py-1">
            <div className="flex justify-between gap-2">
              <span>{book?.title ?? pin.book}</span>
              <span className="font-mono text-xs text-soft">
                r{pin.revision} · {dated?.effective ?? 'not here'}
              </span>
            </div>
            {isBehind && !shown && (
              <Button tone="bare" onClick={() => setAsked({ book: book.key, revision: book.newest })}>
                What would revision {book.newest} change?
              </Button>
            )}
            {shown && !answer && (
              <p className="text-xs text-soft">Pricing with revision {shown.revision} …</p>
            )}
            {shown && answer && (
              <Effect
                answer={answer}
                design={design}
                onTake={() => {
                  apply([{ edit: 'pin-books', books: pinnedTo(design, pin.book, shown.revision) }]);
                  setAsked(null);
                }}
                onLeave={() => setAsked(null)}
              />
            )}
          </li>
        );
      })}
    </ul>
  );
}

function pinnedTo({ books }: Design, book: string, revision: number): Design['books'] {
  return books.map((pin) => (pin.book === book ? { ...pin, revision } : pin));
}

interface EffectProps {
  readonly answer: NewerAnswer;
  readonly design: Design;
  readonly onTake: () => void;
  readonly onLeave: () => void;
}

function Effect({ answer, design, onTake, onLeave }: EffectProps) {
  const { currency } = design;
  return (
    <div className="my-1 rounded border border-edge px-2.5 py-2">
      <p className="font-medium">
        {answer.rows.length === 0
          ? 'Nothing in this design would change.'
          : `${writeMoney(answer.before, currency)} would become ${writeMoney(answer.after, currency)} ${currency} a month`}
      </p>
      <AmountChanges rows={answer.rows} design={design} />
      <div className="mt-2 flex gap-2">
        <Button tone="strong" onClick={onTake}>
          Take it on
        </Button>
        <Button onClick={onLeave}>Stay</Button>
      </div>
    </div>
  );
}
