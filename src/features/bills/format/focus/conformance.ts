/** How a bill keeps to FOCUS, column by column, and what that means for the numbers. */
import {
  columnOf,
  COLUMN_NAMES,
  type FocusColumn,
  isFocusColumn,
  type FocusVersion,
  versionOf,
} from './columns';

export type FindingKind =
  | 'missing-column'
  | 'empty'
  | 'unknown-value'
  | 'negative-use'
  | 'outside-period'
  | 'stands-twice'
  | 'several-currencies'
  | 'own-column';

export interface Finding {
  readonly kind: FindingKind;
  readonly column: string;
  readonly rows: number;
  /** Of the file; null: it is about the column as a whole. */
  readonly firstLine: number | null;
  readonly example: string | null;
  readonly means: string;
}

export interface Conformance {
  readonly version: FocusVersion;
  readonly rows: number;
  readonly findings: readonly Finding[];
}

const MEANS: Readonly<Record<Exclude<FindingKind, 'missing-column' | 'empty' | 'own-column'>, string>> = {
  'unknown-value': 'the specification does not have this value; it is taken as none',
  'negative-use': 'use is taken back without being marked as a correction; it counts as it stands',
  'outside-period': 'the charge lies outside of its billing period; it counts in the billing period',
  'stands-twice': 'these rows stand twice, word for word; they all count',
  'several-currencies': 'each currency is a bill of its own; nothing is added up over them',
};

export class ConformanceNotes {
  private readonly found = new Map<string, { -readonly [K in keyof Finding]: Finding[K] }>();

  note(kind: keyof typeof MEANS, column: FocusColumn | '', line: number, example: string): void {
    this.count(kind, column, line, example, MEANS[kind]);
  }

  /** Null where the specification asks for a value. */
  empty(column: FocusColumn, line: number): void {
    this.count('empty', column, line, null, columnOf(column).without ?? 'nothing is worked out of it');
  }

  private count(
    kind: FindingKind,
    column: string,
    line: number,
    example: string | null,
    means: string,
  ): void {
    const key = `${kind} ${column}`;
    const known = this.found.get(key);
    if (known) known.rows += 1;
    else this.found.set(key, { kind, column, rows: 1, firstLine: line, example, means });
  }

  conformance(columns: readonly string[], rows: number): Conformance {
    const version = versionOf(columns);
    const known = new Set(columns);
    const whole = (kind: FindingKind, column: string, means: string): Finding => ({
      ...{ kind, column, rows, firstLine: null, example: null, means },
    });
    const missing = COLUMN_NAMES.filter((name) => !known.has(name) && columnOf(name).since <= version).map(
      (name) => whole('missing-column', name, columnOf(name).without ?? 'nothing is worked out of it'),
    );
    const own = columns
      .filter((name) => !isFocusColumn(name))
      .map((name) => whole('own-column', name, 'no column of the specification; it is not read'));
    return { version, rows, findings: [...this.found.values(), ...missing, ...own] };
  }
}
