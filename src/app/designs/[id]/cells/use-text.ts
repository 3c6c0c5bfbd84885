/**
 * The one "use" cell of a row as text: running hours for servers ("always", "300 h", "10 h × 22 d"), the main
 * quantity with its unit for everything else ("500 GiB"). Reading gives the edit or a sentence.
 */
import { type Decimal, err, issue, ok, parseDecimal, type Result } from '@/core/base';
import { mainMeter } from '@/core/books';
import type { Component, Edit, UsageEntry } from '@/core/design';
import { describeRunning, describeUse, usesRunning, writeNumber } from '@/core/display';
import { convertQuantity, readQuantity } from '@/core/units';
import { CASES, type Cased, type Running, runningHours, sure, withLikely } from '@/core/usage';

export function textOfUse(component: Component): string {
  if (usesRunning(component)) return describeRunning(component.running);
  const meter = mainMeter(component.kind);
  if (!meter) return describeUse(component);
  const entry = component.usage[meter.meter];
  return entry ? `${writeNumber(entry.amount.likely)} ${entry.unit}` : '';
}

/** The edit that a typed text means. Ranges stay where the text does not speak of them. */
export function readUse(component: Component, text: string, monthHours: Decimal): Result<Edit> {
  if (usesRunning(component)) return readRunning(component, text, monthHours);
  const meter = mainMeter(component.kind);
  if (!meter) return err(issue('use.in-margin'));
  const current = component.usage[meter.meter];
  const quantity = readQuantity(text, current?.unit ?? meter.enteredIn);
  if (!quantity.ok) return quantity;
  const { amount, unit } = quantity.value;
  const { sizes: _, ...rest } = current ?? {};
  const value: UsageEntry = {
    ...rest,
    amount: withLikely(rangeInUnit(current, unit, amount.toString()), amount.toString()),
    unit,
  };
  return ok({ edit: 'set-usage', id: component.id, meter: meter.meter, value });
}

/** The amount as it was, in the unit that is used from now on; of what was not there, the typed one. */
function rangeInUnit(current: UsageEntry | undefined, unit: string, typed: string): Cased {
  const before = current ? convertedText(current.amount.likely, current.unit, unit) : undefined;
  return { likely: before ?? typed, ...keptRange(current, unit) };
}

/** Lean and heavy as they were, in the unit that is used from now on. */
export function keptRange(current: UsageEntry | undefined, unit: string): Omit<Cased, 'likely'> {
  if (!current) return {};
  const { lean, heavy } = current.amount;
  return {
    lean: convertedText(lean, current.unit, unit),
    heavy: convertedText(heavy, current.unit, unit),
  };
}

function convertedText(text: string | undefined, from: string, to: string): string | undefined {
  if (text === undefined) return undefined;
  const amount = parseDecimal(text);
  const converted = amount.ok ? convertQuantity({ amount: amount.value, unit: from }, to) : amount;
  return converted.ok ? converted.value.amount.toDecimalPlaces(18).toString() : undefined;
}

function readRunning(component: Component, text: string, monthHours: Decimal): Result<Edit> {
  const plain = text.trim().toLowerCase();
  const running = plain === 'always' || plain === '' ? ok<Running>({ pattern: 'always' }) : readHours(plain);
  return running.ok ? runningEdit(component, running.value, monthHours) : running;
}

/** The edit for a running pattern, refused if it does not fit into the month in any case. */
export function runningEdit(component: Component, running: Running, monthHours: Decimal): Result<Edit> {
  for (const which of CASES) {
    const hours = runningHours(running, monthHours, which, component.load ?? null);
    if (!hours.ok) return hours;
  }
  return ok({ edit: 'set-component', id: component.id, field: 'running', value: running });
}

function readHours(text: string): Result<Running> {
  const daily = /^([-\d.,]+)\s*h?(?:ours?)?\s*[x×*]\s*([-\d.,]+)\s*(?:d|days?)?$/.exec(text);
  if (daily) {
    const hours = readQuantity(daily[1]!, 'hour');
    if (!hours.ok) return hours;
    const days = readQuantity(daily[2]!, 'day');
    if (!days.ok) return days;
    return ok({
      pattern: 'days',
      hoursPerDay: sure(hours.value.amount.toString()),
      daysPerMonth: sure(days.value.amount.toString()),
    });
  }
  const hours = readQuantity(text, 'hour');
  if (!hours.ok) return hours;
  const inHours = convertQuantity(hours.value, 'hour');
  if (!inHours.ok) return inHours;
  return ok({ pattern: 'hours', hoursPerMonth: sure(inHours.value.amount.toString()) });
}

/** A count as typed: whole, not negative. */
export function readCount(component: Component, text: string): Result<Edit> {
  const count = readQuantity(text, 'request');
  if (!count.ok) return count;
  if (!count.value.amount.isInteger())
    return err(issue('count.not-whole', [], { count: text.trim().slice(0, 40) }));
  if (count.value.amount.greaterThan(1_000_000)) {
    return err(issue('quantity.too-large', [], { amount: text.trim().slice(0, 40) }));
  }
  const value = withLikely(component.count, count.value.amount.toString());
  return ok({ edit: 'set-component', id: component.id, field: 'count', value });
}
