import { FAR, NEAR, SHORES, shoresDesign } from '@tests/support/two-shores';
import { bookFrom } from '@tests/support/books';
import { componentOf } from '@tests/support/designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal } from '../base';
import type { Component } from '../design';
import { priceAlone } from '../pricing';
import { createMover, equivalentRegion, nearestTerms, sizeWithin } from './';

const HERE = { book: 'near', region: 'severn' };
const THERE = { book: 'far', region: 'thames' };
const design = shoresDesign([]);

function line(kind: Component['kind'], sku: string, part: Partial<Component> = {}): Component {
  return componentOf({ id: 'a', kind, place: HERE, choice: { by: 'sku', sku }, ...part });
}

const used = (meter: string, likely: string, unit: string): Component['usage'] => ({
  [meter]: { amount: { likely }, unit },
});

/** What a line comes to at the other provider: offer, monthly amount, codes of what is said. */
function goneTo(component: Component, to = THERE): readonly unknown[] {
  const moved = createMover(design, SHORES).move(component, to);
  if (!moved.moved) return ['stays', moved.why.code];
  const priced = priceAlone(moved.component, design, SHORES);
  const notes = moved.notes.map((note) => note.code);
  if (priced.status === 'unpriced') return ['no amount', priced.issues[0]!.code, ...notes];
  return [priced.offer?.sku ?? null, priced.monthly.value.toString(), ...notes];
}

describe('moving to another provider', () => {
  it.each<[string, Component, readonly unknown[]]>([
    // 4 threads are 2 cores: 730 × 0.16. The smaller one would cost a sixteenth.
    ['a server of a fixed size', line('server', 'N-4'), ['F-2', '116.8', 'move.counted']],
    // 36 months are sold with nothing upfront only: 730 × 0.1.
    [
      'a commitment that is paid otherwise there',
      line('server', 'N-4', { term: '36-part' }),
      ['F-2', '73', 'move.counted', 'move.term'],
    ],
    [
      'a commitment of a length that is not sold there',
      line('server', 'N-4', { term: '12-none' }),
      ['F-2', '116.8', 'move.counted', 'move.term'],
    ],
    // The engine is the same or it is another database, however cheap. 730 × 0.5 + 100 × 0.2.
    [
      'a database, by its engine',
      line('relational-database', 'N-DB', { usage: used('stored', '100', 'GiB') }),
      ['F-DB', '385', 'move.lacks'],
    ],
    // 100 × 0.08; never the magnetic one at 0.01.
    [
      'a solid state volume',
      line('block-volume', 'N-SSD', { usage: used('capacity', '100', 'GiB') }),
      ['F-QUICK', '8'],
    ],
    [
      'a magnetic volume',
      line('block-volume', 'N-HDD', { usage: used('capacity', '100', 'GiB') }),
      ['F-BIN', '1'],
    ],
    // What is read seldom may lie where it is read often (1000 × 0.03), not in an archive at 0.001.
    [
      'a store of a grade that is not sold there',
      line('object-store', 'N-SELDOM', { usage: used('stored', '1000', 'GB') }),
      ['F-OFTEN', '30', 'move.better'],
    ],
    [
      'an archive',
      line('object-store', 'N-ARCHIVE', { usage: used('stored', '1000', 'GB') }),
      ['F-ICE', '1'],
    ],
    // 12 GiB at 4 for a vCPU need 3 of them: 730 × (3 × 0.05 + 12 × 0.004). Never the one on request at a fifth.
    [
      'a container run-time, by how it is billed',
      line('container-run-time', 'N-RUN', { size: { vcpu: { likely: '2' }, memory: { likely: '12' } } }),
      ['F-AWAKE', '144.54', 'move.size'],
    ],
    // Two would do: the cheaper, 10 × 0.7.
    [
      'a queue',
      line('queue', 'N-QUEUE', { usage: used('requests', '10', 'million requests') }),
      ['F-PARCEL', '7'],
    ],
    ['an address', line('address', 'N-ADDRESS'), ['F-ADDRESS', '2.92']],
    [
      'transfer out',
      line('transfer-out', 'N-OUT', { usage: used('transferred', '1000', 'GB') }),
      ['F-OUT', '50'],
    ],
    // 730 × 100 of their units × 0.02: which is said, for nobody knows what they do.
    ['a warehouse in units of its own', line('warehouse', 'N-HALL'), ['F-HALL', '1460', 'move.own-units']],
    ['a kind that is not sold there', line('vpn', 'N-VPN'), ['stays', 'move.none-of-kind']],
    ['credit at a provider', line('prepaid-credit', 'N-CREDIT'), ['stays', 'move.stays']],
    [
      'what has no offer yet',
      line('server', 'x', { choice: { by: 'none' } }),
      ['no amount', 'choice.missing'],
    ],
    // A family is a name of one provider, the maker of a processor is not: 730 × 0.3.
    [
      'a need with wishes',
      line('server', 'x', {
        choice: { by: 'cheapest', need: { vcpu: '4', memory: '8', family: 'Balanced', processor: 'Halden' } },
      }),
      ['F-4', '219', 'move.wish-dropped'],
    ],
    [
      'a need that nothing satisfies',
      line('server', 'x', { choice: { by: 'cheapest', need: { vcpu: '64', memory: '8' } } }),
      ['stays', 'move.none-of-kind'],
    ],
  ])('%s', (_, component, expected) => {
    expect(goneTo(component)).toEqual(expected);
  });

  it('keeps the maker of the processor where that is asked', () => {
    const moved = createMover(design, SHORES).move(line('server', 'N-4'), THERE, { sameProcessor: true });
    const priced = moved.moved && priceAlone(moved.component, design, SHORES);
    expect(priced && priced.status === 'priced' && priced.offer?.sku).toBe('F-4');
  });

  it('leaves an own line as it is', () => {
    const own = componentOf({ id: 'a', kind: 'custom', place: null });
    expect(createMover(design, SHORES).move(own, THERE)).toEqual({ moved: true, component: own, notes: [] });
  });

  it('takes the very same offer along within a provider', () => {
    const moved = createMover(design, SHORES).move(line('server', 'N-4', { term: '36-part' }), {
      book: 'near',
      region: 'hudson',
    });
    expect(moved.moved && [moved.component.choice, moved.component.term]).toEqual([
      { by: 'sku', sku: 'N-4' },
      '36-part',
    ]);
  });

  it('never gives less than there was, there and back again', () => {
    const all = [...NEAR.offers].filter(({ vcpu }) => vcpu !== null);
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.constantFrom('thames', 'elbe', 'plata'), (offer, region) => {
        const mover = createMover(design, SHORES);
        const from = line(offer.kind, offer.sku);
        const gone = mover.move(from, { book: 'far', region });
        if (!gone.moved) return;
        const back = mover.move(gone.component, HERE);
        if (!back.moved) return;
        for (const { component } of [gone, back]) {
          const priced = priceAlone(component, design, SHORES);
          expect(priced.status).toBe('priced');
          if (priced.status !== 'priced' || !priced.offer) continue;
          const cores = priced.offer.attributes?.['vcpu-is'] === 'core' ? 2 : 1;
          expect(priced.offer.vcpu!.times(cores).gte(offer.vcpu!)).toBe(true);
          expect(priced.offer.memory!.gte(offer.memory!)).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('the nearest equivalent of a region', () => {
  const regions = bookFrom(FAR).regions;
  const [severn, hudson] = bookFrom(NEAR).regions;

  it('is in the same country, else in the same area, else the nearest of all', () => {
    // The Tagus is in the same area and the Thames in the country.
    expect(equivalentRegion(severn!, regions)).toMatchObject({ region: { code: 'thames' }, by: 'country' });
    const abroad = regions.filter(({ code }) => code !== 'thames');
    expect(equivalentRegion(severn!, abroad)).toMatchObject({ region: { code: 'elbe' }, by: 'area' });
    expect(equivalentRegion(hudson!, regions)).toMatchObject({ region: { code: 'tagus' }, by: 'nothing' });
    expect(equivalentRegion(hudson!, [])).toBeUndefined();
  });
});

describe('parts of moving', () => {
  it('a commitment becomes no longer and no shorter one', () => {
    for (const term of nearestTerms('36-none'))
      expect(term === 'on-demand' || term.startsWith('36-')).toBe(true);
    expect(nearestTerms('interruptible')).toEqual(['interruptible', 'on-demand']);
  });

  it('a free size is never less than what was asked, and refused where it is too large', () => {
    const limits = {
      vcpuLeast: decimal('0.5'),
      vcpuMost: decimal('8'),
      memoryPerVcpuLeast: decimal('1'),
      memoryPerVcpuMost: decimal('4'),
    };
    const quarter = fc.integer({ min: 1, max: 64 }).map((each) => String(each / 4));
    fc.assert(
      fc.property(quarter, quarter, (vcpu, memory) => {
        const size = sizeWithin({ vcpu: { likely: vcpu }, memory: { likely: memory } }, limits);
        if (!size) {
          expect(Number(vcpu) > 8 || Number(memory) > 28).toBe(true);
          return;
        }
        const [cores, gib] = [Number(size.vcpu.likely), Number(size.memory.likely)];
        expect(cores >= Number(vcpu) && gib >= Number(memory)).toBe(true);
        expect(gib >= cores * 1 && gib <= cores * 4 && cores >= 0.5 && cores <= 8).toBe(true);
      }),
    );
  });
});
