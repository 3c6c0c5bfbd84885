/** What may stand on an axis of a design: all that follows traffic, its drivers, entries of its lines. */
import { decimal } from '@/engine/base';
import { type Along, type Design, entriesOf, findComponent } from '@/engine/design';
import { type Driver, DRIVERS, TRAFFIC } from '@/engine/drivers';
import type { Varied } from '@/engine/program';
import { type Cased, CASES, readCase } from '@/engine/usage';
import type { Axis1, Reading } from './model';

/**
 * How it varies in a design, and between which values.
 *
 * @example
 * variedAlong({ of: 'traffic' }, design, { from: 0.5, to: 4 })?.now; // => 1
 */
export function variedAlong(
  along: Along,
  design: Design,
  { from, to }: Pick<Axis1, 'from' | 'to'>,
): Varied | null {
  const between = { low: from, high: to };
  switch (along.of) {
    case 'traffic':
      return { component: DRIVERS, entry: TRAFFIC, now: 1, ...between };
    case 'driver': {
      const driver = driverOf(design, along.name);
      return driver
        ? { component: DRIVERS, entry: along.name, now: Number(driver.value.likely), ...between }
        : null;
    }
    case 'entry': {
      const found = entryOf(design, along.line, along.entry);
      if (!found) return null;
      const { value, whole } = found;
      return { component: along.line, entry: along.entry, now: Number(value.likely), whole, ...between };
    }
  }
}

function driverOf({ assumptions }: Design, name: string): Driver | undefined {
  return assumptions.drivers?.find((each) => each.name === name);
}

function entryOf(design: Design, line: string, entry: string) {
  const component = findComponent(design, line);
  return component && entriesOf(component).find((each) => each.entry === entry);
}

/**
 * The axis as it is usually looked at; null: it is not there.
 *
 * @example
 * usualAxis({ of: 'traffic' }, design)?.title; // => 'Traffic'
 */
export function usualAxis(along: Along, design: Design): Axis1 | null {
  switch (along.of) {
    case 'traffic':
      return {
        title: 'Traffic',
        unit: 'times the planned',
        from: 0.1,
        to: 100,
        scale: 'log',
        now: [{ label: 'planned', at: 1 }],
      };
    case 'driver': {
      const driver = driverOf(design, along.name);
      if (!driver) return null;
      const { title, unit, from, to, scale, value } = driver;
      return { title, unit, from: Number(from), to: Number(to), scale, now: readingsOf(value) };
    }
    case 'entry': {
      const found = entryOf(design, along.line, along.entry);
      const line = findComponent(design, along.line);
      if (!found || !line) return null;
      return {
        title: `${found.label} of “${line.name}”`,
        unit: along.entry === 'running/share' ? 'of the month asleep' : found.unit,
        ...rangeAround(along.entry, found.value, found.whole),
        now: readingsOf(found.value),
      };
    }
  }
}

/** Entries that are a share, or hours of a day, end where these do. */
const ENDS: Readonly<Record<string, number>> = {
  'running/share': 1,
  'running/hoursPerDay': 24,
  'running/hours': 24,
  'running/hoursPerMonth': 672,
  'running/daysPerMonth': 28,
  'running/daysPerWeek': 7,
  allocated: 1,
};

function rangeAround(entry: string, value: Cased, whole: boolean): Pick<Axis1, 'from' | 'to' | 'scale'> {
  const end = ENDS[entry];
  if (end !== undefined) return { from: 0, to: end, scale: 'linear' };
  const likely = Number(value.likely);
  const heavy = Math.max(likely, Number(value.heavy ?? value.likely));
  if (whole) return { from: 1, to: Math.max(10, heavy * 3), scale: 'linear' };
  if (likely <= 0) return { from: 0, to: 1000, scale: 'linear' };
  return { from: likely / 100, to: heavy * 100, scale: 'log' };
}

/** The three cases, equal ones once. */
function readingsOf(value: Cased): Reading[] {
  const found: Reading[] = [];
  for (const which of CASES) {
    const at = decimal(readCase(value, which)).toNumber();
    const known = found.findIndex((each) => each.at === at);
    if (known < 0) found.push({ label: which, at });
    else if (which === 'likely') found[known] = { label: which, at };
  }
  return found;
}
