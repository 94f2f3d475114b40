import { expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: ['home', 'fares', 'contact'] });

test('“Use” takes the place’s own token and names it, “Bind” another one, and “Save” keeps the other widths', async ({
  desk,
  page,
}) => {
  await page.getByRole('button', { name: 'Contact', exact: true }).click();
  const wide = desk.frame('Contact at 1280').locator('h1').first();
  const narrow = desk.frame('Contact at 390').locator('h1').first();
  const read = (place: typeof wide, property: string) =>
    place.evaluate((element, name) => getComputedStyle(element).getPropertyValue(name), property);
  const [ownColor, phoneSize] = [await read(wide, 'color'), await read(narrow, 'font-size')];
  await wide.click();
  const slip = page.getByRole('dialog', { name: /^Heading|^Title|^“/ });
  const line = (name: string) => slip.locator('.line').filter({ has: page.getByText(name, { exact: true }) });
  const set = async (name: string, value: string, at?: string) => {
    await line(name).getByRole('button', { name: 'Override' }).click();
    if (at) await desk.choose('At', at, slip);
    await slip.getByLabel(/^(This page|Everywhere)$/).fill(value);
    await page.keyboard.press('Enter');
  };
  const held = Number.parseInt(await desk.tally(/overrides$/).innerText(), 10);
  // Close to a swatch that is not the heading's own.
  await set('Colour', '#b93b1f');
  await expect.poll(() => read(wide, 'color')).toBe('rgb(185, 59, 31)');
  await expect(line('Colour').getByRole('button', { name: 'Bind to Funnel' })).toBeVisible();
  const use = line('Colour').getByRole('button', { name: /^Use / });
  await expect(use).not.toHaveText('Use Funnel');
  await line('Colour').getByRole('button', { name: 'Bind to Funnel' }).click();
  await expect.poll(() => read(wide, 'color')).toBe('rgb(184, 58, 30)');
  const own = await use.innerText();
  await use.click();
  await expect.poll(() => read(wide, 'color')).toBe(ownColor);
  // Nothing is left that a second press could mean.
  await expect(use).toHaveCount(0);
  expect(own).toMatch(/^Use \S/);

  await set('Size', '61px', 'desktop');
  await expect.poll(() => read(wide, 'font-size')).toBe('61px');
  expect(await read(narrow, 'font-size')).toBe(phoneSize);
  await line('Size')
    .getByRole('button', { name: /^Save to / })
    .click();
  await expect(desk.tally(/overrides$/)).toHaveText(`${held} overrides`);
  await desk.saved();
  expect(await read(wide, 'font-size')).toBe('61px');
  expect(await read(narrow, 'font-size')).toBe(phoneSize);
});

test('a new variant with a light fill gets a label that can be read on it, and its states differ from rest', async ({
  desk,
  page,
}) => {
  await desk.step('Buttons');
  const grid = page.getByRole('group', { name: 'Variants by states' });
  await grid.getByRole('button', { name: 'Primary, rest' }).click();
  await page.getByRole('button', { name: 'Duplicate variant' }).click();
  await desk.saved();
  const rows = await grid
    .getByRole('button', { name: /, rest$/ })
    .evaluateAll((list) => list.map((cell) => cell.getAttribute('aria-label')!.replace(/, rest$/, '')));
  const added = rows.at(-1)!;
  expect(rows.length).toBeGreaterThan(2);
  await grid.getByRole('button', { name: `${added}, rest` }).click();
  await desk.choose('fill', 'Fog');
  await desk.saved();
  const painted = (state: string) =>
    grid.getByRole('button', { name: `${added}, ${state}`, exact: true }).evaluate((cell) => {
      const style = getComputedStyle(cell);
      return { fill: style.backgroundColor, label: style.color, edge: style.borderTopColor };
    });
  const luminance = (color: string) => {
    const [r, g, b] = color
      .match(/[\d.]+/g)!
      .slice(0, 3)
      .map((part) => {
        const value = Number(part) / 255;
        return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
      });
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
  };
  const ratio = (a: string, b: string) => {
    const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x);
    return (high! + 0.05) / (low! + 0.05);
  };
  const rest = await painted('rest');
  expect(ratio(rest.label, rest.fill)).toBeGreaterThanOrEqual(4.5);
  for (const state of ['hover', 'pressed']) expect(await painted(state), state).not.toEqual(rest);
});
