/** What else could it be: alternatives side by side, whole axes, and five questions that people at the ferries ask. */
import fs from 'node:fs';
import ExcelJs from 'exceljs';
import type { Page } from '@playwright/test';
import { type Axis, axisOf } from '@/features/compare/calc/axes';
import { indexBook } from '@/engine/books';
import { compareDesign, type Comparison } from '@/features/compare/calc/comparison';
import { allComponents, type Design, type Edit, type Scope } from '@/engine/design';
import { axisSentence, columnSentence } from '@/features/compare/words';
import { writeMoney } from '@/platform/words';
import { type BookSet, bookSet, planOf } from '@/engine/pricing';
import { DEMO_DESIGNS } from '@/demo/designs';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_PROFILES } from '@/demo/profiles';
import { toBookData } from '@/features/price-books/format/price-book';
import { cell, COLUMN, copyOfBooking, edit, expect, openDesign, OURS, saved, test, total } from './screen';

let known: BookSet | null = null;

/** The demo's books as the core reads them, to say what the screen has to say. */
function books(): BookSet {
  known ??= bookSet(
    DEMO_PROFILES.flatMap((profile) =>
      DEMO_REVISIONS.map((revision) => indexBook(toBookData(generateBook(profile, revision)))),
    ),
  );
  return known;
}

const demo = (title: string): Design => DEMO_DESIGNS.find((each) => each.title === title)!;
const lineOf = (design: Design, name: string): string =>
  allComponents(design).find((each) => each.name === name)!.id;

/** Opens a demo design of that title, changed by edits, as a design of its own. */
async function opened(page: Page, title: string, edits: readonly Edit[] = []): Promise<string> {
  const listed = await page.request.get('/api/designs');
  const designs = (await listed.json()) as { id: string; title: string }[];
  const { id } = designs.find((each) => each.title === title)!;
  const copied = await page.request.post(`/api/designs/${id}/copy`, OURS);
  const design = `/designs/${((await copied.json()) as { id: string }).id}`;
  if (edits.length > 0) expect((await edit(page, design, [...edits], 0)).status()).toBe(200);
  return design;
}

const answer = (page: Page) => page.getByTestId('answer');

function alongAxis(design: Design, axis: Axis, what: Scope): string {
  return axisSentence(axisOf(axis, planOf(design, books()), what));
}

const compared = (design: Design): Comparison => compareDesign(design, books());

function sideOf(design: Design, id: string): string {
  const comparison = compared(design);
  return columnSentence(
    comparison,
    comparison.columns.findIndex((each) => each.id === id),
  );
}

test.describe('five questions', () => {
  test('can the booking system leave Norvane?', async ({ page }) => {
    const design = await opened(page, 'Booking and check-in');
    await page.goto(`${design}/alternatives`);
    await page.getByRole('columnheader', { name: 'All at Osmere' }).click();
    const margin = page.getByRole('region', { name: 'All at Osmere' });
    const sentence = sideOf(demo('Booking and check-in'), 'osmere');
    expect(sentence).toContain('“Load generator” cannot follow and stays.');
    await expect(margin).toContainText(sentence);
    await expect(margin.getByRole('region', { name: 'Does not follow' })).toContainText(
      'Plata has nothing of the kind',
    );
  });

  test('where is the camera archive cheapest, and what does it cost to bring it back?', async ({ page }) => {
    const archive = demo('Harbour camera archive');
    const design = await opened(page, 'Harbour camera archive');
    await page.goto(
      `${design}/alternatives?axis=regions&of=${encodeURIComponent(`section ${archive.sections[0]!.id}`)}`,
    );
    const what = { of: 'section', id: archive.sections[0]!.id } as const;
    await expect(answer(page)).toHaveText(alongAxis(archive, 'regions', what));
    // Beside one another: what is held, and what is brought back.
    await page.getByRole('link', { name: 'Side by side' }).first().click();
    await expect(page.getByRole('grid')).toContainText('Restore for inquiries');
    const row = compared(archive)
      .groups.flatMap(({ lines }) => lines)
      .find(({ name }) => name === 'Restore for inquiries')!;
    await page
      .getByRole('row', { name: /^Restore for inquiries/ })
      .getByRole('gridcell')
      .nth(1)
      .click();
    await expect(page.getByRole('region', { name: 'The cell' })).toContainText(
      `At Osmere: ${writeMoney(row.cells[1]!.printed!, 'USD')} USD, ${row.cells[1]!.became!.offer}`,
    );
  });

  test('is one large rota database dearer than two halves?', async ({ page }) => {
    const rota = demo('Crew rota database');
    const id = lineOf(rota, 'Castrum engine at Haldreach');
    const design = await opened(page, 'Crew rota database');
    await page.goto(`${design}/alternatives?axis=sizes&of=${encodeURIComponent(`line ${id}`)}`);
    await expect(answer(page)).toHaveText(alongAxis(rota, 'sizes', { of: 'lines', ids: [id] }));
    await expect(page.getByRole('row', { name: /2 × vault-std-4-32/ })).toContainText('× 1');
  });

  for (const [amount, unit] of [
    ['100', 'GB'],
    ['20', 'TB'],
  ] as const) {
    test(`which provider for the map at ${amount} ${unit}?`, async ({ page }) => {
      const map = demo('Live sailing map');
      const id = lineOf(map, 'Tiles and positions out');
      const change: Edit = {
        edit: 'set-usage',
        id,
        meter: 'transferred',
        value: { amount: { likely: amount }, unit },
      };
      const design = await opened(page, 'Live sailing map', [change]);
      await page.goto(`${design}/alternatives?axis=providers&of=${encodeURIComponent(`line ${id}`)}`);
      const sections = map.sections.map((section) => ({
        ...section,
        components: section.components.map((each) =>
          each.id === id ? { ...each, usage: { transferred: change.value! } } : each,
        ),
      }));
      await expect(answer(page)).toHaveText(
        alongAxis({ ...map, sections }, 'providers', { of: 'lines', ids: [id] }),
      );
    });
  }

  test('what does staying in the country cost?', async ({ page }) => {
    const design = await opened(page, 'Harbour camera archive');
    await page.goto(`${design}/alternatives`);
    await page.getByRole('columnheader', { name: 'In the country' }).click();
    const sentence = sideOf(demo('Harbour camera archive'), 'at-home');
    expect(sentence).toMatch(/^In the country is .* the design, .* USD a month/);
    await expect(page.getByRole('region', { name: 'In the country' })).toContainText(sentence);
  });
});

test('an alternative is made, follows the design, is taken on and taken back', async ({ page }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const before = await total(page);
  await page.getByRole('link', { name: 'Alternatives' }).click();
  await page.getByRole('button', { name: 'New alternative' }).click();
  await page.getByRole('menuitem', { name: /Twice the traffic/ }).click();
  const margin = page.getByRole('region', { name: 'Twice the traffic' });
  await expect(margin).toContainText('Everything at 2 times the traffic');
  const head = page.getByRole('columnheader', { name: 'Twice the traffic' });
  const amount = async (): Promise<number> =>
    Number(
      (await head.innerText())
        .split('\n')
        .at(-1)!
        .replace(/[^\d.]/g, ''),
    );
  await expect.poll(amount).toBeGreaterThan(before);
  const dearer = await amount();
  // Another change on top of it.
  await margin.getByText('Another change').click();
  await margin.getByLabel('becomes').selectOption('leave-out');
  await margin.getByLabel('What').selectOption({ label: 'Section “Staging, office hours”' });
  await margin.getByRole('button', { name: 'Add the change' }).click();
  await expect(margin.getByRole('listitem').nth(1)).toContainText('Without section “Staging, office hours”');
  await expect.poll(amount).toBeLessThan(dearer);
  const final = await amount();
  await margin.getByRole('button', { name: 'Take it on' }).click();
  await expect.poll(() => total(page)).toBe(final);
  await expect(page.getByRole('columnheader', { name: 'Twice the traffic' })).toHaveCount(0);
  await saved(page);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect.poll(() => total(page)).toBe(before);
  await expect(page.getByRole('columnheader', { name: 'Twice the traffic' })).toBeVisible();
  await saved(page);
  // It is kept.
  await page.reload();
  await expect(page.getByRole('columnheader', { name: 'Twice the traffic' })).toBeVisible();
});

test('an alternative becomes a design of its own that costs the same', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/alternatives`);
  const head = page.getByRole('columnheader', { name: 'A lean start' });
  await head.click();
  const amount = Number(
    (await head.innerText())
      .split('\n')
      .at(-1)!
      .replace(/[^\d.]/g, ''),
  );
  await page.getByRole('button', { name: 'A design of its own' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('A lean start');
  await expect.poll(() => total(page)).toBe(amount);
});

test('a row of an axis becomes an alternative', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/alternatives?axis=paying`);
  await page.getByRole('button', { name: 'Make “36 months, all upfront” an alternative' }).click();
  await expect(page.getByRole('region', { name: 'Alternatives so far' })).toContainText(
    'Everything paid 36 months, all upfront',
  );
  await page.getByRole('link', { name: 'Side by side' }).first().click();
  await expect(page.getByRole('columnheader', { name: '36 months, all upfront' })).toBeVisible();
});

test('a line that is gone is told of where a change named it', async ({ page }) => {
  const design = await copyOfBooking(page);
  const remove = { edit: 'remove-section', id: 's4' };
  expect((await edit(page, design, [remove], 0)).status()).toBe(200);
  await page.goto(`${design}/alternatives`);
  await page.getByRole('columnheader', { name: 'A lean start' }).click();
  const margin = page.getByRole('region', { name: 'A lean start' });
  await expect(margin).toContainText('The section is not in the design any more.');
  await margin.getByRole('button', { name: /Take back: Without a section that is gone/i }).click();
  await expect(margin).not.toContainText('not in the design any more');
});

test('side by side is read and turned with the keyboard', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/alternatives`);
  const grid = page.getByRole('grid', { name: 'Alternatives side by side' });
  await grid.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('region', { name: 'The cell' })).toContainText('All at Osmere: 221.93 USD');
  await page.keyboard.press('Control+End');
  await expect(page.getByRole('region', { name: 'The cell' })).toContainText('A lean start: left out');
  await page.getByRole('checkbox', { name: 'one a row' }).check();
  await expect(page.getByRole('grid', { name: 'Alternatives, one a row' })).toContainText('All at Haldreach');
  await page.getByRole('checkbox', { name: 'one a row' }).uncheck();
  await page.getByLabel('rows by').selectOption('kind');
  await expect(grid).toContainText('Data transfer out');
  await page.getByRole('checkbox', { name: 'only what differs' }).check();
  await expect(grid).toContainText('Front servers');
});

test('a comparison is taken along, and says what the screen says', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/alternatives`);
  const head = page.getByRole('columnheader', { name: 'All at Osmere' });
  const amount = (await head.innerText())
    .split('\n')
    .at(-1)!
    .replace(/[^\d.]/g, '');
  const take = async (label: string): Promise<string> => {
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page
        .getByRole('button', { name: 'Take along' })
        .click()
        .then(() => page.getByRole('menuitem', { name: label }).click()),
    ]);
    return download.path();
  };
  const csv = fs.readFileSync(await take('CSV'), 'utf8');
  expect(csv).toContain(`,${amount},`);
  const book = new ExcelJs.Workbook();
  await book.xlsx.readFile(await take('XLSX'));
  const sheet = book.getWorksheet('Comparison')!;
  const last = sheet.getRow(sheet.rowCount);
  expect((last.getCell(3).value as { result: number }).result).toBe(Number(amount));
  const markdown = fs.readFileSync(await take('Markdown'), 'utf8');
  expect(markdown).toContain(await answer(page).innerText());
  const wrong = await page.request.get(`/api${design}/comparison?form=csv&axis=colours`);
  expect(wrong.status()).toBe(422);
  expect(((await wrong.json()) as { error: { message: string } }).error.message).toContain(
    'An axis is one of',
  );
});

test('the margin of a line says what it would cost elsewhere', async ({ page }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  await cell(page, 'API servers', COLUMN.what).click();
  await page.getByRole('tab', { name: 'Elsewhere' }).click();
  const panel = page.getByRole('tabpanel', { name: 'Elsewhere' });
  await expect(panel).toContainText('Osmere, Severn costs least');
  await expect(panel).toContainText('swift-m-8-16');
  await panel.getByRole('button', { name: 'Make “Osmere, Severn” an alternative' }).click();
  await panel.getByRole('link', { name: 'every region' }).click();
  await expect(page.getByRole('region', { name: 'Alternatives so far' })).toContainText(
    'API servers: Osmere, Severn',
  );
  await expect(answer(page)).toContainText('costs least');
});
