import { following, USERS } from '@tests/support/drivers';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf, volumeOf } from '@tests/support/designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '@/engine/base';
import { type Component, type Design, designInStep } from '@/engine/design';
import { casesText, effectsSentence, rangeSentence } from '@/features/range/words';
import type { MovingTogether } from '@/engine/drivers';
import { planOf } from '@/engine/pricing';
import {
  baseFor,
  drawInto,
  effectsOf,
  factorsOf,
  Simulation,
  swingsOf,
  triangularAt,
  uncertainInputs,
} from './';

const BOOKS = smallBooks();
const range = (lean: string, likely: string, heavy: string) => ({ lean, likely, heavy });

function simulated(
  components: readonly Component[],
  draws: number,
  part: Partial<Design['assumptions']> = {},
  seed = 'harbour',
): Simulation {
  const design = designOf([...components]);
  const plan = planOf(designInStep({ ...design, assumptions: { ...design.assumptions, ...part } }), BOOKS);
  const made = new Simulation(plan, seed, draws);
  made.advance(draws);
  return made;
}

/** A server's hours: 0.10 each, no steps and no tiers, so that the month is a sum of what is drawn. */
const hours = (id: string, ...cases: [string, string, string]) =>
  serverOf(id, { running: { pattern: 'hours', hoursPerMonth: range(...cases) } });
const moments = (lean: number, likely: number, heavy: number) => ({
  mean: (lean + likely + heavy) / 3,
  variance: (lean ** 2 + likely ** 2 + heavy ** 2 - lean * likely - lean * heavy - likely * heavy) / 18,
});

describe('draws', () => {
  it('of a sum of triangular inputs have its mean and its deviation', () => {
    const { design } = simulated(
      [hours('a', '100', '200', '600'), hours('b', '50', '400', '500')],
      20_000,
    ).answer();
    const [a, b] = [moments(10, 20, 60), moments(5, 40, 50)];
    const deviation = Math.sqrt(a.variance + b.variance);
    // Within four standard errors.
    expect(Math.abs(design.mean - a.mean - b.mean)).toBeLessThan((4 * deviation) / Math.sqrt(20_000));
    expect(Math.abs(design.deviation / deviation - 1)).toBeLessThan(0.03);
  });

  it('of one input have its own quantiles, within the error that is stated', () => {
    const { design, p90Between } = simulated([hours('a', '0', '100', '700')], 20_000).answer();
    const exact = (share: number): number => triangularAt({ lean: 0, likely: 10, heavy: 70 }, share);
    expect(Math.abs(design.p10 - exact(0.1))).toBeLessThan(0.6);
    expect(Math.abs(design.p50 - exact(0.5))).toBeLessThan(0.6);
    expect(p90Between[0]).toBeLessThan(exact(0.9));
    expect(p90Between[1]).toBeGreaterThan(exact(0.9));
    expect(p90Between[1] - p90Between[0]).toBeLessThan(2);
  });

  it('through a graduated tier are what the tier makes of them', () => {
    // 100 GB free, 10 at 1.00, 90 at 0.50, then 0.10: the quantile of the amount is the amount of the quantile.
    const { design } = simulated([transferOf('out', range('0', '150', '900'))], 20_000).answer();
    const amount = (gb: number): number =>
      Math.min(Math.max(gb - 100, 0), 10) +
      Math.min(Math.max(gb - 110, 0), 90) * 0.5 +
      Math.max(gb - 200, 0) * 0.1;
    for (const [share, found] of [
      [0.1, design.p10],
      [0.5, design.p50],
      [0.9, design.p90],
    ] as const) {
      const exact = amount(triangularAt({ lean: 0, likely: 150, heavy: 900 }, share));
      expect(Math.abs(found - exact)).toBeLessThan(2);
    }
  });

  it('agree with the engine, draw by draw', () => {
    const components = [
      serverOf('web', { count: range('1', '3', '9') }),
      transferOf('out', range('50', '150', '900')),
      volumeOf('disk', range('20', '80', '500')),
      // The program does not follow units of an autoscale.
      serverOf('scaled', {
        running: {
          pattern: 'autoscale',
          floor: { likely: '1' },
          ceiling: range('3', '5', '20'),
          carries: { likely: '10' },
        },
        load: { rate: { by: 'requests', perSecond: range('5', '40', '190') } },
      }),
    ];
    const { inputs, factors, program } = simulated(components, 1);
    const random = seededRandom('again');
    const values = new Float64Array(inputs.length);
    let refused = 0;
    for (let draw = 0; draw < 200; draw += 1) {
      drawInto(
        values,
        inputs,
        factors,
        Float64Array.from({ length: inputs.length }, () => random.next()),
      );
      const near = program.run(values);
      const exact = program.exact(values).monthly.value.toNumber();
      if (Number.isNaN(near)) refused += 1;
      else expect(Math.abs(near - exact)).toBeLessThanOrEqual(1e-9 * exact);
    }
    expect(refused).toBe(0);
    expect([...program.plainLines]).toEqual(['scaled']);
  });

  it('are the same from the same seed, however they are asked, and others from another', () => {
    const components = [hours('a', '100', '200', '600')];
    const whole = simulated(components, 500).answer();
    const design = designOf(components);
    const bits = new Simulation(planOf(design, BOOKS), 'harbour', 500);
    while (!bits.isDone) bits.advance(37);
    expect(bits.answer()).toEqual(whole);
    const other = simulated(components, 500, {}, 'quay').answer();
    expect(other.design.mean).not.toBe(whole.design.mean);
    expect(Math.abs(other.design.mean - whole.design.mean)).toBeLessThan(2);
  });

  it('take drivers first: what follows one moves with it', () => {
    const components = [
      transferOf('out', following('users * 0.5[GB/user]')),
      serverOf('web', { count: following('ceil(users / 150[user])') }),
    ];
    const made = simulated(components, 200, { drivers: [USERS] });
    expect(made.inputs.map(({ label }) => label)).toEqual(['Users']);
    // With few users nothing is paid for but one server: some draws cost no more than the lean case.
    const ranks = made.answer().cases.map(({ rank }) => rank);
    expect(ranks[0]).toBeLessThan(0.1);
    expect(ranks[2]).toBe(1);
  });

  it('say how often the budget is exceeded, and what the three cases are among them', () => {
    const answer = simulated([hours('a', '0', '100', '700'), hours('b', '0', '100', '700')], 4000, {
      budget: '140',
    }).answer();
    expect(answer.budget!.exceeded).toBe(0);
    expect(rangeSentence(answer)).toContain('is exceeded in fewer than');
    expect(answer.cases.find((each) => each.case === 'heavy')).toMatchObject({ amount: '140', rank: 1 });
    expect(casesText(answer)).toContain(
      'takes both inputs at the heavy end at once: none of 4\u00a0000 draws costs more',
    );
    expect(answer.histogram.counts.reduce((sum, each) => sum + each, 0)).toBe(4000);
    expect([...answer.cumulative].sort((x, y) => x - y)).toEqual(answer.cumulative);
  });

  it('leave out draws without an amount, and count them', () => {
    const components = [
      hours('a', '100', '200', '600'),
      transferOf('out', following('(users - 150[user]) * 1[GB/user]')),
    ];
    const answer = simulated(components, 400, { drivers: [USERS] }).answer();
    expect(answer.without).toBeGreaterThan(0);
    expect(answer.done).toBe(400);
  });
});

describe('inputs that move together', () => {
  const inputs = uncertainInputs(
    designOf([hours('a', '0', '1', '9'), hours('b', '0', '5', '9'), hours('c', '1', '2', '3')]),
  );
  const group = (rank: string): MovingTogether => ({
    name: 'Season',
    rank,
    inputs: ['a', 'b'].map((component) => ({ component, entry: 'running/hoursPerMonth' })),
  });

  function ranked(rank: string): number {
    const factors = factorsOf(inputs, [group(rank)]);
    const random = seededRandom('ranks');
    const numbers = factors.reduce((sum, each) => sum + each.numbers, 0);
    const values = new Float64Array(inputs.length);
    const [a, b]: [number[], number[]] = [[], []];
    for (let draw = 0; draw < 4000; draw += 1) {
      drawInto(
        values,
        inputs,
        factors,
        Float64Array.from({ length: numbers }, () => random.next()),
      );
      a.push(values[0]!);
      b.push(values[1]!);
    }
    const ranks = (of: readonly number[]): number[] => {
      const order = of.map((_, at) => at).sort((x, y) => of[x]! - of[y]!);
      const found = Array.from({ length: of.length }, () => 0);
      order.forEach((at, place) => (found[at] = place));
      return found;
    };
    const [x, y] = [ranks(a), ranks(b)];
    const n = x.length;
    const squares = x.reduce((sum, each, at) => sum + (each - y[at]!) ** 2, 0);
    return 1 - (6 * squares) / (n * (n * n - 1));
  }

  it('entirely have the same rank, by a rank correlation that one, and alone none', () => {
    expect(ranked('1')).toBeCloseTo(1, 9);
    expect(Math.abs(ranked('0.6') - 0.6)).toBeLessThan(0.05);
    expect(Math.abs(ranked('0'))).toBeLessThan(0.06);
  });

  it('keep the distribution of each', () => {
    const factors = factorsOf(inputs, [group('0.6')]);
    expect(factors.map(({ label, inputs: places }) => [label, places])).toEqual([
      ['Season', [0, 1]],
      ['Hours a month of “Component c”', [2]],
    ]);
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true }), {
          minLength: 7,
          maxLength: 7,
        }),
        (uniform) => {
          const values = new Float64Array(3);
          drawInto(values, inputs, factors, uniform);
          inputs.forEach(({ lean, heavy }, at) => {
            expect(values[at]).toBeGreaterThanOrEqual(lean);
            expect(values[at]).toBeLessThanOrEqual(heavy);
          });
        },
      ),
    );
  });
});

describe('what explains the spread', () => {
  it('of a sum is each input’s share of the variance', () => {
    const made = simulated([hours('a', '100', '200', '600'), hours('b', '50', '100', '150')], 10);
    const { effects, method } = effectsOf(made, 4096);
    const [a, b] = [moments(10, 20, 60).variance, moments(5, 10, 15).variance];
    expect(method).toContain('Saltelli');
    expect(effects.map(({ label }) => label)).toEqual([
      'Hours a month of “Component a”',
      'Hours a month of “Component b”',
    ]);
    [a, b].forEach((variance, at) => {
      expect(Math.abs(effects[at]!.first - variance / (a + b))).toBeLessThan(0.04);
      expect(Math.abs(effects[at]!.total - variance / (a + b))).toBeLessThan(0.04);
    });
    expect(effects[0]!.widthThen).toBeLessThan(effects[1]!.widthThen);
    expect(effectsSentence(effectsOf(made, 256), 'USD')).toMatch(
      /^Measure first: Hours a month of “Component a”\. It explains/,
    );
  });

  it('of a product is more in total than alone', () => {
    const made = simulated(
      [
        serverOf('a', {
          count: range('1', '5', '40'),
          running: { pattern: 'hours', hoursPerMonth: range('10', '100', '700') },
        }),
      ],
      10,
    );
    const { effects } = effectsOf(made, 4096);
    const first = effects.reduce((sum, each) => sum + each.first, 0);
    expect(first).toBeLessThan(0.99);
    for (const each of effects) expect(each.total).toBeGreaterThan(each.first + 0.02);
  });

  it('takes fewer draws where there are many factors, or where each takes long', () => {
    const many = (count: number): Simulation['factors'] => new Array<Simulation['factors'][number]>(count);
    const bases = [
      { factors: many(10), weight: 0.01 },
      { factors: many(100), weight: 0.1 },
      { factors: many(10), weight: 20 },
    ].map(baseFor);
    expect(bases).toEqual([2048, 256, 64]);
  });
});

it('swings one input at a time, the widest first, each end exactly priced', () => {
  const made = simulated([hours('a', '100', '200', '600'), hours('b', '0', '300', '700')], 1);
  expect(swingsOf(made)).toEqual({
    likely: '50',
    swings: [
      { input: 1, atLean: '20', atHeavy: '90' },
      { input: 0, atLean: '40', atHeavy: '90' },
    ],
  });
});
