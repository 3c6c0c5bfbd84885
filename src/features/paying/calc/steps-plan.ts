/**
 * At once, or in steps: how much to commit for every hour over the months ahead, with growth, seasons, what begins and
 * what ends, commitments that are there already among it. Each year's cost over the level bends only upwards, so that the
 * levels worth looking at are the best ones of the stretches of years; the best way through them is found among all. What
 * is shown is priced by the engine, month by month. Needs E15, F15, K12, P7.
 */
import { priceMonths } from '@/engine/analysis';
import type { Component, Design, DesignEdit } from '@/engine/design';
import type { DesignPlan } from '@/engine/pricing';
import { commitmentOf } from '@/engine/terms';
import { byCase } from './by-case';
import type { ByCase } from './model';
import { hoursOfMonth } from './month-of';
import { commitmentLine, costOfMoney, type SpendWish, TRIED, withCommitment, writeLevel } from './spend-line';
import { SpendWeek } from './spend-week';

const YEAR = 12;

export interface Step {
  /** The first is 1. */
  readonly fromMonth: number;
  readonly level: string;
}

export interface StepsRow {
  /** Nothing; one level throughout; a level for each year. */
  readonly way: 'none' | 'once' | 'steps';
  readonly steps: readonly Step[];
  /** What all months come to as they compare, exact; upfront money spread over its term. */
  readonly totals: ByCase<string>;
  /** What leaves the account in them, likely. */
  readonly cash: string;
}

export interface StepsPlan {
  readonly currency: string;
  readonly months: number;
  /** A longer term is added to, and never taken from. */
  readonly onlyUp: boolean;
  readonly rows: readonly StepsRow[];
}

/**
 * Null: nothing that runs is sold at a committed price under the term in any of the months.
 *
 * @example
 * stepsPlan(plan, { book: 'small', region: 'severn', sku: 'PLEDGE', term: '12-none', level: null }, 36); // => null
 */
export function stepsPlan(plan: DesignPlan, wish: SpendWish, months: number): StepsPlan | null {
  const { design, pricer } = plan;
  const tried = pricer.plan(withCommitment(design, wish, '1'), plan);
  const weeks = Array.from({ length: months }, (_, month) =>
    pricer.offeredTo(tried, { case: 'likely', month }, TRIED),
  );
  if (weeks.every((members) => members.length === 0)) return null;
  const cost = costOfMoney(tried, hoursOfMonth(tried, wish.book).toNumber());
  const years = inYears(weeks.map((members) => SpendWeek.of(members, cost)));
  const onlyUp = (commitmentOf(wish.term)?.months ?? YEAR) > YEAR;
  const levels = levelsWorth(years);
  const costs = years.map((year) => levels.map((level) => year.at(level)));
  const once = SpendWeek.together(years).best();
  const path = cheapestPath(costs, onlyUp).map((at) => levels[at]!);
  const ways: Pick<StepsRow, 'way' | 'steps'>[] = [
    { way: 'none', steps: [] },
    { way: 'once', steps: stepsOf([once]) },
    { way: 'steps', steps: stepsOf(path) },
  ];
  return {
    currency: design.currency,
    months,
    onlyUp,
    rows: ways.map(({ way, steps }): StepsRow => {
      const made = pricer.plan(withSteps(design, wish, steps), plan);
      const totals = byCase((which) => priceMonths(made, which, months).whole);
      return {
        way,
        steps,
        totals: byCase((which) => totals[which].monthly.toString()),
        cash: totals.likely.cash.toString(),
      };
    }),
  };
}

function inYears(weeks: readonly SpendWeek[]): SpendWeek[] {
  return Array.from({ length: Math.ceil(weeks.length / YEAR) }, (_, year) =>
    SpendWeek.together(weeks.slice(year * YEAR, (year + 1) * YEAR)),
  );
}

/** Nothing, and the best level of every stretch of years. */
function levelsWorth(years: readonly SpendWeek[]): number[] {
  const found = new Set([0]);
  for (let from = 0; from < years.length; from += 1) {
    for (let to = from + 1; to <= years.length; to += 1) {
      found.add(SpendWeek.together(years.slice(from, to)).best());
    }
  }
  return [...found].sort((a, b) => a - b);
}

/**
 * Of each year the place of its level, so that all years together cost least; with `onlyUp` no year is below the one before.
 * Levels rise with their places.
 *
 * @example
 * cheapestPath([[1, 2, 9], [9, 3, 1], [1, 2, 9]], true); // => [0, 1, 1]
 */
export function cheapestPath(costs: readonly (readonly number[])[], onlyUp: boolean): number[] {
  const width = costs[0]?.length ?? 0;
  // The least that the years so far cost, if the last of them stands there; and where the one before stood.
  let least = new Array<number>(width).fill(0);
  const from: number[][] = [];
  for (const year of costs) {
    let best = 0;
    const overall = least.indexOf(Math.min(...least));
    const came = year.map((_, at) => {
      if (!onlyUp) return overall;
      if (least[at]! < least[best]!) best = at;
      return best;
    });
    least = year.map((cost, at) => cost + least[came[at]!]!);
    from.push(came);
  }
  const path: number[] = [];
  let at = least.indexOf(Math.min(...least));
  for (let year = costs.length - 1; year >= 0; year -= 1) {
    path.unshift(at);
    at = from[year]![at]!;
  }
  return path;
}

/** By year, equal ones after one another once; nothing at the beginning is no step. */
function stepsOf(levels: readonly number[]): Step[] {
  const all = levels.map((level, year): Step => ({ fromMonth: year * YEAR + 1, level: writeLevel(level) }));
  return all.filter(({ level }, at) => level !== (at === 0 ? '0' : all[at - 1]!.level));
}

function withSteps(design: Design, wish: SpendWish, steps: readonly Step[]): Design {
  const made = withCommitment(design, wish, steps[0]?.level ?? '0');
  const line = steps.length === 0 ? null : steppedLine(wish, steps, TRIED);
  if (!line) return made;
  const section = made.sections[made.sections.length - 1]!;
  return { ...made, sections: [...made.sections.slice(0, -1), { ...section, components: [line] }] };
}

function steppedLine(wish: SpendWish, [first, ...rest]: readonly Step[], id: string): Component {
  const line = commitmentLine(wish, first!.level, id);
  return {
    ...line,
    ...(first!.fromMonth === 1 ? {} : { months: { from: first!.fromMonth, to: null } }),
    ...(rest.length === 0
      ? {}
      : { later: rest.map(({ fromMonth, level }) => ({ fromMonth, amount: level })) }),
  };
}

/**
 * The edits that take steps on: a line of its own, in the last section; none for no steps.
 *
 * @example
 * takeOnSteps(design, { book: 'small', region: 'severn', sku: 'PLEDGE', term: '12-none', level: null }, [{ fromMonth: 1, level: '2' }], 'new')[0]!.edit; // => 'add-component'
 */
export function takeOnSteps(
  design: Design,
  wish: SpendWish,
  steps: readonly Step[],
  id: string,
): DesignEdit[] {
  const section = design.sections[design.sections.length - 1];
  if (!section || steps.length === 0) return [];
  const component = steppedLine(wish, steps, id);
  return [{ edit: 'add-component', section: section.id, index: section.components.length, component }];
}
