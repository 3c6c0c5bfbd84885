/**
 * Questions that are kept with a design: what is looked at, never what came out. Each is answered anew from the design as
 * it stands, on the screen and in the report. They change no amount. Source: needs F9 to F16.
 */
import type { Term } from '../terms';
import type { Scope } from './scope';

/** What stands on an axis: all that follows traffic, a driver, an entry of a line. */
export type Along =
  | { readonly of: 'traffic' }
  | { readonly of: 'driver'; readonly name: string }
  | { readonly of: 'entry'; readonly line: string; readonly entry: string };

export const READY = ['against', 'committed', 'classes', 'peaks', 'alone'] as const;

/**
 * `against`: one line against another; `committed`: ways of paying over the share of the month it runs; `classes`: the
 * other offers of its kind; `peaks`: as many all month as in its peak; `alone`: where allowances and tiers end.
 */
export type Ready = (typeof READY)[number];

export interface ReadyWish {
  readonly ready: Ready;
  readonly line: string;
  /** Of a pair. */
  readonly other: string | null;
  /** What it turns on; null: what it usually does. */
  readonly entry: string | null;
}

/** From where to where an axis is looked at. */
export interface LookedAt {
  readonly from: number;
  readonly to: number;
  readonly scale: 'linear' | 'log';
}

/**
 * - `curve`: the month over what varies; `beside`: ids of the alternatives.
 * - `ready`: a question that needs no set-up.
 * - `draws`: how sure the month is.
 * - `units`, `every-hour`, `prepaid`: what to commit to.
 */
export type KeptAsk =
  | {
      readonly shows: 'curve';
      readonly along: Along;
      /** Null: as it is usually looked at. */
      readonly range: LookedAt | null;
      readonly beside: readonly string[];
      readonly of: Scope;
    }
  | ({ readonly shows: 'ready' } & ReadyWish)
  | { readonly shows: 'draws'; readonly seed: string; readonly draws: number }
  | { readonly shows: 'units'; readonly term: Term }
  | {
      readonly shows: 'every-hour';
      readonly book: string;
      readonly region: string;
      readonly sku: string;
      readonly term: Term;
      /** Null: the calm one. */
      readonly level: string | null;
    }
  | {
      readonly shows: 'prepaid';
      readonly book: string;
      readonly region: string;
      readonly sku: string;
    };

export interface Kept {
  readonly id: string;
  readonly name: string;
  readonly ask: KeptAsk;
}

export const MOST_KEPT = 12;
