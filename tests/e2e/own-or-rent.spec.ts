/** Owning against renting: from a fleet to the sentence, a number typed over, what it hangs on, the move, the report. */
import { expect, test } from './screen';

const STUDY = '/own-or-rent/00000000-0000-4000-8000-000000000301';

test('a fleet becomes a study that says what renting costs', async ({ page }) => {
  await page.goto('/fleets/00000000-0000-4000-8000-000000000201/matrix');
  await page.locator('a[href*="/own-or-rent/new"]').click();
  await expect(page.getByTestId('study-sentence')).toContainText('over five years (P10', { timeout: 60_000 });
  await expect(page.getByTestId('study-turns')).not.toContainText('Looking for');
  // Every figure opens: the lines of a kind add up to what is printed.
  await page.getByRole('button', { name: /^Keep it: People, in all/ }).click();
  await expect(page.getByTestId('figure')).toContainText('Work on owned machines');
  await expect(page.getByRole('region', { name: 'Kinds of cost' })).toContainText('People');
  // Finance plans by quarter: the same sums, and every one opens.
  await page.getByRole('radio', { name: 'by quarter' }).check();
  const quarters = page.getByRole('region', { name: 'Table of quarters' });
  await expect(quarters.getByRole('row')).toHaveCount(1 + 5 * 5 + 1);
  await quarters.getByRole('button').first().click();
  await expect(page.getByTestId('figure')).toContainText('How it adds up');
  // Whoever goes back chooses; nothing is made a second time.
  await page.goBack();
  await expect(page.getByRole('button', { name: 'Make the study of Harbour House' })).toBeEnabled();
});

test('a number typed over changes the answer at once, can be taken back, and is kept', async ({ page }) => {
  await page.goto(`${STUDY}/numbers`);
  const more = page.getByTestId('study-more');
  await expect(more).toContainText('98');
  const before = await more.textContent();
  await page.getByLabel('Find an assumption').fill('work owned');
  await page.getByRole('row', { name: /Work on an owned machine/ }).click();
  await page.getByRole('textbox', { name: 'Likely' }).fill('1.9');
  await expect(more).not.toHaveText(before!);
  await page.getByRole('textbox', { name: 'Likely' }).press('Enter');
  await expect(page.getByTestId('saved')).toContainText('revision');
  await page.goto(STUDY);
  await expect(page.getByTestId('study-sentence')).toContainText(/Renting costs .+ less over five years/);
  await page.goto(`${STUDY}/numbers`);
  await expect(page.getByRole('row', { name: /Work on an owned machine/ })).toContainText('1.9');
});

test('a study goes back to an earlier state, and leaves the house as files', async ({ page }) => {
  await page.goto(STUDY);
  await page.getByRole('combobox', { name: 'For', exact: true }).selectOption('7');
  await expect(page.getByTestId('study-sentence')).toContainText('over seven years');
  await expect(page.getByTestId('saved')).toContainText('revision');
  await page.getByRole('button', { name: 'Earlier states' }).click();
  await page.getByRole('button', { name: 'Back to revision 0' }).click();
  await expect(page.getByTestId('study-sentence')).toContainText('over five years');
  await page.getByRole('link', { name: 'Report' }).click();
  await expect(page.getByRole('article')).toContainText('P10', { timeout: 60_000 });
  for (const form of ['XLSX', 'PDF', 'Markdown']) {
    await page.getByRole('button', { name: 'Export' }).click();
    const download = page.waitForEvent('download', { timeout: 90_000 });
    await page.getByRole('menuitem', { name: new RegExp(`^${form}`) }).click();
    expect((await download).suggestedFilename()).toMatch(/^harbour-house/);
  }
});

test('a wrong number is refused at its field, and changes nothing', async ({ page }) => {
  await page.goto(`${STUDY}/numbers`);
  await page.getByLabel('Find an assumption').fill('PUE');
  await page.getByRole('row', { name: /PUE/ }).click();
  const likely = page.getByRole('textbox', { name: 'Likely' });
  await likely.fill('0.8');
  await expect(page.getByRole('alert').filter({ hasText: 'Not below 1.' })).toBeVisible();
  await likely.press('Escape');
  await expect(likely).toHaveValue('1.6');
});

test('judgements are set to neutral in one act, and the move goes a month later by a key', async ({
  page,
}) => {
  await page.goto(`${STUDY}/hangs-on`);
  await expect(page.getByTestId('leanings')).toContainText('favours renting by');
  await page.getByRole('button', { name: 'Set all to neutral' }).click();
  await expect(page.getByTestId('leanings')).toContainText('favours nobody');
  await page.getByRole('link', { name: 'The move' }).click();
  const wave = page.getByRole('slider', { name: 'Wave Live systems' });
  await expect(wave).toHaveAttribute('aria-valuenow', '5');
  await wave.focus();
  await wave.press('ArrowRight');
  await expect(wave).toHaveAttribute('aria-valuenow', '6');
  await wave.press('Shift+ArrowRight');
  await expect(wave).toHaveAttribute('aria-valuetext', /within 7 months/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(wave).toHaveAttribute('aria-valuenow', '5');
});

test('a bar of the move is dragged, whole and by its edges', async ({ page }) => {
  await page.goto(`${STUDY}/move`);
  const wave = page.getByRole('slider', { name: 'Wave Live systems' });
  await expect(wave).toHaveAttribute('aria-valuenow', '5');
  const later = page.getByTestId('beside');
  const before = await later.textContent();
  const drag = async (from: { x: number; y: number }, months: number): Promise<void> => {
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x + months * 13, from.y, { steps: 4 });
    await page.mouse.move(from.x + months * 26, from.y, { steps: 4 });
    await page.mouse.up();
  };
  const bar = (await wave.boundingBox())!;
  await drag({ x: bar.x + 20, y: bar.y + 12 }, 2);
  await expect(wave).toHaveAttribute('aria-valuenow', '7');
  const edge = (await wave.locator('xpath=..').locator('[data-testid$="/beside"]').boundingBox())!;
  await drag({ x: edge.x + 4, y: edge.y + 12 }, 1);
  await expect(wave).toHaveAttribute('aria-valuenow', '7');
  await expect(later).not.toHaveText(before!);
  // Once for each drag, however far it went.
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(wave).toHaveAttribute('aria-valuenow', '5');
  await expect(later).toHaveText(before!);
});

test('a stranger with a link reads the report, takes it along, and nothing else', async ({
  page,
  browser,
  baseURL,
}) => {
  await page.goto(`${STUDY}/report`);
  const said = await page
    .getByRole('article')
    .getByText(/^Renting costs/)
    .first()
    .textContent({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Links …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Read-only links' });
  await dialog.getByRole('button', { name: 'Make a link' }).click();
  const address = await dialog.getByRole('status').getByRole('link').getAttribute('href');
  const strange = await browser.newContext({ baseURL });
  const stranger = await strange.newPage();
  await stranger.goto(address!);
  const article = stranger.getByRole('article');
  await expect(article).toContainText('P10', { timeout: 60_000 });
  await expect(article).toContainText(said!.slice(0, 40));
  await expect(stranger.getByRole('navigation')).toHaveCount(0);
  await stranger.getByRole('button', { name: 'Export' }).click();
  const download = stranger.waitForEvent('download', { timeout: 90_000 });
  await stranger.getByRole('menuitem', { name: 'PDF' }).click();
  expect((await download).suggestedFilename()).toMatch(/^harbour-house.*pdf$/);
  await dialog.getByRole('button', { name: 'Withdraw' }).click();
  await expect(dialog.getByRole('list', { name: 'Links' })).toContainText('withdrawn');
  expect((await stranger.goto(address!))!.status()).toBe(404);
  await strange.close();
});

test('variants stand side by side, and the report says the same as the screen', async ({ page }) => {
  await page.goto(`${STUDY}/variants`);
  const table = page.getByRole('region', { name: 'Table of variants' });
  await expect(table).toContainText('Only the test systems');
  await page.getByRole('button', { name: /^Norvane, committed/ }).click();
  await page.getByRole('button', { name: 'Hold it against' }).click();
  await page.getByRole('link', { name: 'Answer' }).click();
  const sentence = page.getByTestId('study-sentence');
  await expect(sentence).toContainText('P10', { timeout: 60_000 });
  const said = await sentence.textContent();
  await page.getByRole('link', { name: 'Report' }).click();
  await expect(page.getByRole('article')).toContainText(said!, { timeout: 60_000 });
});
