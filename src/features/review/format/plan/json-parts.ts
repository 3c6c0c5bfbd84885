/** Looks into JSON that nobody has checked yet: what is not of the expected form is not there. */
import type { Marks, Plain } from '@/features/review/calc';

export type JsonObject = Readonly<Record<string, unknown>>;

export function objectOf(value: unknown): JsonObject | null {
  return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as JsonObject) : null;
}

export function listOf(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? value : [];
}

export function textOf(value: unknown): string | null {
  return typeof value === 'string' ? value : null;
}

/** Own properties only: a file may call something `constructor`. */
export function field(object: JsonObject | null, name: string): unknown {
  return object !== null && Object.hasOwn(object, name) ? object[name] : undefined;
}

export function valuesOf(value: unknown): Readonly<Record<string, Plain | undefined>> | null {
  return objectOf(value) as Readonly<Record<string, Plain | undefined>> | null;
}

/** Marks stand beside values in the same shape; anything else marks nothing. */
export function marksOf(value: unknown): Marks {
  if (value === true) return true;
  return typeof value === 'object' && value !== null ? (value as Marks) : false;
}

/** Of a counted or keyed resource. */
export function keyOf(index: unknown): string | number | null {
  return typeof index === 'string' || typeof index === 'number' ? index : null;
}

/** The last part of a provider’s name. */
export function shortName(full: string | null): string | null {
  return full === null || full === '' ? null : (full.split('/').at(-1) ?? null);
}
