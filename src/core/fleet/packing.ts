/**
 * Packs machines on hosts of one size: first-fit decreasing over vCPU, memory and storage, in several orders, of which the
 * one with the fewest hosts is taken. Whatever the order of the rows, the result is the same. Source: pricing rules,
 * "Fleet"; needs M12, K7.
 */

export interface Parcel {
  readonly id: string;
  readonly vcpu: number;
  readonly memory: number;
  readonly storage: number;
}

export interface HostRoom {
  readonly vcpu: number;
  readonly memory: number;
  /** Infinity: storage is elsewhere. */
  readonly storage: number;
}

export interface PackedHost {
  readonly ids: readonly string[];
  readonly vcpu: number;
  readonly memory: number;
  readonly storage: number;
}

export interface Packing {
  readonly hosts: readonly PackedHost[];
  /** No host has so much room. */
  readonly tooLarge: readonly string[];
  /** No packing needs fewer. */
  readonly lowerBound: number;
}

/** Doubles that were added up: a hair over the room is no overflow. */
const HAIR = 1e-9;
/** From so many on, one order is tried: the others would take long and win little. */
const MANY = 20_000;

type Weight = (parcel: Parcel) => number;

/**
 * @example
 * packHosts([{ id: 'a', vcpu: 3, memory: 1, storage: 0 }, { id: 'b', vcpu: 2, memory: 1, storage: 0 }], { vcpu: 4, memory: 8, storage: Infinity }).hosts.map(({ ids }) => ids); // => [['a'], ['b']]
 */
export function packHosts(parcels: readonly Parcel[], room: HostRoom): Packing {
  const fits = ({ vcpu, memory, storage }: Parcel): boolean =>
    vcpu <= room.vcpu && memory <= room.memory && storage <= room.storage;
  const tooLarge = parcels.filter((parcel) => !fits(parcel)).map(({ id }) => id);
  const fitting = parcels.filter(fits);
  const share = (parcel: Parcel): [number, number, number] => [
    parcel.vcpu / room.vcpu,
    parcel.memory / room.memory,
    Number.isFinite(room.storage) ? parcel.storage / room.storage : 0,
  ];
  const sums = fitting.reduce(
    (sum, parcel) => share(parcel).map((each, at) => sum[at]! + each) as [number, number, number],
    [0, 0, 0] as [number, number, number],
  );
  const lowerBound = Math.max(...sums.map((sum) => wholeHosts(sum)));
  const all = sums[0] + sums[1] + sums[2] || 1;
  const weights: readonly Weight[] = [
    (parcel) => Math.max(...share(parcel)),
    (parcel) => share(parcel).reduce((a, b) => a + b, 0),
    // What is scarce over all weighs most.
    (parcel) => share(parcel).reduce((sum, each, at) => sum + each * (sums[at]! / all), 0),
  ];
  const orders = fitting.length > MANY ? weights.slice(0, 1) : weights;
  let best: PackedHost[] | null = null;
  for (const weight of orders) {
    for (const byFullest of [false, true]) {
      const hosts = packInOrder(sorted(fitting, weight), room, byFullest);
      if (!best || hosts.length < best.length) best = hosts;
      if (best.length === lowerBound) return { hosts: best, tooLarge, lowerBound };
    }
  }
  return { hosts: best ?? [], tooLarge, lowerBound };
}

/** Up, but not for a hair. */
function wholeHosts(value: number): number {
  const down = Math.floor(value);
  return value - down > HAIR ? down + 1 : down;
}

function sorted(parcels: readonly Parcel[], weight: Weight): Parcel[] {
  return parcels
    .map((parcel) => ({ parcel, by: weight(parcel) }))
    .sort(
      (a, b) =>
        b.by - a.by ||
        b.parcel.vcpu - a.parcel.vcpu ||
        b.parcel.memory - a.parcel.memory ||
        (a.parcel.id < b.parcel.id ? -1 : 1),
    )
    .map(({ parcel }) => parcel);
}

/** Each on the first host with room; or on the one that is fullest after it. */
function packInOrder(parcels: readonly Parcel[], room: HostRoom, byFullest: boolean): PackedHost[] {
  const hosts: (Parcel & { readonly ids: string[] })[] = [];
  // Those that may still take something; free room of each.
  let open: { readonly at: number; vcpu: number; memory: number; storage: number }[] = [];
  const least = leastOf(parcels);
  for (const { id, vcpu, memory, storage } of parcels) {
    let [best, rest] = [-1, Infinity];
    for (let at = 0; at < open.length; at += 1) {
      const free = open[at]!;
      const [left, leftMemory] = [free.vcpu - vcpu, free.memory - memory];
      if (left < -HAIR || leftMemory < -HAIR || free.storage - storage < -HAIR) continue;
      if (!byFullest) {
        best = at;
        break;
      }
      const fullness = left / room.vcpu + leftMemory / room.memory;
      if (fullness < rest) [best, rest] = [at, fullness];
    }
    if (best < 0) {
      best = open.length;
      open.push({ at: hosts.length, vcpu: room.vcpu, memory: room.memory, storage: room.storage });
      hosts.push({ id: '', ids: [], vcpu: 0, memory: 0, storage: 0 });
    }
    const free = open[best]!;
    free.vcpu -= vcpu;
    free.memory -= memory;
    free.storage -= storage;
    const host = hosts[free.at]!;
    host.ids.push(id);
    hosts[free.at] = {
      ...host,
      vcpu: host.vcpu + vcpu,
      memory: host.memory + memory,
      storage: host.storage + storage,
    };
    // Nothing is small enough for what is left of it.
    if (free.vcpu < least.vcpu - HAIR || free.memory < least.memory - HAIR)
      open = open.filter((_, at) => at !== best);
  }
  return hosts.map(({ ids, vcpu, memory, storage }) => ({ ids, vcpu, memory, storage }));
}

function leastOf(parcels: readonly Parcel[]): { vcpu: number; memory: number } {
  return parcels.reduce(
    (least, { vcpu, memory }) => ({
      vcpu: Math.min(least.vcpu, vcpu),
      memory: Math.min(least.memory, memory),
    }),
    { vcpu: Infinity, memory: Infinity },
  );
}
