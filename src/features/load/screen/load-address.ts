/** What is looked at in the load of a design, as it stands in the address. */
import type { Axis1 } from '@/features/load/calc';
import { type Along, type Design, READY, type Ready, type Scope } from '@/engine/design';
import { readAlong, writeAlong } from '@/features/load/format/along-text';
import { readScope } from '@/features/design/format/scope-text';

export const LOAD_VIEWS = ['curve', 'ready', 'map', 'fame'] as const;
export type LoadView = (typeof LOAD_VIEWS)[number];

export interface LoadAddress {
  readonly view: LoadView;
  readonly along: Along;
  /** Of a map: upwards. */
  readonly up: Along | null;
  /** Null: as it is usually looked at. */
  readonly range: Pick<Axis1, 'from' | 'to' | 'scale'> | null;
  /** `all`, `section ID` or `line ID`. */
  readonly of: string;
  /** Ids of the alternatives beside the design; null: all of them. */
  readonly beside: readonly string[] | null;
  /** Of a ready question; null: the usual one. */
  readonly asks: Ready | null;
  readonly line: string | null;
  readonly other: string | null;
  readonly entry: string | null;
}

/** The first driver, where there is one: that is why it was entered. */
export function usualAlong({ assumptions }: Design): Along {
  const first = assumptions.drivers?.[0];
  return first ? { of: 'driver', name: first.name } : { of: 'traffic' };
}

export function readLoadAddress(asked: { get(name: string): string | null }, design: Design): LoadAddress {
  const beside = asked.get('beside');
  return {
    view: LOAD_VIEWS.find((each) => each === asked.get('view')) ?? 'curve',
    along: readAlong(asked.get('along') ?? '') ?? usualAlong(design),
    up: readAlong(asked.get('up') ?? ''),
    range: readRange(asked.get('range')),
    of: asked.get('of') ?? 'all',
    beside: beside === null ? null : beside.split(' ').filter((each) => each !== ''),
    asks: READY.find((each) => each === asked.get('asks')) ?? null,
    line: asked.get('line'),
    other: asked.get('other'),
    entry: asked.get('entry'),
  };
}

export function writeLoadAddress(address: LoadAddress): string {
  const { view, along, up, range, of, beside, asks, line, other, entry } = address;
  const query = new URLSearchParams({
    ...(view === 'curve' ? {} : { view }),
    along: writeAlong(along),
    ...(up ? { up: writeAlong(up) } : {}),
    ...(range ? { range: `${range.from}..${range.to} ${range.scale}` } : {}),
    ...(of === 'all' ? {} : { of }),
    ...(beside ? { beside: beside.join(' ') } : {}),
    ...(asks ? { asks } : {}),
    ...(line ? { line } : {}),
    ...(other ? { other } : {}),
    ...(entry ? { entry } : {}),
  });
  return `?${query}`;
}

function readRange(text: string | null): LoadAddress['range'] {
  const found = /^([\d.]+)\.\.([\d.]+) (linear|log)$/.exec(text ?? '');
  if (!found) return null;
  const [from, to] = [Number(found[1]), Number(found[2])];
  return from < to ? { from, to, scale: found[3] as 'linear' | 'log' } : null;
}

export function scopeOf(of: string): Scope {
  return readScope(of) ?? { of: 'all' };
}
