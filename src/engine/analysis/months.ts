/**
 * The months of a design: growth, seasons, campaigns, components that begin and end, amounts that change, allowances
 * that end, agreements by date, and upfront payments in the month they leave. Each month is priced anew, tiers and
 * pools included; months with equal inputs are priced once. Source: pricing rules, "Running patterns", "Terms"; needs
 * A23, F15, K12.
 */
import { addAll, type Decimal } from '../base';
import { allComponents } from '../design';
import { allowanceEnds, type DesignPlan, designUnder, whenOf } from '../pricing';
import type { Case } from '../usage';
import { Account, type MonthAmounts } from './account';

export const DEFAULT_HORIZON = 36;

export type { MonthAmounts } from './account';

export interface MonthRow extends MonthAmounts {
  /** The first is 1. */
  readonly month: number;
  /** `2027-01`; null where the design has no start. */
  readonly calendar: string | null;
  readonly components: ReadonlyMap<string, MonthAmounts>;
  /** Commitments that end in this month before their term, and what the book's rule asks for it. */
  readonly endings: readonly { readonly id: string; readonly due: Decimal }[];
  /** Money that leaves ahead for a term that begins in this month; `again`: the term is renewed. */
  readonly paidAhead: readonly { readonly id: string; readonly amount: Decimal; readonly again: boolean }[];
  /** How many of the month's components have no amount. */
  readonly unpriced: number;
}

export interface MonthSeries {
  readonly currency: string;
  readonly rows: readonly MonthRow[];
  readonly firstYear: MonthAmounts;
  /** Three months each, the last may be shorter. */
  readonly quarters: readonly MonthAmounts[];
  readonly years: readonly MonthAmounts[];
  readonly whole: MonthAmounts;
  readonly unpriced: number;
}

/**
 * Prices `horizon` months (1 to 120) of one case. Lines that are in a month what they were in the one before are taken
 * over from it.
 *
 * @example
 * priceMonths(plan, 'likely', 12).firstYear.cash.toString(); // => '1752'
 */
export function priceMonths(
  plan: DesignPlan,
  which: Case = 'likely',
  horizon: number = DEFAULT_HORIZON,
): MonthSeries {
  const { design, pricer } = plan;
  const account = new Account(design, pricer.books, which);
  const rows = Array.from({ length: horizon }, (_, month): MonthRow => {
    const under = { case: which, month };
    const when = whenOf(design, month);
    const priced = pricer.price(plan, under);
    const inMonth = designUnder(design, under);
    return { ...account.month(priced, inMonth, when), calendar: when.date?.slice(0, 7) ?? null };
  });
  return {
    currency: design.currency,
    rows,
    firstYear: total(rows.slice(0, 12)),
    quarters: chunks(rows, 3).map(total),
    years: chunks(rows, 12).map(total),
    whole: total(rows),
    unpriced: Math.max(0, ...rows.map((row) => row.unpriced)),
  };
}

function total(rows: readonly MonthAmounts[]): MonthAmounts {
  return {
    monthly: addAll(rows.map((row) => row.monthly)),
    cash: addAll(rows.map((row) => row.cash)),
  };
}

function chunks<T>(rows: readonly T[], size: number): T[][] {
  return Array.from({ length: Math.ceil(rows.length / size) }, (_, at) =>
    rows.slice(at * size, (at + 1) * size),
  );
}

/**
 * Whether some month may differ from the usual one: then "12 months" is more than twelve times it.
 *
 * @example
 * movesOverTime(plan); // => false
 */
export function movesOverTime({ design, pricer }: DesignPlan): boolean {
  const { growth, season, campaigns, month, start } = design.assumptions;
  const dated = (design.agreements ?? []).some(({ from, to }) => from ?? to);
  return (
    !!growth ||
    !!season ||
    !!campaigns?.length ||
    (dated && start !== undefined) ||
    month.hours === 'calendar' ||
    allComponents(design).some((each) => each.months ?? each.later?.length) ||
    allowanceEnds(design, pricer.books).some((end) => end < 12)
  );
}
