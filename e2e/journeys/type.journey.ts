import { Desk, expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: ['home', 'sailings', 'fares', 'contact'] });

const fontSize = (desk: Desk, frame: string, selector: string, at = 0) =>
  desk
    .frame(frame)
    .locator(selector)
    .nth(at)
    .evaluate((element) => Number.parseFloat(getComputedStyle(element).fontSize));
const rung = (desk: Desk, name: RegExp) =>
  desk.page.getByRole('group', { name: 'Type scale' }).getByRole('button', { name });

test('a heading order that is turned over is seen at once, shown where both stand, and put right', async ({
  desk,
  page,
}) => {
  await desk.step('Type');
  await rung(desk, /^Small heading, /).click();
  await expect(page.getByText(/Small heading and Lead are 1 px apart/)).toBeVisible();
  const size = page.getByLabel('Size at 1280');
  await size.fill('20');
  await size.press('Enter');
  await desk.saved();
  await expect(page.getByText(/Small heading is 3 px smaller than Lead at 1280/)).toBeVisible();
  // Shown in real copy: the page grows with the heading in hand.
  await page.getByRole('button', { name: 'Show next' }).click();
  await expect(page.getByRole('button', { name: 'Overview' })).toBeVisible();
  await page.getByRole('button', { name: 'Show side by side' }).click();
  const hung = page.getByRole('region', { name: /^Small heading next to its neighbour, in \d+ sections?$/ });
  await expect(hung.getByRole('figure').first()).toContainText('“');
  await expect(hung.locator('iframe').first()).toBeAttached();
  await page.getByRole('button', { name: 'All pages' }).click();
  await size.fill('29');
  await size.press('Enter');
  // The phone has the two still: said as well, and put right there.
  await expect(page.getByText(/Small heading and Lead are .* px apart at 390/)).toBeVisible();
  await page.getByLabel('at 390', { exact: true }).fill('23');
  await page.getByLabel('at 390', { exact: true }).press('Enter');
  await expect(page.getByText(/Small heading (is|and)/)).toHaveCount(0);
  await desk.saved();
});

test('five text styles are enlarged in one act, keep their relation, and go back in one', async ({ desk, page }) => {
  await desk.step('Type');
  await rung(desk, /^Body, /).click();
  for (const name of [/^Lead, /, /^Small print, /, /^Menu, /, /^Button label, /])
    await rung(desk, name).click({ modifiers: ['Shift'] });
  await expect(page.getByText('5 styles selected together')).toBeVisible();
  const before = [
    await fontSize(desk, 'Home at 1280', '.text--body'),
    await fontSize(desk, 'Home at 1280', '.text--menu'),
    await fontSize(desk, 'Home at 390', '.text--body'),
  ];
  const percent = page.getByLabel('by %');
  await percent.fill('10');
  await percent.press('Enter');
  const now = async () => [
    await fontSize(desk, 'Home at 1280', '.text--body'),
    await fontSize(desk, 'Home at 1280', '.text--menu'),
    await fontSize(desk, 'Home at 390', '.text--body'),
  ];
  await expect
    .poll(async () => (await now()).map((px, i) => Math.round((px / before[i]!) * 100)))
    .toEqual([110, 110, 110]);
  await expect(desk.told()).toContainText('changed');
  await desk.saved();
  // A value outside its range is refused with a sentence.
  await percent.fill('-80');
  await percent.press('Enter');
  await expect(page.getByText(/would be .* px; sizes go from 8 to 200 px\. Nothing was changed\./)).toBeVisible();
  await page.getByRole('button', { name: 'Undo 5 styles larger by 10 %' }).click();
  await expect.poll(now).toEqual(before);
});

test('a phone that does not follow says so, and follows again; the type scale is looked at at any width', async ({
  desk,
  page,
}) => {
  await desk.step('Type');
  await rung(desk, /^Title, /).click();
  await page.getByRole('button', { name: 'Set phone own size' }).click();
  const phone = page.getByLabel('phone', { exact: true });
  await phone.fill('40');
  await phone.press('Enter');
  await expect.poll(() => fontSize(desk, 'Sailings at 390', 'h1')).toBe(40);
  await expect(page.getByText('phone has its own size and does not follow.')).toBeVisible();
  const wide = await fontSize(desk, 'Sailings at 1280', 'h1');
  await page.getByLabel('Width, px').fill('320');
  await page.getByLabel('Width, px').press('Enter');
  await expect(rung(desk, /^Title, 40 px/)).toBeVisible();
  await page.getByRole('button', { name: 'phone back to the scale' }).click();
  await expect.poll(() => fontSize(desk, 'Sailings at 390', 'h1')).toBeLessThan(40);
  expect(await fontSize(desk, 'Sailings at 1280', 'h1')).toBe(wide);
  await desk.saved();
});

test('steps of the scale are snapped to whole px and exact again; the scale stays above one', async ({
  desk,
  page,
}) => {
  await desk.step('Type');
  const sizes = async () =>
    Promise.all(
      ['Display', 'Title', 'Section'].map(async (name) =>
        Number((await rung(desk, new RegExp(`^${name}, `)).getAttribute('aria-label'))!.match(/([\d.]+) px/)![1]),
      ),
    );
  const exact = await sizes();
  expect(exact.some((px) => !Number.isInteger(px))).toBe(true);
  await page.getByRole('button', { name: 'Whole pixels', pressed: false }).click();
  await expect.poll(async () => (await sizes()).every(Number.isInteger)).toBe(true);
  await desk.saved();
  await page.getByRole('button', { name: 'Whole pixels', pressed: true }).click();
  await expect.poll(sizes).toEqual(exact);
  await desk.saved();
});

test('a style is added, set, and deleted only with something in its place while text is set in it', async ({
  desk,
  page,
}) => {
  await desk.step('Type');
  await rung(desk, /^Lead, /).click();
  await page.getByRole('button', { name: 'Duplicate style' }).click();
  await expect(page.getByText('not used')).toBeVisible();
  const name = page.getByRole('textbox', { name: 'Style', exact: true });
  await name.fill('Body');
  await name.press('Enter');
  await expect(page.getByText(/A style called Body exists/)).toBeVisible();
  await name.fill('Pull quote');
  await name.press('Enter');
  await expect(rung(desk, /^Pull quote, /)).toBeVisible();
  await page.getByRole('button', { name: 'Delete Pull quote' }).click();
  await expect(rung(desk, /^Pull quote, /)).toHaveCount(0);
  await rung(desk, /^Lead, /).click();
  const lead = await desk.frame('Home at 1280').locator('.text--lead').count();
  expect(lead).toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Delete Lead' }).click();
  const ask = page.getByRole('dialog', { name: 'Delete Lead' });
  await expect(ask).toContainText(/\d+ texts are set in it\./);
  await desk.choose('Replacement', 'Body', ask);
  await ask.getByRole('button', { name: 'Delete Lead' }).click();
  await expect.poll(() => desk.frame('Home at 1280').locator('.text--lead').count()).toBe(0);
  await expect(rung(desk, /^Lead, /)).toHaveCount(0);
  await desk.saved();
});

test('what is provisional is counted, gone through, and decided in one pass', async ({ desk, page }) => {
  await desk.step('Type');
  await rung(desk, /^Title, /).click();
  await page.getByRole('button', { name: 'Provisional', exact: true }).click();
  await expect(page.getByText(/; 2 styles provisional$/)).toBeVisible();
  await page.getByRole('button', { name: 'Next provisional', exact: true }).click();
  await expect(rung(desk, /^Small heading, /)).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Confirm all', exact: true }).click();
  await expect(page.getByText(/\d styles? provisional/)).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Confirm all', exact: true })).toHaveCount(0);
  await desk.saved();
});

test('headings are named on the wall by level and style, and a level that is left out is marked', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await desk.show('Heading levels');
  const tags = page.locator('#page-home yo-page-frame').first().locator('.tag');
  await expect(tags.first()).toHaveText('h1 Display');
  await expect(tags.filter({ hasText: 'is skipped' })).toHaveCount(0);
  await desk.frame('Home at 1280').locator('h2').first().click();
  await desk.choose('Read out as', 'level 4');
  await expect(tags.filter({ hasText: 'is skipped' }).first()).toHaveText(/^h4, h2 is skipped/);
  await desk.show('Heading levels');
  await expect(tags).toHaveCount(0);
});

test('wide sizes of the type scale stand on one line and phone sizes on another, at any width', async ({
  desk,
  page,
}) => {
  await desk.step('Type');
  const feet = (row: string) =>
    page.getByRole('group', { name: 'Type scale' }).evaluate(
      (ladder, name) =>
        [...ladder.querySelectorAll(`.word > span.${name}`)].map((word) => {
          // An empty box in a line of text stands on its baseline.
          const foot = document.createElement('span');
          foot.style.display = 'inline-block';
          word.append(foot);
          const { bottom } = foot.getBoundingClientRect();
          foot.remove();
          return bottom;
        }),
      row,
    );
  const spread = async () => {
    const rows = [await feet('wide'), await feet('phone')];
    return Math.max(...rows.map((all) => (all.length < 10 ? Infinity : Math.max(...all) - Math.min(...all))));
  };
  await expect.poll(spread).toBeLessThan(1);
  const width = page.getByLabel('Width, px', { exact: true });
  for (const at of ['320', '1920']) {
    await width.fill(at);
    await width.press('Enter');
    await expect.poll(spread).toBeLessThan(1);
  }
});

test('words that come to a provisional style are told that it is not decided yet', async ({ desk, page }) => {
  const write = async (place: string, more: string) => {
    const words = desk.frame('Fares at 1280').locator(place).first();
    await words.dblclick();
    await expect(words).toHaveAttribute('contenteditable', 'true');
    await page.keyboard.press('End');
    await page.keyboard.type(more);
    await page.keyboard.press('Enter');
    await expect(words).toContainText(more);
  };
  await page.getByRole('button', { name: 'Fares', exact: true }).click();
  const said = page.getByText('the style Body is still provisional');
  await write('p.text--body', ' by sea');
  await expect(said).toHaveCount(0);
  await desk.step('Type');
  await page.getByRole('button', { name: /^Body, / }).click();
  await page.getByRole('button', { name: 'Provisional', exact: true }).click();
  await write('p.text--body', ' and back');
  await expect(said).toBeVisible();
});
