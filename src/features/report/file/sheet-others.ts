/** Ways of paying, months, assumptions and prices: what stands behind the lines. */
import type { Workbook } from 'exceljs';
import type { Report, ReportMonth } from '@/features/report/calc';
import { asSection, moneyFormat, PLAIN_FORMAT, setHead } from '@/platform/files/sheet-style';

export function addPaying(book: Workbook, report: Report): void {
  if (report.paying.length === 0) return;
  const sheet = book.addWorksheet('Ways of paying');
  const ways = [...new Set(report.paying.flatMap((line) => line.ways.map((way) => way.paid)))];
  const format = moneyFormat(report.currency);
  setHead(sheet, [{ head: 'Line', width: 36 }, ...ways.map((head) => ({ head, width: 18, format }))], 1);
  for (const line of report.paying) {
    const cells = ways.map((paid) => {
      const way = line.ways.find((each) => each.paid === paid);
      return way?.monthly ? Number(way.monthly) : 'not sold';
    });
    sheet.addRow([line.name, ...cells]);
  }
}

export function addMonths(book: Workbook, report: Report): void {
  const sheet = book.addWorksheet('Months');
  const format = moneyFormat(report.currency);
  setHead(sheet, [
    { head: 'Month', width: 18 },
    { head: `As it compares, ${report.currency}`, width: 24, format },
    { head: `Cash, ${report.currency}`, width: 20, format },
  ]);
  const rowOf = (month: ReportMonth): (string | number)[] => [
    month.label,
    Number(month.compares),
    Number(month.cash),
  ];
  const firstRow = sheet.rowCount + 1;
  for (const month of report.months) sheet.addRow(rowOf(month));
  const sums = (title: string, rows: readonly ReportMonth[], size: number): void => {
    sheet.addRow([]);
    asSection(sheet, sheet.addRow([title]).number);
    rows.forEach((row, index) => {
      const from = firstRow + index * size;
      const to = Math.min(from + size, firstRow + report.months.length) - 1;
      const sum = (column: string, result: string) => ({
        formula: `SUM(${column}${from}:${column}${to})`,
        result: Number(result),
      });
      sheet.addRow([row.label, sum('B', row.compares), sum('C', row.cash)]);
    });
  };
  sums('Quarters', report.quarters, 3);
  sums('Years', report.years, 12);
}

export function addAssumptions(book: Workbook, report: Report): void {
  const sheet = book.addWorksheet('Assumptions');
  setHead(sheet, [
    { head: 'What', width: 40 },
    { head: 'As it is assumed', width: 90 },
  ]);
  const block = (title: string, rows: readonly { label: string; value: string }[]): void => {
    if (rows.length === 0) return;
    asSection(sheet, sheet.addRow([title]).number);
    for (const { label, value } of rows) sheet.addRow([label, value]);
    sheet.addRow([]);
  };
  block('Assumptions', report.assumptions);
  block('Agreements', report.agreements);
  block('Not in the total, or not wanted', report.exclusions);
  block(
    'Price books',
    report.books.map(({ title, revision, effective, currency, source }) => ({
      label: `${title}, revision ${revision}`,
      value: `prices of ${effective} in ${currency}; ${source}`,
    })),
  );
  for (const section of report.sections) {
    for (const line of section.lines) {
      block(`${section.name}: ${line.name}`, line.settings);
    }
  }
}

export function addRates(book: Workbook, report: Report): void {
  if (report.rates.length === 0) return;
  const sheet = book.addWorksheet('Prices used');
  setHead(sheet, [
    { head: 'Price book', width: 24 },
    { head: 'Revision', width: 10, format: '0' },
    { head: 'Prices of', width: 12 },
    { head: 'SKU', width: 30 },
    { head: 'Region', width: 14 },
    { head: 'Price', width: 30 },
    { head: 'Amount', width: 16, format: PLAIN_FORMAT },
    { head: 'Unit', width: 28 },
  ]);
  for (const { book: title, revision, effective, sku, region, label, price, unit } of report.rates) {
    sheet.addRow([title, revision, effective, sku, region, label, Number(price), unit]);
  }
}
