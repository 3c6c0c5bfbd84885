/**
 * What a resource map says about an attribute: `size`, `disk[0].gb * 2`, `pick(class, 'classes') ?? 'plain'`. Compiled once
 * from what the parser read; every step ends, lists and texts are bounded, and nothing but the resource can be reached.
 */
import { decimal, type Parsed, parseExpression, type Syntax } from '@/engine/base';
import { FUNCTIONS } from './functions';
import { SECRET, UNKNOWN, type Value, Within } from './value';

/** What an expression may look at. */
export interface Scope {
  readonly resource: Within;
  /** The entry of a list that a part is made of; null: no part. */
  readonly item: Value;
  /** Of a counted or keyed resource. */
  readonly key: string | number | null;
  readonly tables: Readonly<Record<string, Readonly<Record<string, string | number>>>>;
  /** Hears every value that was read, by its path. */
  readonly heard: (path: string, value: Value) => void;
}

export interface Expression {
  readonly text: string;
  /** Attributes that it looks at; `key` among them where it looks at that. */
  readonly looks: readonly string[];
  evaluate(scope: Scope): Value;
}

/** Why an expression cannot be read, or gives nothing for a resource. */
export class ExpressionFault extends Error {
  override readonly name = 'ExpressionFault';
}

export const LONGEST_EXPRESSION = 500;
const DEEPEST = 30;

const SYNTAX: Syntax = {
  binary: {
    '??': 1,
    '||': 2,
    '&&': 3,
    '==': 6,
    '!=': 6,
    '<': 7,
    '>': 7,
    '<=': 7,
    '>=': 7,
    '+': 9,
    '-': 9,
    '*': 10,
    '/': 10,
    '%': 10,
  },
  unary: ['-', '!'],
  literals: { true: true, false: false, null: null },
  quantities: false,
};

type Step = (scope: Scope) => Value;

const known = new Map<string, Expression>();
const MOST_KNOWN = 5000;

/**
 * Throws `ExpressionFault` in words where the text cannot be read.
 *
 * @example
 * compileExpression('size == null ? 1 : 2').text; // => 'size == null ? 1 : 2'
 */
export function compileExpression(text: string): Expression {
  const before = known.get(text);
  if (before) return before;
  if (text.length > LONGEST_EXPRESSION)
    throw new ExpressionFault(`An expression has at most ${LONGEST_EXPRESSION} characters.`);
  let parsed: Parsed;
  try {
    parsed = parseExpression(text, SYNTAX);
  } catch (error) {
    const { index, description } = error as { index?: number; description?: string };
    const place = index === undefined ? '' : ` at character ${index + 1}`;
    throw new ExpressionFault(`“${text}” cannot be read${place}: ${description ?? 'something is missing'}.`);
  }
  const looks = new Set<string>();
  const made = { text, evaluate: stepOf(parsed, 0, looks), looks: [...looks] };
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(text, made);
  return made;
}

function stepOf(parsed: Parsed, depth: number, looks: Set<string>): Step {
  if (depth > DEEPEST) throw new ExpressionFault(`An expression has at most ${DEEPEST} levels.`);
  const inner = (part: unknown): Step => stepOf(part as Parsed, depth + 1, looks);
  switch (parsed.type) {
    case 'Literal': {
      const value = parsed.value as Value;
      return () => value;
    }
    case 'Identifier':
      looks.add(parsed.name as string);
      return named(parsed.name as string);
    case 'MemberExpression':
      return member(parsed, inner);
    case 'UnaryExpression':
      return unary(parsed.operator as string, inner(parsed.argument));
    case 'BinaryExpression':
      return binary(parsed.operator as string, inner(parsed.left), inner(parsed.right));
    case 'ConditionalExpression':
      return conditional(inner(parsed.test), inner(parsed.consequent), inner(parsed.alternate));
    case 'CallExpression':
      return call(parsed, inner);
    default:
      throw new ExpressionFault('Only attributes, texts, numbers, operators and functions may stand here.');
  }
}

function named(name: string): Step {
  if (name === 'it') return ({ item }) => item;
  if (name === 'key') return ({ key }) => key;
  return ({ resource, heard }) => {
    const value = resource.get(name);
    heard(name, value);
    return value;
  };
}

function member(parsed: Parsed, inner: (part: unknown) => Step): Step {
  const of = inner(parsed.object);
  const property = parsed.property as Parsed;
  const at: Step = parsed.computed ? inner(property) : () => property.name as string;
  const path = pathOf(parsed);
  return (scope) => {
    const from: Value = of(scope);
    const name: Value = at(scope);
    if (from === SECRET || from === UNKNOWN || from === null) return from;
    if (name === SECRET || name === UNKNOWN) return name;
    if (!(from instanceof Within) || (typeof name !== 'string' && typeof name !== 'number')) return null;
    const value = entryOf(from, name);
    if (path !== null) scope.heard(path, value);
    return value;
  };
}

/** A block that stands once is a list of one in a plan: its attributes are asked for as if they were its own. */
function entryOf(from: Within, name: string | number): Value {
  const { list } = from;
  if (list === null || typeof name === 'number' || list.length === 0) return from.get(name);
  if (list.length > 1)
    throw new ExpressionFault(`“${name}” is asked of ${list.length} entries; say which one.`);
  const [only] = list;
  return only instanceof Within ? only.get(name) : (only ?? null);
}

/** As a person writes it; null: it is not the same for every resource. */
function pathOf({ type, name, object, property, computed, value }: Parsed): string | null {
  if (type === 'Identifier') return name as string;
  if (type === 'Literal') return String(value);
  if (type !== 'MemberExpression') return null;
  const [before, last] = [pathOf(object as Parsed), pathOf(property as Parsed)];
  if (before === null || last === null) return null;
  return computed ? `${before}[${last}]` : `${before}.${last}`;
}

function unary(operator: string, of: Step): Step {
  return (scope) => {
    const value = of(scope);
    if (isOpen(value)) return value;
    if (operator === '!') return !isTrue(value);
    return value === null ? null : -numberOf(value, '-');
  };
}

const isOpen = (value: Value): value is typeof SECRET | typeof UNKNOWN =>
  value === SECRET || value === UNKNOWN;
const isTrue = (value: Value): boolean => value !== null && value !== false && value !== '' && value !== 0;

function conditional(test: Step, then: Step, otherwise: Step): Step {
  return (scope) => {
    const value = test(scope);
    if (isOpen(value)) return value;
    return isTrue(value) ? then(scope) : otherwise(scope);
  };
}

function binary(operator: string, left: Step, right: Step): Step {
  if (operator === '??') return (scope) => left(scope) ?? right(scope);
  if (operator === '&&' || operator === '||') {
    const ends = operator === '||';
    return (scope) => {
      const first = left(scope);
      if (isOpen(first)) return first;
      return isTrue(first) === ends ? first : right(scope);
    };
  }
  return (scope) => {
    const a: Value = left(scope);
    const b: Value = right(scope);
    if (a === SECRET || b === SECRET) return SECRET;
    if (a === UNKNOWN || b === UNKNOWN) return UNKNOWN;
    if (operator === '==') return a === b;
    if (operator === '!=') return a !== b;
    if (a === null || b === null) return null;
    if (operator === '+' && (typeof a === 'string' || typeof b === 'string'))
      return bounded(textOf(a) + textOf(b));
    return reckoned(operator, numberOf(a, operator), numberOf(b, operator));
  };
}

function reckoned(operator: string, a: number, b: number): Value {
  switch (operator) {
    case '<':
      return a < b;
    case '>':
      return a > b;
    case '<=':
      return a <= b;
    case '>=':
      return a >= b;
    case '/':
    case '%':
      if (b === 0) throw new ExpressionFault('It would be divided by nothing.');
      return operator === '/' ? decimal(a).dividedBy(b).toNumber() : decimal(a).modulo(b).toNumber();
    case '*':
      return decimal(a).times(b).toNumber();
    case '+':
      return decimal(a).plus(b).toNumber();
    default:
      return decimal(a).minus(b).toNumber();
  }
}

function call(parsed: Parsed, inner: (part: unknown) => Step): Step {
  const callee = parsed.callee as Parsed;
  const name = callee.type === 'Identifier' ? (callee.name as string) : '';
  const made = Object.hasOwn(FUNCTIONS, name) ? FUNCTIONS[name]! : null;
  if (!made)
    throw new ExpressionFault(`There is no “${name}”; there are ${Object.keys(FUNCTIONS).join(', ')}.`);
  const parts = (parsed.arguments as unknown[]).map(inner);
  const { least, most, of, sees } = made;
  if (parts.length < least || parts.length > most)
    throw new ExpressionFault(`“${name}” takes ${least === most ? least : `${least} to ${most}`} parts.`);
  return (scope) => {
    const values = parts.map((part) => part(scope));
    if (!sees) {
      if (values.includes(SECRET)) return SECRET;
      if (values.includes(UNKNOWN)) return UNKNOWN;
    }
    const value = of(values, scope.tables, fail);
    return typeof value === 'string' ? bounded(value) : value;
  };
}

function fail(message: string): never {
  throw new ExpressionFault(message);
}

const LONGEST_TEXT = 2000;

function bounded(text: string): string {
  if (text.length > LONGEST_TEXT) throw new ExpressionFault(`A text has at most ${LONGEST_TEXT} characters.`);
  return text;
}

function textOf(value: Value): string {
  if (value instanceof Within) throw new ExpressionFault('A list is no text.');
  return String(value);
}

function numberOf(value: Value, operator: string): number {
  if (typeof value === 'number' && Number.isFinite(value)) return value;
  throw new ExpressionFault(`“${operator}” takes numbers; number(…) makes one of a text.`);
}
