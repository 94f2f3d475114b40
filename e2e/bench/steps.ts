import type { Page } from '@playwright/test';
import { launch } from '../browser.ts';
import { benchContext } from './open-desk.ts';
import { median, type Result } from './result.ts';

const ROUNDS = 5;
const MOST = 4;
const STEPS = ['Sources', 'Colour', 'Backgrounds', 'Type', 'Buttons', 'Pages', 'Check', 'Publish'];

/** Time in ms from something being done in a page until what it asks for is there and painted. */
async function toPaint(
  page: Page,
  what: { readonly press?: string; readonly back?: boolean; readonly until: string },
): Promise<number> {
  return page.evaluate(
    ({ press, back, until }) =>
      new Promise<number>((done, fail) => {
        const began = performance.now();
        const late = setTimeout(() => fail(new Error(`${until} never came`)), 20_000);
        const look = () => {
          if (!document.querySelector(until)) return void requestAnimationFrame(look);
          // A message after the next frame comes when that frame is painted.
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => {
              clearTimeout(late);
              done(performance.now() - began);
            };
            channel.port2.postMessage(null);
          });
        };
        if (press)
          [...document.querySelectorAll<HTMLElement>('nav[aria-label="Steps"] button')]
            .find((entry) => entry.textContent?.includes(press))!
            .click();
        else if (back) history.back();
        else history.forward();
        look();
      }),
    what,
  );
}

/** Opening a step whose script is there, to its first paint, against going to an empty route of the same app. */
export async function benchSteps(link: string, address: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const page = await (await benchContext(browser)).newPage();
    await page.goto(link);
    await page
      .getByRole('button', { name: /places$/ })
      .first()
      .waitFor({ timeout: 120_000 });
    const PARTS: Record<string, string> = {
      Sources: 'yo-sources',
      Colour: 'yo-colour',
      Backgrounds: 'yo-grounds',
      Type: 'yo-type',
      Buttons: 'yo-build',
      Pages: 'yo-pages',
      Check: 'yo-check',
      Publish: 'yo-publish',
    };
    const open = (step: string) => toPaint(page, { press: step, until: PARTS[step]! });
    for (const step of STEPS) await open(step);
    await page.waitForTimeout(4000);
    const opened: number[] = [];
    for (let i = 0; i < ROUNDS; i++)
      for (const step of STEPS) {
        opened.push(await open(step));
        await page.waitForTimeout(400);
      }
    // An empty route, and one with a sentence.
    await page.goto(`${address}/kit/empty`);
    await page.locator('yo-empty').waitFor({ state: 'attached' });
    await page.evaluate(() => {
      history.pushState({}, '', '/sites');
      dispatchEvent(new PopStateEvent('popstate', { state: {} }));
    });
    await page.locator('yo-nowhere').waitFor();
    const empty: number[] = [];
    for (let i = 0; i < ROUNDS * 4; i++) {
      empty.push(await toPaint(page, { back: true, until: 'yo-empty' }));
      empty.push(await toPaint(page, { until: 'yo-nowhere' }));
    }
    const [ours, reference] = [median(opened), median(empty)];
    return [
      {
        name: `opening a step (median of ${opened.length})`,
        median: ours,
        unit: 'ms',
        reference: 'an empty route',
        referenceMedian: reference,
        ratio: ours / reference,
        bound: `at most ${MOST}`,
        holds: ours / reference <= MOST,
      },
    ];
  } finally {
    await browser.close();
  }
}
