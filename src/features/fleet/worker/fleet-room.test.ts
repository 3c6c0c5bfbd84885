import { beforeEach, describe, expect, it } from 'vitest';
import { bookRoutes } from '@tests/support/book-routes';
import { bookFrom, smallBookFile } from '@tests/support/books';
import { machineOf, sent } from '@tests/support/fleet-contract';
import { testContext } from '@tests/support/store-contract';
import { decimal } from '@/engine/base';
import { isSame } from '@/engine/design';
import { defaultPlacement, type FleetPlan, type Machine, newPlan, UNION } from '@/features/fleet/calc';
import { bookSet, priceDesign, printedAmounts } from '@/engine/pricing';
import { machineLines } from '@/features/fleet/format/machine-schema';
import { bringMachines, fleetMachines, openFleet } from '@/features/fleet/use/fleets';
import { memoryStores } from '@/stores/memory-stores';
import { FleetRoom } from './fleet-room';
import type { FleetAnswers, FleetQuestion, MachineQuery } from './fleet-protocol';

const SEVERN = { book: 'small', region: 'severn' };
const ALL: MachineQuery = { filter: {}, sort: 'inventory', down: false, placement: null };
const fact = (value: number) => ({ value, from: 'measured' as const });
const MACHINES: readonly Machine[] = [
  machineOf('web-1', 2, { cluster: 'quay', system: 'Linux', peakCpu: fact(0.2), peakMemory: fact(0.4) }),
  machineOf('web-2', 2, { cluster: 'quay', system: 'Linux', peakCpu: fact(0.9), peakMemory: fact(0.4) }),
  machineOf('db-1', 8, { cluster: 'mole', system: 'Server OS', stored: fact(50.5), sent: fact(40) }),
  machineOf('db-2', 8, { cluster: 'mole', system: 'Linux', power: 'off' }),
  machineOf('huge', 900, { system: 'Linux' }),
];

let told: string[] = [];
let calledOff = false;
const work = {
  told: (done: number, steps: number, words: string) => void told.push(`${done}/${steps} ${words}`),
  isCalledOff: () => calledOff,
};

/** The routes that the worker asks, over the in-memory stores. */
async function started() {
  const context = testContext(memoryStores());
  const books = await bookRoutes(smallBookFile());
  const fetchJson = async (path: string, init?: RequestInit): Promise<unknown> => {
    const [, id = '', query = ''] = /^\/api\/fleets\/([\w-]+)\/machines\?(.*)$/.exec(path) ?? [];
    if (!id) return books.fetchJson(path);
    const asked = new URLSearchParams(query);
    if (!init) return fleetMachines(context, id, Number(asked.get('after')), Number(asked.get('limit')));
    const source = sent(await (init.body as Blob).text());
    return bringMachines(context, { id, title: asked.get('title')!, origin: asked.get('origin')!, source });
  };
  const room = new FleetRoom(fetchJson);
  const ask = <Q extends FleetQuestion>(question: Q) =>
    room.answer(question, work) as Promise<FleetAnswers[Q['ask']]>;
  return { context, ask };
}

const plan: FleetPlan = {
  ...newPlan({
    title: 'Quay',
    currency: 'USD',
    exchange: [],
    books: [{ book: 'small', revision: 3 }],
    origin: '',
  }),
  groups: [
    { id: 'web', name: 'Web', filter: { words: 'web' } },
    { id: 'quay', name: 'On the quay', filter: { sets: { cluster: ['quay'] } } },
    { id: 'db', name: 'Databases', filter: { words: 'db' } },
  ],
  placements: [
    { ...defaultPlacement('peak', 'By peak', [SEVERN]), withoutOff: false, leaving: 1 },
    {
      ...defaultPlacement('as', 'As installed', [SEVERN]),
      rule: { by: 'installed' },
      withoutOff: false,
      leaving: 1,
    },
  ],
};

async function opened(machines: readonly Machine[] = MACHINES) {
  const { context, ask } = await started();
  const id = crypto.randomUUID();
  await bringMachines(context, { id, title: 'Quay', origin: 'a', source: sent(...machineLines(machines)) });
  await ask({ ask: 'open', id, machines: machines.length });
  return { context, ask, id };
}

beforeEach(() => {
  told = [];
  calledOff = false;
});

describe('an open fleet', () => {
  it('is found by filters, sorted, counted, and its printed rows add up to the tally and to the design', async () => {
    const { ask } = await opened();
    const query: MachineQuery = { filter: {}, sort: 'amount', down: true, placement: 'peak' };
    const { total, rows } = await ask({ ask: 'rows', plan, query, from: 0, count: 10 });
    expect([total, rows.map(({ machine }) => machine.id)]).toEqual([
      5,
      ['db-1', 'db-2', 'web-2', 'web-1', 'huge'],
    ]);
    expect(rows[4]).toMatchObject({
      placed: { becomes: null, printed: null, unfit: 'no-size' },
      ready: ['no-size', 'not-measured'],
    });
    const tally = await ask({ ask: 'tally', plan, query });
    const sum = rows.reduce((all, row) => all.plus(row.placed?.printed ?? 0), decimal('0'));
    expect([tally.printed, tally.without, tally.measured]).toEqual([sum.toString(), 1, 2]);
    const whole = { ...plan, groups: [] };
    const made = await ask({ ask: 'design', plan: whole, group: 'all', placement: 'peak' });
    const priced = priceDesign(made.design, bookSet([bookFrom(smallBookFile())]), 'likely');
    expect(printedAmounts(priced).total.toString()).toBe(tally.printed);
    expect(made.printed).toBe(tally.printed);
    const apart = await ask({ ask: 'design', plan: whole, group: 'all', placement: 'peak', oneByOne: true });
    expect([apart.isOneByOne, apart.printed]).toEqual([true, made.printed]);
    const servers = apart.design.sections[0]!.components.filter(({ kind }) => kind === 'server');
    expect(servers.map(({ name }) => name).sort()).toEqual(['db-1', 'db-2', 'web-1', 'web-2']);
    const some = await ask({
      ask: 'rows',
      plan,
      query: { ...query, filter: { words: 'WEB' } },
      from: 1,
      count: 1,
    });
    expect([some.total, some.rows[0]!.machine.id]).toEqual([2, 'web-1']);
  });

  it('says what its groups have in common, and counts it once', async () => {
    const { ask } = await opened();
    const values = await ask({ ask: 'values', plan });
    expect(values.groups).toEqual({
      counts: [
        ['web', 2],
        ['quay', 2],
        ['db', 2],
      ],
      union: 4,
      twice: 2,
      inNone: 1,
    });
    expect(values.cluster).toEqual([
      ['mole', 2],
      ['quay', 2],
      ['', 1],
    ]);
    expect(values.systems.map(({ text, machines, choice }) => [text, machines, choice])).toEqual([
      ['Linux', 4, { is: 'free' }],
      ['Server OS', 1, null],
    ]);
    expect(Object.fromEntries(values.ready)).toMatchObject({
      'no-size': 1,
      'powered-off': 1,
      'system-unknown': 1,
      ready: 2,
    });
    const matrix = await ask({ ask: 'matrix', plan });
    expect(matrix.overlap).toEqual({ union: 4, twice: 2, inNone: 1 });
    const amount = (group: string, placement: string) =>
      Number(matrix.cells.find((cell) => cell.group === group && cell.placement === placement)!.monthly);
    expect(amount(UNION, 'peak')).toBeCloseTo(amount('web', 'peak') + amount('db', 'peak'), 6);
    expect(
      matrix.cells.find(({ group, placement }) => group === 'web' && placement === 'as')!.reason,
    ).toMatch(/^compute −25\s%$/);
    expect(matrix.mix!.chosen.map(({ group, machines }) => [group, machines])).toEqual([
      ['web', 2],
      ['db', 2],
    ]);
  });

  it('explains a machine: its need in words, the next size, its parts, which add up', async () => {
    const { ask } = await opened();
    const one = await ask({ ask: 'machine', plan, machine: 'web-1' });
    expect(one!.placements[0]).toMatchObject({
      need: '0.48 vCPU, 3.84 GiB',
      rule: expect.stringMatching(/^peak \+ 20\s%$/) as string,
      unfit: null,
    });
    expect(one!.placements[0]!.terms[0]!.byRule).not.toBeNull();
    const parts = await ask({ ask: 'parts', plan, machine: 'db-1', placement: 'peak' });
    const sum = parts!.parts.reduce((all, part) => all.plus(part.monthly), decimal('0'));
    expect(sum.toDecimalPlaces(1).toString()).toBe(decimal(parts!.printed!).toDecimalPlaces(1).toString());
    expect(parts!.parts.every(({ trace }) => trace !== null)).toBe(true);
    expect(await ask({ ask: 'machine', plan, machine: 'nobody' })).toBeNull();
  });

  it('draws where the money is, how much is installed for nothing, and how sure it is', async () => {
    const { ask } = await opened();
    const money = await ask({ ask: 'money', plan, query: { ...ALL, placement: 'peak' } });
    expect(money.bars.map(({ name }) => name)).toEqual(['db-1', 'db-2', 'web-2', 'web-1']);
    expect([money.half, money.bars.at(-1)!.upTo]).toEqual([2, 1]);
    const installed = await ask({ ask: 'installed', plan, query: ALL });
    expect(installed.rows[0]).toMatchObject({ installed: 920, measured: 4, peak: 0.2 * 2 + 0.9 * 2 });
    expect([installed.tenths[2], installed.tenths[9], installed.unmeasured]).toEqual([1, 1, 3]);
    const sure = await ask({ ask: 'sure', plan, query: ALL });
    expect(sure.rows.find(({ what }) => what === 'CPU, peak')).toMatchObject({ measured: 2, missing: 3 });
  });

  it('tells how far it is, and ends when it is called off', async () => {
    const many = Array.from({ length: 30_000 }, (_, at) => machineOf(`m${at}`, 1 + (at % 8)));
    const { ask } = await opened(many);
    expect(told).toContain('30000/30000 Loading the machines');
    calledOff = true;
    const whole = { ...plan, groups: [] };
    await expect(ask({ ask: 'matrix', plan: whole })).rejects.toThrow('called off');
    calledOff = false;
    expect((await ask({ ask: 'matrix', plan: whole })).cells).toHaveLength(2);
    expect(told.some((each) => /Groups under placements$/.test(each))).toBe(true);
  }, 60_000);
});

describe('an inventory on its way in', () => {
  const file = (text: string) => new File([text], 'quay.csv');
  const NO_MAPPING = { chosen: {}, units: {}, roles: {} };

  it('is looked at, read, compared with what is there, and kept; what it wrote opens as the same', async () => {
    const { ask, context, id } = await opened();
    const csv = await ask({ ask: 'csv', plan, query: ALL });
    const same = await ask({ ask: 'read', title: 'Quay', files: [file(csv)], mapping: NO_MAPPING });
    expect([same.machines, same.against, same.rejectedCount]).toEqual([
      5,
      { added: 0, gone: 0, changed: 1 },
      0,
    ]);
    // Only where a size came from may differ: a file says that it was typed.
    await ask({ ask: 'send', id, title: 'Quay', origin: 'quay.csv' });
    const kept = await fleetMachines(context, id, 0, 10);
    const changed = kept.filter((machine, at) => !isSame(machine, MACHINES[at]));
    expect(changed).toEqual([{ ...MACHINES[2], stored: { value: 50.5, from: 'typed' } }]);
    const again = await ask({ ask: 'read', title: 'Quay', files: [file(csv)], mapping: NO_MAPPING });
    expect(again.machines).toBe(5);
    expect((await openFleet(context, id)).plan.origin).toBe('quay.csv');
  });

  it('keeps nothing where it has no machine, and hands rejected rows out as a file without formulas', async () => {
    const { ask } = await started();
    const text = 'Name,vCPU,Memory (GB)\n=cmd,0,4\n';
    const read = await ask({ ask: 'read', title: 'x', files: [file(text)], mapping: NO_MAPPING });
    expect([read.machines, read.against, read.rejectedCount]).toEqual([0, null, 1]);
    expect(await ask({ ask: 'rejected' })).toContain('"vCPU","is missing or nothing');
    await expect(ask({ ask: 'send', id: crypto.randomUUID(), title: 'x', origin: 'y' })).rejects.toThrow(
      'no machine to keep',
    );
  });

  it('takes columns as a person says', async () => {
    const { ask } = await started();
    const files = [file('Box,Power,Room\nweb,4,16\n')];
    const mapping = { ...NO_MAPPING, chosen: { Box: 'name', Power: 'vcpu', Room: 'memory' } } as const;
    expect((await ask({ ask: 'look', files, mapping }))[0]!.role).toBe('machines');
    const read = await ask({ ask: 'read', title: 'x', files, mapping });
    expect([read.machines, read.rejectedCount]).toEqual([1, 0]);
  });
});
