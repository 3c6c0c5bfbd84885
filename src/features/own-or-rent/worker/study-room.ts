/** What the study worker does with a question; without a page, so that it can be tried anywhere. */
import {
  breakEvenOf,
  explainAmount,
  FastStudy,
  leaningsOf,
  MOST_TURNS,
  type Study,
  studyAnswer,
  StudySimulation,
  studyMap,
  studyTroubles,
  swingsOfStudy,
} from '@/features/own-or-rent/calc';
import { toPlain } from '@/engine/trace';
import { type LongWork, pause } from '@/platform/workers/long-work';
import type { HangsAnswer, StudyAnswers, StudyQuestion } from './study-protocol';

/** Milliseconds of drawing between two looks up. */
const SLICE = 40;
/** Squares of a map in each direction. */
const MAP_STEPS = 15;

/** Answers that took long are kept for the next view that asks the same: so many. */
const MOST_KEPT = 6;

/** The swings of one study are asked for again with its map: they are found once. */
export class StudyRoom {
  private last: { readonly text: string; readonly fast: FastStudy } | null = null;
  private readonly kept = new Map<string, HangsAnswer | StudyAnswers['draws']>();

  async answer(question: StudyQuestion, work: LongWork): Promise<StudyAnswers[StudyQuestion['ask']]> {
    const { study } = question;
    if (question.ask === 'answer') return studyAnswer(study, 'pair');
    if (question.ask === 'whole') return studyAnswer(study);
    if (studyTroubles(study).some(({ stops }) => stops)) return null;
    switch (question.ask) {
      case 'hangs':
        return this.once(question, () => this.hangs(this.fast(study), work));
      case 'map': {
        const fast = this.fast(study);
        const place = (id: string): number => fast.assumptions.findIndex((each) => each.id === id);
        const [across, down] = [place(question.across), place(question.down)];
        return across < 0 || down < 0 || across === down ? null : studyMap(fast, across, down, MAP_STEPS);
      }
      case 'draws':
        return this.once(question, () => this.draws(study, question.seed, question.draws, work));
      case 'explain': {
        const figure = explainAmount(study, question.wanted);
        return figure && toPlain(figure);
      }
    }
  }

  /** The same question has the same answer: it is worked out once. What is called off is not kept. */
  private async once<A extends HangsAnswer | StudyAnswers['draws']>(
    question: StudyQuestion,
    work: () => Promise<A>,
  ): Promise<A> {
    const key = JSON.stringify(question);
    const known = this.kept.get(key) as A | undefined;
    if (known !== undefined) return known;
    const made = await work();
    this.kept.set(key, made);
    const [oldest] = this.kept.keys();
    if (this.kept.size > MOST_KEPT && oldest !== undefined) this.kept.delete(oldest);
    return made;
  }

  private fast(study: Study): FastStudy {
    const text = JSON.stringify(study);
    if (this.last?.text !== text) this.last = { text, fast: new FastStudy(study) };
    return this.last.fast;
  }

  private async hangs(fast: FastStudy, work: LongWork): Promise<HangsAnswer> {
    const swings = swingsOfStudy(fast);
    const leanings = leaningsOf(fast);
    const turns: HangsAnswer['turns'][number][] = [];
    for (const { id } of swings.slice(0, MOST_TURNS)) {
      await pause(work);
      const turn = breakEvenOf(
        fast,
        fast.assumptions.findIndex((each) => each.id === id),
      );
      if (turn) turns.push(turn);
    }
    return { swings, turns, leanings };
  }

  private async draws(
    study: Study,
    seed: string,
    draws: number,
    work: LongWork,
  ): Promise<StudyAnswers['draws']> {
    // Of its own: other questions are asked in between.
    const simulation = new StudySimulation(new FastStudy(study), seed, draws);
    while (!simulation.isDone) {
      const end = performance.now() + SLICE;
      const done = simulation.advance(draws, () => performance.now() > end);
      work.told(done, draws, 'Drawing');
      await pause(work);
    }
    return simulation.answer();
  }
}
