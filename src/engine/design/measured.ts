/** What was measured: a pilot, a bill. Its range narrows to what the measuring leaves open, and the entry is marked. */
import { type Decimal, roundedUp } from '../base';
import { type Cased } from '../usage';
import type { Component } from './component';
import type { DesignEdit } from './edit-model';
import { fieldOfEntry, withCased } from './entries';

/**
 * A measured value that may be off by a share of it.
 *
 * @example
 * withMeasured(decimal('200'), decimal('0.1'), false); // => { likely: '200', lean: '180', heavy: '220' }
 */
export function withMeasured(value: Decimal, offBy: Decimal, whole: boolean): Cased {
  const kept = (each: Decimal): string => (whole ? roundedUp(each) : each).toString();
  const [lean, likely, heavy] = [value.minus(value.times(offBy)), value, value.times(offBy).plus(value)].map(
    kept,
  );
  return {
    likely: likely!,
    ...(lean === likely ? {} : { lean: lean! }),
    ...(heavy === likely ? {} : { heavy: heavy! }),
  };
}

/**
 * The edits that enter it: the value, the mark, and that it is no guess any more.
 *
 * @example
 * measuredEntryEdits(server, 'count', { likely: '3' }).map(({ edit }) => edit); // => ['set-component', 'set-component']
 */
export function measuredEntryEdits(component: Component, entry: string, value: Cased): DesignEdit[] {
  const changed = withCased(component, entry, value);
  if (!changed) return [];
  const { id } = component;
  const place = fieldOfEntry(entry);
  const set: DesignEdit =
    'meter' in place
      ? { edit: 'set-usage', id, meter: place.meter, value: changed.usage[place.meter]! }
      : ({ edit: 'set-component', id, field: place.field, value: changed[place.field] } as DesignEdit);
  const measured = [...new Set([...(component.measured ?? []), entry])];
  const guesses = component.guesses?.filter((each) => each !== entry);
  return [
    set,
    { edit: 'set-component', id, field: 'measured', value: measured },
    ...(guesses && guesses.length < component.guesses!.length
      ? [{ edit: 'set-component', id, field: 'guesses', value: guesses.length > 0 ? guesses : null } as const]
      : []),
  ];
}
