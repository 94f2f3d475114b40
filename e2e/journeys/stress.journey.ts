import { EVERY_KIND, expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

test('hostile copy hangs on the wall, and what breaks under it is listed with the place and the style to blame', async ({
  desk,
  page,
}) => {
  await desk.step('Type');
  const title = () => desk.frame('Home at 1280').locator('h1').textContent();
  const own = await title();
  await desk.show('Stress-test content');
  const kinds = page.getByRole('group', { name: 'Stress-test content' });
  await expect.poll(title).not.toBe(own);
  await expect(page.getByText(/No problems|things? breaks?/)).toBeVisible();
  // Headings set far too large for a phone tear their words there, and are named.
  await page
    .getByRole('group', { name: 'Type scale' })
    .getByRole('button', { name: /^Title, / })
    .click();
  const phone = page.getByLabel('at 390', { exact: true });
  await phone.fill('120');
  await phone.press('Enter');
  const breaks = page.getByRole('list', { name: 'Problems' }).getByRole('button');
  await expect(breaks.filter({ hasText: /at 390: Title .* breaks “.+” in two, set in Title/ }).first()).toBeVisible();
  await breaks
    .filter({ hasText: /set in Title/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: 'Overview' })).toBeVisible();
  await page.getByRole('button', { name: 'Overview' }).click();
  await desk.saved();
  // Text as wide as readers may set it is laid out as well.
  await kinds.getByRole('button', { name: 'text spacing' }).click();
  await expect
    .poll(() =>
      desk
        .frame('Home at 1280')
        .locator('h1')
        .evaluate((element) => getComputedStyle(element).letterSpacing),
    )
    .not.toBe('normal');
  await kinds.getByRole('button', { name: 'text at 200 %' }).click();
  await expect
    .poll(() =>
      desk
        .frame('Home at 1280')
        .locator('.text--body')
        .first()
        .evaluate((element) => Number.parseFloat(getComputedStyle(element).fontSize)),
    )
    .toBeGreaterThan(30);
  // The saved site is unchanged: its own text comes back.
  await desk.show('Stress-test content');
  await expect.poll(title).toBe(own);
  await expect
    .poll(() =>
      desk
        .frame('Home at 1280')
        .locator('.text--body')
        .first()
        .evaluate((element) => Number.parseFloat(getComputedStyle(element).fontSize)),
    )
    .toBeLessThan(20);
});
