/** Every step of every amount as a row with its formula; prices and entries are cells of their own. */
import type { Workbook } from 'exceljs';
import { DRIVERS } from '@/engine/drivers';
import type { Workings } from '@/engine/program';
import { formulaOf } from '@/platform/files/sheet-formulas';
import { entryKey, FIRST_WORKING, type LinesPlan, WORKING_VALUE, WORKINGS } from './sheet-lines';
import { PLAIN_FORMAT, setHead } from '@/platform/files/sheet-style';

const COLUMNS = [
  { head: 'Line', width: 28 },
  { head: 'Step', width: 44 },
  { head: 'How', width: 12 },
  { head: 'Value', width: 20, format: PLAIN_FORMAT },
  { head: 'Unit', width: 18 },
  { head: 'Read from', width: 46 },
  { head: 'Note', width: 40 },
];

const HOW = {
  given: 'entered',
  rate: 'price',
  sum: 'added',
  difference: 'less',
  product: 'multiplied',
  quotient: 'divided',
  least: 'the less',
  greatest: 'the more',
  ceiling: 'rounded up',
  band: 'its band',
  within: 'if in band',
  same: 'as above',
} as const;

/** `entries`: cells of what may be changed. */
export function addWorkings(
  book: Workbook,
  workings: Workings,
  plan: LinesPlan,
  entries: ReadonlyMap<string, string>,
): void {
  const sheet = book.addWorksheet(WORKINGS);
  setHead(sheet, COLUMNS, 2);
  const cell = (row: number): string => `${WORKING_VALUE}${row + FIRST_WORKING}`;
  for (const row of workings.rows) {
    const entry =
      row.input && (plan.live.has(row.input.component) || row.input.component === DRIVERS) ? row.input : null;
    const source = entry ? entries.get(entryKey(entry.component, entry.entry)) : undefined;
    const formula = source ?? formulaOf(row, cell);
    const result = row.value.toNumber();
    const label = `${'  '.repeat(Math.min(row.depth, 8))}${row.label}`;
    const value = formula === null ? result : { formula, result };
    sheet.addRow([row.line, label, HOW[row.operation], value, row.unit, row.from, row.note]);
  }
}
