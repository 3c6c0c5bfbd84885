/** What a running meter bills: hours, or vCPU-, GiB-, GPU-, core- or consumption-unit-hours, of all units. */
import { decimal, type Decimal, err, issue, ok, type Result, ZERO } from '../base';
import { firstUnitPrice, type FreeParts } from '../rates';
import { cappedHours, type Rank, sustainedHours } from '../terms';
import { type Figure, given, product, quotient } from '../trace';
import { conversionFactor, unitOf } from '../units';
import {
  atLeast,
  billedSize,
  type Case,
  type Cased,
  hoursAtLevel,
  levelsOf,
  readCase,
  type RunningTime,
} from '../usage';
import {
  convertFigure,
  countedUnits,
  type MeterContext,
  type MeterUse,
  minimumNotices,
} from './meter-context';

export function runningUse(context: MeterContext): Result<MeterUse> {
  const { rate, time } = context;
  const units = countedUnits(context);
  const ranks = ranksOf(time, units, context.hoursInMonth);
  const hours = billedHours(context, units, ranks);
  if (!hours.ok) return hours;
  const sized = timesSize(context, hours.value);
  if (!sized.ok) return sized;
  const quantity = convertFigure(sized.value, rate.unit);
  if (!quantity.ok) return quantity;
  const parts = freeParts(context);
  return ok({
    quantity: quantity.value,
    ranks,
    ...(parts ? { parts } : {}),
    notices: minimumNotices(context, context.count, units),
  });
}

/** Unit-hours as the rate counts them: in started increments, under a monthly cap, after sustained use. */
function billedHours(context: MeterContext, units: Figure, ranks: readonly Rank[]): Result<Figure> {
  const { rate, time, hoursInMonth } = context;
  if (rate.sustained) return ok(sustainedHours(ranks, rate.sustained, hoursInMonth));
  const price = firstUnitPrice(rate.charge);
  const perHour = conversionFactor('hour', rate.unit);
  if (rate.monthlyCap && price && !price.isZero() && perHour.ok) {
    const hourly = given('Price an hour', price.times(perHour.value), 'an hour');
    const cap = given('Monthly cap', rate.monthlyCap, 'a month');
    return ok(cappedHours(ranks, quotient('Hours that reach the cap', 'hour', [cap, hourly])));
  }
  if (rate.increment && time.spells) {
    const each = billedSize(time.spells.hoursEach, rate.increment);
    if (!each.ok) return each;
    const inHours = convertFigure(each.value, 'hour');
    if (!inHours.ok) return inHours;
    return ok(
      product('Hours of all units, in started increments', 'hour', [units, time.spells.count, inHours.value]),
    );
  }
  return ok(product('For all units', 'hour', [units, time.hours]));
}

/** Units that run the same hours, from the profile: of 2 to 6 units, two run always and the others less. */
export function ranksOf(time: RunningTime, units: Figure, hoursInMonth: Decimal): Rank[] {
  if (time.hours.operation !== 'sum') return [{ units, hours: time.hours }];
  const levels = levelsOf(time.profile.units).filter((level) => !level.units.isZero());
  if (levels.length === 0) return [{ units, hours: time.hours }];
  const ranks: Rank[] = [];
  let below = ZERO;
  levels.forEach((level, index) => {
    const weekHours = levels.slice(index).reduce((hours, each) => hours + each.weekHours, 0);
    const more = given('Units of this rank', level.units.minus(below), 'unit');
    ranks.push({
      units: product('Units', 'unit', [units, more]),
      hours: hoursAtLevel({ weekHours }, hoursInMonth),
    });
    below = level.units;
  });
  return ranks;
}

const SIZE_OF: Readonly<Record<string, 'vcpu' | 'memory' | 'gpu' | 'cores' | 'units'>> = {
  'vCPU-time': 'vcpu',
  'data-time': 'memory',
  'GPU-time': 'gpu',
  'core-time': 'cores',
  'unit-time': 'units',
};
const SIZE_LABELS = {
  vcpu: ['vCPU each', 'vCPU', 'vCPU-hour'],
  memory: ['Memory each', 'GiB', 'GiB-hour'],
  gpu: ['GPU each', 'GPU', 'GPU-hour'],
  cores: ['Cores each', 'core', 'core-hour'],
  units: ['Units an hour each', 'unit', 'unit-hour'],
} as const;

/** Multiplies hours by the size the rate is per; a least number of cores is a minimum of that size. */
function timesSize(context: MeterContext, hours: Figure): Result<Figure> {
  const { rate } = context;
  const unit = unitOf(rate.unit);
  if (!unit.ok) return unit;
  const what = SIZE_OF[unit.value.dimension];
  if (!what) return ok(hours);
  const size = sizeOf(context, what);
  if (!size) return err(issue('size.missing', ['size'], { what: SIZE_LABELS[what][0] }));
  const [label, sizeUnit, productUnit] = SIZE_LABELS[what];
  const entered = given(label, size, sizeUnit);
  return ok(
    product(`${sizeUnit} × hours`, productUnit, [
      hours,
      atLeast('At least', entered, rate.minimums?.each ?? null),
    ]),
  );
}

function sizeOf(context: MeterContext, what: keyof typeof SIZE_LABELS): Decimal | null {
  const { component, offer, case: which } = context;
  const { size } = component;
  if (what === 'units') {
    const entry = component.usage[context.meter.meter];
    const own = offer.attributes?.['units-per-hour'];
    return entry ? decimal(readCase(entry.amount, which)) : own ? decimal(own) : null;
  }
  if (what === 'cores') return size ? decimal(readCase(size.vcpu, which)) : offer.vcpu;
  if (what === 'gpu') return size?.gpu ? decimal(readCase(size.gpu, which)) : (offer.gpu ?? null);
  return size ? decimal(readCase(size[what], which)) : offer[what];
}

/** The parts of a size set freely; null: the offer has a fixed one. */
export function freeParts(context: Pick<MeterContext, 'component' | 'case'>): FreeParts | null {
  const { size } = context.component;
  if (!size) return null;
  const read = (value: Cased, which: Case): Decimal => decimal(readCase(value, which));
  return {
    vcpu: given('vCPU', read(size.vcpu, context.case), 'vCPU'),
    memory: given('Memory', read(size.memory, context.case), 'GiB'),
    gpu: size.gpu ? given('GPU', read(size.gpu, context.case), 'GPU') : null,
  };
}
