/** The running application, asked what no browser of a friend would ask: each is answered, none as a fault of ours. */
import { tryRequests } from '../faults/requests';
import { expect, test } from './screen';

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
});

test('pages of another site get no data and change nothing', async ({ application, page }) => {
  await page.goto('about:blank');
  const picture = page.waitForResponse((response) => response.url().includes('/report?form=pdf'));
  await page.evaluate(async (base) => {
    const image = new Image();
    image.src = `${base}/api/designs/00000000-0000-4000-8000-000000000101/report?form=pdf`;
    const sent = { method: 'POST', mode: 'no-cors', body: '{"title":"Foreign"}' } as const;
    await fetch(`${base}/api/designs`, sent).catch(() => null);
  }, application);
  expect((await picture).status()).toBe(403);
  expect(await (await page.request.get('/api/designs')).text()).not.toContain('Foreign');
});
