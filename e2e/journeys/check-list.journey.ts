import { expect, test } from '../fixtures.ts';

test('a list of many hundred rows is gone through, sorted, narrowed, and shown with the columns that are wanted', async ({
  desk,
  page,
}) => {
  await desk.swatch('Tern white');
  const hex = page.getByLabel('Hex or any notation');
  await hex.fill('#f7f4ea');
  await hex.press('Enter');
  await expect(desk.told()).toContainText('places changed');
  // The list also contains places that keep an override.
  const figure = (of: RegExp, text: string) => Number((of.exec(text)?.[1] ?? '0').replace(/\s/g, ''));
  const told = await desk.told().innerText();
  const listed = figure(/([\d\s]+) places changed/, told) + figure(/([\d\s]+) kept/, told);
  expect(listed).toBeGreaterThan(600);
  await desk.step('Check');
  await page.getByRole('button', { name: /^Changed/ }).click();
  const table = page.getByRole('table', { name: 'Changed' });
  await expect(table).toHaveAttribute('aria-rowcount', String(listed + 1));
  // Only what is in sight is there; the end is reached by scrolling.
  expect(await table.getByRole('row').count()).toBeLessThan(60);
  await table.locator('cdk-virtual-scroll-viewport').evaluate((port) => port.scrollTo(0, port.scrollHeight));
  await expect(table).toContainText('Page not found');
  // Places that keep a value of their own come last.
  await expect(table.getByRole('row').last()).toContainText('is set here');

  const pages = () => table.locator('tbody tr.ant-table-row td:nth-child(2)').allInnerTexts();
  await table.locator('cdk-virtual-scroll-viewport').evaluate((port) => port.scrollTo(0, 0));
  await table.getByRole('columnheader', { name: /^Page/ }).getByRole('button', { name: 'Page', exact: true }).click();
  await expect(table.getByRole('columnheader', { name: /^Page/ })).toHaveAttribute('aria-sort', 'ascending');
  await expect.poll(async () => (await pages())[0]).toBe('About');
  await table.getByRole('columnheader', { name: /^Page/ }).getByRole('button', { name: 'Page', exact: true }).click();
  await expect.poll(async () => (await pages())[0]).toBe('Vehicles and freight: after sending');
  await table.getByRole('button', { name: 'Filter by Page' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Vehicles and freight', exact: true }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Vehicles and freight: after sending' }).click();
  // The menu stays for the next one.
  await page.getByRole('menuitemcheckbox', { name: 'Fares', exact: true }).click();
  await page.getByRole('menuitemcheckbox', { name: 'Fares', exact: true }).click();
  await page.keyboard.press('Escape');
  await expect.poll(async () => (await pages())[0]).toBe('Travelling with assistance');
  await table.getByRole('button', { name: 'Columns' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'State' }).click();
  await page.keyboard.press('Escape');
  await expect(table.getByRole('columnheader', { name: /^State/ })).toHaveCount(0);
  // Another list begins anew, with the columns that are wanted.
  await page.getByRole('button', { name: /^Failing/ }).click();
  await page.getByRole('button', { name: 'List by place' }).click();
  const failing = page.getByRole('table', { name: 'Failing' });
  await expect(failing.locator('[aria-sort]')).toHaveCount(0);
  await expect(failing.getByRole('columnheader', { name: /^State/ })).toHaveCount(0);
});
