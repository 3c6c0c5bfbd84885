/**
 * Groups × placements: each cell with its cost by kind, as installed beside by the rule, and between what if the unmeasured
 * were used as the measured are; all groups together counted once; and the best mix, one placement for each group. Needs
 * L7, L17, M10, M15, N12.
 */
import { addAll, type Decimal } from '@/engine/base';
import { asIfMeasured, cellOf, type FleetCell, isComplete, monthlyUnder } from './cell';
import type { FleetGroup } from './filter';
import type { FleetPart } from './laid';
import type { Machine } from './model';
import type { FleetPlacement } from './placement';
import type { Placer } from './placer';

export interface GroupMachines {
  readonly group: Pick<FleetGroup, 'id' | 'name'>;
  readonly machines: readonly Machine[];
}

export interface MatrixCell {
  readonly group: string;
  readonly cell: FleetCell;
  /** The same as installed; null: the rule is that already. */
  readonly installed: Decimal | null;
  /** If those without measurements were used as the others are; null: there is no such thing. */
  readonly ifMeasured: Decimal | null;
}

export interface Mix {
  /** By group: the placement that is best for those of its machines that no group before it has. */
  readonly chosen: readonly {
    readonly group: string;
    readonly placement: string;
    readonly machines: number;
  }[];
  /** All of it as one design. */
  readonly monthly: Decimal;
  /** The cheapest single placement for the same machines; null: none has everything. */
  readonly single: { readonly placement: string; readonly monthly: Decimal } | null;
}

export interface Matrix {
  readonly cells: readonly MatrixCell[];
  /** All machines of any group, each once, by placement; none where there is one group only. */
  readonly union: readonly MatrixCell[];
  /** Null: a group fits nowhere, or there is one group only. */
  readonly mix: Mix | null;
}

export interface MatrixStep {
  readonly done: number;
  readonly steps: number;
}

/**
 * Yields how far it is.
 *
 * @example
 * const placer = new Placer({ currency: 'USD', exchange: [], books: [book], systems: {} });
 * matrixOf(placer, [], []).next().value.cells; // => []
 */
export function* matrixOf(
  placer: Placer,
  groups: readonly GroupMachines[],
  placements: readonly FleetPlacement[],
): Generator<MatrixStep, Matrix> {
  const own = onceEach(groups);
  const union: GroupMachines = {
    group: { id: UNION, name: 'All groups, each machine once' },
    machines: own.flatMap(({ machines }) => machines),
  };
  // One group is all groups.
  const rows = groups.length > 1 ? [...groups, union] : groups;
  const steps = rows.reduce((sum, { machines }) => sum + machines.length, 0) * placements.length + 1;
  let before = 0;
  const byRow = rows.map((): MatrixCell[] => []);
  const byRule = placements.some(({ rule }) => rule.by !== 'installed');
  const measured = rows.map(({ machines }) => (byRule ? asIfMeasured(machines) : null));
  // Placement by placement: what a machine becomes under one is found once for all groups that it is in.
  for (const placement of placements) {
    for (const [at, { group, machines }] of rows.entries()) {
      const work = matrixCell(placer, { ...group, machines }, placement, measured[at]!);
      let step = work.next();
      while (!step.done) {
        yield { done: before + Math.min(step.value, machines.length), steps };
        step = work.next();
      }
      before += machines.length;
      yield { done: before, steps };
      byRow[at]!.push(step.value);
    }
  }
  const cells = byRow.flat();
  const ofGroups = cells.filter(({ group }) => group !== UNION);
  const ofUnion = cells.filter(({ group }) => group === UNION);
  let mix: Mix | null = null;
  if (groups.length > 1) {
    const work = mixOf(placer, own, placements, ofUnion, knownCells(groups, own, ofGroups));
    let step = work.next();
    while (!step.done) {
      yield { done: before, steps };
      step = work.next();
    }
    mix = step.value;
  }
  return { cells: ofGroups, union: ofUnion, mix };
}

export const UNION = '*';

function* matrixCell(
  placer: Placer,
  part: FleetPart,
  placement: FleetPlacement,
  measured: readonly Machine[] | null,
): Generator<number, MatrixCell> {
  const cell: FleetCell = yield* cellOf(placer, [part], placement);
  // At the place that was taken, so that only the size differs.
  const there = { ...placement, places: [cell.place] };
  const byInstalled = placement.rule.by === 'installed';
  const installed: Decimal | null = byInstalled
    ? null
    : yield* monthlyUnder(placer, [part], { ...there, rule: { by: 'installed' } });
  const ifMeasured: Decimal | null =
    byInstalled || !measured ? null : yield* monthlyUnder(placer, [{ ...part, machines: measured }], there);
  return { group: part.id, cell, installed, ifMeasured };
}

/**
 * Each machine in the first group that has it.
 *
 * @example
 * onceEach([]); // => []
 */
export function onceEach(groups: readonly GroupMachines[]): GroupMachines[] {
  const taken = new Set<string>();
  return groups.map(({ group, machines }) => ({
    group,
    machines: machines.filter(({ id }) => {
      if (taken.has(id)) return false;
      taken.add(id);
      return true;
    }),
  }));
}

/** Up to so many groups and machines every way of giving groups to placements is tried. */
const TRIED_GROUPS = 4;
const TRIED_MACHINES = 5000;

/**
 * Which placement for which group: groups that go the same way go together, so that they share hosts and tiers. Many
 * groups or machines: each group by itself, and everything under one placement.
 */
function* mixOf(
  placer: Placer,
  own: readonly GroupMachines[],
  placements: readonly FleetPlacement[],
  union: readonly MatrixCell[],
  known: ReadonlyMap<string, FleetCell>,
): Generator<number, Mix | null> {
  const groups = own.filter(({ machines }) => machines.length > 0);
  const [single] = union
    .filter(({ cell }) => isComplete(cell))
    .sort((a, b) => a.cell.monthly.comparedTo(b.cell.monthly));
  const count = groups.reduce((sum, { machines }) => sum + machines.length, 0);
  const cells = new PartCells(placer, groups, known);
  const all = groups.length <= TRIED_GROUPS && count <= TRIED_MACHINES;
  const tried = all ? waysOf(groups.length, placements.length) : [yield* eachBest(cells, groups, placements)];
  let best: {
    readonly way: readonly number[];
    readonly parts: readonly FleetCell[];
    readonly sum: Decimal;
  } | null = null;
  for (const way of tried) {
    if (!way) continue;
    const parts: FleetCell[] = [];
    for (const at of new Set(way))
      parts.push(
        yield* cells.of(
          placements[at]!,
          way.map((each) => each === at),
        ),
      );
    if (!parts.every(isComplete)) continue;
    const sum = addAll(parts.map(({ monthly }) => monthly));
    if (!best || sum.lessThan(best.sum)) best = { way, parts, sum };
  }
  if (!best) return null;
  const monthly = together(placer, best.parts);
  const told = single && { placement: single.cell.placement, monthly: single.cell.monthly };
  // Everything one way may be the best there is.
  if (told && told.monthly.lessThanOrEqualTo(monthly)) {
    const chosen = groups.map(({ group, machines }) => ({
      group: group.id,
      placement: told.placement,
      machines: machines.length,
    }));
    return { chosen, monthly: told.monthly, single: told };
  }
  const { way } = best;
  return {
    chosen: groups.map(({ group, machines }, at) => ({
      group: group.id,
      placement: placements[way[at]!]!.id,
      machines: machines.length,
    })),
    monthly,
    single: told ?? null,
  };
}

const partKey = (placement: string, some: readonly GroupMachines[]): string =>
  JSON.stringify([placement, ...some.map(({ group }) => group.id)]);

/** Groups that lose no machine to one before them: their cells are there. */
function knownCells(
  groups: readonly GroupMachines[],
  own: readonly GroupMachines[],
  cells: readonly MatrixCell[],
): Map<string, FleetCell> {
  return new Map(
    groups.flatMap((each, at): [string, FleetCell][] =>
      own[at]!.machines.length < each.machines.length
        ? []
        : cells
            .filter(({ group }) => group === each.group.id)
            .map(({ cell }) => [partKey(cell.placement, [each]), cell]),
    ),
  );
}

/** As one design, where the same was agreed for all of it; else each by itself. */
function together(placer: Placer, parts: readonly FleetCell[]): Decimal {
  const agreed = (cell: FleetCell): string => JSON.stringify(cell.layout.placement.agreements ?? []);
  const [first] = parts;
  if (!first || parts.some((part) => agreed(part) !== agreed(first)))
    return addAll(parts.map((part) => part.monthly));
  const sections = parts.flatMap(({ design }) => design.sections);
  const design = placer.design('Best mix', sections, first.layout.placement.agreements);
  return placer.price(design).monthly.value;
}

/** Groups that go one way, as one part; each such part is worked out once. */
class PartCells {
  private readonly known: Map<string, FleetCell>;

  constructor(
    private readonly placer: Placer,
    private readonly groups: readonly GroupMachines[],
    known: ReadonlyMap<string, FleetCell>,
  ) {
    this.known = new Map(known);
  }

  *of(placement: FleetPlacement, takes: readonly boolean[]): Generator<number, FleetCell> {
    const some = this.groups.filter((_, at) => takes[at]);
    const key = partKey(placement.id, some);
    const known = this.known.get(key);
    if (known) return known;
    // An id of its own for each, so that all parts may stand in one design.
    const part = {
      id: some.map(({ group }) => group.id).join('-'),
      name: some.map(({ group }) => group.name).join(', '),
      machines: some.flatMap(({ machines }) => machines),
    };
    const made: FleetCell = yield* cellOf(this.placer, [part], placement);
    this.known.set(key, made);
    return made;
  }
}

/** Every way of giving each group one of the placements. */
function waysOf(groups: number, placements: number): number[][] {
  let ways: number[][] = [[]];
  for (let at = 0; at < groups; at += 1)
    ways = ways.flatMap((way) => Array.from({ length: placements }, (_, each) => [...way, each]));
  return ways;
}

/** Each group where it costs least by itself; null: one fits nowhere. */
function* eachBest(
  cells: PartCells,
  groups: readonly GroupMachines[],
  placements: readonly FleetPlacement[],
): Generator<number, number[] | null> {
  const way: number[] = [];
  for (let at = 0; at < groups.length; at += 1) {
    let best: { readonly index: number; readonly monthly: Decimal } | null = null;
    for (let index = 0; index < placements.length; index += 1) {
      const takes = groups.map((_, each) => each === at);
      const cell: FleetCell = yield* cells.of(placements[index]!, takes);
      if (!isComplete(cell) || (best && !cell.monthly.lessThan(best.monthly))) continue;
      best = { index, monthly: cell.monthly };
    }
    if (!best) return null;
    way.push(best.index);
  }
  return way;
}
