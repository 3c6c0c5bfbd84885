/** The price books as the views of a design need them: where one can buy, at which revision. */
import { Decimal } from '@/engine/base';
import type { Component, Design, Place } from '@/engine/design';
import { monthHours } from '@/engine/time';

export interface BookInfo {
  readonly key: string;
  readonly title: string;
  readonly currency: string;
  readonly monthHours: string;
  /** The revision the design is pinned to; the newest where it has no pin yet. */
  readonly revision: number;
  readonly effective: string;
  readonly newest: number;
  /** All that are here, newest first. */
  readonly revisions: readonly { readonly number: number; readonly effective: string }[];
  readonly regions: readonly {
    readonly code: string;
    readonly name: string;
    readonly country: string;
    readonly area?: string;
    readonly carbon: number | null;
  }[];
}

export function bookOf(bookList: readonly BookInfo[], place: Place | null): BookInfo | undefined {
  return bookList.find((book) => book.key === place?.book);
}

/** "Norvane, Severn". */
export function placeText(bookList: readonly BookInfo[], place: Place | null): string {
  if (!place) return '';
  const book = bookOf(bookList, place);
  const region = book?.regions.find((each) => each.code === place.region);
  return `${book?.title ?? place.book}, ${region?.name ?? place.region}`;
}

export function hoursInMonth(design: Design, component: Component, bookList: readonly BookInfo[]): Decimal {
  const book = bookOf(bookList, component.place);
  return monthHours(design.assumptions.month, new Decimal(book?.monthHours ?? '730'));
}

interface Located {
  readonly country: string;
  readonly area?: string | null;
}

/** Where a design may have to stay: areas first, then countries, each once; also what it says itself, if no region is there. */
export function residencesOf(regions: readonly Located[], own?: string): string[] {
  const sorted = (all: readonly string[]): string[] => [...new Set(all)].sort();
  const areas = sorted(regions.flatMap(({ area }) => area ?? []));
  const all = [...areas, ...sorted(regions.map(({ country }) => country))];
  return own === undefined || all.includes(own) ? all : [own, ...all];
}
