/**
 * Tokens of configuration in the open block syntax of infrastructure-as-code tools: names, numbers, texts with what is
 * interpolated in them, signs, ends of lines. What is between is passed over.
 */

export type HclToken =
  | { readonly is: 'name' | 'number' | 'sign'; readonly text: string; readonly line: number }
  | { readonly is: 'text'; readonly parts: readonly TextPart[]; readonly line: number }
  | { readonly is: 'newline' | 'end'; readonly line: number };

/** `code`: what stands in `${}` or `%{}`, as it is written. */
export type TextPart = { readonly text: string } | { readonly code: string };

export class HclFault extends Error {
  constructor(
    message: string,
    readonly line: number,
  ) {
    super(message);
  }
}

const BLANK = /[ \t\r\f\uFEFF]/;
const NAME = /[\p{L}_][\p{L}\p{N}_-]*/uy;
const NUMBER = /\d+(\.\d+)?([eE][+-]?\d+)?/y;
const HEREDOC = /<<(-?)([\p{L}_][\p{L}\p{N}_-]*)[ \t]*\r?\n/uy;
const SIGN = /=>|==|!=|<=|>=|&&|\|\||\.\.\.|[{}[\]()=,:.?*+\-/%<>!]/y;

export function hclTokens(source: string): HclToken[] {
  return new Reader(source).all();
}

class Reader {
  private at = 0;
  private line = 1;

  constructor(private readonly source: string) {}

  all(): HclToken[] {
    const tokens: HclToken[] = [];
    for (let token = this.next(); ; token = this.next()) {
      tokens.push(token);
      if (token.is === 'end') return tokens;
    }
  }

  private next(): HclToken {
    this.passBlanks();
    const { source, line } = this;
    const char = source[this.at];
    if (char === undefined) return { is: 'end', line };
    if (char === '\n') {
      this.forward(1);
      return { is: 'newline', line };
    }
    if (char === '"') return { is: 'text', parts: this.quoted(), line };
    const name = this.matched(NAME);
    if (name) return { is: 'name', text: name[0], line };
    const number = this.matched(NUMBER);
    if (number) return { is: 'number', text: number[0], line };
    const heredoc = this.matched(HEREDOC);
    if (heredoc) return { is: 'text', parts: this.heredoc(heredoc[2]!), line };
    const sign = this.matched(SIGN);
    if (sign) return { is: 'sign', text: sign[0], line };
    throw new HclFault(`“${char}” is not understood here.`, line);
  }

  private matched(pattern: RegExp): RegExpExecArray | null {
    pattern.lastIndex = this.at;
    const found = pattern.exec(this.source);
    if (found) this.forward(found[0].length);
    return found;
  }

  private forward(count: number): void {
    for (let at = this.at; at < this.at + count; at += 1) if (this.source[at] === '\n') this.line += 1;
    this.at += count;
  }

  private passBlanks(): void {
    for (;;) {
      const { source, at } = this;
      if (BLANK.test(source[at] ?? '')) this.at += 1;
      else if (source[at] === '#' || source.startsWith('//', at)) this.passTo('\n');
      else if (source.startsWith('/*', at)) {
        this.passTo('*/');
        this.forward(2);
      } else return;
    }
  }

  private passTo(mark: string): void {
    const found = this.source.indexOf(mark, this.at);
    this.forward((found < 0 ? this.source.length : found) - this.at);
  }

  private quoted(): TextPart[] {
    const { line } = this;
    this.forward(1);
    const parts: TextPart[] = [];
    let text = '';
    for (;;) {
      const char = this.source[this.at];
      if (char === undefined || char === '\n') throw new HclFault('This text has no end.', line);
      if (char === '"') {
        this.forward(1);
        return [...parts, { text }];
      }
      if (char === '\\') {
        const next = this.source[this.at + 1] ?? '';
        text += ESCAPES[next] ?? next;
        this.forward(2);
      } else if (this.isInterpolated()) {
        parts.push({ text }, { code: this.interpolated(line) });
        text = '';
      } else {
        // Doubled, it is itself.
        if (this.source.startsWith('$${', this.at) || this.source.startsWith('%%{', this.at)) this.forward(1);
        text += char;
        this.forward(1);
      }
    }
  }

  private isInterpolated(): boolean {
    return this.source.startsWith('${', this.at) || this.source.startsWith('%{', this.at);
  }

  /** To the brace that closes it; texts in it may have braces of their own. */
  private interpolated(line: number): string {
    this.forward(2);
    const from = this.at;
    let depth = 1;
    for (;;) {
      const char = this.source[this.at];
      if (char === undefined) throw new HclFault('This “${” has no end.', line);
      if (char === '"') {
        this.quoted();
        continue;
      }
      if (char === '{') depth += 1;
      if (char === '}') depth -= 1;
      this.forward(1);
      if (depth === 0) return this.source.slice(from, this.at - 1);
    }
  }

  private heredoc(word: string): TextPart[] {
    const { line } = this;
    const end = new RegExp(`^[ \\t]*${word}[ \\t]*\\r?$`, 'm');
    const found = end.exec(this.source.slice(this.at));
    if (!found) throw new HclFault(`This text has no end: “${word}” is missing.`, line);
    const text = this.source.slice(this.at, this.at + found.index);
    this.forward(found.index + found[0].length);
    return text.includes('${') || text.includes('%{')
      ? [{ text: '' }, { code: text }, { text: '' }]
      : [{ text }];
  }
}

const ESCAPES: Readonly<Record<string, string>> = { n: '\n', r: '\r', t: '\t', '"': '"', '\\': '\\' };
