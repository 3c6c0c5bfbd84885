/** What is included and what is committed, in words. Openings 33, 36. */
import { decimal } from '@/engine/base';
import { type AllowanceUse, type BackTested, type CommitmentUse, isWorthSaying } from '@/features/bills/calc';
import { writeMoney, writeNumber, writeReach, writeShare } from '@/platform/words';

const quantity = (text: string): string => writeNumber(decimal(text).toSignificantDigits(5).toString());

/**
 * @example
 * const use = { label: 'Sent', unit: 'GB', ofPeriod: '100', used: '60', left: '40', share: '0.6', runsOut: '2026-11-05', isOut: false };
 * allowanceSentence(use); // => 'Sent: 60 of 100 GB used (60 %), 40 GB left. It runs out on 2026-11-05 at this pace.'
 */
export function allowanceSentence(
  use: Pick<AllowanceUse, 'label' | 'unit' | 'ofPeriod' | 'used' | 'left' | 'share' | 'runsOut' | 'isOut'>,
): string {
  const { label, unit, ofPeriod, used, left, share, runsOut, isOut } = use;
  const much = writeReach(share);
  const head = `${label}: ${quantity(used)} of ${quantity(ofPeriod)} ${unit} used (${much})`;
  if (isOut) return `${head}. It ran out on ${runsOut}; what came after is charged.`;
  const rest = `${head}, ${quantity(left)} ${unit} left.`;
  return runsOut === null
    ? `${rest} It lasts for the period at this pace.`
    : `${rest} It runs out on ${runsOut} at this pace.`;
}

/**
 * @example
 * const better = { level: '1', now: '2', costNow: '120', costBest: '60' };
 * commitmentSentence({ commitment: 'c-1', sku: 'S', used: '60', unused: '60', use: '0.5', coverage: '1', unit: 'hours', better }, 'USD'); // => '“c-1” is used to 50 %: 60.00 USD were paid for nothing. 1 hours a day in place of 2 would have cost 60.00 USD less over these days.'
 */
export function commitmentSentence(
  { commitment, unused, use, unit, better }: Omit<CommitmentUse, 'service'>,
  currency: string,
): string {
  const money = (text: string): string => `${writeMoney(text, currency)} ${currency}`;
  const head = decimal(unused).isZero()
    ? `“${commitment}” is used in full.`
    : `“${commitment}” is used to ${writeShare(use)}: ${money(unused)} were paid for nothing.`;
  if (!better) return `${head} The bill does not say what it would cost on demand.`;
  if (!isWorthSaying(better)) return `${head} No other level would have cost less over these days.`;
  const less = decimal(better.costNow).minus(better.costBest).toString();
  return `${head} ${quantity(better.level)} ${unit} a day in place of ${quantity(better.now)} would have cost ${money(less)} less over these days.`;
}

/**
 * How much a projection is worth, by what it would have said before.
 *
 * @example
 * backTestSentence('0.04', [{ isWithin: true }, { isWithin: false }], 18); // => 'After 18 days of the 2 periods before, it would have been 4 % off in the middle, and 1 of 2 came to rest within the range.'
 * backTestSentence(null, [], 18); // => 'There is no whole period before this one to try it on.'
 */
export function backTestSentence(
  error: string | null,
  tested: readonly Pick<BackTested, 'isWithin'>[],
  known: number,
): string {
  if (tested.length === 0 || error === null) return 'There is no whole period before this one to try it on.';
  const within = tested.filter(({ isWithin }) => isWithin).length;
  const periods = tested.length === 1 ? 'the period before' : `the ${tested.length} periods before`;
  return `After ${known} ${known === 1 ? 'day' : 'days'} of ${periods}, it would have been ${writeShare(error)} off in the middle, and ${within} of ${tested.length} came to rest within the range.`;
}
