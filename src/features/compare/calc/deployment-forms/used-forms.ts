/** Stores and brokers: forms that are paid by what they hold and pass on, at equal use. */
import { type Decimal, decimal } from '@/engine/base';
import type { Kind } from '@/engine/books';
import type { Component, UsageEntry } from '@/engine/design';
import { inAllCases } from '@/engine/usage';
import { bestOfEditions, leftOut, type BuyingPlace } from './best-of-editions';
import { type Form, MESSAGE_FORMS, STORE_FORMS } from './form-data';
import type { FormRow, MessageWish, StoreWish } from './model';

/** Of the accesses to a store. */
const WRITES = '0.2';
/** A message is sent, taken and confirmed. */
const REQUESTS_EACH = 3;
const KB_OF_GB = 1_000_000;
const DAYS_OF_MONTH = 30;

/** With the size of one in kB, where started pieces are billed by it. */
type Usage = Readonly<Record<string, readonly [amount: Decimal, unit: string, each?: string]>>;

export function storeForms(wish: StoreWish, shop: BuyingPlace): FormRow[] {
  return STORE_FORMS.flatMap((form) =>
    wish.reached !== null && form.reached !== wish.reached
      ? [leftOut(form, 'It is reached in another way.')]
      : used(form, storeUsage(form.kind, wish), shop),
  );
}

export function messageForms(wish: MessageWish, shop: BuyingPlace): FormRow[] {
  return MESSAGE_FORMS.flatMap((form) => {
    if (wish.again === true && !form.again) return [leftOut(form, 'What was read is gone.')];
    if (wish.again === false && form.again) return [leftOut(form, 'It keeps what nobody reads again.')];
    return used(form, messageUsage(form.kind, wish), shop);
  });
}

function storeUsage(kind: Kind, { held, readBack, accesses }: StoreWish): Usage {
  const writes = decimal(accesses).times(WRITES);
  const reads = decimal(accesses).minus(writes);
  switch (kind) {
    case 'object-store':
      return {
        stored: [decimal(held), 'GB'],
        writes: [writes, 'request'],
        reads: [reads, 'request'],
        retrieved: [decimal(readBack), 'GB'],
      };
    case 'key-value-store':
      return { stored: [decimal(held), 'GB'], writes: [writes, 'request'], reads: [reads, 'request'] };
    case 'file-share':
      return { stored: [decimal(held), 'GB'], retrieved: [decimal(readBack), 'GB'] };
    default:
      return { capacity: [decimal(held), 'GB'] };
  }
}

function messageUsage(kind: Kind, { messages, size, days }: MessageWish): Usage {
  const through = decimal(messages).times(size).dividedBy(KB_OF_GB);
  if (kind === 'queue') {
    return { requests: [decimal(messages).times(REQUESTS_EACH), 'request', size] };
  }
  return {
    in: [through, 'GB'],
    out: [through, 'GB'],
    stored: [through.times(days).dividedBy(DAYS_OF_MONTH), 'GB'],
  };
}

/** Only what the offer has a rate for: what it does not charge is no use of it. */
function used(form: Form, usage: Usage, shop: BuyingPlace): FormRow[] {
  return bestOfEditions(form, shop, (offer) => {
    const billed = new Set(shop.book.ratesOf(offer.sku, shop.place.region).map((rate) => rate.meter));
    const entries = Object.entries(usage).filter(([meter]) => billed.has(meter));
    const component: Component = {
      id: shop.newId(),
      name: form.label,
      kind: form.kind,
      count: inAllCases('1'),
      place: shop.place,
      choice: { by: 'sku', sku: offer.sku },
      running: { pattern: 'always' },
      usage: Object.fromEntries(entries.map(([meter, use]) => [meter, entryOf(use)])),
      term: 'on-demand',
    };
    return { component, note: form.note };
  });
}

function entryOf([amount, unit, each]: Usage[string]): UsageEntry {
  return {
    amount: inAllCases(amount.toDecimalPlaces(6).toString()),
    unit,
    ...(each === undefined ? {} : { each: { amount: inAllCases(each), unit: 'kB' } }),
  };
}
