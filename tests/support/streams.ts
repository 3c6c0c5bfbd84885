/** Files as streams of bytes, cut where it hurts. */
import { gzipSync } from 'node:zlib';
import type {
  OfferRow,
  PriceBookFile,
  RateRow,
  RegionRow,
} from '@/features/price-books/format/price-book-schema';
import {
  type BookPieces,
  type BookSink,
  readBook,
  type ReadOptions,
} from '@/features/price-books/format/stream';

export async function* bytesOf(data: string | Uint8Array, size = 7919): AsyncGenerator<Uint8Array> {
  const bytes = typeof data === 'string' ? new TextEncoder().encode(data) : data;
  for (let at = 0; at < bytes.length; at += size) yield bytes.subarray(at, at + size);
}

export const packed = (data: string): Uint8Array => gzipSync(data);

export interface Kept {
  head: Pick<PriceBookFile, 'book' | 'revision'> | null;
  readonly regions: RegionRow[];
  readonly offers: OfferRow[];
  readonly rates: RateRow[];
}

export function keeper(): { kept: Kept; sink: BookSink } {
  const kept: Kept = { head: null, regions: [], offers: [], rates: [] };
  return {
    kept,
    sink: {
      head: async (head) => void (kept.head = head),
      regions: async (rows) => void kept.regions.push(...rows),
      offers: async (rows) => void kept.offers.push(...rows),
      rates: async (rows) => void kept.rates.push(...rows),
    },
  };
}

export async function readAll(
  data: string | Uint8Array,
  options: ReadOptions & { readonly size?: number } = {},
) {
  const { kept, sink } = keeper();
  const read = await readBook(bytesOf(data, options.size), sink, options);
  return { ...read, kept };
}

export function piecesOf(file: PriceBookFile): BookPieces {
  async function* rates(): AsyncGenerator<readonly RateRow[]> {
    for (let at = 0; at < file.rates.length; at += 10) yield file.rates.slice(at, at + 10);
  }
  return {
    head: { book: file.book, revision: file.revision },
    regions: file.regions,
    offers: file.offers,
    rates: rates(),
  };
}

export async function textOf(chunks: AsyncIterable<string>): Promise<string> {
  let text = '';
  for await (const chunk of chunks) text += chunk;
  return text;
}
