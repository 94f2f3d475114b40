import { Desk, expect, test } from '../fixtures.ts';

test.use({
  prepare: async ({}, use) =>
    use(async (query: (sql: string) => Promise<unknown>) => {
      await query('delete from sites');
    }),
});

const LOGO =
  '<svg xmlns="http://www.w3.org/2000/svg" width="240" height="80"><rect width="80" height="80" fill="#1d4f3a"/><circle cx="40" cy="40" r="22" fill="#e0a526"/><rect x="96" y="28" width="136" height="24" fill="#1d4f3a"/></svg>';
const ITEMS = 'Naam;Soort;Foto\nVeldkers;kruid;Kers\nDagkoekoek;bloem;Nachtegaal\nPinksterbloem;bloem;';

test('a site of one’s own: one figure of use, what is live, offers that hold, and nothing lost in silence', async ({
  server,
  page,
}) => {
  const desk = new Desk(page, server);
  await page.goto(await server.link());
  await page
    .getByRole('link', { name: /New site/ })
    .first()
    .click();
  await page.getByLabel('Name', { exact: true }).fill('Zaadbank De Kiem');
  await page.getByText('A logo', { exact: true }).click();
  await page
    .getByLabel('Choose an SVG')
    .setInputFiles({ name: 'kiem.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(LOGO) });
  await page.getByRole('button', { name: /^Create site/ }).click();
  await desk.ready();
  await desk.shows('All');

  // Every swatch: the palette, Show N, the line above the wall and the message after an edit say the same number.
  await desk.step('Colour');
  const rows = page.getByRole('region', { name: 'Palette' }).getByRole('listitem');
  for (let i = 0; i < (await rows.count()); i++) {
    const row = rows.nth(i).getByRole('button');
    await row.click();
    const places = Number((await row.locator('.right').last().innerText()).replace(/\D/g, ''));
    await expect(page.getByRole('button', { name: `Show ${places}`, exact: true })).toBeVisible();
    const hex = page.getByLabel('Hex or any notation');
    await hex.focus();
    await expect(page.locator('yo-steps-line .says')).toContainText(
      places === 0 ? /no place|0 places/ : new RegExp(`used in ${places} place`),
    );
    if (places === 0 || !(await hex.isEnabled())) continue;
    const was = await hex.inputValue();
    // Enough that what is derived from it moves as well.
    const blue = parseInt(was.slice(5), 16);
    await hex.fill(was.slice(0, 5) + (blue > 127 ? blue - 40 : blue + 40).toString(16).padStart(2, '0'));
    await page.keyboard.press('Enter');
    await expect(desk.told()).toContainText(
      new RegExp(`: ${places} places? changed|: \\d+ places? changed \\(\\d+ by a rule`),
    );
    const told = await desk.told().innerText();
    const [, changed, anew] = /: (\d+) places? changed(?: \((\d+) by)?/.exec(told.replace(/(\d) (?=\d)/g, '$1'))!;
    expect(Number(changed) - Number(anew ?? 0), told).toBe(places);
    await page.getByRole('banner').getByRole('button', { name: /^Undo/ }).click();
  }

  // Taken, a palette is what wall and palette show, also while the pointer rests.
  await page.getByRole('button', { name: 'Harmonies' }).click();
  const panel = page.getByRole('region', { name: 'Harmonies' });
  const apply = panel.getByRole('button', { name: /^Apply (?!.* alone)/ }).first();
  await apply.click();
  await desk.saved();
  const painted = () =>
    desk
      .frame('Home at 1280')
      .locator('html')
      .evaluate((root) => root.ownerDocument.defaultView!.getComputedStyle(root.ownerDocument.body).backgroundColor);
  const after = await painted();
  await page.mouse.move(2, 2);
  await page.waitForTimeout(300);
  expect(await painted()).toBe(after);
  await page
    .getByRole('banner')
    .getByRole('button', { name: /^Undo Apply/ })
    .click();

  // A collection: a field that becomes a picture asks what its values mean, and loses none.
  await desk.step('Pages');
  await desk.collection('Planten', 'planten.csv', ITEMS);
  await page.getByRole('button', { name: /^\d+ fields/ }).click();
  await desk.choose('Foto type', 'image');
  const asks = page
    .getByRole('region', { name: 'Change the type of a field' })
    .or(page.getByLabel('Change the type of a field'));
  await expect(asks).toContainText('Nachtegaal');
  await asks.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('button', { name: /^3 items/ }).click();
  await page.getByText('Dagkoekoek', { exact: true }).first().click();
  await expect(page.getByLabel('Foto', { exact: true })).toHaveValue('Nachtegaal');
  // Filtered out, the item says why it is not in the list.
  await page.getByRole('searchbox', { name: 'Search items' }).fill('veldkers');
  await expect(page.getByText('The search hides this item in the list.')).toBeVisible();
  await page.getByRole('button', { name: 'Show all items' }).click();
  await page.getByRole('button', { name: 'Add list to page' }).click();
  await desk.saved();

  // Published; then an item gets another name: that is not live until it is published.
  await desk.step('Publish');
  await page.getByRole('button', { name: 'Publish the site' }).click();
  await expect(page.getByRole('banner')).toContainText('all of it is live');
  const live = async () => (await page.request.get(`${server.address}/live/zaadbank-de-kiem/`)).text();
  expect(await live()).toContain('Dagkoekoek');
  await desk.step('Pages');
  await page.getByRole('button', { name: 'Collections' }).click();
  await page.getByText('Dagkoekoek', { exact: true }).first().click();
  await page.getByRole('region', { name: 'Dagkoekoek' }).getByLabel('Name', { exact: true }).fill('Avondkoekoek');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('banner')).toContainText(/differences? (is|are) not live/);
  await page.reload();
  await expect(page.getByRole('banner')).toContainText(/differences? (is|are) not live/);
  await desk.step('Publish');
  await page.getByRole('button', { name: /^Publish \d+ difference/ }).click();
  await expect(page.getByRole('banner')).toContainText('all of it is live');
  expect(await live()).toContain('Avondkoekoek');
});
