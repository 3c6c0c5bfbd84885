import { following, USERS } from '@tests/support/drivers';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf, volumeOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal, must, seededRandom } from '@/engine/base';
import { type Along, applyEdit, type Design, designInStep } from '@/engine/design';
import { curveSentence, curveTable, mapSentence, mapTable } from '@/features/load/words';
import { planOf, priceDesign } from '@/engine/pricing';
import { MixedProgram } from '@/engine/program';
import {
  type Curve,
  curveOf,
  type CurveSide,
  findBends,
  gridOf,
  loadMap,
  sudden,
  usualAxis,
  variedAlong,
} from './';
import { drawn } from '@tests/support/drawn';

const BOOKS = smallBooks();
const ALONG: Along = { of: 'driver', name: 'users' };

const stated = (components: Parameters<typeof designOf>[0], budget?: string): Design => {
  const design = designOf(components);
  const assumptions = { ...design.assumptions, drivers: [USERS], ...(budget ? { budget } : {}) };
  return designInStep({ ...design, assumptions });
};

function sideOf(design: Design, id: string | null, name: string, along = ALONG): CurveSide {
  const axis = usualAxis(along, design)!;
  return { id, name, plan: planOf(design, BOOKS), varied: variedAlong(along, design, axis)! };
}

function drawnCurve(designs: readonly Design[], points = 40, along = ALONG): Curve {
  const sides = designs.map((each, at) => sideOf(each, at === 0 ? null : String(at), `Side ${at}`, along));
  return curveOf({ axis: usualAxis(along, designs[0]!)!, sides, what: { of: 'design' }, points });
}

/** What somebody would see who enters that many users by hand. */
function byHand(design: Design, users: number): number {
  const drivers = [{ ...USERS, value: { likely: String(users) } }];
  const edited = must(applyEdit(design, { edit: 'set-assumption', field: 'drivers', value: drivers })).design;
  return priceDesign(edited, BOOKS, 'likely').monthly.value.toNumber();
}

/** 73 each. */
const servers = stated([serverOf('web', { count: following('ceil(users / 500[user])') })]);
/** 100 GB free, then 1.00, 0.50, 0.10 by tier. */
const transfer = stated([transferOf('out', following('users * 0.5[GB/user]'))]);

describe('a curve', () => {
  it('is, at fifty random places, what the design edited by hand to that load costs', () => {
    const random = seededRandom('places');
    for (const design of [servers, transfer]) {
      const side = sideOf(design, null, 'Design');
      const program = new MixedProgram(side.plan, [side.varied]);
      for (let place = 0; place < 50; place += 1) {
        const users = Math.round(10 * 1000 ** random.next());
        const expected = byHand(design, users);
        expect(Math.abs(program.run([users]) - expected)).toBeLessThanOrEqual(1e-9 * Math.max(1, expected));
      }
    }
  });

  it('shows a step as a step: two places a ten-thousandth apart, and nothing between', () => {
    const { at, sides, marks } = drawnCurve([servers]);
    const [{ amounts }] = sides as [Curve['sides'][number]];
    const step = at.findIndex((x, index) => amounts[index] === 73 && amounts[index + 1] === 146);
    expect(at[step]!).toBeLessThanOrEqual(500);
    expect(at[step + 1]!).toBeGreaterThan(500);
    expect(at[step + 1]! / at[step]!).toBeLessThan(1.001);
    expect(new Set(amounts.map((each) => Math.round(each! / 73)))).toContain(20);
    expect(marks[0]).toMatchObject({ name: 'Component web', jump: '73', again: { times: 18 } });
    expect(marks[0]!.what).toContain('2 in place of 1');
  });

  it('says where the cheapest changes, to a thousandth, and prices agree on both sides of it', () => {
    const dear = stated([transferOf('out', following('users * 5[GB/user]'))]);
    const curve = drawnCurve([servers, dear]);
    expect(curve.crossings.length).toBeGreaterThan(0);
    for (const { at, below, above } of curve.crossings) {
      const designs = [servers, dear];
      const cost = (side: number, x: number) => byHand(designs[side]!, x);
      expect(cost(below, at * 0.999)).toBeLessThanOrEqual(cost(above, at * 0.999) + 1e-9);
      expect(cost(above, at * 1.001)).toBeLessThanOrEqual(cost(below, at * 1.001) + 1e-9);
    }
    const { stretches } = curve;
    expect(stretches[0]!.from).toBe(10);
    expect(stretches[stretches.length - 1]!.to).toBe(10000);
    stretches.slice(1).forEach((each, at) => expect(each.from).toBe(stretches[at]!.to));
    expect(curveSentence(curve)).toMatch(/^Up to .* “Side 1” costs least; .*“Side 0”.*\.$/);
  });

  it('reads its named places exactly, and says where the budget is crossed and allowances end', () => {
    const curve = drawnCurve([stated([transferOf('out', following('users * 0.5[GB/user]'))], '200')]);
    expect(curve.readings.map(({ label, at, amounts }) => [label, at, amounts])).toEqual([
      ['lean', 100, ['0']],
      ['likely', 200, ['0']],
      ['heavy', 900, ['80']],
    ]);
    const crossed = curve.sides[0]!.budget!;
    expect(byHand(transfer, crossed * 0.9999)).toBeLessThanOrEqual(200);
    expect(byHand(transfer, crossed * 1.0001)).toBeGreaterThan(200);
    // 100 GB are included: 200 users.
    expect(curve.marks.some(({ at }) => Math.abs(at - 200) < 1)).toBe(true);
    const rows = curveTable(curve).rows.map(({ cells }) => cells);
    expect(rows).toContainEqual([{ number: '900' }, 'heavy', { money: '80' }]);
  });

  it('has a gap, never a zero, where a formula gives nothing', () => {
    const design = stated([
      serverOf('web'),
      transferOf('out', following('(users - 150[user]) * 0.5[GB/user]')),
    ]);
    const { at, sides } = drawnCurve([design]);
    const [{ amounts }] = sides as [Curve['sides'][number]];
    at.forEach((x, index) => {
      if (x < 149.9) expect(amounts[index]).toBeNull();
      if (x > 150.1) expect(amounts[index]).not.toBeNull();
    });
    expect(amounts).toContain(null);
  });

  it('tells which lines move and which stay', () => {
    const { growth } = drawnCurve([
      stated([serverOf('still'), transferOf('out', following('users * 5[GB/user]'))]),
    ]);
    const first = (id: string) => growth.lines.find((each) => each.id === id)!.amounts;
    expect(new Set(first('still'))).toEqual(new Set([73]));
    expect(first('out')[24]).toBeGreaterThan(first('out')[0]!);
  });

  it('may be drawn over traffic, or over one entry of a line', () => {
    const design = stated([
      serverOf('web', { count: { likely: '2' } }),
      transferOf('out', { likely: '300' }),
    ]);
    const traffic = drawnCurve([design], 30, { of: 'traffic' });
    expect(traffic.readings[0]).toMatchObject({ label: 'planned', at: 1, amounts: ['211'] });
    const entry: Along = { of: 'entry', line: 'web', entry: 'count' };
    const counted = drawnCurve([design], 10, entry);
    expect(counted.axis).toMatchObject({ from: 1, to: 10, scale: 'linear' });
    expect(counted.sides[0]!.amounts.map((each) => Math.round(each! - 65))).toContain(730);
  });
});

describe('lines that the program does not follow', () => {
  it('are priced by the engine, with what is tied to them; all others are not', () => {
    const design = stated([
      serverOf('scaled', {
        running: {
          pattern: 'autoscale',
          floor: { likely: '1' },
          ceiling: { likely: '40' },
          carries: { likely: '30' },
        },
        load: { rate: { by: 'requests', perSecond: following('users * 1[request/s/user]') } },
      }),
      transferOf('out', following('users * 0.5[GB/user]')),
      volumeOf('disk', { likely: '80' }),
    ]);
    const side = sideOf(design, null, 'Design');
    const program = new MixedProgram(side.plan, [side.varied]);
    expect([...program.plainLines]).toEqual(['scaled']);
    for (const users of [11, 95, 640, 5000]) {
      expect(program.run([users])).toBeCloseTo(byHand(design, users), 6);
    }
    expect(program.asked).toBe(4);
  });

  it('or not: it agrees with the engine on any design, along traffic', () => {
    fc.assert(
      fc.property(anyWideDesign, fc.double({ min: 0.11, max: 90, noNaN: true }), (design, times) => {
        const plan = planOf(design, WIDE_BOOKS);
        const varied = variedAlong({ of: 'traffic' }, design, { from: 0.1, to: 100 })!;
        const program = new MixedProgram(plan, [varied]);
        const near = program.run([times]);
        const exact = program.exact([times]).monthly.value.toNumber();
        if (!Number.isNaN(near))
          expect(Math.abs(near - exact)).toBeLessThanOrEqual(1e-9 * Math.max(1, exact));
      }),
      { numRuns: drawn(60) },
    );
  });
});

describe('bends', () => {
  it('are found where a line turns or jumps, and nowhere on a smooth curve', () => {
    const options = { hair: 1e-9, near: 1e-4, most: 20 };
    const grid = gridOf({ from: 1, to: 100, scale: 'log' }, 12);
    const turn = findBends((x) => Math.max(10, x), grid, options);
    expect(turn).toHaveLength(1);
    expect(turn[0]!.from).toBeLessThanOrEqual(10);
    expect(turn[0]!.to).toBeGreaterThanOrEqual(10);
    expect(findBends((x) => x * x, grid, options)).toEqual([]);
    expect(findBends((x) => 3 * x + 1, grid, options)).toEqual([]);
  });
});

describe('a map', () => {
  it('has in every cell the side that costs least there', () => {
    const ships = { ...USERS, name: 'ships', title: 'Ships', unit: 'ship' };
    const two = (components: Parameters<typeof designOf>[0]): Design => {
      const design = designOf(components);
      return designInStep({ ...design, assumptions: { ...design.assumptions, drivers: [USERS, ships] } });
    };
    const designs = [
      two([serverOf('a', { count: following('ceil(users / 500[user])') })]),
      two([serverOf('a', { count: following('ceil(ships / 300[ship])') })]),
    ];
    const axis = usualAxis(ALONG, designs[0]!)!;
    const up = usualAxis({ of: 'driver', name: 'ships' }, designs[0]!)!;
    const sides = designs.map((design, at) => ({
      id: String(at),
      name: `Side ${at}`,
      plan: planOf(design, BOOKS),
      varied: [
        variedAlong(ALONG, design, axis)!,
        variedAlong({ of: 'driver', name: 'ships' }, design, up)!,
      ] as const,
    }));
    const map = loadMap(sides, axis, up, 9);
    map.y.forEach((y, row) =>
      map.x.forEach((x, column) => {
        const [a, b] = [Math.ceil(x / 500), Math.ceil(y / 300)];
        expect(map.cheapest[row * 9 + column]).toBe(b < a ? 1 : 0);
      }),
    );
    expect(mapSentence(map)).toMatch(/costs least on .* of the map/);
    const cheaper = (x: number, y: number): number => (Math.ceil(y / 300) < Math.ceil(x / 500) ? 1 : 0);
    map.y.forEach((y, row) => {
      for (const { at, below, above } of map.borders[row]!) {
        expect([cheaper(at * 0.999, y), cheaper(at * 1.0001, y)]).toEqual([below, above]);
      }
      // Read from the left, border by border, it is what every place says.
      const side = (x: number): number =>
        map.borders[row]!.filter(({ at }) => at <= x).at(-1)?.above ?? map.cheapest[row * 9]!;
      expect(map.x.map(side)).toEqual(map.cheapest.slice(row * 9, (row + 1) * 9));
    });
    expect(map.borders.some((row) => row.length > 0)).toBe(true);
    const table = mapTable(map);
    expect(table.rows.length).toBe(9);
    expect(mapTable(map, '', 3).rows.length).toBe(3);
    expect(table.rows.some(({ cells }) => /“Side 0”, from [\d\s.]+ “Side 1”/.test(String(cells[1])))).toBe(
      true,
    );
  });
});

describe('sudden fame', () => {
  it('is what the design costs at so many times, by line', () => {
    const side = sideOf(transfer, null, 'Design');
    const { now, then, rows } = sudden(side.plan, side.varied, decimal('10'), 'month');
    expect([Number(now), Number(then)]).toEqual([byHand(transfer, 200), byHand(transfer, 2000)]);
    expect(rows.map(({ id }) => id)).toEqual(['out']);
    const day = sudden(side.plan, side.varied, decimal('10'), 'day');
    expect(Number(day.then)).toBeCloseTo(byHand(transfer, 200 * (1 + 9 / 30.4166666666666667)), 9);
  });
});
