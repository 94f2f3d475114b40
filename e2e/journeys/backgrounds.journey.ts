import { expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: ['home', 'fares', 'notices', 'contact'] });

test('several roles are set together: a column by its head, others with Shift; by the hue of a swatch at a contrast, by another role', async ({
  desk,
  page,
}) => {
  await desk.step('Backgrounds');
  await page.getByRole('button', { name: 'Link on every background', exact: true }).click();
  await expect(page.getByText('6 roles selected')).toBeVisible();
  await desk.choose('Hue of', 'Deep');
  await desk.saved();
  await expect(page.getByRole('button', { name: 'Undo 6 roles' })).toBeVisible();
  // On each ground another colour of that hue, and each can be read.
  const link = (ground: string) => desk.computed('Home at 1280', 'page/surface', `--background-${ground}-link`);
  expect(new Set([await link('fog'), await link('deep')]).size).toBe(2);
  await expect(page.getByRole('contentinfo', { name: 'Tally' })).toContainText(
    /6 roles: 94 places changed, none worse/,
  );
  const at = page.getByLabel('at contrast', { exact: true });
  await at.fill('7');
  await at.press('Enter');
  await expect(page.getByRole('button', { name: /^Undo 6 roles/ })).toBeVisible();

  await page.getByRole('button', { name: 'Eyebrow on Fog', exact: true }).click();
  await expect(page.getByText('roles selected')).toHaveCount(0);
  await page.getByRole('button', { name: 'Eyebrow on Chart paper', exact: true }).click({ modifiers: ['Shift'] });
  await expect(page.getByText('2 roles selected')).toBeVisible();
  await desk.choose('Same as', 'Heading');
  await desk.saved();
  await expect
    .poll(() => desk.computed('Home at 1280', 'page/surface', '--background-fog-eyebrow'))
    .toBe(await desk.computed('Home at 1280', 'page/surface', '--background-fog-heading'));
  await expect(
    page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Backgrounds' }),
  ).not.toContainText('open');
});

test('a gradient is set, turned, judged where each text stands on it, and made flat again', async ({ desk, page }) => {
  await expect(desk.tally(/not yet measured$/)).toHaveCount(0, { timeout: 60_000 });
  const failing = async () => Number((await desk.tally(/failing$/).innerText()).replace(/\D/g, ''));
  const before = await failing();
  await desk.step('Backgrounds');
  await page.getByRole('button', { name: 'Fog', exact: true }).click();
  await desk.choose('Gradient end', 'Slate');
  const image = () => desk.computed('Fares at 1280', 'fares-half/surface', 'background-image');
  await expect.poll(image).toBe('linear-gradient(rgb(207, 217, 214) 0%, rgb(77, 96, 95) 100%)');
  // The dark end swallows texts; each is told once the layout has been read.
  await expect.poll(failing, { timeout: 60_000 }).toBeGreaterThan(before + 10);
  await expect(desk.tally(/not yet measured$/)).toHaveCount(0, { timeout: 60_000 });
  const angle = page.getByLabel('Angle, °');
  await angle.fill('400');
  await angle.press('Enter');
  await expect(page.getByRole('alert')).toContainText('359');
  await angle.fill('90');
  await angle.press('Enter');
  await expect.poll(image).toContain('linear-gradient(90deg');
  await expect(page.getByText('rendered differently')).toHaveCount(0);
  await desk.choose('Gradient end', 'none');
  await expect.poll(image).toBe('none');
  await expect.poll(failing, { timeout: 60_000 }).toBe(before);
});

test('set lines unfold to every role and remember it; what fails stays when they fold; what is not set is listed by places', async ({
  desk,
  page,
}) => {
  await desk.step('Backgrounds');
  const visited = page.getByRole('button', { name: 'Link, visited on Tern white', exact: true });
  await expect(visited).toHaveCount(0);
  // A role that nobody chose, in use: listed, and taken in hand from the list.
  const unset = page.getByRole('button', { name: /^Link, hover on Tern white: automatic, \d+ places$/ });
  const told = /\d+ places$/.exec((await unset.getAttribute('aria-label')) ?? (await unset.innerText()).trim())![0];
  await unset.click();
  await expect(page.getByText(`Link, hover on Tern white: used in ${told}`)).toBeVisible();
  await expect(page.getByText(/^5\.49, needs 4\.5; .*automatic/)).toContainText(told);
  await desk.choose('Swatch', 'Slate');
  await desk.saved();
  await expect(page.getByRole('button', { name: /^Link, hover on Tern white: automatic/ })).toHaveCount(0);

  await page.getByRole('button', { name: 'All roles' }).click();
  await visited.click();
  const raw = page.getByLabel('Raw value');
  await raw.fill('#e4e4e4');
  await raw.press('Enter');
  await desk.saved();
  await expect(
    page.getByRole('button', { name: /^Link, visited on Tern white: 1\.2\d of 4\.5, \d+ places$/ }),
  ).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: 'Main roles only' })).toBeVisible();
  await page.getByRole('button', { name: 'Main roles only' }).click();
  await expect(visited).toBeVisible();
  await expect(page.getByRole('button', { name: 'Field help on Tern white', exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: /^Fix with #/ }).click();
  await desk.saved();
  await expect(visited).toHaveCount(0);
});
