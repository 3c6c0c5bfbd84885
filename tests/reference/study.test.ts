/** Owning against renting: the core against the second calculation, and against what has to hold whatever is in a study. */
import { describe, expect, it } from 'vitest';
import { addAll, decimal, type Decimal } from '@/engine/base';
import {
  explainedLines,
  FastStudy,
  outcomesOf,
  type Study,
  studyTroubles,
  type VariantOutcome,
  yearsTable,
} from '@/features/own-or-rent/calc';
import { evaluate } from '@/engine/trace';
import { drawnStudy } from '../support/studies';
import { Dice } from './dice';
import { Fraction } from './fraction';
import { PlainStudy } from './study';
import { drawnSeeds } from '@tests/support/drawn';

const SEEDS = drawnSeeds(0, 40);
const MORE_SEEDS = drawnSeeds(1000, 30);

/** A hair of a cent: decimals have 34 digits, fractions all of them. */
function close(found: Decimal, expected: Fraction): boolean {
  const text = found.toFixed(18);
  const off = Fraction.of(text).minus(expected);
  return off.times(off).compare(Fraction.of('0.000000000001')) < 0;
}

describe('a drawn study', () => {
  it('can be calculated, all of them', () => {
    for (const seed of SEEDS)
      expect(
        studyTroubles(drawnStudy(new Dice(seed))).filter(({ stops }) => stops),
        `seed ${seed}`,
      ).toEqual([]);
  });

  it('comes to what the second calculation says, month by month, both ways', () => {
    for (const seed of SEEDS) {
      const study = drawnStudy(new Dice(seed));
      for (const outcome of outcomesOf(study)) {
        const plain = new PlainStudy(study, outcome.variant).run();
        const off = (['cash', 'spread'] as const).flatMap((basis) =>
          outcome[basis].flatMap((amount, month) =>
            close(amount, plain[basis][month]!) ? [] : [`${basis} ${month}`],
          ),
        );
        expect(off, `seed ${seed}, ${outcome.variant.id}`).toEqual([]);
        expect(close(outcome.worth, plain.worth), `seed ${seed}, ${outcome.variant.id}: worth`).toBe(true);
        for (const [kind, { cash }] of plain.kinds) {
          const lines = outcome.lines.filter((line) => line.kind === kind);
          expect(close(addAll(lines.flatMap((line) => line.cash)), cash), `seed ${seed}: ${kind}`).toBe(true);
        }
      }
    }
  });

  it('pays over its whole life what it spreads, and what is left', () => {
    for (const seed of SEEDS) {
      const study = drawnStudy(new Dice(seed));
      for (const { cash, spread, worth, variant } of outcomesOf(study)) {
        const before = study.sunk ? openingOf(study) : decimal(0);
        const difference = addAll(cash).minus(addAll(spread)).minus(worth).plus(before);
        expect(difference.abs().lessThan('1e-18'), `seed ${seed}, ${variant.id}: ${difference}`).toBe(true);
      }
    }
  });

  it('comes to the same in doubles, and explained', () => {
    for (const seed of MORE_SEEDS) {
      const study = drawnStudy(new Dice(seed));
      const [own, rent] = study.against.map((id) =>
        outcomesOf(study).find(({ variant }) => variant.id === id)!,
      );
      const fast = new FastStudy(study);
      const found = fast.run(fast.likely);
      const apart = (value: number, exact: Decimal): number => Math.abs(value / (exact.toNumber() || 1) - 1);
      if (!own!.total.isZero()) expect(apart(found.own, own!.total), `seed ${seed}`).toBeLessThan(1e-9);
      if (!rent!.total.isZero()) expect(apart(found.rent, rent!.total), `seed ${seed}`).toBeLessThan(1e-9);
      for (const { id, cash, worth } of explainedLines(study, rent!.variant)) {
        const line = rent!.lines.find((each) => each.id === id)!;
        cash.forEach((figure, month) => {
          expect(figure?.value.toString() ?? '0', `seed ${seed}, ${id}`).toBe(line.cash[month]!.toString());
          if (figure && month % 7 === 0) expect(evaluate(figure).equals(figure.value)).toBe(true);
        });
        expect(worth?.value.toString() ?? '0').toBe(line.worth.toString());
      }
    }
  });

  it('prints a table that adds up in both directions, to the exact total', () => {
    for (const seed of SEEDS) {
      const study = drawnStudy(new Dice(seed));
      for (const outcome of outcomesOf(study)) {
        const { kinds, years, total } = yearsTable(study, outcome);
        expect(total.toString()).toBe(rounded(outcome));
        expect(addAll(years).equals(total), `seed ${seed}`).toBe(true);
        expect(addAll(kinds.map((row) => row.total)).equals(total), `seed ${seed}`).toBe(true);
        years.forEach((printed, year) =>
          expect(addAll(kinds.map((row) => row.years[year]!)).equals(printed)).toBe(true),
        );
        for (const row of kinds) {
          expect(addAll(row.lines.map((line) => line.total)).equals(row.total)).toBe(true);
          row.years.forEach((printed, year) =>
            expect(addAll(row.lines.map((line) => line.years[year]!)).equals(printed)).toBe(true),
          );
        }
      }
    }
  });

  it('has the same answer whatever was asked of it before', () => {
    const study = drawnStudy(new Dice(3));
    const fast = new FastStudy(study);
    const before = fast.difference(fast.likely);
    const other = fast.likely.map((each) => each * 1.1);
    fast.run(other);
    expect(fast.difference(fast.likely)).toBe(before);
  });
});

/** What the books say at the start, copies and the second site with it. */
function openingOf({ hardware, general }: Study): Decimal {
  const share = (id: string): Decimal => decimal(general[id]!.likely).dividedBy(100).plus(1);
  return addAll(
    hardware.map(({ sort, count, price, age, refresh, residual }) => {
      const life = Math.round(Number(refresh.likely) * 12);
      const gone = decimal(Math.min(life, Math.round(Number(age.likely) * 12))).dividedBy(life);
      const written = decimal(100).minus(residual.likely).dividedBy(100).times(gone);
      const one = decimal(price.likely).times(decimal(1).minus(written));
      const all = one.times(count.likely).times(share('secondSite'));
      return sort === 'storage' ? all.times(share('backup')) : all;
    }),
  );
}

const rounded = ({ total }: VariantOutcome): string => decimal(total.toFixed(2)).toString();
