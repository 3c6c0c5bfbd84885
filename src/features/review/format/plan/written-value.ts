/** What a written value comes to without running anything: constants, variables and locals; the rest is not known. */
import type { Marks, Plain } from '@/features/review/calc';
import type { Written } from './hcl-blocks';

export interface Told {
  readonly value: Plain | undefined;
  readonly unknown: Marks;
  readonly secret: Marks;
}

export interface ValueScope {
  readonly variables: ReadonlyMap<string, Told>;
  readonly locals: ReadonlyMap<string, Written>;
  /** Of a counted or keyed block. */
  readonly each: { readonly key: string | number; readonly value: Told } | null;
}

export const NOT_KNOWN: Told = { value: undefined, unknown: true, secret: false };
const DEEPEST = 60;

export const known = (value: Plain): Told => ({ value, unknown: false, secret: false });

export function toldOf(written: Written, scope: ValueScope, depth = 0): Told {
  if (depth > DEEPEST) return NOT_KNOWN;
  const inner = (each: Written): Told => toldOf(each, scope, depth + 1);
  switch (written.is) {
    case 'value':
      return known(written.value);
    case 'open':
      return NOT_KNOWN;
    case 'text':
      return textTold(written, scope, depth);
    case 'list': {
      const all = written.items.map(inner);
      return {
        value: all.map(({ value }) => value ?? null),
        unknown: all.map(({ unknown }) => unknown),
        secret: all.map(({ secret }) => secret),
      };
    }
    case 'object': {
      const all = written.entries.map(([key, value]) => [key, inner(value)] as const);
      return recordOf(all);
    }
    case 'name':
      return namedTold(written.path, scope, depth);
  }
}

export function recordOf(all: readonly (readonly [string, Told])[]): Told {
  const of = <T>(part: (told: Told) => T): Record<string, T> =>
    Object.fromEntries(all.map(([key, told]) => [key, part(told)]));
  return {
    value: of(({ value }) => value),
    unknown: of(({ unknown }) => unknown),
    secret: of(({ secret }) => secret),
  };
}

/** A name alone in `${}` is what it names, where that is a plain value. */
const NAME_ONLY = /^\s*([\p{L}_][\p{L}\p{N}_-]*(?:\.[\p{L}_][\p{L}\p{N}_-]*)*)\s*$/u;

function textTold({ parts }: Extract<Written, { is: 'text' }>, scope: ValueScope, depth: number): Told {
  let text = '';
  let isSecret = false;
  let isOpen = false;
  for (const part of parts) {
    if ('text' in part) {
      text += part.text;
      continue;
    }
    const name = NAME_ONLY.exec(part.code);
    const told = name ? namedTold(name[1]!.split('.'), scope, depth + 1) : NOT_KNOWN;
    isSecret ||= told.secret !== false;
    if (told.unknown !== false || told.value === undefined || typeof told.value === 'object') isOpen = true;
    else text += String(told.value);
  }
  // What holds a secret is one.
  if (isSecret) return { value: undefined, unknown: false, secret: true };
  return isOpen ? NOT_KNOWN : known(text);
}

function namedTold(path: readonly string[], scope: ValueScope, depth: number): Told {
  const [head, name, ...rest] = path;
  if (head === 'var' && name !== undefined) return within(scope.variables.get(name) ?? NOT_KNOWN, rest);
  if (head === 'local' && name !== undefined) {
    const local = scope.locals.get(name);
    return local ? within(toldOf(local, scope, depth + 1), rest) : NOT_KNOWN;
  }
  if (head === 'each' && scope.each && name === 'key') return known(scope.each.key);
  if (head === 'each' && scope.each && name === 'value') return within(scope.each.value, rest);
  if (head === 'count' && scope.each && name === 'index') return known(scope.each.key);
  return NOT_KNOWN;
}

function within(told: Told, path: readonly string[]): Told {
  let at = told;
  for (const name of path) {
    if (at.unknown === true || at.secret === true) return { ...at, value: undefined };
    const part = <T>(of: T | undefined): T | undefined =>
      typeof of === 'object' && of !== null && Object.hasOwn(of, name)
        ? (of as Record<string, T | undefined>)[name]
        : undefined;
    at = {
      value: part(at.value) as Plain | undefined,
      unknown: (part(at.unknown) as Marks | undefined) ?? false,
      secret: (part(at.secret) as Marks | undefined) ?? false,
    };
  }
  return at;
}
