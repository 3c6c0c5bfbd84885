/** The demo's estates: the workbook of Harbour House is the same estate as its text file, with its flaws told. */
import { describe, expect, it } from 'vitest';
import { harbourHouseWorkbook, harbourPlan } from '@/demo/fleets';
import { harbourHouse } from '@/demo/harbour-house';
import { fileOfBytes } from '@/features/fleet/format/inventory-file';
import { readFleetPlan } from '@/features/fleet/format/plan-schema';
import { readInventory } from '@/features/fleet/format/read-inventory';
import { plainSheets } from '@/platform/files/sheet-inventory';

describe('Harbour House', () => {
  it('is one estate as a workbook and as a text file: disks added up, clusters from the sheet of hosts', async () => {
    const sheets = fileOfBytes('house.xlsx', await harbourHouseWorkbook(plainSheets));
    const text = fileOfBytes('house.csv', new TextEncoder().encode(harbourHouse()));
    const [book, list] = [await readInventory('House', [sheets]), await readInventory('House', [text])];
    expect(book.tables.map(({ role }) => role)).toEqual(['machines', 'disks', 'hosts']);
    expect(book.fleet.machines).toHaveLength(164);
    // One stands there twice, one has no memory.
    expect(book.rejected).toHaveLength(2);
    const known = new Map(list.fleet.machines.map((machine) => [machine.id, machine]));
    for (const machine of book.fleet.machines) {
      const other = known.get(machine.id)!;
      expect(machine).toMatchObject({
        vcpu: other.vcpu,
        memory: other.memory,
        cluster: other.cluster,
        system: other.system,
        power: other.power,
        licences: other.licences,
      });
      expect(machine.storage!.value).toBeCloseTo(other.storage!.value, 6);
      expect(machine.storage!.from).toBe('derived');
    }
    expect(new Set(book.fleet.machines.map(({ host }) => host)).size).toBe(11);
    expect(new Set(book.fleet.machines.map(({ cluster }) => cluster)).size).toBe(3);
  });

  it('has a plan that the format takes', () => {
    expect(readFleetPlan(JSON.parse(JSON.stringify(harbourPlan())))).toMatchObject({ ok: true });
  });
});
