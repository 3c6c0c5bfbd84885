/** A curve in words: which costs least where, by how much at the end, what grows, where the budget is crossed. */
import { decimal } from '@/engine/base';
import { type Curve, grows, type LoadMap } from '@/features/load/calc';
import { writeMoney, writeNumber, writeShare } from '@/platform/words';

/** Three digits are as much as anybody says aloud. */
const SAID = 3;

/**
 * A place on an axis, as it is said: three digits and the unit.
 *
 * @example
 * placeOnAxis(61.237, { unit: 'request/s' }); // => '61.2 request/s'
 */
export function placeOnAxis(at: number, { unit }: { readonly unit: string }): string {
  const number = writeNumber(decimal(at.toPrecision(SAID)));
  return unit === '' ? number : `${number} ${number === '1' ? unit : inPlural(unit)}`;
}

/**
 * A title inside of a sentence; names in it keep their capitals.
 *
 * @example
 * lowered('Count of “Front servers”'); // => 'count of “Front servers”'
 */
export function lowered(title: string): string {
  return title.charAt(0).toLowerCase() + title.slice(1);
}

/** A plain word takes an s; GB and request/s do not. */
const inPlural = (unit: string): string =>
  /^[a-z]{3,}$/.test(unit) && !unit.endsWith('s') ? `${unit}s` : unit;

/**
 * @example
 * const varied = { component: 'a', entry: 'count', low: 1, high: 9, now: 2, whole: true };
 * const axis = { title: 'Servers', unit: '', from: 1, to: 9, scale: 'linear', now: [] };
 * curveSentence(curveOf({ axis, sides: [{ id: null, name: 'Design', plan, varied }], what: { of: 'design' }, points: 3 })); // => 'From 1 to 9 the month goes from 73.00 to 657.00 USD: 1 line moves.'
 */
export function curveSentence(curve: Curve): string {
  const ranked = curve.sides.length > 1 ? cheapestText(curve) : aloneText(curve);
  return [ranked, budgetText(curve), lackingText(curve)].filter(Boolean).join(' ');
}

function aloneText(curve: Curve): string {
  const { axis, sides, currency } = curve;
  const amounts = sides[0]!.amounts;
  const [first, last] = [amounts[0], amounts[amounts.length - 1]];
  const range = `From ${placeOnAxis(axis.from, { unit: '' })} to ${placeOnAxis(axis.to, axis)}`;
  if (first === null || first === undefined || last === null || last === undefined) {
    return `${range} there is no amount at one of the ends.`;
  }
  const money = (value: number): string => writeMoney(decimal(value), currency);
  const { lines } = curve.growth;
  const moving = lines.filter(grows).length;
  const others = lines.length - moving;
  const stay =
    others === 0
      ? ''
      : `, ${others} ${others === 1 ? 'stays' : 'stay'} as ${others === 1 ? 'it is' : 'they are'}`;
  if (moving === 0) return `${range} nothing changes: no line follows it.`;
  return `${range} the month goes from ${money(first)} to ${money(last)} ${currency}: ${moving} ${moving === 1 ? 'line moves' : 'lines move'}${stay}.`;
}

function cheapestText(curve: Curve): string {
  const { stretches, sides, axis } = curve;
  const known = stretches.filter(({ cheapest }) => cheapest !== null);
  const name = (side: number | null): string => `“${sides[side!]!.name}”`;
  if (known.length === 0) return 'None of them has an amount here.';
  const range = `from ${placeOnAxis(axis.from, { unit: '' })} to ${placeOnAxis(axis.to, axis)}`;
  const last = known[known.length - 1]!;
  const lead = leadText(curve, last.cheapest!);
  if (known.length === 1) return `${name(known[0]!.cheapest)} costs least ${range}${lead && `, ${lead}`}.`;
  const parts = known.map(({ from, to, cheapest }, at) => {
    if (at === 0) return `Up to ${placeOnAxis(to, axis)} ${name(cheapest)} costs least`;
    if (at < known.length - 1) return `from there to ${placeOnAxis(to, axis)} ${name(cheapest)}`;
    return `above ${known.length === 2 ? 'it' : placeOnAxis(from, { unit: '' })} ${name(cheapest)}${lead && `, ${lead}`}`;
  });
  return `${parts.join('; ')}.`;
}

/** By how much the cheapest leads at the end of the range. */
function leadText({ sides, axis }: Curve, cheapest: number): string {
  const last = sides.map(({ amounts }) => amounts[amounts.length - 1]);
  const own = last[cheapest];
  const others = last.filter((each, side) => side !== cheapest && each !== null && each !== undefined);
  if (others.length === 0 || own === null || own === undefined || own <= 0) return '';
  const ratio = Math.min(...(others as number[])) / own;
  if (ratio < 1) return '';
  const by =
    ratio >= 2
      ? `by a factor of ${writeNumber(decimal(ratio.toPrecision(2)))}`
      : `by ${writeShare(decimal((1 - 1 / ratio).toPrecision(6)))}`;
  return `at ${placeOnAxis(axis.to, { unit: '' })} ${by}`;
}

function budgetText({ sides, budget, axis, currency }: Curve): string {
  if (budget === null) return '';
  const limit = `The budget of ${writeMoney(budget, currency)} ${currency}`;
  const crossed = sides.filter((side) => side.budget !== null);
  if (crossed.length === 0) {
    const over = sides.every(({ amounts }) => (amounts[0] ?? 0) > Number(budget));
    return over ? `${limit} is exceeded everywhere here.` : '';
  }
  const where = crossed.map((side) =>
    sides.length === 1
      ? placeOnAxis(side.budget!, axis)
      : `${placeOnAxis(side.budget!, axis)} by “${side.name}”`,
  );
  return `${limit} is crossed at ${where.join(', ')}.`;
}

function lackingText({ sides, stretches }: Curve): string {
  const lacking = sides.filter(({ unpriced }) => unpriced > 0);
  if (lacking.length === 0) return '';
  const lines = (count: number): string => `${count} ${count === 1 ? 'line' : 'lines'} not priced`;
  if (sides.length === 1) return `Incomplete: ${lines(lacking[0]!.unpriced)}.`;
  const ranked = stretches.some(({ cheapest }) => cheapest !== null && sides[cheapest]!.unpriced > 0);
  const names = lacking.map(({ name, unpriced }) => `“${name}” (${lines(unpriced)})`).join(', ');
  return ranked ? `All are incomplete: ${names}.` : `Not ranked, because incomplete: ${names}.`;
}

/**
 * A map in words: who costs least on how much of it.
 *
 * @example
 * mapSentence({ sides: [{ id: null, name: 'Design' }, { id: 'b', name: 'Other' }], cheapest: [0, 0, 1, 0] }); // => '“Design” costs least on 75 % of the map, “Other” on 25 %.'
 */
export function mapSentence({ sides, cheapest }: Pick<LoadMap, 'sides' | 'cheapest'>): string {
  const shares = sides
    .map(({ name }, side) => ({ name, cells: cheapest.filter((each) => each === side).length }))
    .filter(({ cells }) => cells > 0)
    .sort((a, b) => b.cells - a.cells);
  if (shares.length === 0) return 'None of them has an amount here.';
  if (shares.length === 1) return `“${shares[0]!.name}” costs least everywhere on the map.`;
  const parts = shares.map(({ name, cells }, at) => {
    const share = writeShare(decimal(cells).dividedBy(cheapest.length));
    return at === 0 ? `“${name}” costs least on ${share} of the map` : `“${name}” on ${share}`;
  });
  return `${parts.join(', ')}.`;
}
