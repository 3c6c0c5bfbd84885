/** A study worked out whole, for whoever hands it on: the answer, what it hangs on, its range. The same wherever it is asked. */
import { type StudyAnswer, studyAnswer } from './answer';
import type { Assumption } from './assumptions';
import { assumptionsOf } from './assumptions';
import { STUDY_DRAWS, type StudyDraws, StudySimulation } from './draws';
import { FastStudy } from './fast-study';
import {
  type BreakEven,
  breakEvenOf,
  type Leaning,
  leaningsOf,
  type StudySwing,
  swingsOfStudy,
} from './hangs';
import type { Study } from './model';

/** Of so many of the widest swings the turn is looked for. */
export const MOST_TURNS = 24;

export interface WorkedStudy {
  readonly answer: StudyAnswer;
  readonly assumptions: readonly Assumption[];
  /** Null: it cannot be calculated. */
  readonly hangs: {
    readonly swings: readonly StudySwing[];
    readonly turns: readonly BreakEven[];
    readonly leanings: readonly Leaning[];
  } | null;
  readonly draws: StudyDraws | null;
}

/**
 * @example
 * workedStudy(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }), { draws: 10, seed: 'x' }).draws?.done; // => 10
 */
export function workedStudy(
  study: Study,
  how: { readonly draws: number; readonly seed: string } = STUDY_DRAWS,
): WorkedStudy {
  const answer = studyAnswer(study);
  if (answer.more === null) return { answer, assumptions: assumptionsOf(study), hangs: null, draws: null };
  const fast = new FastStudy(study);
  const swings = swingsOfStudy(fast);
  const place = new Map(fast.assumptions.map(({ id }, at) => [id, at]));
  const turns = swings.slice(0, MOST_TURNS).flatMap(({ id }) => breakEvenOf(fast, place.get(id)!) ?? []);
  const simulation = new StudySimulation(fast, how.seed, how.draws);
  simulation.advance(how.draws);
  return {
    answer,
    assumptions: fast.assumptions,
    hangs: { swings, turns, leanings: leaningsOf(fast) },
    draws: simulation.answer(),
  };
}
