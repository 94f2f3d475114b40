import { Desk, expect, test } from '../fixtures.ts';

test.use({
  prepare: async ({}, use) =>
    use(async (query: (sql: string) => Promise<unknown>) => {
      await query('delete from sites');
    }),
});

/** Twelve projects as a sheet that somebody keeps has them. */
const PROJECTS = [
  'Name;Sort;Year;Text',
  ...Array.from(
    { length: 12 },
    (_, i) =>
      `Vessel ${i + 1};${['bowl', 'tile', 'stove'][i % 3]!};${2015 + i};"Fired twice, glazed in *ash*; no. ${i + 1}."`,
  ),
].join('\n');
const FOREIGN =
  '<h2 style="color:#c00;font-family:Papyrus">From the bench</h2><p style="font-size:19px"><span style="color:#a1b2c3">Wood ash makes the <b>green</b>.</span> <a href="https://glaze.example/ash">More of it</a></p><ul><li>Sieve it</li><li>Wash it twice</li></ul><script>alert(1)</script>';

test('a studio’s site of seven pages with twelve projects is built from nothing, passes and goes live', async ({
  server,
  page,
}) => {
  test.setTimeout(240_000);
  const desk = new Desk(page, server);
  await page.goto(await server.link());
  await page
    .getByRole('link', { name: /New site/ })
    .or(page.getByRole('button', { name: /New site/ }))
    .first()
    .click();
  await page.getByLabel('Name', { exact: true }).fill('Kiln Row');
  await page.getByRole('button', { name: /^Create site/ }).click();
  await desk.ready();
  await desk.shows('All');
  await desk.step('Pages');

  // Seven pages, of their kinds, by pressing; the last by keys alone.
  const add = async (kind: string, name: string) => {
    await page.getByRole('button', { name: 'Add a page' }).click();
    await page.getByRole('menuitem', { name: kind, exact: true }).click();
    await page.getByLabel('Page title').fill(name);
    await page.getByLabel('Page title').press('Enter');
    await expect(page.getByLabel('Page title')).toHaveValue(name);
  };
  await add('List', 'Work');
  await add('Plain', 'Project');
  await add('Plain', 'Studio');
  await add('Article', 'Bench notes');
  await add('Plain', 'Bindings');
  await page.getByRole('button', { name: 'Add a page' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('menuitem', { name: 'Contact' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Page title')).toHaveValue('Contact');

  // Match menu to pages, one under another; the page of a project is in none.
  await page.getByRole('button', { name: 'Menu', exact: true }).click();
  await page.getByRole('button', { name: 'Match pages' }).click();
  const entries = page.getByRole('list', { name: 'Menu entries' });
  await expect(entries.getByRole('listitem')).toHaveCount(8);
  await entries.getByRole('button', { name: 'Delete Project' }).click();
  await entries.getByRole('button', { name: 'Bindings indent' }).click();
  await expect(entries.getByRole('button', { name: 'Bindings outdent' })).toBeVisible();
  await page.keyboard.press('Escape');

  // Twelve projects from a sheet; each has a page, all are listed on Work, put together by sort.
  await desk.choose('Page', 'Work');
  await page.getByRole('button', { name: 'Collections' }).click();
  await page.getByLabel('Add a collection').fill('Projects');
  await page.getByLabel('Add a collection').press('Enter');
  await page
    .getByLabel('Import spreadsheet')
    .setInputFiles({ name: 'projects.csv', mimeType: 'text/csv', buffer: Buffer.from(PROJECTS) });
  await page.getByRole('button', { name: 'Import', exact: true }).click();
  await page.getByRole('button', { name: '4 fields' }).click();
  await desk.choose('Page of each item, modelled on', 'Project');
  await desk.choose('Text type', 'rich text');
  await page.getByRole('button', { name: '12 items' }).click();
  await page.getByRole('button', { name: 'Add list to page' }).click();
  const work = desk.frame('Work at 1280');
  await expect(work.locator('.card')).toHaveCount(12);
  await work
    .locator('.card')
    .first()
    .click({ position: { x: 4, y: 4 } });
  const list = page.getByRole('dialog', { name: /^Card/ });
  await desk.choose('Group by', 'Sort', list);
  await expect(work.locator('h3', { hasText: 'bowl (4)' })).toBeVisible();
  await page.keyboard.press('Escape');

  // The page that each project has one like says what it says.
  await desk.choose('Page', 'Project');
  const project = desk.frame('Project at 1280');
  const write = async (place: ReturnType<typeof project.locator>, words: string) => {
    await place.dblclick();
    await page.keyboard.press('Control+a');
    await page.keyboard.type(words);
    await page.keyboard.press('Enter');
    await desk.saved();
  };
  await write(project.locator('h1'), '{Name}');
  await expect(project.locator('h1')).toHaveText('Vessel 1');
  await write(project.locator('main p').first(), 'Made in {Year}. {Text}');
  await expect(project.locator('main em', { hasText: 'ash' }).first()).toBeVisible();

  // One section for four pages: the same on three, a copy on the fourth.
  await desk.choose('Page', 'Studio');
  const lay = async (name: string, use?: string) => {
    await page.getByRole('button', { name: 'Add a section' }).click();
    if (use)
      await page
        .getByRole('group', { name: 'For' })
        .getByRole('button', { name: new RegExp(`^${use}`) })
        .click();
    await page.getByRole('list', { name: 'Kinds of section' }).getByRole('button', { name, exact: true }).click();
  };
  await lay('Call to action');
  await page.getByRole('button', { name: 'Reuse on other pages' }).click();
  for (const name of ['Bindings', 'Bench notes', 'Contact']) {
    await desk.choose('Page', name);
    await lay('Call to action', 'reused');
  }
  await page.getByRole('button', { name: 'Stop sharing here' }).click();
  await expect(page.getByText('on this page only', { exact: true })).toBeVisible();
  await desk.choose('Page', 'Studio');
  await write(desk.frame('Studio at 1280').locator('h2', { hasText: 'Ready to start?' }), 'Come to the kiln');
  for (const name of ['Bindings', 'Bench notes'])
    await expect(desk.frame(`${name} at 1280`).locator('h2', { hasText: 'Come to the kiln' })).toHaveCount(1);
  await expect(desk.frame('Contact at 1280').locator('h2', { hasText: 'Ready to start?' })).toHaveCount(1);

  // Words from elsewhere come in the styles of the brand; what they looked like is kept as raw values, matched at once.
  await desk.choose('Page', 'Bench notes');
  await page.getByRole('button', { name: 'Paste text' }).click();
  await page.getByLabel(/^Paste from a document/).evaluate((area, html) => {
    const data = new DataTransfer();
    data.setData('text/html', html);
    data.setData('text/plain', 'From the bench');
    area.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
  }, FOREIGN);
  const comes = page.getByRole('status', { name: 'Preview' });
  await expect(comes).toContainText('one heading, one paragraph, one list');
  await expect(comes).toContainText('one script');
  await comes.getByText('Keep source formatting as raw values').click();
  await comes.getByRole('button', { name: 'Insert' }).click();
  const notes = desk.frame('Bench notes at 1280');
  await expect(notes.locator('h2', { hasText: 'From the bench' })).toHaveCSS('color', 'rgb(204, 0, 0)');
  await expect(notes.getByRole('link', { name: 'More of it' })).toHaveAttribute('href', 'https://glaze.example/ash');
  await page.keyboard.press('Escape');
  await desk.tally(/raw values$/).click();
  await page.getByRole('button', { name: 'Match all to the nearest token' }).click();
  await expect(desk.tally(/raw values$/)).toHaveText('0 raw values');

  await expect(desk.tally(/failing$/)).toHaveText('0 failing');
  await desk.saved();
  await desk.step('Publish');
  await page
    .getByRole('region', { name: 'Publish' })
    .getByRole('button', { name: /^Publish (?:the site|\d)/ })
    .click();
  await expect(page.getByText('Publication 1 is live.')).toBeVisible({ timeout: 60_000 });

  const visitor = await page
    .context()
    .browser()!
    .newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 800 } });
  const live = await visitor.newPage();
  await live.goto(`${new URL(page.url()).origin}/live/kiln-row/`);
  // On phones the menu is folded, and opens without script.
  await expect(live.getByRole('link', { name: 'Work' })).toBeHidden();
  await live.locator('summary', { hasText: 'Menu' }).click();
  await live.getByRole('link', { name: 'Work' }).click();
  for (const name of ['Vessel 1', 'Vessel 12'])
    await expect(live.getByRole('link', { name, exact: true })).toHaveCount(1);
  await live.getByRole('link', { name: 'Vessel 12', exact: true }).click();
  await expect(live.getByRole('heading', { level: 1 })).toHaveText('Vessel 12');
  await expect(live.locator('main')).toContainText('Made in 2026. Fired twice, glazed in ash; no. 12.');
  // The page that all projects have one like is at no address of its own: who goes there is led on to the first of
  // them.
  await live.goto(`${new URL(page.url()).origin}/live/kiln-row/project.html`);
  await expect(live).toHaveURL(/\/live\/kiln-row\/.*vessel-1\.html$/);
  await visitor.close();
});
