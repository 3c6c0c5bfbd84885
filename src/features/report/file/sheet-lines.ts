/** The lines of a design: entries that may be changed, amounts that follow. Rows add up to sections and total. */
import type { Workbook } from 'exceljs';
import { decimal, type Decimal } from '@/engine/base';
import type { Kind } from '@/engine/books';
import type { Component } from '@/engine/design';
import { minorDigits } from '@/engine/money';
import type { Workings } from '@/engine/program';
import type { Report, ReportLine } from '@/features/report/calc';
import {
  asEntry,
  asSection,
  asTotal,
  type Column,
  letterOf,
  moneyFormat,
  PLAIN_FORMAT,
  setHead,
} from '@/platform/files/sheet-style';

export interface LinesPlan {
  readonly report: Report;
  readonly components: ReadonlyMap<string, Component>;
  readonly workings: Workings | null;
  readonly live: ReadonlySet<string>;
  /** By component: `usage/` and its main meter, where that is one amount. */
  readonly mains: ReadonlyMap<string, string>;
  readonly meterOf: (kind: Kind) => string;
}

export interface LinesPlace {
  /** Cells of the entries that may be changed, by component and entry. */
  readonly entries: ReadonlyMap<string, string>;
  readonly totalCell: string;
  readonly sectionCells: ReadonlyMap<string, string>;
  readonly categoryRange: string;
  readonly kindRange: string;
  readonly amountRange: string;
}

export const LINES = 'Lines';
export const WORKINGS = 'Workings';
/** Column of the values on the sheet of workings, and the row of its first step. */
export const WORKING_VALUE = 'D';
export const FIRST_WORKING = 2;

export function entryKey(component: string, entry: string): string {
  return `${component}\n${entry}`;
}

function columnsOf({ report, workings }: LinesPlan): Column[] {
  const money = moneyFormat(report.currency);
  const all: (Column | false)[] = [
    { head: 'Line', width: 34 },
    { head: 'Kind', width: 20 },
    { head: 'Category', width: 20 },
    { head: 'Provider', width: 14 },
    { head: 'Region', width: 14 },
    { head: 'Offer', width: 20 },
    { head: 'Count', width: 9, format: PLAIN_FORMAT },
    { head: 'Main quantity, each', width: 14, format: PLAIN_FORMAT },
    { head: 'Unit', width: 14 },
    { head: 'Use', width: 30 },
    { head: 'Paid', width: 22 },
    { head: `Month, ${report.currency}`, width: 16, format: money },
    workings !== null && { head: 'Rounding', width: 10, format: money },
    { head: 'Low end', width: 14, format: money },
    { head: 'High end', width: 14, format: money },
    { head: 'Upfront', width: 14, format: money },
    { head: 'Note', width: 50 },
  ];
  return all.filter((column) => column !== false);
}

export function addLines(book: Workbook, plan: LinesPlan): LinesPlace {
  const { report, workings } = plan;
  const sheet = book.addWorksheet(LINES);
  const columns = columnsOf(plan);
  setHead(sheet, columns, 1);
  const at = (head: string): string => letterOf(columns.findIndex((column) => column.head === head) + 1);
  const amount = at(`Month, ${report.currency}`);
  const digits = minorDigits(report.currency);
  const entries = new Map<string, string>();
  const sectionCells = new Map<string, string>();
  const sums: string[] = [];
  for (const section of report.sections) {
    const head = sheet.addRow([section.name]).number;
    sums.push(`${amount}${head}`);
    sectionCells.set(section.id, `${LINES}!${amount}${head}`);
    for (const line of section.lines) {
      const row = sheet.addRow(valuesOf(line, columns, plan)).number;
      if (line.amount === null) continue;
      const cell = sheet.getCell(`${amount}${row}`);
      const root = workings?.roots.get(line.id);
      const printed = Number(line.amount);
      if (workings && root !== undefined) {
        const exact = workings.rows[root]!.value;
        const rounding = roundingOf(exact, line.amount, digits);
        sheet.getCell(`${at('Rounding')}${row}`).value = rounding;
        const source = `${WORKINGS}!${WORKING_VALUE}${root + FIRST_WORKING}`;
        cell.value = { formula: `ROUND(${source},${digits})+${at('Rounding')}${row}`, result: printed };
      } else cell.value = printed;
      if (!plan.live.has(line.id)) continue;
      const main = plan.mains.get(line.id);
      const places = [['count', 'Count'] as const, ...(main ? [[main, 'Main quantity, each'] as const] : [])];
      for (const [entry, column] of places) {
        const address = `${at(column)}${row}`;
        entries.set(entryKey(line.id, entry), `${LINES}!${address}`);
        asEntry(sheet, address);
      }
    }
    const last = sheet.rowCount;
    const result = Number(section.amount);
    const formula = last > head ? `SUM(${amount}${head + 1}:${amount}${last})` : '0';
    sheet.getCell(`${amount}${head}`).value = { formula, result };
    asSection(sheet, head);
  }
  const incomplete = report.total.unpriced > 0 ? ` (incomplete: ${report.total.unpriced} not priced)` : '';
  const total = sheet.addRow([`Total${incomplete}`]).number;
  sheet.getCell(`${amount}${total}`).value = {
    formula: sums.join('+') || '0',
    result: Number(report.total.monthly),
  };
  asTotal(sheet, total);
  const range = (column: string): string => `${LINES}!$${column}$2:$${column}$${total - 1}`;
  return {
    entries,
    totalCell: `${LINES}!${amount}${total}`,
    sectionCells,
    categoryRange: range(at('Category')),
    kindRange: range(at('Kind')),
    amountRange: range(amount),
  };
}

/** What makes the printed rows add up to the printed total: nothing, or one minor unit. */
function roundingOf(exact: Decimal, printed: string, digits: number): number {
  return decimal(printed).minus(exact.toDecimalPlaces(digits)).toNumber();
}

function valuesOf(line: ReportLine, columns: readonly Column[], plan: LinesPlan): (string | number | null)[] {
  const component = plan.components.get(line.id);
  const entry = component?.usage[plan.mains.get(line.id)?.replace('usage/', '') ?? ''];
  const fixed =
    plan.workings && line.amount !== null && !plan.live.has(line.id)
      ? ['Count and quantity are fixed here: this line is worked out hour by hour. Change it in the design.']
      : [];
  const values: Readonly<Record<string, string | number | null>> = {
    Line: line.name,
    Kind: line.kind,
    Category: line.category,
    Provider: line.provider,
    Region: line.region,
    Offer: line.offer,
    Count: Number(line.count),
    'Main quantity, each': entry ? Number(entry.amount.likely) : null,
    Unit: entry ? entry.unit : '',
    Use: line.use,
    Paid: line.paid,
    'Low end': line.wick && Number(line.wick.low),
    'High end': line.wick && Number(line.wick.high),
    Upfront: line.upfront && Number(line.upfront),
    Note: [line.why === null ? '' : `Not priced: ${line.why}`, ...fixed, ...line.notices]
      .filter(Boolean)
      .join(' '),
  };
  return columns.map((column) => values[column.head] ?? null);
}
