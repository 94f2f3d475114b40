import { EVERY_KIND, expect, testOnOneDesk as test } from '../fixtures.ts';

test.use({ pages: EVERY_KIND });

const onWall = (page: import('@playwright/test').Page, selector: string, property: string) =>
  page
    .locator('iframe[title="Fares at 1280"]')
    .first()
    .evaluate(
      (frame, [wanted, name]) => {
        const document = (frame as HTMLIFrameElement).contentDocument!;
        const element = document.querySelector(wanted!)!;
        return {
          value: document.defaultView!.getComputedStyle(element).getPropertyValue(name!),
          height: element.getBoundingClientRect().height,
        };
      },
      [selector, property],
    );

test('a button is judged where it stands in the grid: its label, its edge on the background, its ring, its height', async ({
  desk,
  page,
}) => {
  await desk.step('Buttons');
  const grid = page.getByRole('group', { name: 'Variants by states' });
  const short = grid.getByRole('img', { name: /^short of/ });
  await expect(grid.getByText('48 px')).toHaveCount(2);
  await expect(short).toHaveCount(0);
  await page.getByRole('button', { name: 'Secondary, rest', exact: true }).click();
  // Neither edge nor fill stands out any more; the ring of the focus still does.
  await desk.choose('border', 'Chart paper');
  await expect(grid.getByRole('img', { name: 'short of 3' })).toHaveCount(2);
  await desk.choose('label', 'Lamp');
  await expect(grid.getByRole('img', { name: 'short of 4.5' })).toHaveCount(3);
  await page.getByRole('button', { name: 'Sizes and motion' }).click();
  await page.getByLabel('Vertical').first().fill('0');
  await page.getByLabel('Vertical').first().press('Enter');
  await expect(grid.getByText('26 px')).toHaveCount(2);
  await page.getByRole('button', { name: 'Shape', exact: true }).click();
  await page.getByLabel('Border of buttons').fill('0');
  await page.getByLabel('Border of buttons').press('Enter');
  await expect(grid.getByRole('img', { name: 'short of 24' })).toHaveCount(2);
});

test('corners are named, shape all that have them, and a share of the height only what has one', async ({
  desk,
  page,
}) => {
  await desk.step('Buttons');
  await desk.choose('Corner of buttons', 'Buoy');
  const half = async () => {
    const { value, height } = await onWall(page, '.button', 'border-top-left-radius');
    return Math.abs(Number.parseFloat(value) - height / 2);
  };
  await expect.poll(half).toBeLessThan(0.1);
  await page.getByLabel('Corner of cards', { exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('nz-option-item', { hasText: 'Hull' })).toBeVisible();
  await expect(page.locator('nz-option-item', { hasText: 'Buoy' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await desk.choose('Corner of cards', 'Hull');
  await expect.poll(async () => (await onWall(page, '.card', 'border-radius')).value).toBe('2px 2px 14px 14px');

  await page.getByRole('button', { name: 'Corners and shadows' }).click();
  const hull = page.getByLabel('Hull corner', { exact: true });
  await hull.fill('round');
  await hull.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Radii go from 0 to 100 px. The old value is kept.');
  await hull.fill('40 %');
  await hull.press('Enter');
  await expect(page.getByRole('alert')).toContainText('Percentages work only on single-line elements');
  await hull.fill('20');
  await hull.press('Enter');
  await expect.poll(async () => (await onWall(page, '.card', 'border-radius')).value).toBe('20px');
  await page.getByLabel('Lift shadow', { exact: true }).fill('0 6 20 1');
  await page.getByLabel('Lift shadow', { exact: true }).press('Enter');
  await expect.poll(async () => (await onWall(page, '.card', 'box-shadow')).value).toContain('0px 6px 20px 1px');
  await page.getByRole('button', { name: 'Delete corner Hull' }).click();
  await page.getByRole('button', { name: 'Shape', exact: true }).click();
  await expect(page.getByLabel('Cards', { exact: true })).toHaveValue('20');
});

test('one variant is shaped otherwise, is seen to be, and is given back the shape of all', async ({ desk, page }) => {
  await desk.step('Buttons');
  const secondary = '.button[class*="button--secondary"]';
  const radius = async () => (await onWall(page, secondary, 'border-top-left-radius')).value;
  const all = await radius();
  await page.getByRole('button', { name: 'Secondary', exact: true }).click();
  await desk.choose('corner', 'custom');
  const px = page.getByLabel('px', { exact: true });
  await px.fill('1e999');
  await px.press('Enter');
  await expect(page.getByRole('alert')).toBeVisible();
  expect(await radius()).toBe(all);
  await px.fill('17');
  await px.press('Enter');
  await expect.poll(radius).toBe('17px');
  expect((await onWall(page, '.button[class*="button--primary"]', 'border-top-left-radius')).value).toBe(all);
  await desk.choose('shadow', 'Lift');
  await expect.poll(async () => (await onWall(page, secondary, 'box-shadow')).value).toContain('px');
  await expect(page.getByText('Secondary buttons have a corner of 17 px and the shadow Lift')).toBeVisible();
  // In the grid as on the wall.
  await expect(page.getByRole('button', { name: 'Secondary, rest', exact: true })).toHaveCSS(
    'border-top-left-radius',
    '17px',
  );
  await page.getByRole('button', { name: 'Shape Secondary same as buttons' }).click();
  await expect.poll(radius).toBe(all);
  await expect(page.getByText('Secondary buttons have')).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(radius).toBe('17px');
});

test('a variant is made like another, shown in every size, and leaves only with another in its place', async ({
  desk,
  page,
}) => {
  await desk.step('Buttons');
  await page.getByRole('button', { name: 'Primary', exact: true }).click();
  await page.getByRole('button', { name: 'Duplicate variant' }).click();
  const name = page.getByLabel('Name of the variant');
  await expect(name).toHaveValue('Primary again');
  await name.fill('Notice');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: 'Notice, busy' })).toBeVisible();
  await desk.choose('Size', 'every size');
  await expect(page.getByRole('button', { name: 'Notice, rest, Small' })).toBeVisible();
  await page.getByRole('button', { name: 'Delete variant' }).click();
  await expect(page.getByRole('button', { name: 'Notice, rest', exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: 'Primary', exact: true }).click();
  await page.getByRole('button', { name: 'Delete variant' }).click();
  await expect(page.getByRole('dialog', { name: 'Delete Primary' })).toContainText(/\d+ buttons are Primary\./);
  await page.getByRole('dialog', { name: 'Delete Primary' }).getByRole('button', { name: 'Delete Primary' }).click();
  await expect(page.getByRole('button', { name: 'Primary, rest', exact: true })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo Delete button variant Primary' }).click();
  await expect(page.getByRole('button', { name: 'Primary, rest', exact: true })).toBeVisible();
});

test('links take the underline of the brand: its distance in em, its thickness in px or as the font has it', async ({
  desk,
  page,
}) => {
  await desk.step('Buttons');
  const line = (property: string) => onWall(page, 'p .link, p a', property).then((entry) => entry.value);
  const offset = page.getByLabel('underline offset, em');
  await offset.fill('0.3');
  await offset.press('Enter');
  const size = Number.parseFloat(await line('font-size'));
  await expect.poll(async () => Number.parseFloat(await line('text-underline-offset'))).toBeCloseTo(0.3 * size, 1);
  await page.getByRole('button', { name: 'Set the thickness of underlines' }).click();
  await expect.poll(() => line('text-decoration-thickness')).toBe('1px');
  await page.getByRole('button', { name: 'As in the font' }).click();
  await expect.poll(() => line('text-decoration-thickness')).toBe('from-font');
  await offset.fill('9');
  await offset.press('Enter');
  await expect(page.getByRole('alert')).toContainText('From -0.1em to 1em. 0.3em is kept.');
});

test('a padding is named, takes the wider width’s where it has none, and is replaced when it goes', async ({
  desk,
  page,
}) => {
  await desk.step('Buttons');
  await page.getByRole('button', { name: 'Spaces', exact: true }).click();
  await page.getByRole('button', { name: 'Airy on phone: same as wider' }).click();
  await expect(page.getByRole('button', { name: 'Airy on phone: set' })).toBeVisible();
  const padding = () =>
    page
      .locator('iframe[title$="at 390"]')
      .evaluateAll(
        (frames) =>
          frames.flatMap((frame) =>
            [...(frame as HTMLIFrameElement).contentDocument!.querySelectorAll('.pad--airy')].map(
              (entry) => getComputedStyle(entry).paddingTop,
            ),
          )[0],
      );
  await expect.poll(padding).toBe('96px');
  await page.getByRole('button', { name: 'Airy on phone: set' }).click();
  await expect(page.getByLabel('Airy on phone', { exact: true })).toHaveValue('96');
  await page.getByRole('button', { name: 'New padding' }).click();
  await page.getByRole('button', { name: 'Delete Airy again' }).click();
  await expect(page.getByLabel('Name of Airy again')).toHaveCount(0);
  await page.getByRole('button', { name: 'Delete Close' }).click();
  const ask = page.getByRole('dialog', { name: 'Delete Close' });
  await expect(ask).toContainText(/sections? ha(s|ve) this padding/);
  await desk.choose('Replacement', 'Even');
  await ask.getByRole('button', { name: 'Delete Close' }).click();
  await expect(page.getByLabel('Name of Close')).toHaveCount(0);
});
