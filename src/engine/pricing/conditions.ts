/**
 * Under what a design is asked for: a month with its growth, season and campaigns, another load, other components in
 * place of its own. Whatever stays as it is stays the same object, so that pricing can take it over. Source: pricing
 * rules, "Running patterns", "Terms"; needs A23, F15, F16, H19, K12.
 */
import { decimal, type Decimal, type Issue, ONE, ZERO } from '../base';
import { mainMeter, meterOfKind } from '../books';
import {
  allComponents,
  type Assumptions,
  type Component,
  type Design,
  followingOf,
  stepsFor,
  type UsageEntry,
  withCased,
} from '../design';
import { type Driver, DRIVERS, TRAFFIC } from '../drivers';
import { allowanceMonths } from '../rating';
import { isInForce } from '../terms';
import { type MonthConvention } from '../time';
import type { Figure } from '../trace';
import { type Case, type Cased, CASES, type Grown, readCase } from '../usage';
import type { BookSet } from './book-set';
import type { When } from './context';

export interface Conditions {
  readonly case: Case;
  /** Months after the first, with growth, season, campaigns and who exists then; not said: the design as it stands. */
  readonly month?: number;
  /** Everything that follows traffic, so many times. Zero or more. */
  readonly load?: Decimal;
  /** By id: components that stand in place of the design's own. */
  readonly instead?: ReadonlyMap<string, Component>;
  /** By name: drivers with this value in place of theirs, in every case. */
  readonly drivers?: ReadonlyMap<string, Decimal>;
}

/**
 * The design that is priced under the conditions; the same object where nothing differs.
 *
 * @example
 * designUnder(design, { case: 'likely' }) === design; // => true
 */
export function designUnder(design: Design, under: Conditions): Design {
  const { case: which, month, load, instead, drivers } = under;
  const replaced =
    instead && instead.size > 0 ? mapComponents(design, (each) => instead.get(each.id) ?? each) : design;
  const stepped = withSteps(replaced, drivers);
  const inMonth = month === undefined ? stepped : designOfMonth(stepped, month, which);
  return load === undefined ? inMonth : underLoad(inMonth, load);
}

/**
 * Everything that follows traffic, so many times; what follows stock stays.
 *
 * @example
 * const half = underLoad(design, decimal('0.5'));
 * half === design; // => true
 */
export function underLoad(design: Design, times: Decimal): Design {
  if (times.equals(1)) return design;
  const traffic = {
    label: `${times} times the traffic`,
    factor: times.toString(),
    input: { component: DRIVERS, entry: TRAFFIC },
  };
  return mapComponents(design, (component) => grown(component, traffic, undefined));
}

/**
 * Entries that follow a formula, with its steps and exactly what they come to; a formula that gives nothing is the
 * component's fault. Without other values each component is worked out once.
 */
function withSteps(design: Design, instead: Conditions['drivers']): Design {
  const own = design.assumptions.drivers ?? NO_DRIVERS;
  const drivers = instead
    ? own.map((each) => {
        const value = instead.get(each.name);
        return value ? { ...each, value: { likely: value.toString() } } : each;
      })
    : own;
  return mapComponents(design, (component) => {
    if (followingOf(component).length === 0) return component;
    if (instead) return stepped(component, drivers);
    const before = steppedOnce.get(component);
    if (before?.drivers === drivers) return before.component;
    const made = stepped(component, drivers);
    steppedOnce.set(component, { drivers, component: made });
    return made;
  });
}

const NO_DRIVERS: readonly Driver[] = [];

const steppedOnce = new WeakMap<
  Component,
  { readonly drivers: readonly Driver[]; readonly component: Component }
>();

function stepped(component: Component, drivers: readonly Driver[]): Component {
  let current = component;
  const faults: Partial<Record<Case, Issue>> = {};
  for (const { entry, ...filled } of followingOf(component)) {
    const figures = new Map<Case, Figure>();
    for (const which of CASES) {
      const steps = stepsFor(filled, drivers, which);
      if (steps.ok) figures.set(which, steps.value);
      else faults[which] ??= steps.issue;
    }
    const known = figures.get('likely') ?? [...figures.values()][0];
    if (!known) continue;
    const likely = known.value.toString();
    const other = (which: Case): Partial<Cased> => {
      const text = figures.get(which)?.value.toString() ?? likely;
      return text === likely ? {} : { [which]: text };
    };
    const value = { likely, ...other('lean'), ...other('heavy') };
    current = withCased(current, entry, { ...value, steps: (which) => figures.get(which) ?? known })!;
  }
  return Object.keys(faults).length === 0 ? current : { ...current, faults };
}

/** The same design where `change` gives back what it was given, each section likewise. */
function mapComponents(design: Design, change: (component: Component) => Component): Design {
  let moved = false;
  const sections = design.sections.map((section) => {
    const components = section.components.map(change);
    if (components.every((each, at) => each === section.components[at])) return section;
    moved = true;
    return { ...section, components };
  });
  return moved ? { ...design, sections } : design;
}

/**
 * The design as it is in one month (0 is the first): who exists, and how much of everything.
 *
 * @example
 * designOfMonth(design, 3, 'likely').sections.length; // => 1
 */
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
function grown(component: Component, traffic: Grown | undefined, stock: Grown | undefined): Component {
  if (!traffic && !stock) return component;
  let moved = false;
  const usage = Object.fromEntries(
    Object.entries(component.usage).map(([meter, entry]): [string, UsageEntry] => {
      const follows = meterOfKind(component.kind, meter)?.follows;
      const by = follows === 'traffic' ? traffic : follows === 'stock' ? stock : undefined;
      if (by) moved = true;
      return [meter, by ? { ...entry, grown: by } : entry];
    }),
  );
  const { load } = component;
  if (load && traffic) return { ...component, usage, load: { ...load, grown: traffic } };
  return moved ? { ...component, usage } : component;
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

/**
 * The month after so many, and its first day where the design says when it begins.
 *
 * @example
 * whenOf({ ...design, assumptions: { ...design.assumptions, start: '2027-01' } }, 13); // => { month: 13, date: '2028-02-01' }
 */
export function whenOf({ assumptions }: Design, month: number): When {
  const { start } = assumptions;
  if (!start) return { month, date: null };
  const at = Number(start.slice(0, 4)) * 12 + Number(start.slice(5, 7)) - 1 + month;
  const calendar = String((at % 12) + 1).padStart(2, '0');
  return { month, date: `${Math.floor(at / 12)}-${calendar}-01` };
}

/**
 * The months after which allowances end that this design may use.
 *
 * @example
 * allowanceEnds(design, books); // => []
 */
export function allowanceEnds(design: Design, books: BookSet): number[] {
  const found = new Set<number>();
  for (const { place, kind } of allComponents(design)) {
    const pin = design.books.find((each) => each.book === place?.book);
    const book = pin && books.get(pin.book, pin.revision);
    if (book && place) for (const end of allowanceMonths(book, place.region, kind)) found.add(end);
  }
  return [...found].sort((a, b) => a - b);
}

/**
 * Everything beside components and books that an amount may hang on, as one text: runs under equal settings may take
 * over from one another. Growth is in the components already.
 *
 * @example
 * settingsOf(design, books, whenOf(design, 0)).includes('USD'); // => true
 */
export function settingsOf(design: Design, books: BookSet, when: When): string {
  const { currency, sold } = design;
  // What follows a driver has its value already; what is kept is only asked.
  const { drivers: _, together: __, kept: ___, ...assumptions } = design.assumptions;
  const agreements = (design.agreements ?? []).filter((each) => isInForce(each, when.date));
  const ended = when.month === 0 ? [] : allowanceEnds(design, books).filter((end) => end <= when.month);
  return JSON.stringify([currency, assumptions, sold ?? null, agreements, ended]);
}
