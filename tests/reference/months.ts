/**
 * The months of a design one by one, each priced anew: growth, season, campaigns, who exists, dated agreements, ends of
 * allowances, and money in the month it leaves. Rules 6 and 12.
 */
import type { Component, Design, UsageEntry } from '@/engine/design';
import type { Case } from '@/engine/usage';
import type { PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { f, Fraction, ONE, sum, ZERO } from './fraction';
import { KINDS } from './kinds';
import { type ReferenceLine, referencePrice, type When } from './price';
import { read } from './week';

export interface ReferenceMonth {
  readonly monthly: Fraction;
  readonly cash: Fraction;
}

interface Paid {
  readonly upfront: Fraction;
  readonly months: number;
}

export function referenceMonths(
  design: Design,
  books: readonly PriceBookFile[],
  which: Case,
  horizon: number,
): ReferenceMonth[] {
  const paid = new Map<string, Paid>();
  const components = new Map(
    design.sections.flatMap((section) => section.components).map((each) => [each.id, each]),
  );
  return Array.from({ length: horizon }, (_, month) => {
    const when = { month, date: dateOf(design, month) };
    const inMonth = designIn(design, month, which);
    const priced = [...referencePrice(inMonth, books, which, when).lines.values()].flatMap(
      (line) => line ?? [],
    );
    const rows = priced.map((line) =>
      rowOf(line, components.get(line.id)!, priced, paid, { inMonth, books, which, when }),
    );
    return { monthly: sum(rows.map((row) => row.monthly)), cash: sum(rows.map((row) => row.cash)) };
  });
}

interface Scene {
  readonly inMonth: Design;
  readonly books: readonly PriceBookFile[];
  readonly which: Case;
  readonly when: When;
}

function rowOf(
  line: ReferenceLine,
  { months, ...component }: Component,
  all: readonly ReferenceLine[],
  paid: Map<string, Paid>,
  scene: Scene,
): ReferenceMonth {
  const age = scene.when.month + 1 - (months?.from ?? 1);
  const once = age === 0 ? line.once : ZERO;
  let cash = line.recurring.plus(once);
  let monthly = line.monthly.plus(once);
  const { committed } = line;
  if (!committed) return { monthly, cash };
  const upfront = line.upfront.minus(line.once);
  if (age % committed.months === 0) {
    paid.set(line.id, { upfront, months: committed.months });
    cash = cash.plus(upfront);
  }
  const last = paid.get(line.id);
  if (!last) return { monthly, cash };
  const spread = last.upfront.over(f(last.months));
  // What others compare with it is already in their months.
  const elsewhere = sum(
    all.flatMap(({ ahead }) => ahead.filter(({ by }) => by === line.id).map((each) => each.amount)),
  );
  monthly = line.recurring.plus(spread).minus(elsewhere).plus(once);
  if (elsewhere.isZero && last.upfront.compare(upfront) === 0) monthly = line.monthly.plus(once);
  const used = (age % last.months) + 1;
  if (months?.to === scene.when.month + 1 && used < last.months) {
    const due = owed(line, { ...component, id: line.id }, last, used, scene);
    monthly = monthly.plus(due).plus(spread.times(f(last.months - used)));
    cash = cash.plus(due);
  }
  return { monthly, cash };
}

/** The book's rule for leaving early; the rest is due where it has none. */
function owed(line: ReferenceLine, component: Component, paid: Paid, used: number, scene: Scene): Fraction {
  const { recurring, months, upfront } = line.committed!;
  const left = f(months - used);
  const rest = recurring.times(left);
  const { early } = line;
  if (early?.rule === 'fee') {
    const unused = paid.upfront.times(left).over(f(months));
    return rest.plus(unused).times(f(early.share)).minus(unused);
  }
  if (early?.rule !== 're-rate') return rest;
  const now = scene.inMonth.sections
    .flatMap((section) => section.components)
    .find(({ id }) => id === component.id);
  const alone: Design = {
    ...scene.inMonth,
    sections: [{ id: 'alone', name: '', components: [{ ...now!, term: 'on-demand' }] }],
  };
  const free = referencePrice(alone, scene.books, scene.which, scene.when).lines.get(component.id);
  const month = free ? free.monthly : line.monthly;
  const beside = line.monthly.minus(recurring.plus(upfront.over(f(months))));
  const onDemand = month.minus(beside).times(f(used));
  return onDemand.minus(paid.upfront.plus(recurring.times(f(used))));
}

function dateOf({ assumptions: { start } }: Design, month: number): string | null {
  if (!start) return null;
  const [year, first] = start.split('-').map(Number) as [number, number];
  const date = new Date(Date.UTC(year, first - 1 + month, 1));
  return date.toISOString().slice(0, 10);
}

function designIn(design: Design, month: number, which: Case): Design {
  const { assumptions } = design;
  const date = dateOf(design, month);
  const convention = assumptions.month;
  const calendar = (): Design['assumptions']['month'] => {
    if (convention.hours !== 'calendar') return convention;
    const first = assumptions.start ?? `${convention.year}-${String(convention.month).padStart(2, '0')}`;
    const shifted = dateOf({ ...design, assumptions: { ...assumptions, start: first } }, month)!;
    return { hours: 'calendar', year: Number(shifted.slice(0, 4)), month: Number(shifted.slice(5, 7)) };
  };
  const growth = (what: 'traffic' | 'stock'): Fraction => {
    let factor = ONE;
    const share = assumptions.growth ? read(assumptions.growth[what], which) : ZERO;
    for (let past = 0; past < month; past += 1) factor = factor.times(ONE.plus(share));
    if (what === 'stock') return factor;
    const inYear = date ? Number(date.slice(5, 7)) - 1 : month % 12;
    if (assumptions.season) factor = factor.times(f(assumptions.season[inYear]!));
    for (const campaign of assumptions.campaigns ?? []) {
      if (campaign.month === month + 1) factor = factor.times(f(campaign.times));
    }
    return factor;
  };
  const [traffic, stock] = [growth('traffic'), growth('stock')];
  const grow = (entry: UsageEntry, by: Fraction): UsageEntry =>
    ({ ...entry, grown: { label: '', factor: exactly(by) } }) as UsageEntry;
  return {
    ...design,
    assumptions: { ...assumptions, month: calendar() },
    sections: design.sections.map((section) => ({
      ...section,
      components: section.components
        .filter(
          ({ months }) => !months || (months.from <= month + 1 && (months.to ?? month + 1) >= month + 1),
        )
        .map((component): Component => {
          const { meters } = KINDS[component.kind]!;
          const later = (component.later ?? [])
            .filter(({ fromMonth }) => fromMonth <= month + 1)
            .sort((a, b) => b.fromMonth - a.fromMonth)[0];
          const usage = Object.fromEntries(
            Object.entries(component.usage).map(([meter, entry]) => {
              const { follows } = meters.find((each) => each.meter === meter)!;
              const by = follows === 'traffic' ? traffic : follows === 'stock' ? stock : ONE;
              const now =
                later && meter === meters[0]!.meter ? { ...entry, amount: { likely: later.amount } } : entry;
              return [meter, grow(now, by)];
            }),
          );
          const { load } = component;
          const more = load ? { load: { ...load, grown: { label: '', factor: exactly(traffic) } } } : {};
          return { ...component, usage, ...more };
        }),
    })),
  };
}

/** Growth of some months has some tens of digits, all of which are written. */
function exactly(value: Fraction): string {
  const text = value.toText(120);
  if (Fraction.of(text).compare(value) !== 0) throw new Error('more digits than are written');
  return text;
}
