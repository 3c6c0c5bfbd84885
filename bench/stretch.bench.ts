/**
 * A design under other loads, without interface: curves, a map, draws, the level of a spend commitment. Baseline is the
 * plain loop in the same run: every point priced by the engine, each a design of its own.
 */
import { createAlternator } from '@/features/compare/calc/alternatives';
import { curveOf, gridOf, loadMap, usualAxis, variedAlong } from '@/features/load/calc';
import { allComponents, type Design, designInStep, type UsageEntry } from '@/engine/design';
import type { Driver } from '@/engine/drivers';
import { decimal } from '@/engine/base';
import { drawInto, numbersOf, Simulation } from '@/features/range/calc';
import { SpendWeek } from '@/features/paying/calc';
import { createPricer, type DesignPlan, planOf, priceDesign } from '@/engine/pricing';
import { underEntries } from '@/engine/program';
import { everyWeek, sameAllWeek, windowWeek } from '@/engine/usage';
import { demoBooks, designOfSize, TWELVE } from './designs';
import { type BenchRow, measure, printRows } from './measure';

const books = demoBooks();

const driver = (name: string, unit: string): Driver => ({
  ...{ name, title: name, unit, from: '10', to: '10000', scale: 'log' as const },
  value: { likely: '400', lean: '100', heavy: '2500' },
});

/** Half of the quantities follow one driver, the counts of every third line another; all of it has a range. */
function stated(components: number): Design {
  const design = designOfSize(components);
  let at = 0;
  const sections = design.sections.map((section) => ({
    ...section,
    components: section.components.map((component) => {
      at += 1;
      const usage = Object.fromEntries(
        Object.entries(component.usage).map(([meter, entry]): [string, UsageEntry] => {
          const { likely } = entry.amount;
          const formula = `users * ${decimal(likely).dividedBy(400).toDecimalPlaces(9)}[${entry.unit}/user]`;
          return [meter, entry.sizes || at % 2 === 0 ? entry : { ...entry, amount: { likely, formula } }];
        }),
      );
      const count = at % 3 === 0 ? { likely: '1', formula: 'ceil(jobs / 300[job])' } : component.count;
      return { ...component, usage, count };
    }),
  }));
  const drivers = [driver('users', 'user'), driver('jobs', 'job')];
  return designInStep({ ...design, sections, assumptions: { ...design.assumptions, drivers } });
}

const users = { of: 'driver', name: 'users' } as const;
const jobs = { of: 'driver', name: 'jobs' } as const;

function sidesOf(design: Design, many: number): { id: string; name: string; plan: DesignPlan }[] {
  const pricer = createPricer(books);
  const own = pricer.plan(design);
  const alternator = createAlternator(books, pricer);
  return TWELVE.slice(0, many).map((each) => {
    const plan = pricer.plan(alternator.apply(design, each).design, own);
    pricer.price(plan, { case: 'likely' });
    return { id: each.id, name: each.name, plan };
  });
}

function curve(): BenchRow {
  const design = stated(60);
  const axis = usualAxis(users, design)!;
  const sides = sidesOf(design, 4).map((side) => ({ ...side, varied: variedAlong(users, design, axis)! }));
  const ask = { axis, sides, what: { of: 'design' as const }, points: 500 };
  const some = gridOf(axis, 12);
  return {
    what: '4 alternatives × 500 points × 60 lines, a curve',
    measured: measure(6, 2, () => void curveOf(ask)),
    baseline: {
      what: '48 of the 2 000 points, plainly',
      measured: measure(2, 1, () => {
        for (const { plan, varied } of sides) {
          const components = new Map(allComponents(plan.design).map((each) => [each.id, each]));
          for (const x of some) {
            const { drivers } = underEntries([varied], [x], components);
            const anew = planOf(plan.design, books);
            anew.pricer.price(anew, { case: 'likely', drivers });
          }
        }
      }),
    },
    aim: '≤ 300 ms',
  };
}

function map(): BenchRow {
  const design = stated(60);
  const [x, y] = [usualAxis(users, design)!, usualAxis(jobs, design)!];
  const sides = sidesOf(design, 3).map((side) => ({
    ...side,
    varied: [variedAlong(users, design, x)!, variedAlong(jobs, design, y)!] as const,
  }));
  return {
    what: 'map of 3 alternatives × 60 × 60 × 60 lines',
    measured: measure(4, 1, () => void loadMap(sides, x, y, 60)),
    baseline: {
      what: 'one place of each, plainly',
      measured: measure(4, 1, () => {
        for (const { plan } of sides) priceDesign(plan.design, books, 'likely');
      }),
    },
    aim: '≤ 1 s',
  };
}

function draws(components: number, sides: number, aim: string): BenchRow {
  const design = stated(components);
  const plans = sidesOf(design, sides).map(({ plan }) => plan);
  const made = plans.map((plan) => new Simulation(plan, 'bench', 10_000));
  const plain = plans.map((plan) => new Simulation(plan, 'bench', 1));
  const values = plain.map(({ inputs }) => new Float64Array(inputs.length));
  console.log(
    `${components} lines: ${made[0]!.inputs.length} inputs, ${made.map((each) => each.program.plainLines.size).join('/')} lines by the engine`,
  );
  return {
    what: `10 000 draws × ${components} lines × ${sides}`,
    measured: measure(2, 0, () => {
      for (const plan of plans) new Simulation(plan, 'bench', 10_000).advance(10_000);
    }),
    baseline: {
      what: '20 draws of each, plainly',
      measured: measure(2, 1, () => {
        plain.forEach((simulation, side) => {
          for (let draw = 0; draw < 20; draw += 1) {
            const uniform = Float64Array.from(
              { length: numbersOf(simulation.factors) },
              (_, at) => ((draw + at) % 19) / 19,
            );
            drawInto(values[side]!, simulation.inputs, simulation.factors, uniform);
            simulation.program.exact(values[side]!);
          }
        });
      }),
    },
    aim,
  };
}

function planner(): BenchRow {
  const members = Array.from({ length: 200 }, (_, at) => ({
    id: `m${at}`,
    weeks: everyWeek(
      at % 2 === 0
        ? sameAllWeek(decimal(String((at % 5) + 1)))
        : windowWeek([0, 1, 2, 3, 4], at % 24, decimal('8'), {
            outside: decimal('0'),
            inside: decimal(String((at % 7) + 1)),
          }),
    ),
    committed: decimal('0.05').plus(decimal(String(at)).dividedBy(10_000)),
    onDemand: decimal('0.1'),
  }));
  const levels = SpendWeek.of(members, 1).bends();
  return {
    what: 'best level over 168 hours × 200 lines',
    measured: measure(20, 3, () => void SpendWeek.of(members, 1).best()),
    baseline: {
      what: 'every level tried in turn',
      measured: measure(3, 1, () => {
        const week = SpendWeek.of(members, 1);
        Math.min(...levels.map((level) => week.at(level)));
      }),
    },
    aim: '≤ 100 ms',
  };
}

printRows('stretch', [curve(), map(), draws(60, 3, '≤ 2 s'), draws(200, 1, '≤ 5 s'), planner()]);
const { heapUsed, arrayBuffers } = process.memoryUsage();
console.log(`memory at the end: ${Math.round((heapUsed + arrayBuffers) / 1e6)} MB`);
