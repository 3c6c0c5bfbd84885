/** How books and regions are called on the screen. */
import type { PlaceNames } from '@/features/design/words';
import type { BookInfo } from '@/features/design/screen/book-list';

type Named = Pick<BookInfo, 'key' | 'title' | 'regions'>;

export function placeNames(bookList: readonly Named[]): PlaceNames {
  const bookOf = (key: string): Named | undefined => bookList.find((each) => each.key === key);
  return {
    book: (key) => bookOf(key)?.title ?? key,
    region: (book, code) => bookOf(book)?.regions.find((each) => each.code === code)?.name ?? code,
  };
}
