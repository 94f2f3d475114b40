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
  const layer = page.getByRole('group', { name: /^Measure the design/ });
  await layer.hover({ position: { x: 40, y: 160 } });
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

test('a design is enlarged, its font sizes and distances are measured, by pointer and by keys, and it hangs beside a page', async ({
  desk,
  page,
  context,
}) => {
  // A drawing of another house: its sizes are known to the browser that drew it.
  const drawing = await context.newPage();
  await drawing.setViewportSize({ width: 900, height: 700 });
  await drawing.setContent(`<body style="margin:0;background:#f4efe4;color:#402218;font-family:Georgia,serif">
    <div style="margin:40px 60px 0;font-size:44px;line-height:1" id="a">Clocks mended here</div>
    <div style="margin:60px 60px 0;width:400px;height:120px;background:#402218" id="b"></div></body>`);
  const figures = await drawing.evaluate(() => {
    const box = (id: string) => document.getElementById(id)!.getBoundingClientRect().toJSON() as DOMRect;
    const pen = document.createElement('canvas').getContext('2d')!;
    pen.font = getComputedStyle(document.getElementById('a')!).font;
    // Height of a small letter without round parts, and of a capital, as this browser draws them.
    return { a: box('a'), b: box('b'), x: pen.measureText('x').actualBoundingBoxAscent };
  });
  const drawn = await drawing.screenshot();
  await drawing.close();

  await desk.step('Sources');
  await page.getByLabel('Choose files').setInputFiles({ name: 'clocks.png', mimeType: 'image/png', buffer: drawn });
  await page.getByRole('button', { name: 'clocks.png', exact: true }).click();
  await page.getByRole('button', { name: 'Enlarge and measure' }).click();
  const layer = page.getByRole('group', { name: /^Measure the design/ });
  const said = page.locator('yo-pin-wall').getByRole('status');
  await expect.poll(async () => (await layer.boundingBox())?.width).toBe(900);
  const across = async (from: readonly [number, number], to: readonly [number, number]) => {
    await expect(async () => {
      const { x, y } = (await layer.boundingBox())!;
      await page.mouse.move(x + from[0], y + from[1]);
      await page.mouse.down();
      await page.mouse.move(x + to[0], y + to[1], { steps: 4 });
      await page.mouse.up();
      await expect(said).not.toContainText('Drag across', { timeout: 1000 });
    }).toPass();
  };

  // The family of the drawing is not the site's: the height of its small letters decides.
  await across([figures.a.left - 6, figures.a.top - 6], [figures.a.left + 420, figures.a.bottom + 6]);
  await expect(said).toContainText('Nearest style:');
  const size = Number(/([\d.]+) px in Gelasio/.exec(await said.innerText())![1]);
  expect(Math.abs(size / (figures.x / 0.4814) - 1)).toBeLessThan(0.06);

  // A distance, by keys: from the lower edge of the letters' box to the block below it.
  const gap = Math.round(figures.b.top - figures.a.bottom);
  await layer.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  for (let i = 0; i < Math.floor(gap / 10); i++) await page.keyboard.press('Shift+ArrowDown');
  for (let i = 0; i < gap % 10; i++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(said).toContainText(`${gap} px. Nearest space: Even, 60 px.`);
  await page.keyboard.press('Escape');
  await expect(said).toContainText('Drag across letters');

  await page.getByRole('button', { name: 'side by side' }).click();
  const built = page.locator('iframe[title="Home beside the design"]');
  await expect(built).toBeVisible();
  const [left, right] = [(await built.boundingBox())!, (await layer.boundingBox())!];
  expect(left.x + left.width).toBeLessThanOrEqual(right.x);
  expect(Math.abs(left.y - right.y)).toBeLessThan(2);
  await desk.saved();
  await page.reload();
  await expect(page.getByRole('button', { name: 'side by side' })).toHaveAttribute('aria-pressed', 'true');
});
