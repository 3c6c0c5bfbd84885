/** A design leaves the house: the report, its files, the quotation, and a link that a stranger opens. */
import fs from 'node:fs';
import ExcelJs from 'exceljs';
import { agreementOf } from '../support/designs';
import { copyOfBooking, edit, expect, openDesign, take, test, total } from './screen';

test('the report says what the ledger says, on the page and in every file', async ({ page }) => {
  await openDesign(page);
  const likely = await total(page);
  await page.getByRole('link', { name: 'Report' }).click();
  const report = page.getByRole('article', { name: 'Report on Booking and check-in' });
  const written = likely.toFixed(2).replace(/\B(?=(\d{3})+\.)/g, '\u00a0');
  await expect(report.getByRole('region', { name: 'Totals' })).toContainText(written);
  await expect(report.getByRole('table').first().getByRole('row').last()).toContainText(written);
  await expect(report.getByRole('region', { name: 'Not in the total' })).toContainText('Load generator');
  const sheet = await take(page, /XLSX/);
  expect(sheet.name).toBe('booking-and-check-in-full.xlsx');
  const book = new ExcelJs.Workbook();
  await book.xlsx.readFile(sheet.path);
  const lines = book.getWorksheet('Lines')!;
  expect(lines.getCell(`L${lines.rowCount}`).result).toBe(likely);
  expect(
    fs
      .readFileSync((await take(page, /PDF/)).path)
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
  expect(fs.readFileSync((await take(page, /Markdown/)).path, 'utf8')).toContain(written);
});

test('a quotation holds resale prices and no margin, in the page and in the files', async ({ page }) => {
  const design = await copyOfBooking(page);
  const agreement = agreementOf({ name: 'Harbour frame contract', margin: '0.5' });
  const edits = [{ edit: 'set-agreements', agreements: [agreement] }];
  expect((await edit(page, design, edits, 0)).status()).toBe(200);
  await openDesign(page, design);
  const contracted = await total(page);
  await page.goto(`${design}/report`);
  await page.getByRole('combobox', { name: 'as' }).selectOption('quotation');
  await expect(page).toHaveURL(/variant=quotation&until=\d{4}-\d\d-\d\d/);
  const article = page.getByRole('article');
  await expect(article).toContainText('Quotation, valid until');
  const shown = await article.getByRole('region', { name: 'Totals' }).locator('.double-line').innerText();
  expect(Math.abs(Number(shown.replace(/[^\d.]/g, '').replace(/^0*/, '')) - contracted * 1.5)).toBeLessThan(
    0.02,
  );
  await expect(article).not.toContainText('Harbour frame');
  await expect(article.getByRole('region', { name: 'Ways of paying' })).toHaveCount(0);
  const markdown = fs.readFileSync((await take(page, /Markdown/)).path, 'utf8');
  expect(markdown).not.toContain('Harbour frame');
  const { path } = await take(page, /XLSX/);
  const book = new ExcelJs.Workbook();
  await book.xlsx.readFile(path);
  expect(book.worksheets.map((sheet) => sheet.name)).toEqual(['Summary', 'Lines', 'Months', 'Assumptions']);
  const all = book.worksheets.map((sheet) => JSON.stringify(sheet.getSheetValues())).join();
  for (const secret of ['Harbour frame', 'argin', '0.5,', 'iscount']) expect(all).not.toContain(secret);
});

test('a link is opened by a stranger, shows one report and its calculations, and is withdrawn', async ({
  page,
  browser,
  baseURL,
}) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/report`);
  await page.getByRole('button', { name: 'Links …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Read-only links' });
  await dialog.getByRole('button', { name: 'Make a link' }).click();
  const address = await dialog.getByRole('status').getByRole('link').getAttribute('href');
  expect(address).toMatch(/^\/shared\/[\w-]{32}$/);

  // It is told once: who opens the list again sees that there is a link, and not where.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Links …' }).click();
  await expect(dialog.getByRole('list', { name: 'Links' })).toContainText('Full report, revision');
  await expect(dialog.getByRole('link')).toHaveCount(0);
  expect(await (await page.request.get(`/api${design}/links`)).text()).not.toContain(
    address!.split('/').at(-1),
  );

  const strange = await browser.newContext({ baseURL });
  const stranger = await strange.newPage();
  const answer = await stranger.goto(address!);
  expect(answer!.headers()['x-robots-tag']).toContain('noindex');
  expect(answer!.headers()['referrer-policy']).toBe('no-referrer');
  await expect(stranger.getByRole('article')).toContainText('Front servers');
  await expect(stranger.getByRole('navigation')).toHaveCount(0);
  await stranger.getByRole('button', { name: 'How API servers adds up' }).click();
  await expect(stranger.getByRole('list', { name: 'Steps' })).toContainText('Hours of the month');

  // The link was pinned: a change of the design does not show.
  const rename = { edit: 'set-design', field: 'description', value: 'Renamed meanwhile' };
  expect((await edit(page, design, [rename], 0)).status()).toBe(200);
  await stranger.reload();
  await expect(stranger.getByRole('article')).not.toContainText('Renamed meanwhile');

  await dialog.getByRole('button', { name: 'Withdraw' }).click();
  await expect(dialog.getByRole('list', { name: 'Links' })).toContainText('withdrawn');
  const closed = await stranger.goto(address!);
  expect(closed!.status()).toBe(404);
  expect((await stranger.request.get(`/api${address}/report?form=pdf`)).status()).toBe(404);
  expect((await stranger.request.get(`/api/shared/${'x'.repeat(32)}/trace?line=a`)).status()).toBe(404);
  await strange.close();
});

test('a report asked for wrongly says so', async ({ page }) => {
  const ask = (query: string) => page.request.get(`/api/designs/${'0'.repeat(8)}/report?${query}`);
  await page.goto('/designs');
  expect((await ask('form=docx')).status()).toBe(422);
  expect((await ask('form=pdf&until=tomorrow')).status()).toBe(422);
  expect((await ask('form=pdf')).status()).toBe(404);
});
