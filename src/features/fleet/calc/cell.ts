/**
 * A group under a placement: what it costs by kind, what does not fit, which least quantity bites, and every machine's own
 * part. The amount is the engine's for the design that the group becomes, so it is the design's to the cent. Needs L7, K7,
 * M15, N12.
 */
import { addAll, decimal, type Decimal, ZERO } from '@/engine/base';
import { kindOf, type Kind } from '@/engine/books';
import type { Design, Place } from '@/engine/design';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';
import { monthlyOf } from '@/engine/pricing';
import type { FleetPart, LaidMachine, Layout, Portion, UnfitWhy } from './laid';
import { laying } from './layout';
import type { Fact, Machine } from './model';
import type { FleetPlacement } from './placement';
import type { Placer } from './placer';

export const COST_KINDS = ['compute', 'systems', 'licences', 'storage', 'transfer'] as const;
export type CostKind = (typeof COST_KINDS)[number];

export interface FleetCell {
  readonly placement: string;
  readonly place: Place;
  readonly layout: Layout;
  readonly design: Design;
  /** By line, exact, in the currency of the placer; a line without an amount is not there. */
  readonly lines: ReadonlyMap<string, Decimal>;
  readonly monthly: Decimal;
  readonly kinds: Readonly<Record<CostKind, Decimal>>;
  /** Lines that have no amount: then the total is not all of it. */
  readonly unpriced: number;
  readonly unfit: readonly { readonly id: string; readonly why: UnfitWhy }[];
  /** Machines that are in the amount. */
  readonly machines: number;
}

/** Priced, and nothing is missing. */
export const isComplete = ({ unpriced, unfit }: FleetCell): boolean => unpriced === 0 && unfit.length === 0;

/**
 * The places of the placement one after the other; what comes of the cheapest that has everything, or misses least.
 *
 * @example
 * const placer = new Placer({ currency: 'USD', exchange: [], books: [book], systems: {} });
 * const here = defaultPlacement('p', 'Here', [{ book: 'small', region: 'severn' }]);
 * cellOf(placer, [{ id: 'a', name: 'A', machines: [] }], here).next().value.monthly.toString(); // => '0'
 */
export function* cellOf(
  placer: Placer,
  parts: readonly FleetPart[],
  placement: FleetPlacement,
): Generator<number, FleetCell> {
  let best: FleetCell | null = null;
  for (const place of placement.places) {
    const layout: Layout = yield* laying(placer, parts, placement, place);
    const cell = pricedCell(placer, layout);
    if (!best || isBetter(cell, best)) best = cell;
  }
  if (!best) throw new Error('A placement has at least one place.');
  return best;
}

/**
 * Only the amount, at the first place: what stands beside a cell needs no more.
 *
 * @example
 * const placer = new Placer({ currency: 'USD', exchange: [], books: [book], systems: {} });
 * const here = defaultPlacement('p', 'Here', [{ book: 'small', region: 'severn' }]);
 * monthlyUnder(placer, [{ id: 'a', name: 'A', machines: [] }], here).next().value.toString(); // => '0'
 */
export function* monthlyUnder(
  placer: Placer,
  parts: readonly FleetPart[],
  placement: FleetPlacement,
): Generator<number, Decimal> {
  const { sections }: Layout = yield* laying(placer, parts, placement, placement.places[0]!);
  return placer.price(placer.design(placement.name, sections, placement.agreements)).monthly.value;
}

function isBetter(a: FleetCell, b: FleetCell): boolean {
  const missing = (cell: FleetCell): number => cell.unpriced + cell.unfit.length;
  const more = missing(a) - missing(b);
  return more < 0 || (more === 0 && a.monthly.lessThan(b.monthly));
}

function pricedCell(placer: Placer, layout: Layout): FleetCell {
  const { placement, place, sections, machines } = layout;
  const design = placer.design(placement.name, sections, placement.agreements);
  const priced = placer.price(design);
  const lines = monthlyOf(priced);
  const kinds = Object.fromEntries(COST_KINDS.map((kind) => [kind, ZERO])) as Record<CostKind, Decimal>;
  const components = sections.flatMap((section) => section.components);
  for (const { id, kind } of components) {
    const amount = lines.get(id);
    if (amount) kinds[costKindOf(kind)] = kinds[costKindOf(kind)].plus(amount);
  }
  const { systems, licences } = licencesIn(placer, design, priced.monthly.value);
  kinds.systems = systems;
  kinds.licences = licences;
  kinds.compute = kinds.compute.minus(systems).minus(licences);
  const unfit = [...machines.values()].flatMap(({ machine, unfit: why }) =>
    why ? [{ id: machine.id, why }] : [],
  );
  return {
    placement: placement.id,
    place,
    layout,
    design,
    lines,
    monthly: priced.monthly.value,
    kinds,
    unpriced: priced.unpriced,
    unfit,
    machines: machines.size - unfit.length,
  };
}

function costKindOf(kind: Kind): CostKind {
  const { serviceCategory } = kindOf(kind);
  return serviceCategory === 'Storage'
    ? 'storage'
    : serviceCategory === 'Networking'
      ? 'transfer'
      : 'compute';
}

/** By how much the same would cost less without them: those of software, then those of systems, too. */
function licencesIn(
  placer: Placer,
  design: Design,
  monthly: Decimal,
): { readonly systems: Decimal; readonly licences: Decimal } {
  const { systems } = placer.world;
  const ofSystems = new Set(
    Object.values(systems).flatMap((choice) => (choice.is === 'licensed' ? [choice.product] : [])),
  );
  const all = design.sections.flatMap(({ components }) =>
    components.flatMap(({ licences }) => licences ?? []),
  );
  const paid = all.filter(({ how }) => how === 'included');
  const without = (stays: (product: string) => boolean): Decimal =>
    placer.price(withLicences(design, stays)).monthly.value;
  const bare = paid.length === 0 ? monthly : without(() => false);
  const onlySystems = paid.every(({ product }) => ofSystems.has(product));
  const withoutSoftware = onlySystems ? monthly : without((product) => ofSystems.has(product));
  return { systems: withoutSoftware.minus(bare), licences: monthly.minus(withoutSoftware) };
}

function withLicences(design: Design, stays: (product: string) => boolean): Design {
  const sections = design.sections.map((section) => ({
    ...section,
    components: section.components.map((component) => ({
      ...component,
      licences: component.licences?.filter(({ product }) => stays(product)) ?? null,
    })),
  }));
  return { ...design, sections };
}

export interface MachineAmount {
  readonly laid: LaidMachine;
  /** Its part of the lines, exact; null: it does not fit, or a line that it is part of has no amount. */
  readonly monthly: Decimal | null;
  /** As printed: all of them add up to the printed total, to the cent. */
  readonly printed: Decimal | null;
}

/**
 * What each machine's part is: like machines share their line evenly, disks by GiB, traffic by GB, hosts by room.
 *
 * @example
 * const placer = new Placer({ currency: 'USD', exchange: [], books: [book], systems: {} });
 * const here = defaultPlacement('p', 'Here', [{ book: 'small', region: 'severn' }]);
 * machineAmounts(cellOf(placer, [{ id: 'a', name: 'A', machines: [] }], here).next().value, 'USD'); // => []
 */
export function machineAmounts(cell: FleetCell, currency: string): MachineAmount[] {
  const weights = new Map<string, number>();
  const all = [...cell.layout.machines.values()];
  for (const { portions } of all)
    for (const { line, weight } of portions) weights.set(line, (weights.get(line) ?? 0) + weight);
  const perWeight = new Map(
    [...weights].map(([line, weight]): [string, Decimal | null] => {
      const amount = cell.lines.get(line);
      return [line, amount && weight > 0 ? amount.dividedBy(decimal(weight.toPrecision(15))) : null];
    }),
  );
  // Most machines share a few weights.
  const known = new Map<number, Decimal>();
  const exactWeight = (weight: number): Decimal => {
    const made = known.get(weight) ?? decimal(weight.toPrecision(15));
    known.set(weight, made);
    return made;
  };
  const part = ({ line, weight }: Portion): Decimal | null => {
    const each = perWeight.get(line);
    return each && weight !== 1 ? each.times(exactWeight(weight)) : (each ?? null);
  };
  const exact = all.map(({ portions, unfit }): Decimal | null => {
    if (unfit) return null;
    const parts = portions.map(part);
    return parts.some((each) => each === null) ? null : addAll(parts as Decimal[]);
  });
  const digits = minorDigits(currency);
  const priced = exact.flatMap((amount, at) => (amount ? [{ amount, at }] : []));
  const whole =
    priced.length === all.length - cell.unfit.length ? halfAwayFromZero(cell.monthly, digits) : undefined;
  const rounded = roundRows(
    priced.map(({ amount }) => amount),
    digits,
    whole,
  );
  const printed = new Map(priced.map(({ at }, index) => [at, rounded[index]!]));
  return all.map((laid, at) => ({ laid, monthly: exact[at]!, printed: printed.get(at) ?? null }));
}

/**
 * The same machines, those without measurements as if they were used as the measured ones are on average: how much of the
 * amount hangs on what nobody measured. Null: all or none are measured.
 *
 * @example
 * asIfMeasured([]); // => null
 */
export function asIfMeasured(machines: readonly Machine[]): Machine[] | null {
  const mean = (read: (machine: Machine) => Fact | null): number | null => {
    const known = machines.flatMap((machine) => read(machine)?.value ?? []);
    return known.length === 0 ? null : known.reduce((sum, value) => sum + value, 0) / known.length;
  };
  const shares = ['peakCpu', 'usualCpu', 'peakMemory', 'usualMemory'] as const;
  const means = new Map(shares.map((share) => [share, mean((machine) => machine[share])]));
  let changed = 0;
  const made = machines.map((machine) => {
    const missing = shares.filter((share) => machine[share] === null && means.get(share) !== null);
    if (missing.length === 0) return machine;
    changed += 1;
    const facts = missing.map((share) => [share, { value: means.get(share)!, from: 'derived' }] as const);
    return { ...machine, ...Object.fromEntries(facts) };
  });
  return changed > 0 ? made : null;
}
