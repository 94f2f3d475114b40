import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { EVERY_KIND, test, expect } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

test('a logo dropped as a source becomes a form, stands in every header by background, is judged, and goes out as the site’s icon', async ({
  desk,
  page,
}) => {
  await desk.step('Sources');
  await page.getByLabel('Choose files').setInputFiles(join(import.meta.dirname, '../../demo/sources/mark-on-pale.svg'));
  await page.getByRole('button', { name: 'mark-on-pale.svg', exact: true }).click();
  await page.getByRole('button', { name: 'Use as a logo variant' }).click();
  const panel = page.getByRole('group', { name: 'Logo' });
  await expect(panel.getByText(/on its own panel, #fbfaf6; used on/)).toBeVisible();
  const wall = page.getByRole('list', { name: 'The logo on each background' });
  await expect(wall.getByRole('listitem')).toHaveCount(6);
  await expect(page.getByText('512', { exact: true })).toBeVisible();

  // On the dark ground the dark mark is lost, and the tally says so.
  const fails = async () => Number((await desk.tally(/failing$/).innerText()).replace(/\D/g, ''));
  // Counted once what lies behind the texts over pictures has been read.
  await expect(desk.tally(/not yet measured$/)).toHaveCount(0, { timeout: 60_000 });
  const before = await fails();
  const onInk = panel.getByRole('group', { name: 'Variant on Ink' });
  await expect(onInk.getByText('automatic')).toBeVisible();
  await onInk.getByRole('button', { name: 'Dark mark' }).click();
  await expect(onInk.getByRole('button', { name: 'Dark mark' })).toHaveAttribute('aria-pressed', 'true');
  // The three pages, the page after the form, and the one for unknown addresses.
  await expect.poll(fails).toBe(before + 5);
  await page.getByRole('button', { name: 'Undo Logo on Ink' }).click();
  await expect.poll(fails).toBe(before);

  // The width is one token for all of them; nonsense is refused with its reason.
  const width = panel.getByLabel('Width, px');
  await width.fill('huge');
  await width.press('Enter');
  await expect(panel.getByRole('alert')).toBeVisible();
  await page.getByRole('button', { name: 'All pages' }).click();
  await width.fill('90');
  await width.press('Enter');
  await expect.poll(() => desk.computed('Contact at 1280', 'header/logo', 'width')).toBe('90px');
  await width.fill('30');
  await width.press('Enter');
  await expect.poll(fails).toBe(before + 10);
  await page.getByRole('button', { name: 'Undo Logo width' }).click();

  // Alone, the picture carries the name for those who cannot see it.
  await panel.getByRole('button', { name: 'alone' }).click();
  await expect(
    page
      .frameLocator('iframe[title="Home at 1280"]')
      .getByRole('link', { name: 'Ternhaven', exact: true, includeHidden: true })
      .first(),
  ).toBeAttached();
  await expect(page.getByText('rendered differently')).toHaveCount(0);

  await desk.saved();
  const files = unzipSync(await (await page.request.get(`${desk.server.address}/api/sites/ternhaven/zip`)).body());
  for (const side of [16, 32, 180, 512]) {
    const png = Buffer.from(files[`icon-${side}.png`]!);
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([side, side]);
  }
  expect(Buffer.from(files['fares.html']!).toString()).toContain(
    '<link rel="icon" type="image/png" sizes="32x32" href="icon-32.png">',
  );
});
