/** What to commit to, in words. */
import { type Decimal, decimal } from '@/engine/base';
import type { CreditPlan, SpendPlan, UsagePlan } from '@/features/paying/calc';
import { describeTerm } from '@/engine/terms';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';

/**
 * @example
 * usagePlanSentence({ rows: [], term: '12-none', currency: 'USD', now: '146', then: '146' }); // => 'Nothing that runs is sold for 12 months, nothing upfront.'
 */
export function usagePlanSentence({ rows, term, currency, now, then }: UsagePlan): string {
  const words = describeTerm(term);
  if (rows.length === 0) return `Nothing that runs is sold for ${words}.`;
  const worth = rows.filter(({ isBetter }) => isBetter);
  if (worth.length === 0) return `Nothing would cost less for ${words} than as it is paid now.`;
  const gain = decimal(now).minus(then);
  const lines = worth.length === 1 ? '1 line is' : `${worth.length} lines are`;
  return `${lines} worth committing for ${words}: the design would cost ${writeMoney(gain, currency)} ${currency} less a month.`;
}

/**
 * @example
 * spendPlanSentence(null, 'USD'); // => 'Nothing that runs here is sold at a committed price under it.'
 */
export function spendPlanSentence(plan: SpendPlan | null, currency: string): string {
  if (!plan) return 'Nothing that runs here is sold at a committed price under it.';
  const { best, calm, readings, regret } = plan;
  const amount = (level: string): string | null =>
    readings.find((each) => each.level === level)?.amounts.likely ?? null;
  const [none, chosen] = [amount('0'), amount(calm)];
  if (calm === '0') return 'No level pays in all three cases: what runs, runs too little.';
  const gain = none && chosen ? decimal(none).minus(chosen) : null;
  const range = `least in the lean case at ${writeNumber(best.lean)}, in the heavy one at ${writeNumber(best.heavy)}`;
  const saves = gain ? ` As likely planned it ${savesText(gain, currency)}.` : '';
  return `Commit ${writeNumber(calm)} for every hour: it regrets least, at most ${writeMoney(regret, currency)} ${currency} a month in any case (${range}).${saves}`;
}

/**
 * @example
 * creditPlanSentence(null, 'USD'); // => 'No credit is sold here.'
 */
export function creditPlanSentence(plan: CreditPlan | null, currency: string): string {
  if (!plan) return 'No credit is sold here.';
  const { rows, calm, best, jumps } = plan;
  const [none, chosen, likely] = [rows[0]!, rows[calm]!, rows[best.likely]!];
  if (chosen.why === 'none')
    return 'No credit pays in all three cases: without it the month costs least, or regrets least.';
  const gain = decimal(none.amounts.likely!).minus(chosen.amounts.likely!);
  const jump = jumps[0];
  const band = jump
    ? ` A credit of ${writeMoney(rows[jump.to]!.credit, currency)} costs less than one of what is used, ${writeMoney(rows[jump.from]!.credit, currency)}: a band begins there.`
    : '';
  const other =
    likely === chosen
      ? ''
      : ` As likely planned, ${writeMoney(likely.credit, currency)} for ${describeTerm(likely.term)} would cost least.`;
  return `Prepay ${writeMoney(chosen.credit, currency)} ${currency} a month for ${describeTerm(chosen.term)}: it regrets least, and as likely planned ${savesText(gain, currency)}.${other}${band}`;
}

function savesText(gain: Decimal, currency: string): string {
  const amount = `${writeMoney(gain.abs(), currency)} ${currency} a month`;
  return gain.isNegative() ? `costs ${amount} more` : `saves ${amount}`;
}

/**
 * A share of running time, as a break-even is told.
 *
 * @example
 * breakEvenText('1.2'); // => 'never'
 */
export function breakEvenText(share: string | null): string {
  if (share === null) return '';
  return decimal(share).greaterThan(1) ? 'never' : `from ${writeShare(share)}`;
}
