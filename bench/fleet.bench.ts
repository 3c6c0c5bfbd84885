/**
 * An estate, without interface: reading an inventory, and finding what each machine becomes. Baseline of the matching is a
 * naive scan in the same run: every machine looks through all offers of the region, under each way of paying.
 */
import ExcelJs from 'exceljs';
import { unzipSync } from 'fflate';
import { decimal, seededRandom } from '@/engine/base';
import { indexBook, type PriceBook } from '@/engine/books';
import {
  cellOf,
  defaultPlacement,
  type FleetCell,
  FleetMatcher,
  groupMachines,
  type Matrix,
  matcherOf,
  matrixOf,
  packHosts,
  placeFleet,
  Placer,
  READINESS_LIMITS,
  readinessUnder,
  readinessOf,
  sizedNeed,
  type SizingRule,
} from '@/features/fleet/calc';
import { rateCard, unitMonthlyCost } from '@/engine/rating';
import { cheapestThatFits } from '@/engine/sizing';
import type { Term } from '@/engine/terms';
import { harbourPlan } from '@/demo/fleets';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { csvOf, estateRows } from '@/demo/harbour-house';
import { DEMO_PROFILES } from '@/demo/profiles';
import { toBookData } from '@/features/price-books/format/price-book';
import { fileOfBytes } from '@/features/fleet/format/inventory-file';
import { readInventory } from '@/features/fleet/format/read-inventory';
import { type BenchRow, measure, measureLater, printRows } from './measure';

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

type Bytes = (machines: number) => Uint8Array | Promise<Uint8Array>;

async function reading(form: 'CSV' | 'XLSX', machines: number, make: Bytes, aim: string): Promise<BenchRow> {
  const bytes = await make(machines);
  return {
    what: `${machines} machines, read from ${form}`,
    measured: await measureLater(1, () => fleetOf(`estate.${form.toLowerCase()}`, bytes)),
    baseline: {
      what: form === 'CSV' ? 'its bytes decoded and split' : 'its parts unpacked and decoded',
      measured: measure(2, 1, () => {
        const texts = form === 'CSV' ? [bytes] : Object.values(unzipSync(bytes));
        const lines = texts.flatMap((text) =>
          new TextDecoder().decode(text).split(form === 'CSV' ? '\n' : '<row'),
        );
        if (lines.length < machines) throw new Error('rows are missing');
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

/** Four placements, each by the rule and as installed, machine by machine under three ways of paying. */
async function matching(machines: number, aim: string): Promise<BenchRow> {
  const fleet = await fleetOf('estate.csv', bytesOf(machines));
  const some = fleet.machines.slice(0, SCANNED);
  const rules: readonly SizingRule[] = [
    RULE,
    { by: 'usual', headroom: 0.2 },
    { by: 'target', cpu: 0.6, memory: 0.6 },
    { by: 'target', cpu: 0.8, memory: 0.8 },
  ];
  return {
    what: `${machines} machines × 4 placements × 3 ways of paying × 2 bases`,
    measured: measure(1, 1, () => {
      const matcher = new FleetMatcher(book, region);
      for (const rule of rules) placeFleet(fleet, { ...placement, rule }, matcher);
    }),
    baseline: {
      what: `${SCANNED} of them, once, by a scan of all offers`,
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

/** A group under a placement, with disks and traffic, as the matrix has it; the baseline is its design, priced. */
async function placing(machines: number, aim: string): Promise<BenchRow> {
  const fleet = await fleetOf('estate.csv', bytesOf(machines));
  const placer = new Placer({ currency: book.currency, exchange: [], books: [book], systems: {} });
  const there = defaultPlacement('p', 'There', [{ book: book.key, region }]);
  const part = { id: 'g', name: 'All', machines: fleet.machines };
  const cell = (): FleetCell => {
    const work = cellOf(placer, [part], there);
    let step = work.next();
    while (!step.done) step = work.next();
    return step.value;
  };
  const { design } = cell();
  return {
    what: `${machines} machines become a design under a placement`,
    measured: measure(3, 1, () => void cell()),
    baseline: { what: 'that design, priced', measured: measure(3, 1, () => void placer.price(design)) },
    aim,
  };
}

/** The demo's groups under its placements, with as installed, if measured and the best mix; the baseline is a cell's design, priced. */
async function beside(machines: number, aim: string): Promise<BenchRow> {
  const fleet = await fleetOf('estate.csv', bytesOf(machines));
  const plan = harbourPlan();
  const books = DEMO_PROFILES.slice(0, 2).map((profile) =>
    indexBook(toBookData(generateBook(profile, newest))),
  );
  const { systems, licences = {}, placements } = plan;
  const placer = new Placer({ currency: 'USD', exchange: [], books, systems, licences });
  const groups = groupMachines(plan, fleet.machines, readinessUnder(plan, placer));
  const work = (): Matrix => {
    const steps = matrixOf(placer, groups, placements);
    let step = steps.next();
    while (!step.done) step = steps.next();
    return step.value;
  };
  const measured = measure(1, 1, () => void work());
  const { design } = work().union[0]!.cell;
  return {
    what: `${machines} machines in 3 groups under 4 placements`,
    measured,
    baseline: {
      what: 'one of its designs, priced',
      measured: measure(3, 1, () => void placer.price(design)),
    },
    aim,
  };
}

function packing(machines: number, aim: string): BenchRow {
  const random = seededRandom('packing');
  const sizes = [
    [1, 2],
    [2, 8],
    [4, 16],
    [8, 32],
    [8, 64],
    [16, 64],
  ] as const;
  const parcels = Array.from({ length: machines }, (_, at) => {
    const [vcpu, memory] = random.pick(sizes);
    const part = 0.2 + random.next() * 0.8;
    return { id: `m${at}`, vcpu: vcpu * part, memory: memory * part, storage: 0 };
  });
  const room = { vcpu: 96, memory: 768, storage: Infinity };
  const { hosts, lowerBound } = packHosts(parcels, room);
  return {
    what: `${machines} machines on ${hosts.length} hosts (no fewer than ${lowerBound})`,
    measured: measure(2, 1, () => void packHosts(parcels, room)),
    baseline: {
      what: 'the same sorted by size',
      measured: measure(3, 1, () => void [...parcels].sort((a, b) => b.vcpu - a.vcpu)),
    },
    aim,
  };
}

async function filtering(machines: number, aim: string): Promise<BenchRow> {
  const fleet = await fleetOf('estate.csv', bytesOf(machines));
  const asked = { systems: {}, limits: READINESS_LIMITS };
  const filter = { words: 'ferry live', ranges: { vcpu: { from: 4 } }, ready: 'system-unknown' } as const;
  return {
    what: `${machines} machines through a filter of words, a range and readiness`,
    measured: measure(5, 1, () => {
      const lets = matcherOf(filter, (machine) => readinessOf(machine, asked));
      if (fleet.machines.filter(lets).length === 0) throw new Error('nothing was found');
    }),
    baseline: {
      what: 'their names in lower case',
      measured: measure(5, 1, () => void fleet.machines.map(({ name }) => name.toLowerCase())),
    },
    aim,
  };
}

/** A workbook of the same rows. */
async function workbookOf(machines: number): Promise<Uint8Array> {
  const file = new ExcelJs.Workbook();
  const sheet = file.addWorksheet('Machines');
  for (const row of estateRows(machines, 'bench'))
    sheet.addRow(row.map((text) => (/^\d+(\.\d+)?$/.test(text) ? Number(text) : text)));
  return new Uint8Array(await file.xlsx.writeBuffer());
}

async function all(): Promise<void> {
  printRows('fleet', [
    await reading('CSV', 1000, bytesOf, ''),
    await reading('CSV', 10_000, bytesOf, ''),
    await reading('CSV', 100_000, bytesOf, '≤ 10 s'),
    await reading('XLSX', 10_000, workbookOf, ''),
    await reading('XLSX', 100_000, workbookOf, '≤ 40 s'),
    await matching(1000, ''),
    await matching(10_000, '≤ 1 s, ≥ 50 × the scan'),
    await matching(100_000, '≤ 5 s'),
    await placing(1000, ''),
    await placing(10_000, ''),
    await placing(100_000, ''),
    await beside(10_000, ''),
    await beside(100_000, ''),
    packing(10_000, '≤ 2 s, ≤ 5 % more'),
    await filtering(100_000, '≤ 150 ms'),
  ]);
}

void all();
