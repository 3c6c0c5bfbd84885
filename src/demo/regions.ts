/** The waters the demo's regions are named after. Positions are those of the waters; grid figures are made up. */
import type { PriceBookFile } from '@/formats';

type RegionRow = PriceBookFile['regions'][number];

const WATERS = {
  skagerrak: ['Skagerrak', 'Norway', 58.2, 8.1, 28],
  severn: ['Severn', 'United Kingdom', 51.5, -2.7, 182],
  tagus: ['Tagus', 'Portugal', 38.7, -9.1, 148],
  elbe: ['Elbe', 'Germany', 53.5, 10.0, 341],
  hudson: ['Hudson', 'United States', 40.9, -73.9, 268],
  columbia: ['Columbia', 'United States', 45.6, -121.2, 94],
  plata: ['Plata', 'Argentina', -34.6, -58.3, 312],
  mekong: ['Mekong', 'Vietnam', 10.3, 106.4, 471],
  tasman: ['Tasman', 'Australia', -37.8, 145.0, 503],
} as const;

export type Water = keyof typeof WATERS;

export function regionOf(water: Water, code: string): RegionRow {
  const [name, country, latitude, longitude, carbon] = WATERS[water];
  return { code, name, country, latitude, longitude, carbon };
}
