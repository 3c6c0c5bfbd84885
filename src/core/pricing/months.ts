/**
 * The months of a design: growth, seasons, campaigns, components that begin and end, amounts that change, allowances
 * that end, agreements by date, and upfront payments in the month they leave. Each month is priced anew, tiers and
 * pools included; months with equal inputs are priced once. Source: pricing rules, "Running patterns", "Terms"; needs
 * A23, F15, K12.
 */
import { addAll, decimal, type Decimal, ONE, ZERO } from '../base';
import { mainMeter, meterOfKind } from '../books';
import { allComponents, type Assumptions, type Component, type Design, type UsageEntry } from '../design';
import { isInForce } from '../terms';
import { type MonthConvention } from '../time';
import { type Case, type Grown, readCase } from '../usage';
import { Account, type MonthAmounts } from './account';
import type { BookSet } from './book-set';
import { allowanceMonths } from './choose';
import type { When } from './context';
import { priceDesign } from './price-design';
import type { PricedDesign } from './priced';

export const DEFAULT_HORIZON = 36;

export type { MonthAmounts } from './account';

export interface MonthRow extends MonthAmounts {
  /** The first is 1. */
  readonly month: number;
  /** `2027-01`; null where the design has no start. */
  readonly calendar: string | null;
  readonly components: ReadonlyMap<string, MonthAmounts>;
  /** Commitments that end in this month before their term, and what the book's rule asks for it. */
  readonly endings: readonly { readonly id: string; readonly due: Decimal }[];
  /** How many of the month's components have no amount. */
  readonly unpriced: number;
}

export interface MonthSeries {
  readonly currency: string;
  readonly rows: readonly MonthRow[];
  readonly firstYear: MonthAmounts;
  /** Three months each, the last may be shorter. */
  readonly quarters: readonly MonthAmounts[];
  readonly years: readonly MonthAmounts[];
  readonly whole: MonthAmounts;
  readonly unpriced: number;
}

/**
 * Prices `horizon` months (1 to 120) of one case. `usual` is the design priced as it stands, where somebody has it
 * already: months in which nothing differs are not priced again.
 */
export function priceMonths(
  design: Design,
  books: BookSet,
  which: Case = 'likely',
  horizon: number = DEFAULT_HORIZON,
  usual?: PricedDesign,
): MonthSeries {
  const ends = allowanceEnds(design, books);
  const keyOf = (inMonth: Design, when: When): string => {
    const ended = ends.filter((end) => end <= when.month).length;
    const inForce = (design.agreements ?? []).filter((each) => isInForce(each, when.date));
    return JSON.stringify([inMonth.sections, inMonth.assumptions.month, ended, inForce.map(({ id }) => id)]);
  };
  const known = new Map<string, PricedDesign>();
  if (usual) known.set(keyOf(design, whenOf(design, 0)), usual);
  const account = new Account(design, books, which);
  const rows = Array.from({ length: horizon }, (_, month): MonthRow => {
    const when = whenOf(design, month);
    const inMonth = designOfMonth(design, month, which);
    const key = keyOf(inMonth, when);
    const priced = known.get(key) ?? priceDesign(inMonth, books, which, new Map(), when);
    known.set(key, priced);
    return { ...account.month(priced, inMonth, when), calendar: when.date?.slice(0, 7) ?? null };
  });
  return {
    currency: design.currency,
    rows,
    firstYear: total(rows.slice(0, 12)),
    quarters: chunks(rows, 3).map(total),
    years: chunks(rows, 12).map(total),
    whole: total(rows),
    unpriced: Math.max(0, ...rows.map((row) => row.unpriced)),
  };
}

/** The design as it is in one month (0 is the first): who exists, and how much of everything. */
export function designOfMonth(design: Design, month: number, which: Case): Design {
  const traffic = grownBy(design.assumptions, 'traffic', month, which);
  const stock = grownBy(design.assumptions, 'stock', month, which);
  const exists = ({ months }: Component): boolean =>
    !months || (months.from - 1 <= month && (months.to === null || month < months.to));
  return {
    ...design,
    assumptions: { ...design.assumptions, month: conventionOf(design.assumptions, month) },
    sections: design.sections.map((section) => ({
      ...section,
      components: section.components
        .filter(exists)
        .map((component) => grown(withLater(component, month), traffic, stock)),
    })),
  };
}

function grownBy(
  { growth, season, campaigns, start }: Assumptions,
  what: 'traffic' | 'stock',
  month: number,
  which: Case,
): Grown | undefined {
  const share = growth ? decimal(readCase(growth[what], which)) : ZERO;
  let factor = ONE.plus(share).pow(month);
  const words = share.isZero() ? [] : [`${share.times(100)} % more each month`];
  if (what === 'traffic') {
    const calendar = start ? Number(start.slice(5, 7)) - 1 : 0;
    const seasonal = season?.[(calendar + month) % 12];
    if (seasonal !== undefined && seasonal !== '1') {
      factor = factor.times(seasonal);
      words.push(`season ${seasonal}`);
    }
    for (const campaign of campaigns ?? []) {
      if (campaign.month - 1 !== month) continue;
      factor = factor.times(campaign.times);
      words.push(`campaign ${campaign.times}`);
    }
  }
  if (factor.equals(1)) return undefined;
  return { label: `Month ${month + 1}: ${words.join(', ')}`, factor: factor.toString() };
}

/** A component with its traffic and its stock so many times as large. */
export function grown(component: Component, traffic: Grown | undefined, stock: Grown | undefined): Component {
  if (!traffic && !stock) return component;
  const usage = Object.fromEntries(
    Object.entries(component.usage).map(([meter, entry]): [string, UsageEntry] => {
      const follows = meterOfKind(component.kind, meter)?.follows;
      const by = follows === 'traffic' ? traffic : follows === 'stock' ? stock : undefined;
      return [meter, by ? { ...entry, grown: by } : entry];
    }),
  );
  const { load } = component;
  return { ...component, usage, ...(load && traffic ? { load: { ...load, grown: traffic } } : {}) };
}

/** Prepaid credit and spend commitments: the newest of the later amounts that hold by now. */
function withLater(component: Component, month: number): Component {
  const meter = mainMeter(component.kind)?.meter;
  const holding = [...(component.later ?? [])]
    .filter((each) => each.fromMonth - 1 <= month)
    .sort((a, b) => b.fromMonth - a.fromMonth)[0];
  const entry = meter && component.usage[meter];
  if (!holding || !meter || !entry) return component;
  const changed = { ...entry, amount: { likely: holding.amount } };
  return { ...component, usage: { ...component.usage, [meter]: changed } };
}

/** A calendar month is followed by the next one; the other conventions stay as they are. */
function conventionOf({ month, start }: Assumptions, ahead: number): MonthConvention {
  if (month.hours !== 'calendar') return month;
  const from = start
    ? Number(start.slice(0, 4)) * 12 + Number(start.slice(5, 7))
    : month.year * 12 + month.month;
  const at = from - 1 + ahead;
  return { hours: 'calendar', year: Math.floor(at / 12), month: (at % 12) + 1 };
}

function whenOf({ assumptions }: Design, month: number): When {
  const { start } = assumptions;
  if (!start) return { month, date: null };
  const at = Number(start.slice(0, 4)) * 12 + Number(start.slice(5, 7)) - 1 + month;
  const calendar = String((at % 12) + 1).padStart(2, '0');
  return { month, date: `${Math.floor(at / 12)}-${calendar}-01` };
}

/** The months after which allowances end that this design may use. */
function allowanceEnds(design: Design, books: BookSet): number[] {
  const found = new Set<number>();
  for (const { place, kind } of allComponents(design)) {
    const pin = design.books.find((each) => each.book === place?.book);
    const book = pin && books.get(pin.book, pin.revision);
    if (book && place) for (const end of allowanceMonths(book, place.region, kind)) found.add(end);
  }
  return [...found].sort((a, b) => a - b);
}

function total(rows: readonly MonthAmounts[]): MonthAmounts {
  return {
    monthly: addAll(rows.map((row) => row.monthly)),
    cash: addAll(rows.map((row) => row.cash)),
  };
}

function chunks<T>(rows: readonly T[], size: number): T[][] {
  return Array.from({ length: Math.ceil(rows.length / size) }, (_, at) =>
    rows.slice(at * size, (at + 1) * size),
  );
}

/** Whether some month may differ from the usual one: then "12 months" is more than twelve times it. */
export function movesOverTime(design: Design, books: BookSet): boolean {
  const { growth, season, campaigns, month, start } = design.assumptions;
  const dated = (design.agreements ?? []).some(({ from, to }) => from ?? to);
  return (
    !!growth ||
    !!season ||
    !!campaigns?.length ||
    (dated && start !== undefined) ||
    month.hours === 'calendar' ||
    allComponents(design).some((each) => each.months ?? each.later?.length) ||
    allowanceEnds(design, books).some((end) => end < 12)
  );
}
