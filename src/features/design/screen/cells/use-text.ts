/**
 * The one "use" cell of a row as text: running hours for servers ("always", "300 h", "10 h × 22 d"), the main
 * quantity with its unit for everything else ("500 GiB"). Reading gives the edit or a sentence.
 */
import { type Decimal, err, issue, ok, parseDecimal, type Result } from '@/engine/base';
import { mainMeter } from '@/engine/books';
import type { Component, Edit, UsageEntry } from '@/engine/design';
import { describeRunning, describeUse, usesRunning } from '@/features/design/words';
import { writeNumber } from '@/platform/words';
import { convertQuantity, readQuantity } from '@/engine/units';
import { CASES, type Cased, type Running, runningHours, inAllCases } from '@/engine/usage';
import { casedText, partsOf, readCased } from './cases-text';
import { readAmount, readWhole } from './number-text';

export function textOfUse(component: Component): string {
  if (usesRunning(component)) return describeRunning(component.running);
  const meter = mainMeter(component.kind);
  if (!meter) return describeUse(component);
  const entry = component.usage[meter.meter];
  return entry ? `${writeNumber(entry.amount.likely)} ${entry.unit}` : '';
}

/** The same text as it is edited: with its range, where there is one. */
export function editTextOfUse(component: Component): string {
  const { running } = component;
  if (usesRunning(component)) {
    return running.pattern === 'hours'
      ? `${casedText(running.hoursPerMonth, (value) => writeNumber(value, undefined, 18))} h`
      : describeRunning(running);
  }
  const meter = mainMeter(component.kind);
  const entry = meter && component.usage[meter.meter];
  return entry
    ? `${casedText(entry.amount, (value) => writeNumber(value, undefined, 18))} ${entry.unit}`
    : textOfUse(component);
}

/** The edit that a typed text means. Ranges stay where the text does not speak of them. */
export function readUse(component: Component, text: string, monthHours: Decimal): Result<Edit> {
  if (usesRunning(component)) return readRunning(component, text, monthHours);
  const meter = mainMeter(component.kind);
  if (!meter) return err(issue('use.in-margin'));
  const current = component.usage[meter.meter];
  const unit = unitOf(text, current?.unit ?? meter.enteredIn);
  if (!unit.ok) return unit;
  const before = current && { likely: '0', ...rangeInUnit(current, unit.value) };
  const amount = readCased(text, before, readAmount(unit.value));
  if (!amount.ok) return amount;
  const { sizes: _, ...rest } = current ?? {};
  const value: UsageEntry = { ...rest, amount: amount.value, unit: unit.value };
  return ok({ edit: 'set-usage', id: component.id, meter: meter.meter, value });
}

/** The unit that is typed: that of the likely value, of a range the last. */
function unitOf(text: string, usual: string): Result<string> {
  const parts = partsOf(text);
  if (!parts) return err(issue('range.parts'));
  const quantity = readQuantity(parts[1] ?? parts[0], usual);
  return quantity.ok ? ok(quantity.value.unit) : quantity;
}

/** The amount as it was, in the unit that is used from now on. */
function rangeInUnit(current: UsageEntry, unit: string): Partial<Cased> {
  const likely = convertedText(current.amount.likely, current.unit, unit);
  return { ...(likely === undefined ? {} : { likely }), ...keptRange(current, unit) };
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
  const running =
    plain === 'always' || plain === ''
      ? ok<Running>({ pattern: 'always' })
      : readHours(plain, component.running);
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

function readHours(text: string, before: Running): Result<Running> {
  const daily = /^([-\d.,]+)\s*h?(?:ours?)?\s*[x×*]\s*([-\d.,]+)\s*(?:d|days?)?$/.exec(text);
  if (daily) {
    const hours = readQuantity(daily[1]!, 'hour');
    if (!hours.ok) return hours;
    const days = readQuantity(daily[2]!, 'day');
    if (!days.ok) return days;
    return ok({
      pattern: 'days',
      hoursPerDay: inAllCases(hours.value.amount.toString()),
      daysPerMonth: inAllCases(days.value.amount.toString()),
    });
  }
  const known = before.pattern === 'hours' ? before.hoursPerMonth : null;
  const hours = readCased(text, known, readAmount('hour'));
  return hours.ok ? ok({ pattern: 'hours', hoursPerMonth: hours.value }) : hours;
}

/** A count as typed: whole, not negative. */
export function readCount(component: Component, text: string): Result<Edit> {
  const value = readCased(text, component.count, readWhole, true);
  return value.ok
    ? ok({ edit: 'set-component', id: component.id, field: 'count', value: value.value })
    : value;
}
