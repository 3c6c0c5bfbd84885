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
/** From so many on, the fullest host is not looked for: that would ask every host for every machine, and win little. */
const MANY = 5000;
/** Of so many, an order that comes this near to the lower bound is good enough: another could save a host in a thousand. */
const NEAR = 1.001;

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
  const enough = fitting.length > MANY ? Math.floor(lowerBound * NEAR) : lowerBound;
  const ways: readonly PackInOrder[] = fitting.length > MANY ? [firstFit] : [firstFit, fullestFit];
  let best: PackedHost[] | null = null;
  for (const weight of weights) {
    const order = sorted(fitting, weight);
    for (const pack of ways) {
      const hosts = pack(order, room);
      if (!best || hosts.length < best.length) best = hosts;
      if (best.length <= enough) return { hosts: best, tooLarge, lowerBound };
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

type PackInOrder = (parcels: readonly Parcel[], room: HostRoom) => PackedHost[];

/** Each on the first host with room. */
function firstFit(parcels: readonly Parcel[], room: HostRoom): PackedHost[] {
  const filling = new Filling();
  const free = new FreeRoom(parcels.length, room);
  for (const parcel of parcels) {
    const at = free.first(parcel);
    filling.put(parcel, at);
    free.take(at, parcel);
  }
  return filling.hosts;
}

/** Each on the host that is fullest after it. */
function fullestFit(parcels: readonly Parcel[], room: HostRoom): PackedHost[] {
  const filling = new Filling();
  // Those that may still take something; free room of each.
  const open: { readonly at: number; vcpu: number; memory: number; storage: number }[] = [];
  const least = leastOf(parcels);
  for (const parcel of parcels) {
    const { vcpu, memory, storage } = parcel;
    let [best, rest] = [-1, Infinity];
    for (let at = 0; at < open.length; at += 1) {
      const free = open[at]!;
      const [left, leftMemory] = [free.vcpu - vcpu, free.memory - memory];
      if (left < -HAIR || leftMemory < -HAIR || free.storage - storage < -HAIR) continue;
      const fullness = left / room.vcpu + leftMemory / room.memory;
      if (fullness < rest) [best, rest] = [at, fullness];
    }
    if (best < 0) {
      best = open.length;
      open.push({ at: filling.hosts.length, ...room });
    }
    const free = open[best]!;
    free.vcpu -= vcpu;
    free.memory -= memory;
    free.storage -= storage;
    filling.put(parcel, free.at);
    // Nothing is small enough for what is left of it.
    if (free.vcpu < least.vcpu - HAIR || free.memory < least.memory - HAIR) open.splice(best, 1);
  }
  return filling.hosts;
}

/** What is on each host so far. */
class Filling {
  readonly hosts: { readonly ids: string[]; vcpu: number; memory: number; storage: number }[] = [];

  /** On the host with this number; the next number is a new one. */
  put({ id, vcpu, memory, storage }: Parcel, at: number): void {
    const host = (this.hosts[at] ??= { ids: [], vcpu: 0, memory: 0, storage: 0 });
    host.ids.push(id);
    host.vcpu += vcpu;
    host.memory += memory;
    host.storage += storage;
  }
}

/**
 * Free room of all hosts, empty ones too, as a tree: each knot knows the most that any host below it has of each. What has
 * no room below is passed over, so the first host with room is found without asking every one.
 */
class FreeRoom {
  private readonly width: number;
  private readonly most: readonly [Float64Array, Float64Array, Float64Array];

  constructor(hosts: number, { vcpu, memory, storage }: HostRoom) {
    this.width = 2 ** Math.ceil(Math.log2(Math.max(1, hosts)));
    const all = (value: number): Float64Array => new Float64Array(this.width * 2).fill(value);
    this.most = [all(vcpu), all(memory), all(storage)];
  }

  /** There always is one: as many hosts as parcels. */
  first(parcel: Parcel): number {
    return this.below(1, parcel) - this.width;
  }

  /** The first leaf below the knot with room in every dimension; 0: there is none. */
  private below(knot: number, parcel: Parcel): number {
    const [vcpu, memory, storage] = this.most;
    if (
      vcpu[knot]! - parcel.vcpu < -HAIR ||
      memory[knot]! - parcel.memory < -HAIR ||
      storage[knot]! - parcel.storage < -HAIR
    )
      return 0;
    if (knot >= this.width) return knot;
    return this.below(knot * 2, parcel) || this.below(knot * 2 + 1, parcel);
  }

  take(at: number, { vcpu, memory, storage }: Parcel): void {
    [vcpu, memory, storage].forEach((taken, dimension) => {
      const most = this.most[dimension]!;
      let knot = at + this.width;
      most[knot]! -= taken;
      while (knot > 1) {
        knot = Math.floor(knot / 2);
        most[knot] = Math.max(most[knot * 2]!, most[knot * 2 + 1]!);
      }
    });
  }
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
