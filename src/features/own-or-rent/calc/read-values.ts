/** A study with its guesses read: as exact numbers, as figures that say which assumption they are, or from a list. */
import { decimal, type Decimal } from '@/engine/base';
import type { Figure } from '@/engine/trace';
import { filled, type Filled } from './assumptions';
import type { Guess, Study } from './model';

export type StudyCase = 'lean' | 'likely' | 'heavy';

export const guessIn = (guess: Guess, which: StudyCase): string => guess[which] ?? guess.likely;

export function decimalsOf(study: Study, which: StudyCase = 'likely'): Filled<Decimal> {
  return filled(study, (_id, _field, value) => decimal(guessIn(value, which)));
}

/** Leaves that know their assumption, so that a workbook can make them entry cells. */
export function figuresOf(study: Study, which: StudyCase = 'likely'): Filled<Figure> {
  return filled(study, (id, { label, unit }, value, of) => ({
    operation: 'given',
    label: of === '' ? label : `${of}: ${label.toLowerCase()}`,
    value: decimal(guessIn(value, which)),
    unit: unit.replace('money', study.currency),
    parts: [],
    input: { component: STUDY, entry: id },
  }));
}

/** What stands for the study where an entry names its component. */
export const STUDY = 'study';

/** Values that are set one by one, in the order of the assumptions, where thousands of them are tried. */
export class SetValues {
  readonly values: Filled<number>;
  private readonly places: (readonly [Record<string, number>, string])[] = [];

  constructor(study: Study) {
    let at = 0;
    this.values = filled(study, () => at++);
    this.find(this.values);
  }

  set(at: number, value: number): void {
    const [object, key] = this.places[at]!;
    object[key] = value;
  }

  /** Every number in it is its own place in the order. */
  private find(within: object): void {
    for (const [key, value] of Object.entries(within)) {
      if (typeof value === 'number') this.places[value] = [within as Record<string, number>, key];
      else if (value) this.find(value as object);
    }
  }
}
