/** The month over what varies, as it is drawn. */
import type { Curve } from '@/features/load/calc';
import { lowered, placeOnAxis } from './curve-sentence';
import type { Drawing } from '@/platform/tables';

/**
 * @example
 * const varied = { component: 'a', entry: 'count', low: 1, high: 9, now: 2, whole: true };
 * const axis = { title: 'Servers', unit: '', from: 1, to: 9, scale: 'linear', now: [] };
 * curveDrawing(curveOf({ axis, sides: [{ id: null, name: 'Design', plan, varied }], what: { of: 'design' }, points: 3 })).question; // => 'What does the month cost over servers?'
 */
export function curveDrawing(curve: Curve, byPowers = curve.axis.scale === 'log'): Drawing {
  const { axis, at, sides, currency, crossings, readings, budget } = curve;
  const inside = readings.filter((each) => each.at >= axis.from && each.at <= axis.to);
  return {
    question: `What does the month cost over ${lowered(axis.title)}?`,
    lines: sides.map(({ name, amounts }) => ({
      name,
      points: at.map((x, index) => [x, amounts[index]!] as const),
    })),
    x: {
      title: axis.unit === '' ? axis.title : `${axis.title}, ${axis.unit}`,
      from: axis.from,
      to: axis.to,
      scale: axis.scale,
    },
    y: { title: `${currency} a month`, scale: byPowers ? 'log' : 'linear' },
    places: [
      ...inside.map(({ label, at: place }) => ({ at: place, label })),
      ...crossings.map(({ at: place }) => ({
        at: place,
        label: placeOnAxis(place, { unit: '' }),
        low: true,
      })),
    ],
    levels: budget === null ? [] : [{ at: Number(budget), label: 'budget', over: true }],
  };
}
