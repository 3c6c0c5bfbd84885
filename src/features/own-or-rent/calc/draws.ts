/**
 * Thousands of draws of the difference, each uncertain assumption from its own triangular distribution; the band around
 * both lines; and which assumptions the spread comes from. Source: pricing rules, "Three cases"; needs U1, U2.
 */
import { seededRandom, type Random } from '@/engine/base';
import { triangularAt } from '@/features/range/calc';
import type { FastStudy } from './fast-study';

export interface StudyDraws {
  readonly seed: string;
  readonly draws: number;
  readonly done: number;
  /** By how much renting costs more: money. */
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
  /** The same as a share of owning. */
  readonly shares: { readonly p10: number; readonly p50: number; readonly p90: number };
  /** How many of the draws renting costs less in, as a share. */
  readonly rentWins: number;
  /** Sums so far, by month, that nine of ten draws are above and below. */
  readonly own: Band;
  readonly rent: Band;
  /** Share of the spread of ranks that goes with each, the largest first; squared rank correlation. */
  readonly drivers: readonly { readonly id: string; readonly share: number; readonly falls: boolean }[];
}

export interface Band {
  readonly low: readonly number[];
  readonly high: readonly number[];
}

/** The same draws wherever a study's range is told. */
export const STUDY_DRAWS = { draws: 10_000, seed: 'own or rent' } as const;

/** Of so many draws the months are kept. */
const KEPT_MONTHS = 1000;

/** A simulation that goes on where it stopped: the same seed draws the same numbers, however it is asked. */
export class StudySimulation {
  /** Places of the assumptions that have a range. */
  readonly uncertain: readonly number[];
  private readonly random: Random;
  private readonly differences: Float64Array;
  private readonly relative: Float64Array;
  private readonly drawn: Float64Array;
  private readonly ownMonths: Float64Array[] = [];
  private readonly rentMonths: Float64Array[] = [];
  private done = 0;

  constructor(
    private readonly fast: FastStudy,
    readonly seed: string,
    readonly draws: number,
  ) {
    this.uncertain = fast.assumptions.flatMap(({ value }, at) =>
      value.lean === undefined && value.heavy === undefined ? [] : [at],
    );
    this.random = seededRandom(seed);
    this.differences = new Float64Array(draws);
    this.relative = new Float64Array(draws);
    this.drawn = new Float64Array(draws * this.uncertain.length);
  }

  get isDone(): boolean {
    return this.done >= this.draws;
  }

  /** At most so many more draws, or until `enough` says so; gives how many are done. */
  advance(most: number, enough: () => boolean = () => false): number {
    const { fast, uncertain } = this;
    const values = Float64Array.from(fast.likely);
    const end = Math.min(this.draws, this.done + most);
    while (this.done < end) {
      uncertain.forEach((at, place) => {
        const { field, value } = fast.assumptions[at]!;
        const [lean, heavy] = [Number(value.lean ?? value.likely), Number(value.heavy ?? value.likely)];
        const drawn = triangularAt({ lean, likely: fast.likely[at]!, heavy }, this.random.next());
        values[at] = field.whole ? Math.round(drawn) : drawn;
        this.drawn[this.done * uncertain.length + place] = values[at]!;
      });
      const { own, rent } = fast.run(values);
      this.differences[this.done] = rent - own;
      this.relative[this.done] = own === 0 ? 0 : (rent - own) / Math.abs(own);
      if (this.done < KEPT_MONTHS) {
        this.ownMonths.push(sumsOf(fast.own[fast.study.basis]));
        this.rentMonths.push(sumsOf(fast.rent[fast.study.basis]));
      }
      this.done += 1;
      if (this.done % 32 === 0 && enough()) break;
    }
    return this.done;
  }

  answer(): StudyDraws {
    const { done, fast } = this;
    const sorted = this.differences.slice(0, done).sort();
    const relative = this.relative.slice(0, done).sort();
    let wins = 0;
    for (const each of sorted) if (each < 0) wins += 1;
    const quantiles = (of: Float64Array) => ({
      p10: placed(of, 0.1),
      p50: placed(of, 0.5),
      p90: placed(of, 0.9),
    });
    return {
      seed: this.seed,
      draws: this.draws,
      done,
      ...quantiles(sorted),
      shares: quantiles(relative),
      rentWins: done === 0 ? 0 : wins / done,
      own: bandOf(this.ownMonths, fast.months),
      rent: bandOf(this.rentMonths, fast.months),
      drivers: this.drivers(),
    };
  }

  /** Ranks against ranks (Spearman, 1904), squared. */
  private drivers(): StudyDraws['drivers'] {
    const { done, uncertain } = this;
    const ranks = ranksOf(this.differences.slice(0, done));
    const found = uncertain.map((at, place) => {
      const own = new Float64Array(done);
      for (let draw = 0; draw < done; draw += 1) own[draw] = this.drawn[draw * uncertain.length + place]!;
      const correlation = correlationOf(ranksOf(own), ranks);
      return { id: this.fast.assumptions[at]!.id, share: correlation ** 2, falls: correlation < 0 };
    });
    return found.sort((a, b) => b.share - a.share || (a.id < b.id ? -1 : 1));
  }
}

function sumsOf(amounts: Float64Array): Float64Array {
  const sums = new Float64Array(amounts.length);
  let sum = 0;
  for (let month = 0; month < amounts.length; month += 1) sums[month] = sum += amounts[month]!;
  return sums;
}

/** Between two drawn amounts straight. */
function placed(sorted: Float64Array, share: number): number {
  if (sorted.length === 0) return 0;
  const place = share * (sorted.length - 1);
  const low = Math.floor(place);
  const [a, b] = [sorted[low]!, sorted[Math.min(low + 1, sorted.length - 1)]!];
  return a + (b - a) * (place - low);
}

function bandOf(draws: readonly Float64Array[], months: number): Band {
  const [low, high]: [number[], number[]] = [[], []];
  const column = new Float64Array(draws.length);
  for (let month = 0; month < months; month += 1) {
    draws.forEach((sums, draw) => {
      column[draw] = sums[month]!;
    });
    const sorted = column.slice().sort();
    low.push(placed(sorted, 0.1));
    high.push(placed(sorted, 0.9));
  }
  return { low, high };
}

/** Equals share the mean of their ranks. */
function ranksOf(values: Float64Array): Float64Array {
  const order = Uint32Array.from(values, (_, at) => at).sort((a, b) => values[a]! - values[b]!);
  const ranks = new Float64Array(values.length);
  for (let from = 0; from < order.length;) {
    let to = from + 1;
    while (to < order.length && values[order[to]!] === values[order[from]!]) to += 1;
    for (let place = from; place < to; place += 1) ranks[order[place]!] = (from + to - 1) / 2;
    from = to;
  }
  return ranks;
}

function correlationOf(a: Float64Array, b: Float64Array): number {
  const mean = (a.length - 1) / 2;
  let [both, ofA, ofB] = [0, 0, 0];
  for (let at = 0; at < a.length; at += 1) {
    const [x, y] = [a[at]! - mean, b[at]! - mean];
    both += x * y;
    ofA += x * x;
    ofB += y * y;
  }
  return ofA === 0 || ofB === 0 ? 0 : both / Math.sqrt(ofA * ofB);
}
