import {
  MOVING,
  changedProperties,
  declaredKey,
  fallbackCss,
  familiesInUse,
  fontsCss,
  stylesCss,
  tokensCss,
  withFollowers,
  type Brand,
  type Site,
} from '@yohaku/core';
import type { FrameSource } from './frame-source.ts';

const styles = new WeakMap<Site, string>();
let lastStyles: { site: Site; css: string } | undefined;

/** The stylesheet of a site, made once for all frames; a site that differs only in token values reuses the last one. */
function stylesOf(site: Site): string {
  let css = styles.get(site);
  if (css === undefined) {
    css = lastStyles && sameStructure(lastStyles.site, site) ? lastStyles.css : stylesCss(site);
    styles.set(site, css);
    lastStyles = { site, css };
  }
  return css;
}

function sameStructure(site: Site, other: Site): boolean {
  return (
    site.pages === other.pages && site.shared === other.shared && declaredKey(site.brand) === declaredKey(other.brand)
  );
}

const diffs: { after: Brand | undefined; from: Map<Brand, Map<string, string | undefined>> } = {
  after: undefined,
  from: new Map(),
};

/**
 * Returns the changed tokens between a brand and the painted one, with their dependants; frames of the same brand share
 * the answer.
 */
function diff(before: Brand, after: Brand): Map<string, string | undefined> {
  if (diffs.after !== after) {
    diffs.after = after;
    diffs.from.clear();
  }
  let changed = diffs.from.get(before);
  if (!changed) diffs.from.set(before, (changed = withFollowers(after, changedProperties(before, after))));
  return changed;
}

/**
 * Keeps one document showing one page, or one part of it. Token values travel
 * as custom properties on the body: on the root, where all tokens stand, Chromium
 * would work out every one of them again. Only parts whose HTML changed are written again.
 */
export class FramePainter {
  readonly document: Document;
  readonly #source: FrameSource;
  #applied: Site | undefined;
  #html = new Map<string, string>();
  /** The properties that the body declares itself. */
  readonly #own = new Map<string, string | undefined>();
  #standIn = false;

  constructor(document: Document, source: FrameSource) {
    this.document = document;
    this.#source = source;
  }

  /** The site this document shows now. */
  get applied(): Site | undefined {
    return this.#applied;
  }

  /** Returns true if it could show a site and does not yet. */
  waits(site: Site): boolean {
    return this.#applied !== site && this.#source.has(site);
  }

  /** Shows a site. Returns whether anything but token values was written. */
  paint(site: Site): boolean {
    if (!this.waits(site)) return false;
    const before = this.#applied;
    this.#applied = site;
    if (!before) {
      // A document may have shown another page before.
      this.document.body.removeAttribute('style');
      this.#fonts(site.brand);
      this.#style('yohaku-tokens', tokensCss(site.brand));
      this.#style('yohaku-styles', stylesOf(site));
      this.still(true);
      this.document.documentElement.lang = site.language;
      this.#write(site);
      return true;
    }
    if (before.brand !== site.brand) this.#restyle(before.brand, site.brand);
    const css = stylesOf(site);
    if (css !== stylesOf(before)) this.#style('yohaku-styles', css);
    return this.#rewrite(site);
  }

  #restyle(before: Brand, after: Brand): void {
    const own = this.document.body.style;
    for (const [property, value] of diff(before, after)) {
      if (this.#own.get(property) === value) continue;
      if (value === undefined) own.removeProperty(property);
      else own.setProperty(property, value);
      this.#own.set(property, value);
    }
    if (before.families !== after.families || before.fonts !== after.fonts) this.#fonts(after);
  }

  /** Pretends that no font file came: text stands in what stands in for its families. */
  standIn(only: boolean): void {
    if (this.#standIn === only) return;
    this.#standIn = only;
    if (this.#applied) this.#fonts(this.#applied.brand);
  }

  /**
   * Keeps what has a motion from moving: what is compared or dragged must be at its end at once. By class: a rule for
   * every element would make Chromium style two pseudo-elements of each.
   */
  still(on: boolean): void {
    this.#style('yohaku-still', on ? `${MOVING} { transition: none !important; }` : '');
  }

  /** Styles on top of the site's own: text as wide as readers may set it. Empty takes them away. */
  onTop(css: string): void {
    if (css !== '' || this.document.getElementById('yohaku-on-top')) this.#style('yohaku-on-top', css);
  }

  #fonts(brand: Brand): void {
    const families = familiesInUse(brand);
    this.#style('yohaku-fonts', this.#standIn ? fallbackCss(families, '/fonts/') : fontsCss(families, '/fonts/'));
  }

  #style(id: string, css: string): void {
    let element = this.document.getElementById(id);
    if (!element) {
      element = this.document.createElement('style');
      element.id = id;
      this.document.head.append(element);
    }
    if (element.textContent !== css) element.textContent = css;
  }

  #write(site: Site): void {
    const { className, place, page } = this.#source.body(site);
    // The root's name limits overrides to this page.
    named(this.document.documentElement, 'data-page', page);
    this.document.body.className = className;
    named(this.document.body, 'data-place', place);
    this.document.body.innerHTML = this.#source.html(site);
    this.#html = new Map(this.#source.parts(site).map((part) => [part.id, part.html]));
  }

  #rewrite(site: Site): boolean {
    const parts = this.#source.parts(site);
    const ids = [...this.#html.keys()];
    const moved = parts.length !== ids.length || parts.some((part, i) => part.id !== ids[i]);
    if (moved && !this.#arrange(parts)) {
      this.#write(site);
      return true;
    }
    let written = moved;
    for (const { id, html } of parts) {
      if (this.#html.get(id) === html) continue;
      const element = this.document.querySelector(`[data-part="${id}"]`);
      const repainted = element !== null && onlyPictures(this.#html.get(id)!, html) && showPictures(element, html);
      if (element && !repainted) element.outerHTML = html;
      this.#html.set(id, html);
      written ||= !repainted;
    }
    return written;
  }

  /**
   * Puts sections in their order, those that came anew among them, and takes out what went: the others stay the
   * elements they were. @returns false where header or footer came or went
   */
  #arrange(parts: readonly { readonly id: string; readonly html: string }[]): boolean {
    const wanted = new Map(parts.map((part) => [part.id, part.html]));
    const main = this.document.querySelector('main');
    if (!main || [...ENDS].some((id) => wanted.has(id) !== this.#html.has(id))) return false;
    for (const id of this.#html.keys())
      if (!wanted.has(id)) this.document.querySelector(`[data-part="${id}"]`)?.remove();
    let before: Element | null = null;
    for (const { id, html } of parts) {
      if (ENDS.has(id)) continue;
      let element: Element | null = this.#html.has(id) ? this.document.querySelector(`[data-part="${id}"]`) : null;
      // Elements outside the sections stay.
      if (element && element.parentElement !== main) continue;
      if (!element) {
        const template: HTMLTemplateElement = this.document.createElement('template');
        template.innerHTML = html;
        element = template.content.firstElementChild!;
        this.#html.set(id, html);
      }
      const next: Element | null = before ? before.nextElementSibling : main.firstElementChild;
      if (next !== element) main.insertBefore(element, next);
      before = element;
    }
    // In the order in which they stand now.
    this.#html = new Map(parts.map(({ id, html }) => [id, this.#html.get(id) ?? html]));
    return true;
  }
}

function named(element: Element, attribute: string, value: string | null): void {
  if (value === null) element.removeAttribute(attribute);
  else element.setAttribute(attribute, value);
}

/** The parts before and after the sections of a page. */
const ENDS: ReadonlySet<string> = new Set(['header', 'footer']);

const SOURCE = / src="(images\/[^"]+)"/g;

/** Returns true if two HTMLs of a part differ only in the files of pictures. */
function onlyPictures(before: string, after: string): boolean {
  return before.replace(SOURCE, '') === after.replace(SOURCE, '');
}

/**
 * Gives the pictures of a part their new files where they stand: each shows the old one until the new one is there.
 * @returns false when they do not match
 */
function showPictures(part: Element, html: string): boolean {
  const files = [...html.matchAll(SOURCE)].map((match) => match[1]!);
  const images = part.querySelectorAll('img[src]');
  if (images.length !== files.length) return false;
  images.forEach((image, i) => {
    if (image.getAttribute('src') !== files[i]) image.setAttribute('src', files[i]!);
  });
  return true;
}
