import { API } from '@yohaku/core';
import { Desk, expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: ['home', 'fares', 'contact'] });

test('what was measured is there at the next opening: no figure grows while one looks', async ({ desk, page }) => {
  const tally = page.getByRole('contentinfo', { name: 'Tally' });
  const kept = page.waitForResponse(
    (answer) =>
      answer.request().method() === 'PUT' &&
      answer.url().endsWith(API.measured.keep.path.replace(':site', 'ternhaven')),
  );
  // An edit of the layout, so that there is something new to keep.
  await desk.step('Type');
  await page.getByLabel('Wide: text size').fill('18.5');
  await page.keyboard.press('Enter');
  await expect(desk.told()).toContainText('places changed');
  await expect(tally).not.toContainText('measuring');
  expect((await kept).status()).toBe(204);
  const failing = await desk.tally(/failing$/).innerText();

  const other = await page.context().newPage();
  await other.goto(page.url());
  const again = new Desk(other, desk.server);
  const figures: string[] = [];
  await again.ready();
  for (let i = 0; i < 12; i++) {
    figures.push(await again.tally(/failing$/).innerText());
    await other.waitForTimeout(150);
  }
  expect(figures.slice(-6).every((figure) => figure === failing)).toBe(true);
  await expect(other.getByRole('contentinfo', { name: 'Tally' })).not.toContainText('measuring');
  await other.close();
});
