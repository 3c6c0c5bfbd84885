import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addAll,
  cut,
  Decimal,
  decimal,
  DECIMAL_TEXT,
  err,
  issue,
  must,
  ok,
  parseDecimal,
  roundedUp,
  seededRandom,
  ZERO,
} from './';

const plainText = fc
  .tuple(fc.boolean(), fc.bigInt({ min: 0n, max: 10n ** 24n - 1n }), fc.integer({ min: 0, max: 999_999 }))
  .map(([negative, whole, part]) => `${negative ? '-' : ''}${whole}${part === 0 ? '' : `.${part}`}`);

describe('decimals', () => {
  it.each(['0', '-0', '12', '0.5', '-3.25', '000012', `${'9'.repeat(24)}.${'1'.repeat(18)}`])(
    'read %s',
    (text) => {
      const read = parseDecimal(text);
      expect(read.ok && read.value.equals(new Decimal(text))).toBe(true);
    },
  );

  it.each([
    '',
    ' ',
    '1e5',
    '1,5',
    '1 000',
    '.5',
    '5.',
    '0x10',
    'NaN',
    'Infinity',
    '--1',
    '٣',
    '9'.repeat(25),
  ])('refuse “%s” and say what was typed', (text) => {
    const read = parseDecimal(text, ['here']);
    expect(read.ok).toBe(false);
    if (!read.ok) {
      expect([read.issue.code, read.issue.path]).toEqual(['decimal.not-plain', ['here']]);
      expect(read.issue.values.text!.length).toBeLessThanOrEqual(40);
    }
  });

  it('written again are the same number, and never in exponents', () => {
    fc.assert(
      fc.property(plainText, (text) => {
        const value = must(parseDecimal(text));
        expect(value.toString()).not.toContain('e');
        expect(must(parseDecimal(value.toString())).equals(value)).toBe(true);
      }),
    );
  });

  it('are exact where binary fractions are not', () => {
    expect(decimal('0.1').plus('0.2').toString()).toBe('0.3');
    expect(decimal('1.005').times(1000).toString()).toBe('1005');
  });

  it('read twice are the very same, also after very many others', () => {
    expect(decimal('7.25')).toBe(decimal('7.25'));
    for (let value = 0; value < 20_050; value += 1) decimal(value);
    expect(decimal('7.25').toString()).toBe('7.25');
  });

  it('add to the same in any order, and nothing adds to zero', () => {
    const values = fc.array(
      plainText.map((text) => new Decimal(text.slice(0, 12).replace(/\.$|-$/, '') || '0')),
    );
    fc.assert(
      fc.property(values, (list) => {
        expect(addAll(list).toString()).toBe(addAll([...list].reverse()).toString());
        expect(addAll([...list, ...list.map((each) => each.negated())]).isZero()).toBe(true);
      }),
    );
    expect(addAll([])).toBe(ZERO);
  });
});

describe('started blocks', () => {
  it('are whole, at least the value, and less than one more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1_000_000 }), fc.integer({ min: 1, max: 997 }), (value, by) => {
        const exact = new Decimal(value).dividedBy(by);
        const up = roundedUp(exact);
        expect(up.isInteger()).toBe(true);
        expect(up.greaterThanOrEqualTo(exact.toSignificantDigits(30))).toBe(true);
        expect(up.minus(exact).lessThan(1)).toBe(true);
      }),
    );
  });

  it('are not begun by the hair that a division leaves', () => {
    const third = new Decimal(1).dividedBy(3);
    expect(roundedUp(third.times(3)).toString()).toBe('1');
    expect(roundedUp(third.times(9).plus('1e-33')).toString()).toBe('3');
    expect(roundedUp(new Decimal('3.000001')).toString()).toBe('4');
  });
});

describe('results', () => {
  it('give their value, or throw with code, place and values', () => {
    expect(must(ok(5))).toBe(5);
    expect(() => must(err(issue('count.not-whole', ['a', 1], { count: '1.5' })))).toThrow(
      'count.not-whole at a.1 {"count":"1.5"}',
    );
  });

  it('text is plain exactly where it is read', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 12 }), (text) => {
        expect(parseDecimal(text).ok).toBe(DECIMAL_TEXT.test(text.trim()));
      }),
    );
  });
});

describe('seeded random numbers', () => {
  it('repeat for a seed and differ for another', () => {
    const draw = (seed: string): number[] => {
      const random = seededRandom(seed);
      return Array.from({ length: 50 }, () => random.next());
    };
    expect(draw('harbour')).toEqual(draw('harbour'));
    expect(draw('harbour')).not.toEqual(draw('harbours'));
    expect(new Set(draw('harbour')).size).toBe(50);
  });

  it('lie where they should, at both ends', () => {
    const random = seededRandom('ends');
    const drawn = Array.from({ length: 2000 }, () => random.whole(3, 6));
    expect([...new Set(drawn)].sort()).toEqual([3, 4, 5, 6]);
    for (let at = 0; at < 500; at += 1) {
      const value = random.next();
      expect(value >= 0 && value < 1).toBe(true);
    }
    expect(['a', 'b']).toContain(random.pick(['a', 'b']));
    expect(() => random.pick([])).toThrow('empty');
  });

  it('are spread evenly enough: no tenth has less than half or more than twice its share', () => {
    const random = seededRandom('even');
    const tenths = new Array<number>(10).fill(0);
    for (let at = 0; at < 10_000; at += 1) tenths[Math.floor(random.next() * 10)]! += 1;
    for (const each of tenths) expect(each > 500 && each < 2000).toBe(true);
  });
});

describe('a text that is cut', () => {
  it('is cut between characters, and holds no half of one', () => {
    expect(cut('abc', 2)).toBe('ab');
    expect(cut('a😀b', 2)).toBe('a😀');
    expect(cut('😀'.repeat(200), 190)).toBe('😀'.repeat(190));
    expect(cut('a\ud800b', 3)).toBe('ab');
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.nat(30), (text, most) => {
        const short = cut(text, most);
        expect([...short].length).toBeLessThanOrEqual(most);
        expect(/\p{Cs}/u.test(short)).toBe(false);
        if (!/\p{Cs}/u.test(text)) expect(text.startsWith(short)).toBe(true);
      }),
    );
  });
});
