/**
 * What a capacity meter is charged for: the load at each of its levels, in every dimension the rate knows, with how
 * long it lasts. Hour by hour over the running pattern, so that a short peak costs only its hours. Needs H11.
 */
import { addAll, type Decimal, err, issue, ok, type Result } from '../base';
import { type CapacityDimension, capacityUnits } from '../rates';
import { type Figure, given, product, sum } from '../trace';
import {
  atLeastIfAny,
  type Hour,
  hoursAtLevel,
  type Level,
  levelsOf,
  type Load,
  LOAD_DIMENSIONS,
  type LoadDimension,
  loadDimension,
  loadShape,
  requestRate,
  sideBySide,
  type Week,
} from '../usage';
import {
  convertFigure,
  countedUnits,
  type MeterContext,
  type MeterUse,
  minimumNotices,
} from './meter-context';

export function capacityUse(context: MeterContext): Result<MeterUse> {
  const { component, rate, time, hoursInMonth, case: which } = context;
  const devices = countedUnits(context);
  const notices = minimumNotices(context, context.count, devices);
  const running = levelsOf(time.profile.weeks).filter(({ units }) => !units.isZero());
  const weekHours = addAll(running.map((level) => level.weekHours));
  const hours = hoursAtLevel({ weekHours }, hoursInMonth);
  const { charge } = rate;
  if (charge.structure !== 'greatest-of') {
    // Without dimensions a device is one unit while it runs.
    const unitHours = product('Hours of all devices', 'unit-hour', [devices, hours]);
    const quantity = convertFigure(unitHours, rate.unit);
    return quantity.ok ? ok({ quantity: quantity.value, notices }) : quantity;
  }
  const { load } = component;
  if (!load) return err(issue('load.missing', ['load']));
  const usual = requestRate(load, which);
  if (!usual.ok) return usual;
  const shape = loadShape(load, which);
  if (!shape.ok) return shape;
  const rows: Figure[] = [];
  for (const level of heightsWhileRunning(shape.value, time.profile.weeks)) {
    const atLevel = level.units.equals(1)
      ? usual.value
      : product('Requests a second at this level', 'request/s', [
          usual.value,
          given('Times the usual', level.units, ''),
        ]);
    const dimensions = dimensionsAt(charge.dimensions, load, atLevel, context);
    if (!dimensions.ok) return dimensions;
    const units = capacityUnits(charge, dimensions.value);
    rows.push(product(units.note ?? 'Units', rate.unit, [hoursAtLevel(level, hoursInMonth), units]));
  }
  const used = sum('Capacity units, hour by hour', rate.unit, rows);
  const each = rate.minimums?.each;
  const quantity = each ? atLeastIfAny('Each device, at least', used, each.times(devices.value)) : used;
  notices.push(...minimumNotices(context, used, quantity));
  const beside = charge.basePrice
    ? { beside: product('Hours of all devices', 'hour', [devices, hours]) }
    : {};
  return ok({ quantity, ...beside, notices });
}

/** Heights of the load while the thing runs, with how long each lasts. */
function heightsWhileRunning(shape: readonly Hour[], weeks: readonly Week[]): Level[] {
  const found = new Map<string, { units: Decimal; weekHours: Decimal }>();
  for (const { weekHours, a: height, b: units } of sideBySide(shape, weeks)) {
    if (units.isZero()) continue;
    const key = height.toString();
    const known = found.get(key);
    if (known) known.weekHours = known.weekHours.plus(weekHours);
    else found.set(key, { units: height, weekHours });
  }
  return [...found.values()].sort((a, b) => a.units.comparedTo(b.units));
}

function dimensionsAt(
  wanted: readonly CapacityDimension[],
  load: Load,
  rate: Figure,
  context: MeterContext,
): Result<Map<string, Figure>> {
  const found = new Map<string, Figure>();
  for (const { dimension, unit } of wanted) {
    if (!(dimension in LOAD_DIMENSIONS)) continue;
    const use = loadDimension(dimension as LoadDimension, load, rate, context.case);
    if (!use.ok) return use;
    const converted = dimension === 'data' ? convertFigure(use.value, unit) : use;
    if (!converted.ok) return converted;
    found.set(dimension, converted.value);
  }
  return ok(found);
}
