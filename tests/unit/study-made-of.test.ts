/** What a study is made from keeps its sums: a fleet's placements, a design's month. */
import { describe, expect, it } from 'vitest';
import { addAll, decimal } from '@/engine/base';
import { smallBookFile } from '@tests/support/books';
import { designOf, serverOf, storeOf } from '@tests/support/designs';
import { cell, fact, machine, placement, placer, run } from '@tests/support/placing';
import { testContext } from '@tests/support/store-contract';
import { uploadOf } from '@tests/support/upload';
import { importBook } from '@/features/price-books/use/import-book';
import { openDesign, storeDesign } from '@/features/design/use/designs';
import { priceDesignOnServer } from '@/features/design/use/price-design';
import { proposeDesignStudy } from '@/features/own-or-rent/use/propose-design-study';
import { memoryStores } from '@/stores/memory-stores';
import { newPlan } from '@/features/fleet/calc';
import { fleetStudy, studyTroubles } from '@/features/own-or-rent/calc';

const MACHINES = [
  machine('a', 2, 8, { cluster: 'quay', host: 'h1', storage: fact(100) }),
  machine('b', 4, 16, { cluster: 'quay', host: 'h1', stored: fact(50), storage: fact(90) }),
  machine('c', 2, 4, { cluster: 'mole', host: 'h2', system: 'Server OS' }),
  machine('d', 1, 2, { cluster: 'pier', host: 'h2' }),
];

describe('a study of a fleet', () => {
  const placements = [placement(), placement({ id: 'ahead', term: '12-none' })];
  const plan = {
    ...newPlan({ title: 'Quay', currency: 'USD', exchange: [], books: [], origin: 'quay.csv' }),
    groups: ['quay', 'mole'].map((id) => ({ id, name: id, filter: { sets: { cluster: [id] } } })),
    placements,
  };
  const study = run(fleetStudy(placer(), plan, MACHINES, () => [], '2027-01'));

  it('has its groups, each machine once, and those in none', () => {
    expect(study.parts.map(({ id, machines }) => [id, machines.likely])).toEqual([
      ['quay', '2'],
      ['mole', '1'],
      ['others', '1'],
    ]);
    // 150 GiB, the used ones where they are known.
    expect(Number(study.parts[0]!.stored.likely)).toBeCloseTo((150 * 1024 ** 3) / 1e12, 3);
    expect(study.hardware.find(({ id }) => id === 'hosts')!.count.likely).toBe('2');
    expect(studyTroubles(study).filter(({ stops }) => stops)).toEqual([]);
  });

  it('costs by kind what its machines cost together, to the cent', () => {
    for (const own of placements) {
      const { kinds } = cell(MACHINES, own);
      const parts = Object.values(study.targets.find(({ id }) => id === own.id)!.parts);
      const sum = (kind: 'compute' | 'storage' | 'transfer' | 'licences'): string =>
        addAll(parts.map((part) => decimal(part[kind].likely))).toFixed(2);
      expect(sum('compute')).toBe(kinds.compute.toFixed(2));
      expect(sum('storage')).toBe(kinds.storage.toFixed(2));
      expect(sum('transfer')).toBe(kinds.transfer.toFixed(2));
      expect(sum('licences')).toBe(kinds.systems.plus(kinds.licences).toFixed(2));
    }
  });
});

describe('a study of a design', () => {
  it('costs a month what the design does, section by section', async () => {
    const context = testContext(memoryStores());
    await importBook(context, uploadOf(smallBookFile()));
    const design = designOf([
      serverOf('web', { count: { likely: '3' } }),
      storeOf('files', { stored: { amount: { likely: '40' }, unit: 'GB' } }),
    ]);
    const id = await storeDesign(context, design);
    const study = await proposeDesignStudy(context, id, '2027-01');
    const { printed } = await priceDesignOnServer(context, (await openDesign(context, id)).design);
    const parts = Object.values(study.targets[0]!.parts);
    const all = parts.flatMap((part) => Object.values(part).map(({ likely }) => decimal(likely)));
    expect(addAll(all).toString()).toBe(decimal(printed).toString());
    expect(study.parts.map(({ machines }) => machines.likely)).toEqual(['3']);
  });
});
