import {
  bandOf,
  cellValue,
  colorOf,
  familyNames,
  pageTree,
  paintedFacts,
  partsOf,
  pixelsAt,
  round,
  siteIndex,
  tokenTable,
  type Group,
  type PaintedProperty,
  type Place,
  type Site,
} from '@yohaku/core';
import type { Difference } from '../../state/index.ts';
import { atOnce } from './slices.ts';

const SIZE_TOLERANCE = 0.02;

/** The elements that are not at rest: hovered, pressed or focused. */
const TOUCHED = ':hover, :active, :focus-visible';

/** Every value at rest that the browser computes otherwise than the model says, once a place and property. */
export function compareDocument(document: Document, site: Site, page: string, width: number): Difference[] {
  return atOnce(comparing(document, site, page, width));
}

/** The same, place by place. */
export function* comparing(document: Document, site: Site, page: string, width: number): Generator<void, Difference[]> {
  const view = document.defaultView;
  if (!view) return [];
  const index = siteIndex(site);
  const table = tokenTable(site.brand);
  const differences: Difference[] = [];
  const elements = new Map<string, Element>();
  for (const element of document.querySelectorAll('[data-place]'))
    elements.set(element.getAttribute('data-place')!, element);
  for (const place of pageTree(site, page).places) {
    const element = elements.get(place.id);
    if (!element || (place.states.length > 1 && element.matches(TOUCHED))) continue;
    yield;
    const computed = view.getComputedStyle(element);
    for (const property of propertiesOf(index.groupOf.get(place)!)) {
      const expected = expectation(place, property);
      if (expected === undefined) continue;
      const { computed: styles } = paintedFacts(property);
      if (typeof styles === 'string') continue;
      const corners = property === 'border-radius' && typeof expected === 'string' ? expected.split(' ') : null;
      for (const [i, name] of styles.entries()) {
        const found = String(computed[name as keyof CSSStyleDeclaration]);
        if (agrees(property, corners ? Number.parseFloat(corners[i]!) : expected, found)) continue;
        differences.push({
          page,
          place: place.id,
          kind: place.kind,
          label: place.label,
          width,
          property,
          computed: figure(expected),
          painted: figure(found),
        });
        break;
      }
    }
  }
  return differences;

  function expectation(place: Place, property: PaintedProperty): string | number | undefined {
    const painting = index.groupOf.get(place)!.painting;
    const cell = painting.at(property, 'rest', bandOf(width));
    if (!cell) return undefined;
    return pixelsAt(table, painting, property, 'rest', width) ?? cellValue(table, cell).css;
  }
}

/** A value as it is told: figures to two places. */
function figure(value: string | number): string {
  return typeof value === 'number'
    ? String(round(value, 2))
    : value.replace(/-?\d+\.\d{3,}/g, (name) => String(round(Number(name), 2)));
}

function propertiesOf(group: Group): PaintedProperty[] {
  return [...new Set(group.painting.cells.filter((cell) => cell.state === 'rest').map((cell) => cell.property))];
}

function agrees(property: PaintedProperty, expected: string | number, found: string): boolean {
  if (typeof expected === 'number')
    return Math.abs(Number.parseFloat(found === 'normal' ? '0' : found) - expected) <= SIZE_TOLERANCE;
  const { value } = paintedFacts(property);
  if (value === 'color') {
    const color = colorOf(expected);
    const other = colorOf(found);
    return (
      !!color &&
      !!other &&
      Math.abs(color.r - other.r) <= 1 &&
      Math.abs(color.g - other.g) <= 1 &&
      Math.abs(color.b - other.b) <= 1 &&
      Math.abs(color.alpha - other.alpha) < 0.005
    );
  }
  if (value === 'shadow') return sameShadow(expected, found);
  if (value === 'family') return familyNames(found)?.join() === familyNames(expected)?.join();
  return found === expected;
}

/** Returns true if two shadows are one: browsers put the colour first. */
function sameShadow(name: string, other: string): boolean {
  const parts = (text: string) => {
    const all = partsOf(text, ' ');
    const color = all.find((part) => colorOf(part) !== undefined);
    return { color: color ?? '', lengths: all.filter((part) => part !== color).join(' ') };
  };
  const [a, b] = [parts(name), parts(other)];
  return a.lengths === b.lengths && (a.color === b.color || agrees('color', a.color, b.color));
}

/** Lines that headings, menus and buttons take, by place, and whether the page scrolls sideways. */
export interface LayoutSnapshot {
  readonly lines: ReadonlyMap<string, number>;
  readonly overflow: boolean;
}

/** Reads line counts and overflow from the real layout. */
export function readLayout(document: Document, site: Site, page: string): LayoutSnapshot {
  const lines = new Map<string, number>();
  for (const place of pageTree(site, page).places) {
    const counted = place.kind === 'menu' || place.kind === 'button' || place.level !== null;
    const element = counted ? document.querySelector(`[data-place="${place.id}"]`) : null;
    if (!element) continue;
    const range = document.createRange();
    range.selectNodeContents(element);
    lines.set(place.id, new Set([...range.getClientRects()].map((rect) => Math.round(rect.bottom / 4))).size);
  }
  const menu = document.querySelector('.menu');
  if (menu)
    lines.set(
      'header/surface',
      new Set([...menu.children].map((item) => Math.round(item.getBoundingClientRect().top / 4))).size,
    );
  return { lines, overflow: document.documentElement.scrollWidth > document.documentElement.clientWidth + 1 };
}
