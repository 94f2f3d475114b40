import { expect, testOnOneDesk as test } from '../fixtures.ts';

test('a menu that wraps because its size grew is worse, read from the real layout', async ({ desk, page }) => {
  await desk.step('Type');
  await page.getByRole('button', { name: /^Menu,/ }).click();
  // At once: the pages are still being read, and have not all been as they were before.
  const size = page.getByLabel('Size at 1280');
  await size.focus();
  await expect(page.getByText(/Menu size: used in \d+ places on 12 pages/)).toBeVisible();
  await size.fill('60');
  await size.press('Enter');
  await expect(desk.told()).toContainText(/Menu size: 72 places changed, 72 worse, [1-9]\d* with more lines/);
  await page.getByRole('button', { name: 'Review changes' }).click();
  const queue = page.getByRole('region', { name: 'Issues' });
  await queue.getByRole('button', { name: 'Place', exact: true }).click();
  await expect(queue).toContainText(/Header.*takes [2-9] lines, 1 before/);

  // A pale text on a ground it does not stand out from is worse as well, and named with its chain.
  await desk.step('Backgrounds');
  await page.getByRole('button', { name: 'Body text on Tern white', exact: true }).click();
  await desk.choose('Swatch', 'Lamp');
  await expect(desk.told()).toContainText(/Body text on Tern white: \d+ places changed.* [1-9]\d* worse/);
  await page.getByRole('button', { name: 'Review changes' }).click();
  await queue.getByRole('row').nth(1).getByRole('button').first().click();
  await expect(page.getByRole('region', { name: 'Why and fix' })).toContainText('Body text on Tern white');
  await page.keyboard.press('Control+z');
  await expect(desk.told()).toContainText('none worse');
});

test('values held by an override, a stray or a width are named with what holds them', async ({ desk, page }) => {
  await desk.step('Type');
  await page.getByRole('button', { name: /^Title,/ }).click();
  await page.getByLabel('Size at 1280').fill('52');
  await page.getByLabel('Size at 1280').press('Enter');
  await expect(desk.told()).toContainText(/Title size: \d+ places changed, 1 kept/);
  await page.getByRole('button', { name: 'Review changes' }).click();
  await page
    .getByRole('group', { name: 'Lists' })
    .getByRole('button', { name: /^Changed/ })
    .click();
  await expect(page.getByRole('region', { name: 'Issues' })).toContainText('font-size is set here on phone');
});
