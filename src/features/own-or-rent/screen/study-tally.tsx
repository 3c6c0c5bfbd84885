/** The tally of a study: both sides, the difference, the same today, what is missing. */
'use client';
import { useEffect, useRef, useState } from 'react';
import { Amount } from '@/platform/ui/amount';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { useStudy } from './study-context';

/** How long a change of the difference is shown. */
const SHOWN = 4000;

export function StudyTally() {
  const { study, answer } = useStudy();
  const told = answer.answer;
  const more = told?.more ?? null;
  const changed = useChange(more);
  const total = (id: string): string | null =>
    told?.variants.find((each) => each.id === id)?.table.total ?? null;
  const [own, rent] = [told && total(told.own), told && total(told.rent)];
  const { currency } = study;
  return (
    <TallyLine
      aside={`${currency} over ${study.years} years, ${study.basis === 'cash' ? 'as cash' : 'purchases spread'}, without VAT`}
    >
      <TallyFigure label="Owning">{own ? <Amount value={own} currency={currency} /> : '…'}</TallyFigure>
      <TallyFigure label="Renting">{rent ? <Amount value={rent} currency={currency} /> : '…'}</TallyFigure>
      <TallyFigure label="Renting costs more by">
        <span data-testid="study-more" className={sideOf(more)}>
          {more === null ? 'incomplete' : <Amount value={more} currency={currency} signed />}
        </span>
        {changed && (
          <span className="ml-2 text-xs font-normal text-soft" data-testid="study-changed">
            <Amount value={changed} currency={currency} signed />
          </span>
        )}
      </TallyFigure>
      {told?.moreToday != null && (
        <TallyFigure label="The same, worth today">
          <Amount value={told.moreToday} currency={currency} signed />
        </TallyFigure>
      )}
      {told && told.troubles.length > 0 && (
        <TallyFigure label="To be repaired">
          <span className="text-ember-ink">{told.troubles.length}</span>
        </TallyFigure>
      )}
    </TallyLine>
  );
}

const sideOf = (more: string | null): string =>
  more === null
    ? 'text-ember-ink'
    : Number(more) > 0
      ? 'text-ember-ink'
      : Number(more) < 0
        ? 'text-tide'
        : '';

/** By how much it changed, for a few seconds. */
function useChange(value: string | null): string | null {
  const before = useRef(value);
  const [change, setChange] = useState<string | null>(null);
  useEffect(() => {
    const was = before.current;
    before.current = value;
    if (was === null || value === null || was === value) return;
    setChange((Math.round((Number(value) - Number(was)) * 100) / 100).toString());
    const timer = setTimeout(() => setChange(null), SHOWN);
    return () => clearTimeout(timer);
  }, [value]);
  return change;
}
