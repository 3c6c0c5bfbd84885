/** A priced design as a flat table: one row a component, the printed amounts, a total row that they add up to. */
import { stringify } from 'csv-stringify/sync';
import type { Component, Design } from '@/engine/design';
import { kindOf } from '@/engine/books';
import { Decimal } from '@/engine/base';
import { describeTerm } from '@/engine/terms';
import { describeUse } from '@/features/design/words';
import { sentenceFor } from '@/platform/words';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';
import type { DesignSummary, LineSummary } from '@/engine/summary';

const COLUMNS = [
  'Section',
  'Component',
  'Kind',
  'ServiceCategory',
  'Provider book',
  'Book revision',
  'RegionId',
  'SkuId',
  'Offer',
  'Count',
  'Use of each',
  'Paid',
  'BillingCurrency',
  'Monthly',
  'Lean monthly',
  'Heavy monthly',
  'Upfront',
  'List monthly',
  'Resale monthly',
  'Note',
] as const;

/** Text that a spreadsheet would take for a formula is defused. Amounts: printed digits, plain point. */
export function designCsv(design: Design, summary: DesignSummary): string {
  const lines = summary.sections.flatMap((section) => section.lines);
  const money = {
    lean: column(lines, (line) => line.lean, summary.lean, summary.currency),
    heavy: column(lines, (line) => line.heavy, summary.heavy, summary.currency),
    upfront: column(lines, (line) => line.upfront, summary.upfront, summary.currency),
    list: column(lines, (line) => line.list, summary.list, summary.currency),
    resale: column(lines, (line) => line.resale, summary.resale, summary.currency),
  };
  const rows = design.sections.flatMap((section, at) =>
    section.components.map((component, index) => {
      const line = summary.sections[at]!.lines[index]!;
      return row(design, section.name, component, line, summary.currency, {
        lean: money.lean.rows.get(line.id) ?? '',
        heavy: money.heavy.rows.get(line.id) ?? '',
        upfront: money.upfront.rows.get(line.id) ?? '',
        list: money.list.rows.get(line.id) ?? '',
        resale: money.resale.rows.get(line.id) ?? '',
      });
    }),
  );
  const cells: Partial<Record<(typeof COLUMNS)[number], string>> = {
    Section: summary.unpriced > 0 ? `Total (incomplete: ${summary.unpriced} not priced)` : 'Total',
    BillingCurrency: summary.currency,
    Monthly: new Decimal(summary.printed).toFixed(minorDigits(summary.currency)),
    'Lean monthly': money.lean.total,
    'Heavy monthly': money.heavy.total,
    Upfront: money.upfront.total,
    'List monthly': money.list.total,
    'Resale monthly': money.resale.total,
  };
  const total = COLUMNS.map((each) => cells[each] ?? '');
  return stringify([[...COLUMNS], ...rows, total], { escape_formulas: true, record_delimiter: 'windows' });
}

/** A money column whose printed rows add up to its printed total. */
function column(
  lines: readonly LineSummary[],
  read: (line: LineSummary) => string | null,
  total: string,
  currency: string,
) {
  const digits = minorDigits(currency);
  const priced = lines.flatMap((line) => {
    const value = read(line);
    return value === null ? [] : [{ id: line.id, value: new Decimal(value) }];
  });
  const printedTotal = halfAwayFromZero(new Decimal(total), digits);
  const rounded = roundRows(
    priced.map((each) => each.value),
    digits,
    printedTotal,
  );
  const rows = new Map(priced.map((each, index) => [each.id, rounded[index]!.toFixed(digits)]));
  return { rows, total: printedTotal.toFixed(digits) };
}

function row(
  design: Design,
  section: string,
  component: Component,
  line: LineSummary,
  currency: string,
  money: Readonly<Record<'lean' | 'heavy' | 'upfront' | 'list' | 'resale', string>>,
): string[] {
  const kind = kindOf(component.kind);
  const pin = design.books.find((each) => each.book === component.place?.book);
  const notes = [...line.issues, ...line.notices].map(sentenceFor).join(' ');
  return [
    section,
    component.name,
    kind.label,
    kind.serviceCategory,
    component.place?.book ?? '',
    pin ? String(pin.revision) : '',
    component.place?.region ?? '',
    line.offer?.sku ?? '',
    line.offer?.name ?? '',
    component.count.likely,
    describeUse(component),
    describeTerm(component.term),
    currency,
    line.printed === null ? 'not priced' : new Decimal(line.printed).toFixed(minorDigits(currency)),
    money.lean,
    money.heavy,
    money.upfront,
    money.list,
    money.resale,
    notes,
  ];
}
