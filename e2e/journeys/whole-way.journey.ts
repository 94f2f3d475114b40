import { expect, test as onItsOwnDesk, testOnOneDesk as test } from '../fixtures.ts';

// As it is for somebody who has just come: on a desk where nothing has been done.
onItsOwnDesk(
  'a colour, a heading and a shape reach all nine pages, are judged, fixed, undone and published',
  async ({ desk, page }) => {
    await expect(desk.tally(/places$/)).toHaveText(/1.178 places/);
    await expect(page.getByText('rendered differently')).toHaveCount(0);

    const edits = async () =>
      (
        (await (await page.request.get(`${desk.server.address}/api/sites/ternhaven/changes?after=0`)).json()) as {
          changes: unknown[];
        }
      ).changes.length;
    const first = await edits();

    // A brand colour: held, it restyles the wall; released, it is one edit.
    await desk.swatch('Funnel');
    await page.getByRole('button', { name: 'All pages' }).click();
    const light = page
      .locator('.ant-slider')
      .filter({ has: page.getByRole('slider', { name: 'Lightness', exact: true }) });
    const before = await desk.computed('Home at 1280', 'home-board-b1/text', 'color');
    const box = (await light.boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.53, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width * 0.62, box.y + box.height / 2, { steps: 6 });
    await expect.poll(() => desk.computed('Home at 1280', 'home-board-b1/text', 'color')).not.toBe(before);
    await expect.poll(() => desk.computed('Contact at 390', 'con-form-b1/text', 'color')).not.toBe(before);
    await expect(page.getByRole('banner')).toContainText('Undo');
    await expect(page.getByRole('button', { name: 'Undo Funnel' })).toHaveCount(0);
    await page.mouse.up();
    await expect(page.getByRole('button', { name: 'Undo Funnel lightness' })).toBeEnabled();
    await expect(desk.told()).toContainText(/Funnel lightness: \d+ places changed.*worse/);
    await desk.saved();
    expect(await edits()).toBe(first + 1);

    // A heading size, by keyboard.
    await desk.step('Type');
    await page.getByRole('button', { name: /^Section,/ }).click();
    const size = page.getByLabel('Size at 1280');
    await size.fill('42');
    await size.press('Enter');
    await expect.poll(() => desk.computed('Sailings at 1280', 'sail-holm-b1/text', 'font-size')).toBe('42px');
    await expect(desk.told()).toContainText('Section size');

    // A button shape for all.
    await desk.step('Buttons');
    await page.getByLabel('Button corner').focus();
    for (let i = 0; i < 9; i++) await page.keyboard.press('ArrowRight');
    await expect
      .poll(() => desk.computed('Fares at 390', 'fares-three-b2/k1/go', 'border-top-left-radius'))
      .toBe('12px');

    // Places that became worse are named; one click fixes them.
    await desk.tally(/failing$/).click();
    const failing = async () => Number((await desk.tally(/failing$/).innerText()).replace(/\D/g, ''));
    // Counted once what lies behind the texts over pictures has been read.
    await expect(desk.tally(/not yet measured$/)).toHaveCount(0, { timeout: 60_000 });
    const many = await failing();
    expect(many).toBeGreaterThan(10);
    await page.getByRole('region', { name: 'Issues' }).getByRole('row').nth(1).getByRole('button').first().click();
    await page
      .getByRole('region', { name: 'Why and fix' })
      .getByRole('button', { name: /itself/ })
      .first()
      .click();
    await expect.poll(failing).toBeLessThan(many);

    // Undo, reload in the middle, go on undoing.
    await page.getByRole('button', { name: /^Undo Fix/ }).click();
    await expect.poll(failing).toBe(many);
    await desk.saved();
    await page.reload();
    await desk.ready();
    await expect(page.getByRole('button', { name: 'Undo Button corner' })).toBeEnabled();
    await expect(page.getByRole('button', { name: /^Redo Fix/ })).toBeEnabled();
    await expect
      .poll(() => desk.computed('Fares at 390', 'fares-three-b2/k1/go', 'border-top-left-radius'))
      .toBe('12px');
    for (let i = 0; i < 9; i++) await page.keyboard.press('Control+z');
    await expect
      .poll(() => desk.computed('Fares at 390', 'fares-three-b2/k1/go', 'border-top-left-radius'))
      .toBe('3px');
    await page.keyboard.press('Control+Shift+z');
    await expect
      .poll(() => desk.computed('Fares at 390', 'fares-three-b2/k1/go', 'border-top-left-radius'))
      .not.toBe('3px');

    // Published deliberately; what is live looks as it did on the wall.
    await desk.saved();
    await desk.step('Publish');
    await page.getByRole('button', { name: 'Publish the site' }).click();
    await expect(page.getByText('Publication 1 is live.')).toBeVisible();
    await expect(page.getByRole('banner')).toContainText('saved; all of it is live');
    const wall = await desk.computed('Sailings at 1280', 'sail-holm-b1/text', 'font-size');
    const live = await page.context().newPage();
    await live.goto(`${desk.server.address}/live/ternhaven/sailings.html`);
    expect(
      await live.locator('[data-place="sail-holm-b1/text"]').evaluate((element) => getComputedStyle(element).fontSize),
    ).toBe(wall);
    expect(await live.locator('[data-place="home"]').count()).toBe(0);
    await live.getByRole('navigation', { name: 'Main' }).getByRole('link', { name: 'Fares' }).click();
    await expect(live.getByRole('heading', { name: 'Fares', level: 1 })).toBeVisible();
    await live.close();

    // A further change is saved and not live, and earlier publications can come back.
    await desk.step('Buttons');
    await page.getByLabel('Button corner').focus();
    await page.keyboard.press('Home');
    await expect(page.getByRole('banner')).toContainText('1 difference is not live');
    await desk.step('Publish');
    await expect(page.getByRole('region', { name: 'What changed' })).toContainText('Button corner');
    await page.getByRole('button', { name: 'Publish 1 difference' }).click();
    await expect(page.getByText('Publication 2 is live.')).toBeVisible();
    await page.getByRole('button', { name: 'Publish again' }).click();
    await expect(page.getByText('Publication 1 is live again.')).toBeVisible();
  },
);

test('a source becomes swatches, a background takes one, and its pairs are judged', async ({ desk, page }) => {
  await desk.step('Sources');
  await page.getByLabel('Text with colours').fill('gorse #c9a227, funnel #b83a1e, night oklch(25% 0.04 260)');
  await page.getByRole('button', { name: 'Read colours' }).click();
  const ranking = page.getByRole('region', { name: 'Palette candidates' });
  const row = (hex: string) => ranking.getByRole('listitem').filter({ hasText: hex });
  await expect(row('#b83a1e')).toContainText('Funnel');
  await desk.keep(row('#c9a227'));
  await row('#c9a227').getByLabel('Name').fill('Gorse');
  await row('#c9a227').getByLabel('Name').press('Enter');
  await expect(page.getByText(/^Hover the button to preview: adds .*Gorse/)).toBeVisible();
  await page.getByRole('button', { name: 'Apply palette' }).click();
  await desk.step('Colour');
  await expect(page.getByRole('region', { name: 'Palette' })).toContainText('Gorse');

  await desk.step('Sources');
  await page.getByLabel('Choose files').setInputFiles({
    name: 'logo.svg',
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="80" height="40"><rect width="80" height="40" fill="#204060"/><circle cx="20" cy="20" r="12" fill="#f0c040"/></svg>',
    ),
  });
  await expect(ranking).toContainText('#204060');
  await expect(ranking).toContainText('#f0c040');
  await expect(page.getByRole('img', { name: 'logo.svg' })).toBeVisible();

  await desk.step('Backgrounds');
  await page.getByRole('button', { name: 'Link on Chart paper', exact: true }).click();
  await desk.choose('Swatch', 'Gorse');
  await expect
    .poll(() => desk.computed('Fares at 1280', 'fares-books-b5/i2/l1', 'color'))
    .toContain('rgb(201, 162, 39)');
  await expect(page.getByRole('button', { name: /^Fix with/ }).first()).toBeVisible();
  await page
    .getByRole('button', { name: /^Fix with/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^Fix with/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Duplicate Chart paper' }).click();
  await expect(page.getByRole('button', { name: 'Link on Chart paper copy', exact: true })).toBeVisible();
});

test('pages: words edited in place, sections moved, a place overridden and decided', async ({ desk, page }) => {
  await desk.step('Pages');
  await desk.choose('Page', 'Notices');
  const frame = desk.frame('Notices at 1280');
  const heading = frame.locator('[data-place="ntc-opener-b1/text"]');
  await heading.dblclick();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('News');
  await page.keyboard.press('Enter');
  await expect(desk.frame('Notices at 390').locator('h1')).toHaveText('News');

  // Links and emphasis survive an edit of the words around them.
  const linked = frame.locator('[data-place="ntc-week-b4/text"]');
  await linked.dblclick();
  await page.keyboard.press('End');
  await page.keyboard.type(' Bring gloves.');
  await page.keyboard.press('Enter');
  await expect(desk.frame('Notices at 390').locator('[data-place="ntc-week-b4/text"]')).toContainText('Bring gloves.');
  await expect(desk.frame('Notices at 390').locator('[data-place="ntc-week-b4/l1"]')).toHaveText('ring us');

  // A raw value gives way to the token of its own place, which the button names.
  await frame.locator('[data-place="ntc-week-b3/text"]').click();
  const slip = page.getByRole('dialog', { name: /Wind on the Outer Ness/ });
  await expect(slip).toContainText('a raw value');
  await expect(slip).toContainText('Deep is ΔE');
  await slip.getByRole('button', { name: 'Use Heading on Tern white' }).click();
  await expect(desk.tally(/raw values$/)).toHaveText('2 raw values');

  // An override on purpose, then left with a reason.
  await slip.getByRole('button', { name: 'Override' }).first().click();
  await slip.getByLabel('This page').fill('#552211');
  await slip.getByLabel('This page').press('Enter');
  await expect(desk.tally(/overrides$/)).toHaveText('4 overrides');
  await slip.getByRole('button', { name: 'Keep, with a reason' }).click();
  await slip.getByLabel('Reason').fill('The harbour master asked for it');
  await slip.getByLabel('Reason').press('Enter');
  await expect(slip).toContainText('The harbour master asked for it');

  // A style apart from its level.
  await desk.choose('Style', 'Lead', slip);
  await expect.poll(() => desk.computed('Notices at 1280', 'ntc-week-b3/text', 'font-family')).toContain('Public Sans');
  await expect(frame.locator('h3[data-place="ntc-week-b3/text"]')).toHaveCount(1);
  await slip.getByRole('button', { name: 'Close' }).click();

  // Sections.
  await page
    .getByRole('group', { name: 'Sections of Notices' })
    .getByRole('button', { name: 'Word by message' })
    .click();
  await desk.choose('Background', 'Deep', page.getByRole('region', { name: 'Desk' }));
  await expect
    .poll(() => desk.computed('Notices at 390', 'ntc-word/surface', 'background-color'))
    .toBe('rgb(14, 59, 67)');
  await page.getByRole('button', { name: 'Move up', exact: true }).click();
  await expect.poll(() => frame.locator('main > [data-part]').nth(1).getAttribute('data-part')).toBe('ntc-word');
  await page.getByRole('button', { name: 'Duplicate section' }).click();
  await expect(frame.locator('main > [data-part]')).toHaveCount(7);
  await page.getByRole('button', { name: 'Undo Duplicate Word by message' }).click();
  await expect(frame.locator('main > [data-part]')).toHaveCount(6);

  // Pages.
  await page.getByRole('button', { name: 'Duplicate page' }).click();
  await expect(page.getByLabel('Page title')).toHaveValue('Notices copy');
  await page.getByRole('button', { name: 'Move left' }).click();
  await page.getByRole('button', { name: 'Delete page' }).click();
  await page
    .getByRole('dialog', { name: 'Delete Notices copy' })
    .getByRole('button', { name: 'Delete Notices copy' })
    .click();
  await expect(page.locator('iframe[title="Notices copy at 1280"]')).toHaveCount(0);
});
