import { describe, expect, it } from 'vitest';
import { compileExpression, ExpressionFault, type Scope } from './expression';
import type { Marks, Plain } from './plan-model';
import { SECRET, UNKNOWN, type Value, Within } from './value';

const VALUES = {
  size: 'bal-4-16',
  gib: 40,
  text: '12.5',
  disk: [{ gib: 10 }, { gib: 30, class: 'swift' }],
  labels: { team: 'web' },
  empty: null,
  flag: true,
  shares: [0.1, 0.2],
  once: [{ gib: 7 }],
  none: [],
};

function evaluate(
  text: string,
  marks: { unknown?: Marks; secret?: Marks; item?: Plain; heard?: string[] } = {},
): Value {
  const scope: Scope = {
    resource: new Within(VALUES, marks.unknown, marks.secret),
    item: marks.item === undefined ? null : new Within(marks.item, false, false),
    key: 'blue',
    tables: { classes: { swift: 'FAST' } },
    heard: (path) => void marks.heard?.push(path),
  };
  return compileExpression(text).evaluate(scope);
}

describe('an expression of a resource map', () => {
  it.each<[string, Value]>([
    ['size', 'bal-4-16'],
    ["'NV-' + upper(size)", 'NV-BAL-4-16'],
    ['gib * 2 + 1', 81],
    ['0.1 + 0.2', 0.3],
    ['number(text) / 5', 2.5],
    ['disk[1].gib', 30],
    ['once.gib', 7],
    ['none.gib', null],
    ['disk[7].gib', null],
    ['labels.team', 'web'],
    ["labels['team']", 'web'],
    ['nothing.of.it', null],
    ['nothing ?? 3', 3],
    ['empty == null ? 1 : 2', 1],
    ['flag && gib > 30', true],
    ['!flag || gib', 40],
    ['-gib', -40],
    ['nothing * 2', null],
    ['count(disk)', 2],
    ["sum(disk, 'gib')", 40],
    ['sum(shares)', 0.3],
    ['count(nothing)', 0],
    ['least(3, gib, 7)', 3],
    ['up(10 / 4) + down(10 / 4)', 5],
    ["pick(disk[1].class, 'classes')", 'FAST'],
    ["pick('x', 'classes', 'SLOW')", 'SLOW'],
    ["before(size, '-') + after(size, '-')", 'bal4-16'],
    ["replace(size, '-', '.')", 'bal.4.16'],
    ["starts(size, 'bal') && ends(size, '16') && contains(size, '4')", true],
    ['key', 'blue'],
    ['known(gib)', true],
    ['7 % 4', 3],
  ])('%s', (text, wanted) => {
    expect(evaluate(text)).toBe(wanted);
  });

  it('passes on what is not known, and what is secret before that', () => {
    const unknown = { gib: true, disk: [false, { gib: true }] } as const;
    expect(evaluate('gib * 2 + 1', { unknown })).toBe(UNKNOWN);
    expect(evaluate('disk[1].gib', { unknown })).toBe(UNKNOWN);
    expect(evaluate("sum(disk, 'gib')", { unknown })).toBe(UNKNOWN);
    expect(evaluate('gib > 3 ? 1 : 2', { unknown })).toBe(UNKNOWN);
    expect(evaluate('known(gib)', { unknown })).toBe(false);
    expect(evaluate('gib ?? 4', { unknown })).toBe(UNKNOWN);
    expect(evaluate("size + 'x'", { secret: { size: true } })).toBe(SECRET);
    expect(evaluate('size == gib', { secret: { size: true }, unknown })).toBe(SECRET);
    expect(evaluate('labels.team', { secret: { labels: { team: true } } })).toBe(SECRET);
    expect(evaluate('labels.team', { secret: true })).toBe(SECRET);
  });

  it('tells what it read, as a person writes it', () => {
    const heard: string[] = [];
    evaluate('gib + disk[1].gib + number(it.gib)', { item: { gib: 5 }, heard });
    expect(heard).toEqual(['gib', 'disk', 'disk[1]', 'disk[1].gib', 'it.gib']);
  });

  it('reaches nothing but the resource', () => {
    for (const text of ['constructor', '__proto__', 'toString', 'labels.constructor', "labels['__proto__']"])
      expect(evaluate(text), text).toBeNull();
    for (const text of [
      'this',
      'a = 1',
      'f(1)',
      'size.replace("a", "b")',
      'a; b',
      '[1, 2]',
      '`x`',
      'new X',
      '',
    ])
      expect(() => evaluate(text), text).toThrow();
  });

  it('refuses in words what gives nothing, and what is too long or too deep', () => {
    const words = (text: string): string => {
      try {
        evaluate(text);
        return 'fine';
      } catch (error) {
        expect(error, text).toBeInstanceOf(ExpressionFault);
        return (error as Error).message;
      }
    };
    expect(words('gib / 0')).toBe('It would be divided by nothing.');
    expect(words('size * 2')).toContain('takes numbers');
    expect(words("pick(size, 'no')")).toContain('no table “no”');
    expect(words('upper(size, 1)')).toContain('takes 1 parts');
    expect(words('shout(size)')).toContain('There is no “shout”');
    expect(words('gib +')).toContain('cannot be read at character');
    expect(words(`${'('.repeat(60)}1${')'.repeat(60)}`)).toBe('fine');
    expect(words(`${'-'.repeat(60)}1`)).toContain('levels');
    expect(words('1'.repeat(600))).toContain('characters');
    const longer = (text: string): string => `replace(${text}, 'a', 'aaaaaaaaaa')`;
    expect(words(longer(longer(longer('size'))))).toBe('fine');
    expect(words(longer(longer(longer(longer('size')))))).toBe('A text has at most 2000 characters.');
  });
});
