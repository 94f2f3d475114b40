import type { Browser, BrowserContext, Page } from '@playwright/test';
import { show } from '../top-menus.ts';

/** A window as the benches use it. */
export async function benchContext(browser: Browser): Promise<BrowserContext> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
  // The transpiler marks named functions with a helper that pages do not have.
  await context.addInitScript({ content: 'globalThis.__name = (value) => value;' });
  return context;
}

/** The desk at a step, once its places are counted. */
export async function openDesk(page: Page, link: string, step: string): Promise<Page> {
  await page.goto(link);
  await page
    .getByRole('button', { name: /places$/ })
    .first()
    .waitFor();
  await page.getByRole('button', { name: 'No tour' }).click();
  await show(page, 'All');
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: step }).click();
  return page;
}
