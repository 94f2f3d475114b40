import { type Override } from '../site/index.ts';
import { readSite } from '../document/index.ts';
import { recipes, tokenTable } from '../style/index.ts';
import { literal, smallSite } from '../testing/small-site.ts';
import { makePainting } from './painting.ts';
import { fontSizeAt, paintedText, pixelsAt } from './painted.ts';
import { cellValue, colorOf, lengthOf } from './value.ts';
import { behindOf, fillOf } from './backdrop.ts';
import { siteIndex } from './site-index.ts';

const site = readSite(smallSite());
const { brand } = site;
const table = tokenTable(brand);
const button = [recipes.text('label'), recipes.buttonSize('regular'), recipes.button('primary', 'pale')];
const NOTHING = { here: [], used: [] };
const STATES = ['rest', 'hover', 'focus', 'pressed', 'disabled'] as const;
const paint = (overrides: Override[] = [], list = button) =>
  makePainting(brand, list, { here: overrides, used: [] }, STATES, null);

describe('painting: what wins', () => {
  it('is the resting token where a state names none', () => {
    const painting = paint();
    expect(painting.at('padding-block', 'hover', 'desktop')!.token).toBe('button.regular.pad-y');
    expect(painting.at('background-color', 'rest', 'phone')!.token).toBe('background.pale.button.primary.fill.rest');
  });
  it('is the token of the state where it names one', () => {
    const painting = paint();
    for (const state of ['hover', 'pressed', 'disabled'] as const)
      expect(painting.at('background-color', state, 'desktop')!.token).toBe(
        `background.pale.button.primary.fill.${state}`,
      );
    expect(painting.at('outline-color', 'focus', 'desktop')!.token).toBe('background.pale.focus');
    expect(painting.at('outline-color', 'rest', 'desktop')).toBeUndefined();
  });
  it('is a value set on the place in every state, as the last layer beats them all', () => {
    const painting = paint([literal('o', 'x', 'background-color', '#010203')]);
    for (const state of STATES)
      expect(cellValue(table, painting.at('background-color', state, 'desktop')!)).toEqual({
        css: '#010203',
        chain: [],
      });
  });
  it('is the value set at a band over the one at all widths, in that band only', () => {
    const painting = paint([
      literal('all', 'x', 'padding-inline', '9px'),
      literal('phone', 'x', 'padding-inline', '3px', { band: 'phone' }),
    ]);
    expect(
      (['phone', 'tablet', 'desktop'] as const).map(
        (band) => cellValue(table, painting.at('padding-inline', 'rest', band)!).css,
      ),
    ).toEqual(['3px', '9px', '9px']);
    // The token beneath is still known: it is what the value holds back.
    expect(painting.at('padding-inline', 'rest', 'phone')!.token).toBe('button.regular.pad-x');
  });
  it('is what is set here over what is set wherever the place is used, whatever the widths', () => {
    const used = [
      literal('u', 'x', 'padding-inline', '7px', { band: 'phone' }),
      literal('v', 'x', 'padding-block', '5px'),
    ];
    const painting = makePainting(
      brand,
      button,
      { here: [literal('h', 'x', 'padding-inline', '9px')], used },
      STATES,
      null,
    );
    const css = (property: 'padding-inline' | 'padding-block', band: 'phone' | 'desktop') =>
      cellValue(table, painting.at(property, 'rest', band)!).css;
    expect([css('padding-inline', 'phone'), css('padding-inline', 'desktop'), css('padding-block', 'phone')]).toEqual([
      '9px',
      '9px',
      '5px',
    ]);
  });
  it('is a token by band where a space has one for each', () => {
    const painting = paint([], [recipes.pad('even')]);
    expect(
      (['phone', 'tablet', 'desktop'] as const).map((band) => painting.at('padding-block', 'rest', band)!.token),
    ).toEqual(['space.even.phone', 'space.even.tablet', 'space.even.desktop']);
    expect(
      [320, 639, 640, 1023, 1024, 1920].map((width) => pixelsAt(table, painting, 'padding-block', 'rest', width)),
    ).toEqual([20, 20, 30, 30, 40, 40]);
  });
  it('comes from the parent for text a link says nothing of, and its own colour from itself', () => {
    const parent = paint(
      [literal('o', 'x', 'font-size', '40px')],
      [recipes.text('running'), recipes.role('pale', 'text')],
    );
    const link = makePainting(brand, [recipes.link('pale')], NOTHING, ['rest', 'hover', 'focus'], parent);
    expect(pixelsAt(table, link, 'font-size', 'rest', 1280)).toBe(40);
    expect(link.at('color', 'rest', 'desktop')!.token).toBe('background.pale.link');
    expect(link.at('color', 'hover', 'desktop')!.token).toBe('background.pale.link-hover');
    expect(link.at('font-family', 'hover', 'desktop')!.token).toBe('text.running.family');
    expect(link.at('margin-block-end', 'rest', 'desktop')).toBeUndefined();
  });
  it('measures em in the element that said it, as letter spacing is inherited in px', () => {
    const wide = readSite({
      ...smallSite(),
      brand: {
        ...smallSite().brand,
        styles: {
          ...smallSite().brand.styles,
          running: { ...smallSite().brand.styles['running']!, letterSpacing: 0.1 },
        },
      },
    });
    const parent = makePainting(wide.brand, [recipes.text('running')], NOTHING, ['rest'], null);
    const link = makePainting(
      wide.brand,
      [recipes.link('pale')],
      { here: [literal('o', 'x', 'font-size', '50px')], used: [] },
      ['rest'],
      parent,
    );
    const wideTable = tokenTable(wide.brand);
    expect(fontSizeAt(wideTable, link, 1280)).toBe(50);
    expect(pixelsAt(wideTable, link, 'letter-spacing', 'rest', 1280)).toBeCloseTo(1.8, 3);
    // A line height without a unit is inherited as the number.
    expect(pixelsAt(wideTable, link, 'line-height', 'rest', 1280)).toBe(75);
  });
  it('has nothing for a recipe that nobody knows', () => {
    expect(makePainting(brand, ['shadow:card'], NOTHING, ['rest'], null).cells).toEqual([]);
  });
});

describe('values', () => {
  it('are px for every length we emit, and undefined for what we do not', () => {
    const cases: [string, number | undefined][] = [
      ['12px', 12],
      ['1.5rem', 24],
      ['0.5em', 10],
      ['10vw', 100],
      ['1.5', 1.5],
      ['-0.02em', -0.4],
      ['clamp(1rem, 0.5rem + 2vw, 2rem)', 28],
      ['calc(1px + 2px)', undefined],
      ['auto', undefined],
      ['', undefined],
    ];
    for (const [css, px] of cases) {
      const found = lengthOf(css, 1000, 20);
      if (px === undefined) expect(found).withContext(css).toBeUndefined();
      else expect(found).withContext(css).toBeCloseTo(px, 9);
    }
  });
  it('hold a clamp at both its ends', () => {
    const css = 'clamp(1rem, 0.5rem + 2vw, 2rem)';
    expect([lengthOf(css, 100, 16), lengthOf(css, 5000, 16)]).toEqual([16, 32]);
  });
  it('read colours as painted, and say undefined for what is none', () => {
    expect(colorOf('#0e3b43')).toEqual({ r: 14, g: 59, b: 67, alpha: 1 });
    expect(colorOf('var(--x)')).toBeUndefined();
  });
  it('as text are equal exactly when what is painted is equal', () => {
    const pinned = paint([literal('o', 'x', 'padding-block', '8px')]);
    expect(paintedText(table, pinned, 'padding-block', 'rest', 1280)).toBe(
      paintedText(table, paint(), 'padding-block', 'rest', 1280),
    );
  });
});

describe('backdrops', () => {
  const index = siteIndex(site);
  const groupOf = (page: string, id: string) => index.groupOf.get(index.byAddress.get(`${page} ${id}`)!)!;
  it('are the nearest surface that a thing stands on', () => {
    expect(behindOf(table, groupOf('more', 'tc/a/text'), 'desktop')).toEqual({ r: 255, g: 255, b: 255, alpha: 1 });
    expect(behindOf(table, groupOf('more', 'th/text'), 'desktop')).toEqual({ r: 34, g: 34, b: 34, alpha: 1 });
  });
  it('are a button’s own fill for its label', () => {
    expect(fillOf(table, groupOf('home', 'k/k1'), 'rest', 'desktop')).toEqual(colorOf('#b83a1e') as never);
  });
});
