/** Which columns of a ledger have room, and how wide a person drew them. */
'use client';
import { type RefObject, useEffect, useState } from 'react';

interface Fitting {
  readonly key: string;
  readonly track: string;
  readonly least?: number;
  readonly worth?: number;
}

/** Widths that were drawn, in pixels, by column. */
export type Widths = Readonly<Record<string, number>>;

export const NARROWEST = 48;
export const WIDEST = 640;

/** As it was drawn, or the least that it needs: of its track, where nothing else is said. */
export function widthOf({ key, track, least }: Fitting, widths: Widths): number {
  return widths[key] ?? least ?? Number(/(\d+)px/.exec(track)?.[1] ?? NARROWEST);
}

/** The columns that fit into `width`: the least worth go first. Null: not measured yet, all of them. */
export function fittingColumns<C extends Fitting>(
  columns: readonly C[],
  width: number | null,
  widths: Widths = {},
): readonly C[] {
  if (width === null) return columns;
  const need = (column: C): number => widthOf(column, widths);
  let shown = columns;
  let taken = columns.reduce((sum, column) => sum + need(column), 0);
  const yielding = columns.filter((column) => column.worth !== undefined).sort((a, b) => a.worth! - b.worth!);
  for (const column of yielding) {
    if (taken <= width) break;
    taken -= need(column);
    shown = shown.filter((each) => each !== column);
  }
  return shown;
}

/** The grid's tracks; a column that was drawn has just that width. The first one takes what is left. */
export function tracksOf(columns: readonly Fitting[], widths: Widths): string {
  const drawn = columns.map(({ key, track }) => (widths[key] === undefined ? track : `${widths[key]}px`));
  const flexible = drawn.some((track) => track.includes('fr'));
  return drawn.map((track, at) => (at === 0 && !flexible ? `minmax(${track},1fr)` : track)).join(' ');
}

/** What the columns take at least. */
export function leastWidth(columns: readonly Fitting[], widths: Widths): number {
  return columns.reduce((sum, column) => sum + widthOf(column, widths), 0);
}

/** The width of an element, as it changes; null until it is known. */
export function useWidth(element: RefObject<HTMLElement | null>): number | null {
  const [width, setWidth] = useState<number | null>(null);
  useEffect(() => {
    const { current } = element;
    if (!current || typeof ResizeObserver === 'undefined') return;
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry!.contentRect.width)));
    observer.observe(current);
    return () => observer.disconnect();
  }, [element]);
  return width;
}

export function inBounds(width: number): number {
  return Math.round(Math.min(WIDEST, Math.max(NARROWEST, width)));
}
