/** A filter and an order of machines as an address, which can be sent to someone. */
import {
  type Between,
  type MachineFilter,
  RANGES,
  READINESS_CODES,
  type RangeField,
  SETS,
  type SetField,
} from '@/features/fleet/calc';
import { type MachineQuery, SORTS } from '@/features/fleet/worker/fleet-protocol';

const isShare = (field: RangeField): boolean => field === 'peakCpu' || field === 'peakMemory';

/** "4..8", "8..", "..4", "4"; per cent for shares. Null: it is none of these. */
export function readBetween(text: string, share = false): Between | null {
  const found = /^\s*(\d+(?:\.\d+)?)?\s*(\.\.|-|–)?\s*(\d+(?:\.\d+)?)?\s*%?\s*$/.exec(text);
  if (!found || (!found[1] && !found[3])) return null;
  const times = share ? 0.01 : 1;
  const value = (part: string | undefined): number | undefined =>
    part === undefined ? undefined : Number((Number(part) * times).toPrecision(12));
  const from = value(found[1]);
  const to = found[2] ? value(found[3]) : from;
  if (from !== undefined && to !== undefined && from > to) return null;
  return { ...(from === undefined ? {} : { from }), ...(to === undefined ? {} : { to }) };
}

export function writeBetween({ from, to }: Between, share = false): string {
  const text = (value: number | undefined): string =>
    value === undefined ? '' : String(Number((value * (share ? 100 : 1)).toPrecision(12)));
  return from !== undefined && from === to ? text(from) : `${text(from)}..${text(to)}`;
}

export function filterFrom(query: URLSearchParams): MachineFilter {
  const sets: Partial<Record<SetField, readonly string[]>> = {};
  for (const field of SETS) if (query.has(field)) sets[field] = query.getAll(field);
  const ranges: Partial<Record<RangeField, Between>> = {};
  for (const field of RANGES) {
    const between = readBetween(query.get(field) ?? '', isShare(field));
    if (between) ranges[field] = between;
  }
  const one = <T extends string>(name: string, all: readonly T[]): T | undefined =>
    all.find((each) => each === query.get(name));
  const words = query.get('words');
  const tag = query.get('tag');
  const power = one('power', ['on', 'off', 'unknown'] as const);
  const kind = one('kind', ['physical', 'virtual'] as const);
  const measured = one('measured', ['yes', 'no'] as const);
  const ready = one('ready', ['ready', ...READINESS_CODES] as const);
  return {
    ...(words ? { words } : {}),
    ...(Object.keys(sets).length > 0 ? { sets } : {}),
    ...(Object.keys(ranges).length > 0 ? { ranges } : {}),
    ...(tag ? { tag } : {}),
    ...(power ? { power } : {}),
    ...(kind ? { kind } : {}),
    ...(measured ? { measured } : {}),
    ...(ready ? { ready } : {}),
  };
}

export function queryFrom(query: URLSearchParams, placements: readonly string[]): MachineQuery {
  const under = query.get('under');
  return {
    filter: filterFrom(query),
    sort: SORTS.find((sort) => sort === query.get('sort')) ?? 'inventory',
    down: query.get('down') === '1',
    // The first, where none is named; `none`: no placement.
    placement: under === 'none' ? null : (placements.find((id) => id === under) ?? placements[0] ?? null),
  };
}

export function filterAddress(filter: MachineFilter): URLSearchParams {
  const query = new URLSearchParams();
  const { words, sets = {}, ranges = {}, tag, power, kind, measured, ready } = filter;
  if (words?.trim()) query.set('words', words);
  for (const field of SETS) for (const value of sets[field] ?? []) query.append(field, value);
  for (const field of RANGES) {
    const between = ranges[field];
    if (between) query.set(field, writeBetween(between, isShare(field)));
  }
  for (const [name, value] of Object.entries({ tag, power, kind, measured, ready }))
    if (value) query.set(name, value);
  return query;
}

export function queryAddress(
  { filter, sort, down, placement }: MachineQuery,
  first: string | undefined,
): string {
  const query = filterAddress(filter);
  if (sort !== 'inventory') query.set('sort', sort);
  if (down) query.set('down', '1');
  if (placement === null) {
    if (first) query.set('under', 'none');
  } else if (placement !== first) query.set('under', placement);
  return query.toString();
}
