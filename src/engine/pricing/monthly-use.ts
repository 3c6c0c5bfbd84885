/** What meters of a month's use bill: entered, or worked out from the component's load; in started chunks where the rate says so. */
import { addAll, decimal, type Decimal, err, issue, type Issue, ok, type Result } from '../base';
import { kindOf } from '../books';
import type { Component, UsageEntry } from '../design';
import { type Figure, given, product } from '../trace';
import { unitOf } from '../units';
import {
  enteredIn,
  atLeastIfAny,
  billedChunks,
  billedSize,
  bytesEach,
  type Cased,
  loadShape,
  readCase,
  requestRate,
  sideBySide,
  timesGrown,
  WEEK_HOURS,
} from '../usage';
import {
  convertFigure,
  countedUnits,
  type MeterContext,
  type MeterUse,
  minimumNotices,
} from './meter-context';

export function monthlyUse(context: MeterContext): Result<MeterUse | null> {
  const { meter, rate } = context;
  const whole = enteredOrDerived(context);
  if (!whole.ok || whole.value === null) {
    if (!whole.ok || !meter.required) return whole as Result<null>;
    return err(issue('usage.missing', ['usage', meter.meter], { meter: meter.label }));
  }
  const notices: Issue[] = [];
  const billed = inChunks(context, whole.value, notices);
  if (!billed.ok) return billed;
  const quantity = convertFigure(billed.value, rate.unit);
  if (!quantity.ok) return quantity;
  const units = countedUnits(context);
  const least = rate.minimums?.each;
  const raised = least
    ? atLeastIfAny('Each, at least', quantity.value, least.times(units.value))
    : quantity.value;
  notices.push(...minimumNotices(context, quantity.value, raised));
  return ok({ quantity: raised, notices });
}

/** For all units. An entered value is for one unit, the load for the whole component. */
function enteredOrDerived(context: MeterContext): Result<Figure | null> {
  const { component, meter, case: which } = context;
  const entry = component.usage[meter.meter];
  if (!entry) return component.load && meter.derived ? derived(context) : ok(null);
  const amount = decimal(readCase(entry.amount, which));
  if (amount.isNegative()) {
    return err(issue('quantity.negative', ['usage', meter.meter], { amount: amount.toString() }));
  }
  const input = { component: component.id, entry: `usage/${meter.meter}` };
  const leaf = enteredIn(entry.amount, which, { label: `${meter.label}, each`, unit: entry.unit, input });
  const each = timesGrown(leaf, entry.grown);
  return ok(product('For all units', entry.unit, [countedUnits(context), each]));
}

/** Requests = rate × seconds; transfer = requests × size of one exchange. Needs H12, H18. */
function derived(context: MeterContext): Result<Figure> {
  const { component, meter, case: which } = context;
  const load = component.load!;
  const requests = monthlyRequests(context);
  if (!requests.ok || meter.derived === 'monthly-requests') return requests;
  const way = meter.derived === 'reply-transfer' ? 'reply' : 'both';
  const each = bytesEach(load, which, way, marked(component));
  if (!each.ok) return each;
  return ok(product('Moved in the month', 'GB', [requests.value, each.value]));
}

/** Whose load it is in traces; null where units follow it hour by hour, which no formula of the month can. */
function marked({ id, kind, running }: Component): string | null {
  const byHour =
    running.pattern === 'autoscale' || kindOf(kind).meters.some(({ from }) => from === 'capacity');
  return byHour ? null : id;
}

function monthlyRequests({ component, time, hoursInMonth, case: which }: MeterContext): Result<Figure> {
  const load = component.load!;
  const rate = requestRate(load, which, marked(component));
  if (!rate.ok) return rate;
  const shape = loadShape(load, which);
  if (!shape.ok) return shape;
  const total = addAll(
    sideBySide(shape.value, time.profile.weeks)
      .filter(({ b: units }) => !units.isZero())
      .map(({ weekHours, a: height }) => height.times(weekHours)),
  );
  const seconds = product('Seconds of the month', 'second', [
    given('Hours of the month', hoursInMonth, 'hour'),
    given('Seconds of an hour', decimal(3600), 'second'),
  ]);
  const mean = total.dividedBy(WEEK_HOURS);
  const height = given('Mean height of the load', mean, '', 'over the 168 hours, while it runs');
  return ok(product('Requests in the month', 'request', [rate.value, seconds, height]));
}

function inChunks(context: MeterContext, events: Figure, notices: Issue[]): Result<Figure> {
  const { rate, meter } = context;
  if (!rate.increment) return ok(events);
  const each = eventSize(context);
  if (!each) {
    notices.push(issue('increment.size-unknown', ['usage', meter.meter], { meter: meter.label }));
    return ok(events);
  }
  return billedChunks(events, each, rate.increment);
}

/** What one event carries: entered with the meter, or the load's question and answer. */
function eventSize({ component, meter, case: inCase }: MeterContext): Figure | null {
  const entry: UsageEntry | undefined = component.usage[meter.meter];
  const { requestSize, replySize } = component.load ?? {};
  const size = entry?.each ?? requestSize ?? replySize;
  if (!size) return null;
  const which = entry?.each ? `each/${meter.meter}` : requestSize ? 'load/requestSize' : 'load/replySize';
  const owner = entry?.each ? component.id : marked(component);
  const as = { label: 'Size of one', unit: size.unit };
  return owner === null
    ? given(as.label, decimal(readCase(size.amount, inCase)), as.unit)
    : enteredIn(size.amount, inCase, { ...as, input: { component: owner, entry: which } });
}

/** Events × how long each runs × the size it runs at. Needs F4, K2. */
export function runsUse(context: MeterContext): Result<MeterUse> {
  const { component, meter, rate, case: which } = context;
  const missing = (what: string): Result<never> =>
    err(issue('usage.missing', ['usage', meter.meter], { meter: what }));
  const entry = component.usage[meter.meter];
  const requests = component.usage.requests;
  const events = entry ?? requests;
  let total: Figure;
  if (events) {
    const input = { component: component.id, entry: `usage/${entry ? meter.meter : 'requests'}` };
    const runs = enteredIn(events.amount, which, { label: 'Runs, each unit', unit: events.unit, input });
    const each = timesGrown(runs, events.grown);
    const inOnes = convertFigure(each, 'request');
    if (!inOnes.ok) return inOnes;
    total = product('Runs of all units', 'request', [countedUnits(context), inOnes.value]);
  } else if (component.load) {
    const derivedRuns = monthlyRequests(context);
    if (!derivedRuns.ok) return derivedRuns;
    total = derivedRuns.value;
  } else return missing(meter.label);
  const duration = durationOf(context, entry);
  if (!duration) return missing('How long one runs');
  const billed = rate.increment ? billedSize(duration, rate.increment) : ok(duration);
  if (!billed.ok) return billed;
  const seconds = convertFigure(billed.value, 'second');
  if (!seconds.ok) return seconds;
  const parts: Figure[] = [total, seconds.value];
  const size = sizeFor(context);
  if (!size.ok) return size;
  if (size.value) parts.push(size.value);
  const unit = size.value ? `${size.value.unit}-second` : 'second';
  const quantity = convertFigure(product('Run time of all', unit, parts), rate.unit);
  if (!quantity.ok) return quantity;
  const least = rate.minimums?.each?.times(countedUnits(context).value);
  const raised = least ? atLeastIfAny('Each, at least', quantity.value, least) : quantity.value;
  return ok({ quantity: raised, notices: minimumNotices(context, quantity.value, raised) });
}

function durationOf(
  { component, meter, case: which }: MeterContext,
  entry: UsageEntry | undefined,
): Figure | null {
  const one = (value: Cased, unit: string, name: string, owner: string | null): Figure => {
    const input = { component: owner ?? '', entry: name };
    return owner === null
      ? given('One runs', decimal(readCase(value, which)), unit)
      : enteredIn(value, which, { label: 'One runs', unit, input });
  };
  if (entry?.each) return one(entry.each.amount, entry.each.unit, `each/${meter.meter}`, component.id);
  const seconds = component.load?.secondsEach;
  return seconds ? one(seconds, 'second', 'load/secondsEach', marked(component)) : null;
}

/** The size that the rate is per: memory, vCPU, or none. */
function sizeFor({ component, offer, rate, case: which }: MeterContext): Result<Figure | null> {
  const unit = unitOf(rate.unit);
  if (!unit.ok) return unit;
  const what =
    unit.value.dimension === 'data-time' ? 'memory' : unit.value.dimension === 'vCPU-time' ? 'vcpu' : null;
  if (!what) return ok(null);
  const size: Decimal | null = component.size ? decimal(readCase(component.size[what], which)) : offer[what];
  if (!size) return err(issue('size.missing', ['size'], { what: what === 'memory' ? 'Memory' : 'vCPU' }));
  return ok(what === 'memory' ? given('Memory', size, 'GiB') : given('vCPU', size, 'vCPU'));
}

/** Money committed for every hour of the month. */
export function perHourUse(context: MeterContext): Result<MeterUse> {
  const { component, meter, count, hoursInMonth, case: which } = context;
  const entry = component.usage[meter.meter];
  if (!entry) return err(issue('usage.missing', ['usage', meter.meter], { meter: meter.label }));
  const amount = decimal(readCase(entry.amount, which));
  if (amount.isNegative())
    return err(issue('quantity.negative', ['usage', meter.meter], { amount: amount.toString() }));
  const quantity = product('Committed in the month', 'money-hour', [
    count,
    given(meter.label, amount, 'money'),
    given('Hours of the month', hoursInMonth, 'hour', 'paid whether used or not'),
  ]);
  return ok({ quantity, notices: [] });
}
