import type { Page } from '@playwright/test';
import {
  bandOf,
  cellValue,
  colorOf,
  fillOf,
  pixelsAt,
  tokenTable,
  type Group,
  type PaintedProperty,
  type Site,
  type State,
} from '@yohaku/core';

/**
 * Which computed longhands a painted property shows in, written down here anew so that it judges the desk's own
 * comparison as well.
 */
const LONGHANDS: Record<PaintedProperty, string[]> = {
  color: ['color'],
  'background-color': ['background-color'],
  'border-color': ['border-top-color'],
  'outline-color': ['outline-color'],
  'font-size': ['font-size'],
  'font-weight': ['font-weight'],
  'font-family': ['font-family'],
  'font-style': ['font-style'],
  'line-height': ['line-height'],
  'letter-spacing': ['letter-spacing'],
  'text-transform': ['text-transform'],
  'padding-block': ['padding-top', 'padding-bottom'],
  'padding-inline': ['padding-left', 'padding-right'],
  'border-radius': ['border-top-left-radius', 'border-bottom-right-radius'],
  'border-width': ['border-top-width', 'border-left-width'],
  'border-block-start-width': ['border-top-width'],
  'border-block-end-width': ['border-bottom-width'],
  'box-shadow': ['box-shadow'],
  'text-underline-offset': ['text-underline-offset'],
  'text-decoration-thickness': ['text-decoration-thickness'],

  'margin-block-start': ['margin-top'],
  'margin-block-end': ['margin-bottom'],
  gap: ['row-gap', 'column-gap'],
  width: ['width'],
  'background-image': ['background-image'],
  'font-variant-numeric': ['font-variant-numeric'],
  'max-width': ['max-width'],
  'transition-duration': [],
  'transition-timing-function': [],
};
const NAMES = [...new Set(Object.values(LONGHANDS).flat())];

interface Seen {
  readonly style: Record<string, string>;
  readonly behind: readonly string[];
}
/** Attributes under which an element looks as it does in a state, by the state. */
const SHOWN_BY: Partial<Record<State, readonly [string, string]>> = {
  disabled: ['disabled', ''],
  busy: ['aria-busy', 'true'],
};

/**
 * Computed styles of every place at rest, with the backgrounds on the way up, and of
 * some in states: by the desk's own twin of each, and as the thing itself where an
 * attribute says it. One evaluation, however many they are.
 */
export function read(
  page: Page,
  asked: readonly { readonly id: string; readonly states: readonly State[] }[] = [],
): Promise<{ rest: Record<string, Seen>; states: { id: string; state: State; seen: Seen }[] }> {
  // Lengths in letters are right only after the fonts have loaded.
  return page.evaluate(
    ({ names, asked: wanted, shownBy }) =>
      document.fonts.ready.then(() => {
        const entry = (element: Element) => {
          const computed = getComputedStyle(element);
          const behind: string[] = [];
          for (let at: Element | null = element; at; at = at.parentElement)
            behind.push(getComputedStyle(at).backgroundColor);
          // Only the logo is given a width; that of everything else is the layout's.
          const given = names.filter((name) => name !== 'width' || element.classList.contains('logo'));
          return { style: Object.fromEntries(given.map((name) => [name, computed.getPropertyValue(name)])), behind };
        };
        const all = new Map(
          [...document.querySelectorAll('[data-place]')].map((element) => [
            element.getAttribute('data-place')!,
            element,
          ]),
        );
        const rest = Object.fromEntries([...all].map(([id, element]) => [id, entry(element)]));
        const states = wanted.flatMap(({ id, states: list }) =>
          list.flatMap((state) => {
            const element = all.get(id)!;
            const by: [string, string][] = [
              ['data-show', state],
              ...(shownBy[state] ? [[...shownBy[state]!] as [string, string]] : []),
            ];
            return by.map(([name, value]) => {
              element.setAttribute(name, value);
              const seen = entry(element);
              element.removeAttribute(name);
              return { id, state, seen };
            });
          }),
        );
        return { rest, states };
      }),
    { names: NAMES, asked, shownBy: SHOWN_BY },
  );
}

/** The same of one place, with what a selection of its words is painted with. */
export function readOne(page: Page, place: string): Promise<Seen & { readonly chosen: Record<string, string> }> {
  return page.locator(`[data-place="${place}"]`).evaluate((element, names) => {
    const behind: string[] = [];
    for (let at: Element | null = element; at; at = at.parentElement) behind.push(getComputedStyle(at).backgroundColor);
    const [own, chosen] = [getComputedStyle(element), getComputedStyle(element, '::selection')];
    const of = (from: (name: string) => string) =>
      Object.fromEntries(
        names
          .filter((name) => name !== 'width' || element.classList.contains('logo'))
          .map((name) => [name, from(name)]),
      );
    return {
      style: of((name) => own.getPropertyValue(name)),
      behind,
      chosen: of((name) => (name === 'color' || name === 'background-color' ? chosen : own).getPropertyValue(name)),
    };
  }, NAMES);
}

export function differences(
  site: Site,
  group: Group,
  id: string,
  state: State,
  width: number,
  seen: Seen | undefined,
): string[] {
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
      if (!same(css, px, value))
        found.push(`${id} ${state} at ${width}, ${name}: model ${px ?? css}, browser ${value}`);
    }
  }
  const fill = fillOf(table, group, state, bandOf(width));
  if (fill !== 'picture') {
    const painted = blend(seen.behind);
    if (Math.max(Math.abs(painted[0] - fill.r), Math.abs(painted[1] - fill.g), Math.abs(painted[2] - fill.b)) > 1)
      found.push(
        `${id} ${state} at ${width}, composited background: model ${JSON.stringify(fill)}, browser ${painted.join(' ')}`,
      );
  }
  return found;
}

function same(css: string, px: number | undefined, value: string): boolean {
  if (px !== undefined) return Math.abs((value === 'normal' ? 0 : Number.parseFloat(value)) - px) <= 0.01;
  const color = colorOf(css);
  const other = colorOf(value);
  if (color && other)
    return (
      color.r === other.r && color.g === other.g && color.b === other.b && Math.abs(color.alpha - other.alpha) < 0.003
    );
  // Browsers put the colour of a shadow first.
  const shadow = /^(.*px) (\S+|rgb.*)$/.exec(css);
  const painted = /^(rgba?\(.*\)) (.*)$/.exec(value);
  if (shadow && painted) return shadow[1] === painted[2] && same(shadow[2]!, undefined, painted[1]!);
  const plain = (text: string) =>
    text
      .replace(/["']/g, '')
      .replace(/\s*,\s*/g, ',')
      .toLowerCase();
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
