/** What of a design is not known exactly: its drivers, and entries with a range that follow none. */
import { allComponents, type Design, entriesOf } from '@/engine/design';
import { DRIVERS } from '@/engine/drivers';
import { type Cased, isRanged } from '@/engine/usage';
import type { UncertainInput } from './model';

/**
 * Drivers first: what follows them moves with them.
 *
 * @example
 * uncertainInputs({ ...design, sections: [{ id: 's', name: 'S', components: [{ ...server, count: { likely: '2', heavy: '5' } }] }] })[0]!.label; // => 'Count of “Component a”'
 */
export function uncertainInputs(design: Design): UncertainInput[] {
  const drivers = (design.assumptions.drivers ?? []).flatMap(({ name, title, unit, value, measured }) =>
    isRanged(value)
      ? [
          {
            component: DRIVERS,
            entry: name,
            label: title,
            unit,
            whole: false,
            known: measured ? ('measured' as const) : null,
            ...casesOfInput(value),
          },
        ]
      : [],
  );
  const entries = allComponents(design).flatMap((component) =>
    entriesOf(component).flatMap(({ entry, label, unit, value, whole }): UncertainInput[] =>
      isRanged(value) && value.formula === undefined
        ? [
            {
              component: component.id,
              entry,
              label: `${label} of “${component.name}”`,
              unit,
              whole,
              known: component.measured?.includes(entry)
                ? 'measured'
                : component.guesses?.includes(entry)
                  ? 'guess'
                  : null,
              ...casesOfInput(value),
            },
          ]
        : [],
    ),
  );
  return [...drivers, ...entries];
}

function casesOfInput({ likely, lean = likely, heavy = likely }: Cased) {
  return { lean: Number(lean), likely: Number(likely), heavy: Number(heavy) };
}

/**
 * What has a range and is not drawn, in words.
 *
 * @example
 * notDrawn(design); // => []
 */
export function notDrawn(design: Design): string[] {
  const lines = allComponents(design);
  const notes: string[] = [];
  const stopped = lines.filter(({ term }) => term === 'interruptible').length;
  if (stopped > 0) {
    notes.push(
      `Interruptible prices are taken at their mean (${stopped} ${stopped === 1 ? 'line' : 'lines'}).`,
    );
  }
  const upkeep = lines.filter(({ licences }) =>
    licences?.some(({ ownYearly }) => ownYearly && isRanged(ownYearly)),
  ).length;
  if (upkeep > 0)
    notes.push(`Own licence costs are taken as likely (${upkeep} ${upkeep === 1 ? 'line' : 'lines'}).`);
  return notes;
}
