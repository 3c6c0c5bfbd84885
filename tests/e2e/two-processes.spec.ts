/** Two application processes on one database: people see each other, whichever process answers them. */
import { startApplication } from '../../scripts/lib/application';
import { freePort } from '../../scripts/lib/ports';
import { cell, COLUMN, copyOfBooking, expect, openDesign, saved, test, total } from './screen';

test('edits and presence cross from one process to the other', async ({ page, browser }, { workerIndex }) => {
  test.setTimeout(120_000);
  const server = new URL(process.env.E2E_DATABASE!);
  server.pathname = `/e2e_${workerIndex}`;
  const second = await startApplication({ port: await freePort(), databaseUrl: server.href, mode: 'start' });
  try {
    const design = await copyOfBooking(page);
    await openDesign(page, design);
    const context = await browser.newContext({
      baseURL: second.address,
      viewport: { width: 1280, height: 800 },
    });
    const other = await context.newPage();
    await openDesign(other, design);
    await expect(page.getByText('2 have it open')).toBeVisible({ timeout: 20_000 });
    await expect(other.getByText('2 have it open')).toBeVisible();

    await cell(page, 'API servers', COLUMN.count).dblclick();
    await page.keyboard.press('Control+A');
    await page.keyboard.type('5');
    await page.keyboard.press('Enter');
    await saved(page);
    await expect(cell(other, 'API servers', COLUMN.count)).toHaveText('5');
    await expect.poll(async () => (await total(other)) === (await total(page))).toBe(true);

    await context.close();
    await expect(page.getByText('2 have it open')).toBeHidden();
  } finally {
    await second.stop();
  }
});
