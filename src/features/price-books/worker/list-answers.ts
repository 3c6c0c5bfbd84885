/** What the worker for price lists answers. */
import type { InventoryFile } from '@/features/fleet/format/inventory-file';
import { InventoryError } from '@/features/fleet/format/inventory-file';
import { readPriceListMap } from '@/features/price-books/format/price-list/map-schema';
import { headingsOf, readPriceList } from '@/features/price-books/format/price-list/read-list';
import type { ListAnswers, ListQuestion, ListRead } from './list-protocol';

const SHOWN = 100;

export async function answerList(
  question: ListQuestion,
  fileOf: (file: File) => InventoryFile,
): Promise<ListAnswers[ListQuestion['ask']]> {
  if (question.ask === 'read') return read(question.map, fileOf(question.file));
  try {
    return await headingsOf(fileOf(question.file));
  } catch (error) {
    throw error instanceof InventoryError ? new Error(error.message) : error;
  }
}

const NOTHING = { book: null, rows: 0, skipped: 0, offers: 0, rates: 0, sample: [], file: null } as const;

async function read(text: string, file: InventoryFile): Promise<ListRead> {
  const map = readPriceListMap(text);
  if (!map.ok) return { ...NOTHING, isOfMap: true, faults: map.faults, more: map.more };
  const { book, rows, skipped, faults, more } = await readPriceList(file, map.value);
  if (!book) return { ...NOTHING, rows, skipped, isOfMap: false, faults, more };
  const { key, title, currency } = book.book;
  return {
    ...{ rows, skipped, faults, more, isOfMap: false },
    book: { key, title, currency, revision: book.revision.number },
    offers: book.offers.length,
    rates: book.rates.length,
    sample: book.rates.slice(0, SHOWN),
    file: new Blob([JSON.stringify(book)], { type: 'application/json' }),
  };
}
