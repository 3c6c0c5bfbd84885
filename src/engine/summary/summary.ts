/**
 * The whole result of pricing a design in plain serialisable form: what the worker posts, the server stores and the
 * command line prints. Amounts are text: `monthly` exact, `printed` rounded so that rows add up.
 */
import type { Decimal, Issue } from '../base';
import { lacksText } from './misses';
import type { Design } from '../design';
import { movesOverTime, priceMonths } from '../analysis';
import {
  type BookSet,
  casesOf,
  type DesignPlan,
  planOf,
  type PricedDesign,
  type PricedLine,
  printedAmounts,
} from '../pricing';
import type { Case } from '../usage';
import { printedWick, type Wick, wickOfDesign, wickOfLine, wickOver } from './wick';

export interface PlainWick {
  readonly low: string;
  readonly likely: string;
  readonly high: string;
}

export interface LineSummary {
  readonly id: string;
  readonly priced: boolean;
  readonly printed: string | null;
  readonly monthly: string | null;
  /** The month at list price, and as it is sold on. */
  readonly list: string | null;
  readonly resale: string | null;
  readonly recurring: string | null;
  readonly upfront: string | null;
  readonly termMonths: number | null;
  readonly wholeTerm: string | null;
  readonly onDemand: string | null;
  /** The lean and the heavy case's own amounts; these add up over rows, the ends of wicks need not. */
  readonly lean: string | null;
  readonly heavy: string | null;
  readonly wick: PlainWick | null;
  readonly offer: { readonly sku: string; readonly name: string } | null;
  /** Why there is no amount. */
  readonly issues: readonly Issue[];
  /** What to know about the amount. */
  readonly notices: readonly Issue[];
  readonly nearest: readonly { readonly sku: string; readonly name: string; readonly lacks: string }[];
}

export interface SectionSummary {
  readonly id: string;
  readonly name: string;
  readonly printed: string;
  readonly unpriced: number;
  readonly lean: string;
  readonly heavy: string;
  readonly wick: PlainWick;
  readonly lines: readonly LineSummary[];
}

export interface DesignSummary {
  readonly currency: string;
  readonly printed: string;
  readonly monthly: string;
  readonly recurring: string;
  readonly list: string;
  readonly resale: string;
  /** With contingency and tax; the same as `monthly` where neither is stated. */
  readonly gross: string;
  readonly upfront: string;
  /** Cash of twelve such months. */
  readonly twelveMonths: string;
  /** Cash of the first 12 months, one by one; null: not worked out in this run, and it may differ. */
  readonly firstYear: string | null;
  readonly unpriced: number;
  readonly lean: string;
  readonly heavy: string;
  readonly wick: PlainWick;
  readonly sections: readonly SectionSummary[];
}

/**
 * Prices all three cases and brings them into one summary.
 *
 * @example
 * summarise(design, books).printed; // => '146'
 */
export function summarise(design: Design, books: BookSet): DesignSummary {
  return summaryOfPlan(planOf(design, books));
}

/**
 * @example
 * summaryOfPlan(plan).printed; // => '146'
 */
export function summaryOfPlan(plan: DesignPlan): DesignSummary {
  const summary = summaryOf(casesOf(plan));
  const firstYear = movesOverTime(plan)
    ? priceMonths(plan, 'likely', 12).firstYear.cash.toString()
    : summary.twelveMonths;
  return { ...summary, firstYear };
}

/**
 * @example
 * summaryOf(casesOf(plan)).wick; // => { low: '146', likely: '146', high: '146' }
 */
export function summaryOf(cases: Readonly<Record<Case, PricedDesign>>): DesignSummary {
  const { likely } = cases;
  const printed = printedAmounts(likely);
  return {
    currency: likely.currency,
    printed: printed.total.toString(),
    monthly: likely.monthly.value.toString(),
    recurring: likely.recurring.toString(),
    list: likely.list.toString(),
    resale: likely.resale.toString(),
    gross: likely.gross.value.toString(),
    upfront: likely.upfront.toString(),
    twelveMonths: likely.twelveMonths.toString(),
    firstYear: null,
    unpriced: likely.unpriced,
    lean: cases.lean.monthly.value.toString(),
    heavy: cases.heavy.monthly.value.toString(),
    wick: plainWick(wickOfDesign(cases), printed.total),
    sections: likely.sections.map((section, at) => ({
      id: section.id,
      name: section.name,
      printed: printed.sections.get(section.id)!.toString(),
      unpriced: section.lines.filter((line) => line.status === 'unpriced').length,
      lean: cases.lean.sections[at]!.monthly.value.toString(),
      heavy: cases.heavy.sections[at]!.monthly.value.toString(),
      wick: plainWick(
        wickOver({
          lean: cases.lean.sections[at]!.monthly.value,
          likely: section.monthly.value,
          heavy: cases.heavy.sections[at]!.monthly.value,
        }),
        printed.sections.get(section.id)!,
      ),
      lines: section.lines.map((line, row) =>
        keptSummary(line, printed.components.get(line.id), {
          lean: cases.lean.sections[at]!.lines[row]!,
          likely: line,
          heavy: cases.heavy.sections[at]!.lines[row]!,
        }),
      ),
    })),
  };
}

interface Kept {
  readonly lean: PricedLine;
  readonly heavy: PricedLine;
  readonly printed: Decimal | undefined;
  readonly summary: LineSummary;
}

/** Lines that pricing reused are the same objects, and so are their summaries while they print the same. */
const kept = new WeakMap<PricedLine, Kept>();

function keptSummary(
  line: PricedLine,
  printed: Decimal | undefined,
  cases: Record<Case, PricedLine>,
): LineSummary {
  const { lean, heavy } = cases;
  const known = kept.get(line);
  const same =
    known?.printed === printed || (printed !== undefined && known?.printed?.equals(printed) === true);
  if (known && same && known.lean === lean && known.heavy === heavy) return known.summary;
  const summary = lineSummary(line, printed, cases);
  kept.set(line, { lean, heavy, printed, summary });
  return summary;
}

function lineSummary(
  line: PricedLine,
  printed: Decimal | undefined,
  cases: Record<Case, PricedLine>,
): LineSummary {
  if (line.status === 'unpriced') {
    const nearest = line.nearest.map(({ offer, lacks }) => ({
      sku: offer.sku,
      name: offer.name,
      lacks: lacksText(lacks),
    }));
    return { ...EMPTY_LINE, id: line.id, issues: line.issues, nearest };
  }
  const wick = wickOfLine(cases);
  return {
    id: line.id,
    priced: true,
    printed: printed!.toString(),
    monthly: line.monthly.value.toString(),
    list: line.list.value.toString(),
    resale: line.resale.value.toString(),
    recurring: line.recurring.toString(),
    upfront: line.upfront.toString(),
    termMonths: line.wholeTerm?.months ?? null,
    wholeTerm: line.wholeTerm?.amount.toString() ?? null,
    onDemand: line.onDemand?.toString() ?? null,
    lean: amountOf(cases.lean),
    heavy: amountOf(cases.heavy),
    wick: wick && plainWick(wick, printed!),
    offer: line.offer && { sku: line.offer.sku, name: line.offer.name },
    issues: [],
    notices: line.notices,
    nearest: [],
  };
}

const EMPTY_LINE: LineSummary = {
  id: '',
  priced: false,
  printed: null,
  monthly: null,
  list: null,
  resale: null,
  recurring: null,
  upfront: null,
  termMonths: null,
  wholeTerm: null,
  onDemand: null,
  lean: null,
  heavy: null,
  wick: null,
  offer: null,
  issues: [],
  notices: [],
  nearest: [],
};

function plainWick(wick: Wick, printed: Decimal): PlainWick {
  const { low, likely, high } = printedWick(wick, printed);
  return { low: low.toString(), likely: likely.toString(), high: high.toString() };
}

function amountOf(line: PricedLine): string | null {
  return line.status === 'priced' ? line.monthly.value.toString() : null;
}
