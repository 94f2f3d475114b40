import { LIMITS, type Site } from '@yohaku/core';
import { startClient, type Client } from '../testing/client.ts';

interface Result {
  id: string | null;
  sequence?: number;
  refused?: string;
  kind?: string;
}

describe('Item 3: one edit never blocks or takes others with it', () => {
  let client: Client;
  const change = (id: string, ops: object[], label = 'Edit') => ({ id, schemaVersion: 1, label, ops });
  const set = (at: string[], value: unknown) => ({ op: 'set', at, value });
  const send = async (changes: unknown[]): Promise<Result[]> => {
    const answer = await client.send('POST', '/api/sites/ternhaven/changes', { window: 'wwww', changes });
    expect(answer.status).toBe(200);
    return ((await answer.json()) as { results: Result[] }).results;
  };
  const site = async () => ((await (await client.get('/api/sites/ternhaven')).json()) as { site: Site }).site;
  const title = (value: string) => set(['pages', 'home', 'title'], value);
  beforeAll(async () => {
    client = await startClient();
  });
  afterAll(() => client.close());

  it('NUL, other controls and halves of a character in names are taken out at the door', async () => {
    const results = await send([
      change('text-0001', [title('Ho\u0000me\u0007')]),
      change('text-0002', [set(['pages', 'fares', 'title'], `${'x'.repeat(78)}\ud83d`)], 'Half \ud83d of \u0000 one'),
      change('text-0003', [set(['pages', 'about', 'description'], 'A whole one 😀 stays,\tso do tabs\nand lines')]),
    ]);
    expect(results.every((result) => result.sequence !== undefined)).toBeTrue();
    const { pages } = await site();
    expect([pages['home']!.title, pages['fares']!.title, pages['about']!.description]).toEqual([
      'Home',
      'x'.repeat(78),
      'A whole one 😀 stays,\tso do tabs\nand lines',
    ]);
    // Sent again, as a window does that had no answer: the same one, not another.
    expect((await send([change('text-0001', [title('Ho\u0000me\u0007')])]))[0]!.sequence).toBe(results[0]!.sequence);
  });

  it('a faulty edit is refused by name, and those before and behind it are saved', async () => {
    const many = Array.from({ length: 2526 }, (_, i) =>
      set(['brand', 'spaces', 'even', 'values', 'phone'], 20 + (i % 50)),
    );
    const tooMany = Array.from({ length: LIMITS.operations + 1 }, () => title('x'));
    const results = await send([
      change('batch-001', [title('First')]),
      change('batch-002', many),
      change('batch-003', tooMany, 'Far too much'),
      { id: 'batch-004', nonsense: true },
      7,
      change('no', [title('x')]),
      change('batch-005', [set(['pages', 'gone', 'title'], 'x')]),
      change('batch-006', [set(['brand', 'corners', 'card'], -1)]),
      change('batch-007', [title('Last')]),
    ]);
    expect(results.map((result) => result.kind ?? 'saved')).toEqual([
      'saved',
      'saved',
      'invalid',
      'invalid',
      'invalid',
      'invalid',
      'gone',
      'invalid',
      'saved',
    ]);
    expect(results.map((result) => result.id)).toEqual([
      'batch-001',
      'batch-002',
      'batch-003',
      'batch-004',
      null,
      'no',
      'batch-005',
      'batch-006',
      'batch-007',
    ]);
    expect(results[2]!.refused).toMatch(/cannot be read.*Nothing was changed/);
    expect((await site()).pages['home']!.title).toBe('Last');
  });

  it('values that go with the place they were set on go along in the same edit, and come back with its undo', async () => {
    const before = await site();
    const page = Object.values(before.pages).find((candidate) => Object.keys(candidate.overrides).length > 0)!;
    const [entry] = page.sectionOrder.filter((id) => {
      const section = page.sections[id]!;
      return (
        'own' in section &&
        Object.values(page.overrides).some(({ place }) => Object.hasOwn(section.own.blocks, place.split('/')[0]!))
      );
    });
    const [gone] = await send([
      change('along-001', [
        {
          op: 'remove',
          record: ['pages', page.id, 'sections'],
          order: ['pages', page.id, 'sectionOrder'],
          id: entry,
          was: page.sections[entry!],
          after: page.sectionOrder[page.sectionOrder.indexOf(entry!) - 1] ?? null,
        },
      ]),
    ]);
    expect(gone!.sequence).toBeDefined();
    expect(Object.keys((await site()).pages[page.id]!.overrides).length).toBeLessThan(
      Object.keys(page.overrides).length,
    );
    const { inverses } = (await (await client.get('/api/sites/ternhaven/inverses?ids=along-001')).json()) as {
      inverses: Record<string, object[]>;
    };
    await send([change('along-002', inverses['along-001']!)]);
    expect((await site()).pages[page.id]).toEqual(page);
  });
});
