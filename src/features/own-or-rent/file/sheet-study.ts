/**
 * A study as a workbook with live formulas: assumptions are entry cells, every amount of both sides is worked out from them
 * step by step, and the table of years adds those up. When hardware is bought, waves move and commitments begin is as it
 * stands in the study: that is said, and marked at the assumptions that would change it.
 */
import ExcelJs, { type Workbook } from 'exceljs';
import {
  assumptionName,
  type StudyReport,
  studyKindWords,
  studyUnit,
  studyYear,
} from '@/features/own-or-rent/words';
import {
  type ExplainedLine,
  explainedLines,
  type Study,
  type WorkedStudy,
} from '@/features/own-or-rent/calc';
import { minorDigits } from '@/engine/money';
import type { Figure } from '@/engine/trace';
import { addFlatTable, addToKnow } from '@/platform/files/sheet-flat-table';
import {
  addProse,
  asEntry,
  asSection,
  asTotal,
  letterOf,
  moneyFormat,
  PLAIN_FORMAT,
  PROSE_WIDTH,
  setHead,
} from '@/platform/files/sheet-style';
import { StudyWorkings, WORKINGS } from './sheet-study-steps';

interface StudySheets {
  readonly study: Study;
  readonly worked: WorkedStudy;
  readonly report: StudyReport;
}

const ASSUMPTIONS = 'Assumptions';
const MONTHS = 12;
/** Assumptions that say when something happens. */
const SHAPES = /^waves\/|\/(refresh|age|until|delay|term)$|^general\/preparation$/;
const FIXED = 'says when something happens: fixed in this file, change it in Wick Tally';

export async function studySheet({ study, worked, report }: StudySheets, at: Date): Promise<Uint8Array> {
  const book = new ExcelJs.Workbook();
  book.created = at;
  book.modified = at;
  // What the file computes by itself is computed when it is opened.
  book.calcProperties = { fullCalcOnLoad: true };
  const answer = book.addWorksheet('Answer');
  const sides = worked.answer.variants.length === 0 ? [] : [worked.answer.own, worked.answer.rent];
  const totals: string[] = [];
  if (sides.length > 0) {
    const years = sides.map((_, side) => book.addWorksheet(`Years ${side + 1}`));
    const entries = addAssumptions(book, study, worked);
    const workings = book.addWorksheet(WORKINGS);
    setHead(workings, [
      { head: 'Step', width: 44 },
      { head: 'Value', width: 20, format: PLAIN_FORMAT },
      { head: 'Unit', width: 16 },
    ]);
    const written = new StudyWorkings(workings, entries);
    sides.forEach((id, side) => totals.push(addYears(years[side]!, study, worked, id, written)));
  } else addAssumptions(book, study, worked);
  addAnswer(answer, report, worked, totals);
  for (const table of report.tables.filter(({ title }) =>
    /^(Variants|What it hangs|Which side|The move)/.test(title),
  ))
    addFlatTable(book, { ...table, noSums: true }, table.title.slice(0, 31));
  const [first] = report.tables;
  if (first)
    addToKnow(
      book,
      { ...first, notes: [{ title: 'What to know', lines: [...report.lead, NOTE] }] },
      'What to know',
    );
  return new Uint8Array(await book.xlsx.writeBuffer());
}

const NOTE =
  'Prices, counts, shares and trends may be changed in the sheet “Assumptions”; both tables of years follow. When hardware is bought, waves move and commitments begin is fixed in this file.';

/** Where each assumption is entered. */
function addAssumptions(
  book: Workbook,
  { currency }: Study,
  { assumptions }: WorkedStudy,
): Map<string, string> {
  const sheet = book.addWorksheet(ASSUMPTIONS);
  setHead(
    sheet,
    [
      { head: 'Assumption', width: 46 },
      { head: 'Likely', width: 14, format: PLAIN_FORMAT },
      { head: 'Unit', width: 18 },
      { head: 'Lean', width: 12, format: PLAIN_FORMAT },
      { head: 'Heavy', width: 12, format: PLAIN_FORMAT },
      { head: 'Where such a number comes from', width: 60 },
      { head: 'Note', width: 40 },
    ],
    1,
  );
  const entries = new Map<string, string>();
  for (const assumption of assumptions) {
    const { id, field, value } = assumption;
    const isFixed = SHAPES.test(id);
    const end = (text: string | undefined): number | null => (text === undefined ? null : Number(text));
    sheet.addRow([
      assumptionName(assumption),
      Number(value.likely),
      studyUnit(field.unit, currency),
      end(value.lean),
      end(value.heavy),
      field.source,
      isFixed ? FIXED : null,
    ]);
    const row = sheet.rowCount;
    if (!isFixed) asEntry(sheet, `B${row}`);
    entries.set(id, `${ASSUMPTIONS}!$B$${row}`);
  }
  return entries;
}

/** One side, its lines by kind and year; gives the cell of its total. */
function addYears(
  sheet: ExcelJs.Worksheet,
  study: Study,
  { answer }: WorkedStudy,
  id: string,
  workings: StudyWorkings,
): string {
  const { currency, years, start, basis } = study;
  const variant = study.variants.find((each) => each.id === id)!;
  const printed = answer.variants.find((each) => each.id === id)!.table;
  const explained = new Map(explainedLines(study, variant).map((line) => [line.id, line]));
  setHead(
    sheet,
    [
      { head: variant.name, width: 40 },
      ...Array.from({ length: years }, (_, year) => ({
        head: studyYear(start, year),
        width: 16,
        format: moneyFormat(currency),
      })),
      { head: 'In all', width: 18, format: moneyFormat(currency) },
    ],
    1,
  );
  const groups: number[] = [];
  const last = letterOf(years + 1);
  const put = (row: number, column: number, formula: string, result: number): void => {
    sheet.getCell(row, column).value = formula === '' ? 0 : { formula, result };
  };
  for (const { kind, lines, years: sums, total } of printed.kinds) {
    const begun = sheet.rowCount + 1;
    for (const line of lines) {
      const row = sheet.addRow([line.name]).number;
      const found = explained.get(line.id)!;
      line.years.forEach((amount, year) => {
        const cells =
          kind === 'worth'
            ? worthOf(found, year === years - 1)
            : found[basis].slice(year * MONTHS, (year + 1) * MONTHS);
        const felt = cells.filter((figure): figure is Figure => figure !== undefined);
        const formula = felt.map((figure) => workings.cell(figure)).join('+');
        put(row, year + 2, kind === 'worth' && formula !== '' ? `-${formula}` : formula, Number(amount));
      });
      put(row, years + 2, `SUM(B${row}:${last}${row})`, Number(line.total));
    }
    const row = sheet.addRow([studyKindWords(kind)]).number;
    [...sums, total].forEach((amount, at) => {
      const letter = letterOf(at + 2);
      put(row, at + 2, `SUM(${letter}${begun}:${letter}${row - 1})`, Number(amount));
    });
    asSection(sheet, row);
    groups.push(row);
  }
  const row = sheet.addRow(['All of it']).number;
  [...printed.years, printed.total].forEach((amount, at) => {
    const letter = letterOf(at + 2);
    put(row, at + 2, groups.map((group) => `${letter}${group}`).join('+'), Number(amount));
  });
  asTotal(sheet, row);
  return `'${sheet.name}'!$${letterOf(years + 2)}$${row}`;
}

const worthOf = ({ worth }: ExplainedLine, isLast: boolean): readonly (Figure | undefined)[] =>
  isLast && worth ? [worth] : [];

/** The sentence, both totals and the difference, live. */
function addAnswer(
  sheet: ExcelJs.Worksheet,
  { title, lead, currency }: StudyReport,
  { answer }: WorkedStudy,
  totals: readonly string[],
): void {
  sheet.getColumn(1).width = PROSE_WIDTH;
  sheet.getColumn(2).width = 20;
  sheet.pageSetup = { orientation: 'landscape', fitToPage: true, fitToWidth: 1, fitToHeight: 0 };
  sheet.addRow([title]).font = { bold: true, size: 14 };
  for (const text of lead) addProse(sheet, text);
  sheet.addRow([]);
  if (totals.length < 2 || answer.more === null) return;
  const digits = minorDigits(currency);
  const name = (id: string): string => answer.variants.find((each) => each.id === id)?.name ?? id;
  const total = (id: string): number =>
    Number(answer.variants.find((each) => each.id === id)?.table.total ?? 0);
  const own = sheet.addRow([
    `${name(answer.own)}, ${currency}`,
    { formula: totals[0]!, result: total(answer.own) },
  ]);
  const rent = sheet.addRow([
    `${name(answer.rent)}, ${currency}`,
    { formula: totals[1]!, result: total(answer.rent) },
  ]);
  const more = sheet.addRow([
    'Renting costs more by',
    // That of the printed totals, as everywhere.
    {
      formula: `ROUND(B${rent.number},${digits})-ROUND(B${own.number},${digits})`,
      result: Number(answer.more),
    },
  ]);
  for (const row of [own, rent, more]) row.getCell(2).numFmt = moneyFormat(currency);
  if (answer.share === null) return;
  const share = sheet.addRow([
    'As a share of owning',
    { formula: `B${more.number}/ABS(B${own.number})`, result: Number(answer.share) },
  ]);
  share.getCell(2).numFmt = '0.0 %';
  asTotal(sheet, more.number);
}
