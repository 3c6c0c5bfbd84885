/** Which region of a list is nearest to another, by great-circle distance (haversine, mean earth radius). */
import type { Region } from './book';

const EARTH_RADIUS_KM = 6371;

/**
 * Kilometres between two regions, as the crow flies.
 *
 * @example
 * Math.round(distanceKm(book.region('severn')!, book.region('elbe')!)); // => 887
 */
export function distanceKm(a: Region, b: Region): number {
  const radians = (degrees: number): number => (degrees * Math.PI) / 180;
  const north = radians(b.latitude - a.latitude);
  const east = radians(b.longitude - a.longitude);
  const chord =
    Math.sin(north / 2) ** 2 +
    Math.cos(radians(a.latitude)) * Math.cos(radians(b.latitude)) * Math.sin(east / 2) ** 2;
  return 2 * EARTH_RADIUS_KM * Math.asin(Math.min(1, Math.sqrt(chord)));
}

/**
 * The nearest of `candidates` to `from`; undefined if there is none. Ties: the first.
 *
 * @example
 * nearestRegion(book.region('severn')!, [book.region('tasman')!, book.region('elbe')!])?.code; // => 'elbe'
 */
export function nearestRegion(from: Region, candidates: readonly Region[]): Region | undefined {
  let nearest: Region | undefined;
  for (const candidate of candidates) {
    if (!nearest || distanceKm(from, candidate) < distanceKm(from, nearest)) nearest = candidate;
  }
  return nearest;
}
