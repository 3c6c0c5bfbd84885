/** The first sheet: what it costs, by section, category and kind; all of it follows the lines. */
import type { Worksheet } from 'exceljs';
import type { Labelled, Report } from '@/features/report/calc';
import type { LinesPlace } from './sheet-lines';
import { asSection, asTotal, moneyFormat } from '@/platform/files/sheet-style';

export function addSummary(sheet: Worksheet, report: Report, lines: LinesPlace): void {
  const { currency, total } = report;
  const format = moneyFormat(currency);
  sheet.getColumn(1).width = 44;
  sheet.getColumn(2).width = 20;
  sheet.getColumn(3).width = 60;
  sheet.getColumn(3).alignment = { wrapText: true, vertical: 'top' };
  sheet.addRow([report.title]).font = { bold: true, size: 16 };
  if (report.description) sheet.addRow([report.description]);
  if (report.validUntil) sheet.addRow([`Quotation, valid until ${report.validUntil}`]);
  sheet.addRow([]);
  head(sheet, 'A month', currency);
  const month = money(sheet, format, 'Likely', { formula: lines.totalCell, result: Number(total.monthly) });
  asTotal(sheet, month);
  money(sheet, format, 'Lean to heavy: low', Number(total.wick.low), 'as exported');
  money(sheet, format, 'Lean to heavy: high', Number(total.wick.high), 'as exported');
  if (total.list !== null) money(sheet, format, 'At list price', Number(total.list), 'as exported');
  if (total.gross !== null)
    money(sheet, format, 'With contingency and tax', Number(total.gross), 'as exported');
  money(sheet, format, 'Recurring', Number(total.recurring), 'as exported');
  money(sheet, format, 'Upfront', Number(total.upfront), 'as exported');
  money(
    sheet,
    format,
    'First 12 months, cash',
    Number(total.firstYear),
    'as exported; by month on the sheet Months',
  );
  if (total.unpriced > 0) sheet.addRow([`Incomplete: ${total.unpriced} not priced`]).font = { bold: true };
  sheet.addRow([]);
  head(sheet, 'By section', currency);
  for (const section of report.sections) {
    const cell = lines.sectionCells.get(section.id)!;
    money(sheet, format, section.name, { formula: cell, result: Number(section.amount) });
  }
  grouped(sheet, format, 'By service category', report.byCategory, lines.categoryRange, lines, currency);
  grouped(sheet, format, 'By kind', report.byKind, lines.kindRange, lines, currency);
  sheet.views = [{ showGridLines: false }];
}

function grouped(
  sheet: Worksheet,
  format: string,
  title: string,
  rows: readonly Labelled[],
  range: string,
  lines: LinesPlace,
  currency: string,
): void {
  sheet.addRow([]);
  head(sheet, title, currency);
  for (const { label, value } of rows) {
    const row = money(sheet, format, label, Number(value));
    sheet.getCell(`B${row}`).value = {
      formula: `SUMIF(${range},A${row},${lines.amountRange})`,
      result: Number(value),
    };
  }
}

function head(sheet: Worksheet, title: string, currency: string): void {
  const row = sheet.addRow([title, currency]).number;
  sheet.getCell(`B${row}`).alignment = { horizontal: 'right' };
  asSection(sheet, row);
}

type Value = number | { formula: string; result: number };

function money(sheet: Worksheet, format: string, label: string, value: Value, note = ''): number {
  const row = sheet.addRow([label, value, note]).number;
  sheet.getCell(`B${row}`).numFmt = format;
  return row;
}
