/*
 * Takes the pictures in docs/screenshots/ from a running Yohaku:
 *   node --import tsx e2e/pictures.ts "$(./yohaku link)" [FOLDER] [NAME…]
 */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { launch } from './browser.ts';
import { show } from './top-menus.ts';

const [address, folder = 'docs/screenshots', ...only] = process.argv.slice(2);
if (!address) throw new Error('Give the sign-in address that ./yohaku link prints.');

const step = async (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name }).click();

/** Back from any other way of seeing. */
const fullColour = (page: Page) => show(page, 'full colour');

/** Off with whatever another picture hung on the wall. */
const calm = async (page: Page) => {
  const back = page.getByRole('button', { name: 'Overview' });
  if (await back.count()) await back.click();
  const specimen = page.getByRole('button', { name: 'Specimen', exact: true, pressed: true });
  if (await specimen.count()) await specimen.click();
  if (await page.getByRole('group', { name: 'Stress-test content' }).count()) await show(page, 'Stress-test content');
};

/** How much the steps show: pictures show what is used most, but for those of something else. */
const shows = (page: Page, density: 'Essential' | 'All') => show(page, density);

const SHOTS: Record<string, (page: Page) => Promise<void>> = {
  sources: async (page) => {
    await step(page, 'Sources');
    await page
      .getByLabel('Choose files')
      .setInputFiles(
        ['mark-on-pale.svg', 'timetable-board.svg', 'old-pages.css'].map((name) => join('demo/sources', name)),
      );
    await page.getByRole('button', { name: 'Remove old-pages.css' }).waitFor();
    await page.getByRole('button', { name: 'Show where Funnel occurs' }).click();
  },
  logo: async (page) => {
    await step(page, 'Sources');
    await page.getByRole('button', { name: 'Logo', exact: true }).click();
    await page.getByRole('button', { name: /on Deep$/ }).click();
  },
  comparison: async (page) => {
    await step(page, 'Sources');
    await page.getByRole('button', { name: 'timetable-board.svg', exact: true }).click();
    await page.getByRole('button', { name: 'Compare with a page' }).click();
    await page.getByRole('button', { name: 'wipe' }).click();
    await page.getByRole('list', { name: 'Differences' }).getByRole('button').first().click();
  },
  colour: async (page) => {
    await step(page, 'Colour');
    await page
      .getByRole('button', { name: /^Funnel/ })
      .first()
      .click();
    await page.getByRole('button', { name: /^Uses of/ }).click();
  },
  harmonies: async (page) => {
    await fullColour(page);
    await step(page, 'Colour');
    await page.getByRole('button', { name: 'All pages' }).click();
    await shows(page, 'All');
    await page.getByRole('button', { name: 'Harmonies' }).click();
    await page.getByRole('button', { name: 'Apply Triadic' }).hover();
  },
  backgrounds: async (page) => {
    await fullColour(page);
    await page.getByRole('button', { name: 'All pages' }).click();
    await step(page, 'Backgrounds');
    await page.getByRole('button', { name: 'Eyebrow on Fog', exact: true }).click();
  },
  fix: async (page) => {
    await step(page, 'Backgrounds');
    await page.getByRole('button', { name: 'Fix all' }).click();
    await page.getByRole('button', { name: 'Apply it' }).waitFor();
  },
  type: async (page) => step(page, 'Type'),
  buttons: async (page) => {
    await step(page, 'Buttons');
    await page.getByRole('button', { name: 'Primary, rest' }).click();
  },
  pages: async (page) => {
    await step(page, 'Pages');
    await page.getByLabel('Page', { exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.keyboard.type('Fares');
    await page.waitForTimeout(300);
    await page.keyboard.press('Enter');
    await page.waitForTimeout(800);
    await page.getByRole('button', { name: 'Half fare' }).first().click();
    await page.frameLocator('iframe[title="Fares at 1280"]').locator('[data-place="fares-half-b4/k1"]').click();
  },
  check: async (page) => {
    await step(page, 'Check');
    await page.getByRole('button', { name: /^Failing/ }).click();
    await page.getByRole('row').nth(2).getByRole('button').first().click();
  },
  tokens: async (page) => {
    await step(page, 'Sources');
    const file = {
      $schema: 'https://www.designtokens.org/schemas/2025.10/format.json',
      color: { $type: 'color', core: { funnel: { $value: '#a53016' }, buoy: { $value: '#e0a021' } } },
      type: {
        body: {
          $type: 'typography',
          $value: { fontFamily: 'Public Sans', fontSize: '19px', fontWeight: 400, lineHeight: 1.6 },
        },
      },
      radius: { pebble: { $type: 'dimension', $value: '14px' } },
    };
    await shows(page, 'All');
    await page.getByLabel('Import tokens').setInputFiles({
      name: 'another-desk.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(file)),
    });
    await page.getByRole('group', { name: 'Import tokens' }).getByRole('listitem').first().waitFor();
  },
  publish: async (page) => step(page, 'Publish'),
  families: async (page) => {
    await step(page, 'Type');
    await page.getByRole('button', { name: /^Headings/ }).click();
    await page.getByRole('button', { name: 'Use Literata' }).hover();
    await page.waitForTimeout(1200);
  },
  specimen: async (page) => {
    await step(page, 'Type');
    const ladder = page.getByRole('button', { name: 'Back to the type scale' });
    if (await ladder.count()) await ladder.click();
    await page.getByRole('button', { name: 'Specimen', exact: true }).click();
    await page.waitForTimeout(1500);
    await page
      .getByRole('navigation', { name: 'Parts of the specimen' })
      .getByRole('button', { name: 'Paper' })
      .click();
    await page.waitForTimeout(500);
  },
  stress: async (page) => {
    await step(page, 'Check');
    await show(page, 'Stress-test content');
    await page.getByText(/things? breaks?/).waitFor();
    await page.getByRole('list', { name: 'Problems' }).getByRole('button').first().click();
    await page.waitForTimeout(1500);
  },
  collections: async (page) => {
    await step(page, 'Pages');
    await page.getByRole('button', { name: 'Collections' }).click();
    await page.getByLabel('Add a collection').fill('Boats');
    await page.keyboard.press('Enter');
    const rows = [
      ['Name', 'Text', 'Built', 'Berths'],
      ['Sandpiper', 'Two decks, a saloon, and tea on the line.', '1987-05-01', '140'],
      ['Dunlin', 'Carries the post and whoever sits on it.', '1999-03-02', '24'],
      ['Knot', 'The small one, for fog.', '2025-01-30', '12'],
      ['Turnstone', 'Lies at Holm in winter.', '1974-09-12', '60'],
      ['Whimbrel', 'Freight on Thursdays.', '2003-06-21', '8'],
    ];
    await page.getByLabel('Import spreadsheet').setInputFiles({
      name: 'boats.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(rows.map((row) => row.map((cell) => `"${cell}"`).join(',')).join('\n')),
    });
    await page.getByRole('button', { name: 'Import', exact: true }).click();
    await page.getByText('Knot', { exact: true }).click();
  },
  shelf: async (page) => {
    await page.goto(new URL('/', page.url()).href);
    await page
      .getByText(/failing|every check passes/)
      .first()
      .waitFor();
  },
  'new-site': async (page) => {
    await page.goto(new URL('/new', page.url()).href);
    await page.getByLabel('Name').fill('Night observatory');
    await page.getByText('Colours', { exact: true }).click();
    await page.getByLabel(/Paste colours, or text containing them/).fill('#1b2a49, gold, #f4f1e8, rebeccapurple');
  },
};

const browser = await launch();
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('console', (message) => {
  if (message.type() === 'error') process.stderr.write(`console: ${message.text()}\n`);
});
page.on('pageerror', (error) => process.stderr.write(`page: ${error.stack ?? error.message}\n`));
await page.goto(address);
await page.getByRole('navigation', { name: 'Steps' }).waitFor();
await page.getByRole('button', { name: 'No tour' }).click();
await page.waitForTimeout(2500);
mkdirSync(folder, { recursive: true });
for (const [name, prepare] of Object.entries(SHOTS)) {
  if (only.length > 0 && !only.includes(name)) continue;
  try {
    await calm(page);
    if (await page.getByRole('navigation', { name: 'Steps' }).count()) await shows(page, 'Essential');
    await prepare(page);
  } catch (error) {
    process.stderr.write(`${name}: ${String(error).split('\n')[0]}\n`);
  }
  await page.waitForTimeout(1800);
  await page.screenshot({ path: join(folder, `${name}.png`) });
}
await browser.close();
