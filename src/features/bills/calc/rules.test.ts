import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyRow, thingOf, thingsOf } from '@tests/support/bills';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { addAll, decimal } from '@/engine/base';
import { expectedBill } from './expected';
import { draftRules } from './draft-rules';
import { type BillRule, takeThings, takingOf, unknownIn, withIds } from './rules';
import { groupThings, tagKeys } from './group-things';
import { smallBooks } from '@tests/support/books';

const AB = new Set(['a', 'b']);
const taken = (part: Parameters<typeof thingOf>[0], rule: BillRule['when']): boolean =>
  takeThings([thingOf(part)], [{ id: 'r', when: rule, to: 'a' }], AB)[0]!.component === 'a';

describe('a rule', () => {
  it('takes what is so called, with any letters for a star, capitals or not', () => {
    expect(taken({ sku: 'NV-BAL-4' }, { sku: 'nv-bal-4' })).toBe(true);
    expect(taken({ sku: 'NV-BAL-4' }, { sku: 'NV-*-4' })).toBe(true);
    expect(taken({ sku: 'NV-BAL-4' }, { sku: 'NV-*-8' })).toBe(false);
    expect(taken({ sku: 'NV-BAL-4' }, { sku: 'NV' })).toBe(false);
    expect(taken({ sku: 'aXa' }, { sku: 'a*a' })).toBe(true);
    // What the first part took is not there for the last.
    expect(taken({ sku: 'a' }, { sku: 'a*a' })).toBe(false);
    expect(taken({ description: 'Hours of the quay' }, { text: 'quay' })).toBe(true);
  });

  it('needs all it names, and takes nothing if it names nothing', () => {
    expect(taken({ service: 'Servers', region: 'elbe' }, { service: 'Servers', region: 'severn' })).toBe(
      false,
    );
    expect(taken({}, {})).toBe(false);
  });

  it('goes by a tag, with its value or for being there; never by what every object has', () => {
    expect(taken({ tags: { team: 'map' } }, { tag: { key: 'team', value: 'm*' } })).toBe(true);
    expect(taken({ tags: { team: 'map' } }, { tag: { key: 'team' } })).toBe(true);
    expect(taken({ tags: {} }, { tag: { key: 'constructor' } })).toBe(false);
  });

  it('comes in its order, and is nothing where the design does not have its line', () => {
    const rules: BillRule[] = [
      { id: 'gone', when: { sku: '*' }, to: 'gone' },
      { id: 'first', when: { sku: 'A*' }, to: 'a' },
      { id: 'second', when: { sku: '*' }, to: 'b' },
    ];
    expect(takeThings([thingOf({ sku: 'A-4' })], rules, AB)[0]).toMatchObject({
      rule: 'first',
      component: 'a',
    });
    const design = designOf([serverOf('a'), serverOf('b', { name: 'Web' })]);
    expect(unknownIn(rules, design)).toEqual([{ rule: 'gone', component: 'gone' }]);
    expect(withIds([{ id: 'x', when: { sku: '*' }, to: 'Web' }], design)[0]!.to).toBe('b');
    expect(withIds([{ id: 'x', when: { sku: '*' }, to: 'Nobody' }], design)[0]!.to).toBe('Nobody');
  });

  it('shares a cost by its parts, to the last digit', () => {
    const to = [
      { component: 'a', parts: '1' },
      { component: 'b', parts: '2' },
      { component: 'gone', parts: '7' },
    ];
    const shared = takeThings([thingOf()], [{ id: 's', when: { sku: '*' }, to }], AB);
    expect(shared.map(({ component }) => component)).toEqual(['a', 'b']);
    expect(addAll(shared.map(({ share }) => share)).toString()).toBe('1');
    expect(shared[0]!.share.toString().startsWith('0.33333')).toBe(true);
  });

  it('however hostile its pattern is, takes no longer than a friendly one', () => {
    const pattern = `${'*a'.repeat(2000)}*b`;
    const begun = performance.now();
    expect(taken({ sku: 'a'.repeat(20_000) }, { sku: pattern })).toBe(false);
    expect(performance.now() - begun).toBeLessThan(2000);
  });
});

const pattern = fc.constantFrom('A-4', 'S*', '*', 'x', 'vm-*');
const anyRule = fc.record({
  when: fc.record(
    { service: pattern, sku: pattern, resource: pattern, tag: fc.constantFrom({ key: 'component' }) },
    { requiredKeys: [] },
  ),
  to: fc.oneof(
    fc.constantFrom('a', 'b', 'gone'),
    fc.array(
      fc.record({
        component: fc.constantFrom('a', 'b', 'gone'),
        parts: fc.integer({ min: 1, max: 9 }).map(String),
      }),
      { minLength: 1, maxLength: 3 },
    ),
  ),
});

describe('any rules over any bill', () => {
  it('take every row once: what is mapped and what is not is the bill, to the last digit', () => {
    fc.assert(
      fc.property(fc.array(anyRow, { maxLength: 30 }), fc.array(anyRule, { maxLength: 6 }), (rows, drawn) => {
        const things = thingsOf(rows);
        const rules = drawn.map((rule, at) => ({ id: `r${at}`, ...rule }));
        const all = takeThings(things, rules, AB);
        for (const money of ['billed', 'effective', 'list'] as const)
          expect(addAll(all.map(({ thing, share }) => share.times(thing[money]))).toString()).toBe(
            addAll(things.map((thing) => decimal(thing[money]))).toString(),
          );
        for (const thing of things)
          expect(
            addAll(all.filter((each) => each.thing === thing).map(({ share }) => share)).toString(),
          ).toBe('1');
        const taking = takingOf(
          all,
          rules.map(({ id }) => id),
        );
        expect(taking.reduce((sum, { rows: count }) => sum + count, 0)).toBe(rows.length);
        expect(taking).toHaveLength(rules.length + 1);
      }),
    );
  });
});

describe('a draft of rules', () => {
  const design = designOf([
    serverOf('a', { name: 'Web servers' }),
    serverOf('b', { name: 'Jobs' }),
    transferOf('out', { likely: '300' }),
  ]);
  const { meters } = expectedBill(design, smallBooks(), { from: '2026-11-01', to: '2026-12-01' }, 'USD');
  const draft = (...parts: Parameters<typeof thingOf>[0][]) =>
    draftRules(
      parts.map((part, at) =>
        thingOf({ at, sku: '', resource: '', resourceName: '', description: '', ...part }),
      ),
      design,
      meters,
    ).map(({ rule, evidence }) => [evidence, rule.when, rule.to]);

  it('goes by a tag first, then by what the line alone sells, then by its name', () => {
    expect(draft({ tags: { line: 'web-servers' }, sku: 'OUT' })).toEqual([
      ['tag', { tag: { key: 'line', value: 'web-servers' } }, 'a'],
    ]);
    expect(draft({ sku: 'OUT' })).toEqual([['sku', { sku: 'OUT' }, 'out']]);
    expect(draft({ description: 'Hours of web servers, severn' })).toEqual([
      ['name', { service: 'Servers', text: 'Web servers' }, 'a'],
    ]);
    // Two lines have it: nothing is guessed.
    expect(draft({ sku: 'A-4' })).toEqual([]);
  });

  it('leaves out what a better rule takes already, and ranks by money', () => {
    const all = draft(
      { sku: 'OUT', effective: '1' },
      { tags: { line: 'Jobs' }, effective: '5' },
      { tags: { line: 'a' }, effective: '50' },
    );
    expect(all.map(([evidence, , to]) => [evidence, to])).toEqual([
      ['tag', 'a'],
      ['tag', 'b'],
      ['sku', 'out'],
    ]);
  });
});

describe('a bill by what its things say', () => {
  it('is the whole bill under every heading', () => {
    fc.assert(
      fc.property(
        fc.array(anyRow, { maxLength: 30 }),
        fc.constantFrom('service', 'account', 'region', 'resource', 'sku', 'category', 'tag:component'),
        (rows, by) => {
          const groups = groupThings(thingsOf(rows), by as 'service');
          expect(addAll(groups.map(({ billed }) => decimal(billed))).toString()).toBe(
            addAll(rows.map(({ billed }) => decimal(billed))).toString(),
          );
          expect(groups.reduce((sum, group) => sum + group.rows, 0)).toBe(rows.length);
          expect(new Set(groups.map(({ name }) => name)).size).toBe(groups.length);
        },
      ),
    );
    expect(tagKeys([thingOf({ tags: { a: '1' } }), thingOf({ tags: { b: '1' }, effective: '99' })])).toEqual([
      'b',
      'a',
    ]);
  });
});
