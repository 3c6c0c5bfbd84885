/** Change reviews as the people of a change meet them: in the forge, in the review, in the design it came from. */
import fs from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, OURS, saved, test } from './screen';

interface Listed {
  readonly id: string;
  readonly change: string;
}

async function reviewOf(page: Page, change: string): Promise<string> {
  const listed = (await (await page.request.get('/api/reviews', OURS)).json()) as Listed[];
  return `/reviews/${listed.find((each) => each.change === change)!.id}`;
}

const row = (page: Page, words: string) => page.getByRole('row').filter({ hasText: words }).first();

test('a change that doubles the bill is red, is put right, is green, and is merged', async ({ page }) => {
  await page.goto('/reviews/forge');
  await page.getByRole('button', { name: /Ready for summer weekends/ }).click();
  const check = page.getByTestId('check');
  const comment = page.getByRole('region', { name: 'Comment of Wick Tally' });
  await expect(check).toContainText('The check failed');
  await expect(comment).toContainText(/“quarter-more” is broken/);
  await expect(page.getByRole('button', { name: 'Merge', exact: true })).toBeDisabled();
  // The very command runs again, and its comment is brought up to date in its place.
  await page.getByRole('button', { name: 'Run the pipeline' }).click();
  await expect(comment).toContainText('brought up to date 1 time', { timeout: 60_000 });
  await expect(check).toContainText(/The check failed.*more/);
  await page.getByRole('button', { name: 'Push the next commit' }).click();
  await expect(check).toContainText('The check has not run');
  await page.getByRole('button', { name: 'Run the pipeline' }).click();
  await expect(check).toContainText(/The check passed.*All limits are kept/, { timeout: 60_000 });
  await expect(comment).toHaveCount(1);
  await expect(comment).toContainText('brought up to date 2 times');
  await expect(comment).not.toContainText('is broken');
  await page.getByRole('button', { name: 'Merge', exact: true }).click();
  await expect(page.getByText('Merged', { exact: true })).toBeVisible({ timeout: 60_000 });
  // Folded details open, and hold the resources.
  await comment.getByText(/Every resource that changes/).click();
  await expect(comment.getByText(/norvane_server/).first()).toBeVisible();
  await page.goto('/reviews/history?repository=skerrow%2Fbooking');
  await expect(page.getByTestId('history-sentence')).toContainText('3 changes took skerrow/booking');
  await page.getByRole('link', { name: 'Ready for summer weekends' }).click();
  await expect(page.getByTestId('review-difference')).toContainText('+248.51');
  // Both commits are there.
  await page.getByLabel('Commit').selectOption({ index: 1 });
  await expect(page.getByTestId('limits')).toContainText('1 limit is broken');
});

test('a review opens into modules, resources, traces and attributes', async ({ page }) => {
  await page.goto('/reviews');
  await expect(row(page, 'Smaller position workers')).toContainText('−385.72');
  await page.getByLabel('Words in it').fill('hudson');
  await expect(page.getByRole('row')).toHaveCount(2);
  await page.getByRole('grid').press('Enter');
  await expect(page.getByTestId('limits')).toContainText('3 limits are broken');
  await expect(page.getByTestId('review-sentence')).toContainText('Costs 2 015.39 USD a month more');
  const margin = page.getByRole('complementary');
  await page.getByRole('gridcell', { name: 'osmere_instance.tiles[0]' }).click();
  await expect(margin.getByRole('list', { name: 'Steps' })).toBeVisible();
  await expect(margin.getByRole('region', { name: 'Attributes' })).toContainText('shape');
  await page.getByRole('button', { name: 'Fold module.hudson' }).click();
  await expect(page.getByRole('gridcell', { name: 'osmere_instance.tiles[0]' })).toHaveCount(0);
  // What the same change costs otherwise is a column.
  await page.getByRole('button', { name: 'What if' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Heavy case' }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('columnheader', { name: 'Heavy case' })).toBeVisible();
  await page.getByRole('button', { name: 'Take the column “Heavy case” away' }).click();
  await expect(page.getByRole('columnheader', { name: 'Heavy case' })).toHaveCount(0);
});

test('use that no plan knows is said on the screen, saved, and taken back', async ({ page }) => {
  await page.goto(await reviewOf(page, '43'));
  const difference = page.getByTestId('review-difference');
  await expect(difference).toContainText('+73.56');
  await page.getByRole('gridcell', { name: 'norvane_stream.changes' }).click();
  const missing = page.getByRole('region', { name: 'Missing use' });
  await missing.getByLabel(/Sent in/).fill('much');
  await missing.getByRole('button', { name: 'Say it' }).first().click();
  await expect(missing.getByRole('alert')).toBeVisible();
  await missing.getByLabel(/Sent in/).fill('100..300 GB');
  await missing.getByLabel(/Sent in/).press('Enter');
  await expect(difference).not.toContainText('+73.56');
  await expect(difference).toContainText('+107.37');
  await saved(page);
  await page.reload();
  await expect(difference).toContainText('+107.37');
  await page.getByRole('link', { name: 'What is kept' }).click();
  const profile = page.getByRole('region', { name: 'Load profile' });
  await expect(profile).toContainText('module.report.norvane_stream.changes');
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(difference).not.toContainText('+107.37');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(difference).toContainText('+107.37');
  await saved(page);
});

test('a change moves the design it came from, is taken over, and taken back', async ({ page }) => {
  await page.goto(`${await reviewOf(page, '41')}/design`);
  const designs = page.getByLabel(/Design that skerrow\/booking comes from/);
  await designs.selectOption({ label: 'Booking and check-in' });
  await expect(page.getByTestId('effect')).toContainText('moves nothing');
  await page.goto(`${await reviewOf(page, '34')}/design`);
  await expect(designs).toHaveValue(/101$/);
  await page
    .getByLabel('module.data.norvane_database.bookings in the design')
    .selectOption({ label: 'a new line' });
  const effect = page.getByTestId('effect');
  await expect(effect).toContainText(/moves “Booking and check-in” by/);
  const before = await effect.innerText();
  const was = /month:\s(.+)\sbecomes\s(.+)\.$/.exec(before.trim())!;
  await page.getByRole('button', { name: 'Take it over into the design' }).click();
  await expect(page.getByText('has taken the change over')).toBeVisible();
  await expect(effect).toContainText('moves nothing');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(effect).toContainText(`${was[1]} becomes ${was[2]}`);
});

test('a plan by hand is read in the browser: only its extract leaves it', async ({ page }) => {
  const CANARY = 'CANARY-e2e-77aa';
  const sent: string[] = [];
  page.on('request', (request) => sent.push(`${request.url()} ${request.postData() ?? ''}`));
  const plan = {
    format_version: '1.2',
    resource_changes: [
      {
        address: 'norvane_server.quay',
        mode: 'managed',
        type: 'norvane_server',
        name: 'quay',
        provider_name: 'registry.example/skerrow/norvane',
        change: {
          actions: ['create'],
          before: null,
          after: { size: 'bal-4-16', start_script: CANARY, password: CANARY },
          after_unknown: {},
          after_sensitive: { password: true },
        },
      },
    ],
    configuration: {
      provider_config: {
        norvane: { name: 'norvane', expressions: { region: { constant_value: 'severn-1' } } },
      },
      root_module: {},
    },
  };
  await page.goto('/reviews/new');
  const choose = page.getByLabel('Choose a plan', { exact: true });
  await choose.setInputFiles({
    name: 'bad.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"a":'),
  });
  await expect(page.getByRole('dialog')).toContainText('“bad.json” was refused');
  await page.getByRole('button', { name: 'Close' }).click();
  await page
    .getByLabel(/^Choose a/)
    .first()
    .setInputFiles({
      name: 'quay.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(plan)),
    });
  await expect(page.getByTestId('plan-read')).toContainText('1 resource, read');
  await page.getByRole('button', { name: 'norvane_server' }).click();
  await expect(page.getByRole('region', { name: 'Resources of norvane_server' })).toContainText('severn-1');
  await page.getByLabel('Title').fill('A server by hand');
  await page.getByRole('button', { name: 'Keep and open it' }).click();
  await expect(page.getByTestId('review-difference')).toContainText('+');
  await page.getByRole('link', { name: 'What is kept' }).click();
  await expect(page.getByText('norvane_server.quay')).toBeVisible();
  expect(sent.length).toBeGreaterThan(5);
  expect(sent.join('\n')).toContain('norvane_server.quay');
  expect(sent.join('\n')).not.toContain(CANARY);
  // Nor what the pipelines of the demo read is in the application's log.
  const log = fs.readFileSync(process.env.WICK_LOG!, 'utf8');
  for (const secret of [CANARY, 'SECRET-START-73c1', 'SECRET-PASSWORD-91fe'])
    expect(log).not.toContain(secret);
});

test('a type without a rule gets one from a draft that a person finishes', async ({ page }) => {
  await page.goto('/reviews/maps');
  const plan = {
    format_version: '1.0',
    resource_changes: [
      {
        address: 'norvane_lighthouse.board',
        mode: 'managed',
        type: 'norvane_lighthouse',
        name: 'board',
        provider_name: 'registry.example/skerrow/norvane',
        change: { actions: ['create'], before: null, after: { lamp: 'bright' }, after_unknown: {} },
      },
    ],
  };
  await page.getByLabel('Choose a plan').setInputFiles({
    ...{ name: 'lamp.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(plan)) },
  });
  await expect(row(page, 'norvane_lighthouse')).toContainText('no rule');
  await page.getByRole('button', { name: 'Draft rules for what has none' }).click();
  const text = page.getByLabel('Its rules, as YAML', { exact: true });
  await expect(text).toHaveValue(/lamp: text/);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  // A draft is refused until somebody says what it is.
  await expect(page.getByRole('alert').filter({ hasText: 'line' })).toBeVisible();
  const finished = `wick: resource-map
version: 1
title: Ours
providers: {}
rules:
  - { type: norvane_lighthouse, free: The harbour pays for its lights. }
`;
  await text.fill(finished);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(row(page, 'norvane_lighthouse')).toContainText('free: The harbour pays');
  await expect(row(page, 'the team’s own')).toContainText('Ours');
});

test('settings make and withdraw tokens, and hold the limits of the team', async ({ page }) => {
  await page.goto('/settings');
  await page.getByLabel('What it is for').fill('Pipeline of the quay');
  await page.getByRole('button', { name: 'Make a token' }).click();
  const token = await page.getByTestId('token').innerText();
  expect(token).toMatch(/^wick_.{32}$/);
  const ask = () =>
    page.request.post('/api/v1/reviews', { data: {}, headers: { authorization: `Bearer ${token}` } });
  expect((await ask()).status()).toBe(422);
  await page.reload();
  await expect(row(page, 'Pipeline of the quay')).toContainText('today');
  await expect(page.getByText(token)).toHaveCount(0);
  await page.getByRole('button', { name: 'Withdraw Pipeline of the quay' }).click();
  await expect(row(page, 'Pipeline of the quay')).toContainText('withdrawn');
  expect((await ask()).status()).toBe(401);
  const limits = page.getByLabel('Limits, as YAML', { exact: true });
  await limits.fill('wick: limits\nversion: 1\nlimits:\n  - { id: month, most: { moon: 1 } }\n');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'line 4' })).toBeVisible();
  await limits.fill(
    'wick: limits\nversion: 1\nlimits:\n  - { id: month, level: warn, most: { total: 10 } }\n',
  );
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The limits were saved')).toBeVisible();
  await page.goto(await reviewOf(page, '13'));
  await expect(page.getByTestId('limits')).toContainText('1 to be warned of');
});
