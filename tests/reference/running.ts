/** Running time as it is billed: runs in started increments, never fewer units than the least, least hours of each. */
import type { RateRow } from '@/features/price-books/format/price-book-schema';
import { type Asked, inUnit, minimum, raised } from './asked';
import { f, type Fraction, most, ONE, sum, ZERO } from './fraction';
import { convert, unitOf } from './units';
import {
  change,
  type Kind,
  looseRuns,
  type Pattern,
  patternOf,
  read,
  Refused,
  unitHours,
  WEEK,
} from './week';
import { billedRun, lengthen, type Rank, ranksOf } from './week-runs';

export interface UnitsFor {
  readonly units: Fraction;
  readonly hours: Fraction;
}

/** Running time: who runs when, as billed. */
export interface Running {
  /** All units, with the least number of them; and without. */
  readonly kinds: readonly Kind[];
  readonly used: readonly Kind[];
  /** Units by the hours they are billed in the month, each for its least hours. */
  readonly ranks: readonly UnitsFor[];
  readonly leastHours: Fraction;
  /** Rate units of one unit-hour. */
  readonly perHour: Fraction;
}

const SIZED: Readonly<Record<string, 'vcpu' | 'memory' | 'gpu' | 'cores' | 'units'>> = {
  'vCPU for a time': 'vcpu',
  'data for a time': 'memory',
  'GPU for a time': 'gpu',
  'core for a time': 'cores',
  'unit for a time': 'units',
};
const SIZE_UNIT = { vcpu: 'vCPU', memory: 'GiB', gpu: 'GPU', cores: 'core', units: 'unit' } as const;

/** Rate units that one unit running for one hour is. */
export function perHourOf(asked: Asked): Fraction {
  const { rate, component, offer, meter, which } = asked;
  const what = SIZED[unitOf(rate.unit).measures];
  if (!what) return inUnit(ONE, 'hour', rate.unit);
  const { size } = component;
  let own: Fraction | null;
  if (what === 'units') {
    const entry = component.usage[meter.meter];
    const stated = offer.attributes?.['units-per-hour'];
    own = entry ? read(entry.amount, which) : stated ? f(stated) : null;
  } else if (what === 'cores')
    own = size ? read(size.vcpu, which) : offer.vcpu === null ? null : f(offer.vcpu);
  else if (what === 'gpu') own = size?.gpu ? read(size.gpu, which) : offer.gpu == null ? null : f(offer.gpu);
  else own = size ? read(size[what], which) : offer[what] === null ? null : f(offer[what]);
  if (!own) throw new Refused('size.missing');
  const floor = minimum(rate, 'each');
  const sized = floor ? most(own, floor) : own;
  return inUnit(sized, `${SIZE_UNIT[what]}-hour`, rate.unit);
}

/** All units over the week: never fewer than the least while any runs, every run as long as it is billed. */
function billedKinds(
  pattern: Pattern,
  { count, rate, month }: Asked,
  floor: Fraction | null,
): readonly Kind[] {
  const units = (each: Fraction): Fraction => raised(each.times(count), floor);
  const { increment } = rate;
  if (!increment || pattern.unknown) return change(pattern.kinds, units);
  if (pattern.loose) {
    const hours = billedRun(pattern.loose.hours, increment);
    return change(looseRuns(pattern.loose.count, hours, month), (each) => each.times(units(ONE)));
  }
  return lengthen(change(pattern.kinds, units), increment);
}

function billedRanks(pattern: Pattern, asked: Asked): UnitsFor[] {
  const { rate, month, count } = asked;
  const { increment } = rate;
  const floor = minimum(rate, 'count');
  if (increment && pattern.loose) {
    const hours = billedRun(pattern.loose.hours, increment).times(pattern.loose.count);
    return [{ units: raised(count, floor), hours }];
  }
  const kinds = change(pattern.kinds, (each) => raised(each.times(count), floor));
  return ranksOf(kinds).map((rank) => ({
    units: rank.units,
    hours: weekHours(rank, kinds, pattern.unknown ? null : increment)
      .times(month)
      .over(WEEK),
  }));
}

function weekHours(rank: Rank, kinds: readonly Kind[], increment: RateRow['increment'] | null): Fraction {
  return sum(
    kinds.map(({ share }, at) => {
      const own = rank.runs[at];
      if (!own) return share.times(WEEK);
      const hours = own.map((run) => (increment ? billedRun(run.hours, increment) : run.hours));
      return share.times(sum(hours));
    }),
  );
}

/** Units by the hours they run, where their hours are no longer whole runs. */
export function unitsByHours(kinds: readonly Kind[], month: Fraction): UnitsFor[] {
  return ranksOf(kinds).map((rank) => ({
    units: rank.units,
    hours: weekHours(rank, kinds, null).times(month).over(WEEK),
  }));
}

export const hoursOf = (ranks: readonly UnitsFor[]): Fraction =>
  sum(ranks.map(({ units, hours }) => units.times(hours)));

export const monthHours = (kinds: readonly Kind[], month: Fraction): Fraction =>
  unitHours(kinds).times(month).over(WEEK);

export function running(asked: Asked): { readonly amount: Fraction; readonly running: Running } {
  const { rate, component, which, month } = asked;
  if (rate.increment && !convert('hour', rate.increment.unit)) throw new Refused('unit.mismatch');
  const perHour = perHourOf(asked);
  const pattern = patternOf(component, which, month);
  const timed = unitOf(rate.unit).measures === 'time';
  const each = timed ? minimum(rate, 'each') : null;
  const leastHours = each ? inUnit(each, rate.unit, 'hour') : ZERO;
  const ranks = billedRanks(pattern, asked).map(({ units, hours }) => ({
    units,
    hours: raised(hours, leastHours),
  }));
  return {
    amount: hoursOf(ranks).times(perHour),
    running: {
      kinds: billedKinds(pattern, asked, minimum(rate, 'count')),
      used: billedKinds(pattern, asked, null),
      ranks,
      leastHours,
      perHour,
    },
  };
}
