/** A laid bill as lines of a ledger, printed: rounded so that every column adds up, and differences with them. */
import { addAll, decimal, type Decimal } from '@/engine/base';
import type { LaidBill, LaidMeter, LaidPart, LaidSums, Projection, Variance } from '@/features/bills/calc';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';

export interface BillLine {
  /** One for each line of a bill. */
  readonly key: string;
  readonly level: 'section' | 'component' | 'meter';
  readonly part: LaidPart;
  /** The section, component or service, or meter. */
  readonly id: string;
  /** Of the line above; null: a section. */
  readonly parent: string | null;
  readonly name: string;
  readonly expected: string;
  readonly soFar: string;
  readonly billed: string;
  /** Billed less expected so far. */
  readonly difference: string;
  readonly variance: Variance;
  readonly close: Projection | null;
  /** Meters only. */
  readonly unit: string | null;
  readonly quantityExpected: string | null;
  readonly quantityBilled: string | null;
  readonly things: readonly number[];
}

export interface BillLines {
  readonly lines: readonly BillLine[];
  readonly total: Pick<BillLine, 'expected' | 'soFar' | 'billed' | 'difference'>;
}

type Column = 'expected' | 'soFar' | 'billed';

const NOTHING = { unit: null, quantityExpected: null, quantityBilled: null, things: [] };

/**
 * @example
 * const period = { from: '2026-11-01', to: '2026-12-01' };
 * const expected = expectedBill(design, books, period, 'USD');
 * const laid = layBill({ design, expected, taken: [], period, newest: '2026-11-15', basis: 'effective', completeness: [] });
 * billLines(laid, {}).lines.map(({ level, soFar, difference }) => [level, soFar, difference]); // => [['section', '72', '-72'], ['component', '72', '-72'], ['meter', '72', '-72']]
 */
export function billLines(laid: LaidBill, closes: Readonly<Record<string, Projection>>): BillLines {
  const digits = minorDigits(laid.currency);
  const lines: BillLine[] = [];
  const totals = { expected: '', soFar: '', billed: '' };
  const columns = ['expected', 'soFar', 'billed'] as const satisfies readonly Column[];
  const printed = new Map<string, Record<Column, string>>();
  const put = (key: string, column: Column, value: Decimal): void => {
    const row = printed.get(key) ?? { expected: '0', soFar: '0', billed: '0' };
    printed.set(key, { ...row, [column]: value.toString() });
  };
  for (const column of columns) {
    const total = halfAwayFromZero(decimal(laid[column]), digits);
    totals[column] = total.toString();
    const sections = roundRows(
      laid.sections.map((each) => decimal(each[column])),
      digits,
      total,
    );
    laid.sections.forEach((section, at) => {
      put(section.id, column, sections[at]!);
      const own = roundRows(
        section.components.map((each) => decimal(each[column])),
        digits,
        sections[at]!,
      );
      section.components.forEach((component, row) => {
        const key = `${section.id}/${component.id}`;
        put(key, column, own[row]!);
        const meters = roundRows(
          component.meters.map((each) => moneyOf(each, column)),
          digits,
          own[row]!,
        );
        component.meters.forEach(({ meter }, place) => put(`${key}/${meter}`, column, meters[place]!));
      });
    });
  }
  const line = (
    key: string,
    head: Pick<BillLine, 'level' | 'part' | 'id' | 'parent' | 'name'>,
    { variance }: Pick<LaidSums, 'variance'>,
    close: Projection | null,
  ): BillLine => {
    const row = printed.get(key)!;
    const difference = decimal(row.billed).minus(row.soFar).toString();
    return { key, ...head, ...row, difference, variance, close, ...NOTHING };
  };
  for (const section of laid.sections) {
    const { id, name, part } = section;
    lines.push(
      line(id, { level: 'section', part, id, parent: null, name }, section, closes[`section ${id}`] ?? null),
    );
    for (const component of section.components) {
      const key = `${id}/${component.id}`;
      const head = { level: 'component', part, id: component.id, parent: id, name: component.name } as const;
      lines.push(line(key, head, component, closes[component.id] ?? null));
      for (const meter of component.meters) {
        // What is bought ahead has no effective cost, and no quantity: nothing would stand in its row.
        if (isNothing(meter)) continue;
        lines.push({
          ...line(
            `${key}/${meter.meter}`,
            { level: 'meter', part, id: meter.meter, parent: key, name: meter.label },
            meter,
            null,
          ),
          ...quantitiesOf(meter),
          things: meter.things,
        });
      }
    }
  }
  const difference = decimal(totals.billed).minus(totals.soFar).toString();
  return { lines, total: { ...totals, difference } };
}

/** Seconds are hours to whoever reads them. */
function quantitiesOf({
  billed,
  soFar,
}: LaidMeter): Pick<BillLine, 'unit' | 'quantityExpected' | 'quantityBilled'> {
  const unit = billed?.unit ?? soFar?.unit ?? null;
  const read = (text: string | null | undefined): string | null =>
    text == null
      ? null
      : unit === 'second'
        ? decimal(text).dividedBy(3600).toDecimalPlaces(6).toString()
        : text;
  return {
    unit: unit === 'second' ? 'hour' : unit,
    quantityExpected: read(soFar?.quantity),
    quantityBilled: read(billed?.quantity),
  };
}

function moneyOf(meter: LaidMeter, column: Column): Decimal {
  if (column !== 'billed') return decimal(meter[column]?.cost ?? '0');
  return addAll([decimal(meter.billed?.cost ?? '0'), decimal(meter.corrections)]);
}

const isNothing = ({ expected, soFar, billed, corrections }: LaidMeter): boolean =>
  expected === null &&
  soFar === null &&
  decimal(corrections).isZero() &&
  (billed === null || (billed.quantity === null && decimal(billed.cost).isZero()));
