import { expect, test } from '../fixtures.ts';

test('a long list is shown in pieces, and says how much of it is left', async ({ desk, page }) => {
  await desk.swatch('Tern white');
  const hex = page.getByLabel('Hex or any notation');
  await hex.fill('#f7f4ea');
  await hex.press('Enter');
  await expect(desk.told()).toContainText('places changed');
  // What an edit would have reached and a value on the place held stands in the list as well.
  const figure = (of: RegExp, text: string) => Number((of.exec(text)?.[1] ?? '0').replace(/\s/g, ''));
  const told = await desk.told().innerText();
  const listed = figure(/([\d\s]+) places changed/, told) + figure(/([\d\s]+) kept/, told);
  expect(listed).toBeGreaterThan(600);
  await desk.step('Check');
  await page.getByRole('button', { name: /^Changed/ }).click();
  const rows = page.getByRole('region', { name: 'Changed' }).getByRole('row');
  await expect(rows).toHaveCount(301);
  const more = page.getByRole('button', { name: /^Show 300 more of/ });
  await expect(more).toHaveText(new RegExp(`^Show 300 more of ${listed - 300}$`));
  await more.click();
  await expect(rows).toHaveCount(601);
  // Another list begins anew.
  await page.getByRole('button', { name: /^Failing/ }).click();
  await page.getByRole('button', { name: /^Changed/ }).click();
  await expect(rows).toHaveCount(301);
});
