/** What the browser tests do over and over, in the words of a user. */
import { expect, type Locator, type Page, test as base } from '@playwright/test';
import { sql } from 'kysely';
import { connect } from '@/platform/data/connect';
import { startApplication } from '../../scripts/lib/application';
import { freePort } from '../../scripts/lib/ports';

export const BOOKING = '/designs/00000000-0000-4000-8000-000000000101';
export const MAP = '/designs/00000000-0000-4000-8000-000000000102';

/**
 * Every worker has the application to itself, on its own copy of the demo data; every test fails on an error of the
 * page or a breach of the content policy.
 */
export const test = base.extend<{ quiet: void }, { application: string }>({
  application: [
    async ({}, provide, { workerIndex }) => {
      const server = new URL(process.env.E2E_DATABASE!);
      const demo = server.pathname.slice(1);
      server.pathname = '/postgres';
      const admin = connect(server.href);
      const mine = `e2e_${workerIndex}`;
      await sql`create database ${sql.id(mine)} template ${sql.id(demo)} strategy file_copy`.execute(admin);
      await admin.destroy();
      server.pathname = `/${mine}`;
      const application = await startApplication({
        port: await freePort(),
        databaseUrl: server.href,
        mode: 'start',
      });
      await provide(application.address);
      await application.stop();
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ application }, provide) => {
    await provide(application);
  },
  quiet: [
    async ({ page }, provide) => {
      const trouble: string[] = [];
      page.on('pageerror', (error) => trouble.push(error.message));
      page.on('console', (message) => {
        if (message.type() === 'error' && /Content Security Policy|Hydration|hydrat/i.test(message.text()))
          trouble.push(message.text());
      });
      await provide();
      expect(trouble).toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** What a page of our own says of its requests. */
export const OURS = { headers: { 'sec-fetch-site': 'same-origin' } };

/** The ledger cell of a named component. */
export function cell(page: Page, row: string, column: number): Locator {
  return page.getByRole('row').filter({ hasText: row }).first().getByRole('gridcell').nth(column);
}

export const COLUMN = { name: 0, what: 1, where: 2, use: 3, paid: 4, count: 5, amount: 6, wick: 7 } as const;

export async function openDesign(page: Page, address = BOOKING): Promise<void> {
  await page.goto(address);
  await expect(page.getByTestId('total')).toBeVisible();
}

/** The total as a number, once the prices of the newest version are there. */
export async function total(page: Page): Promise<number> {
  const known = page.getByTestId('total').and(page.locator('[aria-busy="false"]'));
  const text = await known.locator('.double-line').innerText();
  return Number(text.replace(/[^\d.]/g, ''));
}

export async function saved(page: Page): Promise<void> {
  await expect(page.getByTestId('saved')).toContainText(/^Saved/);
}

/** A design of its own for a test that changes things. */
export async function freshDesign(page: Page, title: string): Promise<string> {
  const made = await page.request.post('/api/designs', { data: { title }, ...OURS });
  expect(made.status()).toBe(201);
  const { id } = (await made.json()) as { id: string };
  return id;
}

export async function copyOfBooking(page: Page): Promise<string> {
  const made = await page.request.post(`/api${BOOKING}/copy`, OURS);
  const { id } = (await made.json()) as { id: string };
  return `/designs/${id}`;
}

/** Of the demo's map with its drivers and alternatives. */
export async function copyOfMap(page: Page): Promise<string> {
  const made = await page.request.post(`/api${MAP}/copy`, OURS);
  const { id } = (await made.json()) as { id: string };
  return `/designs/${id}`;
}

export async function edit(page: Page, design: string, edits: object[], baseRevision: number) {
  return page.request.post(`/api${design}/edits`, {
    data: { baseRevision, batch: crypto.randomUUID(), edits },
    ...OURS,
  });
}

/** A file of the report, as a person takes it along. */
export async function take(page: Page, label: RegExp): Promise<{ name: string; path: string }> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page
      .getByRole('button', { name: 'Export' })
      .click()
      .then(() => page.getByRole('menuitem', { name: label }).click()),
  ]);
  return { name: download.suggestedFilename(), path: await download.path() };
}

/** The bill of the live map for a month, whatever other bills there are by now. Gives its address. */
export async function openLiveMapBill(page: Page, month: string): Promise<string> {
  await page.goto('/bills');
  const row = page.getByRole('row').filter({ hasText: 'skerrow-live-map' }).filter({ hasText: month });
  await row.getByRole('gridcell', { name: month }).dblclick();
  await page.waitForURL(/\/bills\/[0-9a-f-]{36}$/);
  return new URL(page.url()).pathname;
}
