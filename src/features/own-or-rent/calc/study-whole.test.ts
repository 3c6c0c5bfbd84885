import { describe, expect, it } from 'vitest';
import { addAll } from '@/engine/base';
import { mirrorStudy, quayStudy } from '@tests/support/studies';
import {
  assumptionsOf,
  explainAmount,
  FastStudy,
  outcomesOf,
  type Study,
  StudySimulation,
  studyTroubles,
  withGuess,
} from './';

describe('draws', () => {
  const study = withGuess(mirrorStudy('100', '90'), 'targets/t/parts/all/compute', {
    likely: '90',
    lean: '80',
    heavy: '120',
  });

  it('are the same for the same seed however they are asked', () => {
    const fast = new FastStudy(study);
    const [once, often] = [new StudySimulation(fast, 'seed', 500), new StudySimulation(fast, 'seed', 500)];
    once.advance(500);
    while (!often.isDone) often.advance(7);
    expect(often.answer()).toEqual(once.answer());
  });

  it('have the quantiles of the triangle they come from', () => {
    const draws = new StudySimulation(new FastStudy(study), 'quantiles', 4000);
    draws.advance(4000);
    const { p10, p50, p90, rentWins, drivers } = draws.answer();
    // 60 months × (compute - 100), compute triangular between 80 and 120 with its peak at 90.
    const triangle = (share: number): number =>
      share < 0.25 ? 80 + Math.sqrt(share * 40 * 10) : 120 - Math.sqrt((1 - share) * 40 * 30);
    expect(p10 / 60 + 100).toBeCloseTo(triangle(0.1), 0);
    expect(p50 / 60 + 100).toBeCloseTo(triangle(0.5), 0);
    expect(p90 / 60 + 100).toBeCloseTo(triangle(0.9), 0);
    // Below 100 lies 1 - 20²/(40 × 30) of it.
    expect(rentWins).toBeCloseTo(1 - 400 / 1200, 1);
    expect(drivers).toEqual([{ id: 'targets/t/parts/all/compute', share: 1, falls: false }]);
  });
});

describe('a wrong study', () => {
  const codes = (study: Study): string[] => studyTroubles(study).map(({ at, code }) => `${at} ${code}`);
  const with_ = (id: string, likely: string): string[] => codes(withGuess(quayStudy(), id, { likely }));

  it.each([
    ['hardware/hosts/refresh', '0', 'below'],
    ['general/pue', '0.9', 'below'],
    ['general/utilisation', '130', 'above'],
    ['hardware/hosts/price', '-1', 'below'],
    ['waves/web/from', '1', 'wave-before-preparation'],
    ['waves/web/beside', '-1', 'off-before-moved'],
    ['waves/web/from', '2.5', 'not-whole'],
    ['general/tariff', 'dear', 'not-a-number'],
  ])('%s of %s is said there', (id, value, code) => {
    expect(with_(id, value)).toEqual([`${id} ${code}`]);
  });

  it('says a move that is longer than the study, circles, and what has no amounts', () => {
    expect(with_('waves/office/from', '58')).toEqual(['variants/go/delay horizon-too-short']);
    const study = quayStudy();
    const circle = study.hardware.map((each) =>
      each.id === 'hosts' ? { ...each, follows: 'switches' } : each,
    );
    expect(codes({ ...study, hardware: circle })).toEqual([
      'hardware/hosts/follows follows-in-a-circle',
      'hardware/switches/follows follows-in-a-circle',
    ]);
    const nothing = { ...study, targets: study.targets.map((each) => ({ ...each, parts: {} })) };
    expect(studyTroubles(nothing).map(({ code, stops }) => [code, stops])).toEqual(
      study.parts.map(() => ['not-rented-yet', false]),
    );
  });
});

describe('an amount', () => {
  it('opens into its lines, months and assumptions', () => {
    const study = quayStudy();
    const [own] = outcomesOf(study);
    const lines = own!.lines.filter(({ kind }) => kind === 'site').map(({ id }) => id);
    const figure = explainAmount(study, {
      variant: 'keep',
      lines,
      from: 12,
      to: 24,
      basis: 'spread',
      title: 'Site, year 2',
    })!;
    const exact = addAll(
      own!.lines.filter(({ kind }) => kind === 'site').flatMap(({ spread }) => spread.slice(12, 24)),
    );
    expect(figure.value.equals(exact)).toBe(true);
    expect(figure.parts.map(({ label }) => label)).toEqual(['Power', 'Racks and floor', 'Lease']);
    expect(JSON.stringify(figure)).toContain('general/pue');
  });

  it('has an assumption with a unit, a range and where it comes from, all of them', () => {
    for (const { id, field } of assumptionsOf(quayStudy())) {
      expect(field.source.length, id).toBeGreaterThan(4);
      expect(Number(field.least), id).toBeLessThan(Number(field.most));
      expect(Number(field.default), id).toBeGreaterThanOrEqual(Number(field.least));
      expect(Number(field.default), id).toBeLessThanOrEqual(Number(field.most));
    }
  });
});
