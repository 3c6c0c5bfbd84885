/** Configuration in the open block syntax, as blocks with attributes; what cannot be told without running it stays open. */
import { HclFault, type HclToken, hclTokens, type TextPart } from './hcl-tokens';

export type Written =
  | { readonly is: 'value'; readonly value: string | number | boolean | null }
  | { readonly is: 'text'; readonly parts: readonly TextPart[] }
  | { readonly is: 'list'; readonly items: readonly Written[] }
  | { readonly is: 'object'; readonly entries: readonly (readonly [string, Written])[] }
  /** `var.size`, `each.key`, the attribute of another resource. */
  | { readonly is: 'name'; readonly path: readonly string[] }
  /** A function, a condition, a sum: it is not run. */
  | { readonly is: 'open' };

export interface HclBlock {
  readonly type: string;
  readonly labels: readonly string[];
  readonly body: HclBody;
  readonly line: number;
}

export interface HclBody {
  readonly attributes: ReadonlyMap<string, Written>;
  readonly blocks: readonly HclBlock[];
}

const DEEPEST = 60;
const AS_IT_IS: ReadonlySet<string> = new Set(['toset', 'tolist', 'tomap', 'tostring', 'tonumber']);
const OPEN: Written = { is: 'open' };

/** Throws `HclFault` where it is not of this syntax. */
export function readBlocks(source: string): HclBody {
  return new Parser(hclTokens(source)).file();
}

class Parser {
  private at = 0;

  constructor(private readonly tokens: readonly HclToken[]) {}

  file(): HclBody {
    return this.body('end', 0);
  }

  private get token(): HclToken {
    return this.tokens[Math.min(this.at, this.tokens.length - 1)]!;
  }

  private isSign(text: string, ahead = 0): boolean {
    const token = this.tokens[this.at + ahead];
    return token?.is === 'sign' && token.text === text;
  }

  private body(until: 'end' | '}', depth: number): HclBody {
    if (depth > DEEPEST) throw new HclFault(`Blocks are nested deeper than ${DEEPEST}.`, this.token.line);
    const attributes = new Map<string, Written>();
    const blocks: HclBlock[] = [];
    for (;;) {
      const { token } = this;
      if (token.is === 'newline') this.at += 1;
      else if (token.is === 'end' || this.isSign('}')) {
        if ((token.is === 'end') !== (until === 'end'))
          throw new HclFault(until === 'end' ? 'A “}” too many.' : 'A “}” is missing.', token.line);
        this.at += 1;
        return { attributes, blocks };
      } else if (token.is === 'name') this.entry(token.text, attributes, blocks, depth);
      else throw new HclFault('Here a name is expected.', token.line);
    }
  }

  private entry(name: string, attributes: Map<string, Written>, blocks: HclBlock[], depth: number): void {
    const { line } = this.token;
    this.at += 1;
    if (this.isSign('=')) {
      this.at += 1;
      attributes.set(name, this.expression(depth));
      return;
    }
    const labels: string[] = [];
    for (;;) {
      const { token } = this;
      this.at += 1;
      if (token.is === 'text')
        labels.push(token.parts.map((part) => ('text' in part ? part.text : '')).join(''));
      else if (token.is === 'name') labels.push(token.text);
      else if (token.is === 'sign' && token.text === '{') break;
      else throw new HclFault(`After “${name}” a “=” or a “{” is expected.`, token.line);
    }
    blocks.push({ type: name, labels, body: this.body('}', depth + 1), line });
  }

  /** One value; where more follows than that, all of it is open. */
  private expression(depth: number): Written {
    if (depth > DEEPEST) throw new HclFault(`Values are nested deeper than ${DEEPEST}.`, this.token.line);
    const value = this.value(depth);
    return this.isAtEnd() ? value : this.passOpen();
  }

  private isAtEnd(): boolean {
    const { token } = this;
    if (token.is === 'newline' || token.is === 'end') return true;
    return token.is === 'sign' && [',', '}', ']', ')'].includes(token.text);
  }

  private passOpen(): Written {
    let inside = 0;
    for (;;) {
      const { token } = this;
      if (token.is === 'end') return OPEN;
      if (token.is === 'newline' && inside === 0) return OPEN;
      if (token.is === 'sign') {
        if (inside === 0 && [',', '}', ']', ')'].includes(token.text)) return OPEN;
        if (['{', '[', '('].includes(token.text)) inside += 1;
        if (['}', ']', ')'].includes(token.text)) inside -= 1;
      }
      this.at += 1;
    }
  }

  private value(depth: number): Written {
    const { token } = this;
    this.at += 1;
    switch (token.is) {
      case 'text':
        return textOf(token.parts);
      case 'number':
        return { is: 'value', value: Number(token.text) };
      case 'name':
        return this.named(token.text, depth);
      case 'sign':
        if (token.text === '[') return this.list(depth);
        if (token.text === '{') return this.object(depth);
        if (token.text === '-' && this.token.is === 'number') {
          const inner = this.value(depth);
          return inner.is === 'value' ? { is: 'value', value: -Number(inner.value) } : OPEN;
        }
        this.at -= 1;
        return this.passOpen();
      default:
        throw new HclFault('Here a value is expected.', token.line);
    }
  }

  private named(name: string, depth: number): Written {
    if (name === 'true' || name === 'false') return { is: 'value', value: name === 'true' };
    if (name === 'null') return { is: 'value', value: null };
    // What only says which sort a value is of changes nothing of it.
    if (AS_IT_IS.has(name) && this.isSign('(')) {
      this.at += 1;
      this.passLines();
      const inner = this.expression(depth + 1);
      this.passLines();
      if (!this.isSign(')')) return this.passRest(')');
      this.at += 1;
      return inner;
    }
    const path = [name];
    while (this.isSign('.') && this.tokens[this.at + 1]?.is === 'name') {
      path.push((this.tokens[this.at + 1] as { readonly text: string }).text);
      this.at += 2;
    }
    return { is: 'name', path };
  }

  private list(depth: number): Written {
    const items: Written[] = [];
    for (;;) {
      this.passLines();
      if (this.isSign(']')) {
        this.at += 1;
        return { is: 'list', items };
      }
      if (this.isFor()) return this.passRest(']');
      items.push(this.expression(depth + 1));
      this.passLines();
      if (this.isSign(',')) this.at += 1;
      else if (!this.isSign(']'))
        throw new HclFault('In a list a “,” or a “]” is expected.', this.token.line);
    }
  }

  private object(depth: number): Written {
    const entries: (readonly [string, Written])[] = [];
    for (;;) {
      this.passLines();
      if (this.isSign('}')) {
        this.at += 1;
        return { is: 'object', entries };
      }
      if (this.isFor()) return this.passRest('}');
      const { token } = this;
      const key = token.is === 'text' ? plainText(token.parts) : 'text' in token ? token.text : null;
      this.at += 1;
      if (key === null || !(this.isSign('=') || this.isSign(':'))) return this.passRest();
      this.at += 1;
      entries.push([key, this.expression(depth + 1)]);
      if (this.isSign(',')) this.at += 1;
    }
  }

  private passLines(): void {
    while (this.token.is === 'newline') this.at += 1;
  }

  private isFor(): boolean {
    const { token } = this;
    return token.is === 'name' && token.text === 'for';
  }

  /** To the bracket that closes what is open here. */
  private passRest(close: ']' | '}' | ')' = '}'): Written {
    let inside = 0;
    for (;;) {
      const { token } = this;
      if (token.is === 'end') throw new HclFault(`A “${close}” is missing.`, token.line);
      this.at += 1;
      if (token.is !== 'sign') continue;
      if (['{', '[', '('].includes(token.text)) inside += 1;
      if (!['}', ']', ')'].includes(token.text)) continue;
      if (inside === 0) return OPEN;
      inside -= 1;
    }
  }
}

const plainText = (parts: readonly TextPart[]): string | null =>
  parts.every((part) => 'text' in part)
    ? parts.map((part) => ('text' in part ? part.text : '')).join('')
    : null;

function textOf(parts: readonly TextPart[]): Written {
  const plain = plainText(parts);
  return plain === null ? { is: 'text', parts } : { is: 'value', value: plain };
}
