/**
 * What makes a demo provider's prices its own: level, regions, families, habits of payment, and a table of services.
 * The generator turns a profile and a seed into a price book. All names and figures are invented.
 */
import type { Payment, RateTerm } from '@/engine/terms';
import type { Kind } from '@/engine/books';
import type { OfferRow, RateRow } from '@/features/price-books/format/price-book-schema';
import type { Water } from './regions';

type Charge = RateRow['charge'];

/** A charge at a price level: 1 is the home region in the first revision. */
export type Priced = (level: number) => Charge;

/** One rate of a service: meter, unit, charge, and what is rare about it. */
export type ServiceRate = readonly [
  meter: string,
  unit: string,
  charge: Priced,
  more?: Partial<RateRow> | ((level: number) => Partial<RateRow>),
];

export interface ServiceProfile {
  readonly code: string;
  readonly kind: Kind;
  readonly name: string;
  readonly more?: Partial<OfferRow>;
  readonly rates: readonly ServiceRate[];
  /** Price change of the second revision, as a factor. */
  readonly drift?: number;
  /** First sold in the second revision. */
  readonly isNew?: boolean;
  readonly onlyIn?: readonly Water[];
}

export interface FamilyProfile {
  readonly code: string;
  readonly kind?: Kind;
  readonly name: string;
  readonly processor: string;
  readonly memoryPerVcpu: number;
  readonly sizes: readonly number[];
  /** Price of one vCPU-hour and of one GiB-hour at the level of the home region. */
  readonly vcpuHour: number;
  readonly gibHour: number;
  /** For each `sizes` entry; price of one for an hour. */
  readonly gpu?: { readonly each: number; readonly hour: number };
  readonly burstable?: boolean;
  readonly retires?: { readonly date: string; readonly successor: string };
  /** Sold only in these waters; else everywhere but for the irregularities. */
  readonly onlyIn?: readonly Water[];
  /** Price change of the second revision, as a factor. */
  readonly drift: number;
  /** Other meters that every size has: storage of a database. */
  readonly extra?: readonly ServiceRate[];
  readonly more?: Partial<OfferRow>;
}

/** A way of paying for what runs: its term, price against on demand, and the share of it that is paid ahead. */
export interface TermProfile {
  readonly term: RateTerm;
  readonly discount: number;
  readonly early?: RateRow['early'];
  /** Interruptible: low and high end against the mean. */
  readonly range?: readonly [number, number];
}

export interface ProviderProfile {
  readonly key: string;
  readonly provider: string;
  readonly currency: string;
  readonly skuPrefix: string;
  readonly monthHours: string;
  readonly regions: readonly {
    readonly water: Water;
    readonly code: string;
    readonly factor: number;
    readonly bands?: Readonly<Partial<Record<Kind, string>>>;
  }[];
  readonly families: readonly FamilyProfile[];
  readonly serverUnit: 'hour' | 'second';
  readonly terms: readonly TermProfile[];
  /** What every server rate has: increments, sustained use, a monthly cap at so many hours. */
  readonly habits?: { readonly rate?: Partial<RateRow>; readonly capHours?: number };
  /** Licences that can run on servers: product, price of a core-hour, least cores. */
  readonly licences?: readonly {
    readonly product: string;
    readonly coreHour: number;
    readonly least: string | null;
  }[];
  readonly services: readonly ServiceProfile[];
  /** Further generations of its families are invented until it has so many rates. */
  readonly leastRates?: number;
}

const PAYMENT_ORDER: readonly Payment[] = ['none', 'part', 'all'];

/** Fixed commitments by months and payment; what is missing is not sold. */
export function commitments(
  discounts: Readonly<Partial<Record<12 | 36, Partial<Record<Payment, number>>>>>,
  early: RateRow['early'] = { rule: 'rest-due' },
): TermProfile[] {
  return ([12, 36] as const).flatMap((months) =>
    PAYMENT_ORDER.flatMap((payment) => {
      const discount = discounts[months]?.[payment];
      return discount === undefined ? [] : [{ term: `${months}-${payment}` as const, discount, early }];
    }),
  );
}

/** The same commitments with the right to exchange them, for a little more. */
export function exchangeable(terms: readonly TermProfile[], dearer: number): TermProfile[] {
  return terms.map((each) => ({
    ...each,
    term: `${each.term}-exchangeable` as RateTerm,
    discount: each.discount - dearer,
    early: { rule: 'fee' as const, share: '0.12' },
  }));
}
