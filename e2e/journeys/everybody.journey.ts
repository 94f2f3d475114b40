import { violations } from '../axe.ts';
import { EVERY_KIND, expect, test, testOnOneDesk } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

const STEPS = ['Sources', 'Colour', 'Backgrounds', 'Type', 'Buttons', 'Pages', 'Check', 'Publish'];
/** Calm shows a part of what All does, and a press for the rest: looked at where it leaves out most. */
const LEAVES_OUT = ['Colour', 'Type', 'Buttons'];

test('every step passes axe in both densities, on every surround; so do the shelf and a new site', async ({
  desk,
  page,
}) => {
  const found: Record<string, string[]> = {};
  for (const density of ['Essential', 'All'] as const) {
    await desk.shows(density);
    for (const step of density === 'Essential' ? LEAVES_OUT : STEPS) {
      await desk.step(step);
      await page.waitForTimeout(300);
      const list = await violations(page);
      if (list.length > 0) found[`${step}, ${density}`] = list;
    }
  }
  expect(found).toEqual({});
  await page.keyboard.press('Escape');
  for (const surround of ['Light', 'Dark']) {
    await desk.settings('Your settings');
    await page.getByRole('radiogroup', { name: 'Workspace background' }).getByText(surround).click();
    expect(await violations(page), `${surround}, settings open`).toEqual([]);
    await page.keyboard.press('Escape');
    expect(await violations(page), surround).toEqual([]);
  }
  for (const [path, heading] of [
    ['/', 'Sites'],
    ['/new', 'New site'],
  ] as const) {
    await page.goto(`${desk.server.address}${path}`);
    await expect(page.getByRole('heading', { name: heading, exact: true })).toBeVisible();
    expect(await violations(page), path).toEqual([]);
  }
});

testOnOneDesk('all of it can be done by keyboard: steps, keys list, before, sliders, back', async ({ desk, page }) => {
  await page.locator('body').press('3');
  await expect(
    page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Backgrounds' }),
  ).toHaveAttribute('aria-current', 'step');
  await page.locator('body').press('?');
  await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: 'Shortcuts' })).toHaveCount(0);

  await desk.swatch('Funnel');
  await page.getByRole('button', { name: 'All pages' }).click();
  const before = await desk.computed('Home at 1280', 'home-board-b1/text', 'color');
  await page.getByLabel('Lightness', { exact: true }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect.poll(() => desk.computed('Home at 1280', 'home-board-b1/text', 'color')).not.toBe(before);
  await page.keyboard.down('b');
  await expect.poll(() => desk.computed('Home at 1280', 'home-board-b1/text', 'color')).toBe(before);
  await expect(page.getByText('Before the last edit')).toBeVisible();
  await page.keyboard.up('b');
  await expect.poll(() => desk.computed('Home at 1280', 'home-board-b1/text', 'color')).not.toBe(before);

  // Every focusable thing shows its focus.
  await desk.step('Check');
  for (let i = 0; i < 12; i++) {
    await page.keyboard.press('Tab');
    const outline = await page.evaluate(() => {
      const active = document.activeElement!;
      return {
        tag: active.tagName,
        width: getComputedStyle(active).outlineWidth,
        style: getComputedStyle(active).outlineStyle,
      };
    });
    if (outline.tag !== 'BODY' && outline.tag !== 'IFRAME')
      expect(outline, JSON.stringify(outline)).toMatchObject({ style: 'solid', width: '2px' });
  }
});
