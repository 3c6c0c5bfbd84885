/** Sections and totals of a design from its lines. */
import { addAll, type Decimal, decimal, ONE } from '../base';
import type { Design } from '../design';
import { type Figure, given, product, relabel, sum } from '../trace';
import type { Case } from '../usage';
import type { PricedComponent, PricedDesign, PricedLine, PricedSection } from './priced';

export function totalsOf(design: Design, lines: ReadonlyMap<string, PricedLine>, which: Case): PricedDesign {
  const sections: PricedSection[] = design.sections.map((section) => {
    const own = section.components.map((component) => lines.get(component.id)!);
    const named = own.flatMap((line, index) =>
      line.status === 'priced' ? [relabel(line.monthly, section.components[index]!.name)] : [],
    );
    return {
      id: section.id,
      name: section.name,
      lines: own,
      monthly: sum(section.name, design.currency, named),
    };
  });
  // In the design's order, so that the same design adds up the same way to the last digit.
  const all = sections.flatMap((section) => section.lines);
  const priced = all.filter((line): line is PricedComponent => line.status === 'priced');
  const add = (read: (line: PricedComponent) => Decimal): Decimal => addAll(priced.map(read));
  const recurring = add((line) => line.recurring);
  const upfront = add((line) => line.upfront);
  const monthly = sum(
    'Design',
    design.currency,
    sections.map((section) => section.monthly),
  );
  return {
    case: which,
    currency: design.currency,
    sections,
    monthly,
    list: add((line) => line.list.value),
    resale: add((line) => line.resale.value),
    gross: grossOf(monthly, design),
    recurring,
    upfront,
    twelveMonths: upfront.plus(recurring.times(decimal(12))),
    unpriced: all.length - priced.length,
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
