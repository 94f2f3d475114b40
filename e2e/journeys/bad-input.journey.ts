import { EVERY_KIND, expect, test as withItsOwn, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

const REFUSED = { annotation: { type: 'expects', description: '422 \\(Unprocessable' } };

test('typed nonsense stays, says why, and the last good value is kept', async ({ desk, page }) => {
  await desk.swatch('Funnel');
  const hex = page.getByLabel('Hex or any notation');
  for (const nonsense of ['#12', 'seaish', 'rgb(']) {
    await hex.fill(nonsense);
    await hex.press('Enter');
    await expect(page.getByRole('alert')).toContainText('#b83a1e is kept');
    await expect(hex).toHaveValue(nonsense);
  }
  await hex.press('Escape');
  await expect(hex).toHaveValue('#b83a1e');
  const name = page.getByLabel('Name', { exact: true });
  for (const [bad, words] of [
    ['', 'needs a name'],
    ['Deep', 'is already used'],
    ['x'.repeat(500), 'At most 80'],
  ] as const) {
    await name.fill(bad);
    await name.press('Enter');
    await expect(page.getByRole('alert')).toContainText(words);
  }
  await name.press('Escape');

  await desk.step('Type');
  for (const [label, bad] of [
    ['Line height', 'tall'],
    ['Line height', '99'],
    ['Weight', '-3'],
    ['Size at 1280', '1e999'],
    ['Size at 1280', '10000'],
    ['Size at 1280', '0'],
    ['Size at 1280', '-4'],
    ['Wide: step', '1'],
    ['Wide: step', '0.9'],
  ] as const) {
    const field = page.getByLabel(label).first();
    const good = await field.inputValue();
    await field.fill(bad);
    await field.press('Enter');
    await expect(page.getByRole('alert')).toContainText('is kept');
    await expect(field).toHaveValue(bad);
    await field.press('Escape');
    await expect(field).toHaveValue(good);
  }
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
});

test(
  'text without a colour and files that are no pictures are refused in a sentence',
  REFUSED,
  async ({ desk, page }) => {
    await desk.step('Sources');
    const text = page.getByLabel('Text with colours');
    await text.fill('The boat leaves at nine.');
    await page.getByRole('button', { name: 'Read colours' }).click();
    await expect(page.getByRole('alert')).toContainText('No colour was found');
    await expect(text).toHaveValue('The boat leaves at nine.');
    for (const [name, bytes, words] of [
      ['logo.png', 'no picture at all', 'not a PNG'],
      ['empty.png', '', 'empty'],
      ['active.svg', '<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>', '<script>'],
    ] as const) {
      await page.getByLabel('Choose files').setInputFiles({ name, mimeType: 'image/png', buffer: Buffer.from(bytes) });
      await expect(page.getByRole('alert')).toContainText(words);
      await expect(page.getByRole('alert')).toContainText(name);
    }
  },
);

test('what is used is not deleted without an replacement, and the home page not at all', async ({ desk, page }) => {
  await desk.swatch('Deep');
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  const ask = page.getByRole('dialog', { name: 'Delete Deep' });
  await expect(ask).toContainText(/\d+ uses: /);
  await ask.getByRole('button', { name: 'Delete Deep' }).click();
  await expect(page.getByRole('region', { name: 'Palette' }).getByRole('button', { name: /^Deep/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo Delete Deep' }).click();
  await expect(page.getByRole('region', { name: 'Palette' }).getByRole('button', { name: /^Deep/ })).toHaveCount(1);

  await desk.step('Backgrounds');
  await page.getByRole('button', { name: 'Heading on Fog', exact: true }).click();
  await page.getByRole('button', { name: 'Delete Fog' }).click();
  await expect(page.getByRole('dialog', { name: 'Delete Fog' })).toContainText('stand on it');
  await page.getByRole('button', { name: 'Cancel' }).click();

  await desk.step('Pages');
  await page.getByRole('button', { name: 'Delete page' }).click();
  await expect(page.getByRole('alert')).toContainText('home page cannot be deleted');
  await expect(page.locator('iframe[title="Home at 1280"]')).toHaveCount(1);
});

withItsOwn.describe('a document that a newer version made', () => {
  withItsOwn.use({
    prepare: async ({}, use) =>
      use(async (query: (sql: string) => Promise<unknown>) => {
        await query("update sites set document = jsonb_set(document, '{schemaVersion}', '12')");
      }),
  });
  const expected = { annotation: { type: 'expects', description: '409 \\(Conflict' } };
  withItsOwn('is told as that on the desk, and left as it is', expected, async ({ page, server }) => {
    await page.goto(await server.link());
    await expect(page.getByRole('alert')).toContainText('was made by a newer Yohaku (its document has version 12)');
    await expect(page.getByRole('alert')).toContainText('Update this Yohaku to open it.');
  });
});
