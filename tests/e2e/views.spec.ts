/** One design over all of its views: undo goes on, the report follows, and long files are followed and called off. */
import type { Page } from '@playwright/test';
import type { Design } from '@/engine/design';
import { cell, COLUMN, copyOfBooking, expect, openDesign, OURS, saved, test, total } from './screen';

test('going to the report and back keeps undo, and the report follows the design', async ({ page }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const before = await total(page);
  const count = cell(page, 'API servers', COLUMN.count);
  const was = await count.innerText();
  await count.dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('9');
  await page.keyboard.press('Enter');
  await expect.poll(() => total(page)).toBeGreaterThan(before);
  const after = await total(page);
  // At once: it is not saved yet.
  await page.getByRole('link', { name: 'Report' }).click();
  const totals = page.getByRole('article').getByRole('region', { name: 'Totals' });
  const printed = (amount: number) => amount.toFixed(2).replace(/\B(?=(\d{3})+\.)/g, '\u00a0');
  await expect(totals).toContainText(printed(after));
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(totals).toContainText(printed(before));
  await saved(page);
  await page.getByRole('link', { name: 'Ledger' }).click();
  await expect(cell(page, 'API servers', COLUMN.count)).toHaveText(was);
  await page.getByRole('link', { name: 'Checklist' }).click();
  await expect(page.getByRole('region', { name: /^Open/ })).toBeVisible();
  await page.keyboard.press('Control+Shift+Z');
  await expect.poll(() => total(page)).toBe(after);
  // The cursor stands where it was left.
  await page.getByRole('link', { name: 'Ledger' }).click();
  await expect(cell(page, 'API servers', COLUMN.count)).toHaveText('9');
});

/** The booking design many times over, as a design of its own. */
async function longDesign(page: Page, times: number): Promise<string> {
  const file = await page.request.get('/api/designs/00000000-0000-4000-8000-000000000101/export?form=json');
  const design = (await file.json()) as { design: Design };
  const sections = Array.from({ length: times }, (_, at) =>
    design.design.sections.map((section) => ({
      ...section,
      id: `${section.id}-${at}`,
      components: section.components.map((each) => ({
        ...each,
        id: `${each.id}-${at}`,
        name: `${each.name} ${at}`,
      })),
    })),
  ).flat();
  const long = { ...design, design: { ...design.design, title: 'Long', sections, answers: [] } };
  const made = await page.request.post('/api/designs/import', { data: long, ...OURS });
  expect(made.status(), await made.text()).toBe(201);
  return `/designs/${((await made.json()) as { id: string }).id}`;
}

test('a long file is followed, called off, and written in the end', async ({ page }) => {
  test.setTimeout(180_000);
  const design = await longDesign(page, 20);
  await page.goto(`${design}/report`);
  await expect(page.getByRole('article')).toBeVisible({ timeout: 60_000 });
  const exporting = async (what: RegExp) => {
    await page.getByRole('button', { name: 'Export' }).click();
    await page.getByRole('menuitem', { name: what }).click();
  };
  await exporting(/PDF/);
  const line = page.getByRole('status').filter({ hasText: 'step' });
  await expect(line).toContainText('Writing the PDF, step 2 of 2');
  const cancelled = page.waitForResponse((answer) => answer.request().method() === 'DELETE');
  await line.getByRole('button', { name: 'Cancel' }).click();
  const address = (await cancelled).url();
  await expect(line).toBeHidden();
  await expect
    .poll(async () => ((await (await page.request.get(address)).json()) as { state: string }).state)
    .toBe('cancelled');
  const [download] = await Promise.all([page.waitForEvent('download'), exporting(/PDF/)]);
  expect(download.suggestedFilename()).toBe('long-full.pdf');
});
