/** Whatever a fleet holds: the design that it becomes is one that files and the server take. */
import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { machineOf } from '@tests/support/fleet-contract';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  cellOf,
  defaultPlacement,
  type FleetPlacement,
  type Machine,
  machineAmounts,
  Placer,
} from '@/features/fleet/calc';
import { bookSet, priceDesign, printedAmounts } from '@/engine/pricing';
import { readDesign, writeDesign } from '@/features/design/format/design';

const BOOK = WIDE_BOOKS.get('wide', 1)!;
const placer = new Placer({ currency: BOOK.currency, exchange: [], books: [BOOK], systems: {} });

function cell(machines: readonly Machine[], part: Partial<FleetPlacement> = {}) {
  const placement = { ...defaultPlacement('p', 'There', [{ book: 'wide', region: 'severn' }]), ...part };
  const work = cellOf(placer, [{ id: 'g', name: 'Group', machines }], placement);
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}

const fact = (value: number) => ({ value, from: 'measured' as const });
const anyMachines = fc
  .array(
    fc.record({
      vcpu: fc.double({ min: 1e-3, max: 40, noNaN: true }),
      stored: fc.double({ min: 0, max: 1e6, noNaN: true }),
      sent: fc.double({ min: 0, max: 1e7, noNaN: true }),
      peakCpu: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    { minLength: 1, maxLength: 12 },
  )
  .map((all) =>
    all.map(({ vcpu, stored, sent, peakCpu }, at) =>
      machineOf(`m${at}`, vcpu, { stored: fact(stored), sent: fact(sent), peakCpu: fact(peakCpu) }),
    ),
  );

describe('a design made of a fleet', () => {
  it('is taken by files, and comes to the same there', () => {
    fc.assert(
      fc.property(
        anyMachines,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (machines, leaving, snapshots) => {
          const { disks } = defaultPlacement('p', 'There', []);
          const found = cell(machines, { leaving, disks: { ...disks, snapshots } });
          const read = readDesign(writeDesign(found.design));
          if (!read.ok) throw new Error(JSON.stringify(read.faults));
          const again = priceDesign(read.value, bookSet([BOOK]), 'likely');
          expect(again.monthly.value.toString()).toBe(found.monthly.toString());
        },
      ),
      { numRuns: 60 },
    );
  });

  it('has as many lines of disks as it takes, and still adds up', () => {
    const machines = Array.from({ length: 4500 }, (_, at) =>
      machineOf(`m${at}`, 1, { stored: fact(at + 1) }),
    );
    const found = cell(machines);
    const disks = found.design.sections[0]!.components.filter(({ kind }) => kind === 'block-volume');
    expect(disks.map(({ usage }) => usage.capacity!.sizes!.length)).toEqual([2000, 2000, 500]);
    const read = readDesign(writeDesign(found.design));
    expect(read.ok).toBe(true);
    const printed = machineAmounts(found, BOOK.currency).reduce((sum, each) => sum + Number(each.printed), 0);
    const total = printedAmounts(priceDesign(found.design, bookSet([BOOK]), 'likely')).total;
    expect(printed).toBeCloseTo(total.toNumber(), 6);
  });
});
