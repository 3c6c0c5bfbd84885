/** The price books a design is pinned to, and what a newer revision would change in it, line by line. */
'use client';
import { useState } from 'react';
import type { Design, Edit } from '@/core/design';
import { writeMoney } from '@/core/display';
import { Button } from '@/ui/button';
import type { PricingClient } from '@/workers/client';
import type { NewerAnswer } from '@/workers/protocol';
import type { ShelfBook } from '../shelf';
import { AmountChanges } from './amount-changes';

interface NewerBooksProps {
  readonly design: Design;
  readonly client: PricingClient | null;
  readonly shelf: readonly ShelfBook[];
  readonly apply: (edits: readonly Edit[]) => void;
}

export function NewerBooks({ design, client, shelf, apply }: NewerBooksProps) {
  const [effect, setEffect] = useState<{ book: string; revision: number; answer: NewerAnswer | null } | null>(
    null,
  );
  const newerPins = (book: ShelfBook): Design['books'] =>
    design.books.map((pin) => (pin.book === book.key ? { ...pin, revision: book.newest } : pin));
  const show = (book: ShelfBook): void => {
    const { key, newest } = book;
    setEffect({ book: key, revision: newest, answer: null });
    client?.ask({ ask: 'newer', design, books: newerPins(book) }).then(
      (answer) => setEffect({ book: key, revision: newest, answer }),
      () => setEffect(null),
    );
  };
  return (
    <ul className="text-sm">
      {design.books.map((pin) => {
        const book = shelf.find((each) => each.key === pin.book);
        const dated = book?.revisions.find((each) => each.number === pin.revision);
        const isBehind = book !== undefined && book.newest > pin.revision;
        const shown = effect?.book === pin.book && isBehind ? effect : null;
        return (
          <li key={pin.book} className="border-b border-line py-1">
            <div className="flex justify-between gap-2">
              <span>{book?.title ?? pin.book}</span>
              <span className="font-mono text-xs text-soft">
                r{pin.revision} · {dated?.effective ?? 'not here'}
              </span>
            </div>
            {isBehind && !shown && (
              <Button tone="bare" onClick={() => show(book)}>
                What would revision {book.newest} change?
              </Button>
            )}
            {shown && !shown.answer && (
              <p className="text-xs text-soft">Pricing with revision {shown.revision} …</p>
            )}
            {shown?.answer && (
              <Effect
                answer={shown.answer}
                design={design}
                onTake={() => {
                  apply([{ edit: 'pin-books', books: newerPins(book!) }]);
                  setEffect(null);
                }}
                onLeave={() => setEffect(null)}
              />
            )}
          </li>
        );
      })}
    </ul>
  );
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
