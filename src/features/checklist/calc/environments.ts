/** Environments beside production: by which names they are known, how long they run, how one is copied. Need A7. */
import { decimal } from '@/engine/base';
import type { Component, Section } from '@/engine/design';
import { mapCased } from '@/engine/usage';

export const OFFICE_HOURS: Component['running'] = {
  pattern: 'days',
  hoursPerDay: { likely: '10' },
  daysPerMonth: { likely: '22' },
};
/** Names of sections that are not production. */
export const NON_PRODUCTION = /stag|test|dev|non-?prod|accept|sandbox|trial|qa\b/i;

export interface EnvironmentWish {
  readonly name: string;
  /** Of the counts and quantities: "0.3". Counts stay whole and at least one. */
  readonly share: string;
  /** Null: as in the original. */
  readonly running: Component['running'] | null;
  readonly newId: () => string;
}

/**
 * A section as another environment: fewer of everything, perhaps not always on, and paid on demand. Need A7.
 *
 * @example
 * environmentOf(design.sections[0]!, { name: 'Test', share: '0.5', running: null, newId: () => 'copy' }).components[0]!.count.likely; // => '1'
 */
export function environmentOf(section: Section, { name, share, running, newId }: EnvironmentWish): Section {
  const factor = decimal(share);
  const fewer = (text: string): string => {
    const count = decimal(text).times(factor).ceil();
    return decimal(text).isZero() ? '0' : (count.lessThan(1) ? decimal('1') : count).toString();
  };
  const less = (text: string): string => decimal(text).times(factor).toString();
  return {
    ...(section.place ? { place: section.place } : {}),
    id: newId(),
    name,
    components: section.components.map((component): Component => {
      const { committed: _, ...rest } = component;
      // Several machines become fewer; the one thing there is only once becomes smaller.
      const several = decimal(component.count.likely).greaterThan(1);
      const stops = running !== null && component.running.pattern === 'always';
      return {
        ...rest,
        id: newId(),
        count: several ? mapCased(component.count, fewer) : component.count,
        running: stops ? running : component.running,
        term: stops ? 'on-demand' : component.term,
        usage: Object.fromEntries(
          Object.entries(component.usage).map(([meter, entry]) => [
            meter,
            several || entry.sizes ? entry : { ...entry, amount: mapCased(entry.amount, less) },
          ]),
        ),
      };
    }),
  };
}
