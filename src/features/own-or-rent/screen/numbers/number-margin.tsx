/** About one assumption: its three cases, where such a number comes from, which side it favours, and what it does. */
'use client';
import { useMemo } from 'react';
import {
  assumptionName,
  leaningWords,
  studyValue,
  swingWords,
  turnWords,
} from '@/features/own-or-rent/words';
import { writeNumber } from '@/platform/words';
import { type Assumption, type Guess, withGuess } from '@/features/own-or-rent/calc';
import { Button } from '@/platform/ui/button';
import { TextEntry } from '@/platform/ui/text-entry';
import { useStudy, useStudyAsked } from '../study-context';
import { hasUsual, readGuess, unitOf } from './number-rows';

interface NumberMarginProps {
  readonly assumption: Assumption;
  readonly trouble: string | null;
  /** One of several in a margin: without what it does. */
  readonly isShort?: boolean;
}

const CASES = ['lean', 'likely', 'heavy'] as const;

export function NumberMargin({ assumption, trouble, isShort = false }: NumberMarginProps) {
  const { study, change, preview } = useStudy();
  const { id, field, value } = assumption;
  const { currency } = study;
  const put = (guess: Guess): void => change(withGuess(study, id, guess));
  const withCase = (which: (typeof CASES)[number], text: string): { guess: Guess } | { refused: string } => {
    if (text.trim() === '' && which !== 'likely') {
      const { [which]: _, ...rest } = value;
      return { guess: rest as Guess };
    }
    const read = readGuess(text, { likely: value.likely }, assumption);
    if ('refused' in read) return read;
    // Three at once may be typed where one is asked for.
    if (read.guess.lean !== undefined || read.guess.heavy !== undefined) return read;
    const next = { ...value, [which]: read.guess.likely };
    const [lean, likely, heavy] = [next.lean ?? next.likely, next.likely, next.heavy ?? next.likely].map(
      Number,
    );
    return lean! <= likely! && likely! <= heavy!
      ? { guess: next }
      : { refused: 'Lean, likely and heavy have to rise.' };
  };
  return (
    <div className="space-y-3">
      <h2 className={`pr-8 font-semibold break-words ${isShort ? 'text-sm' : 'text-base'}`}>
        {isShort ? field.label : assumptionName(assumption)}
      </h2>
      {trouble && (
        <p role="alert" className="text-sm text-ember-ink">
          {trouble}
        </p>
      )}
      <div className="grid grid-cols-3 gap-2">
        {CASES.map((which) => (
          <TextEntry
            key={which}
            label={which.charAt(0).toUpperCase() + which.slice(1)}
            text={value[which] === undefined ? '' : writeNumber(value[which])}
            placeholder={which === 'likely' ? '' : writeNumber(value.likely)}
            preview={(text) => {
              const read = withCase(which, text);
              if ('refused' in read) return read.refused;
              preview(withGuess(study, id, read.guess));
              return null;
            }}
            commit={(text) => {
              const read = withCase(which, text);
              if ('guess' in read) put(read.guess);
            }}
            cancel={() => preview(null)}
          />
        ))}
      </div>
      <p className="text-sm text-soft">
        {unitOf(assumption, study) && `In ${unitOf(assumption, study)}. `}
        {`From ${writeNumber(field.least)} to ${writeNumber(field.most)}${hasUsual(assumption) ? `; usually ${writeNumber(field.default)}` : ''}.`}
      </p>
      <p className="text-sm">
        <span className="block text-xs text-soft">Where such a number comes from</span>
        {field.source}
      </p>
      {!isShort && <WhatItDoes assumption={assumption} />}
      {value.likely !== field.default && !isShort && hasUsual(assumption) && (
        <Button onClick={() => put({ likely: field.default })}>
          Back to {studyValue(field.default, field.unit, currency)}
        </Button>
      )}
    </div>
  );
}

/** Its swing, its turn and its leaning, once the worker has them. */
function WhatItDoes({ assumption }: { readonly assumption: Assumption }) {
  const { study } = useStudy();
  const question = useMemo(() => ({ ask: 'hangs' as const, study }), [study]);
  const { answer } = useStudyAsked(question);
  const swing = answer?.swings.find(({ id }) => id === assumption.id);
  const turn = answer?.turns.find(({ id }) => id === assumption.id);
  const leaning = answer?.leanings.find(({ id }) => id === assumption.id);
  const { currency } = study;
  return (
    <div className="space-y-1 border-t border-line pt-2 text-sm" aria-live="polite">
      <p className="text-xs text-soft">What it does</p>
      {!answer && <p className="text-soft">Working it out …</p>}
      {answer && !swing && <p>It does not change the answer.</p>}
      {swing && <p>{swingWords(swing, assumption, currency)}</p>}
      {turn && <p>The answer turns where {turnWords(turn, assumption, currency)}.</p>}
      {leaning && (
        <p>
          As it is, it {leaningWords(leaning, currency)}; at{' '}
          {studyValue(leaning.neutral, assumption.field.unit, currency)} it would favour nobody.
        </p>
      )}
    </div>
  );
}
