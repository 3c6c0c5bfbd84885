/** The answer of a study as a sentence, and what it hangs on in words. Needs N7, N10, openings 31 and 32. */
import { studyMonth } from '@/features/own-or-rent/calc';
import { decimal } from '@/engine/base';
import type {
  Assumption,
  BreakEven,
  Leaning,
  StudyAnswer,
  StudyDraws,
  StudySwing,
} from '@/features/own-or-rent/calc';
import { writeMoney, writeShare } from '@/platform/words';
import { assumptionName, studyValue, yearsWords } from './study-words';

/** A difference this small, as a share, is none. */
const HARDLY = 0.005;

/**
 * "Renting costs 14 % more over five years (P10 −6 %, P90 +31 %)."
 *
 * @example
 * studySentence(studyAnswer(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' })), null); // => 'Both cost the same over five years. The sum is incomplete.'
 */
export function studySentence(answer: StudyAnswer, draws: Pick<StudyDraws, 'shares'> | null): string {
  const { more, share, years, currency, troubles } = answer;
  if (more === null) return 'This cannot be calculated yet.';
  const by = decimal(more);
  // Where nothing has a range there is none to tell.
  const isRanged = draws !== null && draws.shares.p10 !== draws.shares.p90;
  const range = isRanged
    ? ` (P10 ${signed(String(draws.shares.p10))}, P90 ${signed(String(draws.shares.p90))})`
    : '';
  const incomplete = troubles.length > 0 ? ' The sum is incomplete.' : '';
  const over = `over ${yearsWords(years)}`;
  if (by.isZero()) return `Both cost the same ${over}${range}.${incomplete}`;
  const money = `${writeMoney(by.abs(), currency)} ${currency}`;
  const side = by.isNegative() ? 'less' : 'more';
  const rented = answer.variants.find(({ id }) => id === answer.rent);
  // Two ways of owning may be held against one another, too.
  const name = rented?.target === null ? `“${rented.name}”` : null;
  const subject = name ?? 'Renting';
  if (share === null) return `${subject} costs ${money} ${side} ${over}.${incomplete}`;
  if (decimal(share).abs().lessThan(HARDLY))
    return `Both cost about the same ${over}: ${name ?? 'renting'} ${money} ${side}${range}.${incomplete}`;
  return `${subject} costs ${writeShare(decimal(share).abs())} ${side} ${over}${range}.${incomplete}`;
}

/** With its sign, as a share. */
function signed(share: string): string {
  const value = decimal(Number(share).toFixed(4));
  return `${value.isNegative() ? '\u2212' : '+'}${writeShare(value.abs())}`;
}

/** So many assumptions are named in the sentence. */
const NAMED = 3;

/**
 * "It turns if people cost more than 61 an hour or …"; empty where nothing turns it alone.
 *
 * @example
 * turnsSentence([], [], 'USD'); // => 'No assumption alone turns it within its range.'
 */
export function turnsSentence(
  turns: readonly BreakEven[],
  assumptions: readonly Assumption[],
  currency: string,
): string {
  const believed = turns.flatMap((turn) => {
    const found = assumptions.find(({ id }) => id === turn.id);
    return found && !found.field.fact ? [turnWords(turn, found, currency)] : [];
  });
  const named = believed.slice(0, NAMED);
  if (named.length === 0) return 'No assumption alone turns it within its range.';
  return `It turns if ${joined(named)}.`;
}

/**
 * "Tariff of power above 0.31 USD a kWh".
 *
 * @example
 * const assumption = assumptionsOf(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))[0]!;
 * turnWords({ id: assumption.id, value: 7.25, rentsFrom: 'above' }, assumption, 'USD'); // => 'growth of machines is above 7.25 % a year'
 */
export function turnWords(
  { value }: BreakEven,
  { of, field, value: now }: Assumption,
  currency: string,
): string {
  const name = assumptionName({ of, field });
  const begun = of === '' ? name.charAt(0).toLowerCase() + name.slice(1) : name;
  const side = value > Number(now.likely) ? 'above' : 'below';
  const text = decimal(value.toFixed(8)).toSignificantDigits(3).toString();
  return `${begun} is ${side} ${studyValue(text, field.unit, currency)}`;
}

function joined(all: readonly string[]): string {
  return all.length < 2 ? (all[0] ?? '') : `${all.slice(0, -1).join(', ')} or ${all.at(-1)!}`;
}

/**
 * When renting has cost no more, for good.
 *
 * @example
 * paybackSentence({ payback: 9, crossings: [], start: '2027-01', more: '-5' }); // => 'Renting has paid back in Oct 2027, month 10.'
 */
export function paybackSentence({
  payback,
  crossings,
  start,
  more,
}: Pick<StudyAnswer, 'payback' | 'crossings' | 'start' | 'more'>): string {
  if (more === null) return '';
  if (payback === 0) return 'Renting has cost no more from the first month on.';
  if (payback !== null)
    return `Renting has paid back in ${studyMonth(start, payback)}, month ${payback + 1}.`;
  const last = crossings.at(-1);
  if (last) return `From ${studyMonth(start, last.month)} on, renting has cost more.`;
  return 'Renting never pays back within the study.';
}

/**
 * Which side an assumption that is not neutral favours, and by how much.
 *
 * @example
 * leaningWords({ id: 'general/resale', value: '30', neutral: '100', by: -200 }, 'USD'); // => 'favours renting by 200.00 USD'
 */
export function leaningWords({ by }: Leaning, currency: string): string {
  if (Math.abs(by) < 0.005) return 'favours nobody';
  const money = writeMoney(decimal(Math.abs(by).toFixed(2)), currency);
  return `favours ${by < 0 ? 'renting' : 'owning'} by ${money} ${currency}`;
}

/**
 * The swing of one assumption as a sentence.
 *
 * @example
 * const assumption = assumptionsOf(newStudy({ title: 'Quay', currency: 'USD', origin: 'typed', start: '2027-01' }))[0]!;
 * swingWords({ id: 'general/growth', low: 2, high: 9, atLow: -100, atHigh: 250, isOwn: true }, assumption, 'USD'); // => 'Growth of machines from 2 % a year to 9 % a year: renting costs 100.00 less to 250.00 more.'
 */
export function swingWords(swing: StudySwing, { of, field }: Assumption, currency: string): string {
  const value = (each: number): string =>
    studyValue(decimal(each.toFixed(8)).toSignificantDigits(4).toString(), field.unit, currency);
  const side = (each: number): string =>
    `${writeMoney(decimal(Math.abs(each).toFixed(2)), currency)} ${each < 0 ? 'less' : 'more'}`;
  return `${assumptionName({ of, field })} from ${value(swing.low)} to ${value(swing.high)}: renting costs ${side(swing.atLow)} to ${side(swing.atHigh)}.`;
}
