import { EVERY_KIND, expect, testOnOneDesk as test } from '../fixtures.ts';
import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';

test.use({ pages: EVERY_KIND });

const file = (name: string, content: unknown) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(typeof content === 'string' ? content : JSON.stringify(content)),
});
const bringIn = (page: Page, name: string, content: unknown) =>
  page.getByLabel('Import tokens').first().setInputFiles(file(name, content));

test('tokens go out, are edited by hand and come in again: shown first, kept or taken one by one, one undo step', async ({
  desk,
  page,
}) => {
  await desk.step('Publish');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'DTCG' }).click();
  const tokens = JSON.parse(await readFile(await (await download).path(), 'utf8'));
  tokens.color.core.funnel.$value = { colorSpace: 'srgb', components: [0, 0.3, 0.7], alpha: 1, hex: '#004db3' };
  tokens.corner.button.$value = { value: 12, unit: 'px' };

  await desk.step('Sources');
  await bringIn(page, 'edited.json', tokens);
  const panel = page.getByRole('group', { name: 'Import tokens' });
  await expect(panel.getByRole('status')).toContainText(/0 added, 4 changed, 4\d\d equal, 0 left/);
  await expect(panel.getByRole('listitem').filter({ hasText: /^Funnel/ })).toContainText(
    /#b83a1e to\s+#004db3ΔE 0\.\d{3}92 places/,
  );
  // Seen before it is taken, and nothing is saved by that.
  await expect.poll(() => desk.computed('Home at 1280', 'page/surface', '--color-core-funnel')).toBe('#004db3');
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
  await panel.getByRole('button', { name: 'Button corner: keep current' }).click();
  await panel.getByRole('button', { name: 'Apply', exact: true }).click();
  await desk.saved();
  await expect(page.getByRole('button', { name: 'Undo Import edited.json' })).toBeVisible();
  await expect.poll(() => desk.computed('Home at 1280', 'page/surface', '--corner-button')).toBe('3px');
  await page.getByRole('button', { name: 'Undo Import edited.json' }).click();
  await expect.poll(() => desk.computed('Home at 1280', 'page/surface', '--color-core-funnel')).toBe('#b83a1e');
});

test('a file of another tool brings its colours, keeps the rest, and a broken one says what is wrong', async ({
  desk,
  page,
}) => {
  await desk.step('Sources');
  const panel = page.getByRole('group', { name: 'Import tokens' });
  await bringIn(page, 'broken.json', '{ "color": ');
  await expect(panel.getByRole('alert')).toContainText(
    /broken\.json: The file is not valid JSON .*Nothing was changed\./,
  );
  await panel.getByRole('button', { name: 'Close' }).click();

  await bringIn(page, 'house.json', {
    color: {
      $type: 'color',
      funnel: { $value: '#aa2200' },
      sea: { $value: { colorSpace: 'oklch', components: [0.4, 0.06, 220] } },
      accent: { $value: '{color.funnel}' },
    },
    size: { $type: 'dimension', $value: { value: 4, unit: 'px' } },
  });
  await expect(panel.getByRole('status')).toContainText('1 added, 1 changed, 0 equal, 2 left');
  await panel.getByRole('button', { name: 'Funnel: both' }).click();
  await panel.getByRole('button', { name: 'Apply', exact: true }).click();
  await desk.saved();
  await desk.step('Colour');
  const palette = page.getByRole('region', { name: 'Palette' });
  await expect(palette.getByRole('button', { name: /^Funnel 2 #aa2200/ })).toBeVisible();
  await expect(palette.getByRole('button', { name: /^Sea/ })).toBeVisible();
  await desk.step('Publish');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'DTCG' }).click();
  const out = JSON.parse(await readFile(await (await download).path(), 'utf8'));
  expect(out.size).toEqual({ $type: 'dimension', $value: { value: 4, unit: 'px' } });
  expect(out.color.accent.$value).toBe('{color.side.funnel-2}');
});

test('text styles, corners and shadows of another tool are seen on the wall before they are taken, and go back in one step', async ({
  desk,
  page,
}) => {
  await desk.step('Sources');
  const panel = page.getByRole('group', { name: 'Import tokens' });
  await bringIn(page, 'type.json', {
    type: {
      body: {
        $type: 'typography',
        $value: { fontFamily: 'Nobody Grotesque', fontSize: '21px', fontWeight: 400, lineHeight: 1.6 },
      },
      tiny: { $type: 'typography', $value: { fontSize: '4px', fontWeight: 400, lineHeight: 1.5 } },
    },
    radius: { pebble: { $type: 'dimension', $value: '22px' } },
  });
  await expect(panel.getByRole('status')).toContainText('1 added, 1 changed, 0 equal, 1 left');
  await expect(panel).toContainText('uses Nobody Grotesque in the file, which is not a family of this site');
  await expect(panel).toContainText('has a size of 4px; sizes go from 8 to 200 px');
  const running = () =>
    desk
      .frame('Home at 1280')
      .locator('.text--body')
      .first()
      .evaluate((element) => getComputedStyle(element).fontSize);
  await expect.poll(running).toBe('21px');
  await panel.getByRole('button', { name: 'Cancel' }).click();
  await expect.poll(running).not.toBe('21px');
  await bringIn(page, 'type.json', {
    type: { body: { $type: 'typography', $value: { fontSize: '21px', fontWeight: 400, lineHeight: 1.6 } } },
    radius: { pebble: { $type: 'dimension', $value: '22px' } },
  });
  await panel.getByRole('button', { name: 'Apply', exact: true }).click();
  await desk.saved();
  await expect.poll(running).toBe('21px');
  await desk.step('Buttons');
  await page.getByRole('button', { name: 'Corners and shadows' }).click();
  await expect(page.getByLabel('Pebble corner', { exact: true })).toHaveValue('22');
  await page.getByRole('button', { name: 'Undo Import type.json' }).click();
  await expect.poll(running).not.toBe('21px');
});

test('tokens.css is edited in a text editor and comes back as the edits it has; a sheet of another tool brings what says what it is', async ({
  desk,
  page,
}) => {
  await desk.step('Publish');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSS', exact: true }).click();
  const sheet = await readFile(await (await download).path(), 'utf8');
  const edited = sheet
    .replace('--color-core-funnel: #b83a1e;', '--color-core-funnel: #004db3;')
    .replace(/--text-body-line-height: [\d.]+;/, '--text-body-line-height: 1.8;')
    .replace('--corner-button: 3px;', '--corner-button: 900px;');

  await desk.step('Sources');
  const panel = page.getByRole('group', { name: 'Import tokens' });
  await bringIn(page, 'tokens.css', edited);
  await expect(panel.getByRole('status')).toContainText(/0 added, \d+ changed, 4\d\d equal, 1 left/);
  await expect(panel.getByRole('listitem').filter({ hasText: '--corner-button' })).toContainText('is 900px');
  const leading = () =>
    desk
      .frame('Home at 1280')
      .locator('.text--body')
      .first()
      .evaluate(
        (element) =>
          Number.parseFloat(getComputedStyle(element).lineHeight) /
          Number.parseFloat(getComputedStyle(element).fontSize),
      );
  await expect.poll(leading).toBeCloseTo(1.8, 2);
  await panel.getByRole('button', { name: 'Apply', exact: true }).click();
  await desk.saved();
  await expect.poll(() => desk.computed('Home at 1280', 'page/surface', '--color-core-funnel')).toBe('#004db3');

  await bringIn(page, 'house.css', ':root { --glow: 0 3px 9px #004db3; --soft-radius: 14px; --grid-gap: 4px; }');
  await expect(panel.getByRole('status')).toContainText('2 added, 0 changed, 0 equal, 1 left');
  await expect(panel.getByRole('listitem').filter({ hasText: '--grid-gap' })).toContainText('kept, and exported again');
  await panel.getByRole('button', { name: 'Apply', exact: true }).click();
  await desk.saved();
  await desk.step('Publish');
  const second = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSS', exact: true }).click();
  const out = await readFile(await (await second).path(), 'utf8');
  expect(out).toContain('--grid-gap: 4px;');
  expect(out).toMatch(/--shadow-glow: 0px 3px 9px 0px/);
});
