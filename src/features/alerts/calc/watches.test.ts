/** Watches: which steps are reached and coming, and what is said of them once. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal } from '@/engine/base';
import type { ProjectedDay } from '@/features/bills/calc';
import { dueAlerts, isSameThreshold, type SaidStep, watched, type WatchStanding, type WatchTerms } from './';

const TERMS: WatchTerms = {
  ...{ of: { what: 'whole' }, on: 'billed', limit: '100', currency: 'USD', basis: 'effective' },
  steps: ['0.5', '0.8', '1'],
};
const dayAt = (at: number): string => `2026-11-${String(at + 1).padStart(2, '0')}`;
const sums = (costs: readonly number[], known: number): ProjectedDay[] => {
  let soFar = 0;
  return costs.map((cost, at) => {
    soFar += cost;
    return { day: dayAt(at), soFar: String(soFar), isAhead: at >= known };
  });
};
const standingOf = (costs: readonly number[], known: number, terms = TERMS): WatchStanding => {
  const days = sums(costs, known);
  const value = days[known - 1]?.soFar ?? '0';
  const found = watched(terms, { unit: 'USD', value, expected: null, days, newest: dayAt(known - 1) });
  if (found.state !== 'watching') throw new Error(found.why);
  return found.standing;
};

describe('a watch', () => {
  it('has reached what is behind it and sees what is coming, with their days', () => {
    const standing = standingOf(Array(12).fill(10) as number[], 6);
    expect(standing).toMatchObject({ value: '60', limit: '100', share: '0.6' });
    expect(standing.reached).toEqual([{ step: '0.5', day: '2026-11-05' }]);
    expect(standing.coming).toEqual([
      { step: '0.8', day: '2026-11-08' },
      { step: '1', day: '2026-11-10' },
    ]);
  });

  it('reaches a step at exactly its share, and not a cent before', () => {
    const at = (value: string) =>
      watched(TERMS, { unit: 'USD', value, expected: null, days: [], newest: dayAt(0) });
    expect(at('79.999999')).toMatchObject({ standing: { reached: [{ step: '0.5', day: null }] } });
    expect(at('80')).toMatchObject({ standing: { reached: [{ step: '0.5' }, { step: '0.8' }] } });
  });

  it('takes back what a credit takes back; a step that is not reached any more is not', () => {
    const standing = standingOf([60, 30, -50, 5], 4);
    expect(standing).toMatchObject({ value: '45', reached: [] });
  });

  it('takes what the design expects where nobody said an amount, and nothing where neither is', () => {
    const terms = { ...TERMS, limit: null };
    const facts = { unit: 'USD', value: '30', days: [], newest: dayAt(0) };
    expect(watched(terms, { ...facts, expected: '60' })).toMatchObject({ standing: { share: '0.5' } });
    expect(watched(terms, { ...facts, expected: null })).toEqual({
      state: 'cannot',
      why: 'nothing-expected',
    });
    expect(watched(terms, { ...facts, expected: '0' })).toEqual({ state: 'cannot', why: 'nothing-expected' });
  });

  it('is the same threshold whatever its steps, name and addresses, in whatever order it was written', () => {
    const of = { what: 'tag' as const, key: 'a', value: 'b' };
    expect(isSameThreshold({ ...TERMS, of }, { ...TERMS, of: { value: 'b', key: 'a', what: 'tag' } })).toBe(
      true,
    );
    for (const other of [{ on: 'close' as const }, { limit: '101' }, { basis: 'billed' as const }, { of }])
      expect(isSameThreshold(TERMS, { ...TERMS, ...other })).toBe(false);
  });
});

/** Day after day, as an import every day would see it. */
function sayThrough(costs: readonly number[], ahead: number, steps = TERMS.steps): SaidStep[][] {
  const said: SaidStep[] = [];
  return costs.map((_, at) => {
    const due = dueAlerts(standingOf(costs, at + 1, { ...TERMS, steps }), said, ahead);
    for (const { kind, with: all } of due) said.push(...all.map((step) => ({ kind, step })));
    return due.map(({ kind, step }) => ({ kind, step }));
  });
}

describe('what is said', () => {
  it('is each step once ahead and once when it is reached', () => {
    const days = sayThrough(Array(12).fill(10) as number[], 2);
    expect(days.map((all) => all.map(({ kind, step }) => `${kind} ${step}`).join(' + '))).toEqual([
      ...[
        '',
        '',
        'coming 0.5',
        '',
        'reached 0.5',
        'coming 0.8',
        '',
        'reached 0.8 + coming 1',
        '',
        'reached 1',
      ],
      ...['', ''],
    ]);
  });

  it('never says a step twice, nor that something is coming that was reached, on whatever days', () => {
    const costs = fc.array(fc.integer({ min: -10, max: 40 }), { minLength: 1, maxLength: 28 });
    fc.assert(
      fc.property(costs, fc.integer({ min: 0, max: 31 }), (all, ahead) => {
        const said = sayThrough(all, ahead).flat();
        const keys = said.map(({ kind, step }) => `${kind} ${step}`);
        expect(new Set(keys).size).toBe(keys.length);
        said.forEach(({ kind, step }, at) => {
          const before = said.slice(0, at);
          if (kind === 'coming')
            expect(before.some((each) => each.kind === 'reached' && each.step === step)).toBe(false);
        });
      }),
    );
  });

  it('misses no step that is reached at the end of any day, itself or with a higher one', () => {
    const costs = fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 28 });
    fc.assert(
      fc.property(costs, (all) => {
        const said = sayThrough(all, 0)
          .flat()
          .filter(({ kind }) => kind === 'reached');
        const total = all.reduce((sum, each) => sum + each, 0);
        const highest = TERMS.steps.filter((step) =>
          decimal(total).greaterThanOrEqualTo(decimal(step).times(100)),
        );
        expect(said.at(-1)?.step).toBe(highest.at(-1));
      }),
    );
  });
});
