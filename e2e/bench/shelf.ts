import { launch } from '../browser.ts';
import { median, type Result } from './result.ts';
import { deskTasks, sum, traced } from './tasks.ts';

const LIMIT_MS = 50;
const ROUNDS = 3;

/** The longest task of the desk's main thread while the shelf of families is narrowed: typed into, kinds pressed, sliders moved. Median of three rounds. */
export async function benchShelf(link: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
    await page.goto(link);
    await page.getByRole('button', { name: /places$/ }).first().waitFor();
    await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Type' }).click();
    await page.getByRole('button', { name: /^Headings/ }).click();
    const narrow = async () => {
      await page.getByRole('searchbox').pressSequentially('sans', { delay: 60 });
      await page.getByRole('searchbox').fill('');
      for (const kind of ['serif', 'sans', 'mono', 'display']) {
        await page.getByRole('group', { name: 'Kinds' }).getByRole('button', { name: kind, exact: true }).click();
        await page.waitForTimeout(120);
      }
      for (const kind of ['serif', 'sans', 'mono', 'display']) await page.getByRole('group', { name: 'Kinds' }).getByRole('button', { name: kind, exact: true }).click();
      await page.getByLabel(/x-height from/).focus();
      for (let i = 0; i < 12; i++) await page.keyboard.press(i < 6 ? 'ArrowRight' : 'ArrowLeft');
    };
    await page.waitForTimeout(5000);
    await narrow();
    const rounds: { longest: number; tasks: number }[] = [];
    while (rounds.length < ROUNDS) {
      await page.waitForTimeout(1000);
      const tasks = deskTasks(await traced(browser, page, narrow), 50);
      rounds.push({ longest: Math.max(...tasks), tasks: tasks.length });
    }
    const longest = median(rounds.map((one) => one.longest));
    return [{ name: `longest task while families are narrowed (${ROUNDS} rounds, ${sum(rounds.map((one) => one.tasks))} tasks)`, median: longest, unit: 'ms of processor time', reference: 'the limit', referenceMedian: LIMIT_MS, ratio: longest / LIMIT_MS, bound: 'none over 50 ms', holds: longest <= LIMIT_MS }];
  } finally {
    await browser.close();
  }
}
