/**
 * From a keystroke in the ledger to the new total in the tally line, in headless Chromium on the built application.
 * The baseline is the same keystroke in a bare input that writes its value beside itself, in the same page.
 * Also counts main-thread tasks over 50 ms while typing, and times the report's files against the plain design file.
 */
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { setUpDatabase } from '@/cli/set-up';
import type { Design } from '@/engine/design';
import { writeDesign } from '@/features/design/format/design';
import { CHROMIUM_ARGS } from '../playwright.config';
import { startApplication } from '../scripts/lib/application';
import { ensureBuilt } from '../scripts/lib/build';
import { startCluster } from '../scripts/lib/cluster';
import { CHROMIUM, requireChromium } from '../scripts/lib/debian';
import { freePort } from '../scripts/lib/ports';
import { designOfSize, TWELVE } from './designs';
import { takeFile } from './follow';
import { type BenchRow, type Measured, printRows, statistics } from './measure';

const KEYS = 40;
const SIZES = [10, 60, 200, 1000];
const GROWN = 200;
const YEARS_OF_MONTHS = 36;
const EXPORTED = 200;
const EXPORTS = 3;

/** Types one digit after the other into the focused input; each time waits in the page until `changed` says so. */
async function typeAndTime(
  page: Page,
  what: 'total' | 'echo',
): Promise<{ measured: Measured; longTasks: number }> {
  return page
    .evaluate(
      async ([kind, keys]) => {
        const watched = document.querySelector<HTMLElement>(
          kind === 'total' ? '[data-testid=total]' : '#bench-echo',
        )!;
        const input = document.querySelector<HTMLInputElement>(
          kind === 'total' ? '[role=gridcell] input' : '#bench-input',
        )!;
        const write = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
        let longTasks = 0;
        const observer = new PerformanceObserver((list) => (longTasks += list.getEntries().length));
        observer.observe({ entryTypes: ['longtask'] });
        const times: number[] = [];
        for (let key = 0; key < Number(keys); key += 1) {
          const before = watched.textContent;
          const started = performance.now();
          write.call(input, String(2 + (key % 7)));
          input.dispatchEvent(new Event('input', { bubbles: true }));
          await new Promise<void>((resolve) => {
            const check = (): void =>
              watched.textContent !== before ? resolve() : void setTimeout(check, 0);
            check();
          });
          times.push(performance.now() - started);
          await new Promise((resolve) => setTimeout(resolve, 60));
        }
        observer.disconnect();
        return { times, longTasks };
      },
      [what, KEYS] as const,
    )
    .then(({ times, longTasks }) => ({ measured: statistics(times), longTasks }));
}

async function addBareInput(page: Page): Promise<void> {
  await page.evaluate(() => {
    const input = document.createElement('input');
    const echo = document.createElement('output');
    input.id = 'bench-input';
    echo.id = 'bench-echo';
    input.addEventListener('input', () => (echo.textContent = input.value));
    document.body.append(input, echo);
  });
}

async function revisionOf(id: string): Promise<number> {
  const since = await fetch(`${application.address}/api/designs/${id}/edits?since=0`);
  return ((await since.json()) as { revision: number }).revision;
}

/** Traffic and stock grow each month over three years, so that every keystroke asks for 36 different months. */
function grown(design: Design): Design {
  const growth = { traffic: { likely: '0.03' }, stock: { likely: '0.02' } };
  return { ...design, assumptions: { ...design.assumptions, growth, horizon: YEARS_OF_MONTHS } };
}

async function openedDesign(
  page: Page,
  design: Design,
  told: (milliseconds: number) => unknown = () => undefined,
): Promise<string> {
  // The runner marks named functions with a helper that the page does not have.
  await page.addInitScript('globalThis.__name = (value) => value');
  const made = await page.request.post(`${application.address}/api/designs/import`, {
    data: writeDesign(design),
    headers: { 'sec-fetch-site': 'same-origin', 'content-type': 'application/json' },
  });
  const { id } = (await made.json()) as { id: string };
  const opened = performance.now();
  await page.goto(`${application.address}/designs/${id}`);
  await page.getByTestId('total').waitFor();
  told(performance.now() - opened);
  return id;
}

async function typeInFirstCount(page: Page): Promise<{ measured: Measured; longTasks: number }> {
  await page.locator('[data-cell="c0/count"]').dblclick();
  await page.locator('[role=gridcell] input').waitFor();
  await typeAndTime(page, 'total');
  return typeAndTime(page, 'total');
}

interface Beside {
  readonly what: string;
  readonly design: Design;
  readonly view: 'checklist' | 'alternatives';
  readonly aim: string;
}

/** Typing in the ledger while another view of the same design stands open in a second window. */
async function rowBeside({ what, design, view, aim }: Beside): Promise<BenchRow> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const id = await openedDesign(page, design);
  const second = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await second.goto(`${application.address}/designs/${id}/${view}`);
  await second
    .getByRole(view === 'checklist' ? 'listitem' : 'grid')
    .first()
    .waitFor();
  await page.bringToFront();
  const { measured, longTasks } = await typeInFirstCount(page);
  await addBareInput(page);
  const baseline = (await typeAndTime(page, 'echo')).measured;
  notes.push(`main-thread tasks over 50 ms while typing, ${what}: ${longTasks}`);
  await page.close();
  await second.close();
  return { what, measured, baseline: { what: 'bare input', measured: baseline }, aim };
}

/** The report's files of one design, asked for as a browser does. */
async function exportsOf(page: Page, id: string, edited: number): Promise<BenchRow[]> {
  let revision = edited;
  /** Another revision: the same file of the same one is written once. */
  const renamed = async (): Promise<void> => {
    const edits = [{ edit: 'set-design', field: 'title', value: `Design ${revision}` }];
    const data = { baseRevision: revision, batch: randomUUID(), edits };
    const headers = { 'sec-fetch-site': 'same-origin' };
    const saved = await page.request.post(`${application.address}/api/designs/${id}/edits`, {
      data,
      headers,
    });
    if (!saved.ok()) throw new Error(await saved.text());
    revision += 1;
  };
  const time = async (path: string): Promise<Measured> => {
    const times: number[] = [];
    for (let turn = 0; turn < EXPORTS; turn += 1) {
      await renamed();
      const started = performance.now();
      await takeFile(application.address, `/api/designs/${id}/${path}`);
      times.push(performance.now() - started);
    }
    return statistics(times);
  };
  const baseline = { what: 'design as JSON', measured: await time('export?form=json') };
  const row = async (form: string, aim: string): Promise<BenchRow> => ({
    what: `report as ${form.toUpperCase()}, ${EXPORTED} components`,
    measured: await time(`report?form=${form}`),
    baseline,
    aim,
  });
  return [await row('xlsx', '< 2 s'), await row('pdf', '< 4 s'), await row('md', '')];
}

requireChromium();
await ensureBuilt();
const home = fs.mkdtempSync(path.join(os.tmpdir(), 'wick-bench-'));
fs.chmodSync(home, 0o755);
const cluster = await startCluster(home, { durable: true });
await setUpDatabase(cluster.url, { demo: true });
const application = await startApplication({
  port: await freePort(),
  databaseUrl: cluster.url,
  mode: 'start',
  quiet: true,
});
const browser = await chromium.launch({ executablePath: CHROMIUM, args: CHROMIUM_ARGS });
const rows: BenchRow[] = [];
const notes: string[] = [];
try {
  for (const size of SIZES) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const id = await openedDesign(page, designOfSize(size), (took) =>
      notes.push(`first priced view of ${size} components: ${took.toFixed(0)} ms`),
    );
    const { measured, longTasks } = await typeInFirstCount(page);
    await addBareInput(page);
    const baseline = (await typeAndTime(page, 'echo')).measured;
    rows.push({
      what: `keystroke to total, ${size} components`,
      measured,
      baseline: { what: 'bare input', measured: baseline },
      aim: 'p95 < 50 ms',
    });
    notes.push(`main-thread tasks over 50 ms while typing ${KEYS} keys at ${size}: ${longTasks}`);
    if (size === EXPORTED) rows.push(...(await exportsOf(page, id, await revisionOf(id))));
    await page.close();
  }
  const large = designOfSize(GROWN);
  rows.push(
    await rowBeside({
      what: `${GROWN} components, ${YEARS_OF_MONTHS} months of growth, checklist open`,
      design: grown(large),
      view: 'checklist',
      aim: 'p95 < 40 ms',
    }),
    await rowBeside({
      what: `${GROWN} components, ${TWELVE.length} alternatives open`,
      design: { ...large, alternatives: TWELVE },
      view: 'alternatives',
      aim: 'p95 < 50 ms',
    }),
  );
} finally {
  await browser.close();
  await application.stop();
  cluster.stop();
  fs.rmSync(home, { recursive: true, force: true });
}
printRows('Keystroke to total in the browser', rows);
for (const note of notes) process.stdout.write(`${note}\n`);
