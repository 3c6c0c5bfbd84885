/** A curve as a flat table, for the screen, files and the command line: named places, and a few between them. */
import { decimal } from '@/engine/base';
import type { Curve } from '@/features/load/calc';
import { groupInText, writeMoney } from '@/platform/words';
import { curveSentence, lowered, placeOnAxis } from './curve-sentence';
import type { FlatCell, FlatRow, FlatTable } from '@/platform/tables';

/** Between the ends, beside what is marked. */
const BETWEEN = 12;

interface Placed {
  readonly at: number;
  readonly what: string;
  readonly amounts: readonly (string | null)[] | null;
}

/**
 * @example
 * const varied = { component: 'a', entry: 'count', low: 1, high: 9, now: 2, whole: true };
 * const axis = { title: 'Servers', unit: '', from: 1, to: 9, scale: 'linear', now: [] };
 * curveTable(curveOf({ axis, sides: [{ id: null, name: 'Design', plan, varied }], what: { of: 'design' }, points: 3 })).rows[0]!.cells; // => [{ number: '1' }, '', { money: '73' }]
 */
export function curveTable(curve: Curve): FlatTable {
  const { axis, sides, currency } = curve;
  const unit = axis.unit === '' ? '' : `, ${axis.unit}`;
  const places = [...named(curve), ...between(curve)].sort((a, b) => a.at - b.at);
  return {
    title: `What the month costs over ${lowered(axis.title)}`,
    answer: curveSentence(curve),
    currency,
    head: [`${axis.title}${unit}`, 'What is there', ...sides.map(({ name }) => name)],
    rows: places.map(({ at, what, amounts }): FlatRow => ({
      level: 'line',
      cells: [
        { number: decimal(at.toPrecision(6)).toString() },
        what,
        ...(amounts ?? amountsAt(curve, at)).map(cellOf),
      ],
    })),
    notes: curve.marks.length === 0 ? [] : [{ title: 'What happens on the way', lines: marksText(curve) }],
  };
}

const cellOf = (amount: string | null): FlatCell => (amount === null ? 'no amount' : { money: amount });

function named({ readings, crossings, sides, axis }: Curve): Placed[] {
  const inside = readings.filter(({ at }) => at >= axis.from && at <= axis.to);
  return [
    ...inside.map(({ label, at, amounts }) => ({ at, what: label, amounts })),
    ...crossings.map(({ at, below, above }) => ({
      at,
      what: `“${sides[above]!.name}” becomes cheaper than “${sides[below]!.name}”`,
      amounts: null,
    })),
    ...sides.flatMap(({ name, budget }) =>
      budget === null
        ? []
        : [{ at: budget, what: sides.length === 1 ? 'the budget' : `the budget, “${name}”`, amounts: null }],
    ),
  ];
}

function between({ at }: Curve): Placed[] {
  const step = Math.max(1, Math.floor((at.length - 1) / BETWEEN));
  const places = at.filter((_, index) => index % step === 0);
  const last = at[at.length - 1]!;
  return [...new Set([...places, last])].map((each) => ({ at: each, what: '', amounts: null }));
}

/** As it was drawn; between two drawn places straight. */
function amountsAt({ at, sides }: Curve, place: number): (string | null)[] {
  const after = at.findIndex((each) => each >= place);
  const right = after < 0 ? at.length - 1 : after;
  const left = at[right] === place ? right : Math.max(0, right - 1);
  return sides.map(({ amounts }) => {
    const [a, b] = [amounts[left], amounts[right]];
    if (a === null || a === undefined || b === null || b === undefined) return null;
    const width = at[right]! - at[left]!;
    const value = width === 0 ? b : a + ((b - a) * (place - at[left]!)) / width;
    return decimal(Number(value.toPrecision(15))).toFixed();
  });
}

/**
 * What happens on the way, a sentence each.
 *
 * @example
 * marksText({ marks: [{ at: 10, line: 'a', name: 'Out', what: 'From 100 to 200 GB', jump: null, again: null }], axis: { unit: 'GB' }, currency: 'USD' }); // => ['10 GB: “Out”: From 100 to 200 GB']
 */
export function marksText({
  marks,
  axis,
  currency,
  untold,
}: Pick<Curve, 'marks' | 'currency'> & {
  readonly axis: { readonly unit: string };
  readonly untold?: Curve['untold'];
}): string[] {
  const told = marks.map(({ at, name, what, jump, again }) => {
    const by = jump === null ? '' : `, ${writeMoney(jump, currency)} ${currency} at once`;
    const more =
      again === null
        ? ''
        : `; and ${again.times} more such steps, the last at ${placeOnAxis(again.until, axis)}`;
    return `${placeOnAxis(at, axis)}: “${name}”: ${groupInText(what)}${by}${more}`;
  });
  const { places, atLeast } = untold ?? { places: 0, atLeast: false };
  if (places === 0 && !atLeast) return told;
  const many = atLeast ? `at least ${places + 1}` : String(places);
  return [...told, `${many} more such ${many === '1' ? 'place' : 'places'}, where it jumps or turns by less`];
}
