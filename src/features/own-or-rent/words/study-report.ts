/** A study for whoever has to decide: the sentence, both sides, every variant, what it hangs on, and every assumption. */
import type {
  Assumption,
  BreakEven,
  Leaning,
  Study,
  StudyAnswer,
  StudyDraws,
  StudySwing,
} from '@/features/own-or-rent/calc';
import type { Drawing } from '@/platform/tables';
import type { FlatTable } from '@/platform/tables';
import { paidDrawing } from './study-drawing';
import { quartersTable } from './study-quarters';
import { paybackSentence, studySentence, turnsSentence } from './study-sentence';
import {
  hangsTable,
  leaningsTable,
  sidesTable,
  studyAssumptionsTable,
  troubleLines,
  variantsTable,
  variantYearsTable,
  wavesTable,
} from './study-tables';

export interface StudyReportAsked {
  readonly study: Study;
  readonly answer: StudyAnswer;
  readonly assumptions: readonly Assumption[];
  /** Null: it could not be calculated. */
  readonly hangs: {
    readonly swings: readonly StudySwing[];
    readonly turns: readonly BreakEven[];
    readonly leanings: readonly Leaning[];
  } | null;
  readonly draws: StudyDraws | null;
}

export interface StudyReport {
  readonly title: string;
  readonly currency: string;
  readonly lead: readonly string[];
  readonly drawing: Drawing | null;
  readonly tables: readonly FlatTable[];
}

/** So many assumptions stand in the report's list of what it hangs on. */
const MOST_SWINGS = 20;

/**
 * @example
 * const study = newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' });
 * studyReport({ study, answer: studyAnswer(study), assumptions: assumptionsOf(study), hangs: null, draws: null }).title; // => 'Quay'
 */
export function studyReport({ study, answer, assumptions, hangs, draws }: StudyReportAsked): StudyReport {
  const { currency, title } = study;
  const sides = [answer.own, answer.rent].flatMap(
    (id) => answer.variants.find((each) => each.id === id) ?? [],
  );
  const isDone = answer.more !== null;
  return {
    title,
    currency,
    lead: [
      studySentence(answer, draws),
      ...(isDone && hangs ? [turnsSentence(hangs.turns, assumptions, currency)] : []),
      ...(isDone ? [paybackSentence(answer)] : []),
      ...troubleLines(answer.troubles),
      countedText(study),
      `From: ${study.origin}.`,
    ],
    drawing: isDone ? paidDrawing(answer, draws) : null,
    tables: [
      ...(isDone
        ? [
            sidesTable(answer),
            quartersTable(answer),
            ...sides.map((side) => variantYearsTable(answer, side)),
            variantsTable(answer),
          ]
        : []),
      ...(hangs
        ? [
            hangsTable({ ...hangs, swings: hangs.swings.slice(0, MOST_SWINGS) }, assumptions, currency),
            leaningsTable(hangs.leanings, assumptions, currency),
          ]
        : []),
      wavesTable(study),
      studyAssumptionsTable(assumptions, currency),
    ],
  };
}

const TAX_WORDS: Readonly<Record<Study['tax'], string>> = {
  none: 'without tax',
  cash: 'with tax relieved by what is paid',
  spread: 'with tax relieved by what is written off',
};

/** How it counts, in one sentence. */
function countedText({ basis, tax, sunk, worthLeft, years, start }: Study): string {
  const parts = [
    basis === 'cash' ? 'money when it leaves' : 'purchases spread over their life',
    TAX_WORDS[tax],
    sunk ? 'with what is left to write off of what stands there' : 'without what is spent in any case',
    worthLeft ? 'less what things are worth at the end' : 'with nothing for what things are worth at the end',
  ];
  return `Counted over ${years} years from ${start}: ${parts.join(', ')}.`;
}
