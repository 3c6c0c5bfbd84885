/** What a design lets expect of a billing period, meter by meter. Source: pricing rules, "Bills"; needs P1, P2. */
import { addAll, type Decimal, decimal, ONE, ZERO } from '@/engine/base';
import { meterOfKind } from '@/engine/books';
import type { Component, Design } from '@/engine/design';
import { allComponents } from '@/engine/design';
import { type BookSet, priceDesign, type PricedComponent } from '@/engine/pricing';
import { daysInMonth, monthHours } from '@/engine/time';
import { type BillPeriod, periodDays } from './bill';

/** A meter of a line over the whole period, in the currency that is asked for. */
export interface ExpectedMeter {
  readonly component: string;
  readonly meter: string;
  readonly label: string;
  /** Of `quantity`; empty: a fee. */
  readonly unit: string;
  readonly quantity: string | null;
  readonly cost: string;
  readonly sku: string;
  readonly region: string;
}

export interface ExpectedBill {
  readonly currency: string;
  readonly meters: readonly ExpectedMeter[];
  /** Lines without an amount, or in a currency that cannot be brought into that of the bill. */
  readonly without: readonly string[];
}

/**
 * The likely case. A period that is a calendar month is priced with that month's hours; any other is its share of the
 * design's month. Without a rate of exchange a line has no expectation; it is told, and never zero.
 *
 * @example
 * const bill = expectedBill(design, books, { from: '2026-11-01', to: '2026-12-01' }, 'USD');
 * bill.meters.map(({ component, quantity, cost }) => [component, quantity, cost]); // => [['a', '1440', '144']]
 */
export function expectedBill(
  design: Design,
  books: BookSet,
  period: BillPeriod,
  currency: string,
): ExpectedBill {
  const { design: asked, share } = overPeriod(design, period);
  const components = new Map(allComponents(asked).map((component) => [component.id, component]));
  const priced = priceDesign(asked, books, 'likely');
  const meters: ExpectedMeter[] = [];
  const without: string[] = [];
  for (const line of priced.sections.flatMap((section) => section.lines)) {
    const rate = line.status === 'priced' ? rateInto(line, design.currency, currency) : null;
    if (line.status === 'unpriced' || rate === null) without.push(line.id);
    else meters.push(...metersOf(line, components.get(line.id)!, { rate, share }));
  }
  return { currency, meters, without };
}

function overPeriod(design: Design, period: BillPeriod): { design: Design; share: Decimal } {
  const [year, month, day] = period.from.split('-').map(Number) as [number, number, number];
  const days = periodDays(period);
  if (day === 1 && days === daysInMonth(year, month)) {
    const convention = { hours: 'calendar', year, month } as const;
    return { design: { ...design, assumptions: { ...design.assumptions, month: convention } }, share: ONE };
  }
  const hours = monthHours(design.assumptions.month, decimal('730'));
  return { design, share: decimal(days).times(24).dividedBy(hours) };
}

/**
 * Of what a month has, so much is a period's: all for a calendar month, else by its hours.
 *
 * @example
 * monthsOfPeriod(design, { from: '2026-11-01', to: '2026-12-01' }).toString(); // => '1'
 */
export function monthsOfPeriod(design: Design, period: BillPeriod): Decimal {
  return overPeriod(design, period).share;
}

/** One unit of the book's money in that of the bill; null: nobody said. */
function rateInto({ book, exchange }: PricedComponent, ofDesign: string, currency: string): Decimal | null {
  if ((book?.currency ?? ofDesign) === currency) return ONE;
  return ofDesign === currency ? (exchange ?? ONE) : null;
}

interface Turned {
  readonly rate: Decimal;
  /** Of the design's month. */
  readonly share: Decimal;
}

/** So that sums of them stay exact. */
const DIGITS = 18;

function metersOf(line: PricedComponent, component: Component, { rate, share }: Turned): ExpectedMeter[] {
  const codes = [...new Set(line.parts.map(({ meter }) => meter))];
  return codes.flatMap((meter): ExpectedMeter[] => {
    const parts = line.parts.filter((part) => part.meter === meter);
    const used = parts.find((part) => part.used)?.used ?? null;
    const cost = addAll(parts.map(({ monthly }) => monthly.value))
      .times(rate)
      .times(share)
      .toDecimalPlaces(DIGITS);
    const quantity = used?.value.times(share).toDecimalPlaces(DIGITS) ?? null;
    if (cost.isZero() && (quantity ?? ZERO).isZero()) return [];
    return [
      {
        component: component.id,
        meter,
        label: labelOf(component, meter),
        unit: used ? used.unit : '',
        quantity: quantity?.toString() ?? null,
        cost: cost.toString(),
        sku: parts[0]!.sku,
        region: component.place?.region ?? '',
      },
    ];
  });
}

function labelOf({ kind, custom }: Component, meter: string): string {
  const own = /^custom-(\d+)$/.exec(meter);
  return own ? (custom?.[Number(own[1]) - 1]?.label ?? meter) : (meterOfKind(kind, meter)?.label ?? meter);
}
