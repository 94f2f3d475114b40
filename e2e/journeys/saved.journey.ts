import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { test as plain, type Page } from '@playwright/test';
import { Desk, EVERY_KIND, test, expect } from '../fixtures.ts';
import { OwnServer } from '../../server/src/testing/own-server.ts';

test.use({ pages: EVERY_KIND });

const change = (id: string, value: number) => ({
  id,
  schemaVersion: 1,
  label: 'Space',
  ops: [{ op: 'set', at: ['brand', 'spaces', 'even', 'values', 'desktop'], value }],
});

test('two windows: different things both stay, the same value ends the same, and the loser is told', async ({
  desk,
  page,
  context,
}) => {
  const other = await context.newPage();
  await other.goto(`${desk.server.address}/sites/ternhaven`);
  const second = new Desk(other, desk.server);
  await second.ready();
  const corner = async (who: Desk, value: string, label: string) => {
    await who.step('Buttons');
    await who.page.getByRole('textbox', { name: label, exact: true }).fill(value);
    await who.page.getByRole('textbox', { name: label, exact: true }).press('Enter');
    await who.saved();
  };
  const radius = (who: Desk, place: string) => who.computed('Fares at 1280', place, 'border-top-left-radius');

  await corner(desk, '9', 'Buttons');
  await corner(second, '11', 'Cards');
  for (const who of [desk, second]) {
    await expect.poll(() => radius(who, 'fares-half-b4/k1')).toBe('9px');
    await expect.poll(() => radius(who, 'fares-three-b2/k1/surface')).toBe('11px');
  }

  await corner(desk, '14', 'Buttons');
  await expect.poll(() => radius(second, 'fares-half-b4/k1')).toBe('14px');
  await corner(second, '20', 'Buttons');
  for (const who of [desk, second]) await expect.poll(() => radius(who, 'fares-half-b4/k1')).toBe('20px');
  await expect(page.getByRole('alert')).toContainText('Button corner: changed in another window after you');
  await expect(other.getByRole('alert')).toHaveCount(0);

  // Undo where it was overtaken changes nothing and says so.
  await page.getByRole('button', { name: 'Undo Button corner' }).click();
  await expect(page.getByRole('alert')).toContainText('replaced by later edits');
  await expect.poll(() => radius(second, 'fares-half-b4/k1')).toBe('20px');

  // A swatch deleted there while it is in hand here.
  await desk.swatch('Slate');
  await second.swatch('Slate');
  await other.getByRole('button', { name: 'Delete', exact: true }).click();
  await other.getByRole('dialog', { name: 'Delete Slate' }).getByRole('button', { name: 'Delete Slate' }).click();
  await expect(page.getByRole('region', { name: 'Palette' }).getByRole('button', { name: /^Slate/ })).toHaveCount(0);
  await other.close();
});

plain.describe('a server of its own', () => {
  plain.describe.configure({ mode: 'serial' });
  let own: OwnServer;
  let cookie = '';
  plain.beforeAll(async () => {
    own = await OwnServer.create();
    await own.start();
    cookie = await signIn(own.link);
  });
  plain.afterAll(() => own.dispose());

  const signIn = async (link: string): Promise<string> => {
    const [address, token] = link.split('/sign-in#');
    const response = await fetch(`${address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ token }),
    });
    return response.headers.get('set-cookie')!.split(';')[0]!;
  };
  const send = (changes: object[]) =>
    fetch(`${own.address}/api/sites/ternhaven/changes`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify({ window: 'kill', changes }),
    });
  const stored = async (): Promise<string[]> => {
    const { changes } = (await (
      await fetch(`${own.address}/api/sites/ternhaven/changes?after=0`, { headers: { cookie } })
    ).json()) as { changes: { id: string }[] };
    return changes.map((entry) => entry.id);
  };
  const open = async (page: Page): Promise<Desk> => {
    const desk = new Desk(page, {
      address: own.address,
      port: own.port,
      link: () => Promise.resolve(own.link),
      close: () => Promise.resolve(),
    });
    const [name, value] = cookie.split('=') as [string, string];
    await page.context().addCookies([{ name, value, url: own.address }]);
    await page.goto(`${own.address}/sites/ternhaven`);
    await desk.ready();
    return desk;
  };

  plain(
    'killed during a stream of edits, it has every acknowledged one, and the waiting ones arrive once',
    async ({ page }) => {
      const desk = await open(page);
      const acknowledged: string[] = [];
      const sent = Array.from({ length: 40 }, (_, i) => change(`kill-${String(i).padStart(4, '0')}`, 40 + i));
      await Promise.all(
        sent.map(async (entry) => {
          try {
            const { results } = (await (await send([entry])).json()) as {
              results: { id: string; sequence?: number }[];
            };
            if (results[0]!.sequence) acknowledged.push(results[0]!.id);
            if (acknowledged.length === 12) own.process!.kill('SIGKILL');
          } catch {
            // No answer: not acknowledged.
          }
        }),
      );
      expect(acknowledged.length).toBeGreaterThanOrEqual(12);
      expect(acknowledged.length).toBeLessThan(40);

      // An edit made meanwhile waits, truly.
      await desk.step('Buttons');
      await page.getByLabel('Cards', { exact: true }).fill('23');
      await page.getByLabel('Cards', { exact: true }).press('Enter');
      await expect(page.getByRole('banner')).toContainText('not saved yet, will try again');

      await own.start();
      const after = await stored();
      expect(acknowledged.filter((id) => !after.includes(id))).toEqual([]);
      expect(new Set(after).size).toBe(after.length);

      // All edits without an answer are sent again with the same ids; each is saved once.
      await send(sent);
      const complete = await stored();
      expect(sent.filter(({ id }) => complete.filter((name) => name === id).length !== 1)).toEqual([]);
      await desk.saved();
      const { site } = (await (await fetch(`${own.address}/api/sites/ternhaven`, { headers: { cookie } })).json()) as {
        site: { brand: { corners: { card: number } } };
      };
      expect(site.brand.corners.card).toBe(23);
    },
  );

  plain('with the database stopped the desk says so, holds edits, and goes on when it returns', async ({ page }) => {
    const desk = await open(page);
    await own.stopDatabase();
    expect((await fetch(`${own.address}/api/health`)).status).toBe(503);
    await desk.step('Buttons');
    await page.getByLabel('Images', { exact: true }).fill('31');
    await page.getByLabel('Images', { exact: true }).press('Enter');
    await expect(page.getByRole('banner')).toContainText('not saved yet, will try again. The database does not answer');
    await expect
      .poll(() => desk.computed('Home at 1280', 'home-story-b1/picture', 'border-top-left-radius'))
      .toBe('31px');
    own.letDatabaseStart();
    await desk.saved();
    await expect.poll(async () => (await fetch(`${own.address}/api/health`)).status).toBe(200);

    // Waiting edits outlive a reload while nothing answers.
    await own.stopDatabase();
    await page.getByLabel('Images', { exact: true }).fill('6');
    await page.getByLabel('Images', { exact: true }).press('Enter');
    await expect(page.getByRole('banner')).toContainText('not saved yet');
    own.letDatabaseStart();
    await page.reload();
    await desk.ready();
    await desk.saved();
    await expect
      .poll(() => desk.computed('Home at 1280', 'home-story-b1/picture', 'border-top-left-radius'))
      .toBe('6px');
  });

  plain('a second start, a busy port and a bad port are refused in one line, and leave the first alone', async () => {
    const same = await own.refusal(['--data', own.data]);
    expect([same.code, same.said.trim().split('\n').length]).toEqual([2, 1]);
    expect(same.said).toContain('already running');
    const other = await OwnServer.create();
    const busy = await other.refusal(['--data', other.data, '--port', String(own.port)]);
    expect([busy.code, busy.said]).toEqual([2, expect.stringContaining(`port ${own.port} is in use`)]);
    expect(existsSync(join(other.data, 'postgres'))).toBe(false);
    rmSync(other.data, { recursive: true });
    expect((await own.refusal(['--port', 'seven'])).said).toContain('--port takes');
    expect((await fetch(`${own.address}/api/health`)).status).toBe(200);
  });

  plain('SIGTERM stops the server and the cluster it started, and nothing is left', async () => {
    const { pid } = own.postmaster!;
    await own.end('SIGTERM');
    expect(own.postmaster).toBeUndefined();
    // Ended, or ended and waiting to be collected by whoever adopted it.
    expect(existsSync(`/proc/${pid}`) ? readFileSync(`/proc/${pid}/stat`, 'utf8') : 'gone').toMatch(/gone|\) Z /);
    expect(existsSync(join(own.data, 'start.lock'))).toBe(false);
    await own.start();
  });
});
