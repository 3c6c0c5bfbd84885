/** Where a design has to stay: in axes, comparisons, mixes and the checklist. */
import { describe, expect, it } from 'vitest';
import { SHORES, shoresDesign } from '@tests/support/two-shores';
import { componentOf } from '@tests/support/designs';
import { createAlternator } from '@/features/compare/calc/alternatives';
import { axisOf } from '@/features/compare/calc/axes';
import { findingsOf } from '@/features/checklist/calc';
import { compareDesign, mixedBest } from '@/features/compare/calc/comparison';
import { type Alternative, applyEdits, type Design } from '../design';
import { axisSentence, comparisonAnswer } from '@/features/compare/words';
import { sentenceFor } from '@/platform/words';
import { pinnedBooks, planOf, priceDesign } from '../pricing';
import { outsideOf } from './residence';

const ALL = { of: 'all' } as const;
const to = (id: string, book: string, region: string | null): Alternative => ({
  id,
  name: id,
  note: '',
  changes: [{ change: 'move', what: ALL, book, revision: 1, region }],
});
const server = componentOf({
  id: 'web',
  kind: 'server',
  place: { book: 'near', region: 'severn' },
  choice: { by: 'sku', sku: 'N-4' },
});
const free: Design = { ...shoresDesign([server]), alternatives: [to('there', 'far', 'tagus')] };
const within = (residence: string): Design => ({
  ...free,
  assumptions: { ...free.assumptions, residence },
});
const outside = (design: Design): string[] =>
  outsideOf(design, pinnedBooks(design, SHORES)).map(({ issue }) => sentenceFor(issue));

describe('where a design has to stay', () => {
  it('changes no amount, and is said of what stands elsewhere', () => {
    expect(priceDesign(within('Portugal'), SHORES, 'likely').monthly.value.toString()).toBe(
      priceDesign(free, SHORES, 'likely').monthly.value.toString(),
    );
    expect(outside(free)).toEqual([]);
    expect(outside(within('United Kingdom'))).toEqual([]);
    expect(outside(within('Europe'))).toEqual([]);
    expect(outside(within('Portugal'))).toEqual([
      'severn lies in United Kingdom; the design has to stay in Portugal.',
    ]);
  });

  it('is lacking of every row of an axis that leaves it, so that none of them is cheapest', () => {
    const plan = planOf(within('United Kingdom'), SHORES);
    const { rows } = axisOf('regions', plan, ALL);
    const lacking = rows.filter(({ missing }) =>
      missing.some(({ issue }) => issue.code === 'residence.outside'),
    );
    expect(lacking.map(({ label }) => label).sort()).toEqual(
      rows
        .filter(({ facts }) => facts.country !== 'United Kingdom')
        .map(({ label }) => label)
        .sort(),
    );
    expect(lacking.length).toBeGreaterThan(2);
    expect(axisSentence(axisOf('regions', plan, ALL))).toMatch(/^Far, thames costs least/);
    expect(
      axisOf('regions', planOf(free, SHORES), ALL).rows.every(({ missing }) => missing.length === 0),
    ).toBe(true);
  });

  it('is lacking of a side, and is no part of a mix', () => {
    const column = compareDesign(within('United Kingdom'), SHORES).columns[1]!;
    expect(column).toMatchObject({
      complete: false,
      lacks: [{ id: 'web', issue: { code: 'residence.outside' } }],
    });
    expect(comparisonAnswer(compareDesign(within('United Kingdom'), SHORES))).toMatch(
      /^Nothing that has everything/,
    );
    expect(compareDesign(free, SHORES).columns[1]!.complete).toBe(true);
    const alternator = createAlternator(SHORES);
    const mixed = (design: Design) =>
      mixedBest(planOf(design, SHORES), free.alternatives!, alternator, 'line').changes;
    expect(mixed(free)).toHaveLength(1);
    expect(mixed(within('United Kingdom'))).toEqual([]);
  });

  it('is a rule of the checklist, whose remedy moves the line to the nearest place inside', () => {
    const findings = (design: Design) =>
      findingsOf(planOf(design, SHORES), () => 'new').filter(({ check }) => check === 'outside-residence');
    expect(findings(within('United Kingdom'))).toEqual([]);
    const [finding] = findings(within('United States'));
    expect(finding).toMatchObject({ subject: 'web', remedy: { label: 'Move it to hudson' } });
    const applied = applyEdits(within('United States'), finding!.remedy!.edits);
    expect(applied.ok && findings(applied.value.design)).toEqual([]);
    // No region of its own provider lies there.
    expect(findings(within('Portugal'))[0]!.remedy).toBeNull();
  });
});
