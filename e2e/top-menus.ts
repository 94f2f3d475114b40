import type { Page } from '@playwright/test';

/** Presses an entry of the menu Show in the top line. */
export async function show(page: Page, name: string): Promise<void> {
  await page.getByRole('banner').getByRole('button', { name: 'Show', exact: true }).click();
  await page.locator('.yo-options').getByText(name, { exact: true }).click();
}

/** Presses an entry of the menu Settings in the top line. */
export async function settings(page: Page, name: string): Promise<void> {
  await page.getByRole('banner').getByRole('button', { name: 'Settings', exact: true }).click();
  await page.locator('.yo-options').getByText(name, { exact: true }).click();
}
