import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { componentOf } from '@tests/support/designs';
import { bookFrom } from '@tests/support/books';
import { wideBookFile } from '@tests/support/wide-book';
import { boughtBySpend } from '@tests/support/bought-by-spend';
import { anyWideDesign, tied, WIDE_BOOKS } from '@tests/support/wide-designs';
import { addAll, decimal, type Decimal } from '../base';
import type { Component, Design } from '../design';
import { evaluate } from '../trace';
import { CASES } from '../usage';
import {
  bookSet,
  casesOf,
  createPricer,
  priceCases,
  type PricedComponent,
  type PricedDesign,
  priceDesign,
} from './';
import { drawn } from '@tests/support/drawn';

const runs = { numRuns: drawn(200) };
const wide = bookFrom(wideBookFile());
const coldBooks = () => bookSet([{ ...wide }]);
/** Why some of them have no amount, on purpose. */
const EXPECTED: readonly string[] = [];
const HAIR = decimal('0.00000000000000000001');
const linesOf = (priced: PricedDesign) => priced.sections.flatMap((section) => section.lines);
const pricedOf = (priced: PricedDesign): PricedComponent[] =>
  linesOf(priced).filter((line): line is PricedComponent => line.status === 'priced');
const amountsOf = (priced: PricedDesign) =>
  Object.fromEntries(
    linesOf(priced).map((line) => [
      line.id,
      line.status === 'priced' ? line.monthly.value.toSignificantDigits(24).toString() : 'unpriced',
    ]),
  );
const near = (a: Decimal, b: Decimal): boolean =>
  a
    .minus(b)
    .abs()
    .lessThanOrEqualTo(HAIR.times(a.abs().plus(1)));
const price = (design: Design, which: (typeof CASES)[number] = 'likely') =>
  priceDesign(design, WIDE_BOOKS, which);
const maybeTied = fc
  .record({
    design: anyWideDesign,
    tie: fc.constantFrom(null, 'spend-commitment' as const, 'prepaid-credit' as const),
    amount: fc.integer({ min: 0, max: 4000 }).map((value) => String(value / 10)),
  })
  .map(({ design, tie, amount }) => (tie ? tied(design, tie, amount) : design));

describe('random designs of every kind and structure', () => {
  it('are nearly always priced, so that the properties below are about something', () => {
    const lines = fc
      .sample(anyWideDesign, { numRuns: 100, seed: 7 })
      .flatMap((design) => linesOf(price(design)));
    const unpriced = lines.filter((line) => line.status === 'unpriced');
    expect(unpriced.length / lines.length).toBeLessThan(0.25);
    const codes = new Set(unpriced.flatMap((line) => line.issues.map((each) => each.code)));
    expect([...codes].sort()).toEqual(EXPECTED);
  });

  it('give traces that can be worked out again: month, list, resale, total and gross', () => {
    fc.assert(
      fc.property(maybeTied, fc.constantFrom(...CASES), (design, which) => {
        const priced = price(design, which);
        for (const figure of [
          priced.monthly,
          priced.gross,
          ...pricedOf(priced).flatMap((line) => [line.monthly, line.list, line.resale]),
        ]) {
          expect(evaluate(figure).equals(figure.value)).toBe(true);
        }
      }),
      runs,
    );
  });

  it('cost the same in any order of their components', () => {
    fc.assert(
      fc.property(maybeTied, (design) => {
        const turned = {
          ...design,
          sections: design.sections.map((each) => ({ ...each, components: [...each.components].reverse() })),
        };
        expect(amountsOf(price(turned))).toEqual(amountsOf(price(design)));
      }),
      runs,
    );
  });

  it('are priced in three cases together as each by itself', () => {
    fc.assert(
      fc.property(maybeTied, (design) => {
        const together = priceCases(design, WIDE_BOOKS);
        // The oracle has objects of its own, so that it shares nothing that was kept.
        const own = structuredClone(design);
        for (const which of CASES) {
          const alone = priceDesign(own, coldBooks(), which);
          expect(amountsOf(together[which])).toEqual(amountsOf(alone));
        }
      }),
      runs,
    );
  });

  it('cost the same after one change, whether everything is priced again or only what changed', () => {
    fc.assert(
      fc.property(maybeTied, fc.nat(), (design, at) => {
        const pricer = createPricer(WIDE_BOOKS);
        const plan = pricer.plan(design);
        casesOf(plan);
        const { components } = design.sections[0]!;
        const changed = components[at % components.length]!;
        const after = {
          ...design,
          sections: [
            {
              ...design.sections[0]!,
              components: components.map((each) =>
                each === changed ? { ...each, count: { likely: String((at % 5) + 1) } } : each,
              ),
            },
          ],
        };
        const kept = casesOf(pricer.plan(after, plan));
        for (const which of CASES) expect(amountsOf(kept[which])).toEqual(amountsOf(price(after, which)));
      }),
      runs,
    );
  });

  it('cost in another currency what they cost here times the rate', () => {
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const withoutOwn = mapComponents(design, (each) => ({ ...each, licences: null }));
        const here = pricedOf(price({ ...withoutOwn, currency: 'USD' }));
        const abroad = pricedOf(price({ ...withoutOwn, currency: 'EUR' }));
        abroad.forEach((line, index) => {
          expect(near(line.monthly.value, here[index]!.monthly.value.times('0.92'))).toBe(true);
        });
      }),
      runs,
    );
  });

  it('cost the same when quantities are written in another unit', () => {
    const thousandth: Readonly<Record<string, string>> = {
      GB: 'MB',
      GiB: 'KiB',
      TB: 'GB',
      request: 'request',
    };
    fc.assert(
      fc.property(anyWideDesign, (design) => {
        const rewritten = mapComponents(design, (each) => ({
          ...each,
          usage: Object.fromEntries(
            Object.entries(each.usage).map(([meter, entry]) => {
              const unit = entry.unit === 'TB' || entry.unit === 'GB' ? thousandth[entry.unit]! : entry.unit;
              if (unit === entry.unit || entry.setAside) return [meter, entry];
              const times = (text: string): string => decimal(text).times(1000).toString();
              const { likely, lean, heavy } = entry.amount;
              const amount = {
                likely: times(likely),
                ...(lean === undefined ? {} : { lean: times(lean) }),
                ...(heavy === undefined ? {} : { heavy: times(heavy) }),
              };
              return [meter, { ...entry, amount, unit }];
            }),
          ),
        }));
        expect(amountsOf(price(rewritten))).toEqual(amountsOf(price(design)));
      }),
      runs,
    );
  });

  it('share a pool over a provider out completely', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 20_000 }), { minLength: 1, maxLength: 9 }),
        (amounts) => {
          const parts = amounts.map((amount, at) =>
            transfer(`t${at}`, String(amount), at % 2 ? 'elbe' : 'severn'),
          );
          const total = addAll(amounts.map((each) => decimal(each)));
          const whole = price(designOf([transfer('all', total.toString(), 'severn')])).monthly.value;
          expect(near(price(designOf(parts)).monthly.value, whole)).toBe(true);
        },
      ),
      runs,
    );
  });

  it('never pay less on demand for more units of a component, volume tiers aside', () => {
    fc.assert(
      fc.property(anyWideDesign, fc.integer({ min: 0, max: 6 }), (design, more) => {
        for (const component of design.sections[0]!.components) {
          if (component.kind === 'content-delivery') continue;
          const alone = (count: number) => {
            const [line] = pricedOf(price(designOf([{ ...component, count: { likely: String(count) } }])));
            return line?.monthly.value ?? null;
          };
          const [less, greater] = [alone(2), alone(2 + more)];
          if (less && greater) expect(greater.plus(HAIR).greaterThanOrEqualTo(less)).toBe(true);
        }
      }),
      { numRuns: drawn(60) },
    );
  });
});

describe('commitments', () => {
  const server = (id: string, sku: string, more: Partial<Component> = {}): Component =>
    componentOf({
      id,
      kind: 'server',
      place: { book: 'wide', region: 'severn' },
      choice: { by: 'sku', sku },
      ...more,
    });
  const hours = fc.integer({ min: 0, max: 730 });

  it('of use: covered hours cost what the book declares, whatever runs', () => {
    fc.assert(
      fc.property(hours, fc.integer({ min: 1, max: 9 }), (run, count) => {
        const running = { pattern: 'hours' as const, hoursPerMonth: { likely: String(run) } };
        const committed = server('a', 'S-4', { term: '12-none', running, count: { likely: String(count) } });
        const [line] = pricedOf(price(designOf([committed])));
        expect(line!.monthly.value.toString()).toBe(decimal('43.8').times(count).toString());
      }),
    );
  });

  it('of spend: no covered line is dearer than on demand, and all that is committed is paid', () => {
    const amount = fc.integer({ min: 0, max: 300 }).map((value) => decimal(value).dividedBy(100));
    fc.assert(
      fc.property(hours, hours, amount, fc.integer({ min: 0, max: 4 }), (first, second, perHour, count) => {
        const running = (run: number) => ({
          pattern: 'hours' as const,
          hoursPerMonth: { likely: String(run) },
        });
        const servers = [
          server('a', 'S-4', { running: running(first), count: { likely: String(count) } }),
          server('b', 'S-8', { running: running(second) }),
        ];
        const plain = pricedOf(price(designOf(servers)));
        const priced = pricedOf(price(tied(designOf(servers), 'spend-commitment', perHour.toString())));
        priced.slice(0, 2).forEach((line, at) => {
          expect(line.monthly.value.minus(plain[at]!.monthly.value).lessThanOrEqualTo(HAIR)).toBe(true);
        });
        // All that is committed is paid, and what it does not buy is on demand: worked out by whole hours.
        const total = addAll(priced.map((line) => line.monthly.value));
        const onDemand = addAll(plain.map((line) => line.monthly.value));
        const hours = [first, second].map((run) => decimal(run));
        const bought = boughtBySpend(perHour, [
          { hours: hours[0]!, units: decimal(count), committed: '0.07', onDemand: '0.1' },
          { hours: hours[1]!, units: decimal(1), committed: '0.15', onDemand: '0.2' },
        ]);
        expect(near(total, onDemand.plus(perHour.times(730)).minus(bought))).toBe(true);
      }),
    );
  });
});

function transfer(id: string, amount: string, region: string): Component {
  return componentOf({
    id,
    kind: 'transfer-out',
    place: { book: 'wide', region },
    choice: { by: 'sku', sku: 'OUT' },
    usage: { transferred: { amount: { likely: amount }, unit: 'GB' } },
  });
}

function designOf(components: readonly Component[]): Design {
  return {
    title: '',
    description: '',
    currency: 'USD',
    assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
    books: [{ book: 'wide', revision: 1 }],
    sections: [{ id: 's', name: 'S', components }],
  };
}

function mapComponents(design: Design, change: (component: Component) => Component): Design {
  return {
    ...design,
    sections: design.sections.map((section) => ({ ...section, components: section.components.map(change) })),
  };
}
