/**
 * What a capacity meter is charged for: the load at each of its levels, in every dimension the rate knows, with how
 * long it lasts. Hour by hour over the running pattern, so that a short peak costs only its hours. Needs H11.
 */
import { err, issue, ok, type Result } from '../base';
import type { CapacityDimension, LoadLevel } from '../rates';
import { type Figure, given, product } from '../trace';
import {
  hoursAtLevel,
  levelsOf,
  type Load,
  LOAD_DIMENSIONS,
  type LoadDimension,
  loadDimension,
  loadShape,
  requestRate,
} from '../usage';
import { convertFigure, countedUnits, type MeterContext, type MeterUse } from './meter-context';

export function capacityUse(context: MeterContext): Result<MeterUse> {
  const { component, rate, time, hoursInMonth, case: which } = context;
  const quantity = countedUnits(context);
  if (rate.charge.structure !== 'greatest-of') return ok({ quantity, notices: [] });
  const { load } = component;
  if (!load) return err(issue('load.missing', ['load']));
  const usual = requestRate(load, which);
  if (!usual.ok) return usual;
  const running = loadShape(load, which).map((height, hour) =>
    time.profile.units[hour]!.isZero() ? null : height,
  );
  const heights = running.flatMap((height) => (height ? [height] : []));
  const levels: LoadLevel[] = [];
  for (const level of levelsOf(heights)) {
    const atLevel = level.units.equals(1)
      ? usual.value
      : product('Requests a second at this level', 'request/s', [
          usual.value,
          given('Times the usual', level.units, ''),
        ]);
    const dimensions = dimensionsAt(rate.charge.dimensions, load, atLevel, context);
    if (!dimensions.ok) return dimensions;
    levels.push({ hours: hoursAtLevel(level, hoursInMonth), dimensions: dimensions.value });
  }
  return ok({ quantity, levels, notices: [] });
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
