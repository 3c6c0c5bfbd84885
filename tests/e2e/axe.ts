/** What axe finds on a screen, in light and in dark: nothing. */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect } from './screen';

/** The details beside the ledger: all that changes where another row is looked at. */
export const DETAILS = 'aside';
/** A list that has opened over the page. */
export const LIST = '[role=listbox]';

/**
 * Everything in the light; names, roles and order are the same in the dark: there only the colours are looked at again, on
 * the page as it is open. `within` is for what has changed on a page that was looked at as a whole.
 */
export async function expectAccessible(page: Page, within?: string): Promise<void> {
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
  await expectNothing(page, within);
  await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' });
  await expectNothing(page, within, ['color-contrast']);
  await page.emulateMedia({ colorScheme: 'light' });
}

async function expectNothing(page: Page, within?: string, rules?: string[]): Promise<void> {
  // One frame, no style sheets of elsewhere: axe needs no page of its own to put its findings together.
  const builder = new AxeBuilder({ page }).setLegacyMode();
  builder.options({
    resultTypes: ['violations'],
    preload: false,
    ...(rules && { runOnly: { type: 'rule', values: rules } }),
  });
  if (within !== undefined) builder.include(within);
  const { violations } = await builder.analyze();
  expect(
    violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`),
    new URL(page.url()).pathname,
  ).toEqual([]);
}
