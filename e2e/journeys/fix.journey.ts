import { EVERY_KIND, expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

test('the whole brand is fixed at once with two locks, seen on the wall first, as one undo step', async ({
  desk,
  page,
}) => {
  await desk.swatch('Funnel');
  const hex = page.getByLabel('Hex or any notation');
  await hex.fill('#e2765c');
  await hex.press('Enter');
  await desk.saved();
  for (const name of ['Deep', 'Ink']) {
    await desk.swatch(name);
    await page.getByRole('button', { name: 'Lock', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Unlock', exact: true })).toBeVisible();
  }
  // Text over an image is fixed there; no background is left open.
  const grounds = page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Backgrounds' });
  await expect(grounds).toContainText('open');

  await desk.step('Backgrounds');
  await page.getByRole('button', { name: 'Fix all' }).click();
  const panel = page.getByRole('group', { name: 'Fix all' });
  await expect(panel.getByRole('listitem').filter({ hasText: 'Funnel' })).toContainText(
    /#e2765c to #[0-9a-f]{6}ΔE 0\.\d{3}/,
  );
  await expect(panel).not.toContainText('cannot');
  await expect(panel.getByRole('listitem').filter({ hasText: /^(Deep|Ink)/ })).toHaveCount(0);
  // The wall shows it before it is taken.
  await expect.poll(() => desk.computed('Home at 1280', 'page/surface', '--color-core-funnel')).not.toContain('e2765c');
  await expect(page.getByRole('button', { name: /^Undo Ink locked/ })).toBeEnabled();

  await panel.getByRole('button', { name: /^Apply (it|all)/ }).click();
  await expect(panel).toContainText('Every pair passes.');
  await expect(grounds).not.toContainText('open');
  await panel.getByRole('button', { name: 'Cancel' }).click();
  await page.getByRole('button', { name: /^Undo Fix/ }).click();
  await expect(grounds).toContainText('open');
});

test('what cannot hold is named in words when too much stays', async ({ desk, page }) => {
  await desk.step('Backgrounds');
  await page.getByRole('button', { name: 'Fix all' }).click();
  const panel = page.getByRole('group', { name: 'Fix all' });
  await panel.getByRole('button', { name: 'Funnel stays' }).click();
  await expect(panel).toContainText('Locked: Funnel');
  await panel.getByRole('button', { name: 'Fog stays' }).click();
  await expect(panel).toContainText(
    /While (Funnel and Fog|Fog and Funnel) are locked, (this pair|these pairs) cannot pass: .*on Fog against Fog \(needs 4\.5\).*\. Unlock (Funnel|Fog) to fix (it|all of these)\. \d+ places stay as they are\./,
  );
  await panel.getByRole('button', { name: 'Unlock all' }).click();
  await expect(panel.getByRole('button', { name: /^Apply/ }).first()).toBeVisible();
  await panel.getByRole('button', { name: 'Cancel' }).click();
});
