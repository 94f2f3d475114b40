import type { Locator, Page } from '@playwright/test';
import type { Site } from '@yohaku/core';
import { launch } from '../browser.ts';
import { withItems } from './items.ts';
import { benchContext, openDesk } from './open-desk.ts';
import type { Result } from './result.ts';
import { longestTask } from './tasks.ts';
import { withSite } from './with-server.ts';

const ROWS = 10_000;

/** Scrolls a list by the wheel and then to either end at once. */
const scrolling = (page: Page, port: Locator) => async (): Promise<void> => {
  for (let i = 0; i < 40; i++) {
    await page.mouse.wheel(0, i < 20 ? 2800 : -2800);
    await page.waitForTimeout(40);
  }
  await port.evaluate((element) => {
    element.scrollTop = element.scrollHeight;
  });
  await page.waitForTimeout(120);
  await port.evaluate((element) => {
    element.scrollTop = 0;
  });
  await page.waitForTimeout(120);
};

/**
 * The longest task of the main thread while a table of many rows is scrolled from end to end, sorted and narrowed.
 * Median of three rounds.
 */
export async function benchTable(link: string, address: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 1240 }, reducedMotion: 'reduce' });
    await page.goto(link);
    await page.goto(`${address}/kit?rows=${ROWS}`);
    const port = page.locator('yo-table cdk-virtual-scroll-viewport');
    await port.hover();
    const scroll = scrolling(page, port);
    return [await longestTask(browser, page, `${ROWS} rows are scrolled`, 50, scroll)];
  } finally {
    await browser.close();
  }
}

/**
 * The longest task of the main thread while the table of a collection of many items is scrolled, and while it is
 * narrowed letter by letter, by kind, and sorted. Medians of three rounds.
 */
export const benchItemsTable = (site: Site): Promise<Result[]> =>
  withSite(withItems(site, ROWS), async (server) => {
    const browser = await launch();
    try {
      const page = await openDesk(await (await benchContext(browser)).newPage(), await server.link(), 'Pages');
      await page.getByRole('button', { name: 'Collections' }).click();
      await page.getByLabel('Collection', { exact: true }).focus();
      await page.keyboard.press('Enter');
      await page.keyboard.type('Soundings');
      await page.keyboard.press('Enter');
      const table = page.getByRole('table', { name: 'Items of Soundings' });
      await table.waitFor();
      const port = page.locator('yo-table cdk-virtual-scroll-viewport');
      await port.hover();
      const scroll = scrolling(page, port);
      const narrow = async () => {
        await page.getByLabel('Search items').pressSequentially('number 77', { delay: 60 });
        await table.getByText('number 770,').first().waitFor();
        for (let i = 0; i < 9; i++) await page.getByLabel('Search items').press('Backspace', { delay: 60 });
        for (const name of ['Day', 'Day', 'Day', 'Name', 'Name', 'Name']) {
          await table.getByRole('button', { name, exact: true }).click();
          await page.waitForTimeout(120);
        }
        for (let i = 0; i < 2; i++) {
          await table.getByRole('button', { name: 'Filter by Kind' }).click();
          await page.getByRole('menuitemcheckbox', { name: 'tide' }).click();
          await page.keyboard.press('Escape');
          await page.waitForTimeout(120);
        }
      };
      return [
        await longestTask(browser, page, `${ROWS} items of a collection are scrolled`, 50, scroll),
        await longestTask(browser, page, `${ROWS} items of a collection are narrowed and sorted`, 50, narrow),
      ];
    } finally {
      await browser.close();
    }
  });
