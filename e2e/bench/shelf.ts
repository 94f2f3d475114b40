import { launch } from '../browser.ts';
import type { Result } from './result.ts';
import { longestTask } from './tasks.ts';

/**
 * The longest task of the desk's main thread while the shelf of families is narrowed: typed into, kinds pressed,
 * sliders moved. Median of three rounds.
 */
export async function benchShelf(link: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
    await page.goto(link);
    await page
      .getByRole('button', { name: /places$/ })
      .first()
      .waitFor();
    await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Type' }).click();
    await page.getByRole('button', { name: /^Headings/ }).click();
    const narrow = async () => {
      await page.getByRole('searchbox').pressSequentially('sans', { delay: 60 });
      await page.getByRole('searchbox').fill('');
      for (const kind of ['serif', 'sans', 'mono', 'display']) {
        await page.getByRole('group', { name: 'Kinds' }).getByRole('button', { name: kind, exact: true }).click();
        await page.waitForTimeout(120);
      }
      for (const kind of ['serif', 'sans', 'mono', 'display'])
        await page.getByRole('group', { name: 'Kinds' }).getByRole('button', { name: kind, exact: true }).click();
      await page.getByLabel(/Min. x-height/).focus();
      for (let i = 0; i < 12; i++) await page.keyboard.press(i < 6 ? 'ArrowRight' : 'ArrowLeft');
    };
    await page.waitForTimeout(5000);
    return [await longestTask(browser, page, 'families are narrowed', 50, narrow)];
  } finally {
    await browser.close();
  }
}
