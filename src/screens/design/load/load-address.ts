/** What is looked at in the load of a design, as it stands in the address. */
import type { Along, Axis1 } from '@/core/curves';
import type { Design, Scope } from '@/core/design';
import type { AmountOf } from '@/core/pricing';
import { readAlong, writeAlong } from '@/formats/along-text';
import { readScope } from '@/formats/scope-text';

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
  };
}

export function writeLoadAddress({ view, along, up, range, of, beside }: LoadAddress): string {
  const query = new URLSearchParams({
    ...(view === 'curve' ? {} : { view }),
    along: writeAlong(along),
    ...(up ? { up: writeAlong(up) } : {}),
    ...(range ? { range: `${range.from}..${range.to} ${range.scale}` } : {}),
    ...(of === 'all' ? {} : { of }),
    ...(beside ? { beside: beside.join(' ') } : {}),
  });
  return `?${query}`;
}

function readRange(text: string | null): LoadAddress['range'] {
  const found = /^([\d.]+)\.\.([\d.]+) (linear|log)$/.exec(text ?? '');
  if (!found) return null;
  const [from, to] = [Number(found[1]), Number(found[2])];
  return from < to ? { from, to, scale: found[3] as 'linear' | 'log' } : null;
}

export function amountOfScope(of: string): AmountOf {
  const scope: Scope = readScope(of) ?? { of: 'all' };
  if (scope.of === 'section') return { of: 'section', id: scope.id };
  if (scope.of === 'lines' && scope.ids[0]) return { of: 'component', id: scope.ids[0] };
  return { of: 'design' };
}
