/**
 * An estate, without interface: reading an inventory, and finding what each machine becomes. Baseline of the matching is a
 * naive scan in the same run: every machine looks through all offers of the region, under each way of paying.
 */
import { decimal } from '@/core/base';
import { indexBook, type PriceBook } from '@/core/books';
import { FleetMatcher, placeFleet, sizedNeed, type SizingRule } from '@/core/fleet';
import { rateCard, unitMonthlyCost } from '@/core/rating';
import { cheapestThatFits } from '@/core/sizing';
import type { Term } from '@/core/terms';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { csvOf, estateRows } from '@/demo/harbour-house';
import { DEMO_PROFILES } from '@/demo/profiles';
import { toBookData } from '@/formats';
import { fileOfBytes } from '@/formats/fleet/inventory-file';
import { readInventory } from '@/formats/fleet/read-inventory';
import { type BenchRow, measure, printRows } from './measure';

const TERMS: readonly Term[] = ['on-demand', '12-none', '36-none'];
const RULE: SizingRule = { by: 'peak', headroom: 0.2 };
const SCANNED = 20;

const newest = DEMO_REVISIONS[DEMO_REVISIONS.length - 1]!;
const book = indexBook(toBookData(generateBook(DEMO_PROFILES[0]!, newest)));
const region = book.regions[0]!.code;
const placement = { name: 'there', rule: RULE, allowed: {}, terms: TERMS, withoutOff: false };

const bytesOf = (machines: number): Uint8Array =>
  new TextEncoder().encode(csvOf(estateRows(machines, 'bench')));

async function fleetOf(name: string, bytes: Uint8Array) {
  return (await readInventory('Estate', [fileOfBytes(name, bytes)])).fleet;
}

function reading(machines: number, aim: string): BenchRow {
  const bytes = bytesOf(machines);
  return {
    what: `${machines} machines, read from CSV`,
    measured: measure(2, 1, () => void fleetOf(bytes)),
    baseline: {
      what: 'its bytes decoded and split',
      measured: measure(2, 1, () => {
        const cells = new TextDecoder()
          .decode(bytes)
          .split('\n')
          .map((line) => line.split(','));
        if (cells.length < machines) throw new Error('rows are missing');
      }),
    },
    aim,
  };
}

/** What one machine costs to look up without an index. */
function scan(among: PriceBook, vcpu: string, memory: string, term: Term): void {
  const offers = among.soldIn(region, 'server');
  cheapestThatFits({ vcpu, memory }, offers, (offer) => {
    const hours = { term, run: decimal('730'), inMonth: decimal('730') };
    const { cost } = unitMonthlyCost(rateCard(among, offer, region), hours);
    return cost
      ? { ok: true, value: cost }
      : { ok: false, issue: { code: 'term.not-offered', path: [], values: {} } };
  });
}

function matching(machines: number, aim: string): BenchRow {
  const fleet = fleetOf(bytesOf(machines));
  const some = fleet.machines.slice(0, SCANNED);
  return {
    what: `${machines} machines × 3 ways of paying × 2 bases`,
    measured: measure(1, 1, () => void placeFleet(fleet, placement, new FleetMatcher(book, region))),
    baseline: {
      what: `${SCANNED} of them by a scan of all offers`,
      measured: measure(1, 1, () => {
        for (const machine of some) {
          for (const rule of [RULE, { by: 'installed' } as const]) {
            const { vcpu, memory } = sizedNeed(machine, rule);
            for (const term of TERMS) scan(book, vcpu, memory, term);
          }
        }
      }),
    },
    aim,
  };
}

printRows('fleet', [
  reading(10_000, ''),
  reading(100_000, '≤ 10 s'),
  matching(1000, ''),
  matching(10_000, '≤ 1 s for 4 placements'),
  matching(100_000, '≤ 5 s for 4 placements'),
]);
