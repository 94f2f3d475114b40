import { launch } from '../browser.ts';
import type { Result } from './result.ts';
import { longestTask } from './tasks.ts';

const ROWS = 10_000;

/** The longest task of the main thread while a table of many rows is scrolled from end to end, sorted and narrowed. Median of three rounds. */
export async function benchTable(link: string, address: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 1240 }, reducedMotion: 'reduce' });
    await page.goto(link);
    await page.goto(`${address}/kit?rows=${ROWS}`);
    const port = page.locator('yo-table cdk-virtual-scroll-viewport');
    await port.hover();
    const scroll = async () => {
      for (let i = 0; i < 40; i++) {
        await page.mouse.wheel(0, i < 20 ? 2800 : -2800);
        await page.waitForTimeout(40);
      }
      await port.evaluate((element) => { element.scrollTop = element.scrollHeight; });
      await page.waitForTimeout(120);
      await port.evaluate((element) => { element.scrollTop = 0; });
      await page.waitForTimeout(120);
    };
    return [await longestTask(browser, page, `${ROWS} rows are scrolled`, 50, scroll)];
  } finally {
    await browser.close();
  }
}
