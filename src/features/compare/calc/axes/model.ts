/**
 * A whole axis priced at once: every region, size, way of paying, form or provider for a design or some of its lines,
 * ranked, each with what it would change. In plain serialisable form. Needs C3 to C5, E4, L7, L13.
 */
import type { Issue } from '@/engine/base';
import type { Change } from '@/engine/design';

export const AXES = ['regions', 'providers', 'sizes', 'paying', 'forms'] as const;

export type Axis = (typeof AXES)[number];

/** What is missing of a row, by the line it is missing from. */
export interface Missing {
  readonly id: string;
  readonly name: string;
  readonly issue: Issue;
}

/** What is known of a row beside its amount; only what its axis knows. */
export interface AxisFacts {
  readonly book?: string;
  /** What a single line came to there. */
  readonly offer?: string | null;
  readonly region?: string;
  readonly country?: string;
  readonly area?: string | null;
  /** Grams of CO2 equivalent a kWh. */
  readonly carbon?: number | null;
  /** Price band of the region for the kind, where all lines are of one. */
  readonly band?: string | null;
  /** Whether it is the nearest equivalent of where it is now. */
  readonly equivalent?: boolean;
  readonly vcpu?: string | null;
  readonly memory?: string | null;
  readonly family?: string;
  readonly processor?: string;
  /** A month's amount for one vCPU and for one GiB of one unit, exact. */
  readonly perVcpu?: string | null;
  readonly perMemory?: string | null;
  /** So many times the size of what is chosen, at so many times the amount. */
  readonly sizeTimes?: string | null;
  readonly amountTimes?: string | null;
  /** So many of them do the work of one. */
  readonly units?: number;
  /** What leaves at the start, in the design's currency. */
  readonly upfront?: string;
  /** Lines that are another than now. */
  readonly changed?: number;
}

export interface AxisRow {
  readonly key: string;
  readonly label: string;
  /** What makes an alternative of it; empty: it is what is chosen now. */
  readonly changes: readonly Change[];
  readonly now: boolean;
  /** A likely month of the lines that were asked about, exact; null: none of them has an amount. */
  readonly monthly: string | null;
  /** What the whole design would cost more a month, as printed, pools and what hangs on them included; null: not known. */
  readonly change: string | null;
  /** The change as a share of the lines' amount now. */
  readonly share: string | null;
  readonly missing: readonly Missing[];
  readonly facts: AxisFacts;
}

export interface AxisAnswer {
  readonly axis: Axis;
  readonly currency: string;
  /** From the cheapest to the dearest, what lacks something or has no amount last; sizes from the smallest up. */
  readonly rows: readonly AxisRow[];
}
