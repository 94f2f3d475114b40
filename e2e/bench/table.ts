import { launch } from '../browser.ts';
import { median, type Result } from './result.ts';
import { deskTasks, sum, traced } from './tasks.ts';

const LIMIT_MS = 50;
const ROUNDS = 3;
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
    await scroll();
    const rounds: { longest: number; tasks: number }[] = [];
    while (rounds.length < ROUNDS) {
      await page.waitForTimeout(500);
      const tasks = deskTasks(await traced(browser, page, scroll), 50);
      rounds.push({ longest: Math.max(...tasks), tasks: tasks.length });
    }
    const longest = median(rounds.map((one) => one.longest));
    return [{ name: `longest task while ${ROWS} rows are scrolled (${ROUNDS} rounds, ${sum(rounds.map((one) => one.tasks))} tasks)`, median: longest, unit: 'ms of processor time', reference: 'the limit', referenceMedian: LIMIT_MS, ratio: longest / LIMIT_MS, bound: 'none over 50 ms', holds: longest <= LIMIT_MS }];
  } finally {
    await browser.close();
  }
}
