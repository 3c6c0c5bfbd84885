/** The same change, otherwise: other ways of paying, another region, another case, another load profile, newer prices. Need O6; opening 39. */
import { decimal } from '@/engine/base';
import type { Component } from '@/engine/design';
import type { Term } from '@/engine/terms';
import type { Case } from '@/engine/usage';
import type { Extract, MappedSide } from './extract';
import type { LoadProfile } from './load-profile';
import { type PricedReview, type ReviewAsked, reviewOf } from './review';

export type WhatIf =
  | { readonly is: 'case'; readonly case: Case }
  /** For everything that is sold so; the rest stays as it is. */
  | { readonly is: 'term'; readonly term: Term }
  | { readonly is: 'region'; readonly book: string; readonly region: string }
  | { readonly is: 'profile'; readonly profile: LoadProfile }
  | {
      readonly is: 'books';
      readonly books: ReviewAsked['books'];
      readonly pins: ReviewAsked['setting']['books'];
    };

export interface WhatIfColumn {
  readonly name: string;
  readonly after: string;
  /** Against the change as it is planned. */
  readonly difference: string;
  /** Of every resource, afterwards. */
  readonly byAddress: Readonly<Record<string, string>>;
  /** How many resources are in doubt then. */
  readonly doubts: number;
}

/**
 * @example
 * const asked = { extract: { form: 'plan', map: '', resources: [], remarks: [] }, profile: { title: '', loads: [] }, setting, books };
 * whatIf('heavy', { is: 'case', case: 'heavy' }, asked, reviewOf(asked)).difference; // => '0'
 */
export function whatIf(
  name: string,
  change: WhatIf,
  asked: ReviewAsked,
  planned: PricedReview,
): WhatIfColumn {
  const { review } = reviewOf({ ...otherwise(change, asked), from: planned });
  const { after } = review.totals;
  return {
    name,
    after,
    difference: decimal(after).minus(planned.review.totals.after).toString(),
    byAddress: Object.fromEntries(review.rows.map((row) => [row.address, row.after])),
    doubts: review.rows.filter(({ doubts }) => doubts.length > 0).length,
  };
}

/**
 * What is asked instead: for whoever has to fetch its prices.
 *
 * @example
 * const asked = { extract: { form: 'plan', map: '', resources: [], remarks: [] }, profile: { title: '', loads: [] }, setting, books };
 * otherwise({ is: 'case', case: 'heavy' }, asked).case; // => 'heavy'
 */
export function otherwise(change: WhatIf, asked: ReviewAsked): ReviewAsked {
  const { extract, setting } = asked;
  switch (change.is) {
    case 'case':
      return { ...asked, case: change.case };
    case 'profile':
      return { ...asked, profile: change.profile };
    case 'books':
      return { ...asked, books: change.books, setting: { ...setting, books: change.pins } };
    case 'region': {
      const { book, region } = change;
      return {
        ...asked,
        extract: each(extract, (line) =>
          line.place?.book === book ? { ...line, place: { book, region } } : line,
        ),
      };
    }
    case 'term':
      return {
        ...asked,
        extract: each(extract, (line) =>
          isSold(line, change.term, asked) ? { ...line, term: change.term } : line,
        ),
      };
  }
}

function isSold({ place, choice }: Component, term: Term, { books, setting }: ReviewAsked): boolean {
  const pin = place && setting.books.find(({ book }) => book === place.book);
  const book = pin && books.get(pin.book, pin.revision);
  return !!book && choice.by === 'sku' && book.termsOf(choice.sku, place.region).includes(term);
}

/** Of what is there afterwards. */
function each(extract: Extract, change: (line: Component) => Component): Extract {
  const sideOf = (side: MappedSide | null): MappedSide | null =>
    side?.is === 'lines'
      ? {
          is: 'lines',
          lines: side.lines.map((line) =>
            line.is === 'line' ? { ...line, component: change(line.component) } : line,
          ),
        }
      : side;
  return { ...extract, resources: extract.resources.map((each) => ({ ...each, after: sideOf(each.after) })) };
}
