/** `wick load`, `wick range` and the planning side of `wick pay`: the same core and so the same numbers as on screen. */
import { DEFAULT_HORIZON } from '@/engine/analysis';
import { createAlternator } from '@/features/compare/calc/alternatives';
import { parseDecimal } from '@/engine/base';
import { curveOver, usualAxis } from '@/features/load/calc';
import { type Along, type LookedAt, allComponents, type Design } from '@/engine/design';
import {
  bothTable,
  creditPlanTable,
  spendPlanTable,
  stepsTable,
  usagePlanTable,
} from '@/features/paying/words';
import { curveTable } from '@/features/load/words';
import { rangeTable } from '@/features/range/words';
import { baseFor, effectsOf, Simulation, swingsOf } from '@/features/range/calc';
import {
  bothPlan,
  creditPlan,
  type SoldAhead,
  soldAhead,
  spendPlan,
  stepsPlan,
  usagePlan,
} from '@/features/paying/calc';
import { type AmountOf, createPricer, type DesignPlan, planOf } from '@/engine/pricing';
import { TERMS, type Term } from '@/engine/terms';
import { readAlong } from '@/features/load/format/along-text';
import { invalid } from '@/platform/use/app-error';
import { booksOf, readDesignFile } from './files';
import type { Call, Option } from './options';
import { writeTable } from './table-output';

const INCOMPLETE = 3;
const POINTS = 160;
const DRAWS = 10_000;
const MOST_DRAWS = 1_000_000;
const MOST_MONTHS = 120;

/** 0 if every side was priced whole, 3 if a line has no amount. */
export async function loadCommand(call: Call): Promise<number> {
  const design = readDesignFile(call.given[0]!);
  const along = alongOf(call, design);
  const range = rangeOf(call, along, design);
  const what = whatOf(call, design);
  const points = whole(call, 'points', POINTS, 2000);
  const books = await booksOf(call.all('books'));
  const pricer = createPricer(books);
  const own = pricer.plan(design);
  const alternator = createAlternator(books, pricer);
  const plans = [
    { id: null, name: 'The design', plan: own },
    ...(design.alternatives ?? []).map((each) => ({
      id: each.id,
      name: each.name,
      plan: pricer.plan(alternator.apply(design, each).design, own),
    })),
  ];
  const curve = curveOver(plans, { along, range, what, points })!;
  await writeTable(call, curveTable(curve), curve);
  return curve.sides.some(({ unpriced }) => unpriced > 0) ? INCOMPLETE : 0;
}

/** 0; 3 if a line of the design has no amount. */
export async function rangeCommand(call: Call): Promise<number> {
  const design = readDesignFile(call.given[0]!);
  const draws = whole(call, 'draws', DRAWS, MOST_DRAWS);
  const plan = planOf(design, await booksOf(call.all('books')));
  const simulation = new Simulation(plan, call.one('seed') ?? 'harbour', draws);
  simulation.advance(draws);
  const answer = simulation.answer();
  const effects = effectsOf(simulation, baseFor(simulation));
  const swings = swingsOf(simulation);
  await writeTable(call, rangeTable(answer, effects.effects), { ...answer, effects, swings });
  return plan.pricer.price(plan, { case: 'likely' }).unpriced > 0 ? INCOMPLETE : 0;
}

const PLANS: readonly Option[] = ['commit', 'every-hour', 'prepaid'];

/** Null: no plan was asked for. */
export async function planCommand(call: Call): Promise<number | null> {
  const asked = PLANS.filter((option) => call.one(option) !== undefined);
  if (asked.length === 0) return null;
  if (asked.length > 1) throw invalid(`--${asked[0]} and --${asked[1]} do not go together.`);
  for (const option of ['line', 'leave'] as const) {
    if (call.one(option) !== undefined) throw invalid(`--${option} does not go with --${asked[0]}.`);
  }
  const design = readDesignFile(call.given[0]!);
  const commit = call.one('commit') === undefined ? null : termOf(call.one('commit')!);
  const plan = planOf(design, await booksOf(call.all('books')));
  if (commit) {
    const made = usagePlan(plan, commit);
    await writeTable(call, usagePlanTable(made), made);
    return 0;
  }
  if (asked[0] === 'prepaid') {
    const made = creditPlan(plan, offerOf(plan, 'prepaid-credit', call.one('prepaid')!));
    if (!made) throw invalid('Nothing is sold so.');
    await writeTable(call, creditPlanTable(made), made);
    return 0;
  }
  const offer = offerOf(plan, 'spend-commitment', call.one('every-hour')!);
  const term = call.one('term') === undefined ? offer.terms[0]! : termOf(call.one('term')!);
  if (!offer.terms.includes(term)) throw invalid(`“${offer.sku}” is sold for: ${offer.terms.join(', ')}.`);
  const wish = { ...offer, term, level: null };
  const nothing = 'Nothing that runs in this design is sold at a committed price under it.';
  if (call.one('with-lines') !== undefined) {
    const both = bothPlan(plan, termOf(call.one('with-lines')!), wish);
    await writeTable(call, bothTable(both), both);
    return 0;
  }
  if (call.one('months') !== undefined) {
    const steps = stepsPlan(plan, wish, whole(call, 'months', DEFAULT_HORIZON, MOST_MONTHS));
    if (!steps) throw invalid(nothing);
    await writeTable(call, stepsTable(steps, term), steps);
    return 0;
  }
  const made = spendPlan(plan, { ...offer, term, level: call.one('level') ?? null });
  if (!made) throw invalid(nothing);
  await writeTable(call, spendPlanTable(made), made);
  return 0;
}

function offerOf(plan: DesignPlan, kind: 'prepaid-credit' | 'spend-commitment', sku: string): SoldAhead {
  const sold = soldAhead(plan, kind);
  const found = sold.find((each) => each.sku === sku);
  if (found) return found;
  const there = sold.map((each) => each.sku).join(', ') || 'none';
  throw invalid(`“${sku}” is not sold where the design is; there are: ${there}.`);
}

function termOf(text: string): Term {
  const term = TERMS.find((each) => each === text);
  if (!term || term === 'on-demand' || term === 'interruptible') {
    throw invalid(`“${text}” is no commitment; for example 12-none, 36-part, 36-all.`);
  }
  return term;
}

function alongOf(call: Call, design: Design): Along {
  const text = call.one('along');
  const first = design.assumptions.drivers?.[0];
  if (text === undefined) return first ? { of: 'driver', name: first.name } : { of: 'traffic' };
  const named = design.assumptions.drivers?.find(({ name }) => name === text);
  const along = named ? ({ of: 'driver', name: named.name } as const) : readAlong(text);
  if (along && usualAxis(along, design)) return along;
  const drivers = (design.assumptions.drivers ?? []).map(({ name }) => name).join(', ') || 'none';
  throw invalid(
    `--along takes traffic, a driver (here: ${drivers}) or “entry LINE ENTRY”, for example “entry s1c1 count”.`,
  );
}

function rangeOf(call: Call, along: Along, design: Design): LookedAt {
  const usual = usualAxis(along, design)!;
  const end = (option: 'from' | 'to'): number => {
    const text = call.one(option);
    if (text === undefined) return usual[option];
    const read = parseDecimal(text);
    if (read.ok && !read.value.isNegative()) return read.value.toNumber();
    throw invalid(`--${option} takes a number of zero or more.`);
  };
  const [from, to] = [end('from'), end('to')];
  if (!(to > from)) throw invalid('The range must end above where it begins.');
  return { from, to, scale: from > 0 ? usual.scale : 'linear' };
}

function whatOf(call: Call, design: Design): AmountOf {
  const [line, section] = [call.one('line'), call.one('section')];
  if (line !== undefined) {
    const found = allComponents(design).find(({ id, name }) => id === line || name === line);
    if (!found) throw invalid(`“${design.title}” has no line “${line}”.`);
    return { of: 'component', id: found.id };
  }
  if (section !== undefined) {
    const found = design.sections.find(({ id, name }) => id === section || name === section);
    if (!found) throw invalid(`“${design.title}” has no section “${section}”.`);
    return { of: 'section', id: found.id };
  }
  return { of: 'design' };
}

function whole(call: Call, option: 'points' | 'draws' | 'months', otherwise: number, most: number): number {
  const text = call.one(option);
  if (text === undefined) return otherwise;
  const number = Number(text);
  if (/^\d+$/.test(text) && number >= 2 && number <= most) return number;
  throw invalid(`--${option} takes a whole number from 2 to ${most}.`);
}
