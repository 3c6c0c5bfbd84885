import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { designOf, serverOf, storeOf, transferOf, volumeOf } from '@tests/support/designs';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { Decimal } from '../base';
import { allComponents, type Component, type Design } from '../design';
import { planOf, priceDesign, type PricedDesign } from '../pricing';
import { CASES } from '../usage';
import { compileProgram, stepsOf, withEntry } from './';
import { drawn, metAtLeast } from '@tests/support/drawn';

const SMALL = smallBooks();
const linesOf = ({ sections }: PricedDesign) => sections.flatMap(({ lines }) => lines);

describe('the steps of a design', () => {
  it('are rows that only refer to rows before them, and end at the lines’ amounts', () => {
    const design = designOf([
      serverOf('a', { count: { likely: '3' } }),
      transferOf('out', { likely: '1500' }),
      transferOf('more', { likely: '900' }),
      volumeOf('disk', { likely: '80' }),
      storeOf('store', { stored: { amount: { likely: '40' }, unit: 'GB' } }),
    ]);
    for (const which of CASES) {
      const priced = priceDesign(design, SMALL, which);
      const { rows, roots } = stepsOf(priced, new Map());
      rows.forEach((row, index) => row.parts.forEach((part) => expect(part).toBeLessThan(index)));
      for (const line of linesOf(priced)) {
        if (line.status !== 'priced') continue;
        expect(rows[roots.get(line.id)!]!.value.toString()).toBe(line.monthly.value.toString());
      }
    }
  });
});

describe('a program', () => {
  it('has the amounts that were priced, and others for other entries', () => {
    const design = designOf([
      serverOf('web', { running: { pattern: 'hours', hoursPerMonth: { likely: '300' } } }),
      transferOf('out', { likely: '250' }),
    ]);
    const { program, refused } = compileProgram(planOf(design, SMALL));
    expect(refused).toEqual([]);
    expect(program.inputs.map(({ component, entry }) => `${component} ${entry}`).sort()).toEqual([
      'out count',
      'out usage/transferred',
      'web count',
      'web running/hoursPerMonth',
    ]);
    expect(program.run(program.inputs.map(({ value }) => value))).toBeCloseTo(90, 9);
    // Into other tiers: 100 GB are free, 10 at 1.00, 90 at 0.50, 800 at 0.10; and 600 hours.
    const other = { 'usage/transferred': 1000, 'running/hoursPerMonth': 600 } as Record<string, number>;
    expect(program.run(program.inputs.map(({ entry, value }) => other[entry] ?? value))).toBeCloseTo(195, 9);
    expect([...program.lines]).toEqual(['web', 'out']);
    expect([...program.amounts].map((each) => Math.round(each * 1e6) / 1e6)).toEqual([60, 135]);
  });

  it('says which of its entries reach a line', () => {
    const design = designOf([
      serverOf('web'),
      transferOf('out', { likely: '250' }),
      transferOf('more', { likely: '50' }),
    ]);
    const { program } = compileProgram(planOf(design, SMALL));
    const sent = program.inputs.findIndex(
      ({ component, entry }) => component === 'more' && entry === 'usage/transferred',
    );
    const reaches = (line: string): boolean => program.inputsBehind(new Set([line])).has(sent);
    expect([reaches('web'), reaches('out'), reaches('more')]).toEqual([false, true, true]);
  });

  it('refuses what a trace froze, and goes on following the rest', () => {
    const design = designOf([
      // All that runs is committed: with fewer committed units some would be on demand, of which the trace has nothing.
      serverOf('a', { term: '12-none', count: { likely: '2' }, committed: { likely: '3' } }),
      volumeOf('disk', { likely: '80' }),
    ]);
    const { program, refused } = compileProgram(planOf(design, SMALL));
    const followed = program.inputs.map(({ component, entry }) => `${component} ${entry}`);
    expect(followed).toContain('disk usage/capacity');
    expect(refused.map(({ component, entry }) => `${component} ${entry}`)).toContain('a committed');
    expect(followed).not.toContain('a committed');
  });

  it('goes on with no value that a trace froze, though what is included free hides it here', () => {
    // How high the load is on average hangs on the runs; below the allowance any height comes to nothing.
    const runs = (perMonth: string, minutes: string, viewers: string, refresh: string): Design => {
      const none = { amount: { likely: '0' }, unit: 'kB' };
      const rate = {
        by: 'viewers' as const,
        viewers: { likely: viewers },
        refreshSeconds: { likely: refresh },
      };
      const line = {
        ...serverOf('run', {}),
        kind: 'container-run-time',
        place: { book: 'wide', region: 'severn' },
        choice: { by: 'sku', sku: 'RUNTIME' },
        running: { pattern: 'runs', perMonth: { likely: perMonth }, minutesEach: { likely: minutes } },
        load: {
          rate,
          peak: null,
          secondsEach: { likely: '0' },
          requestSize: none,
          replySize: none,
          requestsPerConnection: null,
        },
        size: { vcpu: { likely: '2' }, memory: { likely: '4' } },
      } as unknown as Component;
      const design = designOf([line]);
      return { ...design, books: [{ book: 'wide', revision: 1 }] };
    };
    const { program } = compileProgram(planOf(runs('1', '2', '1793', '1'), WIDE_BOOKS));
    const wanted: Readonly<Record<string, number>> = {
      'running/perMonth': 0.08,
      'running/minutesEach': 0.5,
      'load/viewers': 9000,
      'load/refreshSeconds': 0.37,
    };
    const values = program.inputs.map(({ entry, value }) => wanted[entry] ?? value);
    const changed = changedDesign(runs('1', '2', '1793', '1'), program.inputs, values);
    program.run(values);
    const [line] = linesOf(priceDesign(changed, WIDE_BOOKS, 'likely'));
    if (line?.status !== 'priced') throw new Error('it has an amount');
    expect(program.amounts[0]).toBeCloseTo(line.monthly.value.toNumber(), 9);
  });

  it('agrees with the engine at random points of whatever it follows, to nine digits', () => {
    let inputs = 0;
    let points = 0;
    const kinds = new Map<string, number>();
    const factor = fc.integer({ min: 1, max: 100 }).map((percent) => percent / 100);
    fc.assert(
      fc.property(anyWideDesign, fc.infiniteStream(factor), (design, factors) => {
        const { program } = compileProgram(planOf(design, WIDE_BOOKS));
        inputs += program.inputs.length;
        for (const { entry } of program.inputs) {
          const kind = entry.split('/')[0]!;
          kinds.set(kind, (kinds.get(kind) ?? 0) + 1);
        }
        const stream = factors[Symbol.iterator]();
        const values = program.inputs.map(({ entry, value }) => {
          const times = value * (stream.next().value as number) * (entry.startsWith('usage/') ? 3 : 1);
          return entry === 'count' || entry === 'committed'
            ? Math.ceil(times)
            : Number(times.toPrecision(12));
        });
        const changed = changedDesign(design, program.inputs, values);
        const engine = priceDesign(changed, WIDE_BOOKS, 'likely');
        program.run(values);
        // Beyond what an offer is sold for there is no amount, and nothing to agree with.
        if (engine.unpriced > priceDesign(design, WIDE_BOOKS, 'likely').unpriced) return;
        program.lines.forEach((id, at) => {
          const line = linesOf(engine).find((each) => each.id === id)!;
          // A quantity that left its only band says so.
          if (line.status !== 'priced' || Number.isNaN(program.amounts[at]!)) return;
          const expected = line.monthly.value.toNumber();
          points += 1;
          expect(Math.abs(program.amounts[at]! - expected)).toBeLessThanOrEqual(
            1e-9 * Math.max(1, Math.abs(expected)),
          );
        });
      }),
      { numRuns: drawn(150, 80) },
    );
    // The program was used, and for every sort of entry.
    expect(points).toBeGreaterThan(metAtLeast(400));
    expect(inputs).toBeGreaterThan(metAtLeast(400));
    expect([...kinds.keys()].sort()).toEqual(
      expect.arrayContaining(['count', 'each', 'kept', 'load', 'running', 'size', 'usage']),
    );
  });
});

function changedDesign(
  design: Design,
  inputs: readonly { readonly component: string; readonly entry: string }[],
  values: readonly number[],
): Design {
  const components = new Map<string, Component>(allComponents(design).map((each) => [each.id, each]));
  inputs.forEach(({ component, entry }, at) => {
    components.set(
      component,
      withEntry(components.get(component)!, entry, new Decimal(values[at]!).toString())!,
    );
  });
  return {
    ...design,
    sections: design.sections.map((section) => ({
      ...section,
      components: section.components.map((each) => components.get(each.id)!),
    })),
  };
}
