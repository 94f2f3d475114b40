import type { Locator, Page } from '@playwright/test';
import { STEP_CONTROLS } from '../../web/src/desk/step-controls.ts';
import { expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: ['home', 'fares', 'contact'] });

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Middle of the first letters of something on a page, in px of the window. */
const spotOf = (page: Page, title: string, selector: string): Promise<Spot> =>
  page.evaluate(
    ([title, selector]) => {
      const frame = document.querySelector<HTMLIFrameElement>(`iframe[title="${title}"]`)!;
      const [box, rect] = [
        frame.getBoundingClientRect(),
        frame.contentDocument!.querySelector(selector!)!.getBoundingClientRect(),
      ];
      const scale = box.width / frame.offsetWidth;
      return { x: box.left + (rect.left + 30) * scale, y: box.top + (rect.top + rect.height / 2) * scale };
    },
    [title, selector],
  );

/** The same, once the wall has come to rest: nobody aims at what still moves. */
const restingSpot = async (page: Page, title: string, selector: string): Promise<Spot> => {
  let spot = await spotOf(page, title, selector);
  for (let now: Spot; ; spot = now) {
    await page.waitForTimeout(120);
    now = await spotOf(page, title, selector);
    if (now.x === spot.x && now.y === spot.y) return now;
  }
};

const isNear = (spot: Spot, other: Spot): boolean => Math.abs(spot.x - other.x) <= 3 && Math.abs(spot.y - other.y) <= 3;
const box = async (of: Locator) => (await of.boundingBox())!;
const slip = (page: Page) => page.locator('yo-slip');

test('a first click in the overview selects what is under the pointer; the wall stays still and the slip is whole', async ({
  desk,
  page,
}) => {
  await desk.step('Colour');
  for (const title of ['Home', 'Fares', 'Contact'])
    for (const selector of ['h1', 'footer']) {
      const spot = await spotOf(page, `${title} at 1280`, selector);
      // A place below the lower edge of the wall cannot be clicked.
      if (spot.y > (await box(page.getByRole('region', { name: 'All pages' }))).y + 260) continue;
      await page.mouse.click(spot.x, spot.y);
      await expect(slip(page)).toBeVisible();
      expect(isNear(await spotOf(page, `${title} at 1280`, selector), spot)).toBe(true);
      const { x, y, width, height } = await box(slip(page));
      expect(x >= 0 && x + width <= 1280 && y + height <= 800).toBe(true);
      expect(spot.x > x && spot.x < x + width && spot.y > y && spot.y < y + height).toBe(false);
      // One level: the slip closes, the overview stays.
      await page.keyboard.press('Escape');
      await expect(slip(page)).toHaveCount(0);
      await expect(page.getByRole('button', { name: 'Overview' })).toHaveCount(0);
    }
});

test('a double click edits words at any zoom, at the first try, where the pointer is', async ({ desk, page }) => {
  await desk.step('Colour');
  const edit = async (words: string) => {
    const heading = desk.frame('Fares at 1280').locator('h1');
    const spot = await restingSpot(page, 'Fares at 1280', 'h1');
    await page.mouse.dblclick(spot.x, spot.y);
    await expect(heading).toHaveAttribute('contenteditable', /./);
    expect(isNear(await spotOf(page, 'Fares at 1280', 'h1'), spot)).toBe(true);
    await page.keyboard.press('Control+a');
    await page.keyboard.type(words);
    await page.keyboard.press('Enter');
    await expect(heading).toHaveText(words);
  };
  await edit('What it costs');
  for (const [way, words] of [
    ['Larger', 'What a crossing costs'],
    ['Larger', 'Fares for all'],
    ['Smaller', 'Fares'],
    ['Smaller', 'Fares by boat'],
  ] as const) {
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: way, exact: true }).click();
    await edit(words);
  }
});

test('letters that were meant as words run no command; undo and fix need a modifier', async ({ desk, page }) => {
  await desk.step('Check');
  const before = await page.getByRole('banner').innerText();
  await page.getByRole('region', { name: 'All pages' }).evaluate((row) => row.scrollTo(0, 0));
  // No words stand there: no editor opens.
  const spot = await spotOf(page, 'Home at 1280', 'footer');
  const wall = await box(page.getByRole('region', { name: 'All pages' }));
  await page.mouse.dblclick(spot.x, Math.min(spot.y, wall.y + wall.height - 8));
  await page.keyboard.type('summer2 v', { delay: 60 });
  await expect(page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Check' })).toHaveAttribute(
    'aria-current',
    'step',
  );
  await page.waitForTimeout(1100);
  await page.keyboard.type('mu');
  await desk.saved();
  expect(await page.getByRole('banner').innerText()).toBe(before);
  await page.getByRole('row').nth(1).getByRole('button').first().click();
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('banner').getByRole('button', { name: /^Undo/ })).toBeEnabled();
});

test('Escape closes one level: a list in a panel, then the panel; what was typed, then the slip, then the page', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await page
    .getByRole('group', { name: /^Sections of/ })
    .getByRole('button')
    .nth(1)
    .click();
  await page.getByRole('button', { name: 'Section details' }).click();
  const arrangement = page.getByLabel('Arrangement', { exact: true });
  await arrangement.focus();
  await page.keyboard.press('Enter');
  const list = page.locator('.ant-select-item-option').first();
  await expect(list).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(list).toBeHidden();
  await expect(arrangement).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(arrangement).toHaveCount(0);
  // The slip of the section hangs still, and its page is enlarged.
  await expect(slip(page)).toBeVisible();
  const name = page.getByLabel('Page title');
  await name.fill('Typed by mistake');
  await page.keyboard.press('Escape');
  await expect(name).toHaveValue('Home');
  await expect(slip(page)).toBeVisible();
  await slip(page).getByRole('button').last().focus();
  await page.keyboard.press('Escape');
  await expect(slip(page)).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Overview' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Overview' })).toHaveCount(0);
});

test('a section that is selected, added or moved is in sight, at every zoom; undone, it leaves no empty slip', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  if ((await page.getByRole('button', { name: 'Overview' }).count()) === 0)
    await page.getByRole('button', { name: 'Home', exact: true }).click();
  const strip = page.getByRole('group', { name: /^Sections of/ }).getByRole('button');
  const isInSight = async (part: string) =>
    expect
      .poll(() =>
        page.evaluate((part) => {
          const frame = document.querySelector<HTMLIFrameElement>('iframe[title="Home at 1280"]')!;
          const [wall, paper, rect] = [
            document.querySelector('.row')!.getBoundingClientRect(),
            frame.getBoundingClientRect(),
            frame.contentDocument!.querySelector(`[data-part="${part}"]`)?.getBoundingClientRect(),
          ];
          if (!rect) return false;
          const scale = paper.width / frame.offsetWidth;
          const [top, bottom] = [paper.top + rect.top * scale, paper.top + rect.bottom * scale];
          return Math.min(bottom, wall.bottom) - Math.max(top, wall.top) >= Math.min(bottom - top, wall.height) / 2 - 2;
        }, part),
      )
      .toBe(true);
  const parts = await desk
    .frame('Home at 1280')
    .locator('[data-part]')
    .evaluateAll((all) => all.map((entry) => entry.getAttribute('data-part')!));
  // The last one before the footer lies far below.
  const far = parts.at(-2)!;
  await strip.nth(parts.indexOf(far)).click();
  await isInSight(far);
  for (const way of ['Larger', 'Larger', 'Smaller'] as const) {
    await page.getByRole('button', { name: way, exact: true }).click();
    await isInSight(far);
  }
  await page.getByRole('button', { name: 'Move up', exact: true }).click();
  await page.getByRole('button', { name: 'Move up', exact: true }).click();
  await isInSight(far);

  await page.getByRole('button', { name: 'Add a section' }).click();
  await page
    .getByRole('region', { name: 'Kinds of section' })
    .or(page.getByLabel('Kinds of section'))
    .getByRole('button')
    .first()
    .click();
  await expect.poll(() => desk.frame('Home at 1280').locator('[data-part]').count()).toBe(parts.length + 1);
  const now = await desk
    .frame('Home at 1280')
    .locator('[data-part]')
    .evaluateAll((all) => all.map((entry) => entry.getAttribute('data-part')!));
  await isInSight(now.find((part) => !parts.includes(part))!);
  await expect(slip(page)).toBeVisible();
  await page
    .getByRole('banner')
    .getByRole('button', { name: /^Undo Add/ })
    .click();
  await expect(slip(page)).toHaveCount(0);
});

test('Find goes to every field, panel and command of the steps by its name; words on pages open their place', async ({
  desk,
  page,
}) => {
  const field = page.getByRole('dialog', { name: 'Find' }).getByRole('combobox');
  const find = async (words: string) => {
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+k');
    await field.fill(words);
  };
  const said = () =>
    page.evaluate(() => {
      const at = document.activeElement as HTMLInputElement | null;
      return [
        at?.labels?.[0]?.textContent?.trim(),
        at?.getAttribute('aria-label'),
        at?.closest('[aria-label]')?.getAttribute('aria-label'),
        at?.textContent?.replace(/\s+/g, ' ').trim(),
      ]
        .filter(Boolean)
        .join(' | ');
    });
  for (const { step, control, name, open } of STEP_CONTROLS) {
    await find(name ?? control);
    await page
      .getByRole('option')
      .filter({ hasText: name ?? control })
      .filter({
        hasText: new RegExp(`${step}$`, 'i'),
      })
      .first()
      .click();
    await expect.poll(said, `${step}: ${open ?? ''} ${control}`).toContain(control);
  }
  // By other common words, too.
  await find('leading');
  await expect(page.getByRole('option').first()).toContainText('Line height');
  await find('sign out');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Your settings' })).toBeVisible();

  // The name of an edit says words of a page: they lead to the page, and undo nothing.
  await page.keyboard.press('Escape');
  await desk.step('Pages');
  await find('slow road');
  await page.keyboard.press('Enter');
  await expect(page.locator('yo-slip')).toContainText('The slow road over the water');
});
