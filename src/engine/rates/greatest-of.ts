/**
 * Greatest of: capacity units are the greatest over several dimensions of (use ÷ what one unit carries), worked out
 * for every level of load in the running pattern, not for its average. With a unit that carries 25 new connections a
 * second, 3 000 open ones and 1 GB an hour, 60 new connections, 900 open ones and 4 GB an hour need 4 units: data
 * binds. The trace shows all dimensions, which one binds, and how far the next is. Needs H11, K6.
 */
import { type Decimal, ZERO } from '../base';
import { ceiling, type Figure, given, greatest, product, quotient, rate, sum } from '../trace';
import { priceLeaf } from './price-leaf';
import type { Charge, ChargeContext } from './structure';

export type GreatestOfCharge = Extract<Charge, { structure: 'greatest-of' }>;

/** Unit-hours × the unit's price, and the hourly fee of every device. `deviceHours` is null without such a fee. */
export function chargeGreatestOf(
  charge: GreatestOfCharge,
  unitHours: Figure,
  deviceHours: Figure | null,
  context: ChargeContext,
): Figure {
  const { currency } = context;
  const price = priceLeaf('Price per unit and hour', charge.unitPrice, `${currency} per unit-hour`, context);
  const units = product('Capacity units', currency, [unitHours, price]);
  const fee = hourlyFee(charge, deviceHours, context);
  return fee ? sum('Capacity units and hourly fee', currency, [units, fee]) : units;
}

/** What is paid an hour whatever the use; null: nothing. */
function hourlyFee(
  charge: GreatestOfCharge,
  deviceHours: Figure | null,
  { currency, source }: ChargeContext,
): Figure | null {
  if (!charge.basePrice || !deviceHours) return null;
  const base = rate('Price per hour', charge.basePrice, `${currency} per hour`, source);
  return product('Hourly fee', currency, [deviceHours, base]);
}

/**
 * Capacity units that a load needs, with the binding dimension in the note.
 *
 * @example
 * capacityUnits({ structure: 'greatest-of', unitPrice: decimal('0.008'), dimensions: [{ dimension: 'new-connections', label: 'New connections', carries: decimal('25') }] }, new Map([['new-connections', given('connections', decimal('60'), 'connections per second')]])).value.toString(); // => '2.4'
 */
export function capacityUnits(charge: GreatestOfCharge, dimensions: ReadonlyMap<string, Figure>): Figure {
  const needed = charge.dimensions.map(({ dimension, label, carries, unit }) => {
    const use = dimensions.get(dimension) ?? given(`${label}: none`, ZERO, unit);
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
