/** A study of a fleet: its groups, each machine once, and what they cost under each of its placements. Needs L9, N1, N12. */
import { addAll, type Decimal, decimal, ZERO } from '@/engine/base';
import {
  cellOf,
  type FleetCell,
  type FleetPlacement,
  type FleetPlan,
  groupMachines,
  type Machine,
  machineAmounts,
  monthlyUnder,
  onceEach,
  type Placer,
  type ReadinessCode,
} from '@/features/fleet/calc';
import { minorDigits, roundRows } from '@/engine/money';
import { commitmentOf } from '@/engine/terms';
import { type EstateTarget, estateStudy } from './estate-study';
import type { Study } from './model';

interface Part {
  readonly id: string;
  readonly name: string;
  readonly machines: readonly Machine[];
}

/** GiB to terabytes. */
const TERABYTES = 1024 ** 3 / 1e12;

/**
 * Yields how many placements are done.
 *
 * @example
 * const placer = new Placer({ currency: 'USD', exchange: [], books: [book], systems: {} });
 * const fleet = newPlan({ title: 'Quay', currency: 'USD', exchange: [], books: [], origin: 'quay.csv' });
 * fleetStudy(placer, fleet, [], () => [], '2027-01').next().value.title; // => 'Quay'
 */
export function* fleetStudy(
  placer: Placer,
  plan: FleetPlan,
  machines: readonly Machine[],
  readinessOf: (machine: Machine) => readonly ReadinessCode[],
  start: string,
): Generator<number, Study> {
  const parts = partsOf(plan, machines, readinessOf);
  const hosts = new Set(machines.map(({ host }) => host).filter((host) => host !== ''));
  const targets: EstateTarget[] = [];
  for (const [done, placement] of plan.placements.entries()) {
    yield done;
    targets.push(yield* targetOf(placer, plan, parts, placement));
  }
  return estateStudy({
    title: plan.title,
    currency: plan.currency,
    origin: `The fleet “${plan.title}”, ${machines.length} machines from ${plan.origin}`,
    start,
    parts: parts.map((part) => ({
      id: part.id,
      name: part.name,
      machines: part.machines.length,
      stored: storedBy(part.machines),
    })),
    hosts: hosts.size > 0 ? hosts.size : null,
    targets,
  });
}

/** What is used of its disks; what is allocated, where nobody measured. */
function storedBy(machines: readonly Machine[]): number {
  let gib = 0;
  for (const { stored, storage } of machines) gib += (stored ?? storage)?.value ?? 0;
  return gib * TERABYTES;
}

/** Each machine in the first group that has it, and what is in none. */
function partsOf(
  plan: FleetPlan,
  machines: readonly Machine[],
  readinessOf: (machine: Machine) => readonly ReadinessCode[],
): Part[] {
  const groups = onceEach(groupMachines(plan, machines, readinessOf)).filter(
    (each) => each.machines.length > 0,
  );
  const taken = new Set(groups.flatMap((each) => each.machines.map(({ id }) => id)));
  const rest = machines.filter(({ id }) => !taken.has(id));
  const ids = new Set(groups.map(({ group }) => group.id));
  const others = ids.has('others') ? 'other-machines' : 'others';
  return [
    ...groups.map(({ group, machines: own }) => ({ id: group.id, name: group.name, machines: own })),
    ...(rest.length > 0 ? [{ id: others, name: 'Other machines', machines: rest }] : []),
  ];
}

const KINDS = ['compute', 'storage', 'transfer', 'licences'] as const;

/** All of it placed together, so that pools and hosts are shared; each part has its machines' share of every kind. */
function* targetOf(
  placer: Placer,
  plan: FleetPlan,
  parts: readonly Part[],
  placement: FleetPlacement,
): Generator<number, EstateTarget> {
  const all = { id: 'all', name: plan.title, machines: parts.flatMap((part) => part.machines) };
  const cell: FleetCell = yield* cellOf(placer, [all], placement);
  const { kinds, monthly } = cell;
  const amounts: Readonly<Record<(typeof KINDS)[number], Decimal>> = {
    compute: kinds.compute,
    storage: kinds.storage,
    transfer: kinds.transfer,
    licences: kinds.systems.plus(kinds.licences),
  };
  const byMachine = new Map(
    machineAmounts(cell, plan.currency).map(({ laid, monthly: own }) => [laid.machine.id, own ?? ZERO]),
  );
  const shares = parts.map((part) => addAll(part.machines.map(({ id }) => byMachine.get(id) ?? ZERO)));
  const whole = addAll(shares);
  const digits = minorDigits(plan.currency);
  const byKind = KINDS.map((kind) =>
    roundRows(
      shares.map((share) => (whole.isZero() ? ZERO : amounts[kind].times(share).dividedBy(whole))),
      digits,
    ),
  );
  const commitment = commitmentOf(placement.term);
  const here = { ...placement, places: [cell.place], term: 'on-demand' as const };
  const onDemand: Decimal = commitment ? yield* monthlyUnder(placer, [all], here) : monthly;
  const upfront = commitment ? placer.price(cell.design).upfront : ZERO;
  const percent = (part: Decimal, of: Decimal): string =>
    of.isZero() ? '0' : part.dividedBy(of).times(100).toDecimalPlaces(4).toString();
  const committed = amounts.compute.times(commitment?.months ?? 0);
  const { book, region } = cell.place;
  const missing = cell.unfit.length + cell.unpriced;
  const named = placer.bookOf(book);
  return {
    id: placement.id,
    name: placement.name,
    source: [
      `${named?.title ?? book}, ${named?.region(region)?.name ?? region}, revision ${named?.revision ?? '?'}`,
      ...(missing > 0 ? [`${missing} of its machines or lines have no amount`] : []),
    ].join('; '),
    parts: Object.fromEntries(
      parts.map(({ id }, at) => [
        id,
        Object.fromEntries(KINDS.map((kind, of) => [kind, byKind[of]![at]!.toString()])) as Record<
          (typeof KINDS)[number],
          string
        >,
      ]),
    ),
    term: commitment?.months ?? 0,
    ahead: decimal(percent(upfront, committed)).greaterThan(100) ? '100' : percent(upfront, committed),
    uncommitted: onDemand.greaterThan(monthly) ? percent(onDemand.minus(monthly), amounts.compute) : '0',
  };
}
