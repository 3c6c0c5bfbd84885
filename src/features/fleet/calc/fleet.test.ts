import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { componentOf, designOf } from '@tests/support/designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal } from '@/engine/base';
import { planOf } from '@/engine/pricing';
import type { Need } from '@/engine/sizing';
import type { Term } from '@/engine/terms';
import {
  BARE_MACHINE,
  type Fact,
  FleetMatcher,
  type Machine,
  placeFleet,
  type Placement,
  sizedNeed,
} from './';

const BOOK = WIDE_BOOKS.get('wide', 1)!;
const REGION = 'severn';
const fact = (value: number, from: Fact['from'] = 'measured'): Fact => ({ value, from });
const machine = (id: string, vcpu: number, memory: number, part: Partial<Machine> = {}): Machine => ({
  id,
  name: id,
  ...BARE_MACHINE,
  power: 'on',
  vcpu: fact(vcpu, 'typed'),
  memory: fact(memory, 'typed'),
  ...part,
});
const placement = (part: Partial<Placement> = {}): Placement => ({
  name: 'There',
  rule: { by: 'installed' },
  allowed: {},
  terms: ['on-demand', '12-none'],
  withoutOff: false,
  ...part,
});
const place = (
  machines: readonly Machine[],
  part: Partial<Placement> = {},
  matcher = new FleetMatcher(BOOK, REGION),
) => placeFleet({ title: 'Estate', machines }, placement(part), matcher);

/** What the engine takes for the need, in a design of that one line. */
function engine(need: Need, term: Term): { sku: string; monthly: string } | null {
  const line = componentOf({
    id: 'a',
    kind: 'server',
    place: { book: 'wide', region: REGION },
    choice: { by: 'cheapest', need },
    term,
  });
  const design = { ...designOf([line]), currency: BOOK.currency, books: [{ book: 'wide', revision: 1 }] };
  const plan = planOf(
    { ...design, assumptions: { ...design.assumptions, month: { hours: 'book' } } },
    WIDE_BOOKS,
  );
  const priced = plan.pricer.price(plan, { case: 'likely' }).sections[0]!.lines[0]!;
  return priced.status === 'priced'
    ? { sku: priced.offer!.sku, monthly: priced.monthly.value.toString() }
    : null;
}

const amount = fc.double({ min: 0.1, max: 40, noNaN: true }).map((value) => value.toFixed(2));

describe('matching', () => {
  it('takes what the engine takes, at the same price, for any need under any term', () => {
    const matcher = new FleetMatcher(BOOK, REGION);
    let found = 0;
    fc.assert(
      fc.property(
        amount,
        amount,
        fc.boolean(),
        fc.constantFrom<Term>('on-demand', '12-none', '36-all'),
        (vcpu, memory, allowBurstable, term) => {
          const need: Need = {
            vcpu,
            memory: String(Number(memory) * 3),
            ...(allowBurstable ? { allowBurstable } : {}),
          };
          const ours = matcher.match(need, term);
          const theirs = engine(need, term);
          expect(ours && { sku: ours.offer.sku, monthly: ours.monthly.toString() }).toEqual(theirs);
          if (ours) found += 1;
        },
      ),
      { numRuns: 120 },
    );
    expect(found).toBeGreaterThan(20);
  });

  it('asks the engine only for offers that are more than a price, and no need twice', () => {
    const matcher = new FleetMatcher(BOOK, REGION);
    const machines = Array.from({ length: 500 }, (_, at) =>
      machine(`m${at}`, 1 + (at % 3), 4 * (1 + (at % 2))),
    );
    place(machines, {}, matcher);
    expect(matcher.asked).toBe(1000);
    expect(matcher.again).toBeGreaterThan(980);
    expect(matcher.engine).toBeLessThan(12 * 20);
  });
});

describe('an estate at a place', () => {
  const estate = fc.array(
    fc.record({
      vcpu: fc.integer({ min: 1, max: 16 }),
      memory: fc.integer({ min: 1, max: 64 }),
      peak: fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
      memoryPeak: fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
    }),
    { maxLength: 12 },
  );
  const machinesOf = (
    rows: readonly { vcpu: number; memory: number; peak: number | null; memoryPeak: number | null }[],
  ) =>
    rows.map(({ vcpu, memory, peak, memoryPeak }, at) =>
      machine(`m${at}`, vcpu, memory, {
        peakCpu: peak === null ? null : fact(peak),
        peakMemory: memoryPeak === null ? null : fact(memoryPeak),
      }),
    );

  it('is never smaller than what is needed, and its sums are of its rows', () => {
    fc.assert(
      fc.property(estate, fc.boolean(), (rows, byPeak) => {
        const rule = byPeak ? ({ by: 'peak', headroom: 0.2 } as const) : ({ by: 'installed' } as const);
        const placed = place(machinesOf(rows), { rule });
        expect(placed.rows.length).toBe(rows.length);
        for (const row of placed.rows) {
          for (const [at, found] of row.byRule.entries()) {
            if (!found) continue;
            const offer = BOOK.offer(found.sku)!;
            expect(offer.vcpu!.greaterThanOrEqualTo(row.need.vcpu)).toBe(true);
            expect(offer.memory!.greaterThanOrEqualTo(row.need.memory)).toBe(true);
            if (at === 0) expect(Number(row.over!.vcpu)).toBeGreaterThanOrEqual(0);
          }
        }
        placed.totals.forEach(({ installed, byRule, without }, at) => {
          const both = placed.rows.filter((row) => row.byRule[at] && row.installed[at]);
          const sum = (which: 'byRule' | 'installed') =>
            both.reduce((all, row) => all.plus(row[which][at]!.monthly), decimal('0')).toString();
          expect([sum('installed'), sum('byRule')]).toEqual([installed, byRule]);
          expect(without).toBe(placed.rows.length - both.length);
        });
      }),
      { numRuns: 40 },
    );
  });

  it('costs no less for a machine that is larger in both, under the same rule', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 0, max: 6 }),
        fc.integer({ min: 0, max: 20 }),
        (vcpu, memory, more, moreMemory) => {
          const { rows } = place([
            machine('small', vcpu, memory),
            machine('large', vcpu + more, memory + moreMemory),
          ]);
          const [small, large] = rows.map(({ byRule }) => byRule[0]);
          if (small && large) expect(Number(large.monthly)).toBeGreaterThanOrEqual(Number(small.monthly));
          if (!small) expect(large).toBeNull();
        },
      ),
      { numRuns: 60 },
    );
  });

  it('does not hang on the order of the machines', () => {
    const machines = [machine('a', 2, 8), machine('b', 4, 4), machine('c', 1, 30)];
    expect(place([...machines].reverse()).totals).toEqual(place(machines).totals);
  });

  it('leaves out what is powered off where that is asked, and says how many', () => {
    const machines = [
      machine('on', 2, 4),
      machine('off', 2, 4, { power: 'off' }),
      machine('unsaid', 2, 4, { power: null }),
    ];
    expect(place(machines, { withoutOff: true })).toMatchObject({ off: 1 });
    expect(place(machines, { withoutOff: true }).rows.map(({ id }) => id)).toEqual(['on', 'unsaid']);
    expect(place(machines).rows.length).toBe(3);
  });

  it('says of what fits nowhere that it does not, and leaves it out of both sums', () => {
    const placed = place([machine('huge', 5000, 4), machine('small', 1, 1)]);
    expect(placed.rows[0]!.byRule).toEqual([null, null]);
    expect(placed.rows[0]!.over).toBeNull();
    expect(placed.totals[0]).toMatchObject({ without: 1, byRule: placed.rows[1]!.byRule[0]!.monthly });
  });
});

describe('a need', () => {
  const large = machine('m', 16, 64, {
    peakCpu: fact(0.19),
    usualCpu: fact(0.1),
    peakMemory: fact(0.5),
    usualMemory: fact(0.4),
  });

  it.each([
    [{ by: 'installed' } as const, '16', '64'],
    [{ by: 'peak', headroom: 0.2 } as const, '3.648', '38.4'],
    [{ by: 'usual', headroom: 0 } as const, '1.6', '25.6'],
    [{ by: 'target', cpu: 0.5, memory: 0.8 } as const, '6.08', '40'],
  ])('by %j is %s vCPU and %s GiB', (rule, vcpu, memory) => {
    expect(sizedNeed(large, rule)).toMatchObject({ vcpu, memory });
  });

  it('is never rounded down, and falls back to what is installed dimension by dimension', () => {
    const odd = machine('m', 3, 7, { peakCpu: fact(1 / 3) });
    const need = sizedNeed(odd, { by: 'peak', headroom: 1 / 7 });
    expect(Number(need.vcpu)).toBeGreaterThanOrEqual((3 / 3) * (1 + 1 / 7));
    expect(need).toMatchObject({ memory: '7', cpuBy: 'rule', memoryBy: 'fallback' });
  });
});

it('a wide design has the book that these tests ask', () => {
  expect(fc.sample(anyWideDesign, 1)[0]!.books[0]).toEqual({ book: BOOK.key, revision: BOOK.revision });
});
