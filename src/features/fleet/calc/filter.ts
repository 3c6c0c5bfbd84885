/** Which machines are meant: words, sets and ranges, all of which must hold. Groups are kept filters. Needs M10. */
import type { Machine } from './model';
import type { ReadinessCode } from './readiness';

/** From and to, both within; absent: open. */
export interface Between {
  readonly from?: number;
  readonly to?: number;
}

export const SETS = ['host', 'cluster', 'environment', 'system'] as const;
export type SetField = (typeof SETS)[number];
export const RANGES = ['vcpu', 'memory', 'storage', 'peakCpu', 'peakMemory'] as const;
export type RangeField = (typeof RANGES)[number];

export interface MachineFilter {
  /** Each must stand in its name, host, cluster, system, tags or applications. */
  readonly words?: string;
  /** One of these. */
  readonly sets?: Readonly<Partial<Record<SetField, readonly string[]>>>;
  /** What is not known is in no range. Shares are 0 to 1. */
  readonly ranges?: Readonly<Partial<Record<RangeField, Between>>>;
  readonly tag?: string;
  readonly power?: 'on' | 'off' | 'unknown';
  readonly kind?: 'physical' | 'virtual';
  readonly measured?: 'yes' | 'no';
  /** `ready`: nothing is in its way. */
  readonly ready?: ReadinessCode | 'ready';
}

/** A filter with a name. A machine may be in several. */
export interface FleetGroup {
  readonly id: string;
  readonly name: string;
  readonly filter: MachineFilter;
}

export const isMeasured = ({ peakCpu, peakMemory }: Machine): boolean =>
  peakCpu !== null && peakMemory !== null;

/**
 * A test for one machine; `readinessOf` is asked only where the filter asks for readiness.
 *
 * @example
 * const size = { value: 2, from: 'typed' as const };
 * const machine = { ...BARE_MACHINE, id: 'web-01', name: 'web-01', vcpu: size, memory: size };
 * matcherOf({ words: 'WEB live' }, () => [])({ ...machine, environment: 'live' }); // => true
 */
export function matcherOf(
  filter: MachineFilter,
  readinessOf: (machine: Machine) => readonly ReadinessCode[],
): (machine: Machine) => boolean {
  const words = (filter.words ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  const sets = Object.entries(filter.sets ?? {}).flatMap(([field, values]) =>
    values.length > 0 ? [[field as SetField, new Set(values)] as const] : [],
  );
  const ranges = Object.entries(filter.ranges ?? {}) as [RangeField, Between][];
  const { tag, power, kind, measured, ready } = filter;
  return (machine) => {
    for (const [field, values] of sets) if (!values.has(machine[field])) return false;
    for (const [field, { from = -Infinity, to = Infinity }] of ranges) {
      const value = machine[field]?.value;
      if (value === undefined || value < from || value > to) return false;
    }
    if (tag && !machine.tags.includes(tag)) return false;
    if (power && (machine.power ?? 'unknown') !== power) return false;
    if (kind && machine.kind !== kind) return false;
    if (measured && (measured === 'yes') !== isMeasured(machine)) return false;
    if (words.length > 0) {
      const text = wordsOf(machine);
      if (!words.every((word) => text.includes(word))) return false;
    }
    if (!ready) return true;
    const found = readinessOf(machine);
    return ready === 'ready' ? found.length === 0 : found.includes(ready);
  };
}

function wordsOf({ id, name, host, cluster, environment, system, tags, applications }: Machine): string {
  return `${id} ${name} ${host} ${cluster} ${environment} ${system} ${tags.join(' ')} ${applications}`.toLowerCase();
}

/**
 * Whether a filter lets everything through.
 *
 * @example
 * isOpenFilter({ words: ' ', sets: { host: [] } }); // => true
 */
export function isOpenFilter({
  words,
  sets,
  ranges,
  tag,
  power,
  kind,
  measured,
  ready,
}: MachineFilter): boolean {
  const noSets = Object.values(sets ?? {}).every((values) => values.length === 0);
  return (
    !words?.trim() &&
    noSets &&
    Object.keys(ranges ?? {}).length === 0 &&
    !tag &&
    !power &&
    !kind &&
    !measured &&
    !ready
  );
}

export interface Overlap {
  /** Of each group, by id. */
  readonly counts: ReadonlyMap<string, number>;
  /** In any group, each counted once. */
  readonly union: number;
  /** In more than one. */
  readonly twice: number;
  readonly inNone: number;
}

/**
 * How groups lie over one another.
 *
 * @example
 * overlapOf([], new Map()).union; // => 0
 */
export function overlapOf(
  machines: readonly Machine[],
  members: ReadonlyMap<string, ReadonlySet<string>>,
): Overlap {
  let [union, twice] = [0, 0];
  for (const { id } of machines) {
    let found = 0;
    for (const group of members.values()) if (group.has(id)) found += 1;
    if (found > 0) union += 1;
    if (found > 1) twice += 1;
  }
  const counts = new Map([...members].map(([id, group]) => [id, group.size]));
  return { counts, union, twice, inNone: machines.length - union };
}
