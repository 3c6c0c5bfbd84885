/**
 * The printed amounts of a design: rounded to the currency's minor digits so that rows add up to their section and
 * sections to the total, to the cent. Every screen and every export prints these. Source: "Numbers"; needs K15, K16.
 */
import type { Decimal } from '../base';
import { halfAwayFromZero, minorDigits, roundRows } from '../money';
import type { PricedDesign } from './priced';

export interface PrintedDesign {
  readonly total: Decimal;
  readonly sections: ReadonlyMap<string, Decimal>;
  readonly components: ReadonlyMap<string, Decimal>;
}

export function printedAmounts(priced: PricedDesign): PrintedDesign {
  const digits = minorDigits(priced.currency);
  const total = halfAwayFromZero(priced.monthly.value, digits);
  const bySection = roundRows(
    priced.sections.map((section) => section.monthly.value),
    digits,
    total,
  );
  const sections = new Map<string, Decimal>();
  const components = new Map<string, Decimal>();
  priced.sections.forEach((section, index) => {
    sections.set(section.id, bySection[index]!);
    const rows = section.lines.flatMap((line) => (line.status === 'priced' ? [line] : []));
    const rounded = roundRows(
      rows.map((row) => row.monthly.value),
      digits,
      bySection[index],
    );
    rows.forEach((row, at) => components.set(row.id, rounded[at]!));
  });
  return { total, sections, components };
}
