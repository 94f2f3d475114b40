import type { Page } from '@playwright/test';
import { RANGES, applyChange, changedProperties, setValue, type Site } from '@yohaku/core';
import { launch } from '../browser.ts';
import { openBare, watchBusy } from './bare-page.ts';
import { benchContext, openDesk } from './open-desk.ts';
import { median, type Result } from './result.ts';

/** Rounds in turns, so that a machine that slows down slows all; the first is for warmth. */
const ROUNDS = 6;
/** Moves of the pointer in one pull, one an animation frame. */
const MOVES = 16;
/** How far a move pulls: one step of the value. */
const STEP_PX = 4;

/**
 * The cost of one drag: busy time of the main thread from the first move until all pages are laid out, the time to the
 * nearest page of a move, and the time after the last move, ms.
 */
interface Pull {
  readonly busy: number;
  readonly nearest: number;
  readonly settle: number;
}

/**
 * A value pulled by its name on the desk, and what a bare page would set for each of its steps: the very same values.
 */
interface Held {
  readonly name: string;
  readonly open: (page: Page) => Promise<void>;
  readonly label: string;
  readonly property: string;
  readonly address: (site: Site) => { at: string[]; from: number; step: number };
}

const EDITS: readonly Held[] = [
  {
    name: 'size',
    label: 'Wide: text size',
    property: '--scale-base',
    open: async () => undefined,
    address: (site) => ({
      at: ['brand', 'scale', 'large', 'base'],
      from: site.brand.scale.large.base,
      step: RANGES.scaleBase.step,
    }),
  },
  {
    name: 'spacing',
    label: 'Above',
    property: '--text-body-space-above',
    open: async (page) => page.getByRole('button', { name: /^Body, / }).click(),
    address: (site) => ({
      at: ['brand', 'styles', 'body', 'spaceAbove'],
      from: site.brand.styles['body']!.spaceAbove,
      step: RANGES.space.step,
    }),
  },
];

/**
 * A size and a spacing held and pulled over the demo's wall, against a bare page that lays the same frames out for
 * every move.
 */
export async function benchHeld(site: Site, address: string, link: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const context = await benchContext(browser);
    const desk = await openDesk(await context.newPage(), link, 'Type');
    await desk.getByRole('button', { name: 'All pages' }).click();
    const bare = await openBare(await context.newPage(), site, address);
    const entry = await openBare(await context.newPage(), site, address, site.pageOrder.slice(0, 1), [1280]);
    const busy = new Map(
      await Promise.all([desk, bare, entry].map(async (page) => [page, await watchBusy(page)] as const)),
    );
    for (const page of busy.keys()) await lendHand(page);
    const results: Result[] = [];
    for (const edit of EDITS) {
      const rounds: { desk: Pull; bare: Pull; single: Pull }[] = [];
      await desk.bringToFront();
      await edit.open(desk);
      for (let i = 0; i < ROUNDS; i++) {
        const direction = i % 2 === 0 ? 1 : -1;
        rounds.push({
          desk: await pullDesk(desk, busy.get(desk)!, edit, direction),
          bare: await pullBare(bare, busy.get(bare)!, site, edit, direction),
          single: await pullBare(entry, busy.get(entry)!, site, edit, direction),
        });
      }
      const counted = rounds.slice(1);
      const result = (
        name: string,
        of: (pull: Pull) => number,
        reference: 'bare' | 'single',
        said: string,
        bound: number,
      ): Result => {
        const ratio = median(counted.map((round) => of(round.desk) / of(round[reference])));
        return {
          name: `held ${edit.name}, ${name}`,
          median: median(counted.map((round) => of(round.desk))),
          unit: 'ms',
          reference: said,
          referenceMedian: median(counted.map((round) => of(round[reference]))),
          ratio,
          bound: `at most ${bound} times`,
          holds: ratio <= bound,
        };
      };
      results.push(
        result(
          `total busy time of ${MOVES} moves`,
          (pull) => pull.busy,
          'bare',
          'a bare page laying out the same frames',
          1.25,
        ),
        result('nearest frame', (pull) => pull.nearest, 'single', 'that one frame alone', 1.5),
        result(
          'settled after the last move',
          (pull) => pull.settle,
          'bare',
          'a bare page laying out the same frames',
          1.5,
        ),
      );
    }
    return results;
  } finally {
    await browser.close();
  }
}

/**
 * A hand on a page: moves the pointer with every animation frame, before whatever else the page does in it, as the
 * browser hands out real moves.
 */
async function lendHand(page: Page): Promise<void> {
  await page.evaluate(() => {
    (globalThis as { hand?: Hand }).hand = (x, y, moves, step) =>
      new Promise((resolve, reject) => {
        const target = document.elementFromPoint(x, y) ?? document.body;
        const times: number[] = [];
        let at = 0;
        let end: (() => void) | undefined;
        const next = () => {
          end?.();
          if (at === moves) return resolve(times);
          // Asked for first, so that it comes first again.
          requestAnimationFrame(next);
          const began = performance.now();
          // Painted when the browser gets to the next frame: it shows no more of them than the screen does.
          end = () => times.push(performance.now() - began);
          at++;
          try {
            // One after the other, as browsers do.
            const where = { bubbles: true, buttons: 1, clientX: x + at * step, clientY: y };
            target.dispatchEvent(new PointerEvent('pointermove', { pointerId: 1, ...where }));
            target.dispatchEvent(new MouseEvent('mousemove', where));
          } catch (error) {
            reject(error as Error);
          }
          return undefined;
        };
        requestAnimationFrame(next);
      });
  });
}

/** Moves from a point on, so many px a step; resolves to the ms from each move until it was painted. */
type Hand = (x: number, y: number, moves: number, step: number) => Promise<number[]>;

/** Pulls the hand over a page; the times of all moves. */
async function pull(page: Page, x: number, y: number, direction: number): Promise<number[]> {
  return page.evaluate(
    ([fromX, fromY, moves, step]) => (globalThis as { hand?: Hand }).hand!(fromX, fromY, moves, step),
    [x, y, MOVES, STEP_PX * direction] as const,
  );
}

async function pullDesk(page: Page, busy: () => Promise<number>, edit: Held, direction: number): Promise<Pull> {
  await page.bringToFront();
  await page.waitForTimeout(2500);
  const box = await page.locator('label', { hasText: new RegExp(`^${edit.label}$`) }).boundingBox();
  if (!box) throw new Error(`the desk has no “${edit.label}” to pull`);
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  // Listened for before anything moves: a busy page may hear of the hand letting go before it hears of us.
  await page.evaluate((property) => {
    const roots = [...document.querySelectorAll<HTMLIFrameElement>('main iframe')].map(
      (frame) => frame.contentDocument!.body,
    );
    const state = globalThis as { settled?: Promise<number>; late?: number };
    state.late = 0;
    let old = roots[0]!.style.getPropertyValue(property);
    const given = () => {
      const now = roots[0]!.style.getPropertyValue(property);
      if (now === old) state.late!++;
      old = now;
    };
    addEventListener('mousemove', given);
    state.settled = new Promise<number>((resolve, reject) => {
      addEventListener(
        'pointerup',
        (event) => {
          removeEventListener('mousemove', given);
          // When the hand let go, however long the page took to hear of it.
          const began = event.timeStamp;
          setTimeout(() => reject(new Error('the wall was not settled within five seconds')), 5000);
          const check = () => {
            const wanted = roots[0]!.style.getPropertyValue(property);
            if (roots.some((root) => root.style.getPropertyValue(property) !== wanted)) return setTimeout(check, 1);
            for (const root of roots) root.getBoundingClientRect();
            // Behind the frame that shows it.
            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - began)));
            return undefined;
          };
          setTimeout(check, 1);
        },
        { once: true },
      );
    });
  }, edit.property);
  const before = await busy();
  const nearest = await pull(page, x, y, direction);
  await page.mouse.up();
  const { settle, late } = await page.evaluate(async () => {
    const state = globalThis as { settled?: Promise<number>; late?: number };
    return { settle: await state.settled!, late: state.late! };
  });
  if (late > 0)
    throw new Error(`in ${late} of ${MOVES} moves the nearest page was not given the new value within the event`);
  return { busy: (await busy()) - before, nearest: median(nearest), settle };
}

async function pullBare(
  page: Page,
  busy: () => Promise<number>,
  site: Site,
  edit: Held,
  direction: number,
): Promise<Pull> {
  await page.bringToFront();
  await page.waitForTimeout(1200);
  const { at, from, step } = edit.address(site);
  const steps = Array.from({ length: MOVES }, (_, i) => [
    ...changedProperties(
      site.brand,
      applyChange(site, setValue(site, '', at, from + (direction > 0 ? i + 1 : MOVES - i) * step)).site.brand,
    ),
  ]);
  await page.evaluate((moves) => {
    const roots = [...document.querySelectorAll('iframe')].map((entry) => entry.contentDocument!.documentElement);
    const state = globalThis as { settled?: Promise<number> };
    state.settled = new Promise<number>((resolve) => {
      let at = 0;
      const move = (event: PointerEvent) => {
        for (const root of roots) for (const [name, value] of moves[at]!) root.style.setProperty(name, value ?? '');
        for (const root of roots) root.getBoundingClientRect();
        if (++at < moves.length) return;
        removeEventListener('pointermove', move);
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - event.timeStamp)));
      };
      addEventListener('pointermove', move);
    });
  }, steps);
  const before = await busy();
  const nearest = await pull(page, 640, 790, direction);
  const settle = await page.evaluate(() => (globalThis as { settled?: Promise<number> }).settled!);
  return { busy: (await busy()) - before, nearest: median(nearest), settle };
}
