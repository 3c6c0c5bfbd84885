/**
 * Greatest of: capacity units are the greatest over several dimensions of (use ÷ what one unit carries), worked out
 * for every level of load in the running pattern, not for its average. With a unit that carries 25 new connections a
 * second, 3 000 open ones and 1 GB an hour, 60 new connections, 900 open ones and 4 GB an hour need 4 units: data
 * binds. The trace shows all dimensions, which one binds, and how far the next is. Needs H11, K6.
 */
import { type Decimal, ZERO } from '../base';
import { ceiling, type Figure, given, greatest, product, quotient, rate, sum } from '../trace';
import type { Charge, ChargeContext, LoadLevel } from './structure';

export type GreatestOfCharge = Extract<Charge, { structure: 'greatest-of' }>;

/** `count` is how many such devices there are: each pays the hourly fee, and together they carry the load. */
export function chargeGreatestOf(
  charge: GreatestOfCharge,
  count: Figure,
  levels: readonly LoadLevel[],
  context: ChargeContext,
): Figure {
  const { currency, source } = context;
  const unitPrice = rate('Price per unit and hour', charge.unitPrice, `${currency} per unit-hour`, source);
  const byLevel = levels.map((level) => {
    const units = unitsAt(charge, level);
    return product(`${units.note ?? 'Units'}`, currency, [level.hours, units, unitPrice]);
  });
  const parts = [...byLevel];
  if (charge.basePrice) {
    const base = rate('Price per hour', charge.basePrice, `${currency} per hour`, source);
    const hours =
      levels.length === 1
        ? levels[0]!.hours
        : sum(
            'Hours',
            'hour',
            levels.map((each) => each.hours),
          );
    parts.push(product('Hourly fee', currency, [count, hours, base]));
  }
  return sum('Capacity units, hour by hour', currency, parts);
}

/** Capacity units that one level of load needs, with the binding dimension in the note. */
function unitsAt(charge: GreatestOfCharge, level: LoadLevel): Figure {
  const needed = charge.dimensions.map(({ dimension, label, carries, unit }) => {
    const use = level.dimensions.get(dimension) ?? given(`${label}: none`, ZERO, unit);
    return {
      label,
      figure: quotient(label, 'unit', [use, given('One unit carries', carries, `${unit} a unit`)]),
    };
  });
  const ordered = [...needed].sort((a, b) => b.figure.value.comparedTo(a.figure.value));
  const note = bindingNote(ordered.map(({ label, figure }) => ({ label, value: figure.value })));
  const most = greatest(
    'Units needed',
    'unit',
    needed.map((each) => each.figure),
    note,
  );
  return charge.whole ? { ...ceiling('Whole units', 'unit', most), note } : most;
}

function bindingNote(ordered: readonly { label: string; value: Decimal }[]): string {
  const [first, next] = ordered;
  if (!first || first.value.isZero()) return 'no load';
  if (!next) return `${first.label} binds`;
  const share = next.value.dividedBy(first.value).times(100).toDecimalPlaces(0);
  return `${first.label} binds; next is ${next.label} at ${share} % of it`;
}
