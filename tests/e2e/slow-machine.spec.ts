/** On a slow machine a part of the page wakes after the worker above it was started: it is drawn as the server drew it. */
import { expect, test } from './screen';

const HARBOUR = '/fleets/00000000-0000-4000-8000-000000000201';

test('machines of a fleet wake without an error of the page, however slowly', async ({ page }) => {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: 8 });
  for (const view of ['', '?under=used', '/matrix']) {
    await page.goto(`${HARBOUR}${view}`);
    await expect(page.getByRole('heading', { name: 'Harbour House' })).toBeVisible();
    await expect(page.getByText('Loading the machines')).toHaveCount(0);
  }
});
