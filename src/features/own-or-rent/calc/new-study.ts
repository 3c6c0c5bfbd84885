/** A study of nothing yet, and things to put into it with every field at its default. */
import { type Field, type FieldList, FIELDS } from './catalogue';
import type { Guess, Study } from './model';

/** A thing with every number of its list at its default, or as given. */
export type WithGuesses<L extends FieldList> = Readonly<Record<keyof (typeof FIELDS)[L], Guess>>;

/**
 * Every number of a list at its default, but for those given.
 *
 * @example
 * usual('waves', { from: '6' }).ramp; // => { likely: '2' }
 */
export function usual<L extends FieldList>(
  list: L,
  known: Partial<Record<keyof (typeof FIELDS)[L], string>> = {},
): WithGuesses<L> {
  const fields = FIELDS[list] as Record<string, Field>;
  const given = known as Partial<Record<string, string>>;
  return Object.fromEntries(
    Object.entries(fields).map(([name, field]) => [name, { likely: given[name] ?? field.default }]),
  ) as WithGuesses<L>;
}

/**
 * Nothing owned, nothing rented, five years, one variant that keeps everything.
 *
 * @example
 * newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }).years; // => 5
 */
export function newStudy(head: Pick<Study, 'title' | 'currency' | 'origin' | 'start'>): Study {
  const keep = {
    id: 'keep',
    name: 'Keep it',
    target: null,
    stays: [],
    ...usual('variants'),
    buying: 'due',
  } as const;
  return {
    ...head,
    years: 5,
    basis: 'spread',
    tax: 'none',
    sunk: false,
    worthLeft: true,
    against: ['keep', 'keep'],
    parts: [],
    hardware: [],
    contracts: [],
    licences: [],
    targets: [],
    waves: [],
    variants: [keep],
    general: {},
  };
}
