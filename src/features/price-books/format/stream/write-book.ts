/** Writes a price book piece by piece, as JSON with one entry a line or as flat CSV; both are read back the same. */
import { stringify } from 'csv-stringify/sync';
import type { OfferRow, RateRow, RegionRow } from '../price-book-schema';
import type { BookHeadRow } from './book-reader';
import { CSV_COLUMNS, guarded, isFlat, recordsOf } from './csv-columns';

export interface BookPieces {
  readonly head: BookHeadRow;
  readonly regions: readonly RegionRow[];
  readonly offers: readonly OfferRow[];
  readonly rates: AsyncIterable<readonly RateRow[]>;
}

export async function* writeBookJson({ head, regions, offers, rates }: BookPieces): AsyncGenerator<string> {
  const { book, revision } = head;
  yield `{"format":"wick-price-book","version":1,\n"book":${JSON.stringify(book)},\n"revision":${JSON.stringify(revision)},\n`;
  yield `"regions":[\n${regions.map((row) => JSON.stringify(row)).join(',\n')}\n],\n`;
  yield `"offers":[\n${offers.map((row) => JSON.stringify(row)).join(',\n')}\n],\n"rates":[\n`;
  let first = true;
  for await (const rows of rates) {
    if (rows.length === 0) continue;
    yield `${first ? '' : ',\n'}${rows.map((row) => JSON.stringify(row)).join(',\n')}`;
    first = false;
  }
  yield '\n]}\n';
}

/** How many rates the flat form cannot carry. Above zero, `writeBookCsv` would lose them. */
export function notFlat(
  rates: readonly RateRow[],
  offers: ReadonlyMap<string, OfferRow>,
  regions: ReadonlyMap<string, RegionRow>,
): number {
  return rates.filter((rate) => !isFlat(rate, offers.get(rate.sku)!, regions.get(rate.region)!)).length;
}

export async function* writeBookCsv({ head, regions, offers, rates }: BookPieces): AsyncGenerator<string> {
  const offerOf = new Map(offers.map((offer) => [offer.sku, offer]));
  const regionOf = new Map(regions.map((region) => [region.code, region]));
  yield stringify([[...CSV_COLUMNS]]);
  for await (const rows of rates) {
    const records = rows.flatMap((rate) =>
      recordsOf(head, regionOf.get(rate.region)!, offerOf.get(rate.sku)!, rate),
    );
    yield stringify(records.map((record) => CSV_COLUMNS.map((column) => guarded(column, record[column]))));
  }
}
