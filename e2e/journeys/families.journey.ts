import { readFileSync } from 'node:fs';
import { ROOT } from '../../server/src/testing/database.ts';
import { expect, testOnOneDesk as test, type Desk } from '../fixtures.ts';

const font = (id: string, slant = 'normal', name = `${id}-${slant}.woff2`) => ({
  name,
  mimeType: 'font/woff2',
  buffer: readFileSync(`${ROOT}/node_modules/@fontsource/${id}/files/${id}-latin-400-${slant}.woff2`),
});
const headingFamily = (desk: Desk) =>
  desk
    .frame('Home at 1280')
    .locator('h1')
    .evaluate((element) => getComputedStyle(element).fontFamily);
/** Width of all menu entries together, which are set in the text family; px. */
const menuWidth = (desk: Desk) =>
  desk
    .frame('Home at 1280')
    .locator('.menu-link')
    .evaluateAll((links) => links.reduce((sum, link) => sum + link.getBoundingClientRect().width, 0));
const textWidth = (desk: Desk) =>
  desk
    .frame('Home at 1280')
    .locator('h1')
    .evaluate((element) => {
      const range = document.createRange();
      range.selectNodeContents(element);
      return range.getBoundingClientRect().width;
    });

test('without its fonts no page grows or shrinks by two parts in a hundred', async ({ desk, page }) => {
  await desk.step('Type');
  // Of the pages that hang: frames that are read out of sight come and go.
  const heights = () =>
    page.evaluate(() =>
      [...document.querySelectorAll<HTMLIFrameElement>('figure.pair iframe')].map(
        (frame) => frame.contentDocument!.body.getBoundingClientRect().height,
      ),
    );
  // Laid out with the fonts, and still.
  let before: number[] = [];
  await expect
    .poll(async () => {
      await page.evaluate(() =>
        Promise.all([...document.querySelectorAll('iframe')].map((frame) => frame.contentDocument!.fonts.ready)),
      );
      const last = before;
      before = await heights();
      const drawn = await desk
        .frame('Home at 1280')
        .locator('h1')
        .evaluate((element) =>
          [...element.ownerDocument.fonts].some((face) => face.family.includes('Gelasio') && face.status === 'loaded'),
        );
      return drawn && before.length > 10 && before.every((height, i) => height === last[i]);
    })
    .toBe(true);
  const wide = await menuWidth(desk);
  await page.getByRole('button', { name: 'Preview fallback', exact: true }).click();
  await expect(page.getByRole('button', { name: /Preview fallback: at most/ })).toBeVisible();
  // Something else is drawn, and it is as long.
  const standIn = await menuWidth(desk);
  expect(standIn).not.toBe(wide);
  expect(Math.abs(standIn / wide - 1)).toBeLessThan(0.06);
  const after = await heights();
  expect(after.length).toBe(before.length);
  after.forEach((height, i) => expect(Math.abs(height / before[i]! - 1)).toBeLessThan(0.02));
  await page.getByRole('button', { name: /Preview fallback: at most/ }).click();
  await expect.poll(async () => Math.abs((await menuWidth(desk)) - wide)).toBeLessThan(0.5);
});

test('a font is brought in, upright and italic as one family, says what it lacks, and leaves only with something in its place', async ({
  desk,
  page,
}) => {
  await desk.step('Type');
  await page.getByRole('button', { name: /^Headings/ }).click();
  const bring = page.getByLabel('Add a font file');
  await bring.setInputFiles([
    font('cousine'),
    { name: 'broken.woff2', mimeType: 'font/woff2', buffer: font('arimo').buffer.subarray(0, 3000) },
    { name: 'notes.ttf', mimeType: 'font/ttf', buffer: Buffer.from('no font at all') },
  ]);
  await expect(page.getByText('cousine-normal.woff2 is Cousine 400.')).toBeVisible();
  await expect(
    page.getByText(/broken\.woff2 was not added; nothing changed\. The font is cut off or damaged/),
  ).toBeVisible();
  await expect(
    page.getByText(/notes\.ttf was not added; nothing changed\. This is not a WOFF2, WOFF, TTF or OTF/),
  ).toBeVisible();
  const about = page.getByRole('complementary', { name: 'About the family' });
  await expect(about).toContainText('No italic: browsers will slant the upright.');
  await expect(about).toContainText('All characters on the pages.');
  await bring.setInputFiles(font('cousine', 'italic'));
  await expect(about).toContainText('400, 400 italic');
  await expect(about).not.toContainText('No italic');
  await page.getByRole('searchbox').fill('cousine');
  const narrow = await textWidth(desk);
  await page.getByRole('button', { name: 'Use Cousine' }).click();
  // Drawn from the file itself: letters of one width are wider than those of before.
  await expect.poll(() => headingFamily(desk)).toMatch(/^"?Cousine"?,/);
  await expect.poll(() => textWidth(desk)).toBeGreaterThan(narrow * 1.1);
  await desk.saved();
  await page.reload();
  await desk.ready();
  await expect.poll(() => headingFamily(desk)).toMatch(/^"?Cousine"?,/);
  await page.getByRole('button', { name: /^Headings/ }).click();
  await expect(about.getByRole('button', { name: 'Remove' })).toHaveCount(0);
  await desk.choose('Remove, and set headings in', 'Lora');
  await expect.poll(() => headingFamily(desk)).toMatch(/^"?Lora"?,/);
  await desk.saved();
  await page.getByRole('button', { name: /^Headings/ }).click();
  await expect(page.getByRole('searchbox')).toHaveCount(0);
});

test('a family is found by what it is, tried on the wall while pointed at, and taken in one act', async ({
  desk,
  page,
}) => {
  await desk.step('Type');
  await page.getByRole('button', { name: /^Headings/ }).click();
  const shelf = page.getByRole('list', { name: 'Families' });
  await page.getByRole('searchbox').fill('');
  await page.getByRole('group', { name: 'Kinds' }).getByRole('button', { name: 'slab' }).click();
  await expect(page.getByText('4 of 50 families')).toBeVisible();
  await page.getByRole('searchbox').fill('zilla');
  const row = shelf.getByRole('listitem').filter({ hasText: 'Zilla Slab' });
  await expect(row).toBeVisible();
  const before = await headingFamily(desk);
  await row.hover();
  await expect.poll(() => headingFamily(desk)).toContain('Zilla Slab');
  await page.mouse.move(640, 100);
  await expect.poll(() => headingFamily(desk)).toBe(before);
  await row.getByRole('button', { name: 'Use Zilla Slab' }).click();
  await expect(desk.told()).toContainText('changed');
  await desk.saved();
  await expect(row).toContainText('In use');
  await page.getByRole('searchbox').fill('no such thing');
  await expect(page.getByText('No typeface matches.')).toBeVisible();
  // Undone as one step; what the shelf was narrowed to stays.
  await page.getByRole('button', { name: 'Undo Headings in Zilla Slab' }).click();
  await expect.poll(() => headingFamily(desk)).toBe(before);
});

test('pairings are taken whole, and both families swapped in one act', async ({ desk, page }) => {
  await desk.step('Type');
  await page.getByRole('button', { name: 'Pairings' }).click();
  await page.getByRole('button', { name: 'Use Bitter with Karla' }).click();
  await expect.poll(() => headingFamily(desk)).toMatch(/^"?Bitter"?,/);
  await expect(page.getByRole('button', { name: /^Text\s*Karla/ })).toBeVisible();
  await page.getByRole('button', { name: 'Swap', exact: true }).click();
  await expect.poll(() => headingFamily(desk)).toMatch(/^"?Karla"?,/);
  await desk.saved();
});
