/**
 * The charge structures as data, and what they charge for. `N` is how numbers are held: decimals in the computation,
 * text in files and designs. Source: pricing rules, "Charge structures".
 */
import type { Decimal } from '../base';
import type { Figure, RateSource } from '../trace';

export interface Tier<N = Decimal> {
  /** The tier ends at this quantity, itself included; null: no end. */
  readonly upTo: N | null;
  readonly price: N;
}

export interface Band<N = Decimal> {
  /** The band ends at this size, itself included. */
  readonly upTo: N;
  readonly fee: N;
}

export interface SpendTier<N = Decimal> {
  readonly upTo: N | null;
  /** 0.1 is ten percent of the spend that lies in this tier. */
  readonly share: N;
}

export interface CapacityDimension<N = Decimal> {
  /** `requests`, `new-connections`, `open-connections`, `data` or a dimension of the provider's own. */
  readonly dimension: string;
  readonly label: string;
  /** How much of the dimension one capacity unit carries, in `unit`. */
  readonly carries: N;
  readonly unit: string;
}

/** What a share of spend is taken of. */
export interface SpendBase {
  /** `provider`: components priced from the same book; `design`: all components. */
  readonly over: 'provider' | 'design';
  /** Only components of these kinds; empty: every kind but those that are themselves a share of spend. */
  readonly kinds: readonly string[];
}

export type Charge<N = Decimal> =
  | { readonly structure: 'per-unit'; readonly price: N }
  | { readonly structure: 'per-block'; readonly block: N; readonly price: N }
  | { readonly structure: 'graduated'; readonly tiers: readonly Tier<N>[] }
  | { readonly structure: 'volume'; readonly tiers: readonly Tier<N>[] }
  | {
      readonly structure: 'stepped';
      readonly bands: readonly Band<N>[];
      /** Beyond the last band: its fee, and this fee for each started block above it; null: no larger size is sold. */
      readonly beyond: { readonly block: N; readonly fee: N } | null;
    }
  | {
      readonly structure: 'greatest-of';
      readonly dimensions: readonly CapacityDimension<N>[];
      /** Per capacity unit and hour. */
      readonly unitPrice: N;
      /** Per hour, whatever the use; null: none. */
      readonly basePrice: N | null;
      /** Whether started units are billed whole. */
      readonly whole: boolean;
    }
  | {
      readonly structure: 'by-parts';
      /** Per vCPU, per GiB and per GPU, each for one unit of the rate (an hour, a second). */
      readonly vcpu: N;
      readonly memory: N;
      readonly gpu: N | null;
    }
  | {
      readonly structure: 'share-of-spend';
      readonly tiers: readonly SpendTier<N>[];
      /** The least that is paid a month; null: none. */
      readonly floor: N | null;
      readonly base: SpendBase;
    }
  | { readonly structure: 'flat'; readonly amount: N; readonly once: boolean };

export type ChargeStructure = Charge['structure'];

/** How many instances have one size, in the rate's unit. */
export interface SizedUse {
  readonly size: Figure;
  readonly count: Figure;
}

export interface FreeParts {
  readonly vcpu: Figure;
  readonly memory: Figure;
  readonly gpu: Figure | null;
}

/** What is charged for: every structure reads the quantity, some read more. */
export interface ChargeUse {
  /** In the rate's unit, for all units of the component or the pool. */
  readonly quantity: Figure;
  readonly sizes?: readonly SizedUse[];
  /** `greatest-of`: hours of all devices, for the hourly fee; then the quantity is unit-hours. */
  readonly beside?: Figure;
  readonly parts?: FreeParts;
}

/** What a structure needs to label its steps. `unit` is the billed unit, `currency` the book's. */
export interface ChargeContext {
  readonly unit: string;
  readonly currency: string;
  readonly source: RateSource;
  /** The prices are not the book's but those of an agreement of this name. */
  readonly agreement?: string;
}

interface StructureTraits {
  /** What one says of it; null: nobody charges an own line by it, it needs a load, a size or a spend of its own. */
  readonly ownLine: string | null;
  /** Its tiers make sense over several components at once. */
  readonly poolable: boolean;
}

/** What else there is to say of each structure; its schema stands in `formats/charge`, its arithmetic in `charge.ts`. */
export const STRUCTURES: { readonly [S in ChargeStructure]: StructureTraits } = {
  'per-unit': { ownLine: 'a price for each', poolable: true },
  'per-block': { ownLine: 'a price for each started block', poolable: true },
  graduated: { ownLine: 'tiers, each slice at its own price', poolable: true },
  volume: { ownLine: 'tiers, all of it at the price of one', poolable: true },
  stepped: { ownLine: 'steps by the size of one', poolable: false },
  'greatest-of': { ownLine: null, poolable: false },
  'by-parts': { ownLine: null, poolable: false },
  'share-of-spend': { ownLine: null, poolable: false },
  flat: { ownLine: 'one amount', poolable: false },
};
