/** Meters whose relation is another than in the design: volume for a request, hours of a machine. Need H18. */
import { addAll, type Decimal, decimal, ZERO } from '@/engine/base';
import { unitOf } from '@/engine/units';
import type { LaidBill, LaidMeter } from './laid';

export interface Relation {
  readonly section: string;
  /** `volume`: bytes for a request. */
  readonly is: 'volume';
  readonly expected: string;
  readonly billed: string;
  /** Billed over expected. */
  readonly times: string;
  /** Requests, billed over expected. */
  readonly requests: string;
}

/** So much off is a departure. */
const FACTOR = decimal('1.5');
const DIGITS = 6;

/**
 * By section: what its volumes are to its requests. Only departures by more than half.
 *
 * @example
 * relationsOf({ sections: [] }); // => []
 */
export function relationsOf({ sections }: Pick<LaidBill, 'sections'>): Relation[] {
  return sections.flatMap(({ id, part, components }): Relation[] => {
    if (part !== 'design') return [];
    const meters = components.flatMap((each) => each.meters);
    const volume = sumsOf(meters, 'data');
    const requests = sumsOf(meters, 'count');
    if (!volume || !requests) return [];
    const expected = volume.expected.dividedBy(requests.expected);
    const billed = volume.billed.dividedBy(requests.billed);
    const times = billed.dividedBy(expected);
    if (times.lessThan(FACTOR) && times.times(FACTOR).greaterThan(1)) return [];
    const text = (value: Decimal): string => value.toSignificantDigits(DIGITS).toString();
    return [
      {
        ...{ section: id, is: 'volume', expected: text(expected), billed: text(billed), times: text(times) },
        requests: text(requests.billed.dividedBy(requests.expected)),
      },
    ];
  });
}

/** In the smallest unit of the dimension; null: none expected, or none billed. */
function sumsOf(
  meters: readonly LaidMeter[],
  dimension: string,
): { readonly expected: Decimal; readonly billed: Decimal } | null {
  const own = meters.flatMap(({ soFar, billed }) => {
    const unit = soFar?.unit ? unitOf(soFar.unit) : null;
    if (!unit?.ok || unit.value.dimension !== dimension || !soFar?.quantity) return [];
    const { factor } = unit.value;
    const found = billed?.quantity && billed.unit === soFar.unit ? decimal(billed.quantity) : ZERO;
    return [{ expected: factor.times(soFar.quantity), billed: factor.times(found) }];
  });
  const expected = addAll(own.map((each) => each.expected));
  const billed = addAll(own.map((each) => each.billed));
  return expected.greaterThan(0) && billed.greaterThan(0) ? { expected, billed } : null;
}
