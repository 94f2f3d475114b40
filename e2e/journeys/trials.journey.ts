import { expect, testOnOneDesk as test } from '../fixtures.ts';

// The findings of trials, repeated in the real desk; specs with the same numbers prove the mathematics.

test('Trial 1: after a reload a colour is changed, and nothing is rendered differently, in sight or out of it', async ({
  desk,
  page,
}) => {
  await page.reload();
  await desk.ready();
  await desk.swatch('Ink');
  await page.getByLabel('Hex or any notation').fill('#2c3a57');
  await page.getByLabel('Hex or any notation').press('Enter');
  await expect(desk.told()).toContainText(/\d+ places changed/);
  const compared = page.getByRole('button', { name: /rendered differently/ });
  await desk.step('Type');
  await page.getByRole('button', { name: /^Small heading, / }).click();
  await page.getByLabel('Weight').first().fill('500');
  await page.getByLabel('Weight').first().press('Enter');
  await expect(desk.told()).toContainText('Small heading');
  // Frame by frame in idle moments: longer than all of them take.
  await page.waitForTimeout(6000);
  await expect(compared).toHaveCount(0);
  await page.mouse.move(640, 250);
  for (const by of [1400, -1400]) {
    await page.mouse.wheel(by, 0);
    await page.waitForTimeout(1500);
    await expect(compared).toHaveCount(0);
  }
});

test('Trials 3, 4, 7: a palette is taken with its parts and replacements, does what it said, and is not taken twice', async ({
  desk,
  page,
}) => {
  await desk.step('Sources');
  await page.getByLabel('Text with colours').fill('a new signal #7a3fb0 and a paper #fff9ee');
  await page.getByRole('button', { name: 'Read colours' }).click();
  const ranking = page.getByRole('region', { name: 'Palette candidates' });
  const row = (text: string) => ranking.getByRole('listitem').filter({ hasText: text });
  await desk.keep(row('#7a3fb0'));
  await row('#7a3fb0')
    .getByRole('button', { name: /^Role of .*: core$/ })
    .click();
  await expect(row('#7a3fb0').getByRole('button', { name: /^Role of .*: supporting$/ })).toBeVisible();
  await row('Funnel').first().getByRole('button', { name: 'Exclude', exact: true }).click();
  await desk.choose('Replacement for Funnel', 'Deep');
  const says = page.getByText(/^Hover the button to preview: adds/);
  await expect(says).toContainText('Funnel (to Deep)');
  const told = Number(/([\d\s]+) places change/.exec((await says.textContent())!)![1]!.replace(/\s/g, ''));
  await page.getByRole('button', { name: 'Apply palette' }).click();
  await expect(desk.told()).toContainText(/^Add .*places changed/);
  expect(Number(/: ([\d\s]+) places changed/.exec((await desk.told().textContent())!)![1]!.replace(/\s/g, ''))).toBe(
    told,
  );
  // A colour in the palette is no longer a candidate.
  await expect(row('#7a3fb0')).toHaveCount(1);
  await expect(row('#7a3fb0').getByLabel('Name')).toHaveCount(0);
  await desk.swatch(((await row('#7a3fb0').locator('.name').textContent()) ?? '').trim());
  await expect(page.getByLabel('Role in the brand', { exact: true })).toBeVisible();
  await desk.choose('Role in the brand', 'core');
  await expect(page.getByRole('button', { name: /^Undo .* is core$/ })).toBeVisible();
});

test('Trials 6, 9, 10: suggestions and fixes are of what is selected, never of what was', async ({ desk, page }) => {
  await desk.swatch('Deep');
  await page.getByRole('button', { name: 'Harmonies' }).click();
  await expect(page.getByText(/^Built on Deep; every pair of flat colours passes/)).toBeVisible();
  await page
    .getByRole('region', { name: 'Palette' })
    .getByRole('button', { name: /^Tern white/ })
    .click();
  await expect(page.getByText(/^Built on Tern white/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Apply Tern white' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Apply Monochrome' }).click();
  await expect(page.getByRole('button', { name: /^Undo Apply Monochrome/ })).toBeVisible();
  // Its own swatch stayed.
  await expect(
    page.getByRole('region', { name: 'Palette' }).getByRole('button', { name: /^Tern white/ }),
  ).toContainText('#fbfaf6');

  // The same role on every ground stays in hand when the role is changed.
  await desk.step('Backgrounds');
  await page.getByRole('button', { name: 'Eyebrow on every background' }).click();
  await expect(page.getByText(/^\d roles selected$/)).toBeVisible();
  const before = await page.getByText(/^\d roles selected$/).textContent();
  await desk.choose('Role', 'Link');
  await expect(page.getByText(/^\d roles selected$/)).toHaveText(before!);
  await desk.choose('Swatch', 'Ink');
  await expect(page.getByRole('button', { name: `Undo ${before!.split(' ')[0]} roles` })).toBeVisible();
});

test('Trials 10, 11, 12: pages by keys, several sections at once, the address, the menu, and what goes with a page', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await page.getByRole('button', { name: 'Add a page' }).click();
  await page.getByRole('menuitem', { name: 'Plain' }).click();
  await expect(page.getByLabel('Address')).toHaveValue('new-page.html');
  await page.getByLabel('Page title').fill('Opening hours');
  await page.getByLabel('Page title').press('Enter');
  await expect(page.getByLabel('Address')).toHaveValue('opening-hours.html');
  await page.getByLabel('Address').fill('index.html');
  await page.getByLabel('Address').press('Enter');
  await expect(page.getByRole('alert')).toContainText('is the address of Home');
  await page.getByLabel('Address').press('Escape');
  await expect(page.getByText('Not in the menu')).toBeVisible();
  await page.getByRole('button', { name: 'Add to menu' }).click();
  await expect(desk.frame('Home at 1280').getByRole('link', { name: 'Opening hours' })).toHaveCount(1);
  // Blank, it fails nothing.
  await expect(
    page
      .locator('figure', { has: page.getByRole('button', { name: 'Opening hours', exact: true }) })
      .locator('figcaption'),
  ).not.toContainText('failing');

  await page.getByRole('button', { name: 'Add a section' }).click();
  await page.getByRole('list', { name: 'Kinds of section' }).getByRole('button', { name: 'New section' }).click();
  const slip = page.getByRole('dialog', { name: /Section “New section”/ });
  await expect(slip).toBeVisible();
  await expect(slip).toBeInViewport({ ratio: 1 });

  // A sideways wheel at the end of the wall goes no farther than the wall.
  await expect(page.getByRole('region', { name: 'All pages' })).toHaveCSS('overscroll-behavior-x', 'contain');

  // Keys go on after a page was pressed: undo, the overview, the steps.
  const frame = desk.frame('Opening hours at 1280');
  await frame.locator('h1').click();
  await expect(page.getByRole('dialog', { name: /^Title/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog', { name: /^Title/ })).toHaveCount(0);
  await frame.locator('h1').click();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Undo Opening hours in the menu/ })).toBeVisible();
  await page.keyboard.press('Control+Shift+z');

  const strips = page.getByRole('group', { name: 'Sections of Opening hours' }).getByRole('button');
  await strips.nth(2).click();
  await strips.nth(3).click({ modifiers: ['Shift'] });
  await expect(page.getByText('2 sections selected')).toBeVisible();
  await page.getByRole('button', { name: 'Duplicate section' }).click();
  await expect(page.getByRole('button', { name: 'Undo Duplicate 2 sections' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo Duplicate 2 sections' }).click();

  // Overview: its page stays in hand, the wall begins at the heads, and nothing grows again.
  await page.getByRole('button', { name: 'Overview' }).click();
  await expect(page.getByRole('button', { name: 'Overview' })).toHaveCount(0);
  await expect(page.getByLabel('Page title')).toHaveValue('Opening hours');
  await expect.poll(() => page.getByRole('region', { name: 'All pages' }).evaluate((row) => row.scrollTop)).toBe(0);
  await expect(page.getByRole('button', { name: 'Opening hours', exact: true })).toBeInViewport();

  await page.getByRole('button', { name: 'Delete page' }).click();
  const ask = page.getByRole('dialog', { name: 'Delete Opening hours' });
  await expect(ask).toContainText(/Opening hours is deleted with \d+ places and its menu entry\./);
  await ask.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByLabel('Page title')).toHaveValue('Opening hours');
});

test('Trials 10, 13: several styles are set in one act; four radii are a corner; what is set is not covered', async ({
  desk,
  page,
}) => {
  await desk.step('Type');
  await page.getByRole('button', { name: /^Title, / }).click();
  await page.getByRole('button', { name: /^Section, / }).click({ modifiers: ['Shift'] });
  await page.getByLabel(/^Weight/).fill('600');
  await page.getByLabel(/^Weight/).press('Enter');
  await expect(page.getByRole('button', { name: 'Undo 2 styles, weight' })).toBeVisible();
  for (const heading of ['h1', 'h2'])
    await expect(desk.frame('Sailings at 1280').locator(heading).first()).toHaveCSS('font-weight', '600');

  await desk.step('Buttons');
  await page.getByRole('button', { name: 'Shape', exact: true }).click();
  const cards = page.getByLabel('Cards', { exact: true });
  await cards.fill('24 0 24');
  await cards.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Type one radius, four radii');
  await cards.fill('24 0 24 0');
  await expect(page.locator('.mark').first()).toBeVisible();
  await cards.press('Enter');
  await expect(desk.told()).toContainText('Card corner');
  await expect(desk.frame('Home at 1280').locator('.card').first()).toHaveCSS('border-radius', '24px 0px');
  // The outlines of what the control reaches do not lie over the corners that were just set.
  await expect(page.locator('.mark')).toHaveCount(0);
});
