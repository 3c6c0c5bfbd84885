/**
 * A study of owning against renting: the work to be done, what is owned for it, what it may become, the calendar of the
 * move, and every number as an assumption in three cases. Source: pricing rules, "Own or rent"; needs L9, N1 to N15.
 */

/** A number that somebody believes in, as plain decimal text; lean and heavy are likely where they are not said. */
export interface Guess {
  readonly likely: string;
  readonly lean?: string;
  readonly heavy?: string;
}

/** What money goes on, on both sides. */
export const STUDY_KINDS = [
  'site',
  'hardware',
  'network',
  'compute',
  'storage',
  'transfer',
  'licences',
  'people',
  'move',
  'tax',
] as const;
export type StudyKind = (typeof STUDY_KINDS)[number];

/** Machines that move together. */
export interface StudyPart {
  readonly id: string;
  readonly name: string;
  readonly machines: Guess;
  /** Terabytes (10^12 bytes) that it stores. */
  readonly stored: Guess;
}

export const HARDWARE_SORTS = ['hardware', 'storage', 'network'] as const;

export interface Hardware {
  readonly id: string;
  readonly name: string;
  readonly sort: (typeof HARDWARE_SORTS)[number];
  /** What fills it: machines, terabytes, another class by its id; `nothing`: it stays as many as it is. */
  readonly follows: string;
  readonly count: Guess;
  /** Of one, new, today. */
  readonly price: Guess;
  /** Years that it has stood already. */
  readonly age: Guess;
  /** Years after which it is replaced. */
  readonly refresh: Guess;
  /** Per cent of its price a year. */
  readonly maintenance: Guess;
  /** Per cent of its price that it is worth when it is replaced. */
  readonly residual: Guess;
  /** Watts of one, as its plate says. */
  readonly watts: Guess;
  /** Height units in a rack. */
  readonly heights: Guess;
  readonly cores: Guess;
  /** How much of what it follows fits on one. */
  readonly carries: Guess;
}

/** Paid every month, whatever runs: a lease, a line, an outside service. */
export interface Contract {
  readonly id: string;
  readonly name: string;
  readonly kind: StudyKind;
  readonly monthly: Guess;
  /** Months from the start of the study that it has to be paid for in any case. */
  readonly until: Guess;
}

export const LICENCE_COUNTS = ['core', 'host', 'machine', 'whole'] as const;

export interface OwnedLicence {
  readonly id: string;
  readonly name: string;
  readonly per: (typeof LICENCE_COUNTS)[number];
  /** Of one more than there are today, once. */
  readonly price: Guess;
  /** Of each, a year. */
  readonly yearly: Guess;
}

/** What a part costs a month where it is rented, at its load of today. */
export interface RentedPart {
  readonly compute: Guess;
  readonly storage: Guess;
  readonly transfer: Guess;
  readonly licences: Guess;
}

/** Paid to the target or for it as long as it is rented, from the preparation on. */
export interface RentedExtra {
  readonly id: string;
  readonly name: string;
  readonly kind: StudyKind;
  readonly monthly: Guess;
}

export interface Target {
  readonly id: string;
  readonly name: string;
  /** Where its amounts come from, in words. */
  readonly source: string;
  readonly parts: Readonly<Record<string, RentedPart>>;
  readonly extras: readonly RentedExtra[];
  /** Months of a commitment on compute; 0: none. */
  readonly term: Guess;
  /** Per cent of a commitment that is paid when it begins. */
  readonly ahead: Guess;
  /** Per cent that compute costs more without its commitment. */
  readonly uncommitted: Guess;
}

export interface Wave {
  readonly id: string;
  readonly name: string;
  readonly parts: readonly string[];
  /** Months after the start of the study in which it begins to be rented; 0: the first month. */
  readonly from: Guess;
  /** Months until all of it is rented. */
  readonly ramp: Guess;
  /** Months after that in which the owned side still runs. */
  readonly beside: Guess;
}

export interface Variant {
  readonly id: string;
  readonly name: string;
  /** Null: everything stays owned. */
  readonly target: string | null;
  /** Parts that stay owned though a wave names them. */
  readonly stays: readonly string[];
  /** By how many months everything of the move comes later. */
  readonly delay: Guess;
  /** Whether hardware is replaced when it is due, or all of it at once at the start. */
  readonly buying: 'due' | 'now';
}

export interface Study {
  readonly title: string;
  readonly currency: string;
  /** What it was made from, in words. */
  readonly origin: string;
  /** Its first month: `2027-01`. */
  readonly start: string;
  /** 3 to 7. */
  readonly years: number;
  /** How the answer is told: money when it leaves, or spread over the life of what it buys. */
  readonly basis: 'cash' | 'spread';
  /** Whether tax is relieved by what leaves, or by what is spread. */
  readonly tax: 'none' | 'cash' | 'spread';
  /** Whether what is left to write off of what stands there already is counted. */
  readonly sunk: boolean;
  /** Whether what things are still worth at the end is taken off. */
  readonly worthLeft: boolean;
  /** Two of the variants: what is held against what. */
  readonly against: readonly [own: string, rent: string];
  readonly parts: readonly StudyPart[];
  readonly hardware: readonly Hardware[];
  readonly contracts: readonly Contract[];
  readonly licences: readonly OwnedLicence[];
  readonly targets: readonly Target[];
  readonly waves: readonly Wave[];
  readonly variants: readonly Variant[];
  /** General assumptions that are not at their default, by their id. */
  readonly general: Readonly<Record<string, Guess>>;
}
