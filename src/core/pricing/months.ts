/**
 * The months of a design: growth, seasons, campaigns, components that begin and end, amounts that change, allowances
 * that end, agreements by date, and upfront payments in the month they leave. Each month is priced anew, tiers and
 * pools included; months with equal inputs are priced once. Source: pricing rules, "Running patterns", "Terms"; needs
 * A23, F15, K12.
 */
import { addAll, decimal, type Decimal, ONE, ZERO } from '../base';
import { mainMeter, meterOfKind } from '../books';
import type { Assumptions, Component, Design, UsageEntry } from '../design';
import { type MonthConvention } from '../time';
import { type Case, type Grown, readCase } from '../usage';
import type { BookSet } from './book-set';
import type { When } from './context';
import { priceDesign } from './price-design';
import type { PricedComponent, PricedDesign } from './priced';

export const DEFAULT_HORIZON = 36;

export interface MonthAmounts {
  /** As it compares: upfront payments spread over their term; one-time fees in their month. */
  readonly monthly: Decimal;
  /** What leaves the account in this month. */
  readonly cash: Decimal;
}

export interface MonthRow extends MonthAmounts {
  /** The first is 1. */
  readonly month: number;
  /** `2027-01`; null where the design has no start. */
  readonly calendar: string | null;
  readonly components: ReadonlyMap<string, MonthAmounts>;
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

/** Prices `horizon` months (1 to 120) of one case. */
export function priceMonths(
  design: Design,
  books: BookSet,
  which: Case = 'likely',
  horizon: number = DEFAULT_HORIZON,
): MonthSeries {
  const ends = allowanceEnds(priceDesign(design, books, which));
  const known = new Map<string, PricedDesign>();
  const rows = Array.from({ length: horizon }, (_, month): MonthRow => {
    const when = whenOf(design, month);
    const inMonth = designOfMonth(design, month, which);
    const ended = ends.filter((end) => end <= month);
    const dated = design.agreements?.length ? when.date : null;
    const key = JSON.stringify([inMonth.sections, inMonth.assumptions.month, ended, dated]);
    const priced = known.get(key) ?? priceDesign(inMonth, books, which, new Map(), when);
    known.set(key, priced);
    return rowOf(design, month, when, priced);
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

function rowOf(design: Design, month: number, when: When, priced: PricedDesign): MonthRow {
  const firsts = new Map(
    design.sections.flatMap((section) =>
      section.components.map((component) => [component.id, firstMonth(component)] as const),
    ),
  );
  const lines = priced.sections
    .flatMap((section) => section.lines)
    .filter((line): line is PricedComponent => line.status === 'priced');
  const components = new Map(
    lines.map((line) => [line.id, amountsOf(line, month - firsts.get(line.id)!)] as const),
  );
  const all = [...components.values()];
  return {
    month: month + 1,
    calendar: when.date?.slice(0, 7) ?? null,
    components,
    monthly: addAll(all.map((each) => each.monthly)),
    cash: addAll(all.map((each) => each.cash)),
    unpriced: priced.unpriced,
  };
}

/** `age` is how many months the component has existed. */
function amountsOf(line: PricedComponent, age: number): MonthAmounts {
  const once = age === 0 ? line.once : ZERO;
  const due = line.renews !== null && age % line.renews === 0;
  const upfront = due ? line.upfront.minus(line.once) : ZERO;
  return {
    monthly: line.monthly.value.plus(once),
    cash: line.recurring.plus(upfront).plus(once),
  };
}

function firstMonth({ months }: Component): number {
  return (months?.from ?? 1) - 1;
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

/** The months after which allowances of this design end. */
function allowanceEnds(priced: PricedDesign): number[] {
  const notices = priced.sections.flatMap((section) =>
    section.lines.flatMap((line) => (line.status === 'priced' ? line.notices : [])),
  );
  return [
    ...new Set(
      notices
        .filter((notice) => notice.code === 'allowance.ended')
        .map((notice) => Number(notice.values.months)),
    ),
  ].sort((a, b) => a - b);
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
