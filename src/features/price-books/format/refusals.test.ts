import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { designOf, serverOf, volumeOf } from '@tests/support/designs';
import type { Component, Design } from '@/engine/design';
import { check } from '@/platform/formats/faults';
import { editBatchSchema } from '@/features/design/format/edit';
import { readDesign, writeDesign } from '@/features/design/format/design';
import { utf8Text } from '@/platform/formats/utf8';
import { repeatedKey } from '@/platform/formats/repeated-key';

const faultsOf = (design: Design): string[] => {
  const read = readDesign(writeDesign(design));
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
};
const server = (more: Partial<Component>): Design => designOf([serverOf('a', more)]);
const one = (likely: string) => ({ likely });
const AT = 'design.sections[0].components[0]';

describe('what a design may not say', () => {
  it.each<[string, Design, string]>([
    [
      'lean above heavy',
      server({ count: { likely: '3', lean: '5', heavy: '2' } }),
      `${AT}.count.lean: must not be above likely (3)`,
    ],
    [
      'heavy below likely',
      designOf([volumeOf('a', { likely: '9', heavy: '3' })]),
      `${AT}.usage.capacity.amount.heavy: must not be below likely (9)`,
    ],
    [
      'a floor above its ceiling in one case only',
      server({
        running: {
          pattern: 'autoscale',
          floor: { likely: '1', heavy: '9' },
          ceiling: one('4'),
          carries: one('10'),
        },
      }),
      `${AT}.running.ceiling: must not be below the floor, in any case`,
    ],
    [
      'a peak below its baseline',
      server({
        running: {
          pattern: 'peaks',
          baseline: one('4'),
          peak: one('2'),
          days: [0],
          from: 8,
          hours: one('3'),
        },
      }),
      `${AT}.running.peak: must not be below the baseline, in any case`,
    ],
    [
      'a window of thirty hours',
      server({
        running: {
          pattern: 'peaks',
          baseline: one('1'),
          peak: one('2'),
          days: [0],
          from: 8,
          hours: one('30'),
        },
      }),
      `${AT}.running.hours.likely: a day has 24 hours`,
    ],
    [
      'an instance of zero size',
      designOf([
        volumeOf('a', one('40'), {
          usage: {
            capacity: {
              amount: one('40'),
              unit: 'GiB',
              sizes: [
                { count: '1', amount: '40' },
                { count: '2', amount: '0' },
              ],
            },
          },
        }),
      ]),
      `${AT}.usage.capacity.sizes[1].amount: must be above zero`,
    ],
    [
      'a name of two lines',
      server({ name: 'one\ntwo' }),
      `${AT}.name: must stand on one line, without control characters or half characters`,
    ],
    [
      'two rates of a pair on one day',
      designOf([], {
        assumptions: {
          month: { hours: '730' },
          countAllowances: true,
          exchange: ['0.92', '0.93'].map((rate) => ({ from: 'USD', to: 'EUR', rate, date: '2026-11-01' })),
        },
      }),
      'assumptions.exchange[1]: the rate USD to EUR of 2026-11-01 stands twice',
    ],
    [
      'a day that the calendar has not',
      designOf([], {
        assumptions: {
          month: { hours: '730' },
          countAllowances: true,
          exchange: [{ from: 'USD', to: 'EUR', rate: '0.92', date: '2026-02-29' }],
        },
      }),
      'design.assumptions.exchange[0].date: must be a day that the calendar has',
    ],
  ])('%s', (_, design, expected) => {
    expect(faultsOf(design)).toContain(expected);
  });

  it('is refused in an edit as in a file', () => {
    const edit = { edit: 'set-component', id: 'a', field: 'count', value: { likely: '3', lean: '5' } };
    const batch = { baseRevision: 0, batch: '11111111-1111-4111-8111-111111111111', edits: [edit] };
    expect(check(editBatchSchema, batch).ok).toBe(false);
  });
});

describe('a key that stands twice in one object', () => {
  it.each([
    ['{"a": 1, "b": {"a": 2}, "a": 3}', 'a'],
    ['[{"x": "a\\": 1, \\"b", "y" : 1, "y" : 2}]', 'y'],
    ['{"a": {"b": 1, "b": 1}}', 'b'],
    ['{"\\u0061": 1, "a": 2}', 'a'],
  ])('is found in %s', (text, key) => {
    expect(repeatedKey(text, JSON.parse(text))?.key).toBe(key);
  });

  it('is found in nothing that has none, whatever the texts hold', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.boolean(), (value, spaced) => {
        const text = JSON.stringify(value, null, spaced ? 2 : undefined);
        expect(repeatedKey(text, JSON.parse(text))).toBeNull();
      }),
      { numRuns: 500 },
    );
  });
});

describe('text that is not UTF-8', () => {
  it.each([
    [Buffer.from('Skærgård', 'latin1'), /Windows-1252 or Latin-1/],
    [Buffer.from([0xff, 0xfe, 0x41, 0x00]), /UTF-16 \(little endian\)/],
    [Buffer.from([0xfe, 0xff, 0x00, 0x41]), /UTF-16 \(big endian\)/],
    [Buffer.from([0x1f, 0x8b, 0x08]), /gzip/],
  ])('is refused with what it looks like', (bytes, message) => {
    const read = utf8Text(bytes);
    expect(read.ok ? '' : read.faults[0]!.message).toMatch(message);
  });

  it('is taken where it is, whatever it says', () => {
    expect(utf8Text(Buffer.from('Skærgård ⛴'))).toEqual({ ok: true, value: 'Skærgård ⛴' });
  });
});
