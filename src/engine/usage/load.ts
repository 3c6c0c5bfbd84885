/**
 * A load: what arrives at a component, and what follows from it. A person knows requests a second (or how many
 * viewers refresh how often), how long one takes, how large question and answer are, and how far connections are
 * reused; meters want connections, data an hour, requests and transfer a month. Every formula is a step of the trace.
 * Source: pricing rules, "Load curves"; needs H11 to H13, H18.
 */
import { decimal, err, issue, ok, ONE, type Result } from '../base';
import { entered, type EntryOf, type Figure, given, product, quotient, sum } from '../trace';
import { conversionFactor } from '../units';
import { type Case, type Cased, enteredIn, readCase } from './cased';
import { type Hour, sameAllWeek, windowWeek } from './week';

export interface SizedAmount {
  readonly amount: Cased;
  readonly unit: string;
}

/** What growth, season and campaigns make of a quantity in one month of a series. */
export interface Grown {
  readonly label: string;
  readonly factor: string;
  /** Marks the factor as an entry, for programs. */
  readonly input?: EntryOf;
}

/**
 * @example
 * timesGrown(given('Sent', decimal('300'), 'GB'), { label: 'Month 4', factor: '1.1' }).value.toString(); // => '330'
 */
export function timesGrown(figure: Figure, grown: Grown | undefined): Figure {
  if (!grown) return figure;
  return product(`${figure.label}, in this month`, figure.unit, [
    figure,
    grown.input
      ? entered(grown.label, decimal(grown.factor), '', grown.input)
      : given(grown.label, decimal(grown.factor), ''),
  ]);
}

/** When the load is `times` its usual height: from an hour of the day, for so many hours, on some weekdays. */
export interface LoadPeak {
  readonly times: Cased;
  /** 0 is Monday. */
  readonly days: readonly number[];
  readonly from: number;
  readonly hours: Cased;
}

export interface Load {
  readonly rate:
    | { readonly by: 'requests'; readonly perSecond: Cased }
    | { readonly by: 'viewers'; readonly viewers: Cased; readonly refreshSeconds: Cased };
  readonly peak?: LoadPeak | null;
  readonly secondsEach?: Cased | null;
  readonly requestSize?: SizedAmount | null;
  readonly replySize?: SizedAmount | null;
  /** How many requests one connection carries; absent: one. */
  readonly requestsPerConnection?: Cased | null;
  /** What a month of a series makes of the rate; never in a file. */
  readonly grown?: Grown;
}

/**
 * Requests a second outside the peak.
 *
 * @example
 * must(requestRate({ rate: { by: 'viewers', viewers: { likely: '300' }, refreshSeconds: { likely: '30' } } }, 'likely')).value.toString(); // => '10'
 */
export function requestRate(load: Load, which: Case, component: string | null = null): Result<Figure> {
  if (load.rate.by === 'requests') {
    return ok(
      timesGrown(
        leaf('Requests a second', load.rate.perSecond, 'request/s', 'perSecond', which, component),
        load.grown,
      ),
    );
  }
  const refresh = decimal(readCase(load.rate.refreshSeconds, which));
  if (!refresh.isPositive() || refresh.isZero()) {
    return err(issue('load.incomplete', ['load'], { what: 'the refresh interval' }));
  }
  const { viewers: many, refreshSeconds } = load.rate;
  const viewers = leaf('Viewers', many, 'viewer', 'viewers', which, component);
  const interval = leaf('Each refreshes every', refreshSeconds, 'second', 'refreshSeconds', which, component);
  return ok(timesGrown(quotient('Requests a second', 'request/s', [viewers, interval]), load.grown));
}

/** Whose load it is: what was entered is marked so in the figures; null: nobody's. */
function leaf(
  label: string,
  value: Cased,
  unit: string,
  entry: string,
  which: Case,
  component: string | null,
): Figure {
  return component === null
    ? given(label, decimal(readCase(value, which)), unit)
    : enteredIn(value, which, { label, unit, input: { component, entry: `load/${entry}` } });
}

/** What follows from a rate of requests while it lasts. */
export type LoadDimension = 'requests' | 'new-connections' | 'open-connections' | 'data';

export const LOAD_DIMENSIONS: Readonly<Record<LoadDimension, string>> = {
  requests: 'request/s',
  'new-connections': 'item/s',
  'open-connections': 'item',
  data: 'GB',
};

/**
 * One dimension at a rate. New connections = rate ÷ requests per connection; open = rate × seconds each; data per
 * hour = rate × (question + answer) × 3 600. Refused with `load.incomplete`, naming what is missing.
 *
 * @example
 * const load = { rate: { by: 'requests', perSecond: { likely: '50' } }, secondsEach: { likely: '0.2' } };
 * must(loadDimension('open-connections', load, must(requestRate(load, 'likely')), 'likely')).value.toString(); // => '10'
 */
export function loadDimension(
  dimension: LoadDimension,
  load: Load,
  rate: Figure,
  which: Case,
): Result<Figure> {
  switch (dimension) {
    case 'requests':
      return ok(rate);
    case 'new-connections': {
      const reuse = load.requestsPerConnection ? decimal(readCase(load.requestsPerConnection, which)) : ONE;
      if (!reuse.greaterThan(0)) return incomplete('requests per connection');
      const each = given('Requests on one connection', reuse, 'request');
      return ok(quotient('New connections a second', 'item/s', [rate, each]));
    }
    case 'open-connections': {
      if (!load.secondsEach) return incomplete('how long one request takes');
      const seconds = given('One takes', decimal(readCase(load.secondsEach, which)), 'second');
      return ok(product('Open at once', 'item', [rate, seconds]));
    }
    case 'data': {
      const each = bytesEach(load, which, 'both');
      if (!each.ok) return each;
      const seconds = given('Seconds of an hour', decimal(3600), 'second');
      return ok(product('Data an hour', 'GB', [rate, each.value, seconds]));
    }
  }
}

/**
 * GB of one exchange: `both` ways, or only the `reply`.
 *
 * @example
 * const load = { rate: { by: 'requests', perSecond: { likely: '50' } }, requestSize: { amount: { likely: '2' }, unit: 'kB' }, replySize: { amount: { likely: '8' }, unit: 'kB' } };
 * must(bytesEach(load, 'likely', 'both')).value.toString(); // => '0.00001'
 */
export function bytesEach(
  load: Load,
  which: Case,
  way: 'both' | 'reply',
  component: string | null = null,
): Result<Figure> {
  const sizes = [
    ...(way === 'both' && load.requestSize ? [['Question', load.requestSize, 'requestSize'] as const] : []),
    ...(load.replySize ? [['Answer', load.replySize, 'replySize'] as const] : []),
  ];
  if (sizes.length === 0)
    return incomplete(way === 'reply' ? 'the size of an answer' : 'question and answer sizes');
  const figures: Figure[] = [];
  for (const [label, size, entry] of sizes) {
    const factor = conversionFactor(size.unit, 'GB');
    if (!factor.ok) return factor;
    const amount = leaf(label, size.amount, size.unit, entry, which, component);
    figures.push(
      product(`${label} in GB`, 'GB', [amount, given(`1 ${size.unit} in GB`, factor.value, 'GB each')]),
    );
  }
  return ok(figures.length === 1 ? figures[0]! : sum('Data of one exchange', 'GB', figures));
}

function incomplete(what: string): Result<never> {
  return err(issue('load.incomplete', ['load'], { what }));
}

/**
 * How high the load is in each hour of the week, as a multiple of its usual height. Refused: a peak above a day.
 *
 * @example
 * must(loadShape({ rate: { by: 'requests', perSecond: { likely: '50' } } }, 'likely')).length; // => 168
 */
export function loadShape(load: Load, which: Case): Result<readonly Hour[]> {
  const { peak } = load;
  if (!peak) return ok(sameAllWeek(ONE));
  const hours = decimal(readCase(peak.hours, which));
  if (hours.greaterThan(24)) {
    return err(issue('hours.day-too-long', ['load', 'peak', 'hours'], { hours: hours.toString() }));
  }
  const inside = decimal(readCase(peak.times, which));
  return ok(windowWeek(peak.days, peak.from, hours, { outside: ONE, inside }));
}
