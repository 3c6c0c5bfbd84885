/** `wick own-or-rent`: a study's answer, both sides, its variants, what it hangs on, and every assumption. */
import { type FlatTable } from '@/platform/tables';
import {
  hangsTable,
  paybackSentence,
  sidesTable,
  studyReport,
  studySentence,
  troubleLines,
  turnsSentence,
  variantsTable,
} from '@/features/own-or-rent/words';
import { type Study, STUDY_DRAWS, type WorkedStudy, workedStudy } from '@/features/own-or-rent/calc';
import { readStudy } from '@/features/own-or-rent/format/study-schema';
import { invalid } from '@/platform/use/app-error';
import { orRefuse, readText } from './files';
import type { Call } from './options';
import { writeTable } from './table-output';

const INCOMPLETE = 3;
const MOST_DRAWS = 100_000;

/** 0 if everything is in the sum; 3 if it is incomplete, or cannot be calculated. */
export async function studyCommand(call: Call): Promise<number> {
  const [file] = call.given;
  const study = orRefuse(readStudy(readText(file!)), file!);
  const worked = workedStudy(study, { draws: drawsOf(call), seed: call.one('seed') ?? STUDY_DRAWS.seed });
  const { answer, assumptions, hangs, draws } = worked;
  const troubles = troubleLines(answer.troubles);
  if (!hangs || !draws) throw invalid(`This study cannot be calculated. ${troubles.join(' ')}`);
  const lead = [
    studySentence(answer, draws),
    turnsSentence(hangs.turns, assumptions, study.currency),
    paybackSentence(answer),
    ...troubles,
  ];
  const table = tableOf(call, study, worked);
  await writeTable(
    call,
    { ...table, answer: lead.join(' ') },
    { ...answer, ...hangs, draws, sentence: lead[0] },
  );
  return troubles.length > 0 ? INCOMPLETE : 0;
}

/** The whole report has many tables: `--table` says which; both sides unless said. */
function tableOf(call: Call, study: Study, told: WorkedStudy): FlatTable {
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
