/** Currency conversion: once, at the end, by a dated table that the design carries. Needs: pricing rules, "Numbers". */
import { decimal, err, issue, ok, ONE, type Result } from '../base';
import type { ExchangeRate } from '../design';
import { type Figure, given, product, quotient } from '../trace';

/**
 * The step that turns one `from` into `to`; null when they are the same. Of several rates of a pair the newest not after
 * `date` counts (without a date: the newest). Refused with `currency.no-rate`.
 */
export function exchangeStep(
  from: string,
  to: string,
  table: readonly ExchangeRate[],
  date: string | null = null,
): Result<Figure | null> {
  if (from === to) return ok(null);
  const direct = newest(table, from, to, date);
  if (direct)
    return ok(given(`1 ${from} in ${to}`, decimal(direct.rate), `${to} each`, noteOf(direct, date)));
  const reverse = newest(table, to, from, date);
  if (!reverse) return err(issue('currency.no-rate', [], { from, to }));
  const back = given(`1 ${to} in ${from}`, decimal(reverse.rate), `${from} each`, noteOf(reverse, date));
  return ok(quotient(`1 ${from} in ${to}`, `${to} each`, [given('One', ONE, from), back]));
}

/** Where all are after the date, the oldest stands in, and its note says so. */
function newest(
  table: readonly ExchangeRate[],
  from: string,
  to: string,
  date: string | null,
): ExchangeRate | undefined {
  const rates = table
    .filter((each) => each.from === from && each.to === to)
    .sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  return rates.findLast((each) => date === null || each.date <= date) ?? rates[0];
}

function noteOf(rate: ExchangeRate, date: string | null): string {
  return date !== null && rate.date > date
    ? `table of ${rate.date}, after the design’s date`
    : `table of ${rate.date}`;
}

/** The figure in the design's currency. */
export function exchanged(figure: Figure, step: Figure | null, to: string): Figure {
  return step ? product(`In ${to}`, to, [figure, step]) : figure;
}
