/**
 * What the attributes of offers mean across providers: two stores are the same thing when their medium, grade, redundancy
 * and the like are. Some have an order, and more of it does the same job: what is wanted seldom may lie where it is read
 * often, never the other way round. Everything else has to be equal. Source: pricing rules, "Moving to another place".
 */
import type { Offer } from '../books';

/** From the least to the most. */
const ORDERS: Readonly<Record<string, readonly string[]>> = {
  grade: ['archive', 'seldom', 'often'],
  medium: ['magnetic', 'solid state'],
  delay: ['usual', 'low'],
};

const EQUAL = ['redundancy', 'edition', 'access', 'engine', 'billing'] as const;

export const MEANING: readonly string[] = [...Object.keys(ORDERS), ...EQUAL];

/** How an offer stands to another in one attribute: so many steps more; or the book does not say. */
export interface Step {
  readonly attribute: string;
  readonly wanted: string;
  /** Null: not said. */
  readonly got: string | null;
  readonly steps: number;
}

/**
 * Only what differs; null: the offer is something else, or less.
 *
 * @example
 * stepsBetween({ grade: 'seldom' }, { ...book.offer('A-4')!, attributes: { grade: 'often' } }); // => [{ attribute: 'grade', wanted: 'seldom', got: 'often', steps: 1 }]
 */
export function stepsBetween(wanted: Readonly<Record<string, string>>, offer: Offer): readonly Step[] | null {
  const found: Step[] = [];
  for (const attribute of MEANING) {
    const value = wanted[attribute];
    const got = offer.attributes?.[attribute] ?? null;
    if (value === undefined || value === got) continue;
    if (got === null) {
      found.push({ attribute, wanted: value, got, steps: NOT_SAID });
      continue;
    }
    const order = ORDERS[attribute];
    const steps = order ? order.indexOf(got) - order.indexOf(value) : -1;
    if (steps <= 0 || order!.indexOf(value) < 0) return null;
    found.push({ attribute, wanted: value, got, steps });
  }
  return found;
}

/** What is not said comes after all that is. */
const NOT_SAID = 100;

/**
 * The attributes by which an offer is recognised elsewhere.
 *
 * @example
 * meaningOf({ ...book.offer('A-4')!, attributes: { grade: 'often', colour: 'green' } }); // => { grade: 'often' }
 */
export function meaningOf({ attributes }: Offer): Record<string, string> {
  return Object.fromEntries(Object.entries(attributes ?? {}).filter(([name]) => MEANING.includes(name)));
}
