import { BOOK, cell, fact, machine, money, placement, placer, run, SEVERN } from '@tests/support/placing';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal } from '@/engine/base';
import type { Section } from '@/engine/design';
import { bookSet, monthlyOf, priceDesign, printedAmounts } from '@/engine/pricing';
import {
  COST_KINDS,
  type FleetPlacement,
  isComplete,
  mayStandAlone,
  type Machine,
  machineAmounts,
  matrixOf,
  onceEach,
  oneByOne,
} from './';
import { drawn } from '@tests/support/drawn';

/** Its second hour costs less than its first: together they are cheaper than one by one. */
const hasTiers = ({ components }: Section): boolean =>
  components.some(({ choice }) => choice.by === 'sku' && choice.sku === 'S-TIER');

const anyFact = (max: number) => fc.option(fc.double({ min: 0, max, noNaN: true }).map(fact));
const anyMachine = fc.record({
  vcpu: fc.integer({ min: 1, max: 20 }),
  memory: fc.integer({ min: 1, max: 80 }),
  system: fc.constantFrom('Linux', 'Server OS', 'Old', 'Unknown'),
  power: fc.constantFrom('on', 'off', null),
  storage: anyFact(900),
  stored: anyFact(400),
  peakCpu: anyFact(1),
  peakMemory: anyFact(1),
  iops: anyFact(9000),
  sent: anyFact(500),
});
const anyFleet = fc
  .array(anyMachine, { minLength: 1, maxLength: 25 })
  .map((all) => all.map(({ vcpu, memory, ...part }, at) => machine(`m${at}`, vcpu, memory, part)));
const anyPlacement: fc.Arbitrary<Partial<FleetPlacement>> = fc.record({
  form: fc.constantFrom<FleetPlacement['form']>(
    { by: 'shared' },
    { by: 'own-host' },
    { by: 'hosts', cpuTimes: 3, memoryTimes: 1.25, storageRatio: 2, spare: 1 },
  ),
  rule: fc.constantFrom<FleetPlacement['rule']>(
    { by: 'installed' },
    { by: 'peak', headroom: 0.2 },
    { by: 'target', cpu: 0.6, memory: 0.8 },
  ),
  term: fc.constantFrom('on-demand', '12-none'),
  licences: fc.constantFrom('included', 'brought'),
  withoutOff: fc.boolean(),
  leaving: fc.constantFrom(0, 0.3, 1),
  disks: fc.record({
    by: fc.constantFrom('used', 'allocated'),
    medium: fc.constantFrom('solid state', 'cheapest'),
    pooled: fc.boolean(),
    fastFrom: fc.constantFrom(null, 3000),
    snapshots: fc.constantFrom(0, 0.2),
  }),
});

describe('a group under a placement', () => {
  it('costs what the design that it becomes costs, to the cent: by kind, by line and by machine', () => {
    fc.assert(
      fc.property(anyFleet, anyPlacement, (machines, part) => {
        const found = cell(machines, part);
        const again = priceDesign(found.design, bookSet([BOOK]), 'likely');
        expect(money(again.monthly.value)).toBe(money(found.monthly));
        expect(monthlyOf(again).size).toBe(found.lines.size);
        const kinds = COST_KINDS.reduce((sum, kind) => sum.plus(found.kinds[kind]), decimal('0'));
        expect(money(kinds.toDecimalPlaces(12))).toBe(money(found.monthly.toDecimalPlaces(12)));
        const amounts = machineAmounts(found, BOOK.currency);
        const stands = machines.filter(({ power }) => !(part.withoutOff && power === 'off'));
        expect(amounts.map(({ laid }) => laid.machine.id).sort()).toEqual(stands.map(({ id }) => id).sort());
        if (found.unpriced > 0) return;
        const printed = amounts.reduce((sum, each) => sum.plus(each.printed ?? 0), decimal('0'));
        expect(money(printed)).toBe(money(printedAmounts(again).total));
        expect(amounts.filter(({ laid }) => laid.unfit).every(({ monthly }) => monthly === null)).toBe(true);
      }),
      { numRuns: drawn(60) },
    );
  });

  it('is the same whatever order the machines stand in', () => {
    fc.assert(
      fc.property(anyFleet, anyPlacement, (machines, part) => {
        const [one, other] = [cell(machines, part), cell([...machines].reverse(), part)];
        expect(money(other.monthly)).toBe(money(one.monthly));
        expect(other.design.sections).toEqual(one.design.sections);
        for (const [id, { offer }] of one.layout.machines)
          if (part.form?.by !== 'hosts') expect(other.layout.machines.get(id)!.offer).toBe(offer);
        expect(other.unfit.map(({ id }) => id).sort()).toEqual(one.unfit.map(({ id }) => id).sort());
      }),
      { numRuns: drawn(40) },
    );
  });

  it('never makes a machine smaller than it needs, and nobody whose system is not sold goes anywhere', () => {
    fc.assert(
      fc.property(anyFleet, anyPlacement, (machines, part) => {
        for (const {
          offer,
          need,
          unfit,
          machine: { system },
        } of cell(machines, part).layout.machines.values()) {
          if (system === 'Old') expect(unfit).toBe('system');
          if (!offer || part.form?.by === 'hosts') continue;
          expect(offer.vcpu!.toNumber()).toBeGreaterThanOrEqual(Number(need.vcpu));
          expect(offer.memory!.toNumber()).toBeGreaterThanOrEqual(Number(need.memory));
        }
      }),
      { numRuns: drawn(40) },
    );
  });

  it('by hand: two machines, their disks one by one and what they send', () => {
    const two = [
      machine('web', 3, 10, { storage: fact(99.2), stored: fact(40), sent: fact(100) }),
      machine('db', 3, 10, { storage: fact(200), sent: fact(50) }),
    ];
    const found = cell(two);
    const by = new Map(found.layout.sections[0]!.components.map((line) => [line.id, line]));
    expect(by.get('g-disk')!.usage.capacity).toEqual({
      amount: { likely: '240' },
      sizes: [
        { count: '1', amount: '40' },
        { count: '1', amount: '200' },
      ],
      unit: 'GiB',
    });
    expect(by.get('g-out')!.usage.transferred!.amount).toEqual({ likely: '45' });
    expect(by.get('g-1')!.count).toEqual({ likely: '2' });
    // 0.08 for a GiB: a sixth of the disks is the first machine's.
    expect(money(found.kinds.storage)).toBe('19.2');
    expect(
      cell(two, { disks: { ...placement().disks, by: 'allocated', pooled: true } }).kinds.storage.toString(),
    ).toBe('24');
  });

  it('packs hosts, pays for the fewest that are sold, and says so', () => {
    const nine = Array.from({ length: 9 }, (_, at) => machine(`m${at}`, 8, 32));
    const form = { by: 'hosts', cpuTimes: 1, memoryTimes: 1, storageRatio: 1, spare: 0 } as const;
    const { layout, kinds } = cell(nine, { form });
    expect(layout.hosts).toMatchObject({ least: 3, paid: 3, lowerBound: 2 });
    expect(layout.hosts!.hosts.map(({ ids }) => ids.length)).toEqual([8, 1]);
    // Three hosts at 2 an hour.
    expect(money(kinds.compute)).toBe(String(3 * 2 * Number(BOOK.monthHours)));
    expect(cell(nine, { form: { ...form, spare: 5 } }).layout.hosts!.paid).toBe(7);
    expect(cell(nine, { form: { ...form, cpuTimes: 4 } }).layout.hosts!.hosts).toHaveLength(1);
  });

  it('lays out more machines than a call takes arguments', () => {
    const many = Array.from({ length: 150_000 }, (_, at) => machine(`m${at}`, 1, 1));
    const form = { by: 'hosts', cpuTimes: 4, memoryTimes: 4, storageRatio: 1, spare: 0 } as const;
    const { layout, unfit } = cell(many, { form });
    expect(unfit).toEqual([]);
    expect(layout.hosts!.hosts.reduce((sum, { ids }) => sum + ids.length, 0)).toBe(150_000);
  });

  it('stands one by one in a design of the same sum, where no price hangs on the number', () => {
    fc.assert(
      fc.property(anyFleet, (machines) => {
        const found = cell(machines, { form: { by: 'shared' } });
        fc.pre(mayStandAlone(found) && !found.layout.sections.some(hasTiers));
        const sections = oneByOne(found);
        const lines = sections.flatMap(({ components }) => components);
        expect(
          lines
            .filter(({ kind }) => kind === 'server')
            .map(({ name }) => name)
            .sort(),
        ).toEqual(
          [...found.layout.machines.values()]
            .filter(({ unfit }) => !unfit)
            .map((each) => each.machine.name)
            .sort(),
        );
        const by = placer();
        expect(money(by.price(by.design('One by one', sections)).monthly.value)).toBe(money(found.monthly));
      }),
      { numRuns: drawn(25) },
    );
    const hosts = { by: 'hosts', cpuTimes: 1, memoryTimes: 1, storageRatio: 1, spare: 0 } as const;
    expect(mayStandAlone(cell([machine('a', 2, 8)], { form: hosts }))).toBe(false);
  });

  it('goes to the cheapest of its places, but not to one where something has no size', () => {
    const places = [
      SEVERN,
      ...BOOK.regions
        .filter(({ code }) => code !== 'severn')
        .map(({ code }) => ({ book: 'wide', region: code })),
    ];
    const machines = [machine('a', 4, 16), machine('b', 2, 4)];
    const each = places.map((place) => cell(machines, { places: [place] }));
    const whole = each.filter(({ unfit, unpriced }) => unfit.length + unpriced === 0);
    const least = whole.map(({ monthly }) => monthly).sort((a, b) => a.comparedTo(b))[0]!;
    expect(money(cell(machines, { places }).monthly)).toBe(money(least));
  });
});

describe('groups × placements', () => {
  const groupsOf = (machines: readonly Machine[]) => {
    const group = (id: string, from: number, to: number) => ({
      group: { id, name: id },
      machines: machines.slice(from, to),
    });
    return [group('a', 0, 8), group('b', 5, 12), group('c', 0, 3)];
  };
  it('count what is in several groups once: the row of all is a group of its own, and the mix has every machine once', () => {
    fc.assert(
      fc.property(anyFleet, (machines) => {
        const groups = groupsOf(machines.filter(({ system }) => system === 'Linux'));
        const placements = [placement(), placement({ id: 'q', rule: { by: 'peak', headroom: 0.2 } })];
        const matrix = run(matrixOf(placer(), groups, placements));
        const once = [...new Set(groups.flatMap((each) => each.machines))];
        for (const { cell: all } of matrix.union) {
          const alone = cell(
            once,
            placements.find(({ id }) => id === all.placement)!,
          );
          expect(money(all.monthly)).toBe(money(alone.monthly));
        }
        for (const { group, cell: found } of matrix.cells) {
          const own = groups.find((each) => each.group.id === group)!;
          expect(money(found.monthly)).toBe(
            money(
              cell(
                own.machines,
                placements.find(({ id }) => id === found.placement)!,
              ).monthly,
            ),
          );
        }
        if (!matrix.mix) return;
        for (const { cell: all } of matrix.union)
          if (isComplete(all)) expect(matrix.mix.monthly.lessThanOrEqualTo(all.monthly)).toBe(true);
        expect(matrix.mix.chosen.reduce((sum, each) => sum + each.machines, 0)).toBe(once.length);
        expect(onceEach(groups).flatMap((each) => each.machines)).toHaveLength(once.length);
      }),
      { numRuns: drawn(25) },
    );
  });

  it('tell what the same would cost as installed, and if the unmeasured were used as the measured are', () => {
    const machines = [
      machine('a', 8, 32, { peakCpu: fact(0.25), peakMemory: fact(0.25) }),
      machine('b', 8, 32),
    ];
    const groups = [{ group: { id: 'a', name: 'a' }, machines }];
    const [found] = run(matrixOf(placer(), groups, [placement({ rule: { by: 'peak', headroom: 0 } })])).cells;
    const both = (vcpu: readonly [number, number], memory: readonly [number, number]) =>
      money(cell([machine('a', vcpu[0], memory[0]), machine('b', vcpu[1], memory[1])]).monthly);
    expect(money(found!.cell.monthly)).toBe(both([2, 8], [8, 32]));
    expect(money(found!.installed)).toBe(both([8, 8], [32, 32]));
    expect(money(found!.ifMeasured)).toBe(both([2, 2], [8, 8]));
  });

  it('is told step by step, up to its end', () => {
    const groups = groupsOf(Array.from({ length: 12 }, (_, at) => machine(`m${at}`, 1, 1)));
    const steps = [...matrixOf(placer(), groups, [placement()])];
    expect(steps.every(({ done }, at) => at === 0 || done >= steps[at - 1]!.done)).toBe(true);
    expect(steps.at(-1)!.done).toBeLessThanOrEqual(steps.at(-1)!.steps);
  });
});
