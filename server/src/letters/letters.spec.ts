import {
  addPage,
  addSection,
  addressPage,
  formsOf,
  joinEdits,
  setValue,
  SECTION_KINDS,
  type Change,
  type Edit,
  type Letter,
  type Site,
} from '@yohaku/core';
import { startClient, type Client } from '../testing/client.ts';

describe('forms of a published site', () => {
  let client: Client;
  let count = 0;
  const stored = async () =>
    (await (await client.get('/api/sites/ternhaven')).json()) as { site: Site; sequence: number };
  const edit = async (make: (site: Site) => Edit) => {
    const { label, ops } = make((await stored()).site);
    const change: Change = { id: `letters-${++count}`, schemaVersion: 3, label, ops: [...ops] };
    const { results } = (await (
      await client.send('POST', '/api/sites/ternhaven/changes', { window: 'w-letters', changes: [change] })
    ).json()) as { results: { refused?: string }[] };
    expect(results[0]!.refused).toBeUndefined();
  };
  const publish = async () =>
    expect(
      (await client.send('POST', '/api/sites/ternhaven/publications', { sequence: (await stored()).sequence })).status,
    ).toBe(201);
  /** As a browser sends a form of the live site: without a session, from its own page. */
  const send = (file: string, fields: Record<string, string>, headers: Record<string, string> = {}) =>
    fetch(`${client.server.address}/live/ternhaven/${file}`, {
      method: 'POST',
      redirect: 'manual',
      headers: { 'content-type': 'application/x-www-form-urlencoded', origin: client.server.address, ...headers },
      body: new URLSearchParams(fields).toString(),
    });
  const letters = async () =>
    ((await (await client.get('/api/sites/ternhaven/letters')).json()) as { letters: Letter[] }).letters;
  const form = async () => {
    await edit((site) =>
      joinEdits(site, 'A variant', [
        (now) => addPage(now, 'ask', null),
        (now) => addSection(now, 'ask', 'ask-form', undefined, SECTION_KINDS.form),
      ]),
    );
    const found = formsOf((await stored()).site).find(({ page }) => page.id === 'ask')!;
    const at = ['pages', 'ask', 'sections', 'ask-form', 'own', 'blocks', found.form.id];
    await edit((site) =>
      joinEdits(site, 'Asked', [
        (now) => setValue(now, '', [...at, 'tray'], 'Questions'),
        (now) => setValue(now, '', [...at, 'answer'], 'We write back <b>soon</b>.'),
        (now) => setValue(now, '', [...at, 'items', found.form.order[0]!, 'required'], true),
      ]),
    );
    return formsOf((await stored()).site).find(({ page }) => page.id === 'ask')!;
  };
  beforeEach(async () => {
    client = await startClient();
  });
  afterEach(() => client.close());

  it('are answered with what was written for it, in the look of the site, and their letters lie in the post box', async () => {
    const {
      file,
      form: { order },
    } = await form();
    expect((await send(file, { [order[0]!]: 'early' })).status)
      .withContext('before it is published')
      .toBe(404);
    await publish();
    const answer = await send(file, {
      [order[0]!]: 'Ada\r\nO’Hara',
      [order[1]!]: 'ada@b.example',
      nothing: 'of the form',
    });
    expect([answer.status, answer.headers.get('location')]).toEqual([303, `/live/ternhaven/${file}`]);
    const page = await (await fetch(`${client.server.address}/live/ternhaven/${file}`)).text();
    expect(page).toContain('We write back &#x3C;b>soon&#x3C;/b>.');
    expect(page).toContain('data-part="header"');
    const [letter, ...others] = await letters();
    expect(others).toEqual([]);
    expect([letter!.tray, letter!.page, letter!.read]).toEqual(['Questions', 'New page', false]);
    expect(letter!.fields.slice(0, 2).map(({ value }) => value)).toEqual(['Ada\nO’Hara', 'ada@b.example']);
    expect(letter!.fields.length).toBe(order.length);
    expect((await client.send('PUT', `/api/sites/ternhaven/letters/${letter!.id}`, { read: true })).status).toBe(204);
    expect((await letters())[0]!.read).toBe(true);
    expect((await client.send('DELETE', `/api/sites/ternhaven/letters/${letter!.id}`)).status).toBe(204);
    expect(await letters()).toEqual([]);
    expect((await client.send('DELETE', `/api/sites/ternhaven/letters/${letter!.id}`)).status).toBe(404);
  });

  it('are refused with a sentence where something is missing or no good, from elsewhere, and when too long; nothing is kept', async () => {
    const {
      file,
      form: { order },
    } = await form();
    await publish();
    const refused = async (fields: Record<string, string>) => {
      const answer = await send(file, fields);
      return `${answer.status} ${await answer.text()}`;
    };
    expect(await refused({ [order[0]!]: '  ' })).toMatch(/^422 Not sent. “.*” is needed. Go back/);
    expect(await refused({ [order[0]!]: 'Ada', [order[1]!]: 'nobody' })).toMatch(
      /^422 Not sent. “.*” is no mail address. Go back/,
    );
    expect(await refused({ [order[0]!]: 'x'.repeat(5001) })).toMatch(
      /^422 Not sent. “.*” has 5001 characters; at most 5000 are allowed/,
    );
    expect((await send(file, { [order[0]!]: 'x'.repeat(300_000) })).status).toBe(413);
    expect((await send(file, { [order[0]!]: 'Ada' }, { origin: 'https://elsewhere.example' })).status).toBe(403);
    expect((await send('index.html', { [order[0]!]: 'Ada' })).status).toBe(404);
    expect((await fetch(`${client.server.address}/api/sites/ternhaven/letters`)).status).toBe(401);
    expect(await letters()).toEqual([]);
  });

  it('stand where they stood after a page has moved: its address before leads on', async () => {
    await publish();
    await edit((site) => addressPage(site, 'fares', 'prices.html', true));
    await publish();
    const before = await (await fetch(`${client.server.address}/live/ternhaven/fares.html`)).text();
    expect(before).toContain('content="0; url=prices.html"');
    expect((await fetch(`${client.server.address}/live/ternhaven/prices.html`)).status).toBe(200);
    // Another page that takes the address has it for itself.
    await edit((site) => addressPage(site, 'notices', 'fares.html', true));
    await publish();
    expect(await (await fetch(`${client.server.address}/live/ternhaven/fares.html`)).text()).toContain(
      'data-page="notices"',
    );
  });
});
