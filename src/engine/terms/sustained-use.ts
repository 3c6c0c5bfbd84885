/**
 * Sustained use: the price falls with the share of the month that one unit runs. With "first half at 1, second half at
 * 0.6", a unit that runs the whole month pays 0.8 of its hours. Each rank of running units is looked at by itself: of
 * a group scaled between 2 and 6, the first two run always and the sixth seldom. Source: pricing rules, "Terms".
 */
import { type Decimal, ZERO } from '../base';
import { difference, type Figure, given, greatest, least, product, sum, withLive } from '../trace';

export interface SustainedBand {
  /** Share of the month up to which the multiplier holds; the last is 1. */
  readonly upTo: Decimal;
  readonly multiplier: Decimal;
}

/** So many units that run the same hours of the month. */
export interface Rank {
  readonly units: Figure;
  readonly hours: Figure;
}

/**
 * Unit-hours as they are paid for: each band's hours times its multiplier.
 *
 * @example
 * const ranks = [{ units: given('Units', decimal('1'), 'unit'), hours: given('Hours', decimal('730'), 'hour') }];
 * sustainedHours(ranks, [{ upTo: decimal('0.5'), multiplier: decimal('1') }, { upTo: decimal('1'), multiplier: decimal('0.6') }], decimal('730')).value.toString(); // => '584'
 */
export function sustainedHours(
  ranks: readonly Rank[],
  bands: readonly SustainedBand[],
  monthHours: Decimal,
): Figure {
  const rows = ranks.map((rank) =>
    product(`${rank.units.value} running ${rank.hours.value} h`, 'hour', [
      rank.units,
      weighted(rank.hours, bands, monthHours),
    ]),
  );
  return sum('Hours after sustained use', 'hour', rows);
}

function weighted(hours: Figure, bands: readonly SustainedBand[], monthHours: Decimal): Figure {
  const parts: Figure[] = [];
  let from = ZERO;
  for (const [index, each] of bands.entries()) {
    const begin = given('Band begins at', from.times(monthHours), 'hour');
    if (index > 0 && !hours.value.greaterThan(begin.value)) break;
    const end = given('Band ends at', each.upTo.times(monthHours), 'hour');
    const reached = index === bands.length - 1 ? hours : least('Up to the band’s end', 'hour', [hours, end]);
    const inBand = index === 0 ? reached : difference('Hours in this band', 'hour', [reached, begin]);
    parts.push(product(`Band ${index + 1}`, 'hour', [inBand, given('Multiplier', each.multiplier, '')]));
    from = each.upTo;
  }
  return withLive(sum('Hours paid for', 'hour', parts), () => inAllBands(hours, bands, monthHours));
}

/** For any hours: of a band that is not reached, none. */
function inAllBands(hours: Figure, bands: readonly SustainedBand[], monthHours: Decimal): Figure {
  const none = given('None', ZERO, 'hour');
  let from = ZERO;
  const rows = bands.map((each, index): Figure => {
    const begin = given('Band begins at', from.times(monthHours), 'hour');
    const end = given('Band ends at', each.upTo.times(monthHours), 'hour');
    const reached = index === bands.length - 1 ? hours : least('Up to the band’s end', 'hour', [hours, end]);
    const inBand = greatest('Hours in this band', 'hour', [
      difference('From where it begins', 'hour', [reached, begin]),
      none,
    ]);
    from = each.upTo;
    return product(`Band ${index + 1}`, 'hour', [inBand, given('Multiplier', each.multiplier, '')]);
  });
  return sum('Hours paid for', 'hour', rows);
}

/**
 * Hours paid for when no unit pays for more than `capHours` of a month.
 *
 * @example
 * const ranks = [{ units: given('Units', decimal('2'), 'unit'), hours: given('Hours', decimal('730'), 'hour') }];
 * cappedHours(ranks, given('Cap', decimal('600'), 'hour')).value.toString(); // => '1200'
 */
export function cappedHours(ranks: readonly Rank[], capHours: Figure): Figure {
  const rows = ranks.map((rank) =>
    product(`${rank.units.value} running ${rank.hours.value} h`, 'hour', [
      rank.units,
      least('Hours, at most the monthly cap', 'hour', [rank.hours, capHours]),
    ]),
  );
  return sum('Hours under the monthly cap', 'hour', rows);
}
