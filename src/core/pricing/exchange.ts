/** Currency conversion: once, at the end, by a dated table that the design carries. Needs: pricing rules, "Numbers". */
import { decimal, err, issue, ok, ONE, type Result } from '../base';
import type { ExchangeRate } from '../design';
import { type Figure, given, product, quotient } from '../trace';

/** The step that turns one `from` into `to`; null when they are the same. Refused with `currency.no-rate`. */
export function exchangeStep(
  from: string,
  to: string,
  table: readonly ExchangeRate[],
): Result<Figure | null> {
  if (from === to) return ok(null);
  const direct = table.find((each) => each.from === from && each.to === to);
  if (direct)
    return ok(given(`1 ${from} in ${to}`, decimal(direct.rate), `${to} each`, `table of ${direct.date}`));
  const reverse = table.find((each) => each.from === to && each.to === from);
  if (!reverse) return err(issue('currency.no-rate', [], { from, to }));
  const back = given(`1 ${to} in ${from}`, decimal(reverse.rate), `${from} each`, `table of ${reverse.date}`);
  return ok(quotient(`1 ${from} in ${to}`, `${to} each`, [given('One', ONE, from), back]));
}

/** The figure in the design's currency. */
export function exchanged(figure: Figure, step: Figure | null, to: string): Figure {
  return step ? product(`In ${to}`, to, [figure, step]) : figure;
}
