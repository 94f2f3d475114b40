import { violations } from '../axe.ts';
import { expect, test } from '../fixtures.ts';

test('every part of the kit looks as it did, passes axe, and is worked by keyboard', async ({ server, page }) => {
  await page.goto(await server.link());
  await page.setViewportSize({ width: 1280, height: 1240 });
  await page.goto(`${server.address}/kit`);
  await expect(page.getByRole('heading', { name: 'Kit' })).toBeVisible();
  await page.evaluate(() => document.fonts.ready);
  await expect(page.getByRole('table', { name: 'Rows' }).getByRole('row').nth(3)).toBeVisible();
  // A part that loses its look differs by far more: letters are drawn a little otherwise by another version of the
  // browser.
  await expect(page).toHaveScreenshot('kit.png', { maxDiffPixelRatio: 0.01 });
  expect(await violations(page)).toEqual([]);

  // Something that would be lost is asked about where it is; the focus goes in, and back.
  const remove = page.getByRole('button', { name: 'Delete', exact: true });
  await remove.focus();
  await page.keyboard.press('Enter');
  const ask = page.getByRole('dialog', { name: 'Delete Funnel' });
  await expect(ask).toContainText('140 uses');
  expect(await violations(page)).toEqual([]);
  await page.keyboard.press('Escape');
  await expect(ask).toHaveCount(0);
  await expect(remove).toBeFocused();

  // A slider goes by steps, by ten, and to its ends.
  const light = page.getByRole('slider', { name: 'Lightness' });
  await light.focus();
  await page.keyboard.press('ArrowRight');
  await expect(light).toHaveAttribute('aria-valuenow', '0.54');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(light).toHaveAttribute('aria-valuenow', '0.64');
  await page.keyboard.press('End');
  await expect(light).toHaveAttribute('aria-valuenow', '1');

  // A focus point is where the picture is pressed, and goes on by keys.
  const point = page.getByRole('slider', { name: 'Focus point of a view' });
  const whole = (await page.locator('yo-focus-point .whole').boundingBox())!;
  await page.mouse.click(whole.x + whole.width * 0.8, whole.y + whole.height * 0.25);
  await expect(point).toHaveAttribute('aria-valuetext', '80 % from left, 25 % from top');
  await page.mouse.down();
  await page.mouse.move(whole.x - 40, whole.y + whole.height * 0.5, { steps: 4 });
  await page.mouse.up();
  await expect(point).toHaveAttribute('aria-valuetext', '0 % from left, 50 % from top');
  await point.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('ArrowUp');
  await expect(point).toHaveAttribute('aria-valuetext', '10 % from left, 49 % from top');

  // A tip comes with the focus of the keyboard, with its key, and goes with Esc.
  await page.getByRole('radio', { name: 'Edited' }).focus();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('tooltip')).toHaveText('What it does, in a sentence · Ctrl Z');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('tooltip')).toHaveCount(0);
});
