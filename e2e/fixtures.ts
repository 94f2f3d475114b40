import {
  test as base,
  expect,
  type BrowserContext,
  type Frame,
  type Locator,
  type Page,
  type TestInfo,
} from '@playwright/test';
import { join } from 'node:path';
import { API, type Site } from '@yohaku/core';
import { EVERY_KIND, somePages } from '../demo/src/testing/some-pages.ts';
import type { RunningServer } from '../server/src/main.ts';
import { openDatabase, type Database } from '../server/src/db/index.ts';
import { insertSite } from '../server/src/sites/index.ts';
import { settings, show } from './top-menus.ts';
import { freshUrl, ROOT } from '../server/src/testing/database.ts';

/** A desk as a user has it: signed in, pages hung, counted. */
export class Desk {
  constructor(
    readonly page: Page,
    readonly server: RunningServer,
  ) {}

  async open(): Promise<void> {
    await this.page.goto(await this.server.link());
    await this.ready();
    await this.page.getByRole('button', { name: 'No tour' }).click();
    await this.shows('All');
  }
  async ready(): Promise<void> {
    await expect(this.page.getByRole('button', { name: /places$/ }).first()).toBeVisible({ timeout: 120_000 });
    await this.frame('Home at 1280').locator('h1').waitFor({ state: 'attached' });
  }
  /**
   * How much a step shows at once. Journeys go through everything there is; what calm leaves out is a journey of its
   * own.
   */
  async shows(density: 'Essential' | 'All'): Promise<void> {
    await this.show(density);
  }
  /** Presses an entry of the menu Show. */
  show(name: string): Promise<void> {
    return show(this.page, name);
  }
  /** Presses an entry of the menu Settings. */
  settings(name: string): Promise<void> {
    return settings(this.page, name);
  }
  /** Lists failures place by place in Check. */
  async byPlace(): Promise<void> {
    await this.step('Check');
    await this.page.getByRole('button', { name: 'List by place' }).click();
  }
  async step(name: string): Promise<void> {
    await this.page.getByRole('navigation', { name: 'Steps' }).getByRole('button', { name }).click();
  }
  frame(title: string) {
    return this.page.frameLocator(`iframe[title="${title}"]`);
  }
  /** Undoes everything that was done in this window, and lays down what is in hand. */
  async takeBack(): Promise<void> {
    for (let i = 0; i < 4; i++) await this.page.keyboard.press('Escape');
    await this.page.mouse.move(640, 2);
    const undo = this.page.getByRole('banner').getByRole('button', { name: /^Undo/ });
    // Between the look and the press the last one may be done with: pressed then, it does nothing.
    while (await undo.isEnabled()) await undo.click({ force: true });
    await this.saved();
  }
  /** Returns the effect of the last edit, as the tally reports it. */
  told() {
    return this.page.getByRole('contentinfo', { name: 'Tally' }).getByRole('status');
  }
  tally(name: RegExp) {
    return this.page.getByRole('contentinfo', { name: 'Tally' }).getByRole('button', { name });
  }
  async saved(): Promise<void> {
    // A click can become an edit only in the next frame; “saved” could mean the state before it.
    await this.page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done, 30))));
    await expect(this.page.getByRole('banner')).toContainText('saved;');
  }
  async swatch(name: string): Promise<void> {
    await this.step('Colour');
    await this.page
      .getByRole('region', { name: 'Palette' })
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .click();
  }
  /** Chooses in one of our lists by keyboard: it opens, filters, takes. */
  async choose(label: string, option: string, within: { getByLabel: Page['getByLabel'] } = this.page): Promise<void> {
    await within.getByLabel(label, { exact: true }).focus();
    await this.page.keyboard.press('Enter');
    await this.page.keyboard.type(option);
    await this.page.locator('.ant-select-item-option').first().waitFor();
    await this.page.keyboard.press('Enter');
  }
  /** Adds a collection in the step Pages and imports a spreadsheet into it. */
  async collection(label: string, file: string, rows: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Collections' }).click();
    await this.page.getByLabel('Add a collection').fill(label);
    await this.page.keyboard.press('Enter');
    await this.page
      .getByLabel('Import spreadsheet')
      .setInputFiles({ name: file, mimeType: 'text/csv', buffer: Buffer.from(rows) });
    await this.page.getByRole('button', { name: 'Import', exact: true }).click();
  }
  /** Clicks a slider at a value. */
  async slide(label: string, value: number): Promise<void> {
    const handle = this.page.getByRole('slider', { name: label, exact: true });
    const [least, most] = await Promise.all(
      ['min', 'max'].map(async (end) => Number(await handle.getAttribute(`aria-value${end}`))),
    );
    const line = this.page.locator('.ant-slider').filter({ has: handle });
    const { width } = (await line.boundingBox())!;
    await line.click({ position: { x: ((value - least!) / (most! - least!)) * width, y: 10 } });
  }
  /** Puts a colour of the ranking among those that are kept, when it is not. */
  async keep(row: Locator): Promise<void> {
    await expect(row).toBeVisible();
    const keep = row.getByRole('button', { name: 'Include', exact: true });
    if (await keep.count()) await keep.click();
    await expect(row.getByRole('button', { name: 'Exclude', exact: true })).toBeVisible();
  }
  async computed(frame: string, place: string, property: string): Promise<string> {
    return this.frame(frame)
      .locator(`[data-place="${place}"]`)
      .evaluate((element, name) => getComputedStyle(element).getPropertyValue(name), property);
  }
}

/**
 * The server as it is built and sent: from its sources every process that it starts for a file would take a second more
 * to be there.
 */
const { startServer } = (await import(join(ROOT, '.build/server.mjs'))) as typeof import('../server/src/main.ts');

/** A server on a database, that says nothing. */
function served(databaseUrl: string): Promise<RunningServer> {
  process.env['YOHAKU_LOG'] = 'silent';
  process.env['YOHAKU_KIT'] = '1';
  return startServer({ databaseUrl, port: 0, root: ROOT, demo: false });
}

type Prepare = (query: (sql: string) => Promise<unknown>, database: Database) => Promise<void>;
interface Fixtures {
  desk: Desk;
  /** The server, to somebody who is signed in and has no desk open. */
  signedIn: RunningServer;
  server: RunningServer;
  /** Changes the database before the server opens it. */
  prepare: Prepare | undefined;
  /**
   * Ids of the demo's pages that are kept, where a journey is of what a step does and not of what it reaches: every
   * edit is laid out and read on each page.
   */
  pages: readonly string[] | undefined;
}

/** Another site in place of the demo's. */
export async function insteadOfTheDemo(database: Database, site: Site): Promise<void> {
  for (const sql of ["delete from pages where site_id = 'ternhaven'", "delete from sites where id = 'ternhaven'"])
    await database.pool.query(sql);
  await insertSite(database.db, site);
}

/** Address of a fresh database with the demo, or some of its pages. */
async function databaseWith(pages: readonly string[] | undefined, prepare?: Prepare): Promise<string> {
  const url = await freshUrl();
  if (!pages && !prepare) return url;
  const database = openDatabase(url);
  if (pages) await insteadOfTheDemo(database, somePages(pages));
  await prepare?.((sql) => database.pool.query(sql), database);
  await database.close();
  return url;
}

interface Shared {
  /** The file of journeys it is open for, with the pages that they hang. */ of: string;
  desk?: Desk;
  faults: string[];
  /** Faults that the journey on it now expects. */ expected: readonly RegExp[];
  close: () => Promise<void>;
}

/** Every journey runs on its own copy of the demo; any console error or request off the machine fails it. */
export const test = base.extend<Fixtures, { shared: Shared }>({
  // With the others, so that all journeys run in the same processes.
  shared: [
    async ({ browser: _browser }, use) => {
      const shared: Shared = { of: '', expected: [], faults: [], close: () => Promise.resolve() };
      await use(shared);
      await shared.close();
    },
    { scope: 'worker' },
  ],
  prepare: [undefined, { option: true }],
  pages: [undefined, { option: true }],
  server: async ({ pages, prepare }, use) => {
    const server = await served(await databaseWith(pages, prepare));
    await use(server);
    await server.close();
  },
  signedIn: async ({ context, server }, use, info) => {
    const faults = faultsOf(context, () => expectedBy(info));
    const answer = await context.request.post(`${server.address}${API.session.signIn.path}`, {
      data: { token: new URL(await server.link()).hash.slice(1) },
    });
    expect(answer.ok()).toBe(true);
    await use(server);
    expect(faults).toEqual([]);
  },
  desk: async ({ page, context, server }, use, info) => {
    const faults = faultsOf(context, () => expectedBy(info));
    const desk = new Desk(page, server);
    await desk.open();
    await use(desk);
    expect(faults).toEqual([]);
  },
});

/**
 * Publishes the demo as it is saved, without a desk; for somebody who is signed in. @returns the site that is live then
 */
export async function publish(page: Page, { address }: RunningServer): Promise<Site> {
  const at = (path: string) => `${address}${path.replace(':site', 'ternhaven')}`;
  const { site, sequence } = (await (await page.request.get(at(API.sites.load.path))).json()) as {
    site: Site;
    sequence: number;
  };
  expect((await page.request.post(at(API.publish.publish.path), { data: { sequence } })).ok()).toBe(true);
  return site;
}

const expectedBy = (info: TestInfo): RegExp[] =>
  info.annotations
    .filter((annotation) => annotation.type === 'expects')
    .map((annotation) => new RegExp(annotation.description ?? '$^'));

/**
 * The driver listens for its own presses within frames, once it has been there a while; frames that run no script
 * refuse that.
 */
const OWN_LISTENERS = /^Blocked script execution in '[^']*\/frame\/\w+\/' because the document's frame is sandboxed/;

/** Returns the unexpected faults of a browser: errors on the console, requests off the machine. */
function faultsOf(context: BrowserContext, expected: () => readonly RegExp[]): string[] {
  const faults: string[] = [];
  context.on('request', (request) => {
    const url = new URL(request.url());
    if (['http:', 'https:', 'ws:'].includes(url.protocol) && url.hostname !== '127.0.0.1')
      faults.push(`request to ${url.host}`);
  });
  context.on('console', (message) => {
    if (
      message.type() === 'error' &&
      !OWN_LISTENERS.test(message.text()) &&
      !expected().some((entry) => entry.test(message.text()))
    )
      faults.push(`console: ${message.text()}`);
  });
  context.on('weberror', (error) => faults.push(`error: ${error.error().message}`));
  return faults;
}

/**
 * For journeys that only edit the demo: those of a file share a desk,
 * each beginning where everything that the one before did is undone. Opening a
 * desk takes longer than most of them. After a failed one the next has a new desk.
 */
export const testOnOneDesk = test.extend({
  desk: async ({ shared, browser, viewport, pages }, use, info) => {
    shared.expected = expectedBy(info);
    const of = [info.file, ...(pages ?? [])].join(' ');
    if (!shared.desk || shared.of !== of) {
      await shared.close();
      const server = await served(await databaseWith(pages));
      const context = await browser.newContext();
      const faults = faultsOf(context, () => shared.expected);
      const desk = new Desk(await context.newPage(), server);
      Object.assign(shared, {
        of,
        desk,
        faults,
        close: async () => {
          await context.close();
          await server.close();
        },
      });
      await desk.open();
    }
    const desk = shared.desk!;
    await desk.page.setViewportSize(viewport!);
    await desk.page.emulateMedia({ reducedMotion: 'reduce' });
    await desk.takeBack();
    await desk.page.getByRole('button', { name: 'All pages' }).click();
    await use(desk);
    expect(shared.faults).toEqual([]);
  },
  page: async ({ desk }, use) => use(desk.page),
});

export { EVERY_KIND, expect, type Frame };
