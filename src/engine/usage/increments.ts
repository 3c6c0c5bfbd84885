/**
 * Per-event increments: an event is billed in started chunks after a minimum. A 1 300 KiB upload at 512 KiB a chunk is
 * 3 billed requests; a run of 130 ms at 100 ms a step is 200 ms; a run of 20 s after a minimum of 60 s is 60 s.
 * Source: pricing rules, "Increments"; needs H9.
 */
import { type Decimal, ok, type Result } from '../base';
import { ceiling, type Figure, given, greatest, product, quotient } from '../trace';
import { conversionFactor } from '../units';

export interface Increment {
  /** One chunk or step, in `unit`. */
  readonly step: Decimal;
  readonly unit: string;
  /** The least that one event is billed as, in `unit`; null: none. */
  readonly least: Decimal | null;
}

/** Started steps of one event whose size is `each`. Refused with `unit.mismatch`. */
function startedSteps(each: Figure, increment: Increment): Result<Figure> {
  const factor = conversionFactor(each.unit, increment.unit);
  if (!factor.ok) return factor;
  const { unit } = increment;
  const converted =
    each.unit === unit
      ? each
      : product(`One in ${unit}`, unit, [
          each,
          given(`1 ${each.unit} in ${unit}`, factor.value, `${unit} each`),
        ]);
  const billed = increment.least
    ? greatest('One, at least', unit, [converted, given('Least billed', increment.least, unit)])
    : converted;
  const steps = quotient('In steps', 'step', [billed, given('One step', increment.step, `${unit} a step`)]);
  return ok(ceiling('Started steps of one', 'step', steps));
}

/**
 * How many chunks `events` events of size `each` are billed as.
 *
 * @example
 * must(billedChunks(given('Writes', decimal('10'), 'requests'), given('Each', decimal('9'), 'KiB'), { step: decimal('4'), unit: 'KiB', least: null })).value.toString(); // => '30'
 */
export function billedChunks(events: Figure, each: Figure, increment: Increment): Result<Figure> {
  const steps = startedSteps(each, increment);
  return steps.ok ? ok(product('Billed, in started chunks', events.unit, [events, steps.value])) : steps;
}

/**
 * The size of one event as billed: started steps × step, in the increment's unit.
 *
 * @example
 * must(billedSize(given('Each', decimal('20'), 'second'), { step: decimal('60'), unit: 'second', least: null })).value.toString(); // => '60'
 */
export function billedSize(each: Figure, increment: Increment): Result<Figure> {
  const steps = startedSteps(each, increment);
  if (!steps.ok) return steps;
  const step = given('One step', increment.step, increment.unit);
  return ok(product('One as billed', increment.unit, [steps.value, step]));
}
