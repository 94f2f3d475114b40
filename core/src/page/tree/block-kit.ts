import type { Element } from 'hast';
import {
  element,
  keepsAs,
  kindOf,
  labelled,
  plainText,
  type Block,
  type ButtonItem,
  type IconName,
  type Inline,
  type ItemQuery,
  type ItemWords,
  type Keeps,
  type Kit,
  type ListPage,
  type ListedItem,
  type PaintedAs,
  type Paints,
  type Path,
  type Properties,
  type WordsHow,
} from '../../kinds/index.ts';
import { recipes } from '../../style/index.ts';
import { assetFile } from '../files/asset-file.ts';
import { placed, type Build } from './build.ts';
import { buttonRecipes } from './button-recipes.ts';
import { downloadFacts, downloadFile } from '../files/download-file.ts';
import { buttonIcon, icon } from './icon.ts';
import { originOf } from '../../collections/index.ts';
import { answerFile, formsOf } from '../forms/forms.ts';
import { anyPage, isMade } from '../files/published.ts';
import { shownItems, shownListPages } from './shown-items.ts';
import { hrefOf, inlineNodes, isAt } from './inline.ts';
import { logo } from './logo.ts';

/** The element of a block, with its places noted; an empty one for a block of a kind that nobody knows. */
export function blockElement(build: Build, block: Block): Element {
  return kindOf(block)?.tree(new BlockKit(build, block), block) ?? element('div', {});
}

/** The tools that kinds build with on a page: `build` notes every painted place. */
class BlockKit implements Kit {
  readonly paint: Paints;
  readonly #build: Build;
  readonly #block: Block;
  readonly #address: Path;

  constructor(build: Build, block: Block) {
    this.#build = build;
    this.#block = block;
    this.#address = [...build.address, 'blocks', block.id];
    this.paint = build.paints;
  }

  get overPicture(): boolean {
    return this.#build.over === 'picture';
  }

  htmlId(name: string): string {
    return this.#build.idHere(name).replace(':', '-');
  }

  painted(as: PaintedAs, className = '', more: Properties = {}): Properties {
    return placed(this.#place(as), className, more);
  }

  words(tag: string, part: string, at: Path, style: Path, how: WordsHow = {}): Element {
    const value = this.#value(at);
    // One link alone is edited by its text.
    const kept = typeof value === 'string' || Array.isArray(value) ? at : [...at, 'text'];
    const content =
      typeof value === 'string' ? [{ text: value }] : Array.isArray(value) ? (value as Inline[]) : [value as Inline];
    const set = this.#value(style) as string;
    const place = this.#build.place({
      id: this.#id(part),
      kind: 'text',
      label: labelled(how.called ?? this.#build.site.brand.styles[set]!.label, plainText(content)),
      level: how.level ?? null,
      recipes: this.#build.textRecipes(set, how.role),
      style: set,
      styled: [...this.#address, ...style],
      words: [...this.#address, ...kept],
      block: this.#address,
    });
    const id = this.#id(part);
    return element(
      tag,
      placed(place, how.className ?? '', how.attributes ?? {}),
      inlineNodes(this.#build, id.slice(0, id.lastIndexOf('/')), content, place),
    );
  }

  picture(part: string, at: Path, className: string): Element {
    const {
      asset: id,
      alt,
      keeps,
    } = this.#value(at) as { readonly asset: string; readonly alt: string; readonly keeps?: Keeps };
    return this.#shown(
      part === '' ? 'picture' : `${part}/picture`,
      id,
      alt,
      [...this.#address, ...at],
      className,
      keeps,
    );
  }

  #shown(part: string, id: string, alt: string, item: Path, className: string, keeps?: Keeps): Element {
    const { site } = this.#build;
    const asset = site.assets[id];
    const place = this.#build.place({
      id: this.#id(part),
      kind: 'picture',
      label: labelled('Image', alt),
      asset: id,
      block: this.#address,
      item,
      recipes: [recipes.corner('picture'), ...this.#build.edgeColor('picture'), ...this.#build.drawing(asset)],
    });
    const { className: kept, style } = keepsAs(keeps);
    return element(
      'img',
      placed(place, `${className}${kept}`, {
        src: asset ? assetFile(asset, site.brand) : undefined,
        width: asset?.width,
        height: asset?.height,
        alt: alt === '' ? undefined : alt,
        ...(alt === '' ? { role: 'presentation' } : {}),
        ...(style === undefined ? {} : { style }),
      }),
    );
  }

  button(part: string, at: Path, { submit }: { readonly submit: boolean } = { submit: false }): Element {
    const item = this.#value(at) as ButtonItem;
    const { site, ground } = this.#build;
    const address = [...this.#address, ...at];
    const place = this.#build.place({
      id: this.#id(part === '' ? item.id : `${part}/${item.id}`),
      kind: 'button',
      label: labelled('Button', item.label),
      style: site.brand.buttonStyle,
      canBeDisabled: submit,
      item: address,
      words: [...address, 'label'],
      block: this.#address,
      recipes: buttonRecipes(site.brand, ground, item.variant, item.size),
    });
    const inside = item.icon ? [buttonIcon(item.icon), item.label] : [item.label];
    if (site.brand.iconSide === 'after') inside.reverse();
    const className = item.icon ? 'button with-icon' : 'button';
    return submit
      ? element('button', placed(place, className, { type: 'submit' }), inside)
      : element('a', placed(place, className, { href: hrefOf(site, item.href) }), inside);
  }

  icon(part: string, name: IconName, beside: string): Element {
    const text = this.#build.idHere(this.#id(beside));
    return icon(
      this.#build,
      this.#id(part),
      name,
      this.#build.places.findLast((place) => place.id === text)!,
    );
  }

  logo(part: string): Element | undefined {
    return logo(this.#build, this.#id(part), this.#build.site.shared.header.name);
  }

  onSurface(
    as: Omit<PaintedAs, 'kind'>,
    className: string,
    ground?: string,
  ): { readonly kit: Kit; readonly properties: Properties } {
    const surface = this.#place({ ...as, kind: 'surface' });
    const build =
      ground === undefined ? this.#build.onto(surface, this.#build.ground, null) : this.#build.onto(surface, ground);
    return { kit: new BlockKit(build, this.#block), properties: placed(surface, className) };
  }

  items(query: ItemQuery): readonly ListedItem[] {
    return shownItems(this.#build.site, query, anyPage(this.#build.site, this.#build.page));
  }

  listPages(query: ItemQuery): readonly ListPage[] {
    const page = anyPage(this.#build.site, this.#build.page);
    return page ? shownListPages(this.#build.site, query, page) : [];
  }

  fieldNames({ collection }: ItemQuery, fields: readonly (string | undefined)[]): string[] {
    return fields.map((id) => this.#build.site.collections[collection]?.fields[id ?? '']?.label ?? '');
  }

  pageLinks(pages: readonly ListPage[], style: Path): Element[] {
    const set = this.#value(style) as string;
    return pages.map(({ number, href, here }) => {
      const place = this.#build.place({
        ...this.#common(`page/n${number}`),
        kind: 'link',
        label: `Page ${number} of the list`,
        recipes: [recipes.text(set), recipes.link(this.#build.ground)],
        style: set,
        styled: [...this.#address, ...style],
      });
      return element('li', {}, [
        element('a', placed(place, 'link', { href, ariaCurrent: here ? 'page' : undefined }), [String(number)]),
      ]);
    });
  }

  download(at: Path, label: Path, style: Path, factsStyle: Path): Element[] {
    const { site } = this.#build;
    const kept = site.downloads[this.#value(at) as string];
    const [words, set, fine] = [this.#value(label), this.#value(style), this.#value(factsStyle)].map(String) as [
      string,
      string,
      string,
    ];
    const link = this.#build.place({
      ...this.#common('link'),
      kind: 'link',
      label: labelled('Download', words),
      recipes: [recipes.text(set), recipes.link(this.#build.ground)],
      style: set,
      words: [...this.#address, ...label],
      styled: [...this.#address, ...style],
    });
    const facts = kept ? downloadFacts(kept) : '';
    const note = this.#build.place({
      ...this.#common('facts'),
      kind: 'text',
      label: labelled('Kind and size', facts),
      recipes: this.#build.textRecipes(fine),
      style: fine,
      styled: [...this.#address, ...factsStyle],
    });
    return [
      element('a', placed(link, 'link', { href: kept ? downloadFile(kept) : '#', download: kept ? '' : undefined }), [
        words,
      ]),
      element('span', placed(note), [facts]),
    ];
  }

  menu(style: Path): Element[] {
    const { header } = this.#build.site.shared;
    const page = anyPage(this.#build.site, this.#build.page);
    const set = this.#value(style) as string;
    const entries = (under: string | undefined): Element[] =>
      header.order
        .filter((id) => header.items[id]!.under === under)
        .map((id) => {
          const item = header.items[id]!;
          const place = this.#build.place({
            ...this.#common(`menu/${id}`),
            kind: 'menu',
            label: labelled('Menu', item.label),
            recipes: [recipes.text(set), recipes.menu(this.#build.ground)],
            style: set,
            words: ['shared', 'header', 'items', id, 'label'],
            styled: [...this.#address, ...style],
          });
          const lead = element(
            'a',
            placed(place, 'menu-link', {
              href: hrefOf(this.#build.site, item.link),
              ariaCurrent: page && isAt(item.link, page) ? 'page' : undefined,
            }),
            [item.label],
          );
          const within = under === undefined ? entries(id) : [];
          return element('li', {}, [lead, within.length > 0 ? element('ul', {}, within) : undefined]);
        });
    return entries(undefined);
  }

  itemWords(
    tag: string,
    part: string,
    { text, at, runs, href: own }: ItemWords,
    style: Path,
    {
      level = null,
      href = own,
      styledAt = style,
    }: { readonly level?: number | null; readonly href?: string; readonly styledAt?: Path },
  ): Element {
    const set = this.#value(style) as string;
    const build = this.#build;
    const place = build.place({
      id: this.#id(part),
      kind: 'text',
      label: labelled(build.site.brand.styles[set]!.label, text),
      level,
      recipes: build.textRecipes(set),
      style: set,
      styled: [...this.#address, ...styledAt],
      block: this.#address,
      ...(at === undefined ? {} : { words: at }),
    });
    if (href === undefined)
      return element(tag, placed(place), runs ? inlineNodes(build, this.#id(part), runs, place) : [text]);
    const link = build.place({
      id: this.#id(`${part}-link`),
      kind: 'link',
      label: labelled('Link', text),
      recipes: [recipes.link(build.ground)],
      inherits: place,
      inline: true,
      style: set,
    });
    return element(tag, placed(place), [element('a', placed(link, 'link', { href }), [text])]);
  }

  itemPicture(part: string, { asset: id, alt, at }: NonNullable<ListedItem['picture']>, className: string): Element {
    return this.#shown(part, id, alt, at, className);
  }

  answeredBy(): string | undefined {
    const page = anyPage(this.#build.site, this.#build.page);
    // All pages of items are answered by one.
    // A form in the footer of an answer page has the same answer as on other pages.
    if (page && isMade(page.id)) return formsOf(this.#build.site).find(({ form }) => form.id === this.#block.id)?.file;
    return page && answerFile(originOf(page), this.#block.id);
  }

  #place({ part, kind, label, paint, style, words, item }: PaintedAs) {
    return this.#build.place({
      id: this.#id(part),
      kind,
      label,
      recipes: [...paint],
      block: this.#address,
      ...(style === undefined ? {} : { style }),
      ...(words === undefined ? {} : { words: [...this.#address, ...words] }),
      ...(item === undefined ? {} : { item: [...this.#address, ...item] }),
    });
  }

  #common(part: string): { readonly id: string; readonly block: Path } {
    return { id: this.#id(part), block: this.#address };
  }

  #id(part: string): string {
    return `${this.#block.id}/${part}`;
  }

  #value(at: Path): unknown {
    let value: unknown = this.#block;
    for (const key of at) value = (value as Record<string, unknown>)[key];
    return value;
  }
}
