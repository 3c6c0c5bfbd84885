/**
 * A price book of a million rates. Import of a file through everything (unpacking of pieces, checks, one transaction,
 * indexes) against a raw COPY of the same rows into an unlogged table; searches while twenty clients search; the
 * look-up of the rates a design of 200 components needs. Give another number of rates to try it smaller.
 */
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import pg from 'pg';
import { from as copyFrom, to as copyTo } from 'pg-copy-streams';
import { indexBook } from '@/engine/books';
import type { Component, Design } from '@/engine/design';
import { bookSet } from '@/engine/pricing';
import { summarise } from '@/engine/summary';
import { connect } from '@/platform/data/connect';
import { ensureWorkspace, LOCAL_WORKSPACE } from '@/platform/data/workspace-repository';
import { migrate } from '@/platform/data/migrate';
import { repositories } from '@/stores/repositories';
import { bookBytes } from '@/demo/load-demo';
import { DEMO_REVISIONS } from '@/demo/generate-book';
import { NORVANE } from '@/demo/norvane';
import { toBookData, toOffer, toRate } from '@/features/price-books/format/price-book';
import { ratesWanted } from '@/features/price-books/format/loaded-book';
import { type Context } from '@/stores/ports';
import { importBook } from '@/features/price-books/use/import-book';
import { readRates, searchOffers } from '@/features/price-books/use/books';
import { startCluster } from '../scripts/lib/cluster';
import { printRows, statistics } from './measure';

const RATES = Number(process.argv[2] ?? 1_000_000);
const CLIENTS = 20;
const SEARCHES_EACH = 25;

const home = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-bench-'));
fs.chmodSync(home, 0o755);
const cluster = await startCluster(home, { durable: true });
const db = connect(cluster.url);
await migrate(db);
await ensureWorkspace(db, LOCAL_WORKSPACE, 'Bench');
const context: Context = {
  actor: { user: 'bench', workspace: LOCAL_WORKSPACE, role: 'admin' },
  ...repositories(db),
  now: () => new Date(),
  newId: randomUUID,
};

const once = async (work: () => Promise<unknown>): Promise<number> => {
  const started = performance.now();
  await work();
  return performance.now() - started;
};
const alone = (time: number) => ({ median: time, p95: time });

try {
  const file = path.join(home, 'book.json');
  await pipeline(Readable.from(bookBytes(NORVANE, DEMO_REVISIONS[0]!, RATES)), fs.createWriteStream(file));
  const bytes = fs.statSync(file).size;
  process.stdout.write(`The file has ${(bytes / 1e6).toFixed(0)} MB.\n`);

  let peak = 0;
  const watch = setInterval(() => (peak = Math.max(peak, process.memoryUsage().rss)), 50);
  const imported = await once(async () => {
    const book = await importBook(context, {
      id: randomUUID(),
      fileName: 'book.json',
      bytesTotal: bytes,
      source: fs.createReadStream(file, { highWaterMark: 262_144 }),
    });
    process.stdout.write(`${book.rates} rates are published.\n`);
  });
  clearInterval(watch);

  const raw = await rawCopy(cluster.url);
  printRows('Import', [
    {
      what: 'a file of a million rates, published',
      measured: alone(imported),
      baseline: { what: 'raw COPY, unlogged table, no index', measured: alone(raw) },
      aim: '≤ × 4',
    },
  ]);
  process.stdout.write(
    `Highest memory of the importing process: ${(peak / 1e6).toFixed(0)} MB (aim < 1 074 MB)\n`,
  );

  const ping = await timesOf(() => db.selectFrom('workspace').select('id').execute());
  const asked = [
    { text: 'bal 16' },
    { text: 'memory-heavy merrow' },
    { kind: 'server', vcpu: '8', memory: '32' },
    { kind: 'server', region: 'hudson-1', vcpu: '16', memory: '64', priceTo: '900' },
    { kind: 'relational-database', capability: 'replicas', vcpu: '4' },
    { family: 'GPU', gpu: '2' },
    { text: 'generation 7', region: 'severn-1' },
  ];
  let turn = 0;
  const search = await timesOf(async () => {
    const found = await searchOffers(context, { ...asked[turn++ % asked.length], limit: 50 });
    if (found.length === 0) throw new Error('a search found nothing');
  });
  const design = await sampleDesign();
  const wanted = ratesWanted(design.sections[0]!.components, 'norvane');
  const looked: number[] = [];
  let rates = 0;
  for (let run = 0; run < 40; run += 1) {
    const time = await once(async () => {
      rates = (await readRates(context, 'norvane', 1, wanted)).length;
    });
    if (run >= 5) looked.push(time);
  }
  const plain = [];
  for (let run = 0; run < 40; run += 1) {
    plain.push(await once(() => db.selectFrom('workspace').select('id').execute()));
  }
  printRows(`With ${CLIENTS} clients searching, and one looking up`, [
    {
      what: 'search over the book',
      measured: search,
      baseline: { what: 'the smallest query, as many clients', measured: ping },
      aim: 'p95 < 50 ms',
    },
    {
      what: `rates of 200 components (${rates})`,
      measured: statistics(looked),
      baseline: { what: 'the smallest query', measured: statistics(plain) },
      aim: '< 30 ms',
    },
  ]);
  await priceIt(design);
} finally {
  await db.destroy();
  cluster.stop();
  fs.rmSync(home, { recursive: true, force: true });
}

async function timesOf(work: () => Promise<unknown>) {
  const times: number[] = [];
  await Promise.all(
    Array.from({ length: CLIENTS }, async () => {
      for (let each = 0; each < SEARCHES_EACH; each += 1) times.push(await once(work));
    }),
  );
  return statistics(times.slice(CLIENTS));
}

/** The rows as they are in the table, out to a file and into another table without anything around it. */
async function rawCopy(url: string): Promise<number> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const rows = path.join(home, 'rows.txt');
  await pipeline(
    client.query(copyTo('copy (select * from book_rate) to stdout')),
    fs.createWriteStream(rows),
  );
  await client.query('create unlogged table bare (like book_rate)');
  const time = await once(() =>
    pipeline(
      fs.createReadStream(rows, { highWaterMark: 262_144 }),
      client.query(copyFrom('copy bare from stdin')),
    ),
  );
  await client.query('drop table bare');
  await client.end();
  return time;
}

/** 200 components spread over the book’s offers and regions. */
async function sampleDesign(): Promise<Design> {
  const catalogue = (await context.books.catalogue(LOCAL_WORKSPACE, 'norvane', 1))!;
  const servers = catalogue.offers.filter((offer) => offer.kind === 'server');
  const components = Array.from({ length: 200 }, (_, at): Component => {
    const offer = servers[(at * 37) % servers.length]!;
    const regions = catalogue.availability[offer.sku] ?? [];
    return {
      id: `c${at}`,
      name: `Component ${at}`,
      kind: 'server',
      count: { likely: '2' },
      place: { book: 'norvane', region: regions[at % regions.length] ?? 'severn-1' },
      choice: { by: 'sku', sku: offer.sku },
      running: { pattern: 'always' },
      usage: {},
      term: 'on-demand',
    };
  });
  return {
    title: 'Sample',
    description: '',
    currency: 'USD',
    assumptions: { month: { hours: '730' }, countAllowances: true, exchange: [] },
    books: [{ book: 'norvane', revision: 1 }],
    sections: [{ id: 's', name: 'S', components }],
  };
}

/** What was looked up is enough to price the design whole. */
async function priceIt(design: Design): Promise<void> {
  const catalogue = (await context.books.catalogue(LOCAL_WORKSPACE, 'norvane', 1))!;
  const wanted = ratesWanted(design.sections[0]!.components, 'norvane');
  const rows = await readRates(context, 'norvane', 1, wanted);
  const { availability, offers, ...rest } = catalogue;
  const file = { format: 'wick-price-book' as const, version: 1 as const, ...rest, offers: [], rates: [] };
  const data = toBookData(file);
  const book = indexBook({
    ...data,
    offers: offers.map(toOffer),
    rates: rows.map(toRate),
    availability,
  });
  const { printed, unpriced } = summarise(design, bookSet([book]));
  process.stdout.write(`The design costs ${printed} USD a month; ${unpriced} not priced.\n`);
}
