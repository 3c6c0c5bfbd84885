/** Use that no plan knows, said here and saved into the load profile of the review, comments kept. */
'use client';
import { useState } from 'react';
import type { MissingUse, ReviewLine } from '@/features/review/calc';
import { withUse } from '@/features/review/format/review/load-file';
import { readLoadProfile } from '@/features/review/format/review/load-schema';
import { Button } from '@/platform/ui/button';
import { INPUT } from '@/platform/ui/field';
import { readSaidUse } from '../said-use';
import { useReview } from '../review-context';

interface SayUseProps {
  readonly address: string;
  readonly line: ReviewLine;
  readonly currency: string;
}

export function SayUse({ address, line, currency }: SayUseProps) {
  const { of, setLoad } = useReview();
  const say = (use: MissingUse, text: string): string | null => {
    const read = readSaidUse(text, use.unit);
    if (!read.ok) return read.message;
    const { part } = line;
    const next = withUse(of.load ?? '', { address, part, meter: use.meter, ...read.value });
    const checked = readLoadProfile(next);
    if (!checked.ok) return checked.faults[0]?.message ?? 'This cannot be taken.';
    setLoad(next);
    return null;
  };
  return (
    <section aria-label="Missing use" className="mt-4">
      <h3 className="text-sm font-semibold">How much is it used?</h3>
      <p className="text-xs text-soft">
        No plan knows. Say it for one of them, where there are several; it goes into the load profile, which
        can be saved beside the code.
      </p>
      {line.missing.map((use) => (
        <UseEntry key={use.meter} use={use} currency={currency} onSay={(text) => say(use, text)} />
      ))}
    </section>
  );
}

interface UseEntryProps {
  readonly use: MissingUse;
  readonly currency: string;
  readonly onSay: (text: string) => string | null;
}

function UseEntry({ use, currency, onSay }: UseEntryProps) {
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const { label, unit, price, needed } = use;
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        setFault(onSay(text));
      }}
    >
      <label className="block text-xs text-soft">
        {`${label}${needed ? '' : ', none unless said'}${price === null ? '' : `; ${price} ${currency} a ${unit}`}`}
        <span className="mt-0.5 flex items-center gap-2">
          <input
            value={text}
            onChange={(event) => {
              setText(event.target.value);
              setFault(null);
            }}
            placeholder={`a month, ${unit}; or lean..heavy`}
            aria-invalid={fault ? true : undefined}
            autoComplete="off"
            className={INPUT}
          />
          <Button type="submit" disabled={text.trim() === ''}>
            Say it
          </Button>
        </span>
      </label>
      {fault && (
        <p role="alert" className="mt-0.5 text-xs text-ember-ink">
          {fault}
        </p>
      )}
    </form>
  );
}
