/** Where new lines are placed: said once for the design or a section, instead of taken over from the line before. */
'use client';
import type { BookPin, Edit, Place } from '@/engine/design';
import { Field } from '@/platform/ui/field';
import type { BookInfo } from '../book-list';

interface NewLinesPlaceProps {
  /** Null: of the design. */
  readonly section: string | null;
  readonly place: Place | null;
  readonly otherwise: string;
  readonly books: readonly BookPin[];
  readonly bookList: readonly BookInfo[];
  readonly apply: (edits: readonly Edit[]) => void;
}

const keyOf = ({ book, region }: Place): string => `${book}\n${region}`;

export function NewLinesPlace({ section, place, otherwise, books, bookList, apply }: NewLinesPlaceProps) {
  const choose = (key: string): void => {
    const [book = '', region = ''] = key.split('\n');
    const next = key === '' ? null : { book, region };
    const unpinned = next && !books.some((pin) => pin.book === book);
    const revision = bookList.find((each) => each.key === book)?.revision;
    apply([
      ...(unpinned && revision
        ? [{ edit: 'pin-books', books: [...books, { book, revision }] } as const]
        : []),
      { edit: 'place-new-lines', section, place: next },
    ]);
  };
  return (
    <Field label="New lines at">
      {(field) => (
        <select {...field} value={place ? keyOf(place) : ''} onChange={(event) => choose(event.target.value)}>
          <option value="">{otherwise}</option>
          {bookList.map((book) => (
            <optgroup key={book.key} label={book.title}>
              {book.regions.map(({ code, name }) => (
                <option key={code} value={keyOf({ book: book.key, region: code })}>
                  {`${book.title}, ${name}`}
                </option>
              ))}
            </optgroup>
          ))}
        </select>
      )}
    </Field>
  );
}
