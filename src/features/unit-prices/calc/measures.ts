/**
 * What is measured where nothing is designed yet: the bare things that all providers sell, each as one line at a quantity
 * that one can picture. Data, like kinds. Source: product description, "Comparing".
 */
import { type Kind, kindOf, mainMeter, type Offer, type PriceBook } from '@/engine/books';
import { anyOfKind, type Choice, type Component, type Place } from '@/engine/design';
import { MEANING, meaningOf } from '@/engine/moving';
import type { Need } from '@/engine/sizing';
import type { Load } from '@/engine/usage';

/** How much of a thing the amounts are for. */
export interface Quantities {
  /** GB held a month, or sent in one. */
  readonly data: string;
  readonly requests: string;
  /** Of these kinds so much, in GB or requests. */
  readonly byKind?: Readonly<Partial<Record<Kind, string>>>;
}

/** What an amount is divided by to be that of one. */
export type Divisor = 'vcpu' | 'memory';

export interface Measure {
  readonly key: string;
  readonly group: string;
  readonly label: string;
  /** What one of it is: "GB", "vCPU". */
  readonly unit: string;
  readonly kind: Kind;
  /** How many of the unit the amount is for. */
  readonly quantity: string;
  /** Absent: the amount is that of the line. */
  readonly divisor?: Divisor;
  /** What is asked of sizes; absent: each offer by itself. */
  readonly need?: Need;
  /** Attributes by which offers are the same thing; absent: all of the kind are. */
  readonly meaning?: Readonly<Record<string, string>>;
}

const DATA: readonly [group: string, kinds: readonly Kind[]][] = [
  ['Stored for a month', ['block-volume', 'object-store', 'file-share', 'snapshot', 'backup']],
  ['Sent', ['transfer-out', 'content-delivery']],
];
const REQUESTS: readonly Kind[] = ['queue', 'key-value-store', 'function', 'name-service'];
/** A request to a function is nothing without the time that it takes. */
const RUN = { seconds: '0.1', vcpu: '0.25', memory: '0.5' };
const NONE = { likely: '0' };
const NO_LOAD: Load = {
  rate: { by: 'requests', perSecond: NONE },
  secondsEach: NONE,
  requestSize: { amount: NONE, unit: 'KiB' },
  replySize: { amount: NONE, unit: 'KiB' },
};
/** Where the first meter of a kind is not what one asks the price of. */
const METERS: Readonly<Partial<Record<Kind, string>>> = { backup: 'stored' };
/** What is paid for being there; data through it comes on top. */
const STANDING: readonly Kind[] = [
  'address',
  'outbound-gateway',
  'balancer-connections',
  'balancer-requests',
  'private-link',
  'vpn',
];

/** Whose offers have to be at hand. */
export const MEASURED_KINDS: readonly Kind[] = [
  'server',
  ...DATA.flatMap(([, kinds]) => kinds),
  ...REQUESTS,
  ...STANDING,
];

/** Small sizes that everybody sells in some form; flat rates are among them. */
const SIZES: readonly (readonly [vcpu: string, memory: string])[] = [
  ['1', '1'],
  ['1', '2'],
  ['2', '4'],
  ['2', '8'],
  ['4', '16'],
  ['8', '32'],
];

/**
 * Every measure that some offer of the books can answer, in the order in which they are read.
 *
 * @example
 * measuresOf([book], { data: '100', requests: '1000000' }).map(({ key }) => key).slice(0, 2); // => ['vcpu', 'memory']
 */
export function measuresOf(
  books: readonly PriceBook[],
  { data, requests, byKind = {} }: Quantities,
): Measure[] {
  const offersOf = (kind: Kind): readonly Offer[] => books.flatMap((book) => book.offersOf(kind));
  const servers = { group: 'Computing', kind: 'server', quantity: '1' } as const;
  const all: Measure[] = [
    { ...servers, key: 'vcpu', label: 'A vCPU for a month', unit: 'vCPU', divisor: 'vcpu' },
    { ...servers, key: 'memory', label: 'A GiB of memory for a month', unit: 'GiB', divisor: 'memory' },
    ...SIZES.map(([vcpu, memory]): Measure => ({
      ...servers,
      key: `server-${vcpu}-${memory}`,
      group: 'Small servers, always on',
      label: `${vcpu} vCPU, ${memory} GiB`,
      unit: 'server',
      need: { vcpu, memory, allowBurstable: true },
    })),
    ...DATA.flatMap(([group, kinds]) =>
      kinds.flatMap((kind) =>
        meaningsOf(offersOf(kind)).map((meaning): Measure => ({
          key: [kind, ...Object.values(meaning)].join(' '),
          group,
          label: [kindOf(kind).label, ...meaningWords(meaning)].join(', '),
          unit: 'GB',
          kind,
          quantity: byKind[kind] ?? data,
          meaning,
        })),
      ),
    ),
    ...REQUESTS.map((kind): Measure => ({
      key: kind,
      group: 'Requests',
      label: requestLabel(kind),
      unit: 'request',
      kind,
      quantity: byKind[kind] ?? requests,
    })),
    ...STANDING.map((kind): Measure => ({
      key: kind,
      group: 'There for a month, before what passes',
      label: kindOf(kind).label,
      unit: kindOf(kind).unitName,
      kind,
      quantity: '1',
    })),
  ];
  return all.filter(({ kind }) => offersOf(kind).length > 0);
}

/** The classes of a kind, from the plainest: what has fewer words stands first. */
function meaningsOf(offers: readonly Offer[]): Record<string, string>[] {
  const found = new Map(offers.map((offer) => [JSON.stringify(ordered(meaningOf(offer))), meaningOf(offer)]));
  return [...found].sort(([a], [b]) => a.length - b.length || (a < b ? -1 : 1)).map(([, each]) => each);
}

/** "solid state, low delay": an attribute whose values say little by themselves is named. */
const meaningWords = (meaning: Readonly<Record<string, string>>): string[] =>
  MEANING.flatMap((name) => {
    const value = meaning[name];
    return value === undefined ? [] : name === 'delay' ? `${value} delay` : value;
  });

const ordered = (meaning: Readonly<Record<string, string>>): [string, string][] =>
  Object.entries(meaning).sort(([a], [b]) => (a < b ? -1 : 1));

function isMeant(offer: Offer, { meaning }: Measure): boolean {
  return !meaning || JSON.stringify(ordered(meaningOf(offer))) === JSON.stringify(ordered(meaning));
}

/**
 * What may answer a measure at a place: each a line of its own, priced by nobody else's use.
 *
 * @example
 * const [vcpu] = measuresOf([book], { data: '100', requests: '1000000' });
 * linesFor(vcpu!, book, 'severn').length > 1; // => true
 */
export function linesFor(measure: Measure, book: PriceBook, region: string): Component[] {
  const place: Place = { book: book.key, region };
  const { kind, need } = measure;
  const sold = book.soldIn(region, kind);
  if (sold.length === 0) return [];
  if (need) return [lineOf(measure, place, { by: 'cheapest', need })];
  return sold
    .filter((offer) => offer.lifecycle === 'current' && isMeant(offer, measure))
    .filter(({ burstable, gpu, vcpu, memory }) =>
      measure.divisor ? !burstable && !gpu && vcpu && memory : true,
    )
    .map(({ sku }) => lineOf(measure, place, { by: 'sku', sku }));
}

function lineOf({ key, label, kind, unit, quantity }: Measure, place: Place, choice: Choice): Component {
  const meter = unitMeasured(kind) === unit ? meterMeasured(kind) : null;
  const line: Component = { ...anyOfKind(kind, place, key), name: label, choice };
  if (meter === null) {
    // Nothing passes: what is left is what it costs to be there.
    const loaded = kindOf(kind).meters.some(({ from }) => from === 'capacity');
    return loaded ? { ...line, load: NO_LOAD } : line;
  }
  // What else has to be entered is none: the measure is of the one meter.
  const others = kindOf(kind).meters.filter((each) => each.required && each.from === 'monthly');
  const usage = {
    ...Object.fromEntries(
      others.map((each) => [each.meter, { amount: { likely: '0' }, unit: each.enteredIn }]),
    ),
    [meter]: { amount: { likely: quantity }, unit },
  };
  if (kind !== 'function') return { ...line, usage };
  const runs = {
    amount: { likely: quantity },
    unit,
    each: { amount: { likely: RUN.seconds }, unit: 'second' },
  };
  const size = { vcpu: { likely: RUN.vcpu }, memory: { likely: RUN.memory } };
  return { ...line, size, usage: { ...usage, 'run-time': runs } };
}

/**
 * What a kind is measured in where it is measured by use; null: it is measured by being there.
 *
 * @example
 * unitMeasured('transfer-out'); // => 'GB'
 */
export function unitMeasured(kind: Kind): 'GB' | 'request' | null {
  if (REQUESTS.includes(kind)) return 'request';
  return DATA.some(([, kinds]) => kinds.includes(kind)) ? 'GB' : null;
}

/**
 * The meter that it is measured by.
 *
 * @example
 * meterMeasured('transfer-out'); // => 'transferred'
 */
export function meterMeasured(kind: Kind): string | null {
  if (unitMeasured(kind) === 'request') return requestMeter(kind).meter;
  return METERS[kind] ?? mainMeter(kind)?.meter ?? null;
}

function requestLabel(kind: Kind): string {
  const label = `${kindOf(kind).label}: ${requestMeter(kind).label.toLowerCase()}`;
  return kind === 'function' ? `${label} of ${Number(RUN.seconds) * 1000} ms at ${RUN.memory} GiB` : label;
}

function requestMeter(kind: Kind) {
  return kindOf(kind).meters.find(({ enteredIn }) => enteredIn === 'request')!;
}
