import { join } from 'node:path';
import { ROOT } from '../../server/src/testing/database.ts';
import { expect, testOnOneDesk as test } from '../fixtures.ts';

test('a page of a kind is added, its form is published, filled in and found in the post box; its address before leads on', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await page.getByRole('button', { name: 'Add a page' }).click();
  await page.getByRole('menuitem', { name: 'Contact' }).click();
  await expect(page.getByLabel('Page title')).toHaveValue('Contact 2');
  const frame = desk.frame('Contact 2 at 1280');
  await frame.locator('.field').first().click();
  const slip = page.getByRole('dialog', { name: /^Field/ });
  await desk.choose('Answer', 'Required', slip);
  const answer = slip.getByLabel('Success message');
  await answer.fill('We write back the same tide.');
  await answer.press('Enter');
  await desk.saved();
  await page.keyboard.press('Escape');
  const publish = async () => {
    await desk.step('Publish');
    await page
      .getByRole('region', { name: 'Publish' })
      .getByRole('button', { name: /^Publish (?:the site|\d)/ })
      .click();
    await expect(page.getByText(/^Publication \d is live/)).toBeVisible();
  };
  await publish();

  const visitor = await page.context().browser()!.newContext({ javaScriptEnabled: false });
  const live = await visitor.newPage();
  const site = `${new URL(page.url()).origin}/live/ternhaven`;
  await live.goto(`${site}/contact-2.html`);
  await live.locator('.field').nth(0).fill('Ada of Holm');
  await live.locator('.field').nth(1).fill('ada@holm.example');
  await live.getByRole('button', { name: 'Send' }).click();
  await expect(live.getByText('We write back the same tide.')).toBeVisible();
  await expect(live.getByRole('banner')).toContainText('Sailings');

  await page.getByRole('button', { name: 'Messages' }).click();
  await page.getByRole('button', { name: 'Refresh' }).click();
  await page
    .getByRole('list', { name: 'Messages' })
    .getByRole('button', { name: /Ada of Holm/ })
    .click();
  await expect(page.getByRole('region', { name: 'Contact 2' })).toContainText('ada@holm.example');
  await page.keyboard.press('Escape');

  await desk.step('Pages');
  await desk.choose('Page', 'Contact 2');
  await page.getByLabel('Address').fill('Write to us');
  await page.getByLabel('Address').press('Enter');
  await expect(page.getByLabel('Address')).toHaveValue('write-to-us.html');
  await desk.saved();
  await publish();
  await live.goto(`${site}/contact-2.html`);
  await live.waitForURL(`${site}/write-to-us.html`);
  await visitor.close();
});

test('pictures are brought to the shelf, shown in place of another everywhere, and said in words', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await page.getByRole('button', { name: 'Files', exact: true }).click();
  const shelf = page.getByRole('list', { name: 'Images of the site' });
  await page
    .getByLabel('Add images')
    .setInputFiles([join(ROOT, 'demo/sources/mark-on-pale.svg'), join(ROOT, 'demo/sources/old-pages.css')]);
  await expect(page.getByRole('alert')).toContainText(
    'old-pages.css is not an image. Use PNG, JPEG, WebP or SVG. The others were added.',
  );
  await page.getByRole('button', { name: /^not used 1/ }).click();
  await expect(shelf.getByLabel('Name of mark-on-pale.svg')).toHaveValue('mark-on-pale.svg');
  await page.getByRole('button', { name: /^not used/ }).click();
  await page.getByLabel('Search images').fill('holm');
  await desk.choose('Replace Holm', 'mark-on-pale.svg', shelf);
  await expect(shelf.getByRole('listitem').filter({ hasText: 'not used' })).toHaveCount(1);
  await expect(
    desk.frame('Islands at 1280').locator('img[src*="mark-on-pale"], img[src*=".svg"]').first(),
  ).toBeAttached();
  await page.getByRole('button', { name: 'Undo mark-on-pale.svg for Holm' }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await desk.choose('Page', 'Islands');
  const shown = desk.frame('Islands at 1280').locator('img.picture').first();
  await shown.click();
  const slip = page.getByRole('dialog', { name: /^Image/ });
  const words = slip.getByLabel('Alternative text');
  await words.fill('IMG_2041.jpg');
  await words.press('Enter');
  await expect(slip.getByRole('alert')).toContainText('This is a file name.');
  await words.fill('Aldersay from the water');
  await words.press('Enter');
  await expect(shown).toHaveAttribute('alt', 'Aldersay from the water');
  await desk.choose('Image', 'Freight on the pier', slip);
  await desk.saved();
});

test('a section is dragged along the strip, hidden on phones, given an anchor that links lead to, and a picture behind it', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await desk.choose('Page', 'Notices');
  const strips = page.getByRole('group', { name: 'Sections of Notices' }).getByRole('button');
  const second = await strips.nth(2).locator('.name').innerText();
  const [from, to] = [await strips.nth(2).boundingBox(), await strips.nth(1).boundingBox()];
  await page.mouse.move(from!.x + 20, from!.y + 8);
  await page.mouse.down();
  await page.mouse.move(from!.x, from!.y + 8, { steps: 4 });
  await page.mouse.move(to!.x + 4, to!.y + 8, { steps: 8 });
  await page.mouse.up();
  await expect(strips.nth(1).locator('.name')).toHaveText(second);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Section details' }).click();
  await desk.choose('Shown', 'not on phones');
  const anchor = page.getByLabel(/^Anchor/);
  await anchor.fill('This Week');
  await anchor.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Use lower-case letters, digits and hyphens');
  await anchor.fill('this-week');
  await anchor.press('Enter');
  await desk.choose('Background image', 'Holm');
  await page.keyboard.press('Escape');
  await expect(strips.nth(1).locator('.name')).toContainText('not on phone');
  await expect(desk.frame('Notices at 390').locator('#this-week')).toBeHidden();
  await expect(desk.frame('Notices at 1280').locator('#this-week .backdrop')).toBeVisible();
  await page.getByRole('button', { name: 'Menu', exact: true }).click();
  const add = page.getByLabel(/^Add an entry/);
  await add.fill('Notices › this-week');
  await add.press('Enter');
  await expect(desk.frame('Home at 1280').getByRole('link', { name: 'this-week' })).toHaveAttribute(
    'href',
    'notices.html#this-week',
  );
  await desk.saved();
});

test('a collection comes from a sheet, is listed on a page, edited where it stands, has a page and a feed, and goes live', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await desk.choose('Page', 'About');
  await page.getByRole('button', { name: 'Collections' }).click();
  await page.getByLabel('Add a collection').fill('Boats');
  await page.getByLabel('Add a collection').press('Enter');
  await expect(page.getByText('No items yet')).toBeVisible();
  const rows = [
    'Name;Text;Built',
    'Sandpiper;Two decks and a saloon.;1987-05-01',
    'Dunlin;Carries the post.;1999-03-02',
    'Knot;one;two;three',
  ];
  await page
    .getByLabel('Import spreadsheet')
    .setInputFiles({ name: 'boats.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) });
  const plan = page.getByRole('region', { name: 'Import preview' });
  await expect(plan).toContainText('2 items added, 0 changed, 0 unchanged, 1 line skipped or incomplete');
  await expect(plan).toContainText('“Built” becomes a field (date)');
  await expect(plan).toContainText('Line 4 has 4 cells, and there are 3 columns.');
  await plan.getByRole('button', { name: 'Import', exact: true }).click();
  await page.getByRole('button', { name: 'Add an item' }).click();
  const item = page.getByRole('region', { name: 'New in Boats' });
  await item.getByLabel('Name').fill('Knot');
  await item.getByLabel('Name').press('Enter');
  const knot = page.getByRole('region', { name: 'Knot' });
  await knot.getByLabel('Built').fill('last year');
  await knot.getByLabel('Built').press('Enter');
  await expect(knot.getByRole('alert')).toContainText('Type a date such as');
  await knot.getByLabel('Built').fill('2025-01-30');
  await knot.getByLabel('Built').press('Enter');

  await page.getByRole('button', { name: '3 fields' }).click();
  await desk.choose('Page of each item, modelled on', 'Vehicles and freight');
  await page.getByRole('button', { name: '3 items' }).click();
  await page.getByRole('button', { name: 'Add list to page' }).click();
  const listed = desk
    .frame('About at 1280')
    .locator('[data-place$="/heading"]')
    .filter({ hasText: /^(Knot|Dunlin|Sandpiper)$/ });
  await expect(listed).toHaveText(['Knot', 'Dunlin', 'Sandpiper']);
  await page.keyboard.press('Escape');
  await desk.saved();

  await desk.step('Publish');
  await page
    .getByRole('region', { name: 'Publish' })
    .getByRole('button', { name: /^Publish (?:the site|\d)/ })
    .click();
  await expect(page.getByText(/^Publication \d is live/)).toBeVisible({ timeout: 90_000 });
  const site = `${new URL(page.url()).origin}/live/ternhaven`;
  const about = await (await page.request.get(`${site}/about.html`)).text();
  expect(about).toContain('href="boats-dunlin.html"');
  expect(await (await page.request.get(`${site}/boats-dunlin.html`)).text()).toContain(
    '<title>Dunlin, Ternhaven Ferries</title>',
  );
  expect(await (await page.request.get(`${site}/boats.xml`)).text()).toMatch(/<item>\n<title>Knot<\/title>/);
});

test('words pasted from elsewhere become a section in the styles of the brand; what is left out is said', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await desk.choose('Page', 'About');
  await page.getByRole('button', { name: 'Paste text' }).click();
  const area = page.getByLabel(/^Paste from a document/);
  const html =
    '<h1 style="color:red">Crew wanted</h1><p>We look for a <b>mate</b> and <a href="https://b.example">a cook</a>.<script>top.hacked = 1</script></p><ul><li>Paid</li><li>Fed</li></ul><img src="https://elsewhere.example/x.png" onerror="top.hacked = 1">';
  await area.evaluate((field, given) => {
    const data = new DataTransfer();
    data.setData('text/html', given);
    data.setData('text/plain', 'Crew wanted');
    field.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, html);
  const told = page.getByRole('status', { name: 'Preview' });
  await expect(told).toContainText('one heading, one paragraph, one list; in Section, Body');
  await expect(told).toContainText('one look of its own, one script, one picture.');
  await told.getByRole('button', { name: 'Insert' }).click();
  const section = desk.frame('About at 1280').locator('main > [data-part]').filter({ hasText: 'Crew wanted' });
  await expect(section.getByRole('heading', { level: 2 })).toHaveText('Crew wanted');
  expect(await section.getByRole('heading').evaluate((element) => getComputedStyle(element).fontFamily)).toContain(
    'Gelasio',
  );
  await expect(section.getByRole('link', { name: 'a cook' })).toHaveAttribute('href', 'https://b.example');
  expect(await page.evaluate(() => 'hacked' in window)).toBe(false);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo Paste into About' }).click();
  await expect(section).toHaveCount(0);
});

test('blocks are laid in between two, several are changed at once, sections are dragged from the shelf, a page has another header, and stands at a third width', async ({
  desk,
  page,
}) => {
  await desk.step('Pages');
  await desk.choose('Page', 'Contact');
  const frame = desk.frame('Contact at 1280');
  const strips = page.getByRole('group', { name: 'Sections of Contact' }).getByRole('button');
  await strips.nth(1).click();
  // The page grew as it was chosen: what stands between its blocks moves together, and a press that comes too early
  // lands beside it.
  const rule = page.getByRole('menuitem', { name: 'Rule', exact: true });
  await expect(async () => {
    await page.getByRole('button', { name: 'Add a block after the text' }).first().click();
    await expect(rule).toBeVisible({ timeout: 3_000 });
  }).toPass();
  await rule.click();
  await expect(frame.locator('main > [data-part]').first().locator('hr')).toHaveCount(1);

  // Two buttons in hand are one variant by one choice.
  await desk.choose('Page', 'Home');
  const home = desk.frame('Home at 1280');
  const buttons = home.locator('main > [data-part]').first().locator('.button');
  await buttons.nth(0).click();
  await buttons.nth(1).click({ modifiers: ['Shift'] });
  const slip = page.getByRole('dialog', { name: /^Button/ });
  await expect(slip).toContainText('2 selected');
  await desk.choose('Variant', 'Secondary', slip);
  await expect(page.getByRole('button', { name: 'Undo Variant of 2 places' })).toBeVisible();
  await page.keyboard.press('Escape');

  // Dragged from the shelf a section goes between the two it is dropped between.
  await page.getByRole('region', { name: 'All pages' }).evaluate((row) => row.scrollTo(0, 0));
  await page.getByRole('button', { name: 'Add a section' }).click();
  const card = page.getByRole('list', { name: 'Kinds of section' }).getByRole('button', { name: 'Hero, narrow' });
  const [from, paper] = [
    (await card.boundingBox())!,
    (await page.locator('iframe[title="Home at 1280"]').boundingBox())!,
  ];
  await page.mouse.move(from.x + 30, from.y + 30);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y, { steps: 4 });
  await page.mouse.move(paper.x + 120, paper.y + 40, { steps: 8 });
  await page.mouse.up();
  await expect(
    page.getByRole('group', { name: 'Sections of Home' }).getByRole('button').nth(1).locator('.name'),
  ).toHaveText('Hero, narrow');
  // The page had its first heading: the one that came is of the second level, and nothing of the outline fails.
  await expect(home.locator('main > [data-part]').first().locator('h2')).toHaveCount(1);

  await page.getByRole('button', { name: 'Page details' }).click();
  await desk.choose('Header', 'no header');
  await desk.choose('Footer', 'Our promise');
  await page.keyboard.press('Escape');
  await expect(home.locator('header')).toHaveCount(0);
  await expect(home.locator('footer[data-part="footer"]')).toContainText('you hear it first');
  await expect(desk.frame('Sailings at 1280').locator('header')).toHaveCount(1);
  await page.getByLabel('Add width, px').fill('50');
  await page.getByLabel('Add width, px').press('Enter');
  await expect(page.getByRole('alert')).toContainText('320 to 2560');
  await page.getByLabel('Add width, px').fill('390');
  await page.getByLabel('Add width, px').press('Enter');
  await expect(page.getByRole('alert')).toContainText('Pages are already shown at 1280 and 390');
  await page.getByLabel('Add width, px').fill('768');
  await page.getByLabel('Add width, px').press('Enter');
  await expect(desk.frame('Home at 768').locator('h1')).toHaveCount(1);
  await page.getByLabel('Add width, px').fill('');
  await page.getByLabel('Add width, px').press('Enter');
  await desk.saved();
});
