/** How long a unit runs in a month. Source: pricing rules, "Running patterns"; needs F1, F2, F23. */
import { assertNever, type Decimal, decimal, err, issue, ok, type Result } from '../base';
import { type Figure, given, product } from '../trace';
import type { Case, Cased } from './cased';
import { readCase } from './cased';

export type Running =
  | { readonly pattern: 'always' }
  | { readonly pattern: 'hours'; readonly hoursPerMonth: Cased }
  | { readonly pattern: 'days'; readonly hoursPerDay: Cased; readonly daysPerMonth: Cased };

export const ALWAYS: Running = { pattern: 'always' };

/**
 * Hours one unit runs in a month of `hoursInMonth`. Refused: `quantity.negative`, `hours.exceed-month` (more hours
 * than the month has), `hours.day-too-long`, `days.exceed-month`.
 */
export function runningHours(running: Running, hoursInMonth: Decimal, which: Case): Result<Figure> {
  switch (running.pattern) {
    case 'always':
      return ok(given('Hours of the month', hoursInMonth, 'hour', 'runs always'));
    case 'hours': {
      const hours = decimal(readCase(running.hoursPerMonth, which));
      if (hours.isNegative())
        return err(issue('quantity.negative', ['running'], { amount: hours.toString() }));
      return within(given('Hours run in the month', hours, 'hour'), hoursInMonth);
    }
    case 'days': {
      const hours = decimal(readCase(running.hoursPerDay, which));
      const days = decimal(readCase(running.daysPerMonth, which));
      if (hours.isNegative() || days.isNegative()) {
        return err(issue('quantity.negative', ['running'], { amount: `${hours} h × ${days} d` }));
      }
      if (hours.greaterThan(24))
        return err(issue('hours.day-too-long', ['running'], { hours: hours.toString() }));
      if (days.greaterThan(31))
        return err(issue('days.exceed-month', ['running'], { days: days.toString() }));
      const parts = [given('Hours a day', hours, 'h/day'), given('Days a month', days, 'day')];
      return within(product('Hours run in the month', 'hour', parts), hoursInMonth);
    }
    default:
      return assertNever(running);
  }
}

function within(hours: Figure, hoursInMonth: Decimal): Result<Figure> {
  if (!hours.value.greaterThan(hoursInMonth)) return ok(hours);
  const values = { hours: hours.value.toString(), month: hoursInMonth.toString() };
  return err(issue('hours.exceed-month', ['running'], values));
}
