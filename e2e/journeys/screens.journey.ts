import type { Page } from '@playwright/test';
import { expect, testOnOneDesk } from '../fixtures.ts';

/** The faults of a screen at rest. */
interface Measured {
  /** Boxed commands; a row of joined ones is one. */
  readonly boxed: readonly string[];
  /** Scrolled lists that end within a row. */
  readonly halfRows: readonly string[];
  /** Texts of the interface below 12 px; samples of the brand are as they are. */
  readonly small: readonly string[];
  /** Columns whose left edge is on none of the twelve columns. */
  readonly offGrid: readonly string[];
  /** Texts that are cut without a sign that more follows. */
  readonly cut: readonly string[];
}

/** Measures the top line, the steps line and the desk. */
const measure = (page: Page): Promise<Measured> =>
  page.evaluate(() => {
    const seen = (element: Element): boolean => {
      const { width, height, top, bottom } = element.getBoundingClientRect();
      return (
        width > 1 && height > 1 && top < innerHeight && bottom > 0 && getComputedStyle(element).visibility !== 'hidden'
      );
    };
    const parts = [...document.querySelectorAll('yo-top-line, yo-steps-line, yo-step-screen')];
    const all = (selector: string): HTMLElement[] =>
      parts.flatMap((part) => [...part.querySelectorAll<HTMLElement>(selector)]).filter(seen);
    const words = (element: Element): string => (element.textContent ?? '').trim().replace(/\s+/g, ' ').slice(0, 40);
    const isBoxed = (element: Element): boolean => {
      const { borderTopColor, borderTopWidth } = getComputedStyle(element);
      return borderTopWidth !== '0px' && !/, 0\)$|transparent/.test(borderTopColor);
    };
    const joined = new Set(all('.yo-joined, nz-radio-group'));
    // An item to select looks like itself, and samples are the brand's own.
    const alone = all('button:not(.yo-pick, .real), a').filter(
      (button) => isBoxed(button) && ![...joined].some((group) => group.contains(button)),
    );
    const own = (element: Element): boolean =>
      [...element.childNodes].some((node) => node.nodeType === 3 && node.textContent!.trim() !== '');
    // Samples show the brand's own sizes; words for screen readers are not seen.
    const texts = all('*').filter(
      (element) => own(element) && !element.closest('.sr, .word, .real, .set, svg, canvas, [data-sample]'),
    );
    const column = (innerWidth - 40 + 24) / 12;
    const lefts = Array.from({ length: 12 }, (_, i) => 20 + i * column);
    return {
      boxed: [...[...joined].map(words), ...alone.map(words)],
      halfRows: all('.yo-rows')
        .filter((list) => {
          const inner = list.firstElementChild!;
          const row = Number.parseFloat(getComputedStyle(list).getPropertyValue('--row'));
          const head = Number.parseFloat(getComputedStyle(list).getPropertyValue('--head')) || 0;
          const over = (inner.clientHeight - head) % row;
          return inner.scrollHeight > inner.clientHeight + 1 && row > 1 && over > 1 && over < row - 1;
        })
        .map(words),
      small: texts.filter((element) => Number.parseFloat(getComputedStyle(element).fontSize) < 12).map(words),
      offGrid: all('.cols > *')
        .filter((part) => !lefts.some((left) => Math.abs(left - part.getBoundingClientRect().left) < 2))
        .map((part) => `${part.getAttribute('aria-label') ?? part.tagName} at ${part.getBoundingClientRect().left}`),
      cut: texts
        .filter((element) => {
          const { overflowX, textOverflow } = getComputedStyle(element);
          return overflowX === 'hidden' && textOverflow !== 'ellipsis' && element.scrollWidth > element.clientWidth + 1;
        })
        .map(words),
    };
  });

testOnOneDesk('every step has few boxes, one grid, whole rows and text that can be read', async ({ desk, page }) => {
  await desk.shows('Essential');
  const found: Record<string, Partial<Measured>> = {};
  for (const step of ['Sources', 'Colour', 'Backgrounds', 'Type', 'Buttons', 'Check', 'Publish']) {
    await desk.step(step);
    await page.getByRole('region', { name: 'Desk' }).getByRole('heading', { level: 2 }).first().waitFor();
    await page.mouse.move(640, 380);
    await page.waitForTimeout(300);
    const { boxed, ...rest } = await measure(page);
    // The views of the wall are one of them on every step.
    const wrong = {
      ...(boxed.length > 4 ? { boxed } : {}),
      ...Object.fromEntries(Object.entries(rest).filter(([, list]) => list.length > 0)),
    };
    if (Object.keys(wrong).length > 0) found[step] = wrong;
    // One subject, larger than all around it.
    const heading = page.getByRole('region', { name: 'Desk' }).getByRole('heading', { level: 2 }).first();
    expect(await heading.evaluate((element) => Number.parseFloat(getComputedStyle(element).fontSize)), step).toBe(19);
  }
  expect(found).toEqual({});
});

testOnOneDesk(
  'the pages stay where they are from step to step, and all of them are one key away',
  async ({ desk, page }) => {
    const top = () => page.locator('yo-steps-line').evaluate((line) => line.getBoundingClientRect().top);
    const tops = new Set<number>();
    for (const step of ['Colour', 'Type', 'Check', 'Publish']) {
      await desk.step(step);
      tops.add(await top());
    }
    expect(tops.size).toBe(1);
    const wide = () => page.locator('#page-home').evaluate((pair) => pair.getBoundingClientRect().width);
    const large = await wide();
    // Large enough to judge: two or three in sight.
    expect(large).toBeGreaterThan(400);
    await page.locator('body').press('o');
    await expect.poll(wide).toBeLessThan(large * 0.6);
    await page.locator('body').press('o');
    await expect.poll(wide).toBe(large);
  },
);
