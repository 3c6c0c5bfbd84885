/** What is expected of a design as the rows of a bill: laid against the design again it differs by nothing. */
import { type Decimal, decimal, ONE, ZERO } from '@/engine/base';
import { allComponents, type Design } from '@/engine/design';
import { kindOf } from '@/engine/books';
import { type BillPeriod, type ChargedRow, daysOfPeriod } from './bill';
import type { ExpectedBill } from './expected';

const DIGITS = 12;

/**
 * A row a day and meter; the last day has what dividing left, so that they add up exactly.
 *
 * @example
 * const period = { from: '2026-11-01', to: '2026-12-01' };
 * const rows = [...expectedRows(design, expectedBill(design, books, period, 'USD'), period)];
 * [rows.length, rows[0].billed, rows[0].tags]; // => [30, '4.8', { component: 'a' }]
 */
export function* expectedRows(
  design: Design,
  expected: ExpectedBill,
  period: BillPeriod,
): Generator<ChargedRow> {
  const components = new Map(allComponents(design).map((each) => [each.id, each]));
  const days = daysOfPeriod(period);
  for (const each of expected.meters) {
    const component = components.get(each.component)!;
    const costs = divided(decimal(each.cost), days.length);
    const quantities = each.quantity === null ? null : divided(decimal(each.quantity), days.length);
    for (const [at, day] of days.entries()) {
      const cost = costs[at]!;
      yield {
        ...{ day, list: cost, contracted: cost, billed: cost, effective: cost },
        quantity: quantities?.[at] ?? null,
        ...{ category: 'Usage', isCorrection: false, service: kindOf(component.kind).label },
        ...{ sku: each.sku, meter: each.meter, region: each.region, account: '', unit: each.unit },
        ...{ resource: component.id, resourceName: component.name, description: each.label },
        tags: { component: component.id },
        ...{ listUnitPrice: null, contractedUnitPrice: null, commitment: '', commitmentStatus: null },
      };
    }
  }
}

function divided(all: Decimal, by: number): string[] {
  const share = ONE.dividedBy(by);
  const each = all.times(share).toDecimalPlaces(DIGITS);
  let left: Decimal = all;
  return Array.from({ length: by }, (_, at) => {
    const value = at === by - 1 ? left : each;
    left = left.minus(at === by - 1 ? ZERO : each);
    return value.toString();
  });
}
