/**
 * The forms in which one can have the same thing: machines of one's own system, hardware of one's own, run by the
 * provider, asleep when idle; objects, folders, disks or rows; a queue or a stream. Questions leave fewer forms; all of
 * them are priced at the capacity asked for, and those that are left out say why. Need B20.
 */
import type { Kind } from '@/engine/books';
import type { Design, Place } from '@/engine/design';
import type { BookSet } from '@/engine/pricing';
import type { BuyingPlace } from './best-of-editions';
import { MACHINE_FORMS, MESSAGE_FORMS, STORE_FORMS } from './form-data';
import { machineForms } from './machine-forms';
import type { FormRow, FormWish } from './model';
import { messageForms, storeForms } from './used-forms';

export type { FormRow, FormWish, MachineWish, MessageWish, StoreWish } from './model';

/**
 * Kinds whose offers must be at hand.
 *
 * @example
 * formKinds('messages'); // => ['queue', 'stream']
 */
export function formKinds(job: FormWish['job']): Kind[] {
  const forms = job === 'store' ? STORE_FORMS : job === 'messages' ? MESSAGE_FORMS : MACHINE_FORMS[job];
  return [...new Set(forms.map((form) => form.kind))];
}

/**
 * Fitting ones first, the cheapest first; then those left out, with the reason.
 *
 * @example
 * const wish = { job: 'compute', ownSystem: null, ownHardware: null, licence: null, running: 'always', vcpu: '4', memory: '16', count: '1' };
 * formsFor(wish, server.place!, design, books, () => 'new').find(({ monthly }) => monthly)?.offer; // => 'l-4'
 */
export function formsFor(
  wish: FormWish,
  place: Place,
  design: Design,
  books: BookSet,
  newId: () => string,
): FormRow[] {
  const pin = design.books.find((each) => each.book === place.book);
  const book = pin && books.get(pin.book, pin.revision);
  if (!book) return [];
  const rows = rowsFor(wish, { place, design, book, books, newId });
  return rows.sort(byCost);
}

/** What has no amount comes last. */
function byCost({ monthly: a }: FormRow, { monthly: b }: FormRow): number {
  if (a && b) return a.comparedTo(b);
  return a ? -1 : b ? 1 : 0;
}

function rowsFor(wish: FormWish, shop: BuyingPlace): FormRow[] {
  switch (wish.job) {
    case 'store':
      return storeForms(wish, shop);
    case 'messages':
      return messageForms(wish, shop);
    default:
      return machineForms(wish, MACHINE_FORMS[wish.job], shop);
  }
}
