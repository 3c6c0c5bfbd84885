/**
 * The forms in which one can have the same capacity: machines of one's own system, hardware of one's own, run by the
 * provider, asleep when idle, one edition or another. Questions leave fewer forms; all of them are priced at the
 * capacity asked for, and those that are left out say why. Need B20.
 */
import { type Decimal, decimal } from '../base';
import type { Kind, Offer, PriceBook } from '../books';
import type { Component, Design, Place } from '../design';
import { type BookSet, priceAlone } from '../pricing';
import { FORMS, type Form } from './form-data';

export type { Form } from './form-data';

export interface FormWish {
  readonly job: 'compute' | 'database';
  /** Own control of the operating system; null: does not matter. */
  readonly ownSystem: boolean | null;
  /** Hardware nobody else is on; null: does not matter. */
  readonly ownHardware: boolean | null;
  /** `asleep`: nothing is asked most of the time. */
  readonly running: 'always' | 'office' | 'asleep';
  /** Of each; GiB. */
  readonly vcpu: string;
  readonly memory: string;
  readonly count: string;
}

export interface FormRow {
  readonly form: Form;
  /** What tells it from others of the same form: "engine castrum, edition standard". */
  readonly edition: string;
  readonly offer: string;
  /** Ready to be added; null: it does not fit or is not sold. */
  readonly component: Component | null;
  readonly monthly: Decimal | null;
  /** Why it does not fit; or what to know about it. */
  readonly note: string;
}

const OFFICE: Component['running'] = {
  pattern: 'days',
  hoursPerDay: { likely: '10' },
  daysPerMonth: { likely: '22' },
};
/** How much of the time it sleeps where nothing else is known. */
const ASLEEP: Component['running'] = {
  pattern: 'asleep',
  share: { likely: '0.8' },
  wakeUps: { likely: '0' },
  idleMinutes: { likely: '0' },
};

/** Kinds whose offers must be at hand. */
export function formKinds(job: FormWish['job']): Kind[] {
  return [...new Set(FORMS[job].map((form) => form.kind))];
}

/** Fitting ones first, the cheapest first; then those left out, with the reason. */
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
  const rows = FORMS[wish.job].flatMap((form): FormRow[] => {
    const against = objection(form, wish);
    const empty = { form, edition: '', offer: '', component: null, monthly: null };
    if (against) return [{ ...empty, note: against }];
    const found = priced(form, wish, place, design, book, books, newId);
    return found.length > 0 ? found : [{ ...empty, note: 'Nothing of this size is sold here.' }];
  });
  const cost = (row: FormRow): number => row.monthly?.toNumber() ?? Infinity;
  return rows.sort((a, b) => cost(a) - cost(b));
}

function objection(form: Form, { ownSystem, ownHardware }: FormWish): string | null {
  if (ownSystem === true && !form.ownSystem) return 'The provider runs the system.';
  if (ownSystem === false && form.ownSystem) return 'You would run the system yourself.';
  if (ownHardware === true && !form.ownHardware) return 'Others are on the same hardware.';
  if (ownHardware === false && form.ownHardware) return 'The whole machine is paid, used or not.';
  return null;
}

/** The cheapest offer of each edition that has the size asked for. */
function priced(
  form: Form,
  wish: FormWish,
  place: Place,
  design: Design,
  book: PriceBook,
  books: BookSet,
  newId: () => string,
): FormRow[] {
  const best = new Map<string, FormRow & { readonly monthly: Decimal }>();
  for (const offer of book.soldIn(place.region, form.kind)) {
    if (offer.lifecycle !== 'current') continue;
    const count = countOf(form, offer, wish);
    if (!count) continue;
    const sleeps = form.sleeps || offer.capabilities?.includes('sleeps') === true;
    const component = componentOf(form, offer, wish, place, count, sleeps, newId());
    const line = priceAlone(component, design, books);
    if (line.status !== 'priced') continue;
    const edition = Object.entries(offer.attributes ?? {})
      .map(([name, value]) => `${name} ${value}`)
      .join(', ');
    const monthly = line.monthly.value;
    const known = best.get(edition);
    if (known && !monthly.lessThan(known.monthly)) continue;
    const awake = wish.running === 'asleep' && !sleeps ? 'It cannot sleep, so it is priced always on.' : '';
    const note = [form.note, awake].filter(Boolean).join(' ');
    best.set(edition, { form, edition, offer: offer.name, component, monthly, note });
  }
  return [...best.values()];
}

/** How many of the offer have the capacity; null: it cannot. */
function countOf(form: Form, offer: Offer, { vcpu, memory, count }: FormWish): string | null {
  const [v, m, n] = [decimal(vcpu), decimal(memory), decimal(count)];
  if (form.size === 'free') return count;
  if (offer.vcpu === null || offer.memory === null || offer.vcpu.isZero() || offer.memory.isZero())
    return null;
  if (form.size === 'shared-out') {
    const hosts = [v.times(n).dividedBy(offer.vcpu).ceil(), m.times(n).dividedBy(offer.memory).ceil()];
    return (hosts[0]!.greaterThan(hosts[1]!) ? hosts[0]! : hosts[1]!).toString();
  }
  return offer.vcpu.greaterThanOrEqualTo(v) && offer.memory.greaterThanOrEqualTo(m) ? count : null;
}

function componentOf(
  form: Form,
  offer: Offer,
  wish: FormWish,
  place: Place,
  count: string,
  sleeps: boolean,
  id: string,
): Component {
  const running = wish.running === 'office' ? OFFICE : wish.running === 'asleep' && sleeps ? ASLEEP : ALWAYS;
  return {
    id,
    name: form.label,
    kind: form.kind,
    count: { likely: count },
    place,
    choice: { by: 'sku', sku: offer.sku },
    running,
    usage: {},
    term: 'on-demand',
    ...(form.size === 'free'
      ? { size: { vcpu: { likely: wish.vcpu }, memory: { likely: wish.memory } } }
      : {}),
  };
}

const ALWAYS: Component['running'] = { pattern: 'always' };
