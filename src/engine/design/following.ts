/**
 * Entries that follow a driver: what a formula gives is written into the entry, lean, likely and heavy, whenever the
 * formula or a driver changes. So whoever reads an entry reads what it comes to. Source: pricing rules, "Load curves".
 */
import { err, type Issue, ok, type Result } from '../base';
import {
  type Driver,
  type Filled,
  formulaSteps,
  isOwnThing,
  parseFormula,
  readMeasure,
  scaleBetween,
} from '../drivers';
import type { Figure } from '../trace';
import { type Case, type Cased } from '../usage';
import type { Component } from './component';
import type { Design } from './design';
import type { DesignEdit } from './edit-model';
import { entriesOf, type EntryHead, fieldOfEntry, withCased } from './entries';

/** Digits after the point that a file keeps. */
const KEPT_PLACES = 18;

export interface FollowingEntry extends EntryHead {
  readonly formula: string;
}

const known = new WeakMap<Component, readonly FollowingEntry[]>();

/**
 * The entries of a component that follow a formula.
 *
 * @example
 * followingOf({ ...server, count: { likely: '3', formula: 'ceil(users / 50[user])' } })[0]!.entry; // => 'count'
 */
export function followingOf(component: Component): readonly FollowingEntry[] {
  const before = known.get(component);
  if (before) return before;
  const found = entriesOf(component).flatMap(({ value, ...head }): FollowingEntry[] =>
    value.formula === undefined ? [] : [{ ...head, formula: value.formula }],
  );
  known.set(component, found);
  return found;
}

/**
 * What a formula gives for an entry, in one case, with its steps. Refused with `formula.*`.
 *
 * @example
 * must(stepsFor({ entry: 'count', label: 'Count', unit: '', whole: true, formula: '7 / 2' }, [], 'likely')).value.toString(); // => '4'
 */
export function stepsFor(
  { formula: text, label, unit, whole }: Filled & { readonly formula: string },
  drivers: readonly Driver[],
  which: Case,
): Result<Figure> {
  const formula = parseFormula(text);
  return formula.ok ? formulaSteps(formula.value, drivers, which, { label, unit, whole }) : formula;
}

/**
 * The value of an entry that follows a formula: what it gives in each case. Refused with `formula.*`.
 *
 * @example
 * const users = { name: 'users', title: 'Users', unit: 'user', value: { likely: '200', heavy: '400' }, from: '1', to: '900', scale: 'linear' };
 * must(followed({ label: 'Count', unit: '', whole: true, formula: 'users / 150[user]' }, [users])); // => { likely: '2', heavy: '3', formula: 'users / 150[user]' }
 */
export function followed(
  entry: Filled & { readonly formula: string },
  drivers: readonly Driver[],
): Result<Cased> {
  const values: string[] = [];
  for (const which of ['lean', 'likely', 'heavy'] as const) {
    const steps = stepsFor(entry, drivers, which);
    if (!steps.ok) {
      const { issue: why } = steps;
      return err({ ...why, values: { ...why.values, case: which } });
    }
    values.push(steps.value.value.toDecimalPlaces(KEPT_PLACES).toString());
  }
  const [lean, likely, heavy] = values as [string, string, string];
  return ok({
    likely,
    ...(lean === likely ? {} : { lean }),
    ...(heavy === likely ? {} : { heavy }),
    formula: entry.formula,
  });
}

/** With every formula worked out; the same object where nothing differs. What cannot be worked out stays as it is. */
function inStep(component: Component, drivers: readonly Driver[]): Component {
  let current = component;
  for (const entry of followingOf(component)) {
    const value = followed(entry, drivers);
    if (!value.ok) continue;
    const before = entriesOf(current).find((each) => each.entry === entry.entry)!.value;
    const { likely, lean, heavy } = value.value;
    if (before.likely === likely && before.lean === lean && before.heavy === heavy) continue;
    current = withCased(current, entry.entry, value.value) ?? current;
  }
  return current;
}

/**
 * The design with every formula worked out; what did not change is the same object.
 *
 * @example
 * designInStep(design) === design; // => true
 */
export function designInStep(design: Design): Design {
  const drivers = design.assumptions.drivers ?? [];
  let moved = false;
  const sections = design.sections.map((section) => {
    const components = section.components.map((each) => inStep(each, drivers));
    if (components.every((each, at) => each === section.components[at])) return section;
    moved = true;
    return { ...section, components };
  });
  return moved ? { ...design, sections } : design;
}

/** A formula that gives nothing, and where it stands. */
export interface FormulaFault {
  readonly component: string;
  readonly entry: string;
  readonly issue: Issue;
}

/**
 * Every formula that cannot be worked out.
 *
 * @example
 * formulaFaults(design); // => []
 */
export function formulaFaults(design: Design): FormulaFault[] {
  const drivers = design.assumptions.drivers ?? [];
  return design.sections.flatMap(({ components }) =>
    components.flatMap((component) =>
      followingOf(component).flatMap((entry): FormulaFault[] => {
        const value = followed(entry, drivers);
        return value.ok ? [] : [{ component: component.id, entry: entry.entry, issue: value.issue }];
      }),
    ),
  );
}

/**
 * The edits by which an entry follows a formula; null takes the formula away and leaves what it came to.
 *
 * @example
 * followEdits(server, 'count', 'ceil(users / 50[user])', [])[0]!.edit; // => 'set-component'
 */
export function followEdits(
  component: Component,
  entry: string,
  formula: string | null,
  drivers: readonly Driver[],
): DesignEdit[] {
  const known = entriesOf(component).find((each) => each.entry === entry);
  if (!known) return [];
  const { formula: _, steps: __, ...plain } = known.value;
  const worked = formula === null ? null : followed({ ...known, formula }, drivers);
  const value: Cased = formula === null ? plain : worked?.ok ? worked.value : { ...plain, formula };
  const changed = withCased(component, entry, value);
  if (!changed) return [];
  const place = fieldOfEntry(entry);
  const { id } = component;
  if ('meter' in place) {
    return [{ edit: 'set-usage', id, meter: place.meter, value: changed.usage[place.meter]! }];
  }
  return [{ edit: 'set-component', id, field: place.field, value: changed[place.field] } as DesignEdit];
}

/**
 * Formulas that are often meant, for an entry and a driver.
 *
 * @example
 * const users = { name: 'users', title: 'Users', unit: 'user', value: { likely: '200' }, from: '1', to: '900', scale: 'linear' };
 * usualFormulas({ entry: 'count', label: 'Count', unit: '', whole: true }, users); // => ['ceil(users / 100[user])']
 */
export function usualFormulas({ unit, whole }: EntryHead, driver: Driver): string[] {
  const { name, unit: by } = driver;
  const measured = readMeasure(by);
  if (scaleBetween(measured, readMeasure(unit))) return [name, `${name} * 0.5`];
  if (whole || unit === '') {
    return by === '' || isOwnThing(measured) ? [name, `ceil(${name} / 2)`] : [`ceil(${name} / 100[${by}])`];
  }
  const each = `${unit}/${by === '' ? '1' : by}`;
  const request = scaleBetween(measured, readMeasure('request'));
  const isData = scaleBetween(readMeasure(unit), readMeasure('GB')) !== null;
  // Transfer is requests times the size of an answer.
  if (request && isData) return [`${name} * 20[kB/request]`];
  return [`${name} * 1[${by === '' ? unit : each}]`];
}
