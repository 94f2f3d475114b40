import {
  ARRANGEMENTS,
  AUDIT_WIDTHS,
  SCHEMA_VERSION,
  SECTION_KINDS,
  addDownload,
  addListSection,
  addPage,
  addSection,
  joinEdits,
  cellValue,
  keepSection,
  pageEnd,
  pageOfItems,
  publishedPages,
  reachRows,
  sayNotice,
  setValue,
  siteIndex,
  tokenTable,
  type Download,
  type Override,
  type SectionKind,
  type Site,
} from '@yohaku/core';
import { expect, publish, test } from '../fixtures.ts';
import { read, readOne, differences } from '../painted.ts';

/** A section of words and lists in as few columns as an arrangement takes. */
const arranged = ({ id, label, columns }: (typeof ARRANGEMENTS)[number]): SectionKind => ({
  id,
  label,
  use: 'words',
  arrangement: id,
  columns: Array.from(
    { length: columns.min },
    (_, at) => (at === 0 ? SECTION_KINDS.text : SECTION_KINDS.list).columns[0],
  ),
});

test('the browser computes what the model says: every place at rest, every distinct look in each state', async ({
  signedIn,
  page,
  context,
}) => {
  const api = `${signedIn.address}/api/sites/ternhaven`;
  // Values set here, and wherever a place is used, at one width and at all: on a shared section, the header and the
  // footer.
  const values: [string[], string, Override['property'], string, Override['band']][] = [
    [['shared', 'overrides'], 'promise:promise-b1/text', 'font-size', '31px', 'phone'],
    [['pages', 'home', 'overrides'], 'home-promise:promise-b1/text', 'font-size', '37px', null],
    [['pages', 'home', 'overrides'], 'header/name', 'color', '#345612', null],
    [['shared', 'overrides'], 'header/name', 'color', '#123456', 'desktop'],
    [['shared', 'overrides'], 'footer/surface', 'padding-block', '90px', null],
  ];
  const ops = values.map(([record, place, property, css, band], i) => ({
    op: 'insert',
    record,
    order: null,
    id: `m${i}`,
    value: { id: `m${i}`, place, property, band, origin: 'set', value: { kind: 'literal', css }, reason: null },
    after: null,
  }));
  // And a page with a section of every kind, and one with a section in every arrangement, a header of its own and no
  // footer; items with a page each, in a table that goes on.
  const { site: demo } = (await (await page.request.get(api)).json()) as { site: Site };
  const plan = (await (
    await page.request.post(`${api}/downloads?name=plan.pdf`, {
      data: Buffer.from('%PDF-1.4'),
      headers: { 'content-type': 'application/octet-stream' },
    })
  ).json()) as Pick<Download, 'hash' | 'type' | 'bytes'>;
  const list = ['pages', 'ways', 'sections', 'ways-list', 'own', 'blocks', 'ways-list-list'];
  const kinds = joinEdits(demo, 'Every kind', [
    (now) => addDownload(now, { id: 'plan', name: 'Plan', ...plan }),
    (now) => addPage(now, 'kinds', null),
    ...Object.values(SECTION_KINDS).map(
      (kind, i) => (now: Site) => addSection(now, 'kinds', `kind-${i}`, undefined, kind),
    ),
    (now) => addPage(now, 'ways', null),
    ...ARRANGEMENTS.map(
      (arrangement, i) => (now: Site) => addSection(now, 'ways', `way-${i}`, undefined, arranged(arrangement)),
    ),
    (now) => addListSection(now, 'ways', 'log', 'ways-list'),
    ...(
      [
        ['look', 'table'],
        ['group', Object.values(demo.collections['log']!.fields).find(({ kind }) => kind === 'choice')!.id],
        ['limit', 3],
        ['paged', true],
      ] as const
    ).map(
      ([key, value]) =>
        (now: Site) =>
          setValue(now, '', [...list, key], value),
    ),
    (now) => addSection(now, 'ways', 'ways-head', undefined, SECTION_KINDS['footer-menu']),
    (now) => keepSection(now, 'ways', 'ways-head', 'head', 'ways-kept'),
    (now) => pageEnd(now, 'ways', 'header', 'head'),
    (now) => pageEnd(now, 'ways', 'footer', null),
    (now) => addPage(now, 'one', null),
    (now) => pageOfItems(now, 'log', 'one'),
    (now) => sayNotice(now, 'The notice of today.'),
    (now) => setValue(now, '', ['shared', 'header', 'fold'], 'Menu'),
  ]);
  const saved = await page.request.post(`${api}/changes`, {
    data: {
      window: 'w-model',
      changes: [
        ['model-0001', 'Values', ops],
        ['model-0002', kinds.label, kinds.ops],
      ].map(([id, label, all]) => ({ id, schemaVersion: SCHEMA_VERSION, label, ops: all })),
    },
  });
  expect(((await saved.json()) as { results: { refused?: string }[] }).results.map((result) => result.refused)).toEqual(
    [undefined, undefined],
  );
  const site = await publish(page, signedIn);
  const live = await context.newPage();
  const cdp = await context.newCDPSession(live);
  await cdp.send('DOM.enable');
  await cdp.send('CSS.enable');
  let compared = 0;
  const found: string[] = [];
  const seenLooks = new Set<string>();
  const of = site;
  const index = siteIndex(of);
  // Every published look: pages, items, further list pages, pages after forms, the page for unknown addresses.
  for (const {
    id,
    files: [file],
  } of publishedPages(site)) {
    const { places } = index.tree(id)!;
    await live.setViewportSize({ width: 1280, height: 900 });
    await live.goto(`${signedIn.address}/live/ternhaven/${file}`);
    await live.evaluate(() => document.fonts.ready);
    for (const width of AUDIT_WIDTHS) {
      await live.setViewportSize({ width, height: 900 });
      // One place of each distinct look that has states: by the desk's own twin at every width, by forced pseudo-states
      // at the two of the wall.
      const fresh = places.filter((place) => {
        const look = `${width} ${place.recipes.join(' ')} ${index.groupOf
          .get(place)!
          .painting.overrides.map((override) => override.id)
          .join()}`;
        return place.states.length > 1 && !seenLooks.has(look) && !!seenLooks.add(look);
      });
      // A value set on the place stands above the twin; the real selection it does not touch.
      const asked = fresh.map((place) => ({
        id: place.id,
        states: place.states.filter(
          (state) =>
            state !== 'rest' && !(state === 'selected' && index.groupOf.get(place)!.painting.overrides.length > 0),
        ),
      }));
      const { rest, states } = await read(live, asked);
      for (const place of places)
        found.push(...differences(of, index.groupOf.get(place)!, place.id, 'rest', width, rest[place.id]));
      const byId = new Map(places.map((place) => [place.id, place]));
      for (const { id: place, state, seen } of states)
        found.push(...differences(of, index.groupOf.get(byId.get(place)!)!, place, state, width, seen));
      compared += places.length + states.length;
      if (width !== 1280 && width !== 390) continue;
      for (const place of fresh) {
        const group = index.groupOf.get(place)!;
        for (const state of place.states) {
          if (state === 'selected') {
            const { chosen } = await readOne(live, place.id);
            found.push(
              ...differences(of, group, place.id, state, width, {
                style: chosen,
                behind: [chosen['background-color']!],
              }),
            );
            // Browsers tell no page which links were visited: that state is seen through its twin only.
          } else if (state === 'hover' || state === 'focus' || state === 'pressed') {
            const { root } = await cdp.send('DOM.getDocument', { depth: 0 });
            const { nodeId } = await cdp.send('DOM.querySelector', {
              nodeId: root.nodeId,
              selector: `[data-place="${place.id}"]`,
            });
            const forced = { hover: ['hover'], focus: ['focus', 'focus-visible'], pressed: ['hover', 'active'] }[state];
            await cdp.send('CSS.forcePseudoState', { nodeId, forcedPseudoClasses: forced });
            found.push(...differences(of, group, place.id, state, width, await readOne(live, place.id)));
            await cdp.send('CSS.forcePseudoState', { nodeId, forcedPseudoClasses: [] });
          } else continue;
          compared++;
        }
      }
    }
  }
  await live.close();
  expect(found.slice(0, 20)).toEqual([]);
  expect(compared).toBeGreaterThan(8000);
});

test('changing one line of tokens.css restyles exactly the places that reach lists', async ({
  signedIn,
  page,
  context,
}) => {
  const site = await publish(page, signedIn);
  const live = await context.newPage();
  await live.setViewportSize({ width: 1280, height: 900 });
  const index = siteIndex(site);
  const [answer] = publishedPages(site).filter(({ kind }) => kind === 'answer');
  for (const [path, value] of [
    ['color.core.funnel', '#12ab34'],
    ['background.paper.heading', '#12ab34'],
    ['text.body.size', '33px'],
    ['corner.card', '19px'],
    ['space.even.desktop', '111px'],
  ] as const) {
    for (const [id, file] of [
      ['home', 'index.html'],
      ['fares', site.pages['fares']!.file],
      ['contact', site.pages['contact']!.file],
      [answer!.id, answer!.files[0]!],
      ['~404', '404.html'],
    ] as const) {
      await live.goto(`${signedIn.address}/live/ternhaven/${file}`);
      const { rest: before } = await read(live);
      await live.evaluate(([property, css]) => document.documentElement.style.setProperty(property!, css!), [
        `--${path.replaceAll('.', '-')}`,
        value,
      ] as const);
      const { rest: after } = await read(live);
      const changed = Object.keys(after).filter(
        (place) => JSON.stringify(after[place]!.style) !== JSON.stringify(before[place]!.style),
      );
      const reached = new Set(
        reachRows(site, path)
          .filter((row) => row.file === file)
          .map(({ place }) => place.id),
      );
      expect(
        changed.filter((place) => !reached.has(place)),
        `${path} on ${id}: changed and not in reach`,
      ).toEqual([]);
      // Reach lists states as well; at rest and 1280 those whose own value there is the token's must have moved.
      const atRest = [...reached].filter((place) =>
        index.groupOf
          .get(index.byAddress.get(`${id} ${place}`)!)!
          .painting.cells.some(
            (cell) =>
              cell.state === 'rest' &&
              cell.band === 'desktop' &&
              !cell.override &&
              cell.token &&
              cellValue(tokenTable(site.brand), cell).chain.includes(path),
          ),
      );
      expect(
        atRest.filter((place) => !changed.includes(place)),
        `${path} on ${id}: in reach and not changed`,
      ).toEqual([]);
    }
  }
  await live.close();
});
