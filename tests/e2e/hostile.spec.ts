/** The running application, asked what no browser of a friend would ask: each is answered, none as a fault of ours. */
import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS } from '../../playwright.config';
import { CHROMIUM } from '../../scripts/lib/debian';
import { attack, otherSite, witness } from '../faults/other-site';
import { tryRequests } from '../faults/requests';
import { BOOKING, expect, test } from './screen';

test.setTimeout(240_000);

test('hundreds of hostile requests are each refused or answered, and the application is well after', async ({
  application,
  page,
}) => {
  const counts = await tryRequests(application);
  expect(counts.bad).toEqual([]);
  expect(counts.tried).toBeGreaterThan(500);
  expect(counts.refused).toBeGreaterThan(300);
  await page.goto('/designs');
  await expect(page.getByRole('grid')).toBeVisible();
});

test('a foreign name that leads here reads nothing', async ({ application }) => {
  const { port } = new URL(application);
  const answer = await fetch(`${application}/api/designs`, {
    headers: { 'x-forwarded-host': 'evil.example' },
  });
  expect(answer.status).toBe(200);
  // A browser that was told that evil.example is this machine sends its name.
  const { request } = await import('node:http');
  const status = await new Promise((resolve) => {
    request(
      { host: '127.0.0.1', port, path: '/api/designs', headers: { host: `evil.example:${port}` } },
      (response) => resolve(response.statusCode),
    ).end();
  });
  expect(status).toBe(421);
  const data = await fetch(`${application}/api/designs`);
  expect(data.headers.get('content-security-policy')).toContain("default-src 'none'");
  expect(data.headers.get('x-robots-tag')).toContain('noindex');
  expect(data.headers.get('x-content-type-options')).toBe('nosniff');
});

test('pages of another site read nothing and change nothing', async ({ application, page, browser }) => {
  const { port, seen, close } = await witness(application);
  const other = await otherSite();
  const design = BOOKING.split('/').at(-1)!;
  // A page of its own: what its browser complains of is what it should.
  const strange = await browser.newPage();
  await strange.goto(other.address);
  const read = await strange.evaluate(attack, { at: `http://127.0.0.1:${port}`, design });
  expect(read).toEqual([]);
  // The browser withholds some by itself, or asks first (OPTIONS); what came through was refused.
  expect(seen.length).toBeGreaterThan(12);
  expect(seen.filter(({ method, status }) => method !== 'OPTIONS' && status !== 403)).toEqual([]);
  expect(await (await page.request.get('/api/designs')).text()).not.toContain('Foreign');
  expect((await page.request.get(BOOKING)).status()).toBe(200);
  await strange.close();
  other.close();
  close();
});

test('a name of theirs that is made to lead here shows and changes nothing', async ({ application }) => {
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [...CHROMIUM_ARGS, '--host-resolver-rules=MAP evil.example 127.0.0.1'],
  });
  const { port } = new URL(application);
  const page = await browser.newPage();
  const first = await page.goto(`http://evil.example:${port}/designs`);
  expect(first!.status()).toBe(421);
  expect(await page.content()).not.toContain('Booking');
  // To the browser the page and the data are one site now: only the name tells.
  const answers = await page.evaluate(async () => {
    const asked = [
      fetch('/api/designs'),
      fetch('/api/designs', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: '{"title":"Foreign"}',
      }),
      fetch('/api/books/import/00000000-0000-4000-8000-000000000999', { method: 'PUT', body: 'x' }),
    ];
    return (await Promise.all(asked)).map(({ status }) => status);
  });
  expect(answers).toEqual([421, 421, 421]);
  await browser.close();
});
