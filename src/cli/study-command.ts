/** `wick own-or-rent`: a study's answer, both sides, its variants, what it hangs on, and every assumption. */
import {
  type FlatTable,
  hangsTable,
  paybackSentence,
  sidesTable,
  studyReport,
  studySentence,
  troubleLines,
  turnsSentence,
  variantsTable,
} from '@/core/display';
import {
  type BreakEven,
  breakEvenOf,
  FastStudy,
  leaningsOf,
  type Study,
  STUDY_DRAWS,
  studyAnswer,
  StudySimulation,
  swingsOfStudy,
} from '@/core/own-or-rent';
import { readStudy } from '@/formats/study-schema';
import { invalid } from '@/operations';
import { orRefuse, readText } from './files';
import type { Call } from './options';
import { writeTable } from './table-output';

const INCOMPLETE = 3;
const MOST_DRAWS = 100_000;
/** Of so many of the widest swings the turn is looked for. */
const MOST_TURNS = 24;

/** 0 if everything is in the sum; 3 if it is incomplete, or cannot be calculated. */
export async function studyCommand(call: Call): Promise<number> {
  const [file] = call.given;
  const study = orRefuse(readStudy(readText(file!)), file!);
  const answer = studyAnswer(study);
  const troubles = troubleLines(answer.troubles);
  if (answer.more === null) throw invalid(`This study cannot be calculated. ${troubles.join(' ')}`);
  const fast = new FastStudy(study);
  const swings = swingsOfStudy(fast);
  const turns = swings.slice(0, MOST_TURNS).flatMap(({ id }): BreakEven[] => {
    const turn = breakEvenOf(
      fast,
      fast.assumptions.findIndex((each) => each.id === id),
    );
    return turn ? [turn] : [];
  });
  const simulation = new StudySimulation(fast, call.one('seed') ?? STUDY_DRAWS.seed, drawsOf(call));
  simulation.advance(simulation.draws);
  const draws = simulation.answer();
  const hangs = { swings, turns, leanings: leaningsOf(fast) };
  const { assumptions } = fast;
  const lead = [
    studySentence(answer, draws),
    turnsSentence(turns, assumptions, study.currency),
    paybackSentence(answer),
    ...troubles,
  ];
  const table = tableOf(call, study, { answer, hangs, assumptions, draws });
  await writeTable(
    call,
    { ...table, answer: lead.join(' ') },
    { ...answer, ...hangs, draws, sentence: lead[0] },
  );
  return troubles.length > 0 ? INCOMPLETE : 0;
}

type Told = Omit<Parameters<typeof studyReport>[0], 'study'>;

/** The whole report has many tables: `--table` says which; both sides unless said. */
function tableOf(call: Call, study: Study, told: Told): FlatTable {
  const wanted = call.one('table') ?? 'sides';
  const { answer, hangs, assumptions } = told;
  if (wanted === 'sides') return sidesTable(answer);
  if (wanted === 'variants') return variantsTable(answer);
  if (wanted === 'hangs-on' && hangs) return hangsTable(hangs, assumptions, study.currency);
  if (wanted === 'years' || wanted === 'assumptions' || wanted === 'move') {
    const { tables } = studyReport({ study, ...told });
    const title = { years: 'year by year', assumptions: 'Assumptions', move: 'The move' }[wanted];
    const found = tables.filter((table) => table.title.endsWith(title));
    // The rented side's years: the owned side's stand in `--table sides`.
    if (found.length > 0) return found.at(-1)!;
  }
  throw invalid('--table takes sides, years, variants, hangs-on, move or assumptions.');
}

function drawsOf(call: Call): number {
  const text = call.one('draws');
  if (text === undefined) return STUDY_DRAWS.draws;
  const draws = Number(text);
  if (Number.isInteger(draws) && draws >= 1 && draws <= MOST_DRAWS) return draws;
  throw invalid(`--draws takes a whole number up to ${MOST_DRAWS}.`);
}
