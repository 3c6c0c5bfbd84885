/**
 * A bill laid against a design: sections and components as in the design, then meters, then the bill's things. What no rule
 * takes stands in "Not in the design"; credits and taxes apart. Source: pricing rules, "Bills"; needs P1, P2, P8.
 */
import { addAll, type Decimal, decimal, ONE, ZERO } from '@/engine/base';
import type { Design } from '@/engine/design';
import { conversionFactor } from '@/engine/units';
import { type BillPeriod, type BillThing, type CostBasis, periodDays } from './bill';
import { billUnit } from './bill-unit';
import type { ExpectedBill, ExpectedMeter } from './expected';
import type { Taken } from './rules';
import { type LaidBill, type LaidMeter, type LaidPart, type LaidSection, sectionOf, sumsOf } from './laid';
import { type Charged, varianceOf } from './variance';

export interface LayAsked {
  readonly design: Design;
  readonly expected: ExpectedBill;
  readonly taken: readonly Taken[];
  readonly period: BillPeriod;
  /** Newest day with rows of use; null: none yet. */
  readonly newest: string | null;
  readonly basis: CostBasis;
  /** How much of a day is there by its age, the newest first; beyond the list all of it. */
  readonly completeness: readonly string[];
}

/**
 * @example
 * const period = { from: '2026-11-01', to: '2026-12-01' };
 * const expected = expectedBill(design, books, period, 'USD');
 * const taken = takeThings([thing], [{ id: 'web', when: { sku: 'NV-*' }, to: 'a' }], new Set(['a']));
 * const laid = layBill({ design, expected, taken, period, newest: '2026-11-30', basis: 'effective', completeness: [] });
 * [laid.expected, laid.billed, laid.variance.difference]; // => ['144', '150', '6']
 */
export function layBill({
  design,
  expected,
  taken,
  period,
  newest,
  basis,
  completeness,
}: LayAsked): LaidBill {
  const all = periodDays(period);
  const last = newest === null ? 0 : periodDays({ from: period.from, to: newest }) + 1;
  const known = newest === null || newest < period.from ? 0 : last > all ? all : last;
  // A period that is over is complete.
  const lacking = known < all ? completeness.slice(0, known).map((share) => ONE.minus(share)) : [];
  const worth = decimal(known).minus(addAll(lacking));
  const bench = new Bench(expected.meters, worth, all, basis);
  for (const each of taken) bench.put(each);
  const sections = [
    ...design.sections.map(({ id, name, components }) =>
      sectionOf(
        { id, name, part: 'design' },
        components.map((component) => ({
          id: component.id,
          name: component.name,
          cells: bench.of(component.id),
        })),
      ),
    ),
    ...bench.apart(),
  ];
  return {
    ...sumsOf(sections.flatMap(({ components }) => components.flatMap(({ meters }) => meters))),
    currency: expected.currency,
    period,
    days: { known, worth: worth.toString(), all },
    sections,
    without: expected.without,
  };
}

/**
 * In which row of the ledger it stands: a component, or a service of what belongs to none.
 *
 * @example
 * ownerOf({ thing, component: 'a' }); // => 'a'
 * ownerOf({ thing, component: null }).split('\n')[0]; // => 'outside'
 */
export function ownerOf({ thing, component }: Pick<Taken, 'thing' | 'component'>): string {
  if (thing.category === 'Tax') return `taxes\n${thing.service}`;
  if (thing.category === 'Credit') return `credits\n${thing.service}`;
  return component ?? `outside\n${thing.service}`;
}

interface Cell {
  readonly meter: string;
  readonly label: string;
  readonly expected: ExpectedMeter | null;
  cost: Decimal | null;
  quantity: Decimal | null;
  unit: string;
  corrections: Decimal;
  readonly things: number[];
}

const APART: readonly (readonly [Exclude<LaidPart, 'design'>, string])[] = [
  ['outside', 'Not in the design'],
  ['credits', 'Credits'],
  ['taxes', 'Taxes'],
];

/** So that sums of them stay exact. */
const DIGITS = 18;

/** Where things are put: a cell for each meter of a component, or of a service for what belongs to none. */
class Bench {
  private readonly byOwner = new Map<string, Cell[]>();

  constructor(
    meters: readonly ExpectedMeter[],
    private readonly known: Decimal,
    private readonly all: number,
    private readonly basis: CostBasis,
  ) {
    for (const each of meters) this.cellsOf(each.component).push(newCell(each.meter, each.label, each));
  }

  private cellsOf(owner: string): Cell[] {
    const found = this.byOwner.get(owner) ?? [];
    this.byOwner.set(owner, found);
    return found;
  }

  put(taken: Taken): void {
    const { thing, share } = taken;
    const cell = this.cellFor(taken);
    const cost = share.times(this.basis === 'effective' ? thing.effective : thing.billed);
    if (!cell.things.includes(thing.at)) cell.things.push(thing.at);
    if (thing.isCorrection || thing.category === 'Adjustment' || thing.category === 'Credit') {
      cell.corrections = cell.corrections.plus(cost);
      return;
    }
    cell.cost = (cell.cost ?? ZERO).plus(cost);
    // What is bought is no use, and unused commitment none either.
    if (thing.category !== 'Usage' || thing.quantity === null || thing.commitmentStatus === 'Unused') return;
    const wanted = cell.expected?.unit ?? (cell.unit || thing.unit);
    const quantity = inUnit(thing.quantity, thing.unit, wanted);
    if (!quantity) return;
    cell.unit = wanted;
    cell.quantity = (cell.quantity ?? ZERO).plus(quantity.times(share));
  }

  private cellFor(taken: Taken): Cell {
    const { thing, component, meter } = taken;
    const owner = ownerOf(taken);
    if (thing.category === 'Tax') return this.named(owner, thing.description || 'Tax', '');
    if (thing.category === 'Credit') return this.named(owner, thing.description || 'Credit', '');
    if (component === null)
      return this.named(owner, thing.meter || thing.sku || thing.description || 'Other', thing.unit);
    if (thing.commitmentStatus === 'Unused') return this.named(component, 'Commitment not used', '');
    if (thing.category === 'Purchase') return this.named(component, thing.description || 'Bought', '');
    const cells = this.cellsOf(component);
    const found = meter === null ? fitting(cells, thing) : cells.find((cell) => cell.meter === meter);
    return found ?? this.named(component, meter ?? (thing.meter || thing.sku || 'Other'), thing.unit);
  }

  private named(owner: string, label: string, unit: string): Cell {
    const cells = this.cellsOf(owner);
    const key = unit ? `${label}\n${unit}` : label;
    const found = cells.find((cell) => cell.meter === key);
    if (found) return found;
    const made = newCell(key, label, null);
    cells.push(made);
    return made;
  }

  of(owner: string): LaidMeter[] {
    return (this.byOwner.get(owner) ?? []).map((cell) => this.laid(cell));
  }

  apart(): LaidSection[] {
    return APART.flatMap(([part, name]): LaidSection[] => {
      const owners = [...this.byOwner.keys()].filter((owner) => owner.startsWith(`${part}\n`)).sort();
      if (owners.length === 0) return [];
      const rows = owners.map((id) => ({
        id,
        name: id.slice(part.length + 1) || 'Without a service',
        cells: this.of(id),
      }));
      return [sectionOf({ id: part, name, part }, rows)];
    });
  }

  private laid({ meter, label, expected, cost, quantity, unit, corrections, things }: Cell): LaidMeter {
    const whole: Charged | null = expected && {
      ...{ cost: expected.cost, quantity: expected.quantity, unit: expected.unit || null },
    };
    const part = (text: string): string =>
      decimal(text).times(this.known).dividedBy(this.all).toDecimalPlaces(DIGITS).toString();
    const soFar =
      whole && this.known.lessThan(this.all)
        ? {
            cost: part(whole.cost),
            quantity: whole.quantity === null ? null : part(whole.quantity),
            unit: whole.unit,
          }
        : whole;
    // Before the first day nothing is gone yet.
    const due = this.known.isZero() ? null : soFar;
    const billed: Charged | null = cost && {
      ...{ cost: cost.toString(), quantity: quantity?.toString() ?? null, unit: unit || null },
    };
    const variance = varianceOf([{ expected: due, billed, corrections: corrections.toString() }]);
    return {
      ...{ meter, label, expected: whole, soFar: due, billed, corrections: corrections.toString() },
      ...{ variance, things },
    };
  }
}

const newCell = (meter: string, label: string, expected: ExpectedMeter | null): Cell => ({
  ...{ meter, label, expected, cost: null, quantity: null, unit: '', corrections: ZERO, things: [] },
});

/** By its name, else the only one that is counted so. */
function fitting(cells: readonly Cell[], thing: BillThing): Cell | undefined {
  const expected = cells.filter((cell) => cell.expected);
  const low = thing.meter.toLowerCase();
  const named = expected.find(
    ({ meter, label }) => meter.toLowerCase() === low || label.toLowerCase() === low,
  );
  if (named) return named;
  const alike = expected.filter(({ expected: each }) =>
    thing.unit === '' ? each!.unit === '' : inUnit('1', thing.unit, each!.unit) !== null,
  );
  return alike.length === 1 ? alike[0] : undefined;
}

/** Null: they are no amounts of the same. */
function inUnit(amount: string, from: string, to: string): Decimal | null {
  if (from === to) return decimal(amount);
  const known = billUnit(from);
  const factor = known && conversionFactor(known.unit, billUnit(to)?.unit ?? to);
  return factor?.ok ? decimal(amount).times(known!.factor).times(factor.value) : null;
}
