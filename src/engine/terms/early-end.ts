/**
 * Leaving a commitment early, by the book's rule. `rest-due`: what is left stays owed. `fee`: a share of what is left
 * is owed and the unused upfront comes back. `re-rate`: the months used are priced as if on demand, and what was paid
 * is set against that. Source: pricing rules, "Usage commitment"; needs E9.
 */
import { assertNever, type Decimal, decimal } from '../base';
import { difference, type Figure, given, product, quotient, sum } from '../trace';

export type EarlyEnd =
  | { readonly rule: 'rest-due' }
  | { readonly rule: 'fee'; readonly share: Decimal }
  | { readonly rule: 're-rate' };

export interface CommittedRun {
  readonly months: number;
  /** A month, in one currency. */
  readonly recurring: Decimal;
  readonly upfront: Decimal;
  /** The same use on demand, a month. */
  readonly onDemand: Decimal;
  readonly currency: string;
  readonly rule: EarlyEnd;
}

export interface EndedEarly {
  readonly month: number;
  /** Left the account until then. */
  readonly paid: Figure;
  /** Still to pay at the end; negative: comes back. */
  readonly due: Figure;
  /** paid + due. */
  readonly total: Figure;
  /** What the same months would have cost on demand. */
  readonly onDemand: Decimal;
}

/**
 * What ending after `used` months costs in all. `used` is 0 to the months of the term.
 *
 * @example
 * const run = { months: 12, recurring: decimal('51.1'), upfront: decimal('0'), onDemand: decimal('73'), currency: 'USD', rule: { rule: 'rest-due' } };
 * Object.keys(endEarly(run, 6)); // => ['month', 'paid', 'due', 'total', 'onDemand']
 */
export function endEarly(run: CommittedRun, used: number): EndedEarly {
  const { currency } = run;
  const usedMonths = given('Months used', decimal(used), 'month');
  const left = given('Months left', decimal(run.months - used), 'month');
  const term = given('Months of the term', decimal(run.months), 'month');
  const recurring = given('Recurring', run.recurring, `${currency} a month`);
  const upfront = given('Paid upfront', run.upfront, currency);
  const onDemand = product('The months used, on demand', currency, [
    usedMonths,
    given('On demand', run.onDemand, `${currency} a month`),
  ]);
  const paid = sum('Paid so far', currency, [
    upfront,
    product('Recurring so far', currency, [usedMonths, recurring]),
  ]);
  const unusedUpfront = product('Upfront not used', currency, [
    upfront,
    quotient('Share left', '', [left, term]),
  ]);
  const rest = product('Recurring left', currency, [left, recurring]);
  const { rule } = run;
  const due = (): Figure => {
    switch (rule.rule) {
      case 'rest-due':
        return rest;
      case 'fee': {
        const all = sum('What is left', currency, [rest, unusedUpfront]);
        const fee = product('Fee for leaving', currency, [all, given('Share of it', rule.share, '')]);
        return difference('Fee less the upfront given back', currency, [fee, unusedUpfront]);
      }
      case 're-rate':
        return difference('On demand less what was paid', currency, [onDemand, paid]);
      default:
        return assertNever(rule);
    }
  };
  const owed = used === run.months ? given('Nothing is left', decimal(0), currency) : due();
  const total = sum(`Ended after ${used} months`, currency, [paid, owed]);
  return { month: used, paid, due: owed, total, onDemand: onDemand.value };
}

/**
 * Every month of ending, and the first from which on the commitment has cost no more than on demand; null: none.
 *
 * @example
 * const run = { months: 12, recurring: decimal('51.1'), upfront: decimal('0'), onDemand: decimal('73'), currency: 'USD', rule: { rule: 'rest-due' } };
 * earlyEndings(run).breakEven; // => 9
 */
export function earlyEndings(run: CommittedRun): { rows: EndedEarly[]; breakEven: number | null } {
  const rows = Array.from({ length: run.months }, (_, index) => endEarly(run, index + 1));
  const firstGood = rows.findIndex((_, at) =>
    rows.slice(at).every((row) => row.total.value.lessThanOrEqualTo(row.onDemand)),
  );
  return { rows, breakEven: firstGood < 0 ? null : firstGood + 1 };
}
