import { LIMITS, type Site } from '@yohaku/core';
import { brokenDocuments } from '../../../demo/src/testing/broken.ts';
import { loadSite } from '../sites/index.ts';
import { openDatabase } from '../db/index.ts';
import { startClient, type Client } from '../testing/client.ts';

interface Result {
  id: string | null;
  sequence?: number;
  refused?: string;
}

describe('Item 2: whatever is accepted can be read again, by a server that starts anew', () => {
  let client: Client;
  let count = 0;
  const site = async () =>
    (await (await client.get('/api/sites/ternhaven')).json()) as { site: Site; sequence: number };
  const send = async (ops: readonly object[][]): Promise<Result[]> => {
    const answer = await client.send('POST', '/api/sites/ternhaven/changes', {
      window: 'wwww',
      changes: ops.map((op) => ({ id: `broken-${++count}`, schemaVersion: 1, label: 'Broken', ops: op })),
    });
    expect(answer.status).toBe(200);
    return ((await answer.json()) as { results: Result[] }).results;
  };
  /** The site as a server reads it that has nothing in memory. */
  const readAnew = async () => {
    const database = openDatabase(client.databaseUrl);
    try {
      return (await loadSite(database, 'ternhaven'))!;
    } finally {
      await database.close();
    }
  };
  beforeAll(async () => {
    client = await startClient();
  });
  afterAll(() => client.close());

  it('names with spaces around them, fields that are none, ids that objects have anyway, whole records at once', async () => {
    const { site: before } = await site();
    const swatch = before.brand.swatches[before.brand.swatchOrder[0]!]!;
    const insert = (record: string[], order: string[] | null, id: string, value: unknown) => ({
      op: 'insert',
      record,
      order,
      id,
      value,
      after: null,
    });
    const results = await send([
      [
        insert(['brand', 'swatches'], ['brand', 'swatchOrder'], 'fog-2', {
          ...swatch,
          id: 'fog-2',
          label: '  Fog two ',
          path: 'fog-2',
          rule: null,
        }),
      ],
      [{ op: 'set', at: ['colour'], value: 'red' }],
      [
        insert(['brand', 'swatches'], ['brand', 'swatchOrder'], 'constructor', {
          ...swatch,
          id: 'constructor',
          label: 'C',
          path: 'c',
        }),
      ],
      [insert(['brand', 'swatches'], null, 'prototype', { ...swatch, id: 'prototype' })],
      [{ op: 'set', at: ['pages'], value: before.pages }],
      [{ op: 'set', at: ['pages'], value: { ...before.pages, home: { ...before.pages['home'], title: ' At home ' } } }],
      [{ op: 'set', at: ['pages', 'home', 'id'], value: 'house' }],
      [{ op: 'set', at: ['brand', 'swatches', 'fog-2', 'id'], value: 'fog-3' }],
    ]);
    expect(results.map((result) => (result.refused ? 'refused' : 'saved'))).toEqual([
      'saved',
      'refused',
      'refused',
      'refused',
      'saved',
      'saved',
      'refused',
      'refused',
    ]);
    const anew = await readAnew();
    expect([anew.site.brand.swatches['fog-2']!.label, anew.site.pages['home']!.title]).toEqual(['Fog two', 'At home']);
    expect(JSON.parse(JSON.stringify(anew.site))).toEqual(JSON.parse(JSON.stringify((await site()).site)));
    // The log says the same: a window that catches up has what the server has.
    const { changes } = (await (await client.get('/api/sites/ternhaven/changes?after=0')).json()) as {
      changes: { change: { ops: { at?: string[]; value?: unknown }[] } }[];
    };
    expect(
      changes.at(-1)!.change.ops.some((op) => op.at?.join('.') === 'pages.home.title' && op.value === 'At home'),
    ).toBeTrue();
  });

  it('values on places and tokens that are not there, open brackets and quotes, rings and towers of rules, floods', async () => {
    const { site: before } = await site();
    const literal = (css: string, property = 'color') => ({
      property,
      band: null,
      origin: 'set',
      value: { kind: 'literal', css },
      reason: null,
    });
    const at = (place: string, value: object) => [
      {
        op: 'insert',
        record: ['pages', 'fares', 'overrides'],
        order: null,
        id: 'o-x',
        after: null,
        value: { id: 'o-x', place, ...value },
      },
    ];
    const there = 'fares-half-b4/k1';
    const token = (path: string) => ({
      property: 'color',
      band: null,
      origin: 'set',
      value: { kind: 'token', path },
      reason: null,
    });
    const swatch = before.brand.swatches[before.brand.swatchOrder[0]!]!;
    const many = (n: number, rule: (i: number) => object) =>
      Array.from({ length: n }, (_, i) => ({
        op: 'insert',
        record: ['brand', 'swatches'],
        order: ['brand', 'swatchOrder'],
        id: `t${i}`,
        after: null,
        value: { ...swatch, id: `t${i}`, label: `T${i}`, path: `t${i}`, rule: rule(i) },
      }));
    const asset = { id: 'a-x', name: 'Nothing', hash: 'a'.repeat(64), type: 'image/png', width: 0, height: 10 };
    const wrong: [string, object[]][] = [
      ['a place that is not there', at('nowhere/at-all', literal('#123456'))],
      ['a token that is not there', at(there, token('color.core.nobody'))],
      ['a token path as free text', at(there, token('x) ; } body { display: none } /*'))],
      ...[
        'rgb(184, 58, 30',
        'red /*',
        '"red',
        'url(x)',
        'red; } body { display: none } /*',
        '[',
        'constructor',
        '12px',
      ].map((css): [string, object[]] => [css, at(there, literal(css))]),
      ...['12px 13px 14px', '1e3px', 'calc(1px + 2px)', 'attr(x)', '-5px'].map((css): [string, object[]] => [
        `padding ${css}`,
        at('frt-long/surface', literal(css, 'padding-block')),
      ]),
      [
        'a role with CSS in it',
        [
          {
            op: 'set',
            at: ['brand', 'grounds', before.brand.groundOrder[0]!, 'roles', 'text; } body { x'],
            value: { kind: 'readable' },
          },
        ],
      ],
      ['a picture without bytes', [{ op: 'set', at: ['assets', 'a-x'], value: { ...asset, width: 10 } }]],
      ['a picture of width 0', [{ op: 'set', at: ['assets', 'a-x'], value: asset }]],
      ['a ring of 60', many(60, (i) => ({ source: `t${(i + 1) % 60}`, lightness: 0.1, chroma: 1, hue: 0 }))],
      [
        'a tower of mixes',
        many(40, (i) => ({
          kind: 'mix',
          source: i === 0 ? swatch.id : `t${i - 1}`,
          with: i < 2 ? swatch.id : `t${i - 2}`,
          share: 0.5,
        })),
      ],
      [
        'too many values',
        Array.from({ length: LIMITS.overrides + 1 }, (_, i) => ({
          op: 'insert',
          record: ['pages', 'fares', 'overrides'],
          order: null,
          id: `o${i}`,
          after: null,
          value: { id: `o${i}`, place: there, ...literal('#123456') },
        })),
      ],
      [
        'two blocks of one id',
        [
          {
            op: 'insert',
            record: ['pages', 'fares', 'sections'],
            order: ['pages', 'fares', 'sectionOrder'],
            id: 'twice',
            after: null,
            value: {
              id: 'twice',
              own: (before.pages['fares']!.sections[before.pages['fares']!.sectionOrder[0]!] as { own: object }).own,
            },
          },
        ],
      ],
    ];
    for (const [words, ops] of wrong) {
      const began = performance.now();
      const [result] = await send([ops]);
      expect(result!.refused).withContext(words).toBeDefined();
      expect(performance.now() - began)
        .withContext(words)
        .toBeLessThan(8000);
    }
    expect(JSON.parse(JSON.stringify((await readAnew()).site))).toEqual(JSON.parse(JSON.stringify(before)));
  });

  it('every ninth way to break the document that the core’s own spec tries, sent through the API: what is saved a fresh server reads as the same', async () => {
    let saved = 0;
    let i = 0;
    const { site: start } = await site();
    let batch: object[][] = [];
    const flush = async () => {
      const results = await send(batch);
      saved += results.filter((result) => result.sequence !== undefined).length;
      batch = [];
    };
    for (const broken of brokenDocuments({
      brand: start.brand,
      shared: start.shared,
      assets: start.assets,
      name: start.name,
      language: start.language,
    } as never)) {
      if (broken.kind === 'length' || i++ % 9 !== 0) continue;
      batch.push([{ op: 'set', at: broken.at, ...(broken.value === undefined ? {} : { value: broken.value }) }]);
      if (batch.length === 40) await flush();
    }
    await flush();
    expect(saved).toBeGreaterThan(15);
    const anew = await readAnew();
    expect(anew.told).toBeUndefined();
    expect(JSON.parse(JSON.stringify(anew.site))).toEqual(JSON.parse(JSON.stringify((await site()).site)));
    for (const path of ['/api/sites/ternhaven/zip', '/frame/ternhaven/specimen.html'])
      expect((await client.get(path)).status)
        .withContext(path)
        .toBe(200);
  });

  it('a site that cannot be read says what is wrong and opens at its last good state; one that a newer Yohaku made is left alone; others go on', async () => {
    const { sequence, site: good } = await site();
    const [kept] = await send([[{ op: 'set', at: ['brand', 'corners', 'card'], value: 21 }]]);
    // As an earlier version would have let it through: in the document and in the log.
    const sql = (text: string) => client.databasePool.query(text);
    await sql(
      "update sites set sequence = sequence + 1, document = jsonb_set(document, '{brand,corners,card}', '\"nobody\"') where id = 'ternhaven'",
    );
    await sql(
      `insert into changes (site_id, sequence, id, change, inverse, author, window_id) values ('ternhaven', ${kept!.sequence! + 1}, 'bad-one', '{"id":"bad-one","schemaVersion":1,"label":"Bad edit","ops":[{"op":"set","at":["brand","corners","card"],"value":"nobody","was":21}]}', '[{"op":"set","at":["brand","corners","card"],"value":21,"was":"nobody"}]', 'owner', 'w')`,
    );
    const opened = (await (await client.get('/api/sites/ternhaven')).json()) as {
      site: Site;
      sequence: number;
      told: string[];
    };
    expect(opened.told[0]).toMatch(/could not be read \(brand\.corners\.card .*\).*last good state, before “Bad edit”/);
    expect([opened.sequence, opened.site.brand.corners.card]).toEqual([kept!.sequence! + 2, 21]);
    expect(JSON.parse(JSON.stringify((await readAnew()).site))).toEqual(JSON.parse(JSON.stringify(opened.site)));
    const [next] = await send([[{ op: 'set', at: ['brand', 'corners', 'card'], value: good.brand.corners.card }]]);
    expect(next!.sequence).toBe(opened.sequence + 1);
    expect(sequence).toBeLessThan(opened.sequence);

    await sql(
      "insert into sites (id, name, document) select 'other', name, jsonb_set(jsonb_set(document, '{id}', '\"other\"'), '{schemaVersion}', '99') from sites where id = 'ternhaven'",
    );
    await sql(
      "insert into pages (site_id, id, document) select 'other', id, document from pages where site_id = 'ternhaven'",
    );
    const newer = await client.get('/api/sites/other');
    expect([newer.status, ((await newer.json()) as { detail: string }).detail]).toEqual([
      409,
      jasmine.stringMatching(/newer Yohaku.*version 99.*Nothing was changed.*Update/),
    ]);
    await sql(
      "update sites set sequence = 1, document = jsonb_set(document, '{schemaVersion}', '1') #- '{brand,scale}' where id = 'other'",
    );
    const broken = await client.get('/api/sites/other');
    expect([broken.status, ((await broken.json()) as { detail: string }).detail]).toEqual([
      422,
      jasmine.stringMatching(/“other” cannot be read: brand\.scale .*No earlier state/),
    ]);
    expect((await client.get('/api/sites/ternhaven')).status).toBe(200);
    expect(((await (await client.get('/api/sites')).json()) as { sites: unknown[] }).sites.length).toBe(2);
  });
});
