/** Faults of a file: where and what, in words a person can act on. A faulty file is refused whole. */
import type { z } from 'zod';

export interface Fault {
  /** "rates[12].charge.tiers[1].upTo"; empty for the file as a whole. */
  readonly path: string;
  readonly message: string;
  /** Where it stands in a file that was read as a stream; the first is 1. */
  readonly line?: number;
  readonly column?: number;
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
  return error.issues.map((issue) => ({ path: pathText(issue.path), message: wordsFor(issue) }));
}

/** The checker's own messages in our words; messages written with a field stay. */
function wordsFor(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.message.endsWith('received undefined')
        ? 'is missing'
        : `must be of the type ${issue.expected}`;
    case 'invalid_value':
      return `must be ${issue.values.length > 1 ? 'one of ' : ''}${listed(issue.values.map(String))}`;
    case 'too_small':
      if (issue.origin === 'array') return `must have at least ${issue.minimum} entries`;
      return issue.origin === 'string' ? issue.message : `must be at least ${issue.minimum}`;
    case 'too_big':
      if (issue.origin === 'array') return `must have at most ${issue.maximum} entries`;
      return issue.origin === 'string' ? issue.message : `must be at most ${issue.maximum}`;
    case 'unrecognized_keys':
      return `has fields that are not known: ${issue.keys.join(', ')}`;
    case 'invalid_union':
      if (issue.message.startsWith('Invalid discriminator value.')) {
        return `must be one of ${(issue.message.match(/'[^']+'/g) ?? []).join(', ').replaceAll("'", '')}`;
      }
      return issue.message === 'Invalid input' ? 'is none of the known forms' : issue.message;
    default:
      return issue.message;
  }
}

/** More than these are no help to read; the formats' documents list them all. */
const MOST_LISTED = 20;

function listed(values: readonly string[]): string {
  if (values.length <= MOST_LISTED) return values.join(', ');
  const shown = values.slice(0, MOST_LISTED / 2);
  return `${shown.join(', ')} or another of ${values.length}`;
}

/** Checks data against a schema and gives all faults by path. */
export function check<T>(schema: z.ZodType<T>, data: unknown): Checked<T> {
  const parsed = schema.safeParse(data);
  return parsed.success ? { ok: true, value: parsed.data } : refused(faultsOf(parsed.error));
}
