import { Desk, expect, test } from '../fixtures.ts';

test.use({
  prepare: async ({}, use) =>
    use(async (query: (sql: string) => Promise<unknown>) => {
      await query('delete from sites');
    }),
});

const ITEMS = 'Name;Case\nBracket clock;oak\nCarriage clock;brass\nTower clock;oak';

test('a clockmaker’s site: a word between two pasted colours, a renamed choice, and addresses that follow names until they are published', async ({
  server,
  page,
}) => {
  const desk = new Desk(page, server);
  await page.goto(await server.link());
  await page
    .getByRole('link', { name: /New site/ })
    .first()
    .click();
  await page.getByLabel('Name', { exact: true }).fill('Werkstatt Unruh');
  await page.getByText('Colours', { exact: true }).click();
  await page.getByLabel(/Paste colours, or text containing them/).fill('#1d3b4f brass #c08a2e');
  await page.getByRole('button', { name: /^Create site/ }).click();
  await desk.ready();
  await desk.shows('All');
  await desk.step('Colour');
  const rows = page.getByRole('region', { name: 'Palette' }).getByRole('listitem');
  expect((await rows.allInnerTexts()).filter((row) => /brass/i.test(row)).length).toBe(1);

  await desk.step('Pages');
  await page.getByRole('button', { name: 'Add a page' }).click();
  await page.getByRole('menuitem', { name: 'Item page' }).click();
  await expect(page.getByLabel('Page title')).toHaveValue('Item');
  await desk.collection('Clocks', 'clocks.csv', ITEMS);

  // A text becomes a choice: its values are the choices. One is renamed: all items follow.
  await page.getByRole('button', { name: /^\d+ fields/ }).click();
  await desk.choose('Case type', 'choice');
  const choices = page.getByLabel('Choices of Case');
  await expect(choices).toHaveValue(/oak, ?brass|brass, ?oak/);
  await choices.fill((await choices.inputValue()).replace('oak', 'walnut'));
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^3 items/ }).click();
  await page.getByText('Tower clock', { exact: true }).first().click();
  await expect(page.getByRole('region', { name: 'Tower clock' })).toContainText('walnut');

  // An address follows the name until it is published.
  await page.getByRole('button', { name: 'Add an item' }).click();
  await page.getByRole('region', { name: 'New in Clocks' }).getByLabel('Name').fill('Regulator');
  await page.keyboard.press('Enter');
  const address = (item: string) => page.getByRole('region', { name: item }).getByLabel('Address', { exact: true });
  const name = async (item: string, value: string) => {
    await page.getByRole('region', { name: item }).getByLabel('Name', { exact: true }).fill(value);
    await page.keyboard.press('Enter');
  };
  await expect(address('Regulator')).toHaveValue('regulator');
  await name('Regulator', 'Wall regulator');
  await expect(address('Wall regulator')).toHaveValue('wall-regulator');
  await page.getByRole('button', { name: /^\d+ fields/ }).click();
  await desk.choose('Page of each item, modelled on', 'Item');
  await page.getByRole('button', { name: /^4 items/ }).click();
  await desk.saved();
  await desk.step('Publish');
  await page.getByRole('button', { name: 'Publish the site' }).click();
  await expect(page.getByRole('banner')).toContainText('all of it is live');
  const live = (path: string) => page.request.get(`${server.address}/live/werkstatt-unruh/${path}`);
  expect((await live('clocks-wall-regulator.html')).status()).toBe(200);

  // Published, it stays; changed by hand, the old one redirects.
  await desk.step('Pages');
  await page.getByRole('button', { name: 'Collections' }).click();
  await page.getByText('Wall regulator', { exact: true }).first().click();
  await name('Wall regulator', 'Vienna regulator');
  await expect(address('Vienna regulator')).toHaveValue('wall-regulator');
  await address('Vienna regulator').fill('vienna');
  await page.keyboard.press('Enter');
  await desk.saved();
  await desk.step('Publish');
  await page.getByRole('button', { name: /^Publish \d+ difference/ }).click();
  await expect(page.getByRole('banner')).toContainText('all of it is live');
  expect(await (await live('clocks-vienna.html')).text()).toContain('Vienna regulator');
  expect(await (await live('clocks-wall-regulator.html')).text()).toContain('clocks-vienna.html');
});
