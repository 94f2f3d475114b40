import type { Page } from '@playwright/test';
import { Desk, expect, test } from '../fixtures.ts';

test.use({ pages: ['home', 'fares', 'assistance'] });

/** Goes on with Tab until what has the focus is called that. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 80; i++) {
    await page.keyboard.press('Tab');
    const called = await page.evaluate(() => {
      const element = document.activeElement as HTMLInputElement | null;
      return element && element !== document.body
        ? `${element.getAttribute('aria-label') ?? ''} ${element.labels?.[0]?.textContent ?? ''} ${element.textContent ?? ''}`
        : '';
    });
    if (name.test(called)) return;
  }
  throw new Error(`Nothing called ${name} was found with Tab.`);
}

test.describe('with no site yet', () => {
  test.use({
    prepare: async ({}, use) =>
      use(async (query: (sql: string) => Promise<unknown>) => {
        await query('delete from sites');
      }),
  });

  test('a site of one’s own is begun, edited and published by keyboard alone, and passes its audit', async ({
    server,
    page,
  }) => {
    const faults: string[] = [];
    page.on('console', (message) => {
      if (message.type() === 'error') faults.push(message.text());
    });
    await page.goto(await server.link());
    await expect(page.getByText('No site yet.')).toBeVisible();
    await tabTo(page, /New site/);
    await page.keyboard.press('Enter');
    await tabTo(page, /^ Name/);
    // Without a name it says what is missing, and nothing typed is lost.
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toHaveText('A site needs a name.');
    await page.keyboard.type('Seed library 🌱');
    await tabTo(page, /^ +Starting from scratch/);
    await page.keyboard.press('ArrowRight');
    await tabTo(page, /Paste colours, or text containing them/);
    await page.keyboard.type('#2f5d3a, wheat');
    await expect(page.getByRole('status').filter({ hasText: '2 colours' })).toBeVisible();
    await expect(page.frameLocator('iframe').getByRole('heading', { level: 1 })).toHaveText('Seed library 🌱');
    await tabTo(page, /Create site/);
    await page.keyboard.press('Enter');
    const desk = new Desk(page, server);
    await expect(page).toHaveURL(/\/sites\/seed-library\/colour/);
    await expect(desk.tally(/failing$/)).toHaveText('0 failing');
    // The hint of the step is shown until the first edit there.
    const first = page.getByText('All pages share these colours.');
    await expect(first).toBeVisible();
    // A colour is changed as anywhere; everything that hangs on it follows.
    await tabTo(page, /Hex or any notation/);
    await page.keyboard.press('Control+a');
    await page.keyboard.type('#7a1f3d');
    await page.keyboard.press('Enter');
    await desk.saved();
    await expect(first).toHaveCount(0);
    await expect(desk.tally(/failing$/)).toHaveText('0 failing');
    await page.keyboard.press('Escape');
    await page.evaluate(() => (document.activeElement as HTMLElement).blur());
    await page.keyboard.press('8');
    await tabTo(page, /Publish the site/);
    await page.keyboard.press('Enter');
    await expect(page.getByText('Publication 1 is live.')).toBeVisible();
    const live = await page.context().newPage();
    await live.goto(`${server.address}/live/seed-library/`);
    await expect(live.getByRole('heading', { level: 1 })).toHaveText('Seed library 🌱');
    await live.close();
    expect(faults).toEqual([]);
  });
});

test('the shelf: found, renamed, copied, put away and deleted by name; two that are begun alike are told apart', async ({
  desk,
  page,
}) => {
  await page.goto(`${desk.server.address}/`);
  const list = page.getByRole('list', { name: 'Sites' });
  const card = (name: string) => list.getByRole('listitem').filter({ hasText: name });
  await expect(card('Ternhaven Ferries')).toContainText(/\d+ failing/);
  await expect(page.frameLocator('iframe').first().getByRole('heading', { level: 1 })).toBeAttached();
  const act = async (site: string, name: string) => {
    await page.getByRole('button', { name: `More on ${site}` }).click();
    await page.getByRole('menuitem', { name }).click();
  };
  await act('Ternhaven Ferries', 'Copy');
  const copy = page.getByLabel('Name of the copy');
  // A free name is offered, selected: what is typed next takes its place.
  await expect(copy).toBeFocused();
  await expect(copy).toHaveValue('Ternhaven Ferries copy');
  await copy.fill('ternhaven ferries');
  await copy.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('A site is already called ternhaven ferries. Choose another name.');
  await copy.fill('مكتبة البذور');
  await copy.press('Enter');
  await expect(card('مكتبة البذور')).toContainText('3 pages');
  await act('مكتبة البذور', 'Rename');
  await page.getByLabel('New name').fill('Second fleet');
  await page.getByRole('button', { name: 'Rename', exact: true }).click();
  await expect(card('Second fleet')).toHaveCount(1);
  await page.getByRole('searchbox').fill('fleet');
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await page.getByRole('searchbox').fill('');
  await act('Second fleet', 'Archive');
  await expect(card('Second fleet')).toHaveCount(0);
  await page.getByRole('button', { name: /archived sites/ }).click();
  await act('Second fleet', 'Delete');
  const typed = page.getByLabel('Type Second fleet', { exact: true });
  await typed.fill('Ternhaven');
  await typed.press('Enter');
  await expect(page.getByRole('alert')).toHaveText('Type Second fleet to delete it.');
  await typed.fill('Second fleet');
  await typed.press('Enter');
  await expect(page.getByRole('status')).toHaveText('Second fleet was deleted.');
  // A site of that name can be begun again; one that is there cannot.
  await page.getByRole('link', { name: 'New site' }).click();
  await page.getByLabel('Name').fill('Ternhaven Ferries');
  await page.getByRole('button', { name: 'Create site' }).click();
  await expect(page.getByRole('alert')).toHaveText('A site is already called Ternhaven Ferries. Choose another name.');
  // From a file of another tool: its colours as it has them, whatever they are called; one that cannot be read says so.
  await page.getByLabel('Name').fill('Fogbank');
  await page.getByText('A brand file').click();
  const bring = (name: string, text: string) =>
    page
      .getByLabel('Choose a brand file')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  await bring('broken.json', '{"a":');
  await expect(page.getByRole('alert').last()).toContainText(
    /broken\.json was not added\. The file is not valid JSON.*Nothing was changed/,
  );
  await bring(
    'other.json',
    JSON.stringify({
      red: { $type: 'color', $value: '#cc2233' },
      sea: { $type: 'color', $value: { colorSpace: 'srgb', components: [0.07, 0.27, 0.33] } },
    }),
  );
  await expect(page.getByRole('status')).toContainText('2 colours');
  await page.getByRole('button', { name: 'Create site' }).click();
  await expect(page).toHaveURL(/sites\/fogbank\//);
  await expect(desk.tally(/failing$/)).toHaveText('0 failing');
});

test('Back and Forward go through steps, pages and tokens; a copied address opens the same view; one that leads nowhere says so', async ({
  desk,
  page,
}) => {
  const step = (name: string) => page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name });
  await desk.step('Backgrounds');
  await expect(page).toHaveURL(/\/sites\/ternhaven\/backgrounds/);
  await page.getByRole('button', { name: 'Fares', exact: true }).click();
  await expect(page).toHaveURL(/page=fares/);
  await desk.step('Check');
  await desk.tally(/overrides$/).click();
  await expect(page).toHaveURL(/check\?.*list=overrides/);
  const copied = page.url();
  const back = () => page.goBack();
  await back();
  await expect(page).not.toHaveURL(/list=overrides/);
  await back();
  await expect(step('Backgrounds')).toHaveAttribute('aria-current', 'step');
  await expect(page.getByRole('button', { name: 'Overview' })).toBeVisible();
  await back();
  await expect(page.getByRole('button', { name: 'Overview' })).toHaveCount(0);
  await page.goForward();
  await expect(page.getByRole('button', { name: 'Overview' })).toBeVisible();

  // Pressed one upon the other, the way back and forth stays whole.
  const ways = await page.evaluate(() => history.length);
  for (const way of [1, -1, -1, 1, 1, -1, 1, 1])
    await page.evaluate(
      (by) =>
        new Promise<void>((done) => {
          history.go(by);
          setTimeout(done, 60);
        }),
      way,
    );
  await expect(page).toHaveURL(/list=overrides/);
  expect(await page.evaluate(() => history.length)).toBe(ways);

  // By a few letters: a page, a token, words that stand on one.
  const find = async (letters: string, first: RegExp) => {
    await page.keyboard.press('Control+k');
    await expect(page.getByRole('combobox', { name: /^A command/ })).toBeFocused();
    await page.keyboard.type(letters);
    await expect(page.getByRole('option', { selected: true })).toHaveText(first);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog', { name: 'Find' })).toHaveCount(0);
  };
  await find('assist', /page.*assistance.*\d+ places/);
  await expect(page).toHaveURL(/page=assistance/);
  await find('lead size', /token.*Lead size.*used in \d+ places/);
  await expect(page).toHaveURL(/\/type\?.*select=text\.lead\.size/);
  await find('slow road', /words.*The slow road over the water.*Home/);
  await expect(page.getByRole('dialog', { name: /slow road/ })).toBeVisible();
  await expect(page).toHaveURL(/place=/);
  const chosen = page.url();
  await page.keyboard.press('Escape');

  const other = await page.context().newPage();
  await other.goto(copied);
  await expect(other.getByRole('button', { name: 'Overview' })).toBeVisible();
  await expect(other.getByRole('table', { name: 'Overrides' })).toBeVisible();
  await other.goto(chosen);
  await expect(other.getByRole('dialog', { name: /slow road/ })).toBeVisible({ timeout: 60_000 });
  await other.goto(`${desk.server.address}/sites/ternhaven/type?page=gone&select=text.nobody.size`);
  await expect(other.getByRole('alert')).toContainText(
    'This link points to something that is gone: page “gone”, token “text.nobody.size”. The closest match is shown.',
  );
  await other.close();

  // The site itself moves to another address; the one it had leads on.
  await desk.settings('Site settings');
  const address = page.getByLabel(/^Address/);
  await address.fill('No Such!');
  await address.press('Enter');
  await expect(page.getByRole('alert')).toContainText('The address was not changed.');
  await address.fill('harbour');
  await address.press('Enter');
  await expect(page).toHaveURL(/\/sites\/harbour/);
  await desk.ready();
  await page.goto(`${desk.server.address}/sites/ternhaven`);
  await desk.ready();
});
