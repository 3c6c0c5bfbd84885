/** Heads, number formats and widths, the same on every sheet. */
import type { Worksheet } from 'exceljs';
import { minorDigits } from '@/engine/money';

export interface Column {
  readonly head: string;
  readonly width: number;
  readonly format?: string;
}

export function moneyFormat(currency: string): string {
  const digits = minorDigits(currency);
  return digits === 0 ? '#,##0' : `#,##0.${'0'.repeat(digits)}`;
}

/** Unit prices and quantities with the digits they have. */
export const PLAIN_FORMAT = '#,##0.##########';

const INK = { argb: 'FF17211D' };
const HAIRLINE = { argb: 'FFD9E0DA' };

/** A head row that stays in sight, with an ink line under it. */
export function setHead(sheet: Worksheet, columns: readonly Column[], frozenColumns = 0): void {
  columns.forEach(({ width, format }, index) => {
    const column = sheet.getColumn(index + 1);
    column.width = width;
    if (format) column.numFmt = format;
    column.alignment = { vertical: 'top', wrapText: !format };
  });
  const row = sheet.addRow(columns.map((column) => column.head));
  row.font = { bold: true };
  row.eachCell((cell, index) => {
    cell.numFmt = '@';
    cell.border = { bottom: { style: 'thin', color: INK } };
    cell.alignment = { horizontal: columns[index - 1]?.format ? 'right' : 'left', wrapText: true };
  });
  sheet.views = [{ state: 'frozen', ySplit: sheet.rowCount, xSplit: frozenColumns }];
  sheet.pageSetup = { orientation: 'landscape', fitToPage: true, fitToWidth: 1, fitToHeight: 0 };
  sheet.pageSetup.printTitlesRow = `${sheet.rowCount}:${sheet.rowCount}`;
}

export function asSection(sheet: Worksheet, row: number): void {
  sheet.getRow(row).font = { bold: true };
  sheet.getRow(row).eachCell((cell) => (cell.border = { bottom: { style: 'thin', color: HAIRLINE } }));
}

/** An ink line above and a double line below, as in books. */
export function asTotal(sheet: Worksheet, row: number): void {
  sheet.getRow(row).font = { bold: true };
  sheet
    .getRow(row)
    .eachCell(
      (cell) =>
        (cell.border = { top: { style: 'thin', color: INK }, bottom: { style: 'double', color: INK } }),
    );
}

/** Cells that may be changed. */
export function asEntry(sheet: Worksheet, address: string): void {
  sheet.getCell(address).fill = { type: 'pattern', pattern: 'solid', fgColor: { argb: 'FFE3EFEA' } };
}

export function letterOf(column: number): string {
  return String.fromCharCode(64 + column);
}

/** Characters of a line of prose. */
export const PROSE_WIDTH = 110;
/** Points of one line of text. */
const LINE = 15;

/** A row of prose in a column of that width: as high as it is long, also where nothing measures it on opening. */
export function addProse(sheet: Worksheet, text: string): void {
  const row = sheet.addRow([text]);
  row.getCell(1).alignment = { wrapText: true, vertical: 'top' };
  row.height = heightOf(text, PROSE_WIDTH);
}

/** Points of a text in a column of that width. */
export const heightOf = (text: string, width: number): number =>
  LINE * Math.max(1, Math.ceil(text.length / width));
