import { describe, expect, it } from 'vitest';
import { addAll, decimal, ONE } from '@/core/base';
import { EMPTY, PLAIN, quayStudy } from '@tests/support/studies';
import {
  assumptionsOf,
  breakEvenOf,
  explainAmount,
  FastStudy,
  leaningsOf,
  moreOf,
  neutralStudy,
  outcomesOf,
  paidSoFar,
  type Study,
  StudySimulation,
  studyMap,
  studyTroubles,
  swingsOfStudy,
  usual,
  withGuess,
} from '.';

/** One part of one machine; a contract for 100 a month against 90 rented, all from the first month. */
function mirror(owned: string, rented: string): Study {
  return {
    ...EMPTY,
    general: PLAIN,
    parts: [{ id: 'all', name: 'All', ...usual('parts', { machines: '1', stored: '0' }) }],
    contracts: [
      { id: 'c', name: 'Line', kind: 'site', ...usual('contracts', { monthly: owned, until: '0' }) },
    ],
    targets: [
      {
        id: 't',
        name: 'There',
        source: '',
        parts: { all: usual('rented', { compute: rented }) },
        extras: [],
        ...usual('targets'),
      },
    ],
    waves: [{ id: 'w', name: 'W', parts: ['all'], ...usual('waves', { from: '0', ramp: '0', beside: '0' }) }],
    variants: [
      ...EMPTY.variants,
      { id: 'go', name: 'Go', target: 't', stays: [], ...usual('variants'), buying: 'due' },
    ],
    against: ['keep', 'go'],
  };
}

const pair = (study: Study) => {
  const all = outcomesOf(study);
  return study.against.map((id) => all.find(({ variant }) => variant.id === id)!) as [
    (typeof all)[0],
    (typeof all)[0],
  ];
};

describe('two sides that are the same', () => {
  it('differ by nothing in any month, by either basis and today', () => {
    const study = mirror('100', '100');
    const [own, rent] = pair(study);
    expect(own.cash.map(String)).toEqual(rent.cash.map(String));
    expect(own.spread.map(String)).toEqual(rent.spread.map(String));
    expect(rent.total.toString()).toBe('6000');
    expect(own.today.equals(rent.today)).toBe(true);
    expect(paidSoFar(own, rent, 'cash').crossings).toEqual([]);
  });

  it('differ by nothing where everything stays', () => {
    const study = quayStudy();
    const variants = study.variants.map((each) => ({ ...each, stays: study.parts.map(({ id }) => id) }));
    const [own, rent] = pair({ ...study, variants });
    expect(rent.cash.map(String)).toEqual(own.cash.map(String));
  });
});

describe('what it is worth today', () => {
  it('is the closed form of an annuity that is paid at the start of each month', () => {
    const study = withGuess(mirror('100', '90'), 'general/discount', { likely: '12' });
    const [own] = pair(study);
    const factor = decimal('1.12').pow(ONE.dividedBy(12));
    const annuity = ONE.minus(factor.pow(-60))
      .dividedBy(ONE.minus(ONE.dividedBy(factor)))
      .times(100);
    expect(own.today.toFixed(6)).toBe(annuity.toFixed(6));
  });
});

describe('paying back', () => {
  it('happens in the month in which the cost of the move is earned again', () => {
    // 10 a month saved, 95 for training: the tenth month pays it back.
    const study = withGuess(mirror('100', '90'), 'general/training', { likely: '95' });
    const [own, rent] = pair(study);
    const { payback, crossings } = paidSoFar(own, rent, 'cash');
    expect(payback).toBe(9);
    expect(crossings).toEqual([{ month: 9, cheaper: 'rent' }]);
    expect(moreOf(own.total, rent.total)!.toFixed(6)).toBe(decimal('-505').dividedBy(6000).toFixed(6));
  });

  it('never happens where renting costs more', () => {
    const [own, rent] = pair(mirror('90', '100'));
    expect(paidSoFar(own, rent, 'cash').payback).toBeNull();
  });
});

describe('hardware', () => {
  const hosts = (known: Parameters<typeof usual<'hardware'>>[1]): Study => ({
    ...mirror('0', '0'),
    years: 3,
    parts: [{ id: 'all', name: 'All', ...usual('parts', { machines: '30', stored: '0' }) }],
    hardware: [
      {
        id: 'h',
        name: 'Hosts',
        sort: 'hardware',
        follows: 'machines',
        ...usual('hardware', {
          count: '2',
          price: '1200',
          maintenance: '0',
          residual: '0',
          carries: '15',
          ...known,
        }),
      },
    ],
    basis: 'cash',
  });
  const bought = (study: Study) =>
    outcomesOf(study)[0]!
      .lines.find(({ id }) => id === 'hardware/h')!
      .cash.flatMap((amount, month) => (amount.isZero() ? [] : [[month, amount.toString()]]));

  it('is replaced when it is due, all of it', () => {
    expect(bought(hosts({ age: '4', refresh: '5' }))).toEqual([[12, '2400']]);
    expect(bought(hosts({ age: '9', refresh: '5' }))).toEqual([[0, '2400']]);
  });

  it('is bought in whole hosts when it is full, at the price of then', () => {
    const growing = withGuess(hosts({ age: '0', refresh: '10' }), 'general/growth', { likely: '50' });
    // 30 machines on two full hosts; half as many again within a year: the third at once, the fourth in month 13.
    const dearer = withGuess(growing, 'general/trendHardware', { likely: '10' });
    expect(bought(dearer).slice(0, 2)).toEqual([
      [1, '1200'],
      [13, '1320'],
    ]);
  });

  it('brings what it is worth at its end, a share of the books before it', () => {
    const leaving = hosts({ age: '1', refresh: '5', residual: '20' });
    const sold = withGuess({ ...leaving, sunk: true }, 'general/resale', { likely: '50' });
    const [, go] = outcomesOf(withGuess(sold, 'waves/w/from', { likely: '6' }));
    const line = go!.lines.find(({ id }) => id === 'hardware/h')!;
    // After 18 of 60 months: 1200 - 960 × 18/60 = 912 each; two of them at half.
    expect(line.cash[6]!.toString()).toBe('-912');
    expect(line.spread[6]!.toString()).toBe('912');
    expect(line.spread[5]!.toString()).toBe('32');
  });
});

describe('what it hangs on', () => {
  it('turns where a hand says that it does', () => {
    const study = mirror('100', '90');
    const fast = new FastStudy(study);
    const at = fast.assumptions.findIndex(({ id }) => id === 'targets/t/parts/all/compute');
    const turn = breakEvenOf(fast, at)!;
    expect(turn.value).toBeCloseTo(100, 2);
    expect(turn.rentsFrom).toBe('below');
    expect(
      breakEvenOf(
        fast,
        fast.assumptions.findIndex(({ id }) => id === 'general/pue'),
      ),
    ).toBeNull();
  });

  it('ranks each assumption alone, by its own range or a fifth', () => {
    const study = withGuess(mirror('100', '90'), 'general/training', {
      likely: '95',
      lean: '0',
      heavy: '3000',
    });
    const [first, second] = swingsOfStudy(new FastStudy(study));
    expect(first).toMatchObject({
      id: 'general/training',
      low: 0,
      high: 3000,
      atLow: -600,
      atHigh: 2400,
      isOwn: true,
    });
    expect(second!.isOwn).toBe(false);
    expect(second!.low / second!.high).toBeCloseTo(80 / 120);
  });

  it('agrees with the exact calculation on every square of a map', () => {
    const study = quayStudy();
    const fast = new FastStudy(study);
    const place = (id: string): number => fast.assumptions.findIndex((each) => each.id === id);
    const map = studyMap(fast, place('general/tariff'), place('hardware/hosts/refresh'), 4);
    map.down.forEach((refresh, row) =>
      map.across.forEach((tariff, column) => {
        const there = withGuess(
          withGuess(study, 'general/tariff', { likely: String(tariff) }),
          'hardware/hosts/refresh',
          { likely: String(refresh) },
        );
        const [own, rent] = pair(there);
        expect(map.differences[row]![column]).toBeCloseTo(rent.total.minus(own.total).toNumber(), 4);
      }),
    );
  });
});

describe('judgements', () => {
  it('say which side they favour, and neutral ones favour nobody', () => {
    const study = quayStudy();
    const leaning = leaningsOf(new FastStudy(study));
    expect(leaning.map(({ id }) => id)).toContain('general/hoursRented');
    const people = leaning.find(({ id }) => id === 'general/hoursRented')!;
    // Less work on rented machines speaks for renting.
    expect(people.by).toBeLessThan(0);
    expect(leaningsOf(new FastStudy(neutralStudy(study)))).toEqual([]);
  });

  it('leave a mirrored study at nothing when they are neutral', () => {
    const study = neutralStudy(
      withGuess(mirror('100', '100'), 'general/trendRent', { likely: '5', lean: '1', heavy: '9' }),
    );
    const [own, rent] = pair(study);
    expect(rent.total.minus(own.total).toString()).toBe('0');
  });
});

describe('draws', () => {
  const study = withGuess(mirror('100', '90'), 'targets/t/parts/all/compute', {
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
