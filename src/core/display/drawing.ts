/** What is drawn of an answer, in plain data: the screen and paper draw the same. */
import { decimal } from '../base';
import type { Curve } from '../curves';
import type { RangeAnswer } from '../draws';
import type { CreditPlan, SpendPlan } from '../paying';
import { CASES } from '../usage';
import { describeTerm } from '../terms';
import { writeMoney, writeNumber } from './amount';
import { lowered, placeOnAxis } from './curve-sentence';

export interface DrawnLine {
  readonly name: string;
  /** Null: no amount there, a gap. */
  readonly points: readonly (readonly [number, number | null])[];
  /** The edge of the range of another line, by its place: thin, in the same ink, without a name of its own. */
  readonly edgeOf?: number;
}

export interface DrawnPlace {
  readonly at: number;
  readonly label: string;
  /** Its word stands at the foot; else at the head. */
  readonly low?: boolean;
  /** Of a level: a limit, so that above it is too much. */
  readonly over?: boolean;
}

export interface Drawing {
  /** The question that it answers. */
  readonly question: string;
  readonly lines: readonly DrawnLine[];
  readonly x: {
    readonly title: string;
    readonly from: number;
    readonly to: number;
    readonly scale: 'linear' | 'log';
    /** Into so many parts, where that says more than round numbers. */
    readonly parts?: number;
  };
  readonly y: {
    readonly title: string;
    readonly scale: 'linear' | 'log';
    /** May be below nothing. */
    readonly signed?: boolean;
  };
  /** Upright lines with a word, and levels. */
  readonly places?: readonly DrawnPlace[];
  readonly levels?: readonly DrawnPlace[];
  /** Filled one on the other. */
  readonly stacked?: boolean;
  /** Level from each place to the next. */
  readonly stepped?: boolean;
}

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

/**
 * How often the month costs what, as steps.
 *
 * @example
 * rangeDrawing(new Simulation(plan, 'seed', 10).answer()).question; // => 'How often does the month cost what?'
 */
export function rangeDrawing({ design, histogram, currency, budget, cases }: RangeAnswer): Drawing {
  const to = design.most > design.least ? design.most : design.least + 1;
  const bars = histogram.counts.map((count, bin) => [histogram.from + histogram.step * bin, count] as const);
  const last = bars[bars.length - 1];
  const places = [
    { at: design.p10, label: 'P10' },
    { at: design.p50, label: 'P50' },
    { at: design.p90, label: 'P90' },
    ...(budget ? [{ at: Number(budget.amount), label: 'budget', low: true }] : []),
    ...cases.flatMap((each) =>
      each.case === 'likely' ? [{ at: Number(each.amount), label: 'likely case', low: true }] : [],
    ),
  ];
  return {
    question: 'How often does the month cost what?',
    lines: [{ name: 'draws', points: last ? [...bars, [to, last[1]] as const] : [] }],
    x: { title: `${currency} a month`, from: design.least, to, scale: 'linear' },
    y: { title: 'draws', scale: 'linear' },
    places: places.filter(({ at }) => at >= design.least && at <= to),
    stacked: true,
    stepped: true,
  };
}

/**
 * What each level of a commitment saves.
 *
 * @example
 * levelsDrawing({ currency: 'USD', curve: { levels: [0, 2], amounts: { lean: [5, 4], likely: [6, 4], heavy: [7, 4] } }, asked: { level: '1', used: 1, covered: 1 } }).lines[1]; // => { name: 'likely', points: [[0, 0], [2, 2]] }
 */
export function levelsDrawing({
  curve,
  asked,
  currency,
}: Pick<SpendPlan, 'curve' | 'asked' | 'currency'>): Drawing {
  return {
    question: 'What does each level save?',
    lines: CASES.map((which) => ({
      name: which,
      points: curve.levels.map(
        (level, at) => [level, curve.amounts[which][0]! - curve.amounts[which][at]!] as const,
      ),
    })),
    x: {
      title: `${currency} committed for every hour`,
      from: 0,
      to: curve.levels[curve.levels.length - 1] ?? 1,
      scale: 'linear',
    },
    y: { title: `${currency} a month less`, scale: 'linear', signed: true },
    places: [{ at: Number(asked.level), label: `level ${writeNumber(decimal(asked.level))}` }],
  };
}

/**
 * What a month costs for each amount that is used, by the credit that is prepaid.
 *
 * @example
 * usesDrawing({ currency: 'USD', use: '5', overUse: { uses: [0, 10], lines: [{ term: null, credit: '0', amounts: [0, 10] }] } }).lines[0]!.points; // => [[0, 0], [10, 10]]
 */
export function usesDrawing({
  overUse,
  use,
  currency,
}: Pick<CreditPlan, 'overUse' | 'use' | 'currency'>): Drawing {
  const { uses, lines } = overUse;
  return {
    question: 'What does each credit cost over what is used?',
    lines: lines.map(({ term, credit, amounts }) => ({
      name: term === null ? 'no credit' : `${writeMoney(credit, currency)} for ${describeTerm(term)}`,
      points: uses.map((each, at) => [each, amounts[at]!] as const),
    })),
    x: {
      title: `${currency} used in a month, at list`,
      from: 0,
      to: uses[uses.length - 1] ?? 1,
      scale: 'linear',
    },
    y: { title: `${currency} paid for it`, scale: 'linear' },
    places: [{ at: Number(use), label: 'used, likely' }],
  };
}
