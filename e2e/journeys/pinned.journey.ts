import { test, expect } from '../fixtures.ts';

test.use({ pages: ['home', 'assistance', 'contact'] });

test('a design pinned over a page at its width: faded, wiped, and compared spot by spot with what is built', async ({
  desk,
  page,
  context,
}) => {
  // The truest drawing there is: the page itself, as it is live.
  await desk.step('Publish');
  await page.getByRole('button', { name: 'Publish the site' }).click();
  await expect(page.getByRole('link', { name: 'Specimen' })).toBeVisible();
  const live = await context.newPage();
  await live.setViewportSize({ width: 960, height: 800 });
  await live.goto(`${desk.server.address}/live/ternhaven/assistance.html`);
  await live.evaluate(() => document.fonts.ready);
  const drawn = await live.screenshot({ fullPage: true });
  await live.close();

  await desk.step('Sources');
  await page
    .getByLabel('Choose files')
    .setInputFiles({ name: 'assistance-drawn.png', mimeType: 'image/png', buffer: drawn });
  await page.getByRole('button', { name: 'assistance-drawn.png', exact: true }).click();
  await page.getByRole('button', { name: 'Compare with a page' }).click();
  await desk.choose('Over', 'Travelling with');
  const panel = page.getByRole('group', { name: 'Comparison', exact: true });
  const same = async () =>
    Number(/([\d.]+) % of the area has the colour of the design/.exec(await panel.innerText())?.[1] ?? 0);
  // Gradient, tables, stripes, cards: what is built is read as it is painted.
  await expect.poll(same, { timeout: 30_000 }).toBeGreaterThan(98);

  const design = page.getByAltText('assistance-drawn.png');
  await desk.slide('Share of the design', 0.3);
  await expect(design).toHaveCSS('opacity', '0.3');
  await page.getByRole('button', { name: 'wipe' }).click();
  await expect(design).toHaveCSS('clip-path', 'inset(0px 70% 0px 0px)');
  await design.hover({ position: { x: 40, y: 160 } });
  await expect(page.getByText(/^design #[0-9a-f]{6}, page #[0-9a-f]{6}, ΔE 0\.\d+$/)).toBeVisible();

  // One swatch moves: the spots say so, and can be shown.
  await desk.swatch('Fog');
  const hex = page.getByLabel('Hex or any notation');
  await hex.fill('#9fc0ff');
  await hex.press('Enter');
  await desk.step('Sources');
  await page.getByRole('button', { name: 'Comparison', exact: true }).click();
  const differ = panel.getByRole('button', { name: 'Mark where the design has #cfd9d6 and the page has #9fc0ff' });
  await differ.click();
  await expect(page.locator('.spot').first()).toBeVisible();
  await expect(panel.getByRole('region', { name: 'In the design, without a swatch' })).toContainText('#cfd9d6');
  await panel.getByRole('button', { name: 'Add #cfd9d6 as a swatch' }).click();
  await expect(panel.getByRole('region', { name: 'In the design, without a swatch' })).not.toContainText('#cfd9d6');
  await desk.saved();
  await page.reload();
  await page.getByRole('button', { name: 'Comparison', exact: true }).click();
  await expect(design).toHaveCSS('clip-path', 'inset(0px 70% 0px 0px)');
});
