import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../../server/src/testing/database.ts';
import { EVERY_KIND, expect, test } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

test('the tour goes through the main job by real acts, and is not offered again', async ({ server, page }) => {
  await page.goto(await server.link());
  await page.getByRole('button', { name: 'Take the tour' }).click({ timeout: 120_000 });
  const says = (words: RegExp) =>
    expect(page.getByRole('region', { name: 'Desk' }).getByRole('status').filter({ hasText: words })).toBeVisible();
  await says(/Funnel is the strongest colour .* Open Colour and select it/);
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Colour' }).click();
  await page
    .getByRole('region', { name: 'Palette' })
    .getByRole('button', { name: /^Funnel/ })
    .click();
  await says(/Funnel is used in \d+ places/);
  await page.getByRole('button', { name: 'Uses of Funnel' }).click();
  await says(/Now change it/);
  await page.getByRole('slider', { name: 'Lightness' }).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
  await says(/Click Review changes/);
  await page.getByRole('button', { name: 'Review changes' }).click();
  await says(/Open Failing/);
  await page.getByRole('button', { name: /^Failing/ }).click();
  await page.getByRole('row').nth(1).getByRole('button').first().click();
  await page
    .getByRole('region', { name: 'Why and fix' })
    .getByRole('button', { name: /Darken|ΔE/ })
    .first()
    .click();
  await says(/Undo both/);
  const undo = page.getByRole('banner').getByRole('button', { name: /^Undo/ });
  while (await undo.isEnabled()) await undo.click();
  await says(/Done: you changed a colour once/);
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: /places$/ }).first()).toBeVisible({ timeout: 120_000 });
  await expect(page.getByRole('button', { name: 'Take the tour' })).toHaveCount(0);
});

test('calm leaves out what is used seldom, one press away, and keeps what was opened', async ({ desk, page }) => {
  await desk.shows('Essential');
  await desk.swatch('Funnel');
  await expect(page.getByLabel('OKLCH', { exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: 'More: OKLCH, role, derivation' }).click();
  await expect(page.getByLabel('OKLCH', { exact: true })).toBeVisible();
  await page.reload();
  await desk.ready();
  await expect(page.getByLabel('OKLCH', { exact: true })).toBeVisible();
  await desk.step('Type');
  await expect(page.getByLabel('Space above', { exact: true })).toHaveCount(0);
  await desk.shows('All');
  await expect(page.getByLabel('Space above', { exact: true })).toBeVisible();
});

test('a window too small to edit in says so, shows the pages and Check for reading, and takes no edit', async ({
  desk,
  page,
}) => {
  await page.setViewportSize({ width: 800, height: 700 });
  await expect(page.getByText('Editing needs a window 1100 px wide.')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Steps' })).toHaveCount(0);
  await page.getByRole('row').nth(1).getByRole('button').first().click();
  await expect(page.getByRole('button', { name: 'Overview' })).toBeVisible();
  await page.keyboard.press('Control+Enter');
  await expect(page.getByRole('banner')).toContainText('saved;');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(800);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: 'Edit anyway' }).click();
  await expect(page.getByRole('navigation', { name: 'Steps' })).toBeVisible();
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(desk.tally(/failing$/)).toBeVisible();
});

test('a session that ends while somebody works loses nothing: signed in again elsewhere, the window goes on by itself', async ({
  desk,
  page,
  context,
}) => {
  test.info().annotations.push({ type: 'expects', description: '401|Failed to load resource' });
  await context.clearCookies();
  await desk.swatch('Funnel');
  const hex = page.getByLabel('Hex or any notation');
  await hex.fill('#a03010');
  await hex.press('Enter');
  await expect(page.getByRole('banner')).toContainText('You are signed out. Your edits are kept here');
  await hex.fill('#a0301');
  const other = await context.newPage();
  await other.goto(await desk.server.link());
  await expect(other.getByRole('button', { name: /places$/ }).first()).toBeVisible({ timeout: 120_000 });
  await expect(page.getByRole('banner')).toContainText('saved;', { timeout: 30_000 });
  await expect(hex).toHaveValue('#a0301');
  await expect
    .poll(() =>
      other
        .getByRole('region', { name: 'Palette' })
        .getByRole('button', { name: /^Funnel/ })
        .innerText(),
    )
    .toContain('#a03010');
  // And it hears what is done there again.
  const there = other.getByLabel('Hex or any notation');
  await other.getByRole('region', { name: 'Palette' }).getByRole('button', { name: /^Deep/ }).click();
  await there.fill('#102030');
  await there.press('Enter');
  await expect(page.getByRole('region', { name: 'Palette' }).getByRole('button', { name: /^Deep/ })).toContainText(
    '#102030',
  );
  await other.close();
});

test('a step whose script cannot be fetched says so, and opens after a reload', async ({ server, page }) => {
  // The script of one step only: by a word that stands in its template.
  const dist = join(ROOT, 'web/dist/browser');
  const script = readdirSync(dist).find(
    (name) =>
      name.endsWith('.js') && readFileSync(join(dist, name), 'utf8').includes('Colour difference by palette size'),
  )!;
  await page.route(`**/${script}`, (route) => route.fulfill({ status: 404, body: '' }));
  await page.goto(await server.link());
  await page.getByRole('button', { name: 'No tour' }).click({ timeout: 120_000 });
  await page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Sources' }).click();
  await expect(page.getByRole('alert')).toContainText('This step could not be loaded');
  await page.unroute(`**/${script}`);
  await page.getByRole('button', { name: 'Reload' }).click();
  await expect(page.getByRole('region', { name: 'Palette candidates' })).toBeVisible({ timeout: 60_000 });
});

test.describe('a browser that keeps nothing', () => {
  test('works all the same', async ({ server, page }) => {
    await page.addInitScript(() => {
      for (const name of ['localStorage', 'sessionStorage', 'indexedDB'])
        Object.defineProperty(window, name, {
          get: () => {
            throw new DOMException('Refused', 'SecurityError');
          },
        });
    });
    await page.goto(await server.link());
    await page.getByRole('button', { name: 'No tour' }).click({ timeout: 120_000 });
    await page
      .getByRole('region', { name: 'Palette' })
      .getByRole('button', { name: /^Funnel/ })
      .click();
    await page.getByLabel('Hex or any notation').fill('#a03010');
    await page.getByLabel('Hex or any notation').press('Enter');
    await expect(page.getByRole('contentinfo', { name: 'Tally' }).getByRole('status')).toContainText('places changed');
    await expect(page.getByRole('banner')).toContainText('saved;');
  });
});
