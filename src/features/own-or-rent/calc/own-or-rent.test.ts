import { describe, expect, it } from 'vitest';
import { decimal, ONE } from '@/engine/base';
import { mirrorStudy, quayStudy } from '@tests/support/studies';
import {
  breakEvenOf,
  FastStudy,
  leaningsOf,
  moreOf,
  neutralStudy,
  outcomesOf,
  paidSoFar,
  type Study,
  studyMap,
  swingsOfStudy,
  usual,
  withGuess,
} from './';

const pair = (study: Study) => {
  const all = outcomesOf(study);
  return study.against.map((id) => all.find(({ variant }) => variant.id === id)!) as [
    (typeof all)[0],
    (typeof all)[0],
  ];
};

describe('two sides that are the same', () => {
  it('differ by nothing in any month, by either basis and today', () => {
    const study = mirrorStudy('100', '100');
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
    const study = withGuess(mirrorStudy('100', '90'), 'general/discount', { likely: '12' });
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
    const study = withGuess(mirrorStudy('100', '90'), 'general/training', { likely: '95' });
    const [own, rent] = pair(study);
    const { payback, crossings } = paidSoFar(own, rent, 'cash');
    expect(payback).toBe(9);
    expect(crossings).toEqual([{ month: 9, cheaper: 'rent' }]);
    expect(moreOf(own.total, rent.total)!.toFixed(6)).toBe(decimal('-505').dividedBy(6000).toFixed(6));
  });

  it('never happens where renting costs more', () => {
    const [own, rent] = pair(mirrorStudy('90', '100'));
    expect(paidSoFar(own, rent, 'cash').payback).toBeNull();
  });
});

describe('hardware', () => {
  const hosts = (known: Parameters<typeof usual<'hardware'>>[1]): Study => ({
    ...mirrorStudy('0', '0'),
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
    const study = mirrorStudy('100', '90');
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
    const study = withGuess(mirrorStudy('100', '90'), 'general/training', {
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
      withGuess(mirrorStudy('100', '100'), 'general/trendRent', { likely: '5', lean: '1', heavy: '9' }),
    );
    const [own, rent] = pair(study);
    expect(rent.total.minus(own.total).toString()).toBe('0');
  });
});
