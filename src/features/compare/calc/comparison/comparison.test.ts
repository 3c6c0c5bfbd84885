import { anyAlternative } from '@tests/support/alternatives';
import { componentOf } from '@tests/support/designs';
import { SHORES, shoresDesign } from '@tests/support/two-shores';
import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createAlternator } from '../alternatives';
import { addAll, decimal } from '@/engine/base';
import type { Alternative, Change, Component, Design } from '@/engine/design';
import { mixedSentence } from '@/features/compare/words';
import { type BookSet, planOf, priceDesign } from '@/engine/pricing';
import { summarise } from '@/engine/summary';
import { comparisonOf, type Comparison, type GroupBy, mixedBest } from './';
import { drawn } from '@tests/support/drawn';

function compared(design: Design, books: BookSet, others: readonly Alternative[], by?: GroupBy): Comparison {
  const alternator = createAlternator(books);
  const own = { id: null, name: 'Design', note: '', changes: [], outcomes: [], design };
  const columns = others.map((each) => ({ ...each, ...alternator.apply(design, each) }));
  const priced = [own, ...columns].map((each) => ({ ...each, summary: summarise(each.design, books) }));
  return comparisonOf(priced, books, by);
}

const HERE = { book: 'near', region: 'severn' };
const line = (id: string, kind: Component['kind'], sku: string, part: Partial<Component> = {}) =>
  componentOf({ id, kind, place: HERE, choice: { by: 'sku', sku }, ...part });
const stored = (likely: string): Component['usage'] => ({ capacity: { amount: { likely }, unit: 'GiB' } });
const iops = { iops: { amount: { likely: '500' }, unit: 'IOPS' } };

const other = (id: string, ...changes: Change[]): Alternative => ({ id, name: id, note: '', changes });
const away: Change = { change: 'move', what: { of: 'all' }, book: 'far', revision: 1, region: null };

describe('designs side by side', () => {
  const design = shoresDesign([
    line('web', 'server', 'N-4'),
    line('db', 'relational-database', 'N-DB'),
    line('disk', 'block-volume', 'N-SSD', { usage: { ...stored('100'), ...iops } }),
    line('tunnel', 'vpn', 'N-VPN'),
  ]);

  it('say what each line becomes, by how much it is larger, and what differs in money and share', () => {
    const { groups, columns } = compared(design, SHORES, [other('Far', away)]);
    const rows = groups[0]!.lines.map(({ name, cells: [was, is] }) => ({
      name,
      was: was!.printed,
      is: is!.printed,
      change: is!.change,
      offer: is!.became?.sku,
      larger: is!.became?.larger,
    }));
    expect(rows).toEqual([
      {
        name: 'Component web',
        was: '146',
        is: '116.8',
        change: '-29.2',
        offer: 'F-2',
        larger: { vcpu: '-2' },
      },
      { name: 'Component db', was: '292', is: '365', change: '73', offer: 'F-DB', larger: { vcpu: '4' } },
      { name: 'Component disk', was: '15', is: '8', change: '-7', offer: 'F-QUICK', larger: {} },
      { name: 'Component tunnel', was: '36.5', is: '36.5', change: '0', offer: undefined, larger: undefined },
    ]);
    // 146 + 292 + 15 + 36.5, and 116.8 + 365 + 8 + 36.5: 36.8 more, of 489.5.
    expect(columns.map(({ printed, change, share }) => [printed, change, share])).toEqual([
      ['489.5', null, null],
      ['526.3', '36.8', '0.075179'],
    ]);
  });

  it('say what stays, what is lacking, and what is billed apart on one side only', () => {
    const [, far] = compared(design, SHORES, [other('Far', away)]).columns;
    expect(far!.stayed.map(({ id, issue }) => [id, issue.code])).toEqual([['tunnel', 'move.none-of-kind']]);
    expect(far!.lacks.map(({ id, issue }) => [id, issue.values.capabilities])).toEqual([['db', 'replicas']]);
    expect(far!.unlike.map(({ id, billed }) => [id, billed])).toEqual([['disk', 'only-before']]);
    expect(far!.complete).toBe(false);
  });

  it('never call the cheapest what lacks something', () => {
    const cheap = other('Without', { change: 'leave-out', what: { of: 'lines', ids: ['db'] } });
    const paid = other('Paid', { change: 'pay', what: { of: 'all' }, term: '36-part' });
    const lost = other('Lost', {
      change: 'edit',
      edit: { edit: 'set-component', id: 'web', field: 'choice', value: { by: 'none' } },
    });
    const gone = other('Gone', { change: 'leave-out', what: { of: 'lines', ids: ['never'] } });
    const comparison = compared(design, SHORES, [lost, other('Far', away), paid, gone]);
    expect(comparison.columns.map(({ complete }) => complete)).toEqual([true, false, false, true, false]);
    expect(comparison.cheapest).toBe(3);
    // What is left out on purpose is said by the list of changes.
    expect(compared(design, SHORES, [cheap]).cheapest).toBe(1);
    expect(comparison.groups[0]!.lines[0]!.cells[1]).toMatchObject({
      printed: null,
      change: null,
      absent: false,
    });
  });

  it('a line that is left out is absent, and its amount the difference', () => {
    const cheap = other('Without', { change: 'leave-out', what: { of: 'lines', ids: ['db'] } });
    const row = compared(design, SHORES, [cheap]).groups[0]!.lines[1]!;
    expect(row.cells[1]).toMatchObject({ absent: true, printed: null, change: '-292', share: '-1' });
  });

  it('print a line that costs the same alike, though the cents of others fall another way', () => {
    // 0.333 + 0.333 + 0.334: the cent that is left over goes to the last, and to another where the last is dearer.
    const tiny = (id: string, likely: string) => line(id, 'block-volume', 'N-SSD', { usage: stored(likely) });
    const three = shoresDesign([tiny('a', '3.33'), tiny('b', '3.33'), tiny('c', '3.34')]);
    const usage = { edit: 'set-usage', id: 'c', meter: 'capacity', value: stored('3.37').capacity! } as const;
    const { groups, columns } = compared(three, SHORES, [other('More', { change: 'edit', edit: usage })]);
    const cells = groups[0]!.lines.map((row) => row.cells[1]!);
    expect(cells.map(({ change }) => change)).toEqual(['0', '0', columns[1]!.change]);
    expect(addAll(cells.map(({ printed }) => decimal(printed!))).toString()).toBe(columns[1]!.printed);
  });

  it('can be read by service category and by kind', () => {
    const names = (by: GroupBy): string[] => compared(design, SHORES, [], by).groups.map(({ name }) => name);
    expect(names('category')).toEqual(['Compute', 'Databases', 'Storage', 'Networking']);
    expect(names('kind')).toEqual(['Server', 'Relational database', 'Block volume', 'VPN']);
  });

  it('add up: rows to groups, groups to totals, changes to the change; the order of alternatives changes nothing', () => {
    fc.assert(
      fc.property(
        anyWideDesign,
        fc.array(anyAlternative, { minLength: 1, maxLength: 3 }),
        fc.constantFrom<GroupBy>('section', 'category', 'kind'),
        (baseline, list, by) => {
          const others = list.map((each, at) => ({ ...each, id: `o${at}`, name: `o${at}` }));
          const comparison = compared(baseline, WIDE_BOOKS, others, by);
          comparison.columns.forEach((column, at) => {
            const cells = comparison.groups.map(({ cells: all }) => all[at]!);
            const sum = addAll(cells.map(({ printed }) => decimal(printed ?? '0')));
            expect(sum.toString()).toBe(column.printed);
            if (at > 0 && column.change === null) return;
            for (const group of comparison.groups) {
              const lines = addAll(group.lines.map((row) => decimal(row.cells[at]!.printed ?? '0')));
              expect(lines.toString()).toBe(group.cells[at]!.printed);
            }
            if (at === 0) return;
            const changes = addAll(cells.map(({ change }) => decimal(change ?? '0')));
            expect(changes.toString()).toBe(column.change);
          });
          const reversed = compared(baseline, WIDE_BOOKS, [...others].reverse(), by);
          for (const column of comparison.columns) {
            expect(reversed.columns.find(({ id }) => id === column.id)).toEqual(column);
          }
        },
      ),
      { numRuns: drawn(60) },
    );
  });
});

describe('the best of several sides', () => {
  const design = shoresDesign([
    line('web', 'server', 'N-4'),
    line('db', 'relational-database', 'N-DB'),
    line('disk', 'block-volume', 'N-SSD', { usage: stored('100') }),
    line('tunnel', 'vpn', 'N-VPN'),
  ]);
  const best = (alternatives: readonly Alternative[], by: 'section' | 'line') =>
    mixedBest(planOf(design, SHORES), alternatives, createAlternator(SHORES), by);

  it('takes each line from where it costs least, and leaves what would lack something', () => {
    // 116.8 for the server and 8 for the disk from there; the database lacks replicas there and costs more besides.
    const mix = best([other('Far', away)], 'line');
    const { changes, taken, monthly, mixing, pure } = mix;
    expect([...taken]).toEqual([
      ['web', 'Far'],
      ['db', null],
      ['disk', 'Far'],
      ['tunnel', null],
    ]);
    expect([monthly.toString(), mixing.toString(), pure]).toEqual(['453.3', '0', undefined]);
    expect(mixedSentence(mix, 'USD', new Map())).toBe(
      'Each part is taken from where it costs least; mixing them costs nothing more. It stands at 2 providers; what passes between them is not known to the design and not in it.',
    );
    const made = createAlternator(SHORES).apply(design, { changes });
    expect(priceDesign(made.design, SHORES, 'likely').monthly.value.toString()).toBe('453.3');
  });

  it('is the design itself where no side costs less, or lacks nothing', () => {
    expect(best([other('Far', away)], 'section')).toMatchObject({ changes: [], pure: null });
    const less = other('Less', { change: 'leave-out', what: { of: 'all' } });
    expect(best([less], 'line')).toMatchObject({ changes: [], pure: null });
  });

  it('is never dearer than the best pure side', () => {
    fc.assert(
      fc.property(
        anyWideDesign,
        fc.array(anyAlternative, { maxLength: 3 }),
        fc.constantFrom('section' as const, 'line' as const),
        (baseline, list, by) => {
          const others = list.map((each, at) => ({
            ...each,
            id: `o${at}`,
            changes: each.changes.filter(
              ({ change }) => change === 'move' || change === 'pay' || change === 'size',
            ),
          }));
          const plan = planOf(baseline, WIDE_BOOKS);
          const mixed = mixedBest(plan, others, createAlternator(WIDE_BOOKS), by);
          const own = priceDesign(baseline, WIDE_BOOKS, 'likely');
          for (const each of others) {
            const made = createAlternator(WIDE_BOOKS).apply(baseline, each);
            const priced = priceDesign(made.design, WIDE_BOOKS, 'likely');
            const whole = made.outcomes.every(({ lines }) => lines.every(({ changed }) => changed));
            if (!whole || priced.unpriced > own.unpriced) continue;
            expect(mixed.monthly.minus(priced.monthly.value).toNumber()).toBeLessThan(1e-15);
          }
          const made = createAlternator(WIDE_BOOKS).apply(baseline, { changes: mixed.changes });
          const priced = priceDesign(made.design, WIDE_BOOKS, 'likely').monthly.value;
          expect(priced.minus(mixed.monthly).abs().toNumber()).toBeLessThan(1e-15);
        },
      ),
      { numRuns: drawn(60) },
    );
  });
});
