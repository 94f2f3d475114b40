import { newSite, type ShelvedSite, type SiteStanding } from '@yohaku/core';
import { startClient, type Client } from '../testing/client.ts';

describe('the shelf of sites', () => {
  let client: Client;
  beforeAll(async () => {
    client = await startClient();
    expect((await begin('mill', 'Paper mill')).status).toBe(201);
  });
  afterAll(() => client.close());

  const shelf = async () => ((await (await client.get('/api/sites')).json()) as { sites: ShelvedSite[] }).sites;
  const begin = (id: string, name: string) =>
    client.send(
      'POST',
      `/api/sites?id=${id}`,
      new TextEncoder().encode(JSON.stringify(newSite({ id, name, language: 'en' }))),
      { 'content-type': 'application/octet-stream' },
    );
  const detail = async (answer: Response) => ((await answer.json()) as { detail: string }).detail;

  it('has a site that was begun, with its pages, when it was edited last, and how it stands', async () => {
    const mill = (await shelf()).find((site) => site.id === 'mill')!;
    expect(mill).toEqual({
      id: 'mill',
      name: 'Paper mill',
      sequence: 0,
      pages: 1,
      editedAt: mill.editedAt,
      live: false,
      archived: false,
    });
    const standing = (await (await client.get('/api/sites/mill/standing')).json()) as SiteStanding;
    expect([standing.failed, standing.cannotTell, standing.places > 3]).toEqual([0, 0, true]);
    // A designer knows a brand by its colours and typefaces.
    expect([standing.colors.length > 2, standing.colors.every((color) => /^#[0-9a-f]{6}$/.test(color))]).toEqual([
      true,
      true,
    ]);
    expect(standing.families.length).toBeGreaterThan(0);
    // An edit is told by its time; renamed, it is found under its new name.
    const renamed = await client.send('POST', '/api/sites/mill/changes', {
      window: 'shelf',
      changes: [
        {
          id: 'shelf-001',
          schemaVersion: 2,
          label: 'Rename',
          ops: [{ op: 'set', at: ['name'], value: 'Old mill', was: 'Paper mill' }],
        },
      ],
    });
    expect(await renamed.json()).toEqual({ results: [jasmine.objectContaining({ id: 'shelf-001', sequence: 1 })] });
    const after = (await shelf()).find((site) => site.id === 'mill')!;
    expect([after.name, after.sequence, after.editedAt >= mill.editedAt]).toEqual(['Old mill', 1, true]);
  });

  it('shows the first page of each by itself, with its styles within', async () => {
    const answer = await client.get('/frame/mill/first.html');
    const html = await answer.text();
    expect([answer.status, html.includes('<style>'), html.includes('<script'), html.includes('mill')]).toEqual([
      200,
      true,
      false,
      true,
    ]);
  });

  it('two windows that begin the same: one has it, the other is told', async () => {
    const both = await Promise.all([begin('twice', 'Twice'), begin('twice', 'Twice')]);
    expect(both.map((response) => response.status).sort()).toEqual([201, 422]);
    expect(await detail(both.find((response) => response.status === 422)!)).toContain(
      'A site already has the id “twice”. Nothing was changed; choose another id.',
    );
    expect((await shelf()).filter((site) => site.id === 'twice').length).toBe(1);
  });

  it('copies one as it stands, puts it away and back, and deletes it only by its name', async () => {
    const copied = await client.send('POST', '/api/sites/mill/copies', { id: 'mill-2', name: 'Mill, second try' });
    expect([copied.status, ((await copied.json()) as { pages: number }).pages]).toEqual([201, 1]);
    expect(
      await detail(await client.send('POST', '/api/sites/mill/copies', { id: 'mill-2', name: 'Again' })),
    ).toContain('A site already has the id “mill-2”');
    await client.send('PUT', '/api/sites/mill-2/archived', { archived: true });
    expect((await shelf()).find((site) => site.id === 'mill-2')!.archived).toBe(true);
    await client.send('PUT', '/api/sites/mill-2/archived', { archived: false });
    expect((await shelf()).find((site) => site.id === 'mill-2')!.archived).toBe(false);
    expect(await detail(await client.send('DELETE', '/api/sites/mill-2?name=Mill'))).toBe(
      'The site is called “Mill, second try”, not “Mill”. Nothing was deleted.',
    );
    expect(
      (await client.send('DELETE', `/api/sites/mill-2?name=${encodeURIComponent('Mill, second try')}`)).status,
    ).toBe(204);
    expect([
      (await client.get('/api/sites/mill-2')).status,
      (await shelf()).some((site) => site.id === 'mill-2'),
      (await client.get('/api/sites/mill')).status,
    ]).toEqual([404, false, 200]);
    for (const [method, path, body] of [
      ['POST', 'copies', { id: 'x', name: 'X' }],
      ['PUT', 'archived', { archived: true }],
    ] as const)
      expect((await client.send(method, `/api/sites/nowhere/${path}`, body)).status).toBe(404);
  });

  it('gives a site another address; the one before leads on, with what is sent to it; taken ones are refused', async () => {
    expect((await begin('quay', 'Quay')).status).toBe(201);
    expect((await begin('pier', 'Pier')).status).toBe(201);
    await client.send('POST', '/api/sites/quay/publications', { sequence: 0 });
    expect(await detail(await client.send('PUT', '/api/sites/quay/address', { id: 'pier' }))).toBe(
      '“pier” is the address of another site. Nothing was changed; choose another.',
    );
    expect((await client.send('PUT', '/api/sites/quay/address', { id: 'No Address!' })).status).toBe(422);
    expect((await client.send('PUT', '/api/sites/quay/address', { id: 'harbour' })).status).toBe(204);
    const there = (await (await client.get('/api/sites/harbour')).json()) as { site: { id: string } };
    expect(there.site.id).toBe('harbour');
    // An edit of a window that has not heard of it is saved, once.
    const sent = await client.send('POST', '/api/sites/quay/changes', {
      window: 'shelf',
      changes: [
        {
          id: 'moved-001',
          schemaVersion: 2,
          label: 'Rename',
          ops: [{ op: 'set', at: ['name'], value: 'Harbour', was: 'Quay' }],
        },
      ],
    });
    expect(await sent.json()).toEqual({ results: [jasmine.objectContaining({ id: 'moved-001', sequence: 1 })] });
    for (const path of ['/live/quay/', '/frame/quay/first.html', '/api/sites/quay'])
      expect([path, (await client.get(path)).status]).toEqual([path, 200]);
    // The publication from before the move is still the same site.
    const { live } = (await (await client.get('/api/sites/harbour/publications')).json()) as {
      live: { site: { id: string } };
    };
    expect(live.site.id).toBe('harbour');
    expect(await detail(await client.send('PUT', '/api/sites/pier/address', { id: 'quay' }))).toContain(
      'was once, and redirects to it',
    );
    // Back to where it was: then the other leads on.
    expect((await client.send('PUT', '/api/sites/harbour/address', { id: 'quay' })).status).toBe(204);
    expect([
      (await client.get('/api/sites/harbour')).status,
      (await shelf()).filter((site) => site.name === 'Harbour').map((site) => site.id),
    ]).toEqual([200, ['quay']] as never);
  });
});
