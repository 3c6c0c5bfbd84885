/**
 * How long a component's units run in a month, as a figure with its steps. Patterns that know only hours give hours of
 * one unit; patterns with several units give unit-hours. Source: pricing rules, "Running patterns"; needs F1, F2, F23.
 */
import { assertNever, type Decimal, decimal, err, issue, ok, type Result } from '../base';
import { difference, type Figure, given, least, product, quotient, sum } from '../trace';
import { type Case, type Cased, enteredIn, inAllCases, readCase } from './cased';
import type { Load } from './load';
import type { Running } from './pattern';
import { weekProfile } from './profile';
import { type Level, levelsOf, type Profile, WEEK_HOURS } from './week';

/** Runs of one unit, where the pattern knows them: what increments and minimum durations are counted by. */
export interface Spells {
  readonly count: Figure;
  readonly hoursEach: Figure;
}

/** What one unit (for patterns with several units: the component) runs in a month. */
export interface RunningTime {
  /** Hours, or unit-hours where several units run. */
  readonly hours: Figure;
  /** Where all runs are alike; else they are read off the week, or (a mere number of hours) not known. */
  readonly spells: Spells | null;
  readonly profile: Profile;
  /** Whether it is one unit that runs or not; else the week says how many. */
  readonly single: boolean;
}

/**
 * Hours one unit runs in a month of `hoursInMonth`. Refused: `quantity.negative`, `hours.exceed-month` (more hours
 * than the month has), `hours.day-too-long`, `days.exceed-month`, `share.out-of-range`, and what a profile refuses.
 *
 * @example
 * must(runningHours({ pattern: 'hours', hoursPerMonth: { likely: '200' } }, decimal('730'), 'likely')).value.toString(); // => '200'
 */
export function runningHours(
  running: Running,
  hoursInMonth: Decimal,
  which: Case,
  load: Load | null = null,
): Result<Figure> {
  const time = runningTime(running, hoursInMonth, which, load);
  return time.ok ? ok(time.value.hours) : time;
}

/**
 * @example
 * must(runningTime({ pattern: 'always' }, decimal('730'), 'likely')).hours.value.toString(); // => '730'
 */
export function runningTime(
  running: Running,
  hoursInMonth: Decimal,
  which: Case,
  load: Load | null = null,
  /** Whose pattern it is: what was entered is marked so in the figures. */
  component: string | null = null,
): Result<RunningTime> {
  const simple = hoursOf(running, hoursInMonth, which, component);
  if (!simple.ok) return simple;
  if (simple.value) return ok(new SimpleTime(simple.value, running, which, hoursInMonth));
  const month = { runHours: hoursInMonth, monthHours: hoursInMonth, runs: null };
  const profile = weekProfile(running, which, month, load);
  if (!profile.ok) return profile;
  const hours = unitHours(profile.value, hoursInMonth);
  return ok({ hours, spells: null, profile: profile.value, single: running.pattern === 'week' });
}

/** Hours that need no profile; it is worked out when someone asks, which for most lines nobody does. */
class SimpleTime implements RunningTime {
  readonly single = true;
  private known: Profile | null = null;

  constructor(
    private readonly simple: Simple,
    private readonly running: Running,
    private readonly which: Case,
    private readonly monthHours: Decimal,
  ) {}

  get hours(): Figure {
    return this.simple.hours;
  }

  get spells(): Spells | null {
    return this.simple.spells;
  }

  get profile(): Profile {
    if (!this.known) {
      const { running, which, monthHours } = this;
      const runs = this.spells?.count.value ?? null;
      const profile = weekProfile(running, which, { runHours: this.hours.value, monthHours, runs }, null);
      if (!profile.ok) throw new Error('a pattern with hours of its own has a profile');
      this.known = profile.value;
    }
    return this.known;
  }
}

type Own = (label: string, value: Cased, unit: string, entry: string) => Figure;

function ownEntry(
  component: string | null,
  entry: string,
  label: string,
  value: Cased,
  unit: string,
  which: Case,
): Figure {
  return component === null
    ? given(label, decimal(readCase(value, which)), unit)
    : enteredIn(value, which, { label, unit, input: { component, entry: `running/${entry}` } });
}

type Simple = Pick<RunningTime, 'hours' | 'spells'>;
type HoursOf = Simple | null;

/** Null: the hours follow from the profile. */
function hoursOf(
  running: Running,
  hoursInMonth: Decimal,
  which: Case,
  component: string | null,
): Result<HoursOf> {
  const month = given('Hours of the month', hoursInMonth, 'hour');
  const own: Own = (label, value, unit, entry) => ownEntry(component, entry, label, value, unit, which);
  const read = (value: Cased): Decimal => decimal(readCase(value, which));
  switch (running.pattern) {
    case 'always':
      return ok({ hours: { ...month, note: 'runs always' }, spells: null });
    case 'hours': {
      const hours = read(running.hoursPerMonth);
      if (hours.isNegative()) return negative(hours.toString());
      return within(
        own('Hours run in the month', running.hoursPerMonth, 'hour', 'hoursPerMonth'),
        hoursInMonth,
        null,
      );
    }
    case 'days': {
      const [hours, days] = [read(running.hoursPerDay), read(running.daysPerMonth)];
      const refused = dayFault(hours, days, 31);
      if (refused) return refused;
      const parts = [
        own('Hours a day', running.hoursPerDay, 'h/day', 'hoursPerDay'),
        own('Days a month', running.daysPerMonth, 'day', 'daysPerMonth'),
      ];
      const spells = hours.equals(24)
        ? null
        : {
            count: parts[1]!,
            hoursEach: own('Hours of one run', running.hoursPerDay, 'hour', 'hoursPerDay'),
          };
      return within(product('Hours run in the month', 'hour', parts), hoursInMonth, spells);
    }
    case 'weekdays': {
      const [hours, days] = [read(running.hoursPerDay), read(running.daysPerWeek)];
      const refused = dayFault(hours, days, 7);
      if (refused) return refused;
      const week = given('Hours of a week', decimal(WEEK_HOURS), 'hour');
      const perWeek = product('Hours a week', 'hour', [
        own('Hours a day', running.hoursPerDay, 'h/day', 'hoursPerDay'),
        own('Days a week', running.daysPerWeek, 'day', 'daysPerWeek'),
      ]);
      const share = quotient('Share of the week', '', [perWeek, week]);
      const count = product('Runs a month', 'run', [
        own('Days a week', running.daysPerWeek, 'day', 'daysPerWeek'),
        quotient('Weeks of the month', 'week', [month, week]),
      ]);
      // Days without a gap between them are one run, as in a drawn week.
      const spells = hours.equals(24)
        ? null
        : { count, hoursEach: own('Hours of one run', running.hoursPerDay, 'hour', 'hoursPerDay') };
      return within(product('Hours run in the month', 'hour', [month, share]), hoursInMonth, spells);
    }
    case 'asleep':
      return awakeHours(running, month, which, own);
    case 'runs': {
      const [count, minutes] = [read(running.perMonth), read(running.minutesEach)];
      if (count.isNegative() || minutes.isNegative()) return negative(`${count} × ${minutes} min`);
      const runs = own('Runs a month', running.perMonth, 'run', 'perMonth');
      const each = quotient('Hours each', 'hour', [
        own('Minutes each', running.minutesEach, 'minute', 'minutesEach'),
        given('Minutes of an hour', decimal(60), 'minute'),
      ]);
      const spells = { count: runs, hoursEach: each };
      return within(product('Hours run in the month', 'hour', [runs, each]), hoursInMonth, spells);
    }
    case 'week':
    case 'peaks':
    case 'autoscale':
      return ok(null);
    default:
      return assertNever(running);
  }
}

function awakeHours(
  running: Extract<Running, { pattern: 'asleep' }>,
  month: Figure,
  which: Case,
  own: Own,
): Result<HoursOf> {
  const share = decimal(readCase(running.share, which));
  if (share.isNegative() || share.greaterThan(1)) {
    return err(issue('share.out-of-range', ['running', 'share'], { share: share.toString() }));
  }
  const asleep = product('Asleep', 'hour', [
    month,
    own('Share of the month asleep', running.share, '', 'share'),
  ]);
  const awake = difference('Awake', 'hour', [month, asleep]);
  if (!running.wakeUps) return ok({ hours: awake, spells: null });
  const wakeUps = own('Wakings a month', running.wakeUps, 'waking', 'wakeUps');
  const idle = running.idleMinutes ?? inAllCases('0');
  const minutes = decimal(readCase(idle, which));
  if (wakeUps.value.isNegative() || minutes.isNegative()) return negative(wakeUps.value.toString());
  const delay = quotient('Idle delay', 'hour', [
    own('Idle minutes before sleep', idle, 'minute', 'idleMinutes'),
    given('Minutes of an hour', decimal(60), 'minute'),
  ]);
  const withDelay = sum('Awake, with the idle delay after each waking', 'hour', [
    awake,
    product('Idle before sleep', 'hour', [wakeUps, delay]),
  ]);
  const hours = least('Awake, at most the month', 'hour', [withDelay, month]);
  const spells = wakeUps.value.isZero()
    ? null
    : { count: wakeUps, hoursEach: quotient('Hours of one waking', 'hour', [hours, wakeUps]) };
  return ok({ hours, spells });
}

/** Unit-hours of a profile, by how long each number of units runs. */
function unitHours(profile: Profile, hoursInMonth: Decimal): Figure {
  const rows = levelsOf(profile.weeks)
    .filter((level) => !level.units.isZero())
    .map((level) => {
      const units = given('Units running', level.units, 'unit');
      return product(`${level.units} running`, 'hour', [units, hoursAtLevel(level, hoursInMonth)]);
    });
  const note = profile.short ? 'the ceiling is below what the load asks for' : undefined;
  return sum('Hours run in the month', 'hour', rows, note);
}

/**
 * Hours of the month for so many hours of the week.
 *
 * @example
 * hoursAtLevel({ weekHours: decimal('84') }, decimal('730')).value.toString(); // => '365'
 */
export function hoursAtLevel(level: Pick<Level, 'weekHours'>, hoursInMonth: Decimal): Figure {
  const month = given('Hours of the month', hoursInMonth, 'hour');
  if (level.weekHours.equals(WEEK_HOURS)) return month;
  const share = quotient('Share of the week', '', [
    given('Hours of the week at this level', level.weekHours, 'hour'),
    given('Hours of a week', decimal(WEEK_HOURS), 'hour'),
  ]);
  return product('Hours of the month at this level', 'hour', [month, share]);
}

function negative(amount: string): Result<never> {
  return err(issue('quantity.negative', ['running'], { amount }));
}

function dayFault(hours: Decimal, days: Decimal, most: number): Result<never> | null {
  if (hours.isNegative() || days.isNegative()) return negative(`${hours} h × ${days} d`);
  if (hours.greaterThan(24))
    return err(issue('hours.day-too-long', ['running'], { hours: hours.toString() }));
  if (!days.greaterThan(most)) return null;
  return err(issue('days.exceed-month', ['running'], { days: days.toString(), most: String(most) }));
}

function within(hours: Figure, hoursInMonth: Decimal, spells: Spells | null): Result<HoursOf> {
  if (!hours.value.greaterThan(hoursInMonth)) return ok({ hours, spells });
  const values = { hours: hours.value.toString(), month: hoursInMonth.toString() };
  return err(issue('hours.exceed-month', ['running'], values));
}
