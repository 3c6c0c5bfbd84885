/**
 * Cuts a price-book file into its pieces while it arrives: the values of its head, and the elements of its three lists,
 * each with its place. Only what is between two pieces is held, so a file of any size needs little memory.
 */
import { cut } from '@/engine/base';
import { endOfValue, skipSpace } from './json-scan';

export const LISTS = ['regions', 'offers', 'rates'] as const;
export type List = (typeof LISTS)[number];

export interface Piece {
  /** The list it is an element of; null: it is the value of the top-level `key`. */
  readonly list: List | null;
  readonly key: string;
  readonly index: number;
  /** It is `source` from `start` up to `end`; neighbours share one source. */
  readonly source: string;
  readonly start: number;
  readonly end: number;
  readonly line: number;
  readonly column: number;
}

export function textOfPiece({ source, start, end }: Piece): string {
  return source.slice(start, end);
}

/** The file is no JSON, or no price book: what and where. */
export class SplitError extends Error {
  constructor(
    message: string,
    readonly line: number,
    readonly column: number,
    readonly path = '',
    cause?: unknown,
  ) {
    super(message, { cause });
  }
}

/** No element of a price book is longer. */
const LONGEST = 1_000_000;

type Mode = 'start' | 'key' | 'after-value' | 'element' | 'after-element' | 'end';

export class Splitter {
  private text = '';
  private at = 0;
  private mode: Mode = 'start';
  private key = '';
  private index = 0;
  private first = true;
  private readonly seen = new Set<string>();
  /** Line of `counted`, and how far the text was looked through for line ends. */
  private line = 1;
  private lineStart = 0;
  private counted = 0;
  private nextBreak = -2;
  private dropped = 0;

  /** The pieces that are complete now. Throws `SplitError`. */
  push(chunk: string): Piece[] {
    // Line ends in what is dropped now are counted first.
    this.place();
    this.text = this.text.slice(this.at) + chunk;
    this.dropped += this.at;
    this.counted = 0;
    this.nextBreak = -2;
    this.at = 0;
    const pieces: Piece[] = [];
    while (this.step(pieces));
    if (this.text.length - this.at > LONGEST + chunk.length) {
      throw this.error(`one entry is longer than ${LONGEST} characters`);
    }
    return pieces;
  }

  /** Throws where the file is not complete. */
  end(): void {
    if (this.mode === 'end') return;
    throw this.error('the file ends in the middle; it is not complete');
  }

  /** One step; false: more text is needed. */
  private step(pieces: Piece[]): boolean {
    this.at = skipSpace(this.text, this.at);
    if (this.at >= this.text.length) return false;
    switch (this.mode) {
      case 'start':
        if (this.dropped === 0 && this.text.charCodeAt(this.at) === 0xfeff) {
          this.at += 1;
          return true;
        }
        this.take('{', 'a price book begins with “{”');
        this.mode = 'key';
        return true;
      case 'key':
        return this.readKey(pieces);
      case 'after-value':
        return this.afterValue();
      case 'element':
        return this.readElement(pieces);
      case 'after-element':
        return this.afterElement();
      case 'end':
        throw this.error('there is something behind the end of the price book');
    }
  }

  private readKey(pieces: Piece[]): boolean {
    const { text } = this;
    if (this.first && text[this.at] === '}') return this.close();
    if (text[this.at] !== '"') throw this.error('a name in quotes must stand here');
    const end = endOfValue(text, this.at);
    if (end < 0) return false;
    const colon = skipSpace(text, end);
    const value = skipSpace(text, colon + 1);
    if (value >= text.length) return false;
    if (text[colon] !== ':') throw this.error('a colon must follow the name');
    const key = this.parsed(this.at, end) as string;
    if (this.seen.has(key)) throw this.error(`“${cut(key, 40)}” stands twice`);
    if ((LISTS as readonly string[]).includes(key)) {
      if (text[value] !== '[') throw this.error(`${key} must be a list`);
      this.begin(key);
      this.at = value + 1;
      this.mode = 'element';
      return true;
    }
    const valueEnd = this.endOf(value);
    if (valueEnd < 0) return false;
    this.begin(key);
    this.at = value;
    pieces.push(this.piece(null, valueEnd));
    this.at = valueEnd;
    this.mode = 'after-value';
    return true;
  }

  private begin(key: string): void {
    this.seen.add(key);
    this.key = key;
    this.index = 0;
    this.first = false;
  }

  private readElement(pieces: Piece[]): boolean {
    if (this.text[this.at] === ']' && this.index === 0) {
      this.at += 1;
      this.mode = 'after-value';
      return true;
    }
    const end = this.endOf(this.at);
    if (end < 0) return false;
    pieces.push(this.piece(this.key as List, end));
    this.at = end;
    this.index += 1;
    this.mode = 'after-element';
    return true;
  }

  private afterElement(): boolean {
    const character = this.text[this.at];
    if (character === ',') this.mode = 'element';
    else if (character === ']') this.mode = 'after-value';
    else throw this.error('a comma or the end of the list must stand here');
    this.at += 1;
    return true;
  }

  private afterValue(): boolean {
    if (this.text[this.at] === '}') return this.close();
    this.take(',', 'a comma or the end of the price book must stand here');
    this.mode = 'key';
    return true;
  }

  private close(): boolean {
    this.at += 1;
    this.mode = 'end';
    return true;
  }

  private take(character: string, otherwise: string): void {
    if (this.text[this.at] !== character) throw this.error(otherwise);
    this.at += 1;
  }

  private endOf(from: number): number {
    const end = endOfValue(this.text, from);
    if (end === -2) throw this.error('nested more than 16 levels deep');
    if (end === from) throw this.error('a value must stand here');
    if (end < 0 && this.text.length - from > LONGEST) {
      throw this.error(`one entry is longer than ${LONGEST} characters`);
    }
    return end;
  }

  private parsed(from: number, to: number): unknown {
    try {
      return JSON.parse(this.text.slice(from, to)) as unknown;
    } catch {
      throw this.error('not valid JSON');
    }
  }

  private piece(list: List | null, end: number): Piece {
    const { line, column } = this.place();
    const { key, index, text: source, at: start } = this;
    return { list, key, index, source, start, end, line, column };
  }

  private error(message: string): SplitError {
    const { line, column } = this.place();
    return new SplitError(message, line, column);
  }

  /** Line and column of where it is now; line ends before it are counted once. */
  private place(): { line: number; column: number } {
    if (this.nextBreak === -2) this.nextBreak = this.text.indexOf('\n', this.counted);
    while (this.nextBreak >= 0 && this.nextBreak < this.at) {
      this.line += 1;
      this.lineStart = this.dropped + this.nextBreak + 1;
      this.nextBreak = this.text.indexOf('\n', this.nextBreak + 1);
    }
    this.counted = this.at;
    return { line: this.line, column: this.dropped + this.at - this.lineStart + 1 };
  }
}
