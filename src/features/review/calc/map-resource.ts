/** One resource through its rule: what it is before and after, in the words of price books. */
import { decimal } from '@/engine/base';
import type { Choice, Component, Place, UsageEntry } from '@/engine/design';
import { TERMS, type Term } from '@/engine/terms';
import { ALWAYS, inAllCases } from '@/engine/usage';
import { compileExpression, ExpressionFault, type Scope } from './expression';
import type { MappedLine, MappedSide, ReadAttribute } from './extract';
import type { PlannedResource, ProviderSettings, ResourceSide } from './plan-model';
import type { IndexedMap, LineRule, PartRule, ProviderRule, ResourceRule } from './resource-map';
import { SECRET, sideValue, UNKNOWN, type Value, Within } from './value';

/** An attribute was known too late, or not to be read. */
class Open extends Error {
  constructor(readonly kind: 'unknown' | 'secret') {
    super(kind);
  }
}

interface Sided {
  readonly resource: PlannedResource;
  readonly settings: ProviderSettings | null;
  readonly provider: ProviderRule | null;
  readonly map: IndexedMap;
  readonly scope: Scope;
  /** What was read, by path, since the last line began. */
  readonly heard: Map<string, Value>;
}

export interface SideRead {
  readonly side: MappedSide;
  readonly heard: ReadonlyMap<string, Value>;
}

const MOST_PARTS = 200;

export function mapSide(
  resource: PlannedResource,
  side: ResourceSide,
  rule: ResourceRule | undefined,
  map: IndexedMap,
  settings: ProviderSettings | null,
): SideRead {
  const heard = new Map<string, Value>();
  if (!rule) return { side: { is: 'no-rule' }, heard };
  if (rule.free !== undefined) return { side: { is: 'free', why: rule.free }, heard };
  const own = map.map.providers;
  const provider = Object.hasOwn(own, resource.provider) ? own[resource.provider]! : null;
  const scope: Scope = {
    resource: sideValue(side),
    item: null,
    key: resource.key,
    tables: map.map.tables,
    heard: (path, value) => void heard.set(path, value),
  };
  const sided: Sided = { resource, settings, provider, map, scope, heard };
  const lines = [
    ...(rule.line ? lineOf(sided, rule.line, null) : []),
    ...(rule.parts ?? []).flatMap((part) => partOf(sided, part)),
  ];
  if (lines.length === 0) return { side: { is: 'free', why: 'Nothing of it costs.' }, heard };
  return { side: { is: 'lines', lines }, heard };
}

function partOf(sided: Sided, part: PartRule): MappedLine[] {
  if (part.each === undefined) return lineOf(sided, part, part.name);
  const each = attempt(sided, part.name, () => ({ value: evaluated(sided, part.each!) }));
  if ('is' in each) return [each];
  const { value } = each;
  if (value === null) return [];
  const list = value instanceof Within ? value.list : null;
  if (!list) return [{ is: 'fault', part: part.name, message: `“${part.each}” is no list.` }];
  if (list.length > MOST_PARTS)
    return [{ is: 'fault', part: part.name, message: `“${part.each}” has more than ${MOST_PARTS} entries.` }];
  return list.flatMap((item, at) =>
    lineOf(
      { ...sided, scope: { ...sided.scope, item } },
      part,
      list.length === 1 ? part.name : `${part.name} ${at + 1}`,
    ),
  );
}

function lineOf(sided: Sided, rule: LineRule, part: string | null): MappedLine[] {
  const made = attempt(sided, part, (): MappedLine | null => {
    if (rule.when !== undefined && !isTrue(evaluated(sided, rule.when))) return null;
    const sku = rule.sku === undefined ? null : compileExpression(rule.sku).evaluate(sided.scope);
    if (sku === UNKNOWN && rule.among) {
      const among = rule.among.map((each) => componentOf(sided, rule, part, each));
      return { is: 'unknown', part, attributes: attributesThat(sided, UNKNOWN), among };
    }
    return { is: 'line', part, component: componentOf(sided, rule, part, closed(sku)) };
  });
  return made === null ? [] : [made];
}

/** What keeps an expression from a value becomes an answer of its own; never a line without it. */
function attempt<T>(sided: Sided, part: string | null, work: () => T): T | MappedLine {
  try {
    return work();
  } catch (error) {
    if (error instanceof Open) {
      const attributes = attributesThat(sided, error.kind === 'secret' ? SECRET : UNKNOWN);
      return error.kind === 'secret'
        ? { is: 'secret', part, attributes }
        : { is: 'unknown', part, attributes, among: [] };
    }
    if (error instanceof ExpressionFault) return { is: 'fault', part, message: error.message };
    throw error;
  }
}

function attributesThat({ heard }: Sided, what: typeof SECRET | typeof UNKNOWN): string[] {
  return [...heard].flatMap(([path, value]) => (value === what ? [path] : []));
}

function closed(value: Value): Exclude<Value, symbol> {
  if (value === SECRET) throw new Open('secret');
  if (value === UNKNOWN) throw new Open('unknown');
  return value as Exclude<Value, symbol>;
}

const evaluated = ({ scope }: Sided, text: string): Exclude<Value, symbol> =>
  closed(compileExpression(text).evaluate(scope));

const isTrue = (value: Value): boolean => value !== null && value !== false && value !== '' && value !== 0;

function componentOf(
  sided: Sided,
  rule: LineRule,
  part: string | null,
  sku: string | number | boolean | null | Within,
): Component {
  const { address } = sided.resource;
  const id = part === null ? address : `${address}/${part}`;
  const size =
    rule.vcpu === undefined && rule.memory === undefined
      ? {}
      : { size: { vcpu: amountOf(sided, rule.vcpu ?? '0'), memory: amountOf(sided, rule.memory ?? '0') } };
  return {
    id,
    name: part === null ? address : `${address}: ${part}`,
    kind: rule.kind,
    count: rule.count === undefined ? inAllCases('1') : amountOf(sided, rule.count),
    place: placeOf(sided, rule),
    choice: choiceOf(rule, sku),
    running: ALWAYS,
    usage: usageOf(sided, rule),
    term: rule.term === undefined ? 'on-demand' : termOf(evaluated(sided, rule.term)),
    ...size,
  };
}

function choiceOf(rule: LineRule, sku: string | number | boolean | null | Within): Choice {
  if (rule.sku === undefined) return { by: 'none' };
  if (typeof sku === 'string' && sku !== '') return { by: 'sku', sku };
  throw new ExpressionFault(`“${rule.sku}” gives no size.`);
}

/** Where the resource says itself; else where its provider is set up. */
function placeOf(sided: Sided, rule: LineRule): Place | null {
  const { provider, settings } = sided;
  if (!provider)
    throw new ExpressionFault(`The map does not know the provider “${sided.resource.provider}”.`);
  const said = rule.region === undefined ? null : evaluated(sided, rule.region);
  const found = said ?? regionOf(sided, provider, settings);
  if (typeof found !== 'string' || found === '')
    throw new ExpressionFault('It is not said in which region it is.');
  const { regions = {} } = provider;
  return { book: provider.book, region: Object.hasOwn(regions, found) ? regions[found]! : found };
}

function regionOf({ scope, heard }: Sided, rule: ProviderRule, settings: ProviderSettings | null): Value {
  if (!settings) return null;
  const resource = sideValue(settings.side);
  const value = compileExpression(rule.region).evaluate({
    ...scope,
    resource,
    item: null,
    heard: () => undefined,
  });
  if (value === UNKNOWN || value === SECRET) heard.set(`provider.${rule.region}`, value);
  return closed(value);
}

function usageOf(sided: Sided, { usage = {} }: LineRule): Component['usage'] {
  return Object.fromEntries(
    Object.entries(usage).flatMap(([meter, { amount, unit }]): [string, UsageEntry][] => {
      const value = evaluated(sided, amount);
      return value === null ? [] : [[meter, { amount: inAllCases(amountText(value, amount)), unit }]];
    }),
  );
}

function amountOf(sided: Sided, text: string): Component['count'] {
  const value = evaluated(sided, text);
  if (value === null) throw new ExpressionFault(`“${text}” gives nothing.`);
  return inAllCases(amountText(value, text));
}

function amountText(value: Exclude<Value, symbol>, text: string): string {
  if (typeof value === 'number' && Number.isFinite(value) && value >= 0) return decimal(value).toString();
  throw new ExpressionFault(`“${text}” gives no amount.`);
}

function termOf(value: Exclude<Value, symbol>): Term {
  const found = TERMS.find((term) => term === value);
  if (!found) throw new ExpressionFault(`“${String(value)}” is no way of paying.`);
  return found;
}

/** Longer texts are no sizes. */
const LONGEST_READ = 200;

/** Of both sides, what may be kept: plain, short, and marked secret by neither. */
export function attributesRead(
  before: ReadonlyMap<string, Value>,
  after: ReadonlyMap<string, Value>,
): ReadAttribute[] {
  return [...new Set([...before.keys(), ...after.keys()])].sort().flatMap((path): ReadAttribute[] => {
    const a: Value = before.get(path) ?? null;
    const b: Value = after.get(path) ?? null;
    if (a === SECRET || b === SECRET) return [];
    const [first, last] = [keptOf(a), keptOf(b)];
    if (first === undefined || last === undefined) return [];
    return [{ path, before: first, after: last, unknown: b === UNKNOWN }];
  });
}

function keptOf(value: Value): string | number | boolean | null | undefined {
  if (value === UNKNOWN) return null;
  if (value instanceof Within || typeof value === 'symbol') return undefined;
  return typeof value === 'string' && value.length > LONGEST_READ ? undefined : value;
}
