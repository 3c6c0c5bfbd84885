/**
 * How many units of each line to commit. The month over the level is straight between the numbers of units that some hour
 * runs, so the best level is one of them: each is priced by the engine, in every case. Needs E15, F14, P7.
 */
import { type Decimal, decimal, roundedUp, ZERO } from '@/engine/base';
import { kindOf } from '@/engine/books';
import { allComponents, type Component, type DesignEdit } from '@/engine/design';
import type { DesignPlan, PricedDesign } from '@/engine/pricing';
import { commitmentOf, type Term } from '@/engine/terms';
import { type Case, CASES, readCase, runningTime, unitHoursOf } from '@/engine/usage';
import { byCase } from './by-case';
import type { StoppableRow, UsagePlan, UsageRow } from './model';
import { hoursOfMonth } from './month-of';
import { leastRegret } from './regret';

/** So many levels of a line are looked at first; where there are more, evenly chosen among them. */
const MOST_LEVELS = 24;

/**
 * @example
 * usagePlan(plan, '12-none').rows.map(({ name, levels }) => [name, levels.length]); // => [['Component a', 2]]
 */
export function usagePlan(plan: DesignPlan, term: Term): UsagePlan {
  const { design, pricer } = plan;
  const rows: UsageRow[] = [];
  const instead = new Map<string, Component>();
  for (const component of allComponents(design)) {
    if (!commits(component, term)) continue;
    const row = rowOf(plan, component, term);
    if (!row) continue;
    rows.push(row);
    const calm = row.levels[row.calm]!;
    if (row.isBetter) instead.set(component.id, committedTo(component, term, calm.units));
  }
  const likely = pricer.price(plan, { case: 'likely' });
  const then = instead.size === 0 ? likely : pricer.price(plan, { case: 'likely', instead });
  const gain = ({ stands, levels, calm }: UsageRow): number =>
    Number(stands) - Number(levels[calm]!.amounts.likely);
  return {
    currency: design.currency,
    term,
    rows: rows.sort((a, b) => gain(b) - gain(a) || (a.id < b.id ? -1 : 1)),
    now: likely.monthly.value.toString(),
    then: then.monthly.value.toString(),
    stoppable: stoppableOf(plan, likely),
  };
}

function stoppableOf(plan: DesignPlan, likely: PricedDesign): StoppableRow[] {
  const rows = allComponents(plan.design).flatMap((component): StoppableRow[] => {
    const { id, name, term, mayBeStopped } = component;
    if (!kindOf(component.kind).committable || term === 'interruptible') return [];
    const stands = lineMonth(likely, id);
    const { committed: _, ...free } = component;
    const instead = new Map([[id, { ...free, term: 'interruptible' as const }]]);
    const then = stands && lineMonth(plan.pricer.price(plan, { case: 'likely', instead }), id);
    if (!stands || !then?.lessThan(stands)) return [];
    return [
      {
        id,
        name,
        mayBeStopped: mayBeStopped === true,
        stands: stands.toString(),
        interruptible: then.toString(),
      },
    ];
  });
  const saves = (row: StoppableRow): number => Number(row.stands) - Number(row.interruptible);
  return rows.sort(
    (a, b) =>
      Number(b.mayBeStopped) - Number(a.mayBeStopped) || saves(b) - saves(a) || (a.id < b.id ? -1 : 1),
  );
}

function commits(component: Component, term: Term): boolean {
  const { role, committable, meters } = kindOf(component.kind);
  return (
    role === 'part' &&
    committable &&
    commitmentOf(term) !== null &&
    meters.some(({ from }) => from === 'running')
  );
}

/**
 * On demand for no unit; else so many under the term.
 *
 * @example
 * committedTo(server, '12-none', '0').term; // => 'on-demand'
 */
export function committedTo(component: Component, term: Term, units: string): Component {
  const { committed: _, ...free } = component;
  return units === '0' ? { ...free, term: 'on-demand' } : { ...free, term, committed: { likely: units } };
}

/** Null: it has no amount on demand, or is not sold under the term. */
function rowOf(plan: DesignPlan, component: Component, term: Term): UsageRow | null {
  const { design, pricer } = plan;
  const running = {} as Record<Case, Units>;
  for (const which of CASES) {
    const units = unitsOf(plan, component, which);
    if (!units) return null;
    running[which] = units;
  }
  const all = levelsWorth(running);
  const known = new Map<string, Record<Case, Decimal | null>>();
  const look = (worth: readonly string[]) => {
    for (const units of worth)
      if (!known.has(units)) known.set(units, amountsAt(plan, component, term, units));
    return all.flatMap((units) => {
      const amounts = known.get(units);
      return amounts && CASES.every((which) => amounts[which] !== null) ? [{ units, amounts }] : [];
    });
  };
  const coarse = look(thinned(all));
  if (coarse.length < 2 || coarse[0]!.units !== '0') return null;
  // Between two levels the month bends only upwards: the best of all is beside the best of those looked at first.
  const first = leastRegret(coarse.map(({ amounts }) => amounts));
  const near = [first.calm, ...CASES.map((which) => first.best[which])].flatMap((at) => {
    const place = (index: number, otherwise: number): number => {
      const level = coarse[index];
      return level ? all.indexOf(level.units) : otherwise;
    };
    return all.slice(place(at - 1, 0), place(at + 1, all.length - 1) + 1);
  });
  const sold = look(near);
  const { best, calm, regret } = leastRegret(sold.map(({ amounts }) => amounts));
  const priced = pricer
    .price(plan, { case: 'likely' })
    .sections.flatMap(({ lines }) => lines)
    .find(({ id }) => id === component.id);
  if (priced?.status !== 'priced') return null;
  const committed = commitmentOf(component.term);
  const stands = priced.monthly.value;
  const saving = sold[0]!.amounts.likely!.minus(sold[calm]!.amounts.likely!);
  return {
    id: component.id,
    name: component.name,
    offer: priced.offer?.name ?? '',
    book: design.books.find(({ book }) => book === component.place?.book)?.book ?? '',
    region: component.place?.region ?? '',
    term,
    now: committed
      ? { term: component.term, units: component.committed ? component.committed.likely : null }
      : null,
    stands: stands.toString(),
    isBetter: sold[calm]!.amounts.likely!.lessThan(stands),
    running: byCase((which) => {
      const { least, mean, most } = running[which];
      return { least: least.toNumber(), mean: mean.toNumber(), most: most.toNumber() };
    }),
    levels: sold.map(({ units, amounts }) => ({
      units,
      amounts: byCase((which) => amounts[which]!.toString()),
    })),
    best,
    calm,
    regret: regret.toString(),
    saving: saving.toString(),
  };
}

interface Units {
  readonly least: Decimal;
  readonly mean: Decimal;
  readonly most: Decimal;
  /** Each number of units that some hour runs. */
  readonly all: readonly Decimal[];
}

function unitsOf(plan: DesignPlan, component: Component, which: Case): Units | null {
  const hours = hoursOfMonth(plan, component.place?.book);
  const time = runningTime(component.running, hours, which, component.load ?? null);
  if (!time.ok) return null;
  const count = decimal(readCase(component.count, which));
  const found = new Map<string, Decimal>();
  let sum = ZERO;
  for (const { share, hours: week } of time.value.profile.weeks) {
    for (const hour of week) {
      const units = unitHoursOf(hour).times(count);
      found.set(units.toString(), units);
      sum = sum.plus(units.times(share));
    }
  }
  const all = [...found.values()].sort((a, b) => a.comparedTo(b));
  return { least: all[0]!, mean: sum.dividedBy(168), most: all[all.length - 1]!, all };
}

/** Whole units at and around each number that some hour runs, in any case. */
function levelsWorth(running: Readonly<Record<Case, Units>>): string[] {
  const found = new Set<number>([0]);
  for (const which of CASES) {
    for (const units of running[which].all) {
      const up = roundedUp(units).toNumber();
      found.add(up);
      if (!units.isInteger() && up > 0) found.add(up - 1);
    }
  }
  const sorted = [...found].sort((a, b) => a - b);
  return sorted.map(String);
}

function thinned(levels: readonly string[]): string[] {
  const step = Math.ceil(levels.length / MOST_LEVELS);
  return levels.filter((_, at) => at % step === 0 || at === levels.length - 1);
}

function amountsAt(plan: DesignPlan, component: Component, term: Term, units: string) {
  const instead = new Map([[component.id, committedTo(component, term, units)]]);
  return byCase((which) => lineMonth(plan.pricer.price(plan, { case: which, instead }), component.id));
}

function lineMonth({ sections }: PricedDesign, id: string): Decimal | null {
  const line = sections.flatMap(({ lines }) => lines).find((each) => each.id === id);
  return line?.status === 'priced' ? line.monthly.value : null;
}

/**
 * The edits that take a level on; none takes the commitment away.
 *
 * @example
 * takeOnUnits(server, '12-none', '2').map(({ edit }) => edit); // => ['set-component', 'set-component']
 */
export function takeOnUnits({ id }: Pick<Component, 'id'>, term: Term, units: string): DesignEdit[] {
  const isNone = units === '0';
  return [
    { edit: 'set-component', id, field: 'term', value: isNone ? 'on-demand' : term },
    { edit: 'set-component', id, field: 'committed', value: isNone ? null : { likely: units } },
  ];
}
