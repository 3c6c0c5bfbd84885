/** Where the calculation writes what leaves when: by line and month, twice: as cash, and spread over what it buys. */
import type { Algebra, Run } from './algebra';
import { type StudyKind, STUDY_KINDS } from './model';

export interface FlowLine {
  readonly id: string;
  readonly side: 'owned' | 'rented' | 'move';
  readonly kind: StudyKind;
  readonly name: string;
}

export interface FlowBook<T> {
  put(line: FlowLine, month: number, cash: T, spread: T): void;
  /** The same in every month from one until before another. */
  fill(line: FlowLine, from: number, to: number, cash: T, spread: T): void;
  /** A run, from a month until before another: paid as it is used. */
  putRun(line: FlowLine, from: number, to: number, run: Run<T>): void;
  /** What a line is still worth when the study ends. */
  left(line: FlowLine, worth: T): void;
  /** What of the owned side went on a kind in a month so far; null: nothing. */
  ownedIn(kind: StudyKind, month: number): { readonly cash: T; readonly spread: T } | null;
  /** The same of what is left. */
  ownedLeft(kind: StudyKind): T | null;
  /** All of a month, both ways. */
  month(month: number): { readonly cash: T; readonly spread: T };
}

export interface LineFlow<T> extends FlowLine {
  /** By month; none: nothing in that month. */
  readonly cash: (T | undefined)[];
  readonly spread: (T | undefined)[];
  worth: T | null;
}

/** Keeps every line. */
export class LineBook<T> implements FlowBook<T> {
  readonly lines = new Map<string, LineFlow<T>>();

  constructor(
    private readonly a: Algebra<T>,
    private readonly unit: string,
    readonly months: number,
  ) {}

  private line(line: FlowLine): LineFlow<T> {
    let known = this.lines.get(line.id);
    if (!known) {
      const empty = (): undefined[] => Array.from({ length: this.months }, () => undefined);
      known = { ...line, cash: empty(), spread: empty(), worth: null };
      this.lines.set(line.id, known);
    }
    return known;
  }

  put(line: FlowLine, month: number, cash: T, spread: T): void {
    const known = this.line(line);
    const add = (before: T | undefined, amount: T): T =>
      before === undefined ? amount : this.a.sum(line.name, this.unit, [before, amount]);
    const was = known.cash[month];
    const same = cash === spread && was === known.spread[month];
    known.cash[month] = add(was, cash);
    known.spread[month] = same ? known.cash[month] : add(known.spread[month], spread);
  }

  fill(line: FlowLine, from: number, to: number, cash: T, spread: T): void {
    for (let month = from; month < Math.min(to, this.months); month += 1) this.put(line, month, cash, spread);
  }

  putRun(line: FlowLine, from: number, to: number, run: Run<T>): void {
    for (let month = from; month < Math.min(to, this.months); month += 1)
      this.put(line, month, run[month]!, run[month]!);
  }

  left(line: FlowLine, worth: T): void {
    const known = this.line(line);
    known.worth = known.worth === null ? worth : this.a.sum(line.name, this.unit, [known.worth, worth]);
  }

  ownedIn(kind: StudyKind, month: number): { cash: T; spread: T } | null {
    const own = [...this.lines.values()].filter(
      (line) => line.side === 'owned' && line.kind === kind && line.cash[month] !== undefined,
    );
    if (own.length === 0) return null;
    return {
      cash: this.added(
        `All of ${kind}`,
        own.map(({ cash }) => cash[month]!),
      ),
      spread: this.added(
        `All of ${kind}`,
        own.map(({ spread }) => spread[month]!),
      ),
    };
  }

  ownedLeft(kind: StudyKind): T | null {
    const own = [...this.lines.values()].flatMap(({ side, kind: of, worth }) =>
      side === 'owned' && of === kind && worth !== null ? [worth] : [],
    );
    return own.length === 0 ? null : this.added('Worth left', own);
  }

  month(month: number): { cash: T; spread: T } {
    const all = [...this.lines.values()].filter(({ cash }) => cash[month] !== undefined);
    return {
      cash: this.added(
        'The month',
        all.map(({ cash }) => cash[month]!),
      ),
      spread: this.added(
        'The month',
        all.map(({ spread }) => spread[month]!),
      ),
    };
  }

  private added(label: string, parts: readonly T[]): T {
    return parts.length === 1 ? parts[0]! : this.a.sum(label, this.unit, parts);
  }
}

/** Keeps sums only, in doubles: what thousands of draws need. */
export class SumBook implements FlowBook<number> {
  readonly cash: Float64Array;
  readonly spread: Float64Array;
  worth = 0;
  private readonly owned: Float64Array;
  private readonly ownedWorth = new Float64Array(STUDY_KINDS.length);

  constructor(private readonly months: number) {
    this.cash = new Float64Array(months);
    this.spread = new Float64Array(months);
    this.owned = new Float64Array(2 * STUDY_KINDS.length * months);
  }

  clear(): void {
    this.cash.fill(0);
    this.spread.fill(0);
    this.owned.fill(0);
    this.ownedWorth.fill(0);
    this.worth = 0;
  }

  put({ side, kind }: FlowLine, month: number, cash: number, spread: number): void {
    this.cash[month]! += cash;
    this.spread[month]! += spread;
    if (side !== 'owned') return;
    const at = 2 * (PLACE[kind] * this.months + month);
    this.owned[at]! += cash;
    this.owned[at + 1]! += spread;
  }

  fill({ side, kind }: FlowLine, from: number, to: number, cash: number, spread: number): void {
    const end = Math.min(to, this.months);
    const own = side === 'owned' ? 2 * PLACE[kind] * this.months : -1;
    for (let month = from; month < end; month += 1) {
      this.cash[month]! += cash;
      this.spread[month]! += spread;
      if (own < 0) continue;
      this.owned[own + 2 * month]! += cash;
      this.owned[own + 2 * month + 1]! += spread;
    }
  }

  putRun({ side, kind }: FlowLine, from: number, to: number, run: Run<number>): void {
    const end = Math.min(to, this.months);
    const own = side === 'owned' ? 2 * PLACE[kind] * this.months : -1;
    for (let month = from; month < end; month += 1) {
      const amount = run[month]!;
      this.cash[month]! += amount;
      this.spread[month]! += amount;
      if (own < 0) continue;
      this.owned[own + 2 * month]! += amount;
      this.owned[own + 2 * month + 1]! += amount;
    }
  }

  left({ side, kind }: FlowLine, worth: number): void {
    this.worth += worth;
    if (side === 'owned') this.ownedWorth[PLACE[kind]]! += worth;
  }

  ownedIn(kind: StudyKind, month: number): { cash: number; spread: number } | null {
    const at = 2 * (PLACE[kind] * this.months + month);
    const [cash, spread] = [this.owned[at]!, this.owned[at + 1]!];
    return cash === 0 && spread === 0 ? null : { cash, spread };
  }

  ownedLeft(kind: StudyKind): number | null {
    return this.ownedWorth[PLACE[kind]]! || null;
  }

  month(month: number): { cash: number; spread: number } {
    return { cash: this.cash[month]!, spread: this.spread[month]! };
  }
}

const PLACE = Object.fromEntries(STUDY_KINDS.map((kind, at) => [kind, at])) as Record<StudyKind, number>;
