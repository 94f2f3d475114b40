import { EVERY_KIND, expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

test('palettes are suggested from what stays: tried on the wall, taken whole or by one swatch, never without being asked', async ({
  desk,
  page,
}) => {
  await desk.swatch('Funnel');
  await page.getByRole('button', { name: 'Lock', exact: true }).click();
  await page.getByRole('button', { name: 'Harmonies' }).click();
  const panel = page.getByRole('region', { name: 'Harmonies' });
  await expect(panel).toContainText('Built on Funnel');
  await expect(panel.getByRole('listitem')).toHaveCount(6, { timeout: 60_000 });
  const deep = () => desk.computed('Home at 1280', 'page/surface', '--color-core-deep');
  const row = panel.getByRole('listitem').filter({ hasText: 'Triadic' });
  await expect(row).not.toContainText('failing');
  await row.hover();
  await expect.poll(deep).not.toBe('#0e3b43');
  await page.getByRole('navigation', { name: 'Steps' }).hover();
  await expect.poll(deep).toBe('#0e3b43');
  // By key: H shows the next one for as long as it is held.
  await page.keyboard.down('h');
  await expect.poll(deep).not.toBe('#0e3b43');
  const first = await deep();
  await page.keyboard.up('h');
  await expect.poll(deep).toBe('#0e3b43');
  await page.keyboard.down('h');
  await expect.poll(deep).not.toBe('#0e3b43');
  expect(await deep()).not.toBe(first);
  await page.keyboard.up('h');
  await expect.poll(deep).toBe('#0e3b43');
  await expect(page.getByRole('button', { name: /^Undo Funnel locked/ })).toBeVisible();

  await row.getByRole('button', { name: /^Apply Ink .* alone/ }).click();
  await expect(page.getByRole('button', { name: 'Undo Ink of Triadic' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo Ink of Triadic' }).click();
  await expect(panel.getByRole('listitem')).toHaveCount(6, { timeout: 60_000 });
  await panel.getByRole('button', { name: 'Apply Complementary' }).click();
  await desk.saved();
  await expect.poll(deep).not.toBe('#0e3b43');
  expect(await desk.computed('Home at 1280', 'page/surface', '--color-core-funnel')).toBe('#b83a1e');
  await expect(
    page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Backgrounds' }),
  ).not.toContainText('open');
});
