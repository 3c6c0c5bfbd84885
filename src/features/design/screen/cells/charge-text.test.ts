import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sentenceFor } from '@/platform/words';
import type { Result } from '@/engine/base';
import { chargeFaults, type ChargeText } from '@/engine/rates';
import {
  asStructure,
  OWN_STRUCTURES,
  readBlock,
  readSteps,
  readTiers,
  stepsText,
  tiersText,
} from './charge-text';

const said = (result: Result<unknown>): string | null => (result.ok ? null : sentenceFor(result.issue));

describe('tiers as text', () => {
  it('are prices and where they end', () => {
    const read = readTiers('0.09 up to 10240, 0.085 up to 51200,0.07 beyond', 'graduated');
    expect(read).toEqual({
      ok: true,
      value: {
        structure: 'graduated',
        tiers: [
          { upTo: '10240', price: '0.09' },
          { upTo: '51200', price: '0.085' },
          { upTo: null, price: '0.07' },
        ],
      },
    });
    expect(readTiers('0.5', 'volume')).toMatchObject({ value: { tiers: [{ upTo: null, price: '0.5' }] } });
  });

  it.each([
    ['', 'such as 0.09 up to 10240'],
    ['cheap up to 10', 'such as 0.09 up to 10240'],
    ['-1 up to 10, 2 beyond', 'such as 0.09 up to 10240'],
    ['1 up to 0, 2 beyond', 'such as 0.09 up to 10240'],
    ['1 up to 10, 2 up to 5, 3 beyond', '5 does not exceed 10'],
    ['1 up to 10', 'the last tier must be without an end'],
    ['1 beyond, 2 beyond', 'only the last tier may be without an end'],
  ])('“%s” is refused with what to write', (text, sentence) => {
    expect(said(readTiers(text, 'graduated'))).toContain(sentence);
  });
});

describe('steps as text', () => {
  it('are fees and the sizes they reach, then one for each started block', () => {
    const read = readSteps('5 up to 50, 10 up to 500, then 10 per 500');
    expect(read).toEqual({
      ok: true,
      value: {
        structure: 'stepped',
        bands: [
          { upTo: '50', fee: '5' },
          { upTo: '500', fee: '10' },
        ],
        beyond: { block: '500', fee: '10' },
      },
    });
    expect(readSteps('5 up to 50')).toMatchObject({ value: { beyond: null } });
  });

  it.each([
    ['', 'such as 5 up to 50'],
    ['5', 'such as 5 up to 50'],
    ['then 10 per 500', 'the first step needs a size'],
    ['5 up to 50, then 10 per 0', '“0” is no size above zero'],
    ['10 up to 500, 5 up to 50', '50 does not exceed 500'],
  ])('“%s” is refused with what to write', (text, sentence) => {
    expect(said(readSteps(text))).toContain(sentence);
  });
});

const money = fc.integer({ min: 0, max: 9_000_000 }).map((value) => String(value / 10_000));
const ends = fc
  .uniqueArray(fc.integer({ min: 1, max: 5_000_000 }), { minLength: 1, maxLength: 8 })
  .map((list) => list.sort((a, b) => a - b).map(String));
const tiered = fc
  .tuple(
    ends,
    fc.array(money, { minLength: 9, maxLength: 9 }),
    fc.constantFrom('graduated' as const, 'volume' as const),
  )
  .map(([list, prices, structure]) => ({
    structure,
    tiers: [...list.map((upTo, at) => ({ upTo, price: prices[at]! })), { upTo: null, price: prices[8]! }],
  }));
const stepped = fc
  .tuple(ends, fc.array(money, { minLength: 9, maxLength: 9 }), fc.boolean())
  .map(([list, fees, more]) => ({
    structure: 'stepped' as const,
    bands: list.map((upTo, at) => ({ upTo, fee: fees[at]! })),
    beyond: more ? { block: list[0]!, fee: fees[8]! } : null,
  }));

describe('what is written', () => {
  it('is read as what it was', () => {
    fc.assert(
      fc.property(tiered, (charge) => {
        expect(readTiers(tiersText(charge), charge.structure)).toEqual({ ok: true, value: charge });
      }),
    );
    fc.assert(
      fc.property(stepped, (charge) => {
        expect(readSteps(stepsText(charge))).toEqual({ ok: true, value: charge });
      }),
    );
  });
});

describe('another structure', () => {
  const first: readonly ChargeText[] = [
    { structure: 'per-unit', price: '0.4' },
    { structure: 'per-block', block: '10', price: '0.4' },
    {
      structure: 'graduated',
      tiers: [
        { upTo: '5', price: '0.4' },
        { upTo: null, price: '0.2' },
      ],
    },
    { structure: 'volume', tiers: [{ upTo: null, price: '0.4' }] },
    { structure: 'stepped', bands: [{ upTo: '5', fee: '0.4' }], beyond: null },
    { structure: 'flat', amount: '0.4', once: true },
  ];

  it.each(first)('of $structure keeps the first price and is sound', (charge) => {
    for (const [structure] of OWN_STRUCTURES) {
      const next = asStructure(charge, structure);
      expect(next.structure).toBe(structure);
      expect(chargeFaults(next, '')).toEqual([]);
      expect(JSON.stringify(next)).toContain('"0.4"');
    }
  });

  it('that is the same changes nothing, and tiers stay tiers', () => {
    for (const charge of first) expect(asStructure(charge, charge.structure as 'flat')).toBe(charge);
    const [, , graduated] = first;
    expect(asStructure(graduated!, 'volume')).toEqual({ ...graduated, structure: 'volume' });
  });

  it('of one without a first price begins at nothing, which says so by itself', () => {
    const parts: ChargeText = { structure: 'by-parts', vcpu: '1', memory: '1', gpu: null };
    expect(asStructure(parts, 'per-unit')).toEqual({ structure: 'per-unit', price: '0' });
  });
});

describe('a block', () => {
  it('is a number above zero', () => {
    expect(readBlock(' 10 ')).toEqual({ ok: true, value: '10' });
    expect(said(readBlock('0'))).toContain('above zero');
    expect(said(readBlock('ten'))).toContain('not a number');
  });
});
