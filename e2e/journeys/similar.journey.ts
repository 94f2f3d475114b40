import { unzipSync } from 'fflate';
import { expect, testOnOneDesk as test } from '../fixtures.ts';

test('the signal colour changes and takes its similar colours along: listed with places, along, derived or left, remembered', async ({
  desk,
  page,
}) => {
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
  await page.getByRole('button', { name: 'Similar colours', exact: true }).click();
  const similar = page.getByRole('list', { name: 'Similar colours' });
  await expect(similar.getByRole('listitem').filter({ hasText: 'Buoy' })).toBeVisible();
  // A derived swatch is not a similar colour: it follows anyway.
  await expect(similar.getByRole('listitem').filter({ hasText: 'Pressed' })).toHaveCount(0);

  await hex.fill('#1e6eb8');
  await hex.press('Enter');
  await desk.saved();
  await similar.getByRole('button', { name: 'Buoy moves together' }).click();
  await desk.saved();
  const palette = page.getByRole('region', { name: 'Palette' });
  await expect(palette.getByRole('button', { name: /^Buoy #[0-4]/ })).toBeVisible();
  // It is remembered: with the next move it moves together in the same undo step.
  await hex.fill('#1e8a5a');
  await hex.press('Enter');
  await expect(page.getByRole('button', { name: /^Undo Funnel .* with 1 similar colour/ })).toBeVisible();
  const stray = similar.getByRole('listitem').filter({ hasText: / of / }).first();
  await expect(stray).toBeVisible();
  await stray.getByRole('button', { name: /is derived/ }).click();
  await expect(palette.getByRole('button', { name: /^Funnel similar/ })).toContainText('← Funnel');
  await page.getByRole('button', { name: /^Undo .* follows Funnel/ }).click();
  await expect(palette.getByRole('button', { name: /^Funnel similar/ })).toHaveCount(0);
});

test('a flat colour inside a drawing moves together: it follows on every page, in the export too, and can be given back', async ({
  desk,
  page,
}) => {
  await desk.swatch('Funnel');
  const hex = page.getByLabel('Hex or any notation');
  await hex.fill('#1e6eb8');
  await hex.press('Enter');
  await page.getByRole('button', { name: 'Similar colours', exact: true }).click();
  await page
    .getByRole('list', { name: 'Similar colours' })
    .getByRole('button', { name: 'The harbour at Ternhaven: #b83a1e moves together' })
    .click();
  await page.getByRole('button', { name: 'All pages' }).click();
  const picture = desk.frame('About at 1280').locator('[data-place="abt-opener/backdrop"]');
  const shown = () =>
    picture.evaluate((image: HTMLImageElement) =>
      image.complete && image.naturalWidth > 0 ? image.getAttribute('src') : 'not there',
    );
  await expect.poll(shown).toMatch(/harbour-[0-9a-f]{10}-b83a1e1e6eb8\.svg$/);
  expect(
    await (await page.request.get(`${desk.server.address}/frame/ternhaven/${await shown()}`)).text(),
  ).not.toContain('#b83a1e');
  await hex.fill('#1e8a5a');
  await hex.press('Enter');
  await expect.poll(shown).toContain('-b83a1e1e8a5a.svg');
  await expect(page.getByText('rendered differently')).toHaveCount(0);
  await desk.saved();
  const files = unzipSync(await (await page.request.get(`${desk.server.address}/api/sites/ternhaven/zip`)).body());
  const [, drawing] = Object.entries(files).find(([name]) => name.includes('harbour-'))!;
  expect(Buffer.from(drawing).toString()).toContain('fill="#1e8a5a"');
  await page.getByRole('button', { name: /^Undo Funnel/ }).click();
  await page.getByRole('button', { name: /^Undo The harbour at Ternhaven: #b83a1e/ }).click();
  await expect.poll(shown).toMatch(/harbour-[0-9a-f]{10}\.svg$/);
});
