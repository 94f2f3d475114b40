import { expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: ['home', 'sailings', 'fares', 'contact'] });

test('one button is outlined on purpose, seen to be held, and split off as a variant of its own', async ({
  desk,
  page,
}) => {
  await page.getByRole('button', { name: 'Fares', exact: true }).click();
  const frame = desk.frame('Fares at 1280');
  const button = frame.locator('.button').first();
  await button.click();
  const slip = page.getByRole('dialog', { name: /^Button/ });
  const held = Number.parseInt((await desk.tally(/overrides$/).textContent())!, 10);
  const set = async (name: string, value: string) => {
    const line = slip.locator('.line').filter({ has: page.getByText(name, { exact: true }) });
    await line.getByRole('button', { name: 'Override' }).click();
    await slip.getByLabel('This page').fill(value);
    await slip.getByLabel('This page').press('Enter');
  };
  await expect(slip.getByRole('button', { name: 'Make a variant' })).toHaveCount(0);
  await set('Fill', '#fbfaf6');
  await set('Colour', '#8f2a12');
  await expect(desk.tally(/overrides$/)).toHaveText(`${held + 1} overrides`);
  const painted = () =>
    button.evaluate((element) => [getComputedStyle(element).backgroundColor, getComputedStyle(element).color].join());
  await expect.poll(painted).toBe('rgb(251, 250, 246),rgb(143, 42, 18)');
  await slip.getByRole('button', { name: 'Make a variant' }).click();
  // It looks as it did, and nothing departs any more.
  await expect(desk.tally(/overrides$/)).toHaveText(`${held} overrides`);
  expect(await painted()).toBe('rgb(251, 250, 246),rgb(143, 42, 18)');
  await desk.saved();
  await desk.step('Buttons');
  await expect(
    page.getByRole('group', { name: 'Variants by states' }).getByRole('button', { name: /^\w+ apart$/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: /^Undo Make variant/ }).click();
  await expect(desk.tally(/overrides$/)).toHaveText(`${held + 1} overrides`);
});

test('all variants are restyled at once: a column of the grid is one act', async ({ desk, page }) => {
  await desk.step('Buttons');
  const grid = page.getByRole('group', { name: 'Variants by states' });
  for (const name of ['Primary, rest', 'Primary, hover', 'Secondary, rest', 'Secondary, hover'])
    await grid.getByRole('button', { name }).click(name === 'Primary, rest' ? {} : { modifiers: ['Shift'] });
  await expect(page.getByText('4 buttons selected')).toBeVisible();
  await desk.choose('border', 'Ink');
  const edges = async () =>
    new Set(
      await grid
        .getByRole('button', { name: /, (rest|hover)$/ })
        .evaluateAll((list) => list.map((entry) => getComputedStyle(entry).borderTopColor)),
    ).size;
  await expect.poll(edges).toBe(1);
  await desk.saved();
  await page.getByRole('button', { name: /^Undo Button border/ }).click();
  await expect.poll(edges).toBeGreaterThan(1);
});

test('a button is given another variant, size and icon where it stands; icons stand after the words when the brand says so', async ({
  desk,
  page,
}) => {
  await page.getByRole('button', { name: 'Fares', exact: true }).click();
  const button = desk.frame('Fares at 1280').locator('.button').first();
  const height = () => button.evaluate((element) => element.getBoundingClientRect().height);
  await button.click();
  const slip = page.getByRole('dialog', { name: /^Button/ });
  const before = await height();
  await desk.choose('Variant', 'Primary', slip);
  await expect(button).toHaveClass(/button--primary/);
  await desk.choose('Size', 'Regular', slip);
  await expect.poll(height).toBeGreaterThan(before);
  await desk.choose('Icon', 'arrow', slip);
  const first = () =>
    button.evaluate((element) => element.firstElementChild === element.firstChild && element.firstChild !== null);
  await expect.poll(first).toBe(true);
  await desk.step('Buttons');
  await desk.choose('Icon position', 'after');
  await expect.poll(first).toBe(false);
  await expect(button.locator('svg')).toHaveCount(1);
  await desk.saved();
  await page.reload();
  await desk.ready();
  await expect(desk.frame('Fares at 1280').locator('.button').first().locator('svg')).toHaveCount(1);
});

test('a value of a shared text is set on this page only, or everywhere, and the slip says which', async ({
  desk,
  page,
}) => {
  await page.getByRole('button', { name: 'Home', exact: true }).click();
  const text = (title: string) => desk.frame(title).locator('[data-used="promise:promise-b1/text"]');
  const size = (title: string) => text(title).evaluate((element) => getComputedStyle(element).fontSize);
  const before = await size('Sailings at 1280');
  await text('Home at 1280').click();
  const slip = page.getByRole('dialog', { name: /“If we are late/ });
  const line = slip.locator('.line').filter({ has: page.getByText('Size', { exact: true }) });
  const set = async (where: string, label: string, value: string) => {
    await line.getByRole('button', { name: 'Override' }).click();
    await desk.choose('Where', where, slip);
    await slip.getByLabel(label).fill(value);
    await slip.getByLabel(label).press('Enter');
  };
  await set('this page', 'This page', '40px');
  await expect.poll(() => size('Home at 1280')).toBe('40px');
  await expect(line).toContainText('override, this page');
  await expect(desk.told()).toContainText('1 place changed');
  expect(await size('Sailings at 1280')).toBe(before);
  await page.keyboard.press('Control+z');
  await expect.poll(() => size('Home at 1280')).toBe(before);

  await set('everywhere', 'Everywhere', '44px');
  await expect.poll(() => size('Sailings at 1280')).toBe('44px');
  await expect(line).toContainText('override, everywhere');
  await expect(desk.told()).toContainText('3 places changed');
  expect(await size('Contact at 390')).toBe('44px');
});

test('words are edited where they stand, whatever they are of; emphasis and links are offered beside them', async ({
  desk,
  page,
}) => {
  await page.getByRole('button', { name: 'Fares', exact: true }).click();
  const wide = desk.frame('Fares at 1280');
  const narrow = desk.frame('Fares at 390');
  const type = async (place: string, words: string) => {
    await wide.locator(`[data-place="${place}"]`).dblclick();
    await expect(wide.locator(`[data-place="${place}"]`)).toHaveAttribute('contenteditable', /true|plaintext-only/);
    await page.keyboard.press('Control+a');
    await page.keyboard.type(words);
    await page.keyboard.press('Enter');
    await expect(narrow.locator(`[data-place="${place}"]`)).toHaveText(words);
  };
  const first = async (selector: string) => (await wide.locator(selector).first().getAttribute('data-place'))!;
  await type(await first('.menu-link'), 'Where to');
  await type(await first('.button'), 'Look at it now');
  await type(await first('td'), 'A cell of its own');
  await type(await first('th'), 'A head');
  // A line that must say something is not lost when it says nothing: it stays to be fixed, or is dropped.
  const heading = wide.locator('.button').first();
  await heading.dblclick();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/was not saved: it must not be empty\. Your text is still there/)).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(heading).toHaveText('Look at it now');

  // Emphasis and a link by the tools beside the words, all of it one edit.
  const text = wide.locator('p[data-place]').first();
  const id = (await text.getAttribute('data-place'))!;
  await text.dblclick();
  const slip = page.getByRole('dialog');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('Strong words and a way home');
  await page.keyboard.press('Home');
  for (let i = 0; i < 6; i++) await page.keyboard.press('Shift+ArrowRight');
  await slip.getByRole('button', { name: 'Strong', exact: true }).click();
  await expect(slip.getByRole('button', { name: 'Strong', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('End');
  for (let i = 0; i < 8; i++) await page.keyboard.press('Shift+ArrowLeft');
  await slip.getByLabel('Link to').fill('contact');
  await slip.getByLabel('Link to').press('Enter');
  await slip.getByRole('button', { name: 'Done' }).click();
  await expect(narrow.locator(`[data-place="${id}"] strong`)).toHaveText('Strong');
  await expect(narrow.locator(`[data-place="${id}"] a`)).toHaveText('way home');
  await expect(narrow.locator(`[data-place="${id}"] a`)).toHaveAttribute('href', 'contact.html');
  await page.getByRole('button', { name: /^Undo Text of/ }).click();
  await expect(narrow.locator(`[data-place="${id}"] strong`)).toHaveCount(0);
});
