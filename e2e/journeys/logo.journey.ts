import { EVERY_KIND, expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

const LOGO = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 60" width="120" height="60"><rect x="4" y="4" width="52" height="52" fill="#d98a72"/><path d="M64 30h48v12H64z" fill="#3b5b2f"/></svg>`;

test('from a logo alone to a brand that passes: its colours in, those of before out, and all of it fixed together', async ({
  desk,
  page,
}) => {
  await desk.step('Sources');
  await page
    .getByLabel('Choose files')
    .setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(LOGO) });
  const ranking = page.getByRole('region', { name: 'Palette candidates' });
  const row = (text: string | RegExp) => ranking.getByRole('listitem').filter({ hasText: text });
  for (const hex of ['#d98a72', '#3b5b2f']) await desk.keep(row(hex));
  // The colours of before give way to the logo's.
  for (const name of ['#b83a1e', '#8f2a12', '#0e3b43']) {
    await row(name).getByRole('button', { name: 'Exclude', exact: true }).click();
    await expect(row(name).getByRole('button', { name: 'Include', exact: true })).toBeVisible();
  }
  await page.getByRole('button', { name: 'Apply palette' }).click();
  await desk.saved();
  // A pale rust cannot be read everywhere: that is said before anything is published.
  const grounds = page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Backgrounds' });
  await expect(grounds).toContainText('open');

  await desk.step('Backgrounds');
  await page.getByRole('button', { name: 'Fix all' }).click();
  const panel = page.getByRole('group', { name: 'Fix all' });
  await panel.getByRole('button', { name: /^Apply (it|all)/ }).click();
  await expect(grounds).not.toContainText('open');
  await desk.saved();
  await desk.step('Colour');
  await expect(
    page.getByRole('region', { name: 'Palette' }).getByRole('button', { name: /#b83a1e|#8f2a12|#0e3b43/ }),
  ).toHaveCount(0);
});
