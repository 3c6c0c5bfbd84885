/** What a line becomes at another provider, and what it costs there. The prices are those of `tests/support/two-shores.ts`. */
import { createMover } from '@/engine/moving';
import { type PricedComponent, priceAlone } from '@/engine/pricing';
import { inAllCases } from '@/engine/usage';
import type { Component } from '@/engine/design';
import { SHORES, shoresDesign } from '@tests/support/two-shores';
import { type Chapter, part } from './example';

const HERE = { book: 'near', region: 'severn' };
const THERE = { book: 'far', region: 'thames' };

type More = Parameters<typeof part>[2];

/** The line as it is priced once it has moved. */
function moved(kind: Component['kind'], sku: string, more: More = {}): PricedComponent['monthly'] {
  const design = shoresDesign([]);
  const gone = createMover(design, SHORES).move(part(kind, sku, { place: HERE, ...more }), THERE);
  if (!gone.moved) throw new Error(JSON.stringify(gone.why));
  const line = priceAlone(gone.component, design, SHORES);
  if (line.status !== 'priced') throw new Error(JSON.stringify(line.issues));
  return line.monthly;
}

export const MOVING: readonly Chapter[] = [
  {
    title: 'Sizes',
    rule: 'A fixed size becomes the need it satisfies (vCPU, memory, GPU, what it can do) and is resolved again: the cheapest that fits, never a smaller one. Where a vCPU is a core of two threads on one side and a thread on the other, threads are compared. Names of families belong to one provider and are dropped; the maker of the processor is asked for where that is wished. A size put together freely is kept within what is taken there: never less, the next that is taken.',
    examples: [
      {
        says: 'A server of 4 threads and 16 GiB needs 2 cores and 16 GiB: 730 h at 0.16, though a smaller one costs a sixteenth.',
        expect: '116.8',
        figure: moved('server', 'N-4'),
      },
      {
        says: '2 vCPU with 12 GiB, where a vCPU has at most 4 GiB, are 3 vCPU: 730 h × (3 × 0.05 + 12 × 0.004).',
        expect: '144.54',
        figure: moved('container-run-time', 'N-RUN', {
          size: { vcpu: inAllCases('2'), memory: inAllCases('12') },
        }),
      },
    ],
  },
  {
    title: 'Kinds and their meaning',
    rule: 'Stores, volumes, databases, queues and the rest move by kind, then by what their attributes mean: engine, edition, redundancy, access and how it is billed must be equal; of grade, medium and delay more does as well (an archive may lie where things are read often, never the other way round). Of several that will do: the fewest steps up, then what lacks least of what the offer before could do, then the cheapest. What a book does not say comes last and is said.',
    examples: [
      {
        says: 'What is read seldom goes where it is read often, 1 000 GB at 0.03, for the archive at 0.001 would be less.',
        expect: '30',
        figure: moved('object-store', 'N-SELDOM', { use: { stored: ['1000', 'GB'] } }),
      },
      {
        says: 'A solid-state volume of 100 GiB stays one, at 0.08, beside a magnetic one at 0.01.',
        expect: '8',
        figure: moved('block-volume', 'N-SSD', { use: { capacity: ['100', 'GiB'] } }),
      },
      {
        says: 'A database keeps its engine: 730 h at 0.5 and 100 GiB at 0.2; another engine costs a fifth and is another database.',
        expect: '385',
        figure: moved('relational-database', 'N-DB', { use: { stored: ['100', 'GiB'] } }),
      },
      {
        says: 'Two queues would do: the cheaper, 10 million requests at 0.7.',
        expect: '7',
        figure: moved('queue', 'N-QUEUE', { use: { requests: ['10', 'million requests'] } }),
      },
    ],
  },
  {
    title: 'Places',
    rule: 'The nearest equivalent of a region is one of the same country; else of the same area of the world; else any. Of several the nearest, by great-circle distance. A provider’s own offer keeps its name where it is sold in the other region too.',
    examples: [
      {
        says: 'A public address from the Severn goes to the Thames, in the same country: 730 h at 0.004.',
        expect: '2.92',
        figure: moved('address', 'N-ADDRESS'),
      },
    ],
  },
  {
    title: 'Paying and licences',
    rule: 'The way of paying is kept, or becomes one of the same length, or on demand; a commitment never becomes longer or shorter by itself. A licence stays as it is, or is brought along where it was in the rate, or the other way round. Use that has no price of its own there is taken out and said. Prepaid money and commitments of spend belong to their provider and stay.',
    examples: [
      {
        says: '36 months, part upfront, are sold there with nothing upfront only: 730 h at 0.1.',
        expect: '73',
        figure: moved('server', 'N-4', { term: '36-part' }),
      },
      {
        says: '12 months are not sold there at all: on demand, 730 h at 0.16.',
        expect: '116.8',
        figure: moved('server', 'N-4', { term: '12-none' }),
      },
    ],
  },
];
