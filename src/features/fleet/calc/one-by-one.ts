/**
 * A design of a group with a line for each machine, by its name, in place of like machines counted together. Needs I16, L7.
 */
import type { Component, Section } from '@/engine/design';
import type { FleetCell } from './cell';

/** So many machines at most have a line each: a ledger is for people. */
export const MOST_ONE_BY_ONE = 200;

/** Where machines share hosts, or are too many, they stay together. */
export const mayStandAlone = ({ layout, machines }: FleetCell): boolean =>
  layout.placement.form.by !== 'hosts' && machines > 0 && machines <= MOST_ONE_BY_ONE;

/**
 * Disks, copies and traffic stay as they are: they are counted over all machines.
 *
 * @example
 * const placer = new Placer({ currency: 'USD', exchange: [], books: [book], systems: {} });
 * const here = defaultPlacement('p', 'Here', [{ book: 'small', region: 'severn' }]);
 * oneByOne(cellOf(placer, [{ id: 'a', name: 'A', machines: [] }], here).next().value).map(({ name }) => name); // => ['A']
 */
export function oneByOne({ design, layout }: FleetCell): Section[] {
  const onLine = new Map<string, string[]>();
  for (const { machine, portions } of layout.machines.values())
    for (const { line } of portions) {
      const names = onLine.get(line) ?? [];
      names.push(machine.name);
      onLine.set(line, names);
    }
  return design.sections.map((section) => ({
    ...section,
    components: section.components.flatMap((component): Component[] =>
      component.kind === 'server' || component.kind === 'dedicated-host'
        ? (onLine.get(component.id) ?? []).map((name, at) => ({
            ...component,
            id: `${component.id}-${at + 1}`,
            name,
            count: { likely: '1' },
          }))
        : [component],
    ),
  }));
}
