/**
 * The engine: design × books → lines, pools, totals, each with its trace. One call prices one case; `priceCases`
 * prices all three, pools and tiers anew each time. The order: charge (allowances, commitments, tiers), prepaid credit,
 * agreements, currency, and last the shares of spend. Source: pricing rules, "From usage to amount", "Three cases",
 * "Where two rules meet", 1.
 */
import { type Decimal, type Issue, type Result, ZERO } from '../base';
import { head } from '../books';
import type { Component, Design } from '../design';
import type { Figure } from '../trace';
import type { Case } from '../usage';
import { agreedLine } from './agreed';
import type { BookSet } from './book-set';
import { type ChargedLine, chargeLines } from './charges';
import { contextFor, type PriceContext, type When } from './context';
import { coverByCredit } from './credit-cover';
import { customLine } from './custom-line';
import { exchanged, exchangeStep } from './exchange';
import { ownLicences, withOwn } from './own-licences';
import { type Granted, grantedTo, grantsByMeter } from './grants';
import { isPooled } from './claim';
import type { PricedComponent, PricedDesign, PricedLine } from './priced';
import { resolveComponent } from './resolve';
import type { Resolved } from './resolved';
import { chargeShare, isShareOfSpend, nextShare, type SpentLine } from './spend-lines';
import { totalsOf } from './totals';

interface Open {
  readonly value: Resolved;
  readonly step: Figure | null;
}

/**
 * Prices every component of the design for one case. Never throws on what a person can enter. `known` holds lines
 * that are the same in another run; `when` is the month it stands for (the first, if not said).
 */
export function priceDesign(
  design: Design,
  books: BookSet,
  which: Case,
  known: ReadonlyMap<string, PricedLine> = new Map(),
  when?: When,
): PricedDesign {
  const context = contextFor(design, which, when);
  const lines = new Map<string, PricedLine>(known);
  const open: Open[] = [];
  for (const section of design.sections) {
    for (const component of section.components) {
      if (known.has(component.id)) continue;
      const found = openComponent(component, books, context);
      if ('status' in found) lines.set(component.id, found);
      else open.push(found);
    }
  }
  const shares = open.filter((each) => isShareOfSpend(each.value));
  const others = open.filter((each) => !isShareOfSpend(each.value));
  priceOthers(others, lines, context);
  priceShares(shares, lines, context);
  return totalsOf(design, lines, which);
}

function openComponent(component: Component, books: BookSet, context: PriceContext): Open | PricedLine {
  const { design } = context;
  if (component.kind === 'custom') return customPriced(component, context);
  const resolution = resolveComponent(component, books, context);
  if (!resolution.ok) return unpriced(component.id, resolution.issues, resolution.nearest);
  const { exchange, start } = design.assumptions;
  const date = start ? `${start}-01` : null;
  const step = exchangeStep(resolution.value.book.currency, design.currency, exchange, date);
  return step.ok ? { value: resolution.value, step: step.value } : unpriced(component.id, [step.issue]);
}

function customPriced(component: Component, context: PriceContext): PricedLine {
  const line = customLine(component, context);
  if (!line.ok) return unpriced(component.id, [line.issue]);
  const { currency } = context.design;
  const agreed = agreedLine(line.value, { component, book: '', currency }, context);
  return {
    status: 'priced',
    id: component.id,
    kind: component.kind,
    offer: null,
    book: null,
    monthly: agreed.contracted,
    list: agreed.list,
    resale: agreed.resale,
    inBook: agreed.contracted,
    recurring: agreed.recurring,
    upfront: agreed.upfront.plus(agreed.once),
    once: agreed.once,
    renews: null,
    wholeTerm: null,
    onDemand: null,
    count: line.value.count.value,
    early: null,
    ahead: [],
    dependent: false,
    grants: [],
    notices: agreed.notices,
  };
}

/** Everything but shares of spend, all together: pools, spend commitments and credit cross component borders. */
function priceOthers(open: readonly Open[], lines: Map<string, PricedLine>, context: PriceContext): void {
  const resolved = open.map((each) => each.value);
  const own = new Map(resolved.map((each) => [each.component.id, grantsOf(each)]));
  const grants = grantsByMeter([
    ...[...own.values()].flat(),
    ...[...lines.values()].flatMap((line) => (line.status === 'priced' ? line.grants : [])),
  ]);
  const charged = chargeLines(resolved, grants, context.allowances, context.case);
  const credit = coverByCredit(resolved, charged.lines, context.case);
  const covered = coveredBooks(resolved);
  for (const { value, step } of open) {
    const { id } = value.component;
    const line = credit.lines.get(id)!;
    const notices = [...(charged.notices.get(id) ?? []), ...(credit.notices.get(id) ?? [])];
    const dependent =
      covered.has(value.book.key) ||
      value.demands.onDemand.some(
        ({ rate }) => isPooled(rate) || grantedTo(grants, value.book.key, rate).length > 0,
      );
    const around = { step, notices, dependent, grants: own.get(id)! };
    lines.set(id, pricedLine(value, line, around, context));
  }
}

/** Books in which a spend commitment or credit ties all lines together. */
function coveredBooks(resolved: readonly Resolved[]): Set<string> {
  const tying = resolved.filter(({ component }) =>
    ['spend-commitment', 'prepaid-credit'].includes(component.kind),
  );
  return new Set(tying.map((each) => each.book.key));
}

function grantsOf({ offer, book, region, component, count }: Resolved): Granted[] {
  return (offer.grants ?? []).map((grant) => ({
    grant,
    book: book.key,
    region,
    by: component.name,
    units: count.value,
  }));
}

function priceShares(shares: readonly Open[], lines: Map<string, PricedLine>, context: PriceContext): void {
  let waiting = [...shares];
  while (waiting.length > 0) {
    const next = nextShare(waiting.map((each) => each.value)) ?? waiting[0]!.value;
    const { step, value } = waiting.find((each) => each.value === next)!;
    const { line, notices } = chargeShare(value, spentLines(lines, context.design), step);
    lines.set(
      value.component.id,
      pricedLine(value, line, { step, notices, dependent: true, grants: [] }, context),
    );
    waiting = waiting.filter((each) => each.value !== next);
  }
}

function spentLines(lines: ReadonlyMap<string, PricedLine>, design: Design): SpentLine[] {
  return design.sections.flatMap((section) =>
    section.components.flatMap((component): SpentLine[] => {
      const line = lines.get(component.id);
      if (line?.status !== 'priced') return [];
      return [
        {
          kind: line.kind,
          book: line.book?.key ?? '',
          name: component.name,
          inBook: line.inBook,
          inDesign: line.monthly,
        },
      ];
    }),
  );
}

interface Around {
  readonly step: Figure | null;
  readonly notices: readonly Issue[];
  readonly dependent: boolean;
  readonly grants: readonly Granted[];
}

function pricedLine(
  resolved: Resolved,
  line: Result<ChargedLine>,
  around: Around,
  context: PriceContext,
): PricedLine {
  const { component, book, offer, count } = resolved;
  if (!line.ok) return unpriced(component.id, [line.issue]);
  const { currency } = context.design;
  const owner = { component, book: book.key, currency: book.currency };
  const agreed = agreedLine(line.value, owner, context);
  const own = ownLicences(component, count, currency, context.case);
  const inDesign = (figure: Figure): Figure => withOwn(exchanged(figure, around.step, currency), own);
  const convert = (value: Decimal): Decimal => (around.step ? value.times(around.step.value) : value);
  const monthAndOwn = (value: Decimal): Decimal => convert(value).plus(own?.value ?? ZERO);
  const monthly = inDesign(agreed.contracted);
  const list = agreed.list === agreed.contracted ? monthly : inDesign(agreed.list);
  const priced: PricedComponent = {
    status: 'priced',
    id: component.id,
    kind: component.kind,
    offer,
    book: head(book),
    monthly,
    list,
    resale: agreed.resale === agreed.contracted ? monthly : inDesign(agreed.resale),
    inBook: agreed.contracted,
    recurring: monthAndOwn(agreed.recurring),
    upfront: convert(agreed.upfront.plus(agreed.once)),
    once: convert(agreed.once),
    renews: agreed.renews,
    wholeTerm: agreed.wholeTerm && { ...agreed.wholeTerm, amount: convert(agreed.wholeTerm.amount) },
    onDemand: line.value.onDemand && monthAndOwn(line.value.onDemand.value),
    count: count.value,
    early: agreed.early,
    ahead: agreed.ahead.map(({ by, amount }) => ({ by, amount: convert(amount) })),
    dependent: around.dependent,
    grants: around.grants,
    notices: [...resolved.notices, ...around.notices, ...agreed.notices],
  };
  return priced;
}

function unpriced(
  id: string,
  issues: readonly Issue[],
  nearest: Extract<PricedLine, { status: 'unpriced' }>['nearest'] = [],
): PricedLine {
  return { status: 'unpriced', id, issues, nearest };
}
