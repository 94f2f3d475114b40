import { expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: ['home', 'islands', 'contact'] });

test('a derived swatch follows by another rule, is made plain, and gets its rule back; a loop is refused with its path', async ({
  desk,
  page,
}) => {
  await desk.swatch('Pressed');
  await desk.choose('Method', 'contrast');
  await desk.choose('On', 'Fog');
  await expect(page.getByRole('button', { name: /^Undo Pressed is Funnel at 4.5 on Fog/ })).toBeVisible();
  const hex = await page.getByLabel('Hex or any notation').inputValue();
  const contrast = page.getByLabel('Contrast', { exact: true });
  await contrast.fill('7');
  await contrast.press('Enter');
  await expect(page.getByLabel('Hex or any notation')).not.toHaveValue(hex);
  await expect
    .poll(() => desk.computed('Home at 1280', 'page/surface', '--color-derived-press'))
    .toBe(await page.getByLabel('Hex or any notation').inputValue());
  await contrast.fill('40');
  await contrast.press('Enter');
  await expect(page.getByRole('alert')).toContainText('From 1 to 21. 7 is kept.');
  await contrast.press('Escape');

  await desk.choose('Derived from', 'not derived');
  await page.getByRole('button', { name: 'Restore rule: Funnel at 7 on Fog' }).click();
  await expect(page.getByLabel('Contrast', { exact: true })).toHaveValue('7');

  await desk.swatch('Funnel');
  await desk.choose('Derived from', 'Pressed');
  await expect(page.getByRole('alert').first()).toContainText(
    /cannot be derived from itself: .*Pressed ← Funnel|cannot be derived from itself: .*Funnel ← Pressed/,
  );
  await expect(page.getByLabel('Derived from', { exact: true }).locator('xpath=ancestor::nz-select')).toContainText(
    'not derived',
  );
});

test('wall and desk are seen as others see them, and the pairs that must be told apart are judged so', async ({
  desk,
  page,
}) => {
  await desk.step('Colour');
  const red = async () => {
    const shot = await page
      .getByRole('region', { name: 'Palette' })
      .getByRole('button', { name: /^Funnel/ })
      .locator('.card')
      .screenshot();
    return page.evaluate(
      async (bytes) => {
        const bitmap = await createImageBitmap(new Blob([new Uint8Array(bytes)]));
        const canvas = new OffscreenCanvas(bitmap.width, bitmap.height).getContext('2d')!;
        canvas.drawImage(bitmap, 0, 0);
        return [...canvas.getImageData(bitmap.width - 10, 4, 1, 1).data.slice(0, 3)];
      },
      [...shot],
    );
  };
  expect(await red()).toEqual([184, 58, 30]);
  await desk.show('deutan');
  const [r, g] = (await red()) as [number, number];
  // Without the middle cones red and green are hardly apart.
  expect(Math.abs(r - g)).toBeLessThan(60);
  await page.getByRole('button', { name: 'Lightness by hue' }).click();
  const row = page
    .getByRole('region', { name: 'Lightness by hue' })
    .getByRole('row', { name: /Link against text on Tern white/ })
    .first();
  await expect(row).toContainText('underlined');
  const [full, , deutan] = (await row.getByRole('cell').allTextContents()).map(Number) as [number, number, number];
  expect(deutan).toBeLessThan(full);
  await page.reload();
  await desk.ready();
  await expect(page.getByText('Colour vision: deutan')).toBeVisible();

  // Pages that are scrolled out of sight take no click from the controls above them, with or without a colour vision
  // filter.
  await page.getByRole('button', { name: 'Islands', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Overview' })).toBeVisible();
  await page.getByRole('region', { name: 'All pages' }).evaluate((row) => row.scrollTo({ top: 400 }));
  for (const name of ['Find', 'Show', 'Settings', 'Overview'])
    await page.getByRole('button', { name, exact: true }).click({ trial: true });
  await desk.show('full colour');
  await expect(page.getByText('Colour vision: deutan')).toHaveCount(0);
  await page.getByRole('button', { name: 'Overview' }).click();
});

test('any notation is taken; what sRGB cannot show is kept as written, painted mapped, and says so', async ({
  desk,
  page,
}) => {
  await desk.swatch('Funnel');
  const hex = page.getByLabel('Hex or any notation');
  for (const [typed, shown] of [
    ['rgb(20 59 67)', '#143b43'],
    ['hsl(188 54% 17%)', '#143d43'],
    ['rebeccapurple', '#663399'],
    ['oklch(50% 0.1 200)', /^#[0-9a-f]{6}$/],
  ] as const) {
    await hex.fill(typed);
    await hex.press('Enter');
    await expect(hex).toHaveValue(shown);
  }
  await hex.fill('color(display-p3 1 0.2 0)');
  await hex.press('Enter');
  const facts = page.getByRole('region', { name: 'Funnel' });
  await expect(facts).toContainText('color(display-p3 1 0.2 0) is outside sRGB: #ff');
  await expect.poll(() => desk.computed('Home at 1280', 'page/surface', '--color-core-funnel')).toMatch(/^#ff/);
  await page.reload();
  await desk.ready();
  await expect(facts).toContainText('color(display-p3 1 0.2 0) is outside sRGB:');
  await hex.fill('no colour at all');
  await hex.press('Enter');
  await expect(page.getByRole('alert')).toContainText('is not a colour');
});
