import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import { ROOT } from '../../server/src/testing/database.ts';
import { EVERY_KIND, expect, test } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

const demo = (name: string) => join(ROOT, 'demo', 'sources', name);

test('from a drawn timetable board to the designer’s own number of colours, with what dropping costs', async ({
  desk,
  page,
}) => {
  await desk.step('Sources');
  await page.getByLabel('Choose files').setInputFiles([demo('timetable-board.svg'), demo('mark-on-pale.svg')]);
  const ranking = page.getByRole('region', { name: 'Palette candidates' });
  const row = (text: string) => ranking.getByRole('listitem').filter({ hasText: text });
  await expect(row('#c9a227')).toBeVisible();
  await expect(page.getByRole('img', { name: 'timetable-board.svg' })).toBeVisible();

  await page.getByRole('button', { name: 'Show where Funnel occurs' }).click();
  await expect(page.locator('yo-source-piece svg path').first()).toHaveAttribute('d', /^M/);

  const line = page.getByRole('slider', { name: 'Palette size' });
  await line.focus();
  for (let kept = Number(await line.getAttribute('aria-valuenow')); kept > 5; kept--) {
    await page.keyboard.press('ArrowUp');
    await expect(line).toHaveAttribute('aria-valuenow', String(kept - 1));
  }
  await expect(ranking.getByText(/replaces it, ΔE 0\.\d{3} away; \d+ places, \d+ pairs?/).first()).toBeVisible();
  await desk.keep(row('#c9a227'));
  await row('#c9a227').getByLabel('Name').fill('Rope');
  await row('#c9a227').getByLabel('Name').press('Enter');
  const says = page.getByText(/^Hover the button to preview: adds Rope/);
  await expect(says).toContainText(/; drops .* \(to .*\).*; [\d\s]+ places change/);

  await page.getByRole('button', { name: 'Apply palette' }).click();
  await desk.step('Colour');
  const palette = page.getByRole('region', { name: 'Palette' });
  await expect(palette.getByRole('listitem')).toHaveCount(5);
  await expect(palette).toContainText('Rope');
  await desk.saved();
  await page.getByRole('button', { name: /^Undo Add 1 colour, drop \d+ swatches/ }).click();
  await expect(palette.getByRole('listitem')).toHaveCount(10);
});

test('sources stay: over a reload, put away and back, read from under the pointer, and an old site’s zip', async ({
  desk,
  page,
}) => {
  await desk.step('Sources');
  await page.getByLabel('Choose files').setInputFiles(demo('mark-on-pale.svg'));
  const picture = page.getByRole('img', { name: 'mark-on-pale.svg' });
  await expect(picture).toBeVisible();
  await page.reload();
  await expect(picture).toBeVisible();

  const box = (await picture.boundingBox())!;
  await page.mouse.move(box.x + box.width * 0.48, box.y + box.height * 0.4);
  await expect(page.getByText('nearest is Funnel, ΔE 0.000')).toBeVisible();
  await page.mouse.click(box.x + box.width * 0.7, box.y + box.height * 0.7);
  await expect(page.getByRole('button', { name: 'mark-on-pale.svg, picked', exact: true })).toBeVisible();

  await page.getByRole('button', { name: 'Remove mark-on-pale.svg', exact: true }).click();
  await expect(picture).toHaveCount(0);
  await page.getByRole('button', { name: 'Restore mark-on-pale.svg' }).click();
  await expect(picture).toBeVisible();

  const zip = zipSync({
    'site/main.css': readFileSync(demo('old-pages.css')),
    'site/index.html': Buffer.from('<body bgcolor="#2f6f73">x</body>'),
    'site/photo.jpg': new Uint8Array(3),
  });
  await page
    .getByLabel('Choose files')
    .setInputFiles({ name: 'old-site.zip', mimeType: 'application/zip', buffer: Buffer.from(zip) });
  await page.getByRole('button', { name: 'old-site.zip', exact: true }).click();
  await expect(page.getByText('Not read: 1 image')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Lines of old-site.zip' })).toContainText('--tide: #2f6f73');
  await expect(
    page.getByRole('region', { name: 'Palette candidates' }).getByRole('listitem').filter({ hasText: '#2f6f73' }),
  ).toBeVisible();
});
