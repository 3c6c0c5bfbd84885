/**
 * The engine: design × books → lines, pools, totals, each with its trace. One call prices one case; `priceCases`
 * prices all three, pools and tiers anew each time. Source: pricing rules, "From usage to amount", "Three cases".
 */
import { addAll, type Decimal, decimal, type Issue, ZERO } from '../base';
import { head } from '../books';
import type { Component, Design } from '../design';
import { firstUnitPrice } from '../rates';
import { committedAmounts, commitmentOf } from '../terms';
import { type Figure, relabel, sum } from '../trace';
import type { Case, Cased } from '../usage';
import type { BookSet } from './book-set';
import { exchanged, exchangeStep } from './exchange';
import { chargeClaims, type Claim } from './pools';
import type { PricedComponent, PricedDesign, PricedLine, PricedSection } from './priced';
import { resolveComponent, type Resolved } from './resolve';

/**
 * Prices every component of the design for one case. Never throws on what a person can enter. `known` holds lines
 * of another case that are the same in this one.
 */
export function priceDesign(
  design: Design,
  books: BookSet,
  which: Case,
  known: ReadonlyMap<string, PricedLine> = new Map(),
): PricedDesign {
  const lines = new Map<string, PricedLine>(known);
  const resolved: { value: Resolved; step: Figure | null }[] = [];
  for (const section of design.sections) {
    for (const component of section.components) {
      if (known.has(component.id)) continue;
      const resolution = resolveComponent(component, design, books, which);
      if (!resolution.ok) {
        lines.set(component.id, unpriced(component.id, resolution.issues, resolution.nearest));
        continue;
      }
      const step = exchangeStep(resolution.value.book.currency, design.currency, design.assumptions.exchange);
      if (step.ok) resolved.push({ value: resolution.value, step: step.value });
      else lines.set(component.id, unpriced(component.id, [step.issue]));
    }
  }
  const onDemand = onDemandAmounts(
    resolved.map((each) => each.value),
    design.assumptions.countAllowances,
  );
  for (const { value, step } of resolved) {
    lines.set(value.component.id, lineOf(value, onDemand.get(value.component.id)!, step, design.currency));
  }
  return totalsOf(design, lines, which);
}

/**
 * All three cases. A component whose inputs are the same in all of them, and whose amount depends on nobody else's,
 * is worked out once; a test holds this against pricing each case by itself.
 */
export function priceCases(design: Design, books: BookSet, known?: KnownLines): Record<Case, PricedDesign> {
  const likely = priceDesign(design, books, 'likely', known?.likely);
  const same = sameInEveryCase(design, likely);
  const price = (which: 'lean' | 'heavy'): PricedDesign =>
    priceDesign(design, books, which, new Map([...(known?.[which] ?? []), ...same]));
  return { lean: price('lean'), likely, heavy: price('heavy') };
}

/** Lines that are known already, by case and component. */
export type KnownLines = Readonly<Record<Case, ReadonlyMap<string, PricedLine>>>;

/**
 * The lines of an earlier run that hold for a design in which only some components changed: those that `unchanged`
 * accepts and whose amount depends on nobody else. Assumptions, currency and books must be the same.
 */
export function reusableLines(
  before: Readonly<Record<Case, PricedDesign>>,
  unchanged: (id: string) => boolean,
): KnownLines {
  const linesOf = ({ sections }: PricedDesign): Map<string, PricedLine> => {
    const kept = sections.flatMap((section) =>
      section.lines.filter((line) => line.status === 'priced' && !line.pooled && unchanged(line.id)),
    );
    return new Map(kept.map((line) => [line.id, line]));
  };
  return { lean: linesOf(before.lean), likely: linesOf(before.likely), heavy: linesOf(before.heavy) };
}

function sameInEveryCase(design: Design, likely: PricedDesign): Map<string, PricedLine> {
  const same = new Map<string, PricedLine>();
  design.sections.forEach((section, at) => {
    section.components.forEach((component, index) => {
      const line = likely.sections[at]!.lines[index]!;
      if (isSure(component) && line.status === 'priced' && !line.pooled) same.set(component.id, line);
    });
  });
  return same;
}

/** No quantity of the component differs between cases. */
function isSure(component: Component): boolean {
  const one = (value: Cased): boolean => value.lean === undefined && value.heavy === undefined;
  const { running } = component;
  const hours =
    running.pattern === 'always' ||
    (running.pattern === 'hours'
      ? one(running.hoursPerMonth)
      : one(running.hoursPerDay) && one(running.daysPerMonth));
  return hours && one(component.count) && Object.values(component.usage).every((entry) => one(entry.amount));
}

function unpriced(
  id: string,
  issues: readonly Issue[],
  nearest: Extract<PricedLine, { status: 'unpriced' }>['nearest'] = [],
): PricedLine {
  return { status: 'unpriced', id, issues, nearest };
}

/**
 * On-demand figures by component. Committed components keep out of the pools: their on-demand figure is worked out
 * alone, only to state the saving.
 */
function onDemandAmounts(resolved: readonly Resolved[], countAllowances: boolean): Map<string, Figure[]> {
  const figures = new Map<string, Figure[]>(resolved.map((each) => [each.component.id, []]));
  const claimsOf = (each: Resolved): Claim[] => {
    const book = head(each.book);
    return each.demands.map((demand) => ({ ...demand, componentId: each.component.id, book }));
  };
  const charge = (claims: Claim[]): void => {
    const amounts = chargeClaims(claims, countAllowances);
    claims.forEach((claim, index) => figures.get(claim.componentId)!.push(labelled(claim, amounts[index]!)));
  };
  charge(resolved.filter((each) => !each.committed).flatMap(claimsOf));
  for (const each of resolved) if (each.committed) charge(claimsOf(each));
  return figures;
}

/** An amount under the name of what it pays for: "Held", "Write requests". */
function labelled(claim: Claim, amount: Figure): Figure {
  return relabel(amount, claim.label);
}

function lineOf(
  resolved: Resolved,
  onDemandParts: readonly Figure[],
  step: Figure | null,
  currency: string,
): PricedComponent {
  const { component, book, offer, count } = resolved;
  const onDemand =
    onDemandParts.length === 0
      ? null
      : onDemandParts.length === 1
        ? onDemandParts[0]!
        : sum('All meters', book.currency, onDemandParts);
  const inDesign = (figure: Figure): Figure => exchanged(figure, step, currency);
  const common = {
    status: 'priced' as const,
    id: component.id,
    offer,
    book: head(book),
    onDemand: onDemand && inDesign(onDemand).value,
    count: count.value,
    pooled: !resolved.committed && resolved.demands.some((demand) => demand.rate.pool !== 'component'),
    notices: resolved.notices,
  };
  const commitment = commitmentOf(component.term);
  if (!resolved.committed || !commitment) {
    const monthly = inDesign(onDemand!);
    return { ...common, monthly, recurring: monthly.value, upfront: ZERO, wholeTerm: null };
  }
  const { rate, source } = committedRate(resolved);
  const amounts = committedAmounts(
    {
      commitment,
      hourlyPrice: firstUnitPrice(rate.charge),
      upfrontPrice: rate.upfront,
      currency: book.currency,
      source,
    },
    count,
    resolved.hoursInMonth,
  );
  return {
    ...common,
    monthly: inDesign(amounts.monthly),
    recurring: inDesign(amounts.recurring).value,
    upfront: inDesign(amounts.upfront).value,
    wholeTerm: { months: commitment.months, amount: inDesign(amounts.wholeTerm).value },
  };
}

function committedRate(resolved: Resolved) {
  const rate = resolved.committed!;
  const { title, revision, effective } = resolved.book;
  return { rate, source: { book: title, revision, effective, sku: rate.sku, region: rate.region } };
}

function totalsOf(design: Design, lines: ReadonlyMap<string, PricedLine>, which: Case): PricedDesign {
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
  return {
    case: which,
    currency: design.currency,
    sections,
    monthly: sum(
      'Design',
      design.currency,
      sections.map((section) => section.monthly),
    ),
    recurring,
    upfront,
    firstYear: upfront.plus(recurring.times(decimal(12))),
    unpriced: all.length - priced.length,
  };
}
