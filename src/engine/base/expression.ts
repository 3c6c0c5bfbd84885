/**
 * The one place that reads expressions: a well-known parser, with what may stand in them said anew for each reading. It
 * only reads; nothing is ever executed.
 */
import jsep from 'jsep';

export interface Syntax {
  /** With their precedence; the higher binds closer. */
  readonly binary: Readonly<Record<string, number>>;
  readonly unary: readonly string[];
  readonly literals: Readonly<Record<string, boolean | null>>;
  /** A number may carry what it is measured in: `30[GB]`. */
  readonly quantities: boolean;
}

/** A part of an expression, as the parser gives it. */
export interface Parsed {
  readonly type: string;
  readonly [field: string]: unknown;
}

let measured = false;

/** A number, and in brackets what it is measured in. */
jsep.hooks.add('gobble-token', function (found) {
  if (!measured) return;
  this.gobbleSpaces();
  if (!/[\d.]/.test(this.char)) return;
  const number = this.gobbleNumericLiteral()!;
  this.gobbleSpaces();
  let unit = '';
  if (this.char === '[') {
    const end = this.expr.indexOf(']', this.index);
    if (end < 0) this.throwError('a unit in brackets does not end');
    unit = this.expr.slice(this.index + 1, end);
    this.index = end + 1;
  }
  found.node = { type: 'Quantity', raw: number.raw, unit };
});

/**
 * Throws the parser's error (`description`, `index`) where the text is no expression of the syntax. The caller bounds the
 * length.
 *
 * @example
 * parseExpression('a + 1', { binary: { '+': 9 }, unary: [], literals: {}, quantities: false }).type; // => 'BinaryExpression'
 */
export function parseExpression(text: string, { binary, unary, literals, quantities }: Syntax): Parsed {
  jsep.removeAllBinaryOps();
  jsep.removeAllUnaryOps();
  jsep.removeAllLiterals();
  for (const [operator, precedence] of Object.entries(binary)) jsep.addBinaryOp(operator, precedence);
  for (const operator of unary) jsep.addUnaryOp(operator);
  for (const [name, value] of Object.entries(literals)) jsep.addLiteral(name, value);
  measured = quantities;
  return jsep(text) as unknown as Parsed;
}
