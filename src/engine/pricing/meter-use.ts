/**
 * From what was entered to what a rate bills, for all units and in the rate's own unit: unit conversion, per-event
 * increments, per-unit and per-cluster minimums. One file per source of quantity, read here by one exhaustive switch.
 * Source: pricing rules, "From usage to amount".
 */
import { assertNever, ok, type Result, ZERO } from '../base';
import { given } from '../trace';
import { capacityUse } from './capacity-use';
import { heldUse } from './held-use';
import { countedUnits, type MeterContext, type MeterUse, minimumNotices } from './meter-context';
import { monthlyUse, perHourUse, runsUse } from './monthly-use';
import { runningUse } from './running-use';

/** Null: nothing was entered and it may be none. */
export function meterUse(context: MeterContext): Result<MeterUse | null> {
  const { from } = context.meter;
  switch (from) {
    case 'running':
      return runningUse(context);
    case 'held':
      return heldUse(context);
    case 'monthly':
      return monthlyUse(context);
    case 'runs':
      return runsUse(context);
    case 'capacity':
      return capacityUse(context);
    case 'count':
      return ok(countedUse(context));
    case 'per-hour':
      return perHourUse(context);
    case 'spend':
      return ok({ quantity: given('Spend', ZERO, 'money'), notices: [] });
    default:
      return assertNever(from);
  }
}

function countedUse(context: MeterContext): MeterUse {
  const quantity = countedUnits(context);
  return { quantity, notices: minimumNotices(context, context.count, quantity) };
}
