/** Designs for tests: one built by hand, and random ones for properties. */
import fc from 'fast-check';
import type { Component, Design } from '@/engine/design';
import type { Agreement, Covers } from '@/engine/terms';
import type { Cased } from '@/engine/usage';

export const SEVERN = { book: 'small', region: 'severn' };

export function componentOf(part: Partial<Component> & Pick<Component, 'id' | 'kind'>): Component {
  return {
    name: `Component ${part.id}`,
    count: { likely: '1' },
    place: SEVERN,
    choice: { by: 'none' },
    running: { pattern: 'always' },
    usage: {},
    term: 'on-demand',
    ...part,
  };
}

export function serverOf(id: string, part: Partial<Component> = {}): Component {
  return componentOf({ id, kind: 'server', choice: { by: 'sku', sku: 'A-4' }, ...part });
}

export function transferOf(id: string, amount: Cased, part: Partial<Component> = {}): Component {
  return componentOf({
    id,
    kind: 'transfer-out',
    choice: { by: 'sku', sku: 'OUT' },
    usage: { transferred: { amount, unit: 'GB' } },
    ...part,
  });
}

export function volumeOf(id: string, amount: Cased, part: Partial<Component> = {}): Component {
  return componentOf({
    id,
    kind: 'block-volume',
    choice: { by: 'sku', sku: 'VOL' },
    usage: { capacity: { amount, unit: 'GiB' } },
    ...part,
  });
}

export function storeOf(id: string, usage: Component['usage'], part: Partial<Component> = {}): Component {
  return componentOf({ id, kind: 'object-store', choice: { by: 'sku', sku: 'STORE' }, usage, ...part });
}

/** Covers everything, always, a tenth off; `part` says what is otherwise. */
export function agreementOf({
  covers,
  ...part
}: Partial<Omit<Agreement, 'covers'>> & { readonly covers?: Partial<Covers> } = {}): Agreement {
  return {
    id: 'frame',
    name: 'Frame',
    covers: { books: [], categories: [], kinds: [], skus: [], ...covers },
    from: null,
    to: null,
    discount: { by: 'share', share: '0.1' },
    margin: null,
    ...part,
  };
}

export function designOf(components: readonly Component[], part: Partial<Design> = {}): Design {
  return {
    title: 'Test design',
    description: '',
    currency: 'USD',
    assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
    books: [
      { book: 'small', revision: 3 },
      { book: 'foreign', revision: 3 },
    ],
    sections: [{ id: 'section', name: 'Section', components }],
    ...part,
  };
}

const amount = fc.integer({ min: 0, max: 3_000_000 }).map((value) => String(value / 1000));
const count = fc.integer({ min: 0, max: 40 }).map(String);

export function cased(value: fc.Arbitrary<string>): fc.Arbitrary<Cased> {
  return fc.tuple(value, value, value, fc.boolean()).map(([a, b, c, ranged]) => {
    const [lean, likely, heavy] = [a, b, c].sort((x, y) => Number(x) - Number(y)) as [string, string, string];
    return ranged ? { lean, likely, heavy } : { likely };
  });
}

const running: fc.Arbitrary<Component['running']> = fc.oneof(
  fc.constant({ pattern: 'always' as const }),
  fc
    .integer({ min: 0, max: 700 })
    .map((hours) => ({ pattern: 'hours' as const, hoursPerMonth: { likely: String(hours) } })),
  fc.tuple(fc.integer({ min: 0, max: 24 }), fc.integer({ min: 0, max: 30 })).map(([hours, days]) => ({
    pattern: 'days' as const,
    hoursPerDay: { likely: String(hours) },
    daysPerMonth: { likely: String(days) },
  })),
);

const body = fc.oneof(
  fc.record({
    kind: fc.constant('server' as const),
    choice: fc.oneof(
      fc.constantFrom('A-2', 'A-4', 'A-8', 'B-4', 'O-4').map((sku) => ({ by: 'sku' as const, sku })),
      fc
        .integer({ min: 1, max: 10 })
        .map((vcpu) => ({ by: 'cheapest' as const, need: { vcpu: String(vcpu), memory: '4' } })),
    ),
    running,
    term: fc.constantFrom('on-demand' as const, '12-none' as const, '36-part' as const),
  }),
  fc.record({
    kind: fc.constant('block-volume' as const),
    choice: fc.constant({ by: 'sku' as const, sku: 'VOL' }),
    usage: fc.record({
      capacity: fc.record({ amount: cased(amount), unit: fc.constantFrom('GiB', 'GB', 'TB') }),
    }),
  }),
  fc.record({
    kind: fc.constant('object-store' as const),
    choice: fc.constant({ by: 'sku' as const, sku: 'STORE' }),
    usage: fc.record({
      stored: fc.record({ amount: cased(amount), unit: fc.constantFrom('GB', 'TiB') }),
      reads: fc.record({ amount: cased(amount), unit: fc.constantFrom('request', 'million requests') }),
    }),
  }),
  fc.record({
    kind: fc.constant('transfer-out' as const),
    choice: fc.constant({ by: 'sku' as const, sku: 'OUT' }),
    usage: fc.record({
      transferred: fc.record({ amount: cased(amount), unit: fc.constantFrom('GB', 'GiB') }),
    }),
  }),
);

/** A random component; some of them cannot be priced, on purpose. */
export const anyComponent: fc.Arbitrary<Omit<Component, 'id'>> = fc
  .tuple(body, cased(count))
  .map(([part, units]) => {
    const { id: _, ...component } = componentOf({
      id: 'x',
      ...(part as Partial<Component>),
      kind: part.kind,
      count: units,
    });
    return component;
  });

export const anyDesign: fc.Arbitrary<Design> = fc
  .array(fc.array(anyComponent, { minLength: 0, maxLength: 6 }), { minLength: 1, maxLength: 3 })
  .map((sections) =>
    designOf([], {
      sections: sections.map((components, at) => ({
        id: `s${at}`,
        name: `Section ${at}`,
        components: components.map((component, index) => ({ ...component, id: `s${at}c${index}` })),
      })),
    }),
  );
