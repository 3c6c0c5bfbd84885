/** The contract between the page and its study worker: every question carries the study. Draws tell how far they are. */
import type {
  BreakEven,
  Leaning,
  Study,
  StudyAnswer,
  StudyDraws,
  StudyMap,
  StudySwing,
  Wanted,
} from '@/features/own-or-rent/calc';
import type { PlainFigure } from '@/engine/trace';

interface OfStudy {
  readonly study: Study;
}

export type StudyQuestion =
  /** Of the two variants that are held against one another; `whole`: of all of them. */
  | ({ readonly ask: 'answer' } & OfStudy)
  | ({ readonly ask: 'whole' } & OfStudy)
  | ({ readonly ask: 'hangs' } & OfStudy)
  | ({ readonly ask: 'map'; readonly across: string; readonly down: string } & OfStudy)
  | ({ readonly ask: 'draws'; readonly draws: number; readonly seed: string } & OfStudy)
  | ({ readonly ask: 'explain'; readonly wanted: Wanted } & OfStudy);

export interface HangsAnswer {
  readonly swings: readonly StudySwing[];
  /** Of the widest swings; those that turn it. */
  readonly turns: readonly BreakEven[];
  readonly leanings: readonly Leaning[];
}

export interface StudyAnswers {
  answer: StudyAnswer;
  whole: StudyAnswer;
  /** Null: it cannot be calculated. */
  hangs: HangsAnswer | null;
  map: StudyMap | null;
  draws: StudyDraws | null;
  explain: PlainFigure | null;
}
