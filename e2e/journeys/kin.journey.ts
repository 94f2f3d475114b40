import { expect, test } from '../fixtures.ts';

test('the signal colour changes and takes its kin along: listed with places, along, derived or left, remembered', async ({ desk, page }) => {
  await desk.swatch('Funnel');
  // A plain swatch near to it, as a page grown by hand would have it.
  await page.getByRole('button', { name: 'Add a swatch' }).click();
  const name = page.getByLabel('Name', { exact: true });
  await name.fill('Buoy');
  await name.press('Enter');
  const hex = page.getByLabel('Hex or any notation');
  await hex.fill('#c24b2e');
  await hex.press('Enter');
  await desk.saved();
  await desk.swatch('Funnel');
  await page.getByRole('button', { name: 'Kin', exact: true }).click();
  const kin = page.getByRole('list', { name: 'Kin' });
  await expect(kin.getByRole('listitem').filter({ hasText: 'Buoy' })).toBeVisible();
  // What follows by rule already is no kin: it goes anyway.
  await expect(kin.getByRole('listitem').filter({ hasText: 'Pressed' })).toHaveCount(0);

  await hex.fill('#1e6eb8');
  await hex.press('Enter');
  await desk.saved();
  await kin.getByRole('button', { name: 'Buoy goes along' }).click();
  await desk.saved();
  const palette = page.getByRole('region', { name: 'Palette' });
  await expect(palette.getByRole('button', { name: /^Buoy #[0-4]/ })).toBeVisible();
  // It is remembered: with the next move it goes along in the same undo step.
  await hex.fill('#1e8a5a');
  await hex.press('Enter');
  await expect(page.getByRole('button', { name: /^Undo Funnel .* with 1 kin/ })).toBeVisible();
  const stray = kin.getByRole('listitem').filter({ hasText: / of / }).first();
  await expect(stray).toBeVisible();
  await stray.getByRole('button', { name: /follows by rule/ }).click();
  await expect(palette.getByRole('button', { name: /^Funnel kin/ })).toContainText('← Funnel');
  await page.getByRole('button', { name: /^Undo .* follows Funnel/ }).click();
  await expect(palette.getByRole('button', { name: /^Funnel kin/ })).toHaveCount(0);
});
