import type { Page } from '@playwright/test';
import { expect, testOnOneDesk as test } from '../fixtures.ts';

/**
 * Reads of the specimen from the page around it: what Playwright puts into a frame without scripts is reported as
 * blocked.
 */
class Sheet {
  constructor(readonly page: Page) {}

  text(selector: string): Promise<string> {
    return this.page.evaluate(
      (wanted) =>
        document.querySelector<HTMLIFrameElement>('iframe[title="Specimen"]')?.contentDocument?.querySelector(wanted)
          ?.textContent ?? '',
      selector,
    );
  }
  color(selector: string): Promise<string> {
    return this.page.evaluate((wanted) => {
      const { contentWindow, contentDocument } = document.querySelector<HTMLIFrameElement>('iframe[title="Specimen"]')!;
      return contentWindow!.getComputedStyle(contentDocument!.querySelector(wanted)!).backgroundColor;
    }, selector);
  }
  async press(selector: string): Promise<void> {
    const at = await this.page.evaluate((wanted) => {
      const frame = document.querySelector<HTMLIFrameElement>('iframe[title="Specimen"]')!;
      const sample = frame.contentDocument!.querySelector(wanted)!;
      sample.scrollIntoView({ block: 'center' });
      const [outer, inner] = [frame.getBoundingClientRect(), sample.getBoundingClientRect()];
      const scale = outer.width / frame.offsetWidth;
      return {
        x: outer.left + (inner.left + Math.min(30, inner.width / 2)) * scale,
        y: outer.top + (inner.top + Math.min(20, inner.height / 2)) * scale,
      };
    }, selector);
    await this.page.mouse.click(at.x, at.y);
  }
}

test('the specimen is a step away, shows what is edited while it is edited, and brings what is pressed selected', async ({
  desk,
  page,
}) => {
  const sheet = new Sheet(page);
  await desk.step('Pages');
  // Pages grows the home page first.
  await expect(page.getByRole('button', { name: 'Overview' })).toBeVisible();
  await page.keyboard.press('s');
  await expect.poll(() => sheet.text('h1')).toBe('Specimen of Ternhaven Ferries');
  // A press on a swatch opens Colour with it in hand; the sheet stays.
  const funnel = '[data-token="color.core.funnel"]';
  await sheet.press(funnel);
  await expect(page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name: 'Colour' })).toHaveAttribute(
    'aria-current',
    'step',
  );
  const before = await sheet.color(`${funnel} .sample`);
  await page.getByRole('slider', { name: 'Lightness', exact: true }).focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await expect.poll(() => sheet.color(`${funnel} .sample`)).not.toBe(before);
  await desk.saved();
  await expect.poll(() => sheet.text(funnel)).not.toContain('#b83a1e');
  await sheet.press('[data-token="text.title.size"]');
  await expect(page.getByRole('textbox', { name: 'Style', exact: true })).toHaveValue('Title');
  await page
    .getByRole('navigation', { name: 'Parts of the specimen' })
    .getByRole('button', { name: 'On the pages but not in this specimen' })
    .click();
  expect(await sheet.text('[data-part="left-out"]')).toContain('text over an image: 8 places');
  await page.getByRole('button', { name: 'All pages' }).click();
  await expect(page.getByTitle('Specimen')).toHaveCount(0);
});

test('the specimen by itself goes on paper whole', async ({ desk, page }) => {
  await page.getByRole('button', { name: 'Specimen', exact: true }).click();
  const [sheet] = await Promise.all([
    page.context().waitForEvent('page'),
    page.getByRole('link', { name: 'Open to print' }).click(),
  ]);
  await expect(sheet.getByRole('heading', { name: 'Palette' })).toBeVisible();
  const pdf = (await sheet.pdf({ format: 'A4', printBackground: true })).toString('latin1');
  expect((pdf.match(/\/Type \/Page\b/g) ?? []).length).toBeGreaterThan(3);
  // On paper as wide as A4 nothing stands out at the side.
  await sheet.setViewportSize({ width: 688, height: 900 });
  await sheet.emulateMedia({ media: 'print' });
  expect(await sheet.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(688);
  await desk.step('Type');
});
