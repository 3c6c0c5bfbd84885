/** A value of a resource as expressions see it: plain, not known yet, secret, or something to look into. */
import type { Marks, Plain, ResourceSide } from './plan-model';

/** Known only when it is applied. */
export const UNKNOWN = Symbol('unknown');
/** Marked as sensitive: it is never read. */
export const SECRET = Symbol('secret');

/** A list or an object, with its marks. */
export class Within {
  constructor(
    readonly values: Plain | undefined,
    readonly unknown: Marks | undefined,
    readonly secret: Marks | undefined,
  ) {}

  /** Own properties only; what is not there is null. */
  get(name: string | number): Value {
    return valueOf(own(this.values, name), own(this.unknown, name), own(this.secret, name));
  }

  /** The entries of a list; null: it is none. */
  get list(): Value[] | null {
    if (!Array.isArray(this.values)) return null;
    return this.values.map((_, at) => this.get(at));
  }
}

export type Value = string | number | boolean | null | typeof UNKNOWN | typeof SECRET | Within;

function own<T>(of: T | undefined, name: string | number): T | undefined {
  if (of === true) return of;
  if (typeof of !== 'object' || of === null || !Object.hasOwn(of, name)) return undefined;
  return (of as Record<string | number, T | undefined>)[name];
}

function valueOf(value: Plain | undefined, unknown: Marks | undefined, secret: Marks | undefined): Value {
  if (secret === true) return SECRET;
  if (unknown === true) return UNKNOWN;
  if (value === undefined || value === null)
    return isMarked(unknown) ? new Within(undefined, unknown, secret) : null;
  return typeof value === 'object' ? new Within(value, unknown, secret) : value;
}

const isMarked = (marks: Marks | undefined): boolean => typeof marks === 'object' && marks !== null;

export function sideValue(side: ResourceSide): Within {
  return new Within(side.values, side.unknown, side.secret);
}
