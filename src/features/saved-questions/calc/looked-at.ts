/** What must be at hand before kept questions can be answered. */
import {
  allComponents,
  anyOfKind,
  type Component,
  type Design,
  findComponent,
  type Kept,
} from '@/engine/design';

/**
 * Kinds at places of which every offer is looked at.
 *
 * @example
 * keptLooksAt([{ id: 'k', name: 'Ready', ask: { shows: 'ready', ready: 'classes', line: 'a', other: null, entry: null } }], design).map(({ kind }) => kind); // => ['server']
 */
export function keptLooksAt(kept: readonly Kept[], design: Design): Component[] {
  const looked = kept.flatMap(({ ask }): Component[] => {
    if (ask.shows === 'ready') {
      const line = findComponent(design, ask.line);
      return line?.place ? [anyOfKind(line.kind, line.place)] : [];
    }
    if (ask.shows !== 'every-hour' && ask.shows !== 'prepaid') return [];
    const place = { book: ask.book, region: ask.region };
    return [anyOfKind(ask.shows === 'prepaid' ? 'prepaid-credit' : 'spend-commitment', place)];
  });
  return looked;
}

/**
 * Of each place of the design, what is sold ahead there.
 *
 * @example
 * soldWhere(design).map(({ kind }) => kind); // => ['spend-commitment', 'prepaid-credit']
 */
export function soldWhere(design: Design): Component[] {
  const places = new Map(
    allComponents(design).flatMap(({ place }) =>
      place ? [[`${place.book} ${place.region}`, place] as const] : [],
    ),
  );
  return [...places.values()].flatMap((place) => [
    anyOfKind('spend-commitment', place),
    anyOfKind('prepaid-credit', place),
  ]);
}

/**
 * Ids of the alternatives that stand beside the design in some of them.
 *
 * @example
 * keptBeside([{ id: 'k', name: 'Curve', ask: { shows: 'curve', along: { of: 'traffic' }, range: null, beside: ['b'], of: { of: 'all' } } }]); // => ['b']
 */
export function keptBeside(kept: readonly Kept[]): string[] {
  return [...new Set(kept.flatMap(({ ask }) => (ask.shows === 'curve' ? ask.beside : [])))];
}
