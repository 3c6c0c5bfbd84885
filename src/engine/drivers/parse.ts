/**
 * Formulas that people type: numbers with their units, drivers by name, + − × ÷, parentheses, `min`, `max`, `ceil`. The
 * expression library only reads; nothing is ever executed. Length and depth are bounded.
 *
 * @example users * 30[request/user]
 */
import { Decimal, err, issue, ok, type Parsed, parseExpression, type Result, type Syntax } from '../base';
import { LONGEST_FORMULA } from './model';

export type Node =
  | { readonly is: 'number'; readonly value: Decimal; readonly unit: string }
  | { readonly is: 'driver'; readonly name: string }
  | { readonly is: 'sum' | 'difference' | 'product' | 'quotient'; readonly left: Node; readonly right: Node }
  | { readonly is: 'least' | 'greatest'; readonly parts: readonly Node[] }
  | { readonly is: 'ceiling'; readonly part: Node };

export interface Formula {
  readonly text: string;
  readonly root: Node;
  /** Names of drivers, each once. */
  readonly drivers: readonly string[];
}

const OPERATORS: Readonly<Record<string, 'sum' | 'difference' | 'product' | 'quotient'>> = {
  '+': 'sum',
  '-': 'difference',
  '*': 'product',
  '/': 'quotient',
};
const FUNCTIONS: Readonly<Record<string, 'least' | 'greatest' | 'ceiling'>> = {
  min: 'least',
  max: 'greatest',
  ceil: 'ceiling',
};
const DEEPEST = 30;

const SYNTAX: Syntax = {
  binary: { '+': 9, '-': 9, '*': 10, '/': 10 },
  unary: ['-'],
  literals: {},
  quantities: true,
};

class Unreadable extends Error {
  constructor(
    message: string,
    readonly at: number | null = null,
  ) {
    super(message);
  }
}

const known = new Map<string, Result<Formula>>();
const MOST_KNOWN = 2000;

/**
 * Refused with `formula.unreadable`: where, and what may stand there.
 *
 * @example
 * must(parseFormula('ceil(users / 500[user])')).drivers; // => ['users']
 */
export function parseFormula(text: string): Result<Formula> {
  const before = known.get(text);
  if (before) return before;
  if (known.size >= MOST_KNOWN) known.clear();
  const read = readAnew(text);
  known.set(text, read);
  return read;
}

function readAnew(text: string): Result<Formula> {
  if (text.length > LONGEST_FORMULA) return unreadable(text, `at most ${LONGEST_FORMULA} characters`, null);
  try {
    // What people write for times and divided by.
    const typed = text.replaceAll(/[×·]/g, '*').replaceAll('÷', '/').replaceAll('−', '-');
    const root = nodeOf(parseExpression(typed, SYNTAX), 0);
    const drivers = new Set<string>();
    collect(root, drivers);
    return ok({ text, root, drivers: [...drivers] });
  } catch (error) {
    if (!(error instanceof Error)) throw error;
    const { index, description } = error as { index?: number; description?: string };
    const at = error instanceof Unreadable ? error.at : (index ?? null);
    return unreadable(text, error instanceof Unreadable ? error.message : inWords(description), at);
  }
}

function unreadable(text: string, reason: string, at: number | null): Result<never> {
  const where = at === null ? '' : String(at + 1);
  return err(issue('formula.unreadable', ['formula'], { text: text.slice(0, 80), reason, where }));
}

/** The library's messages name what it could read elsewhere. */
function inWords(description: string | undefined): string {
  if (!description) return 'something is missing';
  if (/^Unclosed|Expected \)/i.test(description)) return 'a parenthesis is not closed';
  if (/^Expected exp/i.test(description)) return 'a number or a driver is missing';
  if (/Variable names/i.test(description)) return 'a unit stands in brackets, as in 3[GB]';
  if (/^Unexpected/i.test(description)) return 'this cannot stand here';
  return description.startsWith('a ') ? description : 'this cannot stand here';
}

function nodeOf(read: Parsed, depth: number): Node {
  if (depth > DEEPEST) throw new Unreadable(`at most ${DEEPEST} levels of parentheses`);
  const inner = (each: unknown): Node => nodeOf(each as Parsed, depth + 1);
  switch (read.type) {
    case 'Quantity':
      return numberOf(read as Parsed & { raw: string; unit: string });
    case 'Identifier':
      return { is: 'driver', name: read.name as string };
    case 'UnaryExpression':
      return {
        is: 'difference',
        left: { is: 'number', value: new Decimal(0), unit: '' },
        right: inner(read.argument),
      };
    case 'BinaryExpression':
      return { is: OPERATORS[read.operator as string]!, left: inner(read.left), right: inner(read.right) };
    case 'CallExpression':
      return callOf(read, inner);
    case 'Compound':
      throw new Unreadable(
        (read.body as unknown[]).length === 0
          ? 'nothing is written'
          : 'an operator is missing between two parts',
      );
    default:
      throw new Unreadable('only numbers, drivers, + - * / ( ), min, max and ceil may stand in a formula');
  }
}

function numberOf({ raw, unit }: { readonly raw: string; readonly unit: string }): Node {
  if (!/^\d{0,15}(\.\d{0,18})?(e[+-]?\d{1,2})?$/i.test(raw))
    throw new Unreadable(`${raw} is too long a number`);
  return { is: 'number', value: new Decimal(raw), unit: unit.trim() };
}

function callOf(read: Parsed, inner: (each: unknown) => Node): Node {
  const callee = read.callee as Parsed;
  const name = callee.type === 'Identifier' ? (callee.name as string) : '';
  const is = Object.hasOwn(FUNCTIONS, name) ? FUNCTIONS[name]! : null;
  const parts = (read.arguments as unknown[]).map(inner);
  if (!is) throw new Unreadable(`there is no “${name}”; there are min, max and ceil`);
  if (is === 'ceiling') {
    if (parts.length !== 1) throw new Unreadable('ceil takes one part');
    return { is, part: parts[0]! };
  }
  if (parts.length < 2) throw new Unreadable(`${name} takes two parts or more`);
  return { is, parts };
}

function collect(node: Node, into: Set<string>): void {
  switch (node.is) {
    case 'number':
      return;
    case 'driver':
      into.add(node.name);
      return;
    case 'least':
    case 'greatest':
      for (const part of node.parts) collect(part, into);
      return;
    case 'ceiling':
      collect(node.part, into);
      return;
    default:
      collect(node.left, into);
      collect(node.right, into);
  }
}
