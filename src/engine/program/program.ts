/**
 * A priced design as a flat numeric program: every step of every trace once, in doubles, in the order in which each
 * needs only what stands before it. Asked with other entries it gives other amounts thousands of times a second. What
 * it follows is tried against the engine (`followed.ts`); everything else stays as it was priced. Source: pricing
 * rules, "Three cases"; needs for simulation, curves and sheets.
 */
import type { PricedDesign } from '../pricing';
import type { EntryOf, Operation } from '../trace';
import { stepsOf, type WorkingRow } from './steps';

/** An entry that stands in the program. */
export interface ProgramInput extends EntryOf {
  /** What it was priced with. */
  readonly value: number;
}

const CODES: Readonly<Record<Operation | 'same', number>> = {
  given: 0,
  rate: 0,
  same: 1,
  sum: 2,
  difference: 3,
  product: 4,
  quotient: 5,
  least: 6,
  greatest: 7,
  ceiling: 8,
  band: 9,
  within: 10,
};

/** Differences below this are the hair that doubles leave where decimals have none. */
const HAIR = 1e-12;

export class Program {
  private readonly code: Uint8Array;
  private readonly first: Int32Array;
  private readonly args: Int32Array;
  private readonly values: Float64Array;
  /** Steps that hang on an entry, in order; all others stay as they are. */
  private readonly moving: Int32Array;
  private readonly places: readonly (readonly number[])[];
  private readonly roots: Int32Array;
  /** Ids of the priced lines, in the order of `amounts`. */
  readonly lines: readonly string[];
  /** The month of each line, as the last run left it. NaN: a quantity left the only band that the trace knows. */
  readonly amounts: Float64Array;

  constructor(
    rows: readonly WorkingRow[],
    roots: ReadonlyMap<string, number>,
    readonly inputs: readonly ProgramInput[],
  ) {
    this.code = Uint8Array.from(rows, (row) => CODES[row.operation]);
    this.values = Float64Array.from(rows, (row) => row.value.toNumber());
    this.first = new Int32Array(rows.length + 1);
    rows.forEach((row, at) => (this.first[at + 1] = this.first[at]! + row.parts.length));
    this.args = Int32Array.from(rows.flatMap((row) => row.parts));
    const names = new Map(inputs.map((input, at) => [nameOf(input), at]));
    const places: number[][] = inputs.map(() => []);
    const moves = rows.map(() => false);
    const moving: number[] = [];
    rows.forEach((row, at) => {
      const input = row.input && names.get(nameOf(row.input));
      if (input !== undefined && input !== null && row.parts.length === 0) {
        places[input]!.push(at);
        moves[at] = true;
      } else if (row.parts.some((part) => moves[part])) {
        moving.push(at);
        moves[at] = true;
      }
    });
    this.places = places;
    this.moving = Int32Array.from(moving);
    this.lines = [...roots.keys()];
    this.roots = Int32Array.from(roots.values());
    this.amounts = Float64Array.from(this.roots, (root) => this.values[root]!);
  }

  /** How many steps each run works out. */
  get length(): number {
    return this.moving.length;
  }

  /**
   * Runs with one value for each of `inputs`; gives the sum of the months and leaves them in `amounts`.
   *
   * @example
   * const program = compileProgram(planOf(design, books));
   * const doubled = program.inputs.map(({ entry, value }) => (entry === 'count' ? value * 2 : value));
   * program.run(doubled); // => 292
   */
  run(values: ArrayLike<number>): number {
    for (let input = 0; input < this.places.length; input += 1) {
      for (const place of this.places[input]!) this.values[place] = values[input]!;
    }
    for (const at of this.moving) this.values[at] = this.step(at);
    let total = 0;
    for (let line = 0; line < this.roots.length; line += 1) {
      const amount = this.values[this.roots[line]!]!;
      this.amounts[line] = amount;
      total += amount;
    }
    return total;
  }

  /** Places of the inputs that any of the lines hangs on: one pass back over the steps, however many are asked for. */
  inputsBehind(lines: ReadonlySet<string>): Set<number> {
    const behind = new Uint8Array(this.values.length);
    this.lines.forEach((line, at) => {
      if (lines.has(line)) behind[this.roots[at]!] = 1;
    });
    for (let step = this.moving.length - 1; step >= 0; step -= 1) {
      const at = this.moving[step]!;
      if (behind[at] === 0) continue;
      for (let arg = this.first[at]!; arg < this.first[at + 1]!; arg += 1) behind[this.args[arg]!] = 1;
    }
    const found = this.places.flatMap((places, input) =>
      places.some((place) => behind[place] === 1) ? [input] : [],
    );
    return new Set(found);
  }

  private step(at: number): number {
    const { values, args } = this;
    const from = this.first[at]!;
    const to = this.first[at + 1]!;
    let result = to > from ? values[args[from]!]! : 0;
    switch (this.code[at]) {
      case CODES.same:
        return result;
      case CODES.sum:
        for (let arg = from + 1; arg < to; arg += 1) result += values[args[arg]!]!;
        return result;
      case CODES.difference:
        for (let arg = from + 1; arg < to; arg += 1) result -= values[args[arg]!]!;
        return result;
      case CODES.product:
        for (let arg = from + 1; arg < to; arg += 1) result *= values[args[arg]!]!;
        return result;
      case CODES.quotient:
        return result / values[args[from + 1]!]!;
      case CODES.least:
        for (let arg = from + 1; arg < to; arg += 1) result = Math.min(result, values[args[arg]!]!);
        return result;
      case CODES.greatest:
        for (let arg = from + 1; arg < to; arg += 1) result = Math.max(result, values[args[arg]!]!);
        return result;
      case CODES.ceiling:
        return Math.ceil(result - HAIR * Math.max(1, Math.abs(result)));
      default:
        return this.banded(at, from, to);
    }
  }

  private banded(at: number, from: number, to: number): number {
    const { values, args } = this;
    const quantity = values[args[from]!]!;
    const low = values[args[from + 1]!]!;
    const hair = HAIR * Math.max(1, Math.abs(quantity));
    const above = quantity > low + hair || (low === 0 && quantity <= hair && quantity >= 0);
    const inside = above && (to - from === 3 || quantity <= values[args[from + 2]!]! + hair);
    if (inside) return values[args[to - 1]!]!;
    return this.code[at] === CODES.within ? 0 : Number.NaN;
  }
}

export function nameOf({ component, entry }: EntryOf): string {
  return `${component}\n${entry}`;
}

/** Every entry that stands anywhere in the traces of a priced design. */
export function inputsOf(rows: readonly WorkingRow[]): ProgramInput[] {
  const found = new Map<string, ProgramInput>();
  for (const { input, value } of rows) {
    if (input && !found.has(nameOf(input))) found.set(nameOf(input), { ...input, value: value.toNumber() });
  }
  return [...found.values()];
}

/** The program of these inputs, whether the engine agrees with it or not. */
export function programOf(priced: PricedDesign, wanted: (input: EntryOf) => boolean = () => true): Program {
  const { rows, roots } = stepsOf(priced, new Map());
  return new Program(rows, roots, inputsOf(rows).filter(wanted));
}
