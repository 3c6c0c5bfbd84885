/**
 * The printed amounts of a design: rounded to the currency's minor digits so that rows add up to their section and
 * sections to the total, to the cent. Every screen and every export prints these. Source: "Numbers"; needs K15, K16.
 */
import type { Decimal } from '../base';
import { halfAwayFromZero, minorDigits, roundRows } from '../money';
import type { PricedDesign, PricedSection } from './priced';

export interface PrintedDesign {
  readonly total: Decimal;
  readonly sections: ReadonlyMap<string, Decimal>;
  readonly components: ReadonlyMap<string, Decimal>;
}

/**
 * @example
 * printedAmounts(priceDesign(design, books, 'likely')).total.toString(); // => '146'
 */
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
    for (const [id, amount] of printedRows(section, digits, bySection[index]!)) components.set(id, amount);
  });
  return { total, sections, components };
}

interface PrintedRows {
  readonly total: Decimal;
  readonly rows: readonly (readonly [id: string, amount: Decimal])[];
}

/** Sections that pricing took over are the same objects, and so are their rows while they add up to the same. */
const kept = new WeakMap<PricedSection, PrintedRows>();

function printedRows(section: PricedSection, digits: number, total: Decimal): PrintedRows['rows'] {
  const known = kept.get(section);
  if (known?.total.equals(total)) return known.rows;
  const lines = section.lines.flatMap((line) => (line.status === 'priced' ? [line] : []));
  const rounded = roundRows(
    lines.map((line) => line.monthly.value),
    digits,
    total,
  );
  const rows = lines.map((line, at) => [line.id, rounded[at]!] as const);
  kept.set(section, { total, rows });
  return rows;
}
