/** What a running meter bills: hours, or vCPU-, GiB-, GPU-, core- or consumption-unit-hours, of all units. */
import { decimal, type Decimal, err, issue, type Issue, must, ok, type Result } from '../base';
import type { Rate } from '../books';
import type { FreeParts } from '../rates';
import type { Rank } from '../terms';
import { type Figure, given, product, sum } from '../trace';
import { conversionFactor, unitOf } from '../units';
import { enteredIn, atLeast, type Cased, type Increment, readCase, type Week } from '../usage';
import { billedRanks, billedWeeks, leastUnits } from './billed-hours';
import {
  convertFigure,
  countedUnits,
  type MeterContext,
  type MeterUse,
  minimumNotices,
  type RunningShape,
} from './meter-context';

export function runningUse(context: MeterContext): Result<MeterUse> {
  const { component, rate, time, meter } = context;
  const notices: Issue[] = [];
  const fault = incrementFault(context);
  if (fault) return fault;
  const size = sizeFigure(context);
  if (!size.ok) return size;
  const leastHours = leastHoursOf(context);
  if (!leastHours.ok) return leastHours;
  const least = leastHours.value;
  const shape = new LazyShape(context, size.value, least);
  const always = component.running.pattern === 'always';
  const plain = time.single && (always || !rate.increment) && !least;
  const units = countedUnits(context);
  const hours = plain
    ? product('For all units', 'hour', [units, time.hours])
    : unitHours(shape.ranks(), time.single ? units : null);
  notices.push(...minimumNotices(context, context.count, time.single ? units : leastUnits(context)));
  if (rate.increment && !always && !time.spells && isCoarse(rate.increment) && !time.profile.placed) {
    notices.push(issue('increment.runs-unknown', ['running'], { meter: meter.label }));
  }
  const sized = size.value
    ? product(`${size.value.unit} × hours`, SIZED_UNIT[size.value.unit]!, [hours, size.value])
    : hours;
  const quantity = convertFigure(sized, rate.unit);
  if (!quantity.ok) return quantity;
  const parts = freeParts(context);
  return ok({
    quantity: quantity.value,
    running: shape,
    ...(parts ? { parts } : {}),
    notices,
  });
}

function withoutLeastUnits(context: MeterContext): MeterContext {
  const { minimums } = context.rate;
  if (!minimums?.count) return context;
  return { ...context, rate: { ...context.rate, minimums: { ...minimums, count: null } } };
}

/** Every part is worked out once, and only if somebody asks. */
class LazyShape implements RunningShape {
  private knownRanks: readonly Rank[] | null = null;
  private knownWeeks: readonly Week[] | null = null;
  private knownUsed: readonly Week[] | null = null;
  private knownPerHour: Figure | null = null;

  constructor(
    private readonly context: MeterContext,
    private readonly size: Figure | null,
    readonly leastHours: Figure | null,
  ) {}

  ranks(): readonly Rank[] {
    return (this.knownRanks ??= billedRanks(this.context, this.leastHours));
  }

  weeks(): readonly Week[] {
    return (this.knownWeeks ??= billedWeeks(this.context));
  }

  used(): readonly Week[] {
    return (this.knownUsed ??= billedWeeks(withoutLeastUnits(this.context)));
  }

  perHour(): Figure {
    // The quantity was turned into the rate's unit, so this can be too.
    return (this.knownPerHour ??= must(perHourOf(this.size, this.context.rate.unit)));
  }

  perHourOf(rate: Rate): Result<Figure> {
    const own = sizeFigure({ ...this.context, rate });
    return own.ok ? perHourOf(own.value, rate.unit) : own;
  }
}

/** A minute or more: what rounds so little that nobody asks is not worth a sentence. */
function isCoarse({ step, least, unit }: Increment): boolean {
  const inSeconds = conversionFactor(unit, 'second');
  if (!inSeconds.ok) return false;
  const largest = least?.greaterThan(step) ? least : step;
  return largest.times(inSeconds.value).greaterThan(60);
}

function incrementFault({ rate }: MeterContext): Result<never> | null {
  if (!rate.increment) return null;
  const factor = conversionFactor('hour', rate.increment.unit);
  return factor.ok ? null : factor;
}

/** A minimum of an hourly rate is one of hours; of a rate per core or vCPU, of the size. */
function leastHoursOf({ rate }: MeterContext): Result<Figure | null> {
  const each = rate.minimums?.each;
  const unit = unitOf(rate.unit);
  if (!unit.ok) return unit;
  if (!each || unit.value.dimension !== 'time') return ok(null);
  return convertFigure(given('Least of each in a month', each, rate.unit), 'hour');
}

/** Refused with `unit.mismatch` where the rate is for something else than running time. */
function perHourOf(size: Figure | null, unit: string): Result<Figure> {
  const from = size ? SIZED_UNIT[size.unit]! : 'hour';
  const factor = conversionFactor(from, unit);
  if (!factor.ok) return factor;
  const step = given(`1 ${from} in ${unit}`, factor.value, `${unit} each`);
  return ok(size ? product('In an hour, each', unit, [size, step]) : step);
}

/** Hours of all units: by the count where all run alike, else rank by rank. */
function unitHours(ranks: readonly Rank[], units: Figure | null): Figure {
  const rows = ranks.map((rank) => product(`${rank.units.value} running`, 'hour', [rank.units, rank.hours]));
  if (units && ranks.length === 1) return { ...rows[0]!, label: 'For all units' };
  return sum('Hours of all units', 'hour', rows);
}

const SIZE_OF: Readonly<Record<string, 'vcpu' | 'memory' | 'gpu' | 'cores' | 'units'>> = {
  'vCPU-time': 'vcpu',
  'data-time': 'memory',
  'GPU-time': 'gpu',
  'core-time': 'cores',
  'unit-time': 'units',
};
const SIZE_LABELS = {
  vcpu: ['vCPU each', 'vCPU'],
  memory: ['Memory each', 'GiB'],
  gpu: ['GPU each', 'GPU'],
  cores: ['Cores each', 'core'],
  units: ['Units an hour each', 'unit'],
} as const;

const SIZED_UNIT: Readonly<Record<string, string>> = {
  vCPU: 'vCPU-hour',
  GiB: 'GiB-hour',
  GPU: 'GPU-hour',
  core: 'core-hour',
  unit: 'unit-hour',
};

/** The size that the rate is per, at least the rate's least; null: it is for time alone. */
function sizeFigure(context: MeterContext): Result<Figure | null> {
  const { rate } = context;
  const unit = unitOf(rate.unit);
  if (!unit.ok) return unit;
  const what = SIZE_OF[unit.value.dimension];
  if (!what) return ok(null);
  const size = sizeOf(context, what);
  if (!size) return err(issue('size.missing', ['size'], { what: SIZE_LABELS[what][0] }));
  const [label, sizeUnit] = SIZE_LABELS[what];
  return ok(atLeast('At least', given(label, size, sizeUnit), rate.minimums?.each ?? null));
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
  const part = (label: string, entry: string, value: Cased, unit: string): Figure =>
    enteredIn(value, context.case, {
      label,
      unit,
      input: { component: context.component.id, entry: `size/${entry}` },
    });
  return {
    vcpu: part('vCPU', 'vcpu', size.vcpu, 'vCPU'),
    memory: part('Memory', 'memory', size.memory, 'GiB'),
    gpu: size.gpu ? part('GPU', 'gpu', size.gpu, 'GPU') : null,
  };
}
