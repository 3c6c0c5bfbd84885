/** A plan and its machines together: which machine is in which group, what is in the way of each. */
import { anyOfKind, type Component, type Place } from '@/engine/design';
import { matcherOf } from './filter';
import type { GroupMachines } from './matrix';
import type { Machine } from './model';
import type { FleetPlan } from './plan';
import type { Placer } from './placer';
import { type ReadinessCode, readinessOf } from './readiness';

/** What a placement may take at its places. */
const KINDS = ['server', 'dedicated-host', 'block-volume', 'snapshot', 'transfer-out'] as const;

const placesOf = ({ placements }: Pick<FleetPlan, 'placements'>): Place[] => [
  ...new Map(
    placements.flatMap(({ places }) => places).map((place) => [`${place.book} ${place.region}`, place]),
  ).values(),
];

/**
 * What has to be loaded to price by a plan: components that stand for their whole kinds at its places.
 *
 * @example
 * fleetLooksAt({ placements: [defaultPlacement('p', 'Here', [{ book: 'small', region: 'severn' }])] }).length; // => 5
 */
export function fleetLooksAt(plan: Pick<FleetPlan, 'placements'>): Component[] {
  return placesOf(plan).flatMap((place) =>
    KINDS.map((kind) => anyOfKind(kind, place, `${kind} ${place.book} ${place.region}`)),
  );
}

/**
 * What is in the way of a machine under a plan, worked out once for each machine. With a placer also whether any size at
 * its places is as large.
 *
 * @example
 * const plan = newPlan({ title: 'Quay', currency: 'USD', exchange: [], books: [], origin: '' });
 * const size = { value: 2, from: 'typed' as const };
 * readinessUnder(plan, null)({ ...BARE_MACHINE, id: 'a', name: 'a', system: 'Linux', vcpu: size, memory: size }); // => ['not-measured']
 */
export function readinessUnder(
  plan: FleetPlan,
  placer: Placer | null,
): (machine: Machine) => readonly ReadinessCode[] {
  const { systems, licences = {}, limits } = plan;
  const largest = placer && plan.placements.length > 0 ? largestAt(plan, placer) : undefined;
  const found = new WeakMap<Machine, readonly ReadinessCode[]>();
  return (machine) => {
    const known = found.get(machine);
    if (known) return known;
    const made = readinessOf(machine, { systems, licences, limits, ...(largest ? { largest } : {}) });
    found.set(machine, made);
    return made;
  };
}

/** Whether any size at any of the places covers a machine as it is installed. */
function largestAt(plan: FleetPlan, { world }: Placer): (machine: Machine) => boolean {
  const sizes: [number, number][] = [];
  for (const { book, region } of placesOf(plan))
    for (const kind of ['server', 'dedicated-host'] as const)
      for (const { vcpu, memory } of world.books.find(({ key }) => key === book)?.soldIn(region, kind) ?? [])
        if (vcpu && memory) sizes.push([vcpu.toNumber(), memory.toNumber()]);
  const most = sizes.filter(([v, m]) => !sizes.some(([w, n]) => (w > v && n >= m) || (w >= v && n > m)));
  return ({ vcpu, memory }) => most.some(([v, m]) => v >= vcpu.value && m >= memory.value);
}

/**
 * The groups with their machines; without groups, all machines are one.
 *
 * @example
 * groupMachines(newPlan({ title: 'Quay', currency: 'USD', exchange: [], books: [], origin: '' }), [], () => []).map(({ group }) => group.name); // => ['All machines']
 */
export function groupMachines(
  { groups }: Pick<FleetPlan, 'groups'>,
  machines: readonly Machine[],
  readiness: (machine: Machine) => readonly ReadinessCode[],
): GroupMachines[] {
  const all = groups.length > 0 ? groups : [{ id: 'all', name: 'All machines', filter: {} }];
  return all.map((group) => ({ group, machines: machines.filter(matcherOf(group.filter, readiness)) }));
}
