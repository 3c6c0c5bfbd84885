/** Where a component is bought: provider and region together, because prices belong to both. */
'use client';
import type { RefObject } from 'react';
import type { Place } from '@/engine/design';
import { Picker } from '@/platform/ui/picker';
import type { BookInfo } from '../book-list';

interface PlacePickerProps {
  readonly anchor: RefObject<HTMLElement | null>;
  readonly bookList: readonly BookInfo[];
  readonly chosen: Place | null;
  readonly typed: string;
  readonly onChoose: (place: Place) => void;
  readonly onClose: () => void;
}

const SPLIT = '/';

export function PlacePicker({ anchor, bookList, chosen, typed, onChoose, onClose }: PlacePickerProps) {
  const items = bookList.flatMap((book) =>
    book.regions.map((region) => ({
      value: `${book.key}${SPLIT}${region.code}`,
      label: `${region.name}, ${region.country}`,
      detail: `${region.code}${region.carbon === null ? '' : `, grid ${region.carbon} g CO2e per kWh`}`,
      group: `${book.title}, revision ${book.revision} of ${book.effective}, ${book.currency}`,
    })),
  );
  return (
    <Picker
      open
      title="Provider and region"
      anchor={anchor}
      items={items}
      chosen={chosen ? `${chosen.book}${SPLIT}${chosen.region}` : null}
      typed={typed}
      width={360}
      onChoose={(value) => {
        const [book = '', region = ''] = value.split(SPLIT);
        onChoose({ book, region });
      }}
      onClose={onClose}
    />
  );
}
