/**
 * Where a region's equivalent lies at another provider. The rule: a region of the same country; else one of the same area
 * of the world; else any. Of several the nearest, by great-circle distance; of equally near ones the first by code. Source:
 * pricing rules, "Moving to another place"; need C7.
 */
import { distanceKm, type Region } from '../books';

export interface Equivalent {
  readonly region: Region;
  /** What the two have in common. */
  readonly by: 'country' | 'area' | 'nothing';
  readonly km: number;
}

/**
 * Undefined where there are no candidates.
 *
 * @example
 * equivalentRegion(book.region('severn')!, [book.region('tasman')!, book.region('elbe')!])?.region.code; // => 'elbe'
 */
export function equivalentRegion(from: Region, candidates: readonly Region[]): Equivalent | undefined {
  const inCountry = candidates.filter(({ country }) => country === from.country);
  if (inCountry.length > 0) return nearest(from, inCountry, 'country');
  const inArea = candidates.filter(({ area }) => area !== undefined && area === from.area);
  return inArea.length > 0 ? nearest(from, inArea, 'area') : nearest(from, candidates, 'nothing');
}

function nearest(from: Region, candidates: readonly Region[], by: Equivalent['by']): Equivalent | undefined {
  let best: Equivalent | undefined;
  for (const region of candidates) {
    const km = distanceKm(from, region);
    if (!best || km < best.km || (km === best.km && region.code < best.region.code))
      best = { region, by, km };
  }
  return best;
}
