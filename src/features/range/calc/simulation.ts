/**
 * A simulation that goes on where it stopped: the same seed draws the same numbers, however it is asked. Every draw prices
 * the design by its program; what the program does not follow is priced by the engine. Source: pricing rules, "Three
 * cases"; needs U1, U2, L13.
 */
import { type Random, seededRandom } from '@/engine/base';
import type { DesignPlan } from '@/engine/pricing';
import { casesOf } from '@/engine/pricing';
import { MixedProgram, type Varied } from '@/engine/program';
import { allComponents } from '@/engine/design';
import type { MovingTogether } from '@/engine/drivers';
import { drawInto, type Factor, factorsOf, numbersOf } from './factors';
import { notDrawn, uncertainInputs } from './inputs';
import type { Quantiles, RangeAnswer, RangeRow, UncertainInput } from './model';

const BINS = 40;
/** Of a normal distribution: nineteen times of twenty. */
const NINETEEN_OF_TWENTY = 1.959964;

/** Most values that are kept by line: beyond it quantiles of lines are of the first draws. */
const MOST_KEPT = 4_000_000;

export class Simulation {
  readonly inputs: readonly UncertainInput[];
  readonly factors: readonly Factor[];
  readonly program: MixedProgram;
  private readonly random: Random;
  private readonly uniform: Float64Array;
  private readonly values: Float64Array;
  private readonly totals: Float64Array;
  /** Draw by draw, the lines of each. */
  private readonly kept: Float64Array;
  private readonly keptDraws: number;
  private done = 0;
  private filled = 0;

  constructor(
    private readonly plan: DesignPlan,
    readonly seed: string,
    readonly draws: number,
    together: readonly MovingTogether[] = plan.design.assumptions.together ?? [],
  ) {
    this.inputs = uncertainInputs(plan.design);
    this.factors = factorsOf(this.inputs, together);
    this.program = new MixedProgram(plan, this.inputs.map(variedOf));
    this.random = seededRandom(seed);
    this.uniform = new Float64Array(numbersOf(this.factors));
    this.values = new Float64Array(this.inputs.length);
    this.totals = new Float64Array(draws);
    const lines = Math.max(1, this.program.lines.length);
    this.keptDraws = Math.min(draws, Math.floor(MOST_KEPT / lines));
    this.kept = new Float64Array(this.keptDraws * lines);
  }

  /** About how many milliseconds one draw takes, by what is in it and not by the clock: the same on every machine. */
  get weight(): number {
    const { lines, plainLines } = this.program;
    return lines.length * 0.001 + plainLines.size || 0.001;
  }

  get isDone(): boolean {
    return this.done >= this.draws;
  }

  /** At most so many more draws, or until `enough` says so; gives how many are done. */
  advance(most: number, enough: () => boolean = () => false): number {
    const { program, uniform, values, kept } = this;
    const end = Math.min(this.draws, this.done + most);
    const width = program.lines.length;
    while (this.done < end) {
      for (let at = 0; at < uniform.length; at += 1) uniform[at] = this.random.next();
      drawInto(values, this.inputs, this.factors, uniform);
      const total = program.run(values);
      this.done += 1;
      if (!Number.isNaN(total)) {
        if (this.filled < this.keptDraws) kept.set(program.amounts, this.filled * width);
        this.totals[this.filled] = total;
        this.filled += 1;
      }
      if (this.done % 64 === 0 && enough()) break;
    }
    return this.done;
  }

  answer(): RangeAnswer {
    const { plan, filled } = this;
    const sorted = this.totals.slice(0, filled).sort();
    const { budget } = plan.design.assumptions;
    const [low, high] = errorPlaces(filled, 0.9);
    const least = sorted[0] ?? 0;
    const most = sorted[filled - 1] ?? 0;
    return {
      currency: plan.design.currency,
      seed: this.seed,
      draws: this.draws,
      done: this.done,
      without: this.done - filled,
      inputs: this.inputs,
      design: { ...quantilesOf(sorted), deviation: deviationOf(sorted), least, most },
      p90Between: [sorted[low] ?? 0, sorted[high] ?? 0],
      budget:
        budget === undefined ? null : { amount: budget, exceeded: 1 - shareUpTo(sorted, Number(budget)) },
      histogram: histogramOf(sorted),
      cumulative: Array.from({ length: 101 }, (_, per) => at(sorted, per / 100)),
      ...this.rows(),
      cases: this.cases(sorted),
      plainLines: this.program.plainLines.size,
      notes: notDrawn(plan.design),
    };
  }

  private cases(sorted: Float64Array): RangeAnswer['cases'] {
    const cases = casesOf(this.plan);
    return (['lean', 'likely', 'heavy'] as const).map((which) => {
      const amount = cases[which].monthly.value;
      return { case: which, amount: amount.toString(), rank: shareUpTo(sorted, amount.toNumber()) };
    });
  }

  private rows(): Pick<RangeAnswer, 'sections' | 'lines'> {
    const { program, plan, kept } = this;
    const width = program.lines.length;
    const draws = Math.min(this.filled, this.keptDraws);
    const names = new Map(allComponents(plan.design).map(({ id, name }) => [id, name]));
    const place = new Map(program.lines.map((id, line) => [id, line]));
    const column = (lines: readonly number[]): Float64Array => {
      const sums = new Float64Array(draws);
      for (let draw = 0; draw < draws; draw += 1) {
        for (const line of lines) sums[draw]! += kept[draw * width + line]!;
      }
      return sums.sort();
    };
    const row = (id: string, name: string, lines: readonly number[]): RangeRow => ({
      id,
      name,
      ...quantilesOf(column(lines)),
    });
    return {
      sections: plan.design.sections.map(({ id, name, components }) =>
        row(
          id,
          name,
          components.flatMap((each) => place.get(each.id) ?? []),
        ),
      ),
      lines: program.lines.map((id, line) => row(id, names.get(id) ?? '', [line])),
    };
  }
}

/**
 * An input as something that varies between its ends.
 *
 * @example
 * variedOf({ component: 'a', entry: 'count', label: 'Count', unit: '', lean: 1, likely: 2, heavy: 3, whole: true, known: null }).now; // => 2
 */
export function variedOf({ component, entry, lean, likely, heavy, whole }: UncertainInput): Varied {
  return { component, entry, low: Math.min(lean, heavy), high: Math.max(lean, heavy), now: likely, whole };
}

function quantilesOf(sorted: Float64Array): Quantiles {
  return {
    mean: meanOf(sorted),
    p10: at(sorted, 0.1),
    p50: at(sorted, 0.5),
    p80: at(sorted, 0.8),
    p90: at(sorted, 0.9),
  };
}

function meanOf(values: Float64Array): number {
  let sum = 0;
  for (const value of values) sum += value;
  return values.length === 0 ? 0 : sum / values.length;
}

function deviationOf(values: Float64Array): number {
  const mean = meanOf(values);
  let sum = 0;
  for (const value of values) sum += (value - mean) ** 2;
  return values.length < 2 ? 0 : Math.sqrt(sum / (values.length - 1));
}

/** Between two drawn amounts straight. */
function at(sorted: Float64Array, share: number): number {
  if (sorted.length === 0) return 0;
  const place = share * (sorted.length - 1);
  const low = Math.floor(place);
  const [a, b] = [sorted[low]!, sorted[Math.min(low + 1, sorted.length - 1)]!];
  return a + (b - a) * (place - low);
}

/** Places in the order between which a quantile lies nineteen times of twenty, whatever the distribution. */
function errorPlaces(draws: number, share: number): [number, number] {
  const middle = share * draws;
  const by = NINETEEN_OF_TWENTY * Math.sqrt(draws * share * (1 - share));
  return [Math.max(0, Math.floor(middle - by)), Math.min(draws - 1, Math.ceil(middle + by))];
}

/** The share of draws that are no more than an amount, a hair aside. */
function shareUpTo(sorted: Float64Array, amount: number): number {
  if (sorted.length === 0) return 0;
  const limit = amount + 1e-9 * Math.max(1, Math.abs(amount));
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (sorted[middle]! <= limit) low = middle + 1;
    else high = middle;
  }
  return low / sorted.length;
}

function histogramOf(sorted: Float64Array): RangeAnswer['histogram'] {
  const from = sorted[0] ?? 0;
  const width = (sorted[sorted.length - 1] ?? 0) - from;
  if (sorted.length === 0 || width <= 0)
    return { from, step: 0, counts: sorted.length === 0 ? [] : [sorted.length] };
  const counts = Array.from({ length: BINS }, () => 0);
  for (const value of sorted) counts[Math.min(BINS - 1, Math.floor(((value - from) / width) * BINS))]! += 1;
  return { from, step: width / BINS, counts };
}
