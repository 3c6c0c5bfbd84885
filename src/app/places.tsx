/** Which features stand in the top line: their places, and what tells of them wherever one is. */
import type { Place } from '@/platform/shell/top-line';
import { ImportNote } from '@/features/price-books/screen/import-note';
import { UnderwayNote } from '@/features/fleet/screen/bring/underway-note';

export const PLACES: readonly Place[] = [
  { href: '/designs', label: 'Designs' },
  { href: '/fleets', label: 'Fleets' },
  { href: '/own-or-rent', label: 'Own or rent' },
  { href: '/reviews', label: 'Change reviews' },
  { href: '/bills', label: 'Bills' },
  { href: '/books', label: 'Price books' },
  { href: '/prices', label: 'Prices' },
  { href: '/settings', label: 'Settings' },
];

export const UnderwayNotes = () => (
  <>
    <UnderwayNote />
    <ImportNote />
  </>
);
