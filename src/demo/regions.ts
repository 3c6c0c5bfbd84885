/** The waters the demo's regions are named after. Positions are those of the waters; grid figures are made up. */
import type { PriceBookFile } from '@/features/price-books/format/price-book-schema';

type RegionRow = PriceBookFile['regions'][number];

const WATERS = {
  skagerrak: ['Skagerrak', 'Norway', 'Europe', 58.2, 8.1, 28],
  severn: ['Severn', 'United Kingdom', 'Europe', 51.5, -2.7, 182],
  tagus: ['Tagus', 'Portugal', 'Europe', 38.7, -9.1, 148],
  elbe: ['Elbe', 'Germany', 'Europe', 53.5, 10.0, 341],
  hudson: ['Hudson', 'United States', 'North America', 40.9, -73.9, 268],
  columbia: ['Columbia', 'United States', 'North America', 45.6, -121.2, 94],
  plata: ['Plata', 'Argentina', 'South America', -34.6, -58.3, 312],
  mekong: ['Mekong', 'Vietnam', 'Asia', 10.3, 106.4, 471],
  tasman: ['Tasman', 'Australia', 'Oceania', -37.8, 145.0, 503],
} as const;

export type Water = keyof typeof WATERS;

export function regionOf(water: Water, code: string): RegionRow {
  const [name, country, area, latitude, longitude, carbon] = WATERS[water];
  return { code, name, country, area, latitude, longitude, carbon };
}
