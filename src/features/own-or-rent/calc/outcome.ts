/** What a study comes to, exact: every variant by line and month, its totals, its worth today, and when renting pays back. */
import { addAll, Decimal, ONE, ZERO } from '@/engine/base';
import { DECIMALS } from './algebra';
import { type FlowLine, type LineFlow, LineBook } from './flow-book';
import { type Flowed, flow, type Ground, groundOf } from './flows';
import type { Study, Variant } from './model';
import { decimalsOf, type StudyCase } from './read-values';
import { type Calendar, MONTHS } from './setting';

export interface OutcomeLine extends FlowLine {
  /** By month; nothing is zero. */
  readonly cash: readonly Decimal[];
  readonly spread: readonly Decimal[];
  /** What of it is still worth something at the end. */
  readonly worth: Decimal;
}

export interface VariantOutcome {
  readonly variant: Variant;
  readonly lines: readonly OutcomeLine[];
  /** By month, all lines. */
  readonly cash: readonly Decimal[];
  readonly spread: readonly Decimal[];
  readonly worth: Decimal;
  /** Over the whole time, by the basis of the study. */
  readonly total: Decimal;
  /** Cash, less what is left if that counts, at the discount rate. */
  readonly today: Decimal;
  /** What hardware of today is worth in the books at the start: spent in any case. */
  readonly opening: Decimal;
  /** Paid for renting while the same still ran on the owned side. */
  readonly beside: Decimal;
  /** What commitments still ask for after the end. */
  readonly owed: Decimal;
  readonly calendar: Calendar;
}

/**
 * Every variant. Only of a study that `studyTroubles` finds nothing in.
 *
 * @example
 * outcomesOf(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))[0]!.total.toString(); // => '0'
 */
export function outcomesOf(study: Study, which: StudyCase = 'likely'): VariantOutcome[] {
  const ground = groundOf(DECIMALS, study, decimalsOf(study, which));
  const discount = discountOver(study, ground);
  return study.variants.map((variant) => outcomeOf(ground, variant, discount));
}

function outcomeOf(ground: Ground<Decimal>, variant: Variant, discount: readonly Decimal[]): VariantOutcome {
  const { study } = ground;
  const months = study.years * MONTHS;
  const book = new LineBook<Decimal>(DECIMALS, study.currency, months);
  const flowed: Flowed<Decimal> = flow(ground, variant, book);
  const lines = [...book.lines.values()].map(lineOf);
  const over = (read: (line: OutcomeLine) => readonly Decimal[]): Decimal[] =>
    Array.from({ length: months }, (_, month) => {
      let sum = ZERO;
      for (const line of lines) {
        const amount = read(line)[month]!;
        if (!amount.isZero()) sum = sum.plus(amount);
      }
      return sum;
    });
  const [cash, spread] = [over((line) => line.cash), over((line) => line.spread)];
  const worth = addAll(lines.map((line) => line.worth));
  const counted = study.worthLeft ? worth : ZERO;
  const total = study.basis === 'cash' ? addAll(cash).minus(counted) : addAll(spread);
  const today = addAll(cash.map((amount, month) => amount.dividedBy(discount[month]!))).minus(
    counted.dividedBy(discount[months]!),
  );
  const { calendar, opening, beside, owed } = flowed;
  return { variant, lines, cash, spread, worth, total, today, opening, beside, owed, calendar };
}

function lineOf({ id, side, kind, name, cash, spread, worth }: LineFlow<Decimal>): OutcomeLine {
  const dense = (amounts: readonly (Decimal | undefined)[]): Decimal[] =>
    Array.from(amounts, (amount) => amount ?? ZERO);
  return { id, side, kind, name, cash: dense(cash), spread: dense(spread), worth: worth ?? ZERO };
}

/** By month, and one more for the end: one and the yearly rate to the power of months over twelve. */
function discountOver(study: Study, { values }: Ground<Decimal>): Decimal[] {
  const yearly = ONE.plus(values.general.discount.dividedBy(100));
  const monthly = Decimal.pow(yearly, ONE.dividedBy(MONTHS));
  const factors = [ONE];
  for (let month = 1; month <= study.years * MONTHS; month += 1)
    factors.push(month % MONTHS === 0 ? yearly.pow(month / MONTHS) : factors[month - 1]!.times(monthly));
  return factors;
}

export interface Crossing {
  readonly month: number;
  /** Which side is ahead from this month on. */
  readonly cheaper: 'own' | 'rent';
}

/** Where the sums paid so far meet. */
export interface PaidSoFar {
  readonly own: readonly Decimal[];
  readonly rent: readonly Decimal[];
  readonly crossings: readonly Crossing[];
  /** The month at whose end renting has cost no more, for good; null: never. */
  readonly payback: number | null;
}

/**
 * Sums so far of both, by the basis of the study, and where they cross.
 *
 * @example
 * const [keep] = outcomesOf(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }));
 * paidSoFar(keep!, keep!, 'cash').payback; // => 0
 */
export function paidSoFar(own: VariantOutcome, rent: VariantOutcome, basis: Study['basis']): PaidSoFar {
  const [ownSums, rentSums] = [sumsOf(own[basis]), sumsOf(rent[basis])];
  const crossings: Crossing[] = [];
  let ahead: 'own' | 'rent' | null = null;
  let payback: number | null = null;
  ownSums.forEach((sum, month) => {
    const order = rentSums[month]!.comparedTo(sum);
    if (order > 0) payback = null;
    else payback ??= month;
    const now = order === 0 ? ahead : order > 0 ? 'own' : 'rent';
    if (now !== ahead && ahead !== null && now !== null) crossings.push({ month, cheaper: now });
    ahead = now;
  });
  return { own: ownSums, rent: rentSums, crossings, payback };
}

function sumsOf(amounts: readonly Decimal[]): Decimal[] {
  let sum = ZERO;
  return amounts.map((amount) => (sum = sum.plus(amount)));
}

/**
 * By how much renting costs more, as a share of owning; null: owning costs nothing.
 *
 * @example
 * moreOf(decimal('100'), decimal('114'))?.toString(); // => '0.14'
 */
export function moreOf(own: Decimal, rent: Decimal): Decimal | null {
  return own.isZero() ? null : rent.minus(own).dividedBy(own.abs());
}
