/**
 * Where a design has to stay: a country, or an area of them. What stands elsewhere has a price like anything else, but lacks
 * that. Needs C5, C6.
 */
import { issue, type Issue } from '../base';
import type { PriceBook, Region } from '../books';
import { allComponents, type Component, type Design } from '../design';

/**
 * @example
 * isWithin(book.region('elbe')!, 'Germany'); // => true
 */
export function isWithin(
  { country, area }: { readonly country: string; readonly area?: string | null },
  residence: string,
): boolean {
  return country === residence || area === residence;
}

export interface Outside {
  readonly line: Component;
  readonly region: Region;
  readonly issue: Issue;
}

/**
 * The lines that stand outside of where the design has to stay; none where that is not said, and none of a region that its
 * book does not know: that is told elsewhere.
 *
 * @example
 * outsideOf({ ...design, assumptions: { ...design.assumptions, residence: 'Germany' } }, () => book).map(({ line }) => line.id); // => ['a']
 */
export function outsideOf(design: Design, bookOf: (book: string) => PriceBook | undefined): Outside[] {
  const { residence } = design.assumptions;
  if (residence === undefined) return [];
  return allComponents(design).flatMap((line): Outside[] => {
    const region = line.place ? bookOf(line.place.book)?.region(line.place.region) : undefined;
    if (!region || isWithin(region, residence)) return [];
    const values = { region: region.name, name: region.country, wanted: residence };
    return [{ line, region, issue: issue('residence.outside', ['place'], values) }];
  });
}
