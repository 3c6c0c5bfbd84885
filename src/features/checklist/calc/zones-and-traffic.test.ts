import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { componentOf, designOf, serverOf, transferOf } from '@tests/support/designs';
import { WIDE_BOOKS } from '@tests/support/wide-designs';
import {
  allComponents,
  applyEdits,
  type Component,
  type Design,
  placeIsTakenOver,
  withTakenPlace,
} from '@/engine/design';
import { planOf, priceDesign } from '@/engine/pricing';
import { type Finding, findingsOf, untouchedOf } from './';
import { summarise } from '@/engine/summary';

const BOOKS = smallBooks();
let made = 0;
const newId = (): string => `made-${(made += 1)}`;
const of = (check: string, design: Design, books = BOOKS): Finding[] =>
  findingsOf(planOf(design, books), newId).filter((each) => each.check === check);

function remedied(check: string, design: Design, books = BOOKS): Design {
  const applied = applyEdits(design, of(check, design, books)[0]!.remedy!.edits);
  if (!applied.ok) throw new Error('refused');
  return applied.value.design;
}

const wide = (components: readonly Component[]): Design =>
  designOf(components, { books: [{ book: 'wide', revision: 1 }] });
const inWide = (id: string, kind: Component['kind'], sku: string, part: Partial<Component> = {}): Component =>
  componentOf({ id, kind, place: { book: 'wide', region: 'severn' }, choice: { by: 'sku', sku }, ...part });
const many = (count: string, zones?: number): Component =>
  serverOf('a', { count: { likely: count }, ...(zones === undefined ? {} : { zones }) });

describe('zones', () => {
  it('one unit stands once, unless the provider keeps it in several', () => {
    const [once] = of('no-second-zone', designOf([many('1')]));
    expect(once!.says).toBe('There is one of it, always on, in one zone.');
    expect(of('no-second-zone', designOf([many('1', 2)]))).toEqual([]);
    const two = allComponents(remedied('no-second-zone', designOf([many('1')])))[0]!;
    expect([two.count.likely, two.zones]).toEqual(['2', 2]);
  });

  it('several units are taken to be spread, until they are said to stand in one', () => {
    expect(of('no-second-zone', designOf([many('3')]))).toEqual([]);
    expect(of('no-second-zone', designOf([many('3', 1)]))[0]!.says).toBe('All 3 units stand in one zone.');
    const spread = remedied('no-second-zone', designOf([many('3', 1)]));
    expect(allComponents(spread)[0]!.zones).toBe(2);
    // Spreading moves no price by itself.
    const [before, now] = [designOf([many('3', 1)]), spread].map((each) =>
      priceDesign(each, BOOKS, 'likely').monthly.value.toString(),
    );
    expect(now).toBe(before);
  });

  it('are never more than the units that could stand in them', () => {
    expect(of('more-zones-than-units', designOf([many('2', 3)]))[0]!.says).toContain('3 zones');
    expect(allComponents(remedied('more-zones-than-units', designOf([many('2', 3)])))[0]!.count.likely).toBe(
      '3',
    );
    expect(of('more-zones-than-units', designOf([many('3', 3)]))).toEqual([]);
    expect(of('more-zones-than-units', designOf([many('1', 3)]))).toEqual([]);
  });

  it('that are several make traffic between them, which something has to pay for', () => {
    const spread = inWide('a', 'server', 'S-4', { count: { likely: '2' }, zones: 2 });
    expect(of('no-traffic-between-zones', wide([{ ...spread, zones: 1 }]), WIDE_BOOKS)).toEqual([]);
    expect(of('no-traffic-between-zones', wide([spread]), WIDE_BOOKS)).toHaveLength(1);
    const paid = inWide('t', 'transfer-between', 'PATH', {
      usage: { 'between-zones': { amount: { likely: '10' }, unit: 'GB' } },
    });
    expect(of('no-traffic-between-zones', wide([spread, paid]), WIDE_BOOKS)).toEqual([]);
    // A path that pays for something else pays for nothing here.
    const inwards = { ...paid, usage: { inbound: { amount: { likely: '10' }, unit: 'GB' } } };
    expect(of('no-traffic-between-zones', wide([spread, inwards]), WIDE_BOOKS)).toHaveLength(1);
  });
});

describe('regions', () => {
  const at = (id: string, region: string): Component => serverOf(id, { place: { book: 'small', region } });

  it('of one provider send each other traffic', () => {
    expect(of('no-traffic-between-regions', designOf([at('a', 'severn'), at('b', 'severn')]))).toEqual([]);
    const [found] = of('no-traffic-between-regions', designOf([at('a', 'severn'), at('b', 'elbe')]));
    expect(found!.says).toContain('different regions of one provider');
  });

  it('of two providers are not what this rule is about', () => {
    const other = serverOf('b', { place: { book: 'foreign', region: 'severn' } });
    expect(of('no-traffic-between-regions', designOf([at('a', 'elbe'), other]))).toEqual([]);
  });

  const taken = (id: string): Component =>
    withTakenPlace({ ...serverOf(id), place: null }, serverOf(id).place);

  it('taken over from the line before are asked about in one go, and not again as one region for all', () => {
    const design = designOf([serverOf('a'), serverOf('z'), taken('b'), taken('c')]);
    expect(of('inherited-region', design)).toEqual([]);
    const [found] = of('region-taken-over', design);
    expect(found!.says).toBe('2 lines stand where the line before stood: Severn.');
    const settled = remedied('region-taken-over', design);
    expect(allComponents(settled).some(placeIsTakenOver)).toBe(false);
    expect(of('region-taken-over', settled)).toEqual([]);
    expect(of('inherited-region', settled).map((each) => each.answered)).toEqual(['Severn is meant.']);
  });

  it('taken over at several places answer nothing about one region for all', () => {
    const elbe = withTakenPlace({ ...serverOf('b'), place: null }, { book: 'small', region: 'elbe' });
    const [found] = of('region-taken-over', designOf([taken('c'), elbe]));
    expect(found!.says).toMatch(/^2 lines stand where the line before stood: Severn, \S/);
    expect(found!.remedy!.edits.every((edit) => edit.edit === 'set-component')).toBe(true);
  });

  it('taken over are untouched defaults, and no guesses about quantities', () => {
    const design = designOf([taken('b')]);
    const [row] = untouchedOf(design, summarise(design, BOOKS));
    expect(row!.what).toContain('region taken over');
    expect(row!.what.some((each) => each.includes('guess'))).toBe(false);
  });
});

describe('traffic that nothing stops', () => {
  const busy = [serverOf('web'), transferOf('out', { likely: '1000' }, { name: 'Pages' })];

  it('is told with the figure of a hundredfold month', () => {
    const [found] = of('traffic-without-ceiling', designOf(busy));
    // 100 000 GB: 100 free, 10 + 45 for the next hundred, 0.10 for 99 800: 10 035; with the server's 73: 10 108.
    expect(found!.says).toBe(
      'At 100 times its traffic a month would cost 10108.00 USD, most of it “Pages”; no alarm would tell.',
    );
    expect(found!.remedy).toBeNull();
  });

  it('is nothing where nothing follows traffic, or where it hardly weighs', () => {
    expect(of('traffic-without-ceiling', designOf([serverOf('web')]))).toEqual([]);
    const little = [serverOf('web', { count: { likely: '40' } }), transferOf('out', { likely: '2' })];
    expect(of('traffic-without-ceiling', designOf(little))).toEqual([]);
  });

  it('is watched where monitoring has alarms', () => {
    const watching = (alarms: string): Component =>
      componentOf({
        id: 'm',
        kind: 'monitoring',
        usage: { alarms: { amount: { likely: alarms }, unit: 'item' } },
      });
    expect(of('traffic-without-ceiling', designOf([...busy, watching('2')]))).toEqual([]);
    expect(of('traffic-without-ceiling', designOf([...busy, watching('0')]))).toHaveLength(1);
  });
});
