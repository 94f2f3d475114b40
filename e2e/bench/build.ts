import type { Page } from '@playwright/test';
import { SECTION_KINDS, acceptChange, addSection, bodyHtml, type Site } from '@yohaku/core';
import { launch } from '../browser.ts';
import { openBare } from './bare-page.ts';
import { benchContext, openDesk } from './open-desk.ts';
import { median, type Result } from './result.ts';

/** Letters of a turn; the first of them warm it up and are not counted. */
const KEYS = 17;
const WARM = 5;
const ROUNDS = 7;
/** A paragraph of the demo's home page. */
const PARAGRAPH = 'main p[data-place]';

/**
 * Time in ms from a letter typed where the words stand until the frame with it is
 * painted, median of a turn. Asked of the page around: its frames run no script.
 */
async function keystroke(page: Page, frame: string): Promise<number> {
  await page.bringToFront();
  await intoWords(page, frame);
  await page.waitForTimeout(300);
  return page.evaluate(
    async ({ selector, count, warm }) => {
      const inside = document.querySelector<HTMLIFrameElement>(selector)!.contentDocument!;
      const times: number[] = [];
      for (let i = 0; i < count; i++) {
        const began = performance.now();
        inside.execCommand('insertText', false, 'abcdefghij'[i % 10]!);
        await new Promise<void>((done) =>
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => done();
            channel.port2.postMessage(null);
          }),
        );
        if (i >= warm) times.push(performance.now() - began);
        await new Promise((done) => setTimeout(done, 60));
      }
      times.sort((time, other) => time - other);
      return times[times.length >> 1]!;
    },
    { selector: frame, count: KEYS, warm: WARM },
  );
}

/** Puts the caret at the start of the first paragraph of a frame, which is made editable where it is not. */
const intoWords = (page: Page, frame: string): Promise<void> =>
  page.evaluate(
    ({ selector, paragraph }) => {
      const inside = document.querySelector<HTMLIFrameElement>(selector)!.contentDocument!;
      const words = inside.querySelector<HTMLElement>(paragraph)!;
      if (!words.isContentEditable) words.contentEditable = 'true';
      words.focus();
      inside.getSelection()!.collapse(words, 0);
    },
    { selector: frame, paragraph: PARAGRAPH },
  );

/** Lays a section in from the shelf; ms until the nearest page has it and is painted. */
async function layIn(desk: Page): Promise<number> {
  await desk.bringToFront();
  await desk.getByRole('button', { name: 'Add a section' }).click();
  await desk.getByRole('list', { name: 'Kinds of section' }).getByRole('button', { name: 'FAQ' }).waitFor();
  await desk.waitForTimeout(1500);
  const took = await desk.evaluate(
    () =>
      new Promise<number>((done) => {
        const inside = document.querySelector<HTMLIFrameElement>('iframe[title="Home at 1280"]')!.contentDocument!;
        const before = inside.querySelectorAll('main > [data-part]').length;
        const card = [...document.querySelectorAll<HTMLElement>('yo-section-shelf li button')].find(
          (entry) => entry.getAttribute('aria-label') === 'Questions',
        )!;
        const began = performance.now();
        card.click();
        const look = () => {
          if (inside.querySelectorAll('main > [data-part]').length === before) return void requestAnimationFrame(look);
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => done(performance.now() - began);
            channel.port2.postMessage(null);
          });
        };
        look();
      }),
  );
  await desk.waitForTimeout(2500);
  return took;
}

/** Sets the HTML of a page by hand; ms until it is painted. */
async function setByHand(bare: Page, html: string): Promise<number> {
  await bare.bringToFront();
  await bare.waitForTimeout(300);
  return bare.evaluate(
    (content) =>
      new Promise<number>((done) => {
        const inside = document.querySelector('iframe')!.contentDocument!;
        const began = performance.now();
        inside.body.innerHTML = content;
        requestAnimationFrame(() =>
          requestAnimationFrame(() => {
            const channel = new MessageChannel();
            channel.port1.onmessage = () => done(performance.now() - began);
            channel.port2.postMessage(null);
          }),
        );
      }),
    html,
  );
}

const HOME = 'iframe[title="Home at 1280"]';

/**
 * A keystroke where the words stand against one in a bare contenteditable with the same words; a section laid in
 * against the same HTML set by hand.
 */
export async function benchBuild(site: Site, address: string, link: string): Promise<Result[]> {
  const browser = await launch();
  try {
    const context = await benchContext(browser);
    const desk = await openDesk(await context.newPage(), link, 'Pages');
    await desk.waitForTimeout(4000);
    await desk.frameLocator(HOME).locator(PARAGRAPH).first().dblclick();
    const bare = await openBare(await context.newPage(), site, address, ['home'], [1280]);
    // With the pointer over the words, where a press has left it on either page: browsers ask anew what is under it
    // once a page has changed.
    await bare.frameLocator('iframe').locator(PARAGRAPH).first().click();
    const turns: { readonly typed: number; readonly alone: number }[] = [];
    for (let i = 0; i < ROUNDS; i++)
      turns.push({ typed: await keystroke(desk, HOME), alone: await keystroke(bare, 'iframe') });
    await desk.bringToFront();
    await desk.keyboard.press('Escape');
    await desk.keyboard.press('Escape');

    // A section laid in by its card on the shelf, until the nearest page has it and is painted; in turns with the same
    // by hand.
    const html = bodyHtml(
      acceptChange(site, addSection(site, 'home', 'bench', undefined, SECTION_KINDS.questions)).site,
      'home',
    );
    const rounds: { readonly laid: number; readonly byHand: number }[] = [];
    for (let i = 0; i < ROUNDS; i++)
      rounds.push({
        laid: await layIn(desk),
        byHand: median([await setByHand(bare, html), await setByHand(bare, html), await setByHand(bare, html)]),
      });
    const ratio = median(rounds.map(({ laid, byHand }) => laid / byHand));
    const result = (
      name: string,
      ours: number,
      reference: string,
      theirs: number,
      most: number,
      times = ours / theirs,
    ): Result => ({
      name,
      median: ours,
      unit: 'ms',
      reference,
      referenceMedian: theirs,
      ratio: times,
      bound: `at most ${most} times`,
      holds: times <= most,
    });
    return [
      result(
        'a keystroke where words stand, to its paint',
        median(turns.map((turn) => turn.typed)),
        'the same in a bare contenteditable',
        median(turns.map((turn) => turn.alone)),
        2,
        median(turns.map(({ typed, alone }) => typed / alone)),
      ),
      result(
        'a section laid in, to the paint of the nearest page',
        median(rounds.map((round) => round.laid)),
        'the same HTML set by hand',
        median(rounds.map((round) => round.byHand)),
        3,
        ratio,
      ),
    ];
  } finally {
    await browser.close();
  }
}
