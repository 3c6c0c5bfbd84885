/** What a bill that is laid against a design gives: sections, components, meters, each with its sums. */
import { addAll, decimal } from '@/engine/base';
import type { BillPeriod } from './bill';
import { type Charged, type Variance, type VarianceCell, varianceOf } from './variance';

export interface LaidMeter {
  /** Of the component's kind, or what the bill calls it. */
  readonly meter: string;
  readonly label: string;
  /** Over the whole period; null: not expected. */
  readonly expected: Charged | null;
  /** For the days that are known. */
  readonly soFar: Charged | null;
  readonly billed: Charged | null;
  readonly corrections: string;
  readonly variance: Variance;
  /** Places of the things. */
  readonly things: readonly number[];
}

export interface LaidSums {
  readonly expected: string;
  readonly soFar: string;
  /** With corrections. */
  readonly billed: string;
  readonly corrections: string;
  readonly variance: Variance;
}

export interface LaidComponent extends LaidSums {
  readonly id: string;
  readonly name: string;
  readonly meters: readonly LaidMeter[];
}

export type LaidPart = 'design' | 'outside' | 'credits' | 'taxes';

export interface LaidSection extends LaidSums {
  readonly id: string;
  readonly name: string;
  readonly part: LaidPart;
  readonly components: readonly LaidComponent[];
}

export interface LaidBill extends LaidSums {
  readonly currency: string;
  readonly period: BillPeriod;
  /** Days from the first on for which there are rows, and how many they are worth where some are not complete; of so many. */
  readonly days: { readonly known: number; readonly worth: string; readonly all: number };
  readonly sections: readonly LaidSection[];
  /** Lines of the design without an expectation. */
  readonly without: readonly string[];
}

export function sectionOf(
  head: Pick<LaidSection, 'id' | 'name' | 'part'>,
  rows: readonly { readonly id: string; readonly name: string; readonly cells: readonly LaidMeter[] }[],
): LaidSection {
  const components = rows.map(({ id, name, cells }) => ({ ...sumsOf(cells), id, name, meters: cells }));
  return { ...sumsOf(rows.flatMap(({ cells }) => cells)), ...head, components };
}

export function sumsOf(meters: readonly LaidMeter[]): LaidSums {
  const sum = (of: (meter: LaidMeter) => string): string =>
    addAll(meters.map((each) => decimal(of(each)))).toString();
  const corrections = sum((each) => each.corrections);
  const cells = meters.map((each): VarianceCell => ({
    like: each.meter,
    expected: each.soFar,
    billed: each.billed,
    corrections: each.corrections,
  }));
  return {
    expected: sum(({ expected }) => expected?.cost ?? '0'),
    soFar: sum(({ soFar }) => soFar?.cost ?? '0'),
    billed: decimal(sum(({ billed }) => billed?.cost ?? '0'))
      .plus(corrections)
      .toString(),
    corrections,
    variance: varianceOf(cells),
  };
}
