/** Flat tables as workbooks: amounts are numbers, names stay text, and every row is as high as what stands in it. */
import ExcelJs from 'exceljs';
import { describe, expect, it } from 'vitest';
import type { FlatTable } from '@/platform/tables';
import { flatTableSheet } from './sheet-flat-table';

const LONG = 'Commitment of the servers that draw the tiles of the map, month by month, =1+1';
const TABLE: FlatTable = {
  title: 'A bill',
  answer: 'Over.',
  currency: 'USD',
  head: ['Line', 'Measured', 'Billed'],
  rows: [
    { level: 'group', cells: ['=Tiles', '', { money: '12.5' }] },
    { level: 'line', cells: [LONG, '3 hours', { money: '12.5' }] },
    { level: 'line', cells: ['Short', '', { money: '0' }] },
    { level: 'total', cells: ['Whole bill', '', { money: '12.5' }] },
  ],
  notes: [{ title: 'What explains it', lines: ['The storm.'] }],
};

async function sheetOf(table: FlatTable) {
  const book = new ExcelJs.Workbook();
  await book.xlsx.load((await flatTableSheet(table, new Date('2026-11-25T12:00:00Z'))).buffer as ArrayBuffer);
  return { sheet: book.getWorksheet('Comparison')!, told: book.getWorksheet('What to know')! };
}

describe('a flat table whose groups are no sums', () => {
  it('has its amounts as they are, its total marked, and its notes beside it', async () => {
    const { sheet, told } = await sheetOf({ ...TABLE, noSums: true });
    const cells = [2, 3, 4, 5].map((row) => sheet.getRow(row).getCell(3).value);
    expect(cells).toEqual([12.5, 12.5, 0, 12.5]);
    expect([2, 3, 5].map((row) => sheet.getRow(row).font?.bold ?? false)).toEqual([true, false, true]);
    expect(sheet.getCell('A2').value).toBe('=Tiles');
    expect(told.getColumn(1).values).toContain('The storm.');
  });

  it('has rows as high as their longest text', async () => {
    const { sheet } = await sheetOf({ ...TABLE, noSums: true });
    expect([3, 4].map((row) => sheet.getRow(row).height)).toEqual([45, 15]);
  });
});

describe('a flat table whose groups stand below their lines', () => {
  it('adds up by itself', async () => {
    const rows = [TABLE.rows[1]!, TABLE.rows[2]!, TABLE.rows[0]!, TABLE.rows[3]!];
    const { sheet } = await sheetOf({ ...TABLE, rows });
    expect(sheet.getCell('C4').value).toMatchObject({ formula: 'SUM(C2:C3)', result: 12.5 });
    expect(sheet.getCell('C5').value).toMatchObject({ formula: 'C4', result: 12.5 });
  });
});
