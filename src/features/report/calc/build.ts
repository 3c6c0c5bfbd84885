/** Builds a report from a design and its books: prices it, its months and its ways of paying, and puts it in words. */
import type { Decimal } from '@/engine/base';
import { kindOf } from '@/engine/books';
import { checkTitle } from '@/features/checklist/calc';
import type { Component, Design } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { describeUse, type PlaceNames } from '@/features/design/words';
import { groupInText, plainMoney, sentenceFor } from '@/platform/words';
import { minorDigits } from '@/engine/money';
import { DEFAULT_HORIZON, priceMonths, waysToPay } from '@/engine/analysis';
import {
  aloneIn,
  type BookSet,
  casesOf,
  type DesignPlan,
  planOf,
  type PricedDesign,
  type PricedLine,
  printedAmounts,
} from '@/engine/pricing';
import { printedWick, wickOfDesign, wickOfLine, wickOver, type Wick } from '@/engine/summary';
import type { Case } from '@/engine/usage';
import { besideTables, keptAnswers } from './beside';
import { agreementRows, assumptionRows } from './assumptions';
import type { Labelled, Report, ReportLine, ReportOptions, ReportSection, ReportWick } from './model';
import { ratesUsed } from './rates-used';
import { monthRows } from './month-rows';
import { settingsOf } from './settings';
import { sharesBy } from './shares';

export interface BuiltReport {
  readonly report: Report;
  /** Whether the prices behind the amounts may be shown: not where they would give away what is withheld. */
  readonly open: boolean;
  /** What was priced, for whoever writes the calculation itself. */
  /** Whether paper shows months where it would show quarters. */
  readonly byMonth: boolean;
  readonly plan: DesignPlan;
  readonly cases: Readonly<Record<Case, PricedDesign>>;
}

/**
 * A quotation is priced as it is sold on, all of it: month, upfront, years, range.
 *
 * @example
 * buildReport(design, books, { variant: 'full', validUntil: null, withAgreements: false }).report.total.monthly; // => '146.00'
 */
export function buildReport(design: Design, books: BookSet, options: ReportOptions): BuiltReport {
  const quotation = options.variant === 'quotation';
  const shown: Design = quotation ? { ...design, sold: true } : design;
  const plan = planOf(shown, books);
  const cases = casesOf(plan);
  const months = priceMonths(plan, 'likely', design.assumptions.horizon ?? DEFAULT_HORIZON);
  const sections = sectionsOf(shown, books, cases, options);
  const lines = sections.flatMap((section) => section.lines);
  const { likely } = cases;
  const money = moneyIn(design.currency);
  const rows = monthRows(months);
  const total = printedAmounts(likely).total;
  const withList = options.withAgreements && !quotation;
  const open = !quotation && (withList || (design.agreements ?? []).length === 0);
  const report: Report = {
    variant: options.variant,
    title: design.title,
    description: design.description,
    currency: design.currency,
    validUntil: quotation ? options.validUntil : null,
    total: {
      monthly: money.of(total),
      wick: money.wick(wickOfDesign(cases)),
      gross: likely.gross === likely.monthly ? null : money.of(likely.gross.value),
      list: withList && !likely.list.equals(likely.monthly.value) ? money.of(likely.list) : null,
      recurring: money.of(likely.recurring),
      upfront: money.of(likely.upfront),
      firstYear: money.of(months.firstYear.cash),
      whole: money.of(months.whole.cash),
      unpriced: likely.unpriced,
      budget: quotation ? null : (design.assumptions.budget ?? null),
    },
    sections,
    byKind: sharesBy(lines, (line) => line.kind, design.currency),
    byCategory: sharesBy(lines, (line) => line.category, design.currency),
    ...rows,
    assumptions: assumptionRows(quotation ? withoutBudget(design) : design),
    agreements: withList ? agreementRows(design.agreements ?? []) : [],
    exclusions: exclusionsOf(quotation ? withoutAnswers(design) : design, lines),
    books: booksOf(shown, books, likely),
    rates: open ? ratesUsed(likely) : [],
    paying: quotation ? [] : payingOf(shown, books, money),
    kept: quotation ? [] : keptAnswers(design, books),
    beside: quotation ? [] : besideTables(design, books, options.beside ?? [], namesIn(books, design)),
  };
  return { report, open, byMonth: options.byMonth ?? false, plan, cases };
}

/** Names of books and regions, as the revision says that the design pins; a code where no book is there to say it. */
function namesIn(books: BookSet, design: Design): PlaceNames {
  const moves = (design.alternatives ?? []).flatMap(({ changes }) =>
    changes.filter((change) => change.change === 'move'),
  );
  const bookOf = (key: string) => {
    const pin = [...design.books, ...moves].find(({ book }) => book === key);
    return pin && books.get(key, pin.revision);
  };
  return {
    book: (key) => bookOf(key)?.title ?? key,
    region: (book, code) => bookOf(book)?.region(code)?.name ?? code,
  };
}

interface Money {
  readonly digits: number;
  of(value: Decimal): string;
  wick(wick: Wick): ReportWick;
}

function moneyIn(currency: string): Money {
  const digits = minorDigits(currency);
  const of = (value: Decimal): string => plainMoney(value, currency);
  return {
    digits,
    of,
    wick: ({ low, likely, high }) => ({ low: of(low), likely: of(likely), high: of(high) }),
  };
}

function withoutBudget(design: Design): Design {
  const { budget: _, ...assumptions } = design.assumptions;
  return { ...design, assumptions };
}

/** Why something was not wanted is for the house. */
function withoutAnswers({ answers: _, ...design }: Design): Design {
  return design;
}

function sectionsOf(
  design: Design,
  books: BookSet,
  cases: Readonly<Record<Case, PricedDesign>>,
  options: ReportOptions,
): ReportSection[] {
  const money = moneyIn(design.currency);
  const printed = printedAmounts(cases.likely);
  const withList = options.withAgreements && options.variant === 'full';
  return design.sections.map((section, at) => {
    const priced = {
      lean: cases.lean.sections[at]!,
      likely: cases.likely.sections[at]!,
      heavy: cases.heavy.sections[at]!,
    };
    const wick = wickOver({
      lean: priced.lean.monthly.value,
      likely: priced.likely.monthly.value,
      heavy: priced.heavy.monthly.value,
    });
    return {
      id: section.id,
      name: section.name,
      amount: money.of(printed.sections.get(section.id)!),
      wick: money.wick(printedWick(wick, printed.sections.get(section.id)!)),
      lines: section.components.map((component, row): ReportLine => {
        const line = priced.likely.lines[row]!;
        const amount = printed.components.get(component.id);
        const own = wickOfLine({
          lean: priced.lean.lines[row]!,
          likely: line,
          heavy: priced.heavy.lines[row]!,
        });
        return {
          ...wordsOf(component, design, books, line),
          amount: amount ? money.of(amount) : null,
          wick: own && amount ? money.wick(printedWick(own, amount)) : null,
          list: line.status === 'priced' && withList ? money.of(line.list.value) : null,
          upfront: line.status === 'priced' && line.upfront.gt(0) ? money.of(line.upfront) : null,
          once: line.status === 'priced' && line.once.gt(0) ? money.of(line.once) : null,
        };
      }),
    };
  });
}

type Words = Omit<ReportLine, 'amount' | 'wick' | 'list' | 'upfront' | 'once'>;

function wordsOf(component: Component, design: Design, books: BookSet, line: PricedLine): Words {
  const kind = kindOf(component.kind);
  const pin = design.books.find((each) => each.book === component.place?.book);
  const book = pin && books.get(pin.book, pin.revision);
  const priced = line.status === 'priced';
  return {
    id: component.id,
    name: component.name,
    kind: kind.label,
    category: kind.serviceCategory,
    provider: book?.provider ?? component.place?.book ?? '',
    region: (component.place && book?.region(component.place.region)?.name) ?? component.place?.region ?? '',
    offer: priced ? (line.offer?.name ?? '') : component.choice.by === 'sku' ? component.choice.sku : '',
    count: component.count.likely,
    use: groupInText(describeUse(component)),
    paid: kind.committable ? describeTerm(component.term) : '',
    why: priced ? null : line.issues.map(sentenceFor).join(' '),
    // What it belongs to is for the house.
    settings: settingsOf(design.sold ? { ...component, tags: null, origin: null } : component),
    notices: priced ? line.notices.map(sentenceFor) : [],
  };
}

function exclusionsOf(design: Design, lines: readonly ReportLine[]): Labelled[] {
  const names = new Map(lines.map((line) => [line.id, line.name]));
  return [
    ...lines.flatMap((line) =>
      line.why === null ? [] : [{ label: `${line.name} is not priced`, value: line.why }],
    ),
    ...(design.answers ?? []).map(({ check, subject, reason }) => ({
      label: `Not wanted: ${checkTitle(check)}${subject ? `, ${names.get(subject) ?? subject}` : ''}`,
      value: reason,
    })),
  ];
}

function booksOf(design: Design, books: BookSet, likely: PricedDesign): Report['books'] {
  const used = new Set(
    likely.sections.flatMap((section) =>
      section.lines.flatMap((line) => (line.status === 'priced' && line.book ? [line.book.key] : [])),
    ),
  );
  return design.books.flatMap(({ book, revision }) => {
    const found = books.get(book, revision);
    if (!found || !used.has(book)) return [];
    const { title, effective, currency, source } = found;
    return [{ title, revision, effective, currency, source }];
  });
}

function payingOf(design: Design, books: BookSet, money: Money): Report['paying'] {
  const alone = aloneIn(design, books);
  const all = design.sections.flatMap((section) => section.components);
  return all.flatMap((component) => {
    if (!kindOf(component.kind).committable) return [];
    const ways = waysToPay(component, design, books, alone).map(({ term, line }) => ({
      paid: describeTerm(term),
      monthly: line.status === 'priced' ? money.of(line.monthly.value) : null,
      upfront: line.status === 'priced' ? money.of(line.upfront) : null,
    }));
    const sold = ways.filter((way) => way.monthly !== null);
    return sold.length > 1 ? [{ id: component.id, name: component.name, ways }] : [];
  });
}
