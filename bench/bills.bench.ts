/**
 * A bill of a million rows: brought in through everything, against a raw COPY of the same text into a table of its columns; its first
 * view, groupings and rules tried over it, against the plain sum in SQL. Give another number of rows to try it smaller.
 */
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import { type BillPeriod, type ChargedRow, daysOfPeriod } from '@/features/bills/calc';
import { USUAL_STEPS, type Watch } from '@/features/alerts/calc';
import { connect } from '@/platform/data/connect';
import { ensureWorkspace, LOCAL_WORKSPACE } from '@/platform/data/workspace-repository';
import { migrate } from '@/platform/data/migrate';
import { repositories } from '@/stores/repositories';
import { LIVE_MAP_DESIGN } from '@/demo/bills';
import { bookBytes } from '@/demo/load-demo';
import { DEMO_REVISIONS } from '@/demo/generate-book';
import { OSMERE } from '@/demo/osmere';
import { writeDesign } from '@/features/design/format/design';
import { billCsv } from '@/features/bills/format/focus/write-bill';
import { billYears } from '@/features/bills/use/bill-year';
import { type Context } from '@/stores/ports';
import { groupBill } from '@/features/bills/use/bill-groups';
import { importBill } from '@/features/bills/use/import-bill';
import { importBook } from '@/features/price-books/use/import-book';
import { importDesign } from '@/features/design/use/designs';
import { linkBillDesign } from '@/features/bills/use/bills';
import { listWatches, saveWatch } from '@/features/alerts/use/watches';
import { tryBillRules } from '@/features/bills/use/bill-rules';
import { viewBill } from '@/features/bills/use/bill-view';
import { startCluster } from '../scripts/lib/cluster';
import { measureLater, printRows } from './measure';

const ROWS = Number(process.argv[2] ?? 1_000_000);
const RESOURCES = 3000;
const HEAD = { provider: 'Osmere', account: 'bench', from: '2026-11-01', to: '2026-12-01', currency: 'USD' };

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

function* rows(head: BillPeriod = HEAD, count = ROWS): Generator<ChargedRow> {
  const days = daysOfPeriod(head);
  for (let at = 0; at < count; at += 1) {
    const resource = at % RESOURCES;
    const money = `0.${String((at * 7919) % 9973).padStart(4, '0')}`;
    yield {
      ...{ day: days[Math.floor(at / RESOURCES) % days.length]!, category: 'Usage', isCorrection: false },
      ...{
        service: `Service ${resource % 7}`,
        sku: `OS-${resource % 20}`,
        meter: 'running',
        region: 'de.elbe',
      },
      ...{
        account: `team-${resource % 5}`,
        resource: `res-${resource}`,
        resourceName: `machine ${resource}`,
      },
      ...{
        description: `Hours of machines, family ${resource % 9}`,
        tags: { component: `c-${resource % 12}` },
      },
      ...{
        unit: 'Hours',
        listUnitPrice: '0.1',
        contractedUnitPrice: '0.1',
        commitment: '',
        commitmentStatus: null,
      },
      ...{ list: money, contracted: money, billed: money, effective: money, quantity: '1' },
    };
  }
}

/** Eleven periods before it, each a twentieth as large: what a year shows hangs on sums that are kept, not on rows. */
async function year(id: string): Promise<void> {
  for (let back = 1; back < 12; back += 1) {
    const first = (months: number): string =>
      new Date(Date.UTC(2026, 10 - months, 1)).toISOString().slice(0, 10);
    const head = { ...HEAD, from: first(back), to: first(back - 1) };
    const source = Readable.from(billCsv(head, rows(head, Math.ceil(ROWS / 20))));
    const upload = { id: randomUUID(), fileName: 'b.csv', bytesTotal: null, source: encoded(source) };
    await importBill(context, upload);
  }
  for (const [at, on] of (['billed', 'close', 'pace', 'new'] as const).entries()) {
    const watch: Watch = {
      ...{ name: on, provider: HEAD.provider, account: HEAD.account, of: { what: 'whole' }, on },
      ...{ limit: '1000', currency: 'USD', basis: 'effective', steps: USUAL_STEPS, ahead: 7 },
      ...{ mail: [], call: null },
    };
    await saveWatch(context, `00000000-0000-4000-8000-00000000000${at}`, { baseRevision: 0, watch });
  }
  const client = new pg.Client({ connectionString: cluster.url });
  await client.connect();
  const plain = await measureLater(3, () =>
    client.query(
      `select bill_row.bill_id, said->>'service', sum(bill_row.billed) from bill_row
       join bill_thing on bill_thing.at = bill_row.thing and bill_thing.bill_id = bill_row.bill_id group by 1, 2`,
    ),
  );
  await client.end();
  const baseline = { what: 'plain sum over the rows of all periods', measured: plain };
  printRows('Twelve periods', [
    {
      what: 'a year by service',
      measured: await measureLater(5, () => billYears(context)),
      baseline,
      aim: '< 1 s',
    },
    {
      what: 'four watches as they stand',
      measured: await measureLater(5, () => listWatches(context)),
      baseline,
      aim: '< 2 s',
    },
    {
      what: 'first view, its projection tried on six periods',
      measured: await measureLater(5, () => viewBill(context, id)),
      baseline,
      aim: '< 500 ms',
    },
  ]);
}

async function* encoded(text: AsyncIterable<string>): AsyncGenerator<Uint8Array> {
  const encoder = new TextEncoder();
  for await (const part of text) yield encoder.encode(part);
}

const once = async (work: () => Promise<unknown>): Promise<{ median: number; p95: number }> => {
  const started = performance.now();
  await work();
  const time = performance.now() - started;
  return { median: time, p95: time };
};

async function rawCopy(file: string): Promise<{ median: number; p95: number }> {
  const client = new pg.Client({ connectionString: cluster.url });
  await client.connect();
  const begun = Buffer.alloc(2000);
  const opened = fs.openSync(file, 'r');
  fs.readSync(opened, begun);
  fs.closeSync(opened);
  const [head] = begun.toString('utf8').split('\r\n');
  await client.query(
    `create unlogged table raw (${head!
      .split(',')
      .map((name) => `"${name}" text`)
      .join(', ')})`,
  );
  const time = await once(() =>
    pipeline(fs.createReadStream(file), client.query(copyFrom('copy raw from stdin (format csv, header)'))),
  );
  await client.end();
  return time;
}

try {
  const file = path.join(home, 'bill.csv');
  await pipeline(Readable.from(billCsv(HEAD, rows())), fs.createWriteStream(file));
  process.stdout.write(`The file has ${(fs.statSync(file).size / 1e6).toFixed(0)} MB.\n`);
  let peak = 0;
  const watch = setInterval(() => (peak = Math.max(peak, process.memoryUsage().rss)), 50);
  let id = '';
  const imported = await once(async () => {
    const upload = {
      id: randomUUID(),
      fileName: 'bill.csv',
      bytesTotal: null,
      source: fs.createReadStream(file),
    };
    ({ id } = (await importBill(context, upload)).bills[0]!);
  });
  clearInterval(watch);
  const raw = await rawCopy(file);
  printRows('Import', [
    {
      what: `a file of ${ROWS} rows, taken`,
      measured: imported,
      baseline: { what: 'raw COPY of the text, unlogged, no index', measured: raw },
      aim: '≤ × 5, < 40 s',
    },
  ]);
  process.stdout.write(`At most ${(peak / 1e6).toFixed(0)} MB of memory while it came in.\n`);
  const book = {
    id: randomUUID(),
    fileName: 'b',
    bytesTotal: null,
    source: bookBytes(OSMERE, DEMO_REVISIONS.at(-1)!),
  };
  await importBook(context, book);
  await linkBillDesign(context, id, await importDesign(context, writeDesign(LIVE_MAP_DESIGN)));
  const client = new pg.Client({ connectionString: cluster.url });
  await client.connect();
  const plain = await measureLater(3, () =>
    client.query(
      `select said->>'service', sum(bill_row.billed) from bill_row
       join bill_thing on bill_thing.at = bill_row.thing and bill_thing.bill_id = bill_row.bill_id
       where bill_row.bill_id = $1 group by 1`,
      [id],
    ),
  );
  const baseline = { what: 'plain sum over its rows in SQL', measured: plain };
  const rules = `wick: bill-rules\nversion: 1\nrules:\n${Array.from({ length: 40 }, (_, at) => `  - { id: r${at}, when: { sku: OS-${at}, tag: { key: component } }, to: Tile store }\n`).join('')}`;
  printRows('Looking', [
    {
      what: 'first view',
      measured: await measureLater(5, () => viewBill(context, id)),
      baseline,
      aim: '< 500 ms',
    },
    {
      what: 'by service',
      measured: await measureLater(5, () => groupBill(context, id, 'service')),
      baseline,
      aim: '< 300 ms',
    },
    {
      what: '40 rules tried',
      measured: await measureLater(5, () => tryBillRules(context, id, rules)),
      baseline,
      aim: '< 2 s',
    },
  ]);
  await client.end();
  await year(id);
} finally {
  await db.destroy();
  cluster.stop();
  fs.rmSync(home, { recursive: true, force: true });
}
