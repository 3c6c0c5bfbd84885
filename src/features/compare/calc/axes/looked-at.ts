/** What has to be at hand before an axis is priced: kinds at places, as components that stand for them. */
import type { PriceBook } from '@/engine/books';
import { anyOfKind, type Component } from '@/engine/design';
import { equivalentRegion } from '@/engine/moving';
import type { Axis } from './model';

/**
 * `books` need no rates for this. Each kind of the lines once for each place that the axis looks at.
 *
 * @example
 * axisLooksAt('sizes', design.sections[0]!.components, [book]).map(({ kind, place }) => [kind, place?.region]); // => [['server', 'severn']]
 */
export function axisLooksAt(
  axis: Axis,
  lines: readonly Component[],
  books: readonly PriceBook[],
): Component[] {
  const found = new Map<string, Component>();
  const add = (line: Component, book: string, region: string): void => {
    const key = `${line.kind} ${book} ${region}`;
    if (!found.has(key)) found.set(key, anyOfKind(line.kind, { book, region }, key));
  };
  for (const line of lines) {
    const { place } = line;
    if (!place || line.choice.by === 'none') continue;
    if (axis === 'sizes' || axis === 'forms') add(line, place.book, place.region);
    const from = books.find(({ key }) => key === place.book)?.region(place.region);
    for (const { key, regions } of books) {
      if (axis === 'regions') for (const { code } of regions) add(line, key, code);
      const there = axis === 'providers' && from && key !== place.book && equivalentRegion(from, regions);
      if (there) add(line, key, there.region.code);
    }
  }
  return [...found.values()];
}
