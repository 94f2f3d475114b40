import { expect, testOnOneDesk as test } from '../fixtures.ts';

test('sections are chosen from a shelf that shows each in the brand, and go where it said', async ({ desk, page }) => {
  await desk.step('Pages');
  await desk.choose('Page', 'Contact');
  const strips = page.getByRole('group', { name: 'Sections of Contact' }).getByRole('button');
  await expect(strips.first()).toBeVisible();
  const before = await strips.count();
  await strips.nth(1).click();
  const behind = (await strips.nth(1).locator('.name').innerText()).replace(', reused', '');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Add a section' }).click();
  await expect(page.getByText(`Goes after “${behind}”.`)).toBeVisible();
  const shelf = page.getByRole('list', { name: 'Kinds of section' });
  expect(await shelf.getByRole('listitem').count()).toBeGreaterThanOrEqual(28);
  // In the brand: its own letters and colours, in words of the page; what the page does not say, the kind says.
  await page.getByRole('group', { name: 'For' }).getByRole('button', { name: 'lists', exact: true }).click();
  const card = shelf.getByRole('listitem').filter({ hasText: 'FAQ' }).frameLocator('iframe');
  await expect(card.getByText('Can I change it later?')).toBeAttached();
  const said = card.getByText(await desk.frame('Contact at 1280').locator('main h2').first().innerText());
  expect(await said.evaluate((words) => getComputedStyle(words).fontFamily)).toContain('Gelasio');
  await page.keyboard.press('Escape');
  await expect(shelf).toHaveCount(0);

  await page.getByRole('button', { name: 'Add a section' }).click();
  await page.getByRole('group', { name: 'For' }).getByRole('button', { name: 'lists', exact: true }).click();
  // A card that has just come into sight is drawn while it is pressed: the press counts all the same.
  const pressed = shelf.getByRole('button', { name: 'FAQ' });
  await pressed.hover();
  await page.mouse.down();
  await pressed.evaluate((button) => {
    for (const part of [...button.children]) part.replaceWith(part.cloneNode(true));
  });
  await page.mouse.up();
  await expect(strips).toHaveCount(before + 1);
  await expect(strips.nth(2)).toHaveText('FAQ');
  await expect(strips.nth(2)).toHaveAttribute('aria-pressed', 'true');
  await expect(desk.frame('Contact at 1280').locator('details')).toHaveCount(3);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo Add FAQ to Contact' }).click();
  await expect(strips).toHaveCount(before);
});

test('what stands in a section is made once more, moved, deleted, and another block is laid in behind it', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await desk.choose('Page', 'Fares');
  const frame = desk.frame('Fares at 1280');
  const button = frame.locator('[data-place="fares-half-b4/k1"]');
  await button.click();
  const slip = page.getByRole('dialog', { name: /^Button/ });
  await slip.getByRole('button', { name: 'Add another' }).click();
  await expect(button.locator('xpath=..').locator('a')).toHaveCount(2);
  await slip.getByRole('button', { name: 'Move One of buttons down' }).click();
  await expect(button.locator('xpath=..').locator('a').last()).toHaveAttribute('data-place', 'fares-half-b4/k1');
  await slip
    .getByRole('group', { name: 'One of buttons' })
    .getByRole('button', { name: 'Delete One of buttons' })
    .click();
  await expect(button).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo Delete one of buttons' }).click();
  await expect(button).toHaveCount(1);
  await button.click();
  await desk.choose('Add after', 'Links', slip);
  await expect(frame.locator('.links a')).toHaveCount(2);
  await desk.saved();
});

test('a section is kept, stands on a second page as the same one, is edited once for both, and becomes one of a page alone', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await desk.choose('Page', 'Notices');
  const strip = (of: string, name: RegExp) =>
    page.getByRole('group', { name: `Sections of ${of}` }).getByRole('button', { name });
  await strip('Notices', /^Word by message/).click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Reuse on other pages' }).click();
  await expect(strip('Notices', /^Word by message, reused/)).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Escape');
  await desk.choose('Page', 'About');
  await page.getByRole('button', { name: 'Add a section' }).click();
  await page
    .getByRole('group', { name: 'For' })
    .getByRole('button', { name: /^reused/ })
    .click();
  await page
    .getByRole('list', { name: 'Kinds of section' })
    .getByRole('button', { name: /^Word by message/ })
    .click();
  await expect(strip('About', /^Word by message, reused/)).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText('on 2 pages; edits change all of them')).toBeVisible();
  await page.keyboard.press('Escape');
  await desk.choose('Background', 'Deep', page.getByRole('region', { name: 'Desk' }));
  for (const name of ['About', 'Notices'])
    await expect
      .poll(() =>
        desk
          .frame(`${name} at 1280`)
          .locator('main > [data-part]', { hasText: 'Have them sent' })
          .evaluate((element) => getComputedStyle(element).backgroundColor),
      )
      .toBe('rgb(14, 59, 67)');
  await page.getByRole('button', { name: 'Stop sharing here' }).click();
  await expect(strip('About', /^Word by message$/)).toHaveAttribute('aria-pressed', 'true');
  await desk.saved();
});

test('the menu is written, ordered and thinned in one place; a page says what it is where it is listed', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await page.getByRole('button', { name: 'Menu', exact: true }).click();
  const entries = page.getByRole('list', { name: 'Menu entries' });
  const menu = desk.frame('Home at 1280').getByRole('navigation', { name: 'Main' }).getByRole('link');
  await expect(menu.first()).toHaveText('Sailings');
  await entries.getByLabel('Text of Fares').fill('Prices');
  await entries.getByLabel('Text of Fares').press('Enter');
  await expect(menu.nth(1)).toHaveText('Prices');
  await entries.getByRole('button', { name: 'Prices up' }).click();
  await expect(menu.first()).toHaveText('Prices');
  await entries.getByRole('button', { name: 'Delete Sailings' }).click();
  await expect(menu.filter({ hasText: 'Sailings' })).toHaveCount(0);
  const add = entries.getByLabel(/^Add an entry/);
  await add.fill('nowhere at all');
  await add.press('Enter');
  await expect(entries.getByRole('alert')).toContainText('is neither a page of this site nor an address');
  await add.fill('Sailings');
  await add.press('Enter');
  await expect(menu.last()).toHaveText('Sailings');
  // Under another it opens without script.
  await entries.getByRole('button', { name: 'Sailings indent' }).click();
  const opener = desk.frame('Home at 1280').locator('nav details summary');
  await expect(opener).toHaveText('Contact');
  await expect(entries.getByRole('button', { name: 'Sailings outdent' })).toBeFocused();
  await page.keyboard.press('Escape');

  await page.getByRole('button', { name: 'Page details' }).click();
  const description = page.getByLabel(/^Description/);
  await description.fill('x'.repeat(301));
  await description.press('Enter');
  await expect(page.getByRole('alert')).toContainText('301 characters; at most 300.');
  await description.fill('When the boats leave, what it costs, and how to come along.');
  await description.press('Enter');
  await expect(page.locator('.result')).toContainText('When the boats leave');
  await desk.saved();
});
