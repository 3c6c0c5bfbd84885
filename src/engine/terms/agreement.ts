/**
 * Agreements: what was negotiated on top of a price list. A percentage off or a fixed price on what they cover, and a
 * margin on top for those who sell on. List, contracted and resale price stay three columns. The narrowest agreement
 * that covers a part decides: offer before kind before category before provider before all; of equals the first.
 * Source: pricing rules, "Agreements"; needs E13, E14, J12.
 */
import type { Tier } from '../rates';
import type { RateTerm, Term } from './term';

export interface Covers {
  /** Empty lists cover everything. */
  readonly books: readonly string[];
  readonly categories: readonly string[];
  readonly kinds: readonly string[];
  readonly skus: readonly string[];
}

export interface FixedPrice {
  readonly meter: string;
  /** The unit that it is a price of; absent: the rate's. */
  readonly unit?: string;
  /** The way of paying whose price it replaces; absent: on demand. */
  readonly term?: Term;
}

export interface Agreement {
  readonly id: string;
  readonly name: string;
  readonly covers: Covers;
  /** ISO dates, both included; null: open. */
  readonly from: string | null;
  readonly to: string | null;
  readonly discount:
    /** Off everything that the list charges on what it covers, capped amounts included. */
    | { readonly by: 'share'; readonly share: string }
    /** A price for all that is charged of one meter, in the book's currency, in place of the list's structure. */
    | (FixedPrice & { readonly by: 'price'; readonly price: string })
    /** Prices tier by tier, in place of the list's. */
    | (FixedPrice & { readonly by: 'tiers'; readonly tiers: readonly Tier<string>[] })
    | null;
  /** Share on top of the contracted price; null: none. */
  readonly margin: string | null;
}

export interface Part {
  readonly book: string;
  readonly category: string;
  readonly kind: string;
  readonly sku: string;
  readonly meter: string;
  readonly term: RateTerm;
}

/** Higher is narrower; null: not covered. */
function narrowness({ covers }: Agreement, part: Part): number | null {
  const fits = (list: readonly string[], value: string): boolean => list.length === 0 || list.includes(value);
  const covered =
    fits(covers.books, part.book) &&
    fits(covers.categories, part.category) &&
    fits(covers.kinds, part.kind) &&
    fits(covers.skus, part.sku);
  if (!covered) return null;
  if (covers.skus.length > 0) return 4;
  if (covers.kinds.length > 0) return 3;
  if (covers.categories.length > 0) return 2;
  return covers.books.length > 0 ? 1 : 0;
}

/**
 * @example
 * isInForce({ id: 'frame', name: 'Frame', covers: { books: [], categories: [], kinds: [], skus: [] }, from: '2027-01-01', to: null, discount: null, margin: null }, '2026-12-31'); // => false
 */
export function isInForce(agreement: Agreement, date: string | null): boolean {
  if (!date) return true;
  return (!agreement.from || agreement.from <= date) && (!agreement.to || date <= agreement.to);
}

function narrowest(agreements: readonly Agreement[], part: Part): Agreement | null {
  let best: { agreement: Agreement; rank: number } | null = null;
  for (const agreement of agreements) {
    const rank = narrowness(agreement, part);
    if (rank !== null && (!best || rank > best.rank)) best = { agreement, rank };
  }
  return best?.agreement ?? null;
}

/**
 * The agreement that sets the contracted price of a part.
 *
 * @example
 * const frame = { id: 'frame', name: 'Frame', covers: { books: [], categories: [], kinds: ['server'], skus: [] }, from: null, to: null, discount: { by: 'share', share: '0.1' }, margin: null };
 * discountFor([frame], { book: 'small', category: 'Compute', kind: 'server', sku: 'A-4', meter: 'running', term: 'on-demand' })?.name; // => 'Frame'
 */
export function discountFor(agreements: readonly Agreement[], part: Part): Agreement | null {
  const offering = agreements.filter(
    ({ discount }) =>
      discount &&
      (discount.by === 'share' ||
        (discount.meter === part.meter && (discount.term ?? 'on-demand') === part.term)),
  );
  return narrowest(offering, part);
}

/**
 * The agreement that sets the margin on a part.
 *
 * @example
 * const frame = { id: 'frame', name: 'Frame', covers: { books: [], categories: [], kinds: [], skus: [] }, from: null, to: null, discount: null, margin: '0.2' };
 * marginFor([frame], { book: 'small', category: 'Compute', kind: 'server', sku: 'A-4', meter: 'running', term: 'on-demand' })?.margin; // => '0.2'
 */
export function marginFor(agreements: readonly Agreement[], part: Part): Agreement | null {
  return narrowest(
    agreements.filter((each) => each.margin !== null),
    part,
  );
}
