import type { Page } from '@playwright/test';
import { applyChange, changedProperties, parseColor, setSwatchColor, type Site } from '@yohaku/core';
import { launch } from '../browser.ts';
import { openBare, watchBusy } from './bare-page.ts';
import { benchContext, openDesk } from './open-desk.ts';
import { median, type Result } from './result.ts';

/** The two are measured in turns, so that a machine that slows down slows both. */
const ROUNDS = 9;
/** Steps of a round; the first of them warm it up and are not counted. */
const STEPS = 14;
const WARM = 4;
/**
 * Animation frames that every step is given on either page, and then a while without: the same for both, and more than
 * the wall needs, its pages out of sight among it.
 */
const WINDOW = 8;
const REST_MS = 250;

/** One slider step over the demo's wall, against a bare page that only sets the same properties in the same frames. */
export async function benchRestyle(site: Site, address: string, link: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const context = await benchContext(browser);
    const desk = await openDesk(await context.newPage(), link, 'Colour');
    const onDesk = await prepareDesk(desk);
    const onBare = await prepareBare(await openBare(await context.newPage(), site, address), site);
    const onOne = await prepareBare(
      await openBare(await context.newPage(), site, address, site.pageOrder.slice(0, 1), [1280]),
      site,
    );
    const rounds: { ours: Measured[]; bare: Measured[]; single: Measured[] } = { ours: [], bare: [], single: [] };
    for (let i = 0; i < ROUNDS; i++) {
      rounds.ours.push(await onDesk());
      rounds.bare.push(await onBare());
      rounds.single.push(await onOne());
    }
    const [ours, bare, entry] = [rounds.ours, rounds.bare, rounds.single].map(summed) as [Sum, Sum, Sum];
    // The ratio of each round and its reference, and of these the median.
    const ratio = (part: 'busy' | 'nearest', reference: readonly Measured[]) =>
      median(rounds.ours.map((round, i) => median(round[part]) / median(reference[i]![part])));
    const whole = ratio('busy', rounds.bare);
    const first = ratio('nearest', rounds.single);
    return [
      {
        name: 'restyle, total busy time',
        median: ours.busy,
        unit: 'ms',
        reference: 'a bare page setting the same properties',
        referenceMedian: bare.busy,
        ratio: whole,
        bound: 'at most 1.25 times',
        holds: whole <= 1.25,
      },
      {
        name: 'restyle, nearest frame',
        median: ours.nearest,
        unit: 'ms',
        reference: 'that one frame alone',
        referenceMedian: entry.nearest,
        ratio: first,
        bound: 'at most 1.5 times',
        holds: first <= 1.5,
      },
    ];
  } finally {
    await browser.close();
  }
}

/** One round: busy time and time to the nearest frame of every step that counts, in ms. */
interface Measured {
  readonly busy: readonly number[];
  readonly nearest: readonly number[];
}
interface Sum {
  readonly busy: number;
  readonly nearest: number;
}

const summed = (rounds: readonly Measured[]): Sum => ({
  busy: median(rounds.flatMap((entry) => entry.busy)),
  nearest: median(rounds.flatMap((entry) => entry.nearest)),
});

/** Runs the steps of a round on a page brought to the front. */
async function round(page: Page, busy: () => Promise<number>, step: (i: number) => Promise<number>): Promise<Measured> {
  await page.bringToFront();
  await page.waitForTimeout(300);
  const busyTimes: number[] = [];
  const nearest: number[] = [];
  for (let i = 0; i < STEPS; i++) {
    const before = await busy();
    nearest.push(await step(i));
    busyTimes.push((await busy()) - before);
  }
  return { busy: busyTimes.slice(WARM), nearest: nearest.slice(WARM) };
}

async function prepareDesk(page: Page): Promise<() => Promise<Measured>> {
  await page
    .getByRole('region', { name: 'Palette' })
    .getByRole('button', { name: /^Funnel/ })
    .click();
  await page.getByRole('button', { name: 'All pages' }).click();
  await page.getByLabel('Lightness', { exact: true }).blur();
  await page.waitForTimeout(4000);
  const busy = await watchBusy(page);
  return () =>
    round(page, busy, (i) =>
      page.evaluate(
        async ([value, frameCount, rest]) => {
          const slider = document.querySelector('.lightness .ant-slider')!;
          const box = slider.getBoundingClientRect();
          const frames = [...document.querySelectorAll<HTMLIFrameElement>('main iframe')].map(
            (frame) => frame.contentDocument!.body,
          );
          const value1 = (root: HTMLElement) => root.style.getPropertyValue('--color-core-funnel');
          const old = frames.map(value1);
          const frame = () => new Promise<number>((resolve) => requestAnimationFrame(resolve));
          await frame();
          const began = performance.now();
          // Pressed anew each time and never let go: a held control.
          slider.dispatchEvent(
            new MouseEvent('mousedown', {
              clientX: box.left + value! * box.width,
              clientY: box.top + box.height / 2,
              bubbles: true,
            }),
          );
          let passed = 0;
          const next = () => {
            passed++;
            return frame();
          };
          while (value1(frames[0]!) === old[0]) await next();
          frames[0]!.getBoundingClientRect();
          await next();
          const first = performance.now() - began;
          while (passed < frameCount!) await next();
          await new Promise((resolve) => setTimeout(resolve, rest));
          if (frames.some((root, at) => value1(root) === old[at]))
            throw new Error('the wall was not repainted within the frames given');
          for (const root of frames) root.getBoundingClientRect();
          await frame();
          await frame();
          return first;
        },
        [0.5 + (i % 12) * 0.01, WINDOW, REST_MS],
      ),
    );
}

async function prepareBare(page: Page, site: Site): Promise<() => Promise<Measured>> {
  const busy = await watchBusy(page);
  return () =>
    round(page, busy, (i) => {
      const changed = changedProperties(
        site.brand,
        applyChange(site, setSwatchColor(site, 'funnel', parseColor(`oklch(${50 + (i % 12)}% 0.1671 33.9)`)!)).site
          .brand,
      );
      return page.evaluate(
        async ([properties, frameCount, rest]) => {
          const frame = () => new Promise<number>((resolve) => requestAnimationFrame(resolve));
          const roots = [...document.querySelectorAll('iframe')].map((entry) => entry.contentDocument!.documentElement);
          await frame();
          const began = performance.now();
          for (const root of roots) for (const [name, value] of properties) root.style.setProperty(name, value ?? '');
          roots[0]!.getBoundingClientRect();
          await frame();
          const first = performance.now() - began;
          for (let passed = 1; passed < frameCount; passed++) await frame();
          await new Promise((resolve) => setTimeout(resolve, rest));
          for (const root of roots) root.getBoundingClientRect();
          await frame();
          await frame();
          return first;
        },
        [[...changed], WINDOW, REST_MS] as const,
      );
    });
}
