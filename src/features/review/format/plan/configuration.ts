/**
 * The configuration that a plan carries: with which provider settings a resource is made, what those come to (constants, and
 * variables followed up through module calls), and which resources an attribute names.
 */
import type { Marks, Plain, ProviderSettings } from '@/features/review/calc';
import { field, type JsonObject, listOf, objectOf, textOf } from './json-parts';

export interface SaidOfResource {
  readonly provider: string | null;
  readonly settings: string | null;
  readonly names: Readonly<Record<string, readonly string[]>>;
}

export interface Configuration {
  readonly settings: Readonly<Record<string, ProviderSettings>>;
  /** `module`: its address, keys and all. */
  of(module: string, type: string, name: string): SaidOfResource | null;
  /** The settings that a key means; without one, those of the provider, where there is one only. */
  settingsOf(key: string | null, provider: string): string | null;
}

const DEEPEST = 60;
const DEEPEST_BLOCK = 20;

export function readConfiguration(root: JsonObject): Configuration {
  const configuration = objectOf(field(root, 'configuration'));
  const rootModule = objectOf(field(configuration, 'root_module'));
  const variables = objectOf(field(root, 'variables'));
  const resources = new Map<string, SaidOfResource>();
  const paths = new Map<string, string>();
  collect(rootModule, '', resources, 0);
  const settings: Record<string, ProviderSettings> = {};
  for (const [key, value] of Object.entries(objectOf(field(configuration, 'provider_config')) ?? {})) {
    const entry = objectOf(value);
    const full = textOf(field(entry, 'full_name')) ?? textOf(field(entry, 'name')) ?? key;
    const within = pathOf(textOf(field(entry, 'module_address')) ?? '');
    const scope: Variables = { root: rootModule, given: variables, path: within };
    const read = blockOf(objectOf(field(entry, 'expressions')), scope, 0);
    settings[key] = {
      provider: full.split('/').at(-1)!,
      side: { values: read.values, unknown: read.unknown, secret: read.secret },
    };
  }
  return {
    settings,
    of: (module, type, name) => {
      let path = paths.get(module);
      if (path === undefined) paths.set(module, (path = pathOf(module).join('.')));
      return resources.get(`${path}|${type}.${name}`) ?? null;
    },
    settingsOf: (key, provider) => settingsKey(settings, key, provider),
  };
}

function settingsKey(
  settings: Readonly<Record<string, ProviderSettings>>,
  key: string | null,
  provider: string,
): string | null {
  if (key !== null && Object.hasOwn(settings, key)) return key;
  // A module without settings of its own has those that it was called with.
  const inherited = key?.split(':').at(-1) ?? provider;
  if (Object.hasOwn(settings, inherited)) return inherited;
  const own = Object.keys(settings).filter((each) => settings[each]!.provider === provider);
  return own.length === 1 ? own[0]! : null;
}

/** Names of the modules on the way, without keys: `module.a["x"].module.b` is a, b. */
function pathOf(module: string): string[] {
  return [...module.matchAll(/(?:^|\.)module\.([^.[\]]+)(?:\[(?:"(?:[^"\\]|\\.)*"|\d+)\])?/g)].map(
    (each) => each[1]!,
  );
}

function collect(
  module: JsonObject | null,
  path: string,
  into: Map<string, SaidOfResource>,
  depth: number,
): void {
  if (!module || depth > DEEPEST) return;
  for (const each of listOf(field(module, 'resources'))) {
    const entry = objectOf(each);
    const [type, name] = [textOf(field(entry, 'type')), textOf(field(entry, 'name'))];
    if (!type || !name || textOf(field(entry, 'mode')) === 'data') continue;
    const settings = textOf(field(entry, 'provider_config_key'));
    into.set(`${path}|${type}.${name}`, {
      provider: settings?.split(':').at(-1)?.split('.')[0] ?? null,
      settings,
      names: namesIn(objectOf(field(entry, 'expressions'))),
    });
  }
  for (const [name, call] of Object.entries(objectOf(field(module, 'module_calls')) ?? {})) {
    const below = objectOf(field(objectOf(call), 'module'));
    collect(below, path === '' ? name : `${path}.${name}`, into, depth + 1);
  }
}

const RESOURCE = /^([A-Za-z][\w-]*\.[A-Za-z_][\w-]*)(\[(?:"(?:[^"\\]|\\.)*"|\d+)\])?/;
const NO_RESOURCE = /^(?:var|local|each|count|module|data|path|self)\./;

function namesIn(expressions: JsonObject | null): Record<string, readonly string[]> {
  const names: Record<string, readonly string[]> = {};
  for (const [attribute, value] of Object.entries(expressions ?? {})) {
    const found = listOf(field(objectOf(value), 'references')).flatMap((each): string[] => {
      const match = typeof each === 'string' && !NO_RESOURCE.test(each) ? RESOURCE.exec(each) : null;
      return match ? [`${match[1]!}${match[2] ?? ''}`] : [];
    });
    if (found.length > 0) names[attribute] = [...new Set(found)];
  }
  return names;
}

/** Where variables are looked up: in the module at `path`, called from the one above it. */
interface Variables {
  readonly root: JsonObject | null;
  readonly given: JsonObject | null;
  readonly path: readonly string[];
}

interface Found {
  readonly value: Plain | undefined;
  readonly unknown: Marks;
  readonly secret: Marks;
}

const NOT_KNOWN: Found = { value: undefined, unknown: true, secret: false };

function expressionOf(expression: unknown, scope: Variables, depth: number): Found {
  if (depth > DEEPEST_BLOCK) return NOT_KNOWN;
  if (Array.isArray(expression)) {
    const each = expression.slice(0, 100).map((part) => expressionOf(part, scope, depth + 1));
    return {
      value: each.map(({ value }) => value ?? null),
      unknown: each.map(({ unknown }) => unknown),
      secret: each.map(({ secret }) => secret),
    };
  }
  const own = objectOf(expression);
  if (!own) return NOT_KNOWN;
  if (Object.hasOwn(own, 'constant_value'))
    return { value: own.constant_value as Plain, unknown: false, secret: false };
  if (Object.hasOwn(own, 'references')) {
    const [first] = listOf(own.references).filter((each): each is string => typeof each === 'string');
    const variable = /^var\.([A-Za-z_][\w-]*)$/.exec(first ?? '')?.[1];
    return variable === undefined ? NOT_KNOWN : variableOf(variable, scope, depth + 1);
  }
  const block = blockOf(own, scope, depth + 1);
  return { value: block.values as Plain, unknown: block.unknown, secret: block.secret };
}

function blockOf(expressions: JsonObject | null, scope: Variables, depth: number) {
  const values: Record<string, Plain | undefined> = {};
  const unknown: Record<string, Marks> = {};
  const secret: Record<string, Marks> = {};
  for (const [name, expression] of Object.entries(expressions ?? {})) {
    const found = expressionOf(expression, scope, depth);
    values[name] = found.value;
    unknown[name] = found.unknown;
    secret[name] = found.secret;
  }
  return { values, unknown, secret };
}

/** At the root: as given, else its default; in a module: as it is called with, else its default. */
function variableOf(name: string, { root, given, path }: Variables, depth: number): Found {
  const own = moduleAt(root, path);
  const declared = objectOf(field(objectOf(field(own, 'variables')), name));
  const secret = field(declared, 'sensitive') === true;
  const fallback = (): Found =>
    declared && Object.hasOwn(declared, 'default')
      ? { value: declared.default as Plain, unknown: false, secret }
      : NOT_KNOWN;
  if (path.length === 0) {
    const entry = objectOf(field(given, name));
    return entry && Object.hasOwn(entry, 'value')
      ? { value: entry.value as Plain, unknown: false, secret }
      : fallback();
  }
  const above = path.slice(0, -1);
  const call = objectOf(field(objectOf(field(moduleAt(root, above), 'module_calls')), path.at(-1)!));
  const expression = field(objectOf(field(call, 'expressions')), name);
  if (expression === undefined) return fallback();
  const found = expressionOf(expression, { root, given, path: above }, depth);
  return secret ? { ...found, secret: true } : found;
}

function moduleAt(root: JsonObject | null, path: readonly string[]): JsonObject | null {
  let here = root;
  for (const name of path)
    here = objectOf(field(objectOf(field(objectOf(field(here, 'module_calls')), name)), 'module'));
  return here;
}
