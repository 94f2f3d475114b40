import { EVERY_KIND, expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

test('motions are named, timed and curved, refused where they are no curve, and shown on the wall', async ({
  desk,
  page,
}) => {
  await page.emulateMedia({ reducedMotion: 'no-preference' });
  await desk.step('Buttons');
  await page.getByRole('button', { name: 'Sizes and motion' }).click();
  const moving = () =>
    desk
      .frame('Home at 1280')
      .locator('.button')
      .first()
      .evaluate((element) =>
        [getComputedStyle(element).transitionDuration, getComputedStyle(element).transitionTimingFunction].join(' '),
      );
  // Pages for comparison do not move.
  expect(await moving()).toContain('0s');
  const duration = page.getByLabel('Quick duration, ms');
  await duration.fill('900');
  await duration.press('Enter');
  const easing = page.getByLabel('Quick easing');
  await easing.fill('bouncy');
  await easing.press('Enter');
  await expect(page.getByText(/“bouncy” is not an easing\. Use four numbers.* The old value is kept\./)).toBeVisible();
  await easing.fill('0.2, 0, 0, 1');
  await easing.press('Enter');
  await desk.saved();
  await page.getByRole('button', { name: 'Play on the pages' }).click();
  await expect.poll(moving).toBe('0.9s cubic-bezier(0.2, 0, 0, 1)');
  await expect.poll(moving).toContain('0s');
  await desk.choose('Buttons take', 'at once');
  await expect(desk.told()).toContainText('changed');
  await page.getByRole('button', { name: 'Delete Calm' }).click();
  await expect(page.getByLabel('Calm easing')).toHaveCount(0);
  await desk.saved();
});
