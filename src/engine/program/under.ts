/** From values of entries to the conditions that the engine is asked under. */
import { Decimal } from '../base';
import type { Component } from '../design';
import { DRIVERS, TRAFFIC } from '../drivers';
import type { Conditions } from '../pricing';
import type { EntryOf } from '../trace';
import { withEntry } from './entries';

/**
 * Entries with other values, as conditions of the likely case. An entry that is not there is left out.
 *
 * @example
 * underEntries([{ component: 'a', entry: 'count' }], ['3'], new Map([['a', server]])).instead?.get('a')?.count.likely; // => '3'
 */
export function underEntries(
  entries: readonly EntryOf[],
  values: ArrayLike<number | string>,
  components: ReadonlyMap<string, Component>,
): Conditions {
  const instead = new Map<string, Component>();
  const drivers = new Map<string, Decimal>();
  let load: Decimal | undefined;
  entries.forEach(({ component: id, entry }, at) => {
    const value = new Decimal(values[at]!);
    if (id === DRIVERS) {
      if (entry === TRAFFIC) load = value;
      else drivers.set(entry, value);
      return;
    }
    const component = instead.get(id) ?? components.get(id);
    const changed = component && withEntry(component, entry, value.toString());
    if (changed) instead.set(id, changed);
  });
  return { case: 'likely', instead, drivers, ...(load ? { load } : {}) };
}
