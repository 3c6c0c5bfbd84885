/** Sections and totals of a design from its lines. */
import { addAll, type Decimal, decimal, ONE } from '../base';
import type { Design, Section } from '../design';
import { type Figure, given, product, relabel, sum } from '../trace';
import type { Case } from '../usage';
import type { PricedComponent, PricedDesign, PricedLine, PricedSection } from './priced';

/** A section with what its totals add up from. */
export interface SectionTotals {
  readonly section: PricedSection;
  readonly list: Decimal;
  readonly resale: Decimal;
  readonly recurring: Decimal;
  readonly upfront: Decimal;
  readonly unpriced: number;
}

/** `lines` in the order of the section's components. */
export function sectionTotals(
  section: Section,
  lines: readonly PricedLine[],
  currency: string,
): SectionTotals {
  const named = lines.flatMap((line, index) =>
    line.status === 'priced' ? [relabel(line.monthly, section.components[index]!.name)] : [],
  );
  const priced = lines.filter((line): line is PricedComponent => line.status === 'priced');
  const monthly = sum(section.name, currency, named);
  // Mostly the very same value stands in several columns; it is added up once.
  const add = (read: (line: PricedComponent) => Decimal): Decimal =>
    priced.every((line) => read(line) === line.monthly.value) ? monthly.value : addNonZero(priced.map(read));
  return {
    section: { id: section.id, name: section.name, lines, monthly },
    list: add((line) => line.list.value),
    resale: add((line) => line.resale.value),
    recurring: add((line) => line.recurring),
    upfront: add((line) => line.upfront),
    unpriced: lines.length - priced.length,
  };
}

/** Many a line has nothing in a column, and adding nothing costs as much as adding something. */
function addNonZero(values: readonly Decimal[]): Decimal {
  return addAll(values.filter((value) => !value.isZero()));
}

/** Added in the design's order, so that the same design adds up the same way to the last digit. */
export function totalsOf(design: Design, sections: readonly SectionTotals[], which: Case): PricedDesign {
  const add = (read: (section: SectionTotals) => Decimal): Decimal => addAll(sections.map(read));
  const recurring = add((each) => each.recurring);
  const upfront = add((each) => each.upfront);
  const monthly = sum(
    'Design',
    design.currency,
    sections.map(({ section }) => section.monthly),
  );
  return {
    case: which,
    currency: design.currency,
    sections: sections.map(({ section }) => section),
    monthly,
    list: add((each) => each.list),
    resale: add((each) => each.resale),
    gross: grossOf(monthly, design),
    recurring,
    upfront,
    twelveMonths: upfront.plus(recurring.times(decimal(12))),
    unpriced: sections.reduce((total, each) => total + each.unpriced, 0),
  };
}

/** Net × (1 + contingency) × (1 + tax). Needs J8. */
export function grossOf(net: Figure, design: Pick<Design, 'assumptions' | 'currency'>): Figure {
  const { contingency, tax } = design.assumptions;
  const withShare = (figure: Figure, label: string, share: string | undefined): Figure =>
    share === undefined
      ? figure
      : product(`With ${label}`, design.currency, [
          figure,
          sum(`1 + ${label}`, '', [given('Net', ONE, ''), given(`Share of ${label}`, decimal(share), '')]),
        ]);
  return withShare(withShare(net, 'contingency', contingency), 'tax', tax);
}
