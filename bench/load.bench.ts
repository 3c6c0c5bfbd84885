/**
 * ./run bench load [editors] [seconds] [lines]: so many people at once, each saving an edit of a design of their own about
 * once a second, against one alone in the same run; the memory of the application before and after; and how long others
 * wait while somebody takes a long report as PDF.
 */
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { setUpDatabase } from '@/cli/set-up';
import { DEMO_DESIGNS } from '@/demo/designs';
import { writeDesign } from '@/features/design/format/design';
import { startApplication } from '../scripts/lib/application';
import { ensureBuilt } from '../scripts/lib/build';
import { startCluster } from '../scripts/lib/cluster';
import { freePort } from '../scripts/lib/ports';
import { designOfSize } from './designs';
import { takeFile } from './follow';

const [editors, seconds, lines] = [50, 60, 1000].map((usual, at) =>
  Number(process.argv[2 + at] ?? usual),
) as [number, number, number];
const HEADERS = { 'content-type': 'application/json', 'sec-fetch-site': 'same-origin' };
const say = (text: string): void => void process.stdout.write(`${text}\n`);
const pause = (time: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, time));

await ensureBuilt();
const home = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-load-'));
fs.chmodSync(home, 0o755);
const cluster = await startCluster(home, { durable: true });
await setUpDatabase(cluster.url, { demo: true });
process.env.WICK_LOG = path.join(home, 'application.log');
const application = await startApplication({
  port: await freePort(),
  databaseUrl: cluster.url,
  mode: 'start',
});
const { address } = application;

function spread(times: readonly number[]): string {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number): string =>
    (sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0).toFixed(0);
  return `${String(sorted.length).padStart(6)} times; ms: p50 ${at(0.5)}, p95 ${at(0.95)}, p99 ${at(0.99)}, most ${at(1)}`;
}

async function post(at: string, body: unknown): Promise<Response> {
  return fetch(address + at, {
    method: 'POST',
    headers: HEADERS,
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
}

async function brought(file: string): Promise<string> {
  const answer = await post('/api/designs/import', file);
  return ((await answer.json()) as { id: string }).id;
}

let lost = 0;
async function edits(count: number, time: number): Promise<number[]> {
  const ids = await Promise.all(Array.from({ length: count }, () => brought(writeDesign(DEMO_DESIGNS[0]!))));
  const times: number[] = [];
  const end = performance.now() + time * 1000;
  const person = async (id: string): Promise<void> => {
    let revision = 0;
    await pause(Math.random() * 1000);
    while (performance.now() < end) {
      const edit = {
        edit: 'set-component',
        id: 's1c1',
        field: 'count',
        value: { likely: String((revision % 9) + 1) },
      };
      const started = performance.now();
      const answer = await post(`/api/designs/${id}/edits`, {
        baseRevision: revision,
        batch: randomUUID(),
        edits: [edit],
      });
      await answer.text();
      times.push(performance.now() - started);
      if (answer.ok) revision += 1;
      else lost += 1;
      await pause(500 + Math.random() * 1000);
    }
  };
  await Promise.all(ids.map(person));
  return times;
}

function memory(): number {
  const status = fs.readFileSync(`/proc/${application.child.pid}/status`, 'utf8');
  return Math.round(Number(/VmRSS:\s+(\d+)/.exec(status)![1]) / 1024);
}

/** Ten looks at the memory, evenly over the time. */
async function watched<T>(time: number, work: Promise<T>): Promise<{ result: T; seen: number[] }> {
  const seen: number[] = [];
  const look = setInterval(() => seen.push(memory()), (time * 1000) / 10);
  const result = await work;
  clearInterval(look);
  return { result, seen };
}

async function beside(work: Promise<unknown>): Promise<number[]> {
  let done = false;
  void work.finally(() => (done = true));
  const times: number[] = [];
  while (!done) {
    const started = performance.now();
    await (await fetch(`${address}/api/designs`)).text();
    times.push(performance.now() - started);
    await pause(20);
  }
  return times;
}

try {
  await edits(5, 5);
  say(`one editor      ${spread(await edits(1, Math.min(20, seconds)))}`);
  const before = memory();
  const many = await watched(seconds, edits(editors, seconds));
  say(`${String(editors).padEnd(3)} editors     ${spread(many.result)}`);
  say(`refused or failed: ${lost}; memory ${before} MB before, then ${many.seen.join(', ')} MB`);
  const long = await brought(writeDesign(designOfSize(lines)));
  for (const form of ['md', 'pdf', 'xlsx']) {
    const started = performance.now();
    const waits = await beside(takeFile(address, `/api/designs/${long}/report?form=${form}`));
    say(
      `beside ${form.padEnd(9)}${spread(waits)}; it took ${((performance.now() - started) / 1000).toFixed(1)} s for ${lines} lines`,
    );
  }
} finally {
  await application.stop();
  cluster.stop();
  fs.rmSync(home, { recursive: true, force: true });
}
