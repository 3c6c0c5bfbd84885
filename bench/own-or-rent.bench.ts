/**
 * Owning against renting: a keystroke, every assumption alone, ten thousand draws. Baseline of all is the plain loop of the
 * same run: the exact calculation, once for each value that is tried.
 */
import {
  assumptionsOf,
  breakEvenOf,
  FastStudy,
  outcomesOf,
  studyAnswer,
  StudySimulation,
  swingsOfStudy,
  withGuess,
} from '@/features/own-or-rent/calc';
import { quayStudy } from '../tests/support/studies';
import { type BenchRow, measure, printRows } from './measure';

const study = ['general/growth', 'general/tariff', 'general/hoursOwned', 'hardware/hosts/refresh'].reduce(
  (all, id) => {
    const likely = assumptionsOf(all).find((each) => each.id === id)!.value.likely;
    const end = (times: number): string => String(Math.round(Number(likely) * times * 100) / 100);
    return withGuess(all, id, { likely, lean: end(0.8), heavy: end(1.3) });
  },
  quayStudy(),
);
const pair = { ...study, variants: study.variants.filter(({ id }) => study.against.includes(id)) };
const fast = new FastStudy(study);
const count = fast.assumptions.length;
const DRAWS = 10_000;

const WARM = 3;
const plain = measure(10, WARM, () => void outcomesOf(pair));
const loop = (times: number): BenchRow['baseline'] => ({
  what: `exactly, ${times} times`,
  measured: { median: plain.median * times, p95: plain.p95 * times },
});

printRows('Own or rent', [
  {
    what: `keystroke: ${study.variants.length} variants, ${count} assumptions, ${study.years} years, printed`,
    measured: measure(20, WARM, () => void studyAnswer(study, 'pair')),
    baseline: loop(1),
    aim: '50 ms',
  },
  {
    what: 'one try in doubles',
    measured: measure(500, 200, () => void fast.run(fast.likely)),
    baseline: loop(1),
    aim: '',
  },
  {
    what: `all ${count} assumptions alone, two ends each`,
    measured: measure(5, 1, () => void swingsOfStudy(fast)),
    baseline: loop(2 * count),
    aim: '300 ms',
  },
  {
    what: 'where one assumption turns it',
    measured: measure(5, 1, () => void breakEvenOf(fast, 0)),
    baseline: loop(64),
    aim: '',
  },
  {
    what: `${DRAWS} draws`,
    measured: measure(2, 0, () => {
      const simulation = new StudySimulation(fast, 'bench', DRAWS);
      simulation.advance(DRAWS);
      simulation.answer();
    }),
    baseline: loop(DRAWS),
    aim: '2 s',
  },
]);
