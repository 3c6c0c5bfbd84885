/** Faults of a file: where and what, in words a person can act on. A faulty file is refused whole. */
import type { z } from 'zod';

export interface Fault {
  /** "rates[12].charge.tiers[1].upTo"; empty for the file as a whole. */
  readonly path: string;
  readonly message: string;
}

/** At most this many are listed; the number of all is told. */
export const MOST_FAULTS = 100;

export type Checked<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly faults: readonly Fault[]; readonly more: number };

export function refused(faults: readonly Fault[]): Checked<never> {
  return { ok: false, faults: faults.slice(0, MOST_FAULTS), more: Math.max(0, faults.length - MOST_FAULTS) };
}

export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, part) => {
    if (typeof part === 'number') return `${text}[${part}]`;
    return text ? `${text}.${String(part)}` : String(part);
  }, '');
}

export function faultsOf(error: z.ZodError): Fault[] {
  return error.issues.map((issue) => ({ path: pathText(issue.path), message: issue.message }));
}

/** Checks data against a schema and gives all faults by path. */
export function check<T>(schema: z.ZodType<T>, data: unknown): Checked<T> {
  const parsed = schema.safeParse(data);
  return parsed.success ? { ok: true, value: parsed.data } : refused(faultsOf(parsed.error));
}
