/** Where a placement goes: one place, or several of which the cheapest is taken. */
'use client';
import type { FleetPlacement } from '@/features/fleet/calc';
import { Button } from '@/platform/ui/button';
import { Field } from '@/platform/ui/field';
import { useFleet } from '../room-context';
import { Part } from './amount-entry';

interface PlacesProps {
  readonly placement: FleetPlacement;
  readonly onPlacement: (placement: FleetPlacement) => void;
}

export function Places({ placement, onPlacement }: PlacesProps) {
  const { books, names } = useFleet();
  const { places } = placement;
  const set = (next: FleetPlacement['places']): void => onPlacement({ ...placement, places: next });
  const key = (place: { readonly book: string; readonly region: string }): string =>
    `${place.book} ${place.region}`;
  const all = books.flatMap((book) => book.regions.map(({ code }) => ({ book: book.key, region: code })));
  const free = all.filter((place) => !places.some((each) => key(each) === key(place)));
  const options = (own: (typeof all)[number] | null) => (
    <>
      {books.map((book) => (
        <optgroup key={book.key} label={book.title}>
          {book.regions
            .filter(
              ({ code }) =>
                (own && key(own) === `${book.key} ${code}`) ||
                free.some((each) => key(each) === `${book.key} ${code}`),
            )
            .map(({ code, name }) => (
              <option key={code} value={`${book.key} ${code}`}>
                {book.title}, {name}
              </option>
            ))}
        </optgroup>
      ))}
    </>
  );
  const read = (text: string): (typeof all)[number] => all.find((place) => key(place) === text)!;
  return (
    <Part title={places.length > 1 ? 'Where: the cheapest of these' : 'Where'}>
      {places.map((place, at) => (
        <Field key={key(place)} label={places.length > 1 ? `Place ${at + 1}` : 'Place'}>
          {(field) => (
            <span className="flex gap-1">
              <select
                {...field}
                value={key(place)}
                onChange={(event) =>
                  set(places.map((each, index) => (index === at ? read(event.target.value) : each)))
                }
              >
                {options(place)}
              </select>
              {places.length > 1 && (
                <Button
                  aria-label={`Take ${names.book(place.book)} ${names.region(place.book, place.region)} away`}
                  onClick={() => set(places.filter((_, index) => index !== at))}
                >
                  ×
                </Button>
              )}
            </span>
          )}
        </Field>
      ))}
      {free.length > 0 && places.length < 40 && (
        <Field label="Another place: the cheapest is taken">
          {(field) => (
            <select {...field} value="" onChange={(event) => set([...places, read(event.target.value)])}>
              <option value="">add one</option>
              {options(null)}
            </select>
          )}
        </Field>
      )}
    </Part>
  );
}
