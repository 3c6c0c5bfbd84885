/** What estates must do over every pair of stores. */
import { randomUUID } from 'node:crypto';
import { beforeEach, describe, expect, it } from 'vitest';
import { BARE_MACHINE, defaultPlacement, type Machine } from '@/features/fleet/calc';
import { machineLines, tidyMachine } from '@/features/fleet/format/machine-schema';
import {
  bringMachines,
  deleteFleet,
  fleetMachines,
  keepMapping,
  knownMapping,
  listFleets,
  openFleet,
  restoreFleet,
  savePlan,
} from '@/features/fleet/use/fleets';
import { type Context, type Stores } from '@/stores/ports';
import { importBook } from '@/features/price-books/use/import-book';
import { importExchange } from '@/features/price-books/use/exchange';
import { smallBookFile } from './books';
import { ELSEWHERE, testContext } from './store-contract';
import { uploadOf } from './upload';

export const machineOf = (id: string, vcpu = 2, part: Partial<Machine> = {}): Machine => ({
  ...BARE_MACHINE,
  id,
  name: id,
  vcpu: { value: vcpu, from: 'typed' },
  memory: { value: vcpu * 4, from: 'typed' },
  ...part,
});

/** As a browser sends them, in pieces that end anywhere. */
export async function* sent(...texts: readonly string[]): AsyncGenerator<Uint8Array> {
  const all = new TextEncoder().encode(texts.join(''));
  for (let at = 0; at < all.length; at += 1000) yield all.slice(at, at + 1000);
}

export function fleetContract(name: string, make: () => Promise<Stores>): void {
  describe(`estates ${name}`, () => {
    let context: Context;
    let other: Context;
    const bring = (machines: readonly Machine[], id: string = randomUUID(), by: Context = context) =>
      bringMachines(by, { id, title: 'Quay', origin: 'quay.csv', source: sent(...machineLines(machines)) });
    beforeEach(async () => {
      const stores = await make();
      context = testContext(stores);
      other = testContext(stores, ELSEWHERE);
      await importBook(context, uploadOf(smallBookFile()));
      await importExchange(context, 'date,from,to,rate\n2026-01-01,EUR,USD,1.1\n2026-02-01,EUR,USD,1.2\n');
    });

    it('come in whole, in the order of the inventory, with the newest books and rates', async () => {
      const machines = Array.from({ length: 2500 }, (_, at) => machineOf(`m-${at}`, 1 + (at % 7)));
      const brought = await bring(machines);
      expect(brought).toMatchObject({ isNew: true, machines: 2500, added: 2500, gone: 0, changed: 0 });
      const { plan, revision, machines: count } = await openFleet(context, brought.id);
      expect([revision, count, plan.title, plan.origin]).toEqual([0, 2500, 'Quay', 'quay.csv']);
      expect(plan.books).toEqual([{ book: 'small', revision: 3 }]);
      expect(plan.exchange).toEqual([{ from: 'EUR', to: 'USD', rate: '1.2', date: '2026-02-01' }]);
      expect(await fleetMachines(context, brought.id, 0, 10)).toEqual(machines.slice(0, 10));
      expect(await fleetMachines(context, brought.id, 2495, 10)).toEqual(machines.slice(2495));
      expect(await listFleets(context)).toMatchObject([{ id: brought.id, title: 'Quay', machines: 2500 }]);
    });

    it('are brought in again by key: what is new, gone and changed is told, what is planned stays', async () => {
      const { id } = await bring([machineOf('a'), machineOf('b'), machineOf('c')]);
      const { plan } = await openFleet(context, id);
      const planned = {
        ...plan,
        groups: [{ id: 'g', name: 'All', filter: {} }],
        placements: [defaultPlacement('p', 'There', [{ book: 'small', region: 'severn' }])],
      };
      expect(await savePlan(context, id, { baseRevision: 0, plan: planned })).toBe(1);
      const again = await bring([machineOf('B', 9), machineOf('c'), machineOf('d')], id);
      expect(again).toMatchObject({ isNew: false, machines: 3, added: 1, gone: 1, changed: 1 });
      const now = await openFleet(context, id);
      expect([now.revision, now.plan.groups, now.plan.placements]).toEqual([
        2,
        planned.groups,
        planned.placements,
      ]);
      expect(await bring([machineOf('B', 9), machineOf('c'), machineOf('d')], id)).toMatchObject({
        added: 0,
        gone: 0,
        changed: 0,
      });
    });

    it.each<[string, string[], RegExp]>([
      ['nothing', [], /Nothing was sent/],
      ['no head', ['{"id":"a"}\n'], /first line must be the head/],
      [
        'fewer than announced',
        [...machineLines([machineOf('a'), machineOf('b')])].slice(0, 2),
        /2 machines were announced and 1 came/,
      ],
      ['no JSON', [...machineLines([machineOf('a')]), '{'], /Line 3 is no JSON/],
      [
        'the same twice',
        [...machineLines([machineOf('a'), machineOf('A')])],
        /Line 3: “A” stands there twice/,
      ],
      [
        'a machine without memory',
        [...machineLines([machineOf('a', 2, { memory: { value: 0, from: 'typed' } })])],
        /Line 2: memory.value/,
      ],
      ['a field of its own', [...machineLines([{ ...machineOf('a'), secret: 1 } as Machine])], /Line 2/],
      ['a line without end', ['x'.repeat(200_000)], /longer than 100000/],
    ])('are refused where there is %s, and nothing is changed', async (_, texts, words) => {
      const { id } = await bring([machineOf('a'), machineOf('b')]);
      const wish = { title: 'x', origin: 'y', source: sent(...texts) };
      await expect(bringMachines(context, { ...wish, id })).rejects.toMatchObject({
        code: 'invalid',
        message: expect.stringMatching(words) as string,
      });
      expect((await fleetMachines(context, id, 0, 10)).map((each) => each.id)).toEqual(['a', 'b']);
      expect(await openFleet(context, id)).toMatchObject({ revision: 0, plan: { title: 'Quay' } });
      expect(await listFleets(context)).toHaveLength(1);
    });

    it('are saved by who has seen the newest, and only where they are whole', async () => {
      const { id } = await bring([machineOf('a')]);
      const { plan } = await openFleet(context, id);
      await savePlan(context, id, { baseRevision: 0, plan: { ...plan, title: 'Pier' } });
      await expect(savePlan(context, id, { baseRevision: 0, plan })).rejects.toMatchObject({
        code: 'conflict',
      });
      const twice = [defaultPlacement('p', 'A', []), defaultPlacement('p', 'B', [])];
      for (const placements of [twice, [{ ...twice[0], leaving: 7 }]])
        await expect(
          savePlan(context, id, { baseRevision: 1, plan: { ...plan, placements } }),
        ).rejects.toMatchObject({
          code: 'invalid',
          message: expect.stringContaining('placements') as string,
        });
      expect((await openFleet(context, id)).plan.title).toBe('Pier');
    });

    it('take names of any signs, and no sign that a database cannot keep', async () => {
      const id = randomUUID();
      const odd = tidyMachine(
        machineOf(`${'⛴️'.repeat(150)}\u0000\ud800 pier`, 2, { system: 'a\u0000b\ud83d' }),
      );
      await bringMachines(context, {
        id,
        title: 'Quay\u0000\ud800',
        origin: `${'🚢'.repeat(300)}`,
        source: sent(...machineLines([odd])),
      });
      const { plan, revision } = await openFleet(context, id);
      expect([plan.title, [...plan.origin].length]).toEqual(['Quay', 200]);
      expect(await fleetMachines(context, id, 0, 1)).toEqual([odd]);
      for (const bad of ['a\u0000', 'a\ud800']) {
        const systems = { [bad]: { is: 'free' as const } };
        const groups = [{ id: 'g', name: 'G', filter: { words: bad } }];
        for (const part of [{ systems }, { groups }, { origin: bad }, { title: bad }])
          await expect(
            savePlan(context, id, { baseRevision: revision, plan: { ...plan, ...part } }),
          ).rejects.toMatchObject({ code: 'invalid' });
      }
      const systems = { [odd.system]: { is: 'free' as const } };
      await savePlan(context, id, { baseRevision: revision, plan: { ...plan, systems } });
      expect((await openFleet(context, id)).plan.systems).toEqual(systems);
    });

    it('are of their own workspace, and can be restored after they were deleted', async () => {
      const { id } = await bring([machineOf('a')]);
      const { plan } = await openFleet(context, id);
      const missing = { code: 'not-found' };
      await expect(openFleet(other, id)).rejects.toMatchObject(missing);
      await expect(fleetMachines(other, id, 0, 1)).rejects.toMatchObject(missing);
      await expect(savePlan(other, id, { baseRevision: 0, plan })).rejects.toMatchObject(missing);
      await expect(deleteFleet(other, id)).rejects.toMatchObject(missing);
      await expect(bring([machineOf('b')], id, other)).rejects.toMatchObject(missing);
      expect(await listFleets(other)).toEqual([]);
      await deleteFleet(context, id);
      await expect(openFleet(context, id)).rejects.toMatchObject(missing);
      await expect(bring([machineOf('b')], id)).rejects.toMatchObject(missing);
      await expect(restoreFleet(other, id)).rejects.toMatchObject(missing);
      await restoreFleet(context, id);
      expect(await fleetMachines(context, id, 0, 1)).toEqual([machineOf('a')]);
    });

    it('remember how headings were mapped, each workspace by itself', async () => {
      const headings = `CPUs\tRAM\t${'x'.repeat(9000)}`;
      const mapping = { chosen: { CPUs: 'vcpu' }, units: {}, roles: {} };
      expect(await knownMapping(context, headings)).toBeNull();
      await keepMapping(context, headings, { chosen: {} });
      await keepMapping(context, headings, mapping);
      expect(await knownMapping(context, headings)).toEqual(mapping);
      expect(await knownMapping(other, headings)).toBeNull();
    });
  });
}
