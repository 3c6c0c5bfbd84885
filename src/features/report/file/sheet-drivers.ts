/** Drivers as entries of their own: a changed one goes through everything that follows it to the total. */
import type { Workbook } from 'exceljs';
import { DRIVERS, type Driver } from '@/engine/drivers';
import { entryKey } from './sheet-lines';
import { asEntry, PLAIN_FORMAT, setHead } from '@/platform/files/sheet-style';

const SHEET = 'Drivers';

/** Cells of the drivers that the formulas follow, by component and entry as the workings name them. */
export function addDrivers(
  book: Workbook,
  drivers: readonly Driver[],
  live: ReadonlySet<string>,
): ReadonlyMap<string, string> {
  const entries = new Map<string, string>();
  if (drivers.length === 0) return entries;
  const sheet = book.addWorksheet(SHEET);
  setHead(sheet, [
    { head: 'Driver', width: 34 },
    { head: 'Likely', width: 16, format: PLAIN_FORMAT },
    { head: 'Unit', width: 16 },
    { head: 'Lean', width: 16, format: PLAIN_FORMAT },
    { head: 'Heavy', width: 16, format: PLAIN_FORMAT },
    { head: 'In formulas', width: 18 },
    { head: 'Note', width: 60 },
  ]);
  for (const { name, title, unit, value } of drivers) {
    const { likely, lean, heavy } = value;
    const note = live.has(name)
      ? ''
      : 'Fixed here: not every step behind it can follow. Change it in the design.';
    const numbers = [lean ?? likely, heavy ?? likely].map(Number);
    const row = sheet.addRow([title, Number(likely), unit, ...numbers, name, note]).number;
    if (!live.has(name)) continue;
    entries.set(entryKey(DRIVERS, name), `${SHEET}!B${row}`);
    asEntry(sheet, `B${row}`);
  }
  return entries;
}
