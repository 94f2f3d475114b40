import { expect, test } from '@playwright/test';
import { cleanSvg } from '../../server/src/assets/index.ts';
import { ACTIVE } from '../../server/src/testing/active-drawings.ts';

test('drawings that were written anew run and fetch nothing when their files are opened by themselves', async ({
  page,
  context,
}) => {
  const done: string[] = [];
  await page.exposeFunction('ran', () => done.push('ran'));
  await page.addInitScript(() => addEventListener('message', () => (globalThis as unknown as { ran(): void }).ran()));
  page.on('dialog', (dialog) => {
    done.push('dialog');
    void dialog.dismiss();
  });
  let body = '';
  await context.route('**/*', (route) => {
    const url = new URL(route.request().url());
    if (url.host === 'drawings.example') return route.fulfill({ contentType: 'image/svg+xml', body });
    if (url.protocol.startsWith('http')) done.push(`asks ${url.href}`);
    return route.abort();
  });
  const open = async (text: string): Promise<string[]> => {
    done.length = 0;
    body = text;
    await page.goto('http://drawings.example/x.svg');
    await page.mouse.click(10, 10);
    await page.waitForTimeout(60);
    return [...done];
  };
  // As they came some of them do: what looks for it can find it.
  expect(await open(ACTIVE['script']!)).toContain('ran');
  expect(await open(ACTIVE['image from afar']!)).toContain('asks http://a.example/x.png');
  for (const [kind, text] of Object.entries(ACTIVE)) expect(await open(cleanSvg(text).svg), kind).toEqual([]);
});
