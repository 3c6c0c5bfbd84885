/** A component and its section: what a line of a design holds. Plain serialisable data with decimals as text. */
import type { Issue } from '../base';
import type { Kind } from '../books';
import type { Need } from '../sizing';
import type { ChargeText } from '../rates';
import type { Term } from '../terms';
import type { Case, Cased, Grown, Load, Running, SizedAmount } from '../usage';

/** So many instances of one size. */
export interface SizeRow {
  readonly count: string;
  readonly amount: string;
}

export interface UsageEntry {
  /** With `sizes`: their sum. */
  readonly amount: Cased;
  readonly unit: string;
  /** The instances one by one: "3 of 40, 1 of 2100", in `unit`. */
  readonly sizes?: readonly SizeRow[];
  /** The size or duration of one event. */
  readonly each?: SizedAmount;
  /** What is set aside, where that differs from what is used. */
  readonly setAside?: Cased;
  /** Days that data is kept; then `amount` is what comes in each month. */
  readonly keptDays?: Cased;
  /** What a month of a series makes of the amount; never in a file. */
  readonly grown?: Grown;
}

export type Choice =
  | { readonly by: 'none' }
  | { readonly by: 'sku'; readonly sku: string }
  | { readonly by: 'cheapest'; readonly need: Need };

export interface Place {
  readonly book: string;
  readonly region: string;
}

/** A size put together freely. */
export interface FreeSize {
  readonly vcpu: Cased;
  /** GiB. */
  readonly memory: Cased;
  readonly gpu?: Cased;
}

/** Software that runs on the component: paid in the rate, or brought along with its own yearly cost. */
export interface LicenceChoice {
  readonly product: string;
  readonly how: 'included' | 'brought';
  /** For one unit of the component, in the design's currency. */
  readonly ownYearly?: Cased;
}

/** One charge of an own line. */
export interface CustomCharge {
  readonly label: string;
  readonly unit: string;
  /** For one unit and one month, in `unit`. */
  readonly amount: Cased;
  readonly charge: ChargeText;
  /** Included each month, in `unit`. */
  readonly allowance?: string;
}

/** From a month on (the first is 1) the main quantity is another. */
export interface LaterAmount {
  readonly fromMonth: number;
  readonly amount: string;
}

export interface Component {
  readonly id: string;
  readonly name: string;
  readonly kind: Kind;
  /** Whole units; usage below is for each of them. */
  readonly count: Cased;
  readonly place: Place | null;
  readonly choice: Choice;
  readonly running: Running;
  /** By meter, for one unit and one month. */
  readonly usage: Readonly<Record<string, UsageEntry>>;
  readonly term: Term;
  readonly size?: FreeSize | null;
  readonly load?: Load | null;
  /** How many zones of the region its units are spread over; absent: not said, so one. Changes no amount by itself. */
  readonly zones?: number | null;
  /** Units under the commitment; absent: those that always run. What runs above them is on demand. */
  readonly committed?: Cased | null;
  /** Keeps no state and bears being stopped: may run interruptible. */
  readonly mayBeStopped?: boolean | null;
  readonly licences?: readonly LicenceChoice[] | null;
  /** First and last month it exists (the first month is 1); absent: always. */
  readonly months?: { readonly from: number; readonly to: number | null } | null;
  /** Own lines only. */
  readonly custom?: readonly CustomCharge[] | null;
  /** Prepaid credit and spend commitments: other amounts from later months on. */
  readonly later?: readonly LaterAmount[] | null;
  /**
   * Entries that are guesses, to be put right later: `count`, `usage/` and the meter; `choice` where a new line took one
   * by itself; `place` where the place was taken over from the line before. Changes no amount.
   */
  readonly guesses?: readonly string[] | null;
  /** Entries whose range was measured: a pilot, a bill. Changes no amount. */
  readonly measured?: readonly string[] | null;
  /** The share of the line that this design bears, where several share the thing; absent: all. */
  readonly allocated?: Cased | null;
  /** Where it came from: the file, the inventory, the starter. Changes no amount. */
  readonly origin?: string | null;
  /** By key, as a bill would carry them. Changes no amount. */
  readonly tags?: Readonly<Record<string, string>> | null;
  /** By case: why a formula of it gives nothing; put there for pricing, never in a file. */
  readonly faults?: Readonly<Partial<Record<Case, Issue>>>;
}

export interface Section {
  readonly id: string;
  readonly name: string;
  /** Where its new lines are placed; absent: where the design's are. Changes no amount. */
  readonly place?: Place | null;
  readonly components: readonly Component[];
}
