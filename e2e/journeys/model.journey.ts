import type { Page } from '@playwright/test';
import { SCHEMA_VERSION, SECTION_KINDS, addPage, addSection, bandOf, inTurn, cellValue, colorOf, fillOf, pageTree, pixelsAt, placesOf, siteIndex, tokenTable, type Group, type Override, type PaintedProperty, type Site, type State } from '@yohaku/core';
import { test, expect } from '../fixtures.ts';

/** Which computed longhands a painted property shows in, written down here anew so that it judges the desk's own comparison as well. */
const LONGHANDS: Record<PaintedProperty, string[]> = {
  color: ['color'], 'background-color': ['background-color'], 'border-color': ['border-top-color'], 'outline-color': ['outline-color'], 'font-size': ['font-size'], 'font-weight': ['font-weight'],
  'font-family': ['font-family'], 'font-style': ['font-style'], 'line-height': ['line-height'], 'letter-spacing': ['letter-spacing'], 'text-transform': ['text-transform'],
  'padding-block': ['padding-top', 'padding-bottom'], 'padding-inline': ['padding-left', 'padding-right'], 'border-radius': ['border-top-left-radius', 'border-bottom-right-radius'], 'border-width': ['border-top-width', 'border-left-width'], 'border-block-start-width': ['border-top-width'], 'border-block-end-width': ['border-bottom-width'],
  'box-shadow': ['box-shadow'], 'text-underline-offset': ['text-underline-offset'], 'text-decoration-thickness': ['text-decoration-thickness'],
 
  'margin-block-start': ['margin-top'], 'margin-block-end': ['margin-bottom'], gap: ['row-gap', 'column-gap'], width: ['width'], 'background-image': ['background-image'], 'font-variant-numeric': ['font-variant-numeric'], 'max-width': ['max-width'], 'transition-duration': [], 'transition-timing-function': [],
};
const NAMES = [...new Set(Object.values(LONGHANDS).flat())];

interface Seen { readonly style: Record<string, string>; readonly behind: readonly string[] }

/** Computed styles of every place, and the backgrounds on the way up, in one evaluation. */
function read(page: Page): Promise<Record<string, Seen>> {
  // What is measured in letters is only itself once the fonts have come.
  return page.evaluate((names) => document.fonts.ready.then(() => Object.fromEntries([...document.querySelectorAll('[data-place]')].map((element) => {
    const computed = getComputedStyle(element);
    const behind: string[] = [];
    for (let at: Element | null = element; at; at = at.parentElement) behind.push(getComputedStyle(at).backgroundColor);
    // Only the logo is given a width; that of everything else is the layout's.
    const given = names.filter((name) => name !== 'width' || element.classList.contains('logo'));
    return [element.getAttribute('data-place')!, { style: Object.fromEntries(given.map((name) => [name, computed.getPropertyValue(name)])), behind }];
  }))), NAMES);
}

function differences(site: Site, group: Group, id: string, state: State, width: number, seen: Seen | undefined): string[] {
  if (!seen) return [`${id} is not in the page`];
  const table = tokenTable(site.brand);
  const found: string[] = [];
  for (const property of new Set(group.painting.cells.map((cell) => cell.property))) {
    const cell = group.painting.at(property, state, bandOf(width));
    if (!cell) continue;
    const css = cellValue(table, cell).css;
    const px = pixelsAt(table, group.painting, property, state, width);
    for (const name of LONGHANDS[property] ?? []) {
      const value = seen.style[name]!;
      if (!same(css, px, value)) found.push(`${id} ${state} at ${width}, ${name}: model ${px ?? css}, browser ${value}`);
    }
  }
  const fill = fillOf(table, group, state, bandOf(width));
  if (fill !== 'picture') {
    const painted = blend(seen.behind);
    if (Math.max(Math.abs(painted[0] - fill.r), Math.abs(painted[1] - fill.g), Math.abs(painted[2] - fill.b)) > 1) found.push(`${id} ${state} at ${width}, composited background: model ${JSON.stringify(fill)}, browser ${painted.join(' ')}`);
  }
  return found;
}

function same(css: string, px: number | undefined, value: string): boolean {
  if (px !== undefined) return Math.abs((value === 'normal' ? 0 : Number.parseFloat(value)) - px) <= 0.01;
  const one = colorOf(css);
  const other = colorOf(value);
  if (one && other) return one.r === other.r && one.g === other.g && one.b === other.b && Math.abs(one.alpha - other.alpha) < 0.003;
  // Browsers put the colour of a shadow first.
  const shadow = /^(.*px) (\S+|rgb.*)$/.exec(css);
  const painted = /^(rgba?\(.*\)) (.*)$/.exec(value);
  if (shadow && painted) return shadow[1] === painted[2] && same(shadow[2]!, undefined, painted[1]!);
  const plain = (text: string) => text.replace(/["']/g, '').replace(/\s*,\s*/g, ',').toLowerCase();
  return plain(css) === plain(value);
}

/** Backgrounds from the element up to the root, laid over white. */
function blend(layers: readonly string[]): [number, number, number] {
  let rgb: [number, number, number] = [255, 255, 255];
  for (const layer of [...layers].reverse()) {
    const [r = 0, g = 0, b = 0, alpha = 1] = (layer.match(/[\d.]+/g) ?? []).map(Number);
    rgb = [r * alpha + rgb[0] * (1 - alpha), g * alpha + rgb[1] * (1 - alpha), b * alpha + rgb[2] * (1 - alpha)];
  }
  return rgb;
}

test('the browser computes what the model says: every place at rest, every distinct look in each state', async ({ desk, page, context }) => {
  const api = `${desk.server.address}/api/sites/ternhaven`;
  // Values set here, and wherever a place is used, at one width and at all: on a shared section, the header and the footer.
  const values: [string[], string, Override['property'], string, Override['band']][] = [
    [['shared', 'overrides'], 'promise:promise-b1/text', 'font-size', '31px', 'phone'], [['pages', 'home', 'overrides'], 'home-promise:promise-b1/text', 'font-size', '37px', null],
    [['pages', 'home', 'overrides'], 'header/name', 'color', '#345612', null], [['shared', 'overrides'], 'header/name', 'color', '#123456', 'desktop'], [['shared', 'overrides'], 'footer/surface', 'padding-block', '90px', null],
  ];
  const ops = values.map(([record, place, property, css, band], i) => ({ op: 'insert', record, order: null, id: `m${i}`, value: { id: `m${i}`, place, property, band, origin: 'set', value: { kind: 'literal', css }, reason: null }, after: null }));
  // And a page with a section of every kind there is.
  const { site: demo } = (await (await page.request.get(api)).json()) as { site: Site };
  const kinds = inTurn(demo, 'Every kind', [(now) => addPage(now, 'kinds', null), ...Object.values(SECTION_KINDS).map((kind, i) => (now: Site) => addSection(now, 'kinds', `kind-${i}`, undefined, kind))]);
  const saved = await page.request.post(`${api}/changes`, { data: { window: 'w-model', changes: [['model-0001', 'Values', ops], ['model-0002', kinds.label, kinds.ops]].map(([id, label, all]) => ({ id, schemaVersion: SCHEMA_VERSION, label, ops: all })) } });
  expect(((await saved.json()) as { results: { refused?: string }[] }).results.map((one) => one.refused)).toEqual([undefined, undefined]);
  const { site, sequence } = (await (await page.request.get(api)).json()) as { site: Site; sequence: number };
  await page.request.post(`${api}/publications`, { data: { sequence } });
  await page.goto('about:blank');
  const index = siteIndex(site);
  const live = await context.newPage();
  const cdp = await context.newCDPSession(live);
  await cdp.send('DOM.enable');
  await cdp.send('CSS.enable');
  let compared = 0;
  const found: string[] = [];
  const seenLooks = new Set<string>();
  for (const width of [1280, 390]) {
    await live.setViewportSize({ width, height: 900 });
    for (const id of site.pageOrder) {
      await live.goto(`${desk.server.address}/live/ternhaven/${site.pages[id]!.file}`);
      await live.evaluate(() => document.fonts.ready);
      const rest = await read(live);
      const places = pageTree(site, id).places;
      for (const place of places) {
        found.push(...differences(site, index.groupOf.get(place)!, place.id, 'rest', width, rest[place.id]));
        compared++;
      }
      // One place of each distinct look that has states: once by forced pseudo-states, once by the desk's own twin.
      for (const place of places) {
        const group = index.groupOf.get(place)!;
        const look = `${width} ${place.recipes.join(' ')} ${group.painting.overrides.map((one) => one.id).join()}`;
        if (place.states.length === 1 || seenLooks.has(look)) continue;
        seenLooks.add(look);
        for (const state of place.states) {
          if (state === 'rest') continue;
          const locator = live.locator(`[data-place="${place.id}"]`);
          if (state === 'disabled') {
            await locator.evaluate((element) => element.setAttribute('disabled', ''));
            found.push(...differences(site, group, place.id, state, width, (await read(live))[place.id]));
            await locator.evaluate((element) => element.removeAttribute('disabled'));
            // Browsers tell no page which links were visited: that state is seen through its twin only.
          } else if (state === 'busy') {
            await locator.evaluate((element) => element.setAttribute('aria-busy', 'true'));
            found.push(...differences(site, group, place.id, state, width, (await read(live))[place.id]));
            await locator.evaluate((element) => element.removeAttribute('aria-busy'));
          } else if (state === 'selected') {
            const pseudo = await locator.evaluate((element, names) => {
              const [own, chosen] = [getComputedStyle(element), getComputedStyle(element, '::selection')];
              return Object.fromEntries(names.map((name) => [name, (name === 'color' || name === 'background-color' ? chosen : own).getPropertyValue(name)]));
            }, NAMES);
            found.push(...differences(site, group, place.id, state, width, { style: pseudo, behind: [pseudo['background-color']!] }));
          } else if (state !== 'visited') {
            const { root } = await cdp.send('DOM.getDocument', { depth: 0 });
            const { nodeId } = await cdp.send('DOM.querySelector', { nodeId: root.nodeId, selector: `[data-place="${place.id}"]` });
            const forced = { hover: ['hover'], focus: ['focus', 'focus-visible'], pressed: ['hover', 'active'] }[state];
            await cdp.send('CSS.forcePseudoState', { nodeId, forcedPseudoClasses: forced });
            found.push(...differences(site, group, place.id, state, width, (await read(live))[place.id]));
            await cdp.send('CSS.forcePseudoState', { nodeId, forcedPseudoClasses: [] });
          }
          // A value set on the place stands above the twin; the real selection it does not touch.
          if (state === 'selected' && group.painting.overrides.length > 0) continue;
          await locator.evaluate((element, name) => element.setAttribute('data-show', name), state);
          found.push(...differences(site, group, place.id, state, width, (await read(live))[place.id]));
          await locator.evaluate((element) => element.removeAttribute('data-show'));
          compared += 2;
        }
      }
    }
  }
  await live.close();
  expect(found.slice(0, 20)).toEqual([]);
  expect(compared).toBeGreaterThan(2000);
});

test('changing one line of tokens.css restyles exactly the places that reach lists', async ({ desk, page, context }) => {
  const { site, sequence } = (await (await page.request.get(`${desk.server.address}/api/sites/ternhaven`)).json()) as { site: Site; sequence: number };
  await page.request.post(`${desk.server.address}/api/sites/ternhaven/publications`, { data: { sequence } });
  const live = await context.newPage();
  await live.setViewportSize({ width: 1280, height: 900 });
  for (const [path, value] of [['color.core.funnel', '#12ab34'], ['ground.paper.heading', '#12ab34'], ['text.running.size', '33px'], ['corner.card', '19px'], ['space.even.desktop', '111px']] as const) {
    for (const id of ['home', 'fares', 'contact']) {
      await live.goto(`${desk.server.address}/live/ternhaven/${site.pages[id]!.file}`);
      const before = await read(live);
      await live.evaluate(([property, css]) => document.documentElement.style.setProperty(property!, css!), [`--${path.replaceAll('.', '-')}`, value] as const);
      const after = await read(live);
      const changed = Object.keys(after).filter((place) => JSON.stringify(after[place]!.style) !== JSON.stringify(before[place]!.style));
      const reached = new Set(placesOf(site, path).filter((place) => place.page === id).map((place) => place.id));
      expect(changed.filter((place) => !reached.has(place)), `${path} on ${id}: changed and not in reach`).toEqual([]);
      const index = siteIndex(site);
      // Reach lists states as well; at rest and 1280 those whose own value there is the token's must have moved.
      const atRest = [...reached].filter((place) => index.groupOf.get(index.byAddress.get(`${id} ${place}`)!)!.painting.cells.some((cell) => cell.state === 'rest' && cell.band === 'desktop' && !cell.override && cell.token && cellValue(tokenTable(site.brand), cell).chain.includes(path)));
      expect(atRest.filter((place) => !changed.includes(place)), `${path} on ${id}: in reach and not changed`).toEqual([]);
    }
  }
  await live.close();
});
