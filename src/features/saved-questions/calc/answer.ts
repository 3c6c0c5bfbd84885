/**
 * Answers of the questions that are kept with a design: each anew from the design as it stands, as a table with its
 * sentence and, where one can be drawn, the drawing. The same on screen, in the report and on the command line.
 * Needs F9 to F16, U1, U2.
 */
import { assertNever } from '@/engine/base';
import { curveOf, curveOver, NotAsked, readyCurve } from '@/features/load/calc';
import type { Kept, KeptAsk, Scope } from '@/engine/design';
import {
  creditPlanTable,
  levelsDrawing,
  spendPlanTable,
  usagePlanTable,
  usesDrawing,
} from '@/features/paying/words';
import { curveDrawing, curveTable } from '@/features/load/words';
import { type Drawing, type FlatTable } from '@/platform/tables';
import { rangeDrawing, rangeTable } from '@/features/range/words';
import { baseFor, effectsAreQuick, effectsOf, Simulation } from '@/features/range/calc';
import { creditPlan, spendPlan, usagePlan } from '@/features/paying/calc';
import type { AmountOf, DesignPlan } from '@/engine/pricing';

/** So many places a kept curve is drawn at, as on the screen. */
export const CURVE_POINTS = 160;
export const READY_POINTS = 120;

export interface KeptAnswer {
  readonly id: string;
  readonly table: FlatTable;
  readonly drawing: Drawing | null;
}

/** The design and its alternatives, priced; the design is first. */
export type KeptSides = readonly {
  readonly id: string | null;
  readonly name: string;
  readonly plan: DesignPlan;
}[];

/**
 * What cannot be answered any more, because a line or an offer is gone, says so and has no rows.
 *
 * @example
 * answerKept({ id: 'k', name: 'How sure', ask: { shows: 'draws', seed: 'harbour', draws: 100 } }, [{ id: null, name: 'Design', plan }]).table.title; // => 'How sure'
 */
export function answerKept({ id, name, ask }: Kept, sides: KeptSides): KeptAnswer {
  const own = sides[0]!.plan;
  try {
    const { table, drawing } = answer(ask, sides) ?? gone(own);
    return { id, table: { ...table, title: name }, drawing };
  } catch (error) {
    if (!(error instanceof NotAsked)) throw error;
    return { id, table: { ...gone(own).table, title: name, answer: error.message }, drawing: null };
  }
}

type Answer = Pick<KeptAnswer, 'table' | 'drawing'>;

function answer(ask: KeptAsk, sides: KeptSides): Answer | null {
  const own = sides[0]!.plan;
  switch (ask.shows) {
    case 'curve': {
      const { along, range, beside, of } = ask;
      const shown = sides.filter(({ id }) => id === null || beside.includes(id));
      const curve = curveOver(shown, { along, range, what: amountOf(of), points: CURVE_POINTS });
      if (!curve) return null;
      const table = curveTable(curve);
      const gone = beside.length - (shown.length - 1);
      const lines = [
        `${gone} ${gone === 1 ? 'alternative that was' : 'alternatives that were'} drawn beside it ${gone === 1 ? 'is' : 'are'} not there any more.`,
      ];
      const notes = gone === 0 ? table.notes : [...table.notes, { title: 'Not drawn', lines }];
      return { table: { ...table, notes }, drawing: curveDrawing(curve) };
    }
    case 'ready': {
      const curve = curveOf({ ...readyCurve(ask, own), points: READY_POINTS });
      return { table: curveTable(curve), drawing: curveDrawing(curve) };
    }
    case 'draws': {
      const simulation = new Simulation(own, ask.seed, ask.draws);
      simulation.advance(drawsWithin(simulation));
      const range = simulation.answer();
      const quick = effectsAreQuick(simulation);
      const { effects } = quick ? effectsOf(simulation, baseFor(simulation)) : { effects: [] };
      const table = rangeTable(range, effects);
      return {
        table: quick ? table : { ...table, notes: [...table.notes, NOT_HERE] },
        drawing: range.inputs.length > 0 ? rangeDrawing(range) : null,
      };
    }
    case 'units':
      return { table: usagePlanTable(usagePlan(own, ask.term)), drawing: null };
    case 'every-hour': {
      const plan = spendPlan(own, ask);
      return plan && { table: spendPlanTable(plan), drawing: levelsDrawing(plan) };
    }
    case 'prepaid': {
      const plan = creditPlan(own, ask);
      return plan && { table: creditPlanTable(plan), drawing: usesDrawing(plan) };
    }
    default:
      return assertNever(ask);
  }
}

const NOT_HERE = {
  title: 'What explains the spread',
  lines: ['Takes long for this design, because much of it is priced line by line: see “Range”.'],
};

/** A report waits for so long, about: milliseconds. */
const MOST_WEIGHT = 15_000;
const LEAST_DRAWS = 500;

/** Fewer than were asked for where the engine prices most of the design in each draw; the table says how many. */
function drawsWithin({ draws, weight }: Simulation): number {
  return Math.min(draws, Math.max(LEAST_DRAWS, Math.floor(MOST_WEIGHT / weight)));
}

/**
 * The amount that a question of a scope is about: of several lines, the first.
 *
 * @example
 * amountOf({ of: 'lines', ids: ['a'] }); // => { of: 'component', id: 'a' }
 */
export function amountOf(scope: Scope): AmountOf {
  if (scope.of === 'section') return { of: 'section', id: scope.id };
  if (scope.of === 'lines' && scope.ids[0]) return { of: 'component', id: scope.ids[0] };
  return { of: 'design' };
}

function gone({ design: { currency } }: DesignPlan): Answer {
  const answer = 'What this was asked of is not in the design any more.';
  return { table: { title: '', answer, currency, head: [], rows: [], notes: [] }, drawing: null };
}
