/**
 * A flat table as a workbook. Groups and totals are live sums of their lines, differences live subtractions, each beside the
 * value that the core says; where a line has no amount, nothing is made up. What has to be known stands on a second sheet.
 */
import ExcelJs, { type Workbook, type Worksheet } from 'exceljs';
import { decimal } from '@/engine/base';
import type { FlatCell, FlatRow, FlatTable } from '@/platform/tables';
import {
  addProse,
  asSection,
  asTotal,
  heightOf,
  letterOf,
  moneyFormat,
  PLAIN_FORMAT,
  PROSE_WIDTH,
  setHead,
} from './sheet-style';

const PERCENT = '0.0 %';
const FIRST_WIDTH = 34;
const TEXT_WIDTH = 28;

export async function flatTableSheet(table: FlatTable, at: Date): Promise<Uint8Array> {
  const book = new ExcelJs.Workbook();
  book.created = at;
  book.modified = at;
  addFlatTable(book, table, 'Comparison');
  addToKnow(book, table, 'What to know');
  return new Uint8Array(await book.xlsx.writeBuffer());
}

/** The table on a sheet of its own. */
export function addFlatTable(book: Workbook, table: FlatTable, name: string): void {
  const { currency, head, rows, noSums = false } = table;
  const sheet = book.addWorksheet(name);
  const formats = head.map((_, column) => formatOf(rows, column, currency));
  setHead(
    sheet,
    head.map((text, column) => ({
      head: text,
      width: column === 0 ? FIRST_WIDTH : formats[column] ? 16 : TEXT_WIDTH,
      ...(formats[column] ? { format: formats[column] } : {}),
    })),
    1,
  );
  const first = sheet.rowCount + 1;
  const groups: number[] = [];
  let begun = first;
  for (const row of rows) {
    const number = sheet.rowCount + 1;
    sheet.addRow(row.cells.map(valueOf)).height = Math.max(...row.cells.map(heightOfCell));
    if (row.level === 'total' && noSums) asTotal(sheet, number);
    else if (row.level === 'group' && noSums) asSection(sheet, number);
    else if (row.level === 'group') {
      sums(sheet, row, number, (letter) => `SUM(${letter}${begun}:${letter}${number - 1})`);
      asSection(sheet, number);
      groups.push(number);
      begun = number + 1;
    }
  }
  live(sheet, table, first, groups);
}

/** What has to be known of the table. */
export function addToKnow(book: Workbook, { title, answer, notes }: FlatTable, name: string): void {
  const told = book.addWorksheet(name);
  told.getColumn(1).width = PROSE_WIDTH;
  for (const text of [title, answer]) addProse(told, text);
  told.getRow(1).font = { bold: true };
  for (const note of notes) {
    told.addRow([]);
    told.addRow([note.title]).font = { bold: true };
    for (const line of note.lines) addProse(told, line);
  }
}

/** Text wraps, and not every program measures rows on opening. */
const heightOfCell = (cell: FlatCell, column: number): number =>
  heightOf(typeof cell === 'string' ? cell : '', column === 0 ? FIRST_WIDTH : TEXT_WIDTH);

function valueOf(cell: FlatCell): string | number | null {
  if (typeof cell === 'string') return cell === '' ? null : cell;
  if ('number' in cell) return decimal(cell.number).toNumber();
  return decimal('money' in cell ? cell.money : cell.share).toNumber();
}

function formatOf(rows: readonly FlatRow[], column: number, currency: string): string | null {
  for (const { cells } of rows) {
    const cell = cells[column];
    if (typeof cell !== 'object') continue;
    if ('number' in cell) return PLAIN_FORMAT;
    return 'money' in cell ? moneyFormat(currency) : PERCENT;
  }
  return null;
}

/** Amounts of a row become sums; what stands there as text stays. */
function sums(sheet: Worksheet, { cells }: FlatRow, row: number, formula: (letter: string) => string): void {
  cells.forEach((cell, column) => {
    if (typeof cell === 'string' || !('money' in cell)) return;
    const letter = letterOf(column + 1);
    sheet.getCell(`${letter}${row}`).value = {
      formula: formula(letter),
      result: decimal(cell.money).toNumber(),
    };
  });
}

/** Differences against the first amount of their row, and the total as a sum of the groups. */
function live(sheet: Worksheet, { head, rows }: FlatTable, first: number, groups: readonly number[]): void {
  const base = letterOf(2);
  rows.forEach(({ cells, level }, index) => {
    const row = first + index;
    const isTotal = level === 'total' && index === rows.length - 1 && groups.length > 0;
    if (isTotal) {
      sums(sheet, { level, cells }, row, (letter) => groups.map((group) => `${letter}${group}`).join('+'));
      asTotal(sheet, row);
    }
    head.forEach((text, column) => {
      const [cell, amount, before] = [cells[column], cells[column - 1], cells[1]];
      const isChange = column > 1 && text === `${head[column - 1]} ±`;
      const all = [cell, amount, before].every((each) => typeof each === 'object' && 'money' in each);
      if (!isChange || !all || level === 'group' || isTotal) return;
      const result = decimal((cell as { money: string }).money).toNumber();
      sheet.getCell(`${letterOf(column + 1)}${row}`).value = {
        formula: `${letterOf(column)}${row}-${base}${row}`,
        result,
      };
    });
  });
}
