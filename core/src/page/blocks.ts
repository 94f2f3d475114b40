import type { Element } from 'hast';
import type { Block, BlockOf, Brand, ButtonItem, Inline } from '../site/index.ts';
import { recipes, type Recipe } from '../style/index.ts';
import { blockAddress, element, labelled, placed, type Build } from './build.ts';
import { hrefOf, inlineNodes, plainText } from './inline.ts';
import { buttonIcon, icon } from './icon.ts';
import { logo } from './logo.ts';
import { assetFile } from './asset-file.ts';

/** The element of a block, with its places noted. */
export function blockElement(build: Build, block: Block): Element {
  switch (block.kind) {
    case 'text': return text(build, block);
    case 'picture': return captioned(build, block);
    case 'quote': return quote(build, block);
    case 'buttons': return element('div', { className: 'buttons' }, block.order.map((id) => button(build, block.id, block.items[id]!, [...blockAddress(build, block.id), 'items', id])));
    case 'list': return list(build, block);
    case 'table': return table(build, block);
    case 'cards': return cards(build, block);
    case 'form': return form(build, block);
    case 'figures': return figures(build, block);
    case 'logo': return logo(build, `${block.id}/logo`, build.site.shared.header.name) ?? element('div', {});
    case 'rule': {
      const place = build.place({ id: `${block.id}/rule`, kind: 'rule', label: 'Rule', recipes: [recipes.rule(build.ground), recipes.line('start')] });
      return element('hr', placed(place, 'line'));
    }
  }
}

/** A paragraph or heading: the style's name is its kind in lists. */
function words(build: Build, tag: string, id: string, block: string, style: string, content: readonly Inline[], options: { level?: number | null; words?: readonly string[]; className?: string; slot?: string } = {}): Element {
  const place = build.place({
    id, kind: 'text', label: labelled(build.site.brand.styles[style]!.label, plainText(content)),
    recipes: build.textRecipes(style, options.slot), style, level: options.level ?? null, ...(options.words ? { words: options.words } : {}),
  });
  return element(tag, placed(place, options.className ?? ''), inlineNodes(build, block, content, place));
}

function text(build: Build, block: BlockOf<'text'>): Element {
  const tag = block.level === null ? 'p' : `h${block.level}`;
  return words(build, tag, `${block.id}/text`, block.id, block.style, block.content, { level: block.level, words: [...blockAddress(build, block.id), 'content'] });
}

function picture(build: Build, id: string, assetId: string, alt: string, className: string): Element {
  const asset = build.site.assets[assetId];
  const place = build.place({ id: `${id}/picture`, kind: 'picture', label: labelled('Picture', alt), asset: assetId, recipes: [build.corner('picture'), ...build.edgeColor('picture'), ...build.drawing(asset)] });
  return element('img', placed(place, className, { src: asset ? assetFile(asset, build.site.brand) : undefined, width: asset?.width, height: asset?.height, alt: alt === '' ? undefined : alt, ...(alt === '' ? { role: 'presentation' } : {}) }));
}

/** A picture, with its caption in a figure when it has one. */
function captioned(build: Build, block: BlockOf<'picture'>): Element {
  const shown = picture(build, block.id, block.asset, block.alt, `picture ${block.shape}`);
  if (!block.caption) return shown;
  const { style, content } = block.caption;
  return element('figure', { className: 'captioned' }, [shown, words(build, 'figcaption', `${block.id}/caption`, block.id, style, content, { words: [...blockAddress(build, block.id), 'caption', 'content'] })]);
}

/** Words of somebody else, and whose they are. */
function quote(build: Build, block: BlockOf<'quote'>): Element {
  const said = element('blockquote', {}, [words(build, 'p', `${block.id}/text`, block.id, block.style, block.content, { words: [...blockAddress(build, block.id), 'content'] })]);
  return element('figure', { className: 'quote' }, [said, block.source === '' ? undefined : words(build, 'figcaption', `${block.id}/source`, block.id, block.sourceStyle, [{ text: block.source }])]);
}

/** What a button is painted by. */
export const buttonRecipes = (brand: Brand, ground: string, variant: string, size: string): Recipe[] => [recipes.text(brand.buttonStyle), recipes.corner('button'), recipes.buttonSize(size), recipes.button(variant, ground)];

function button(build: Build, block: string, item: ButtonItem, address: readonly string[], submit = false): Element {
  const style = build.site.brand.buttonStyle;
  const place = build.place({
    id: `${block}/${item.id}`, kind: 'button', label: labelled('Button', item.label), style, canBeDisabled: submit, item: address,
    recipes: buttonRecipes(build.site.brand, build.ground, item.variant, item.size),
  });
  const words = item.icon ? [buttonIcon(item.icon), item.label] : [item.label];
  if (build.site.brand.iconSide === 'after') words.reverse();
  const className = item.icon ? 'button with-icon' : 'button';
  return submit
    ? element('button', placed(place, className, { type: 'button' }), words)
    : element('a', placed(place, className, { href: hrefOf(build.site, item.href) }), words);
}

function list(build: Build, block: BlockOf<'list'>): Element {
  return element(block.ordered ? 'ol' : 'ul', { className: block.icon ? 'list with-icons' : 'list' }, block.order.map((id) => {
    const base = `${block.id}/${id}`;
    const item = words(build, 'li', `${base}/text`, base, block.style, block.items[id]!.content, { words: [...blockAddress(build, block.id), 'items', id, 'content'] });
    if (block.icon) item.children.unshift(icon(build, `${base}/icon`, block.icon, build.places.findLast((one) => one.id === build.idHere(`${base}/text`))!));
    return item;
  }));
}

function table(build: Build, block: BlockOf<'table'>): Element {
  const rule = recipes.rule(build.ground);
  const cell = (tag: string, id: string, style: string, value: string, scope?: string, on = build): Element => {
    const place = on.place({ id, kind: 'cell', label: labelled(tag === 'td' ? 'Cell' : 'Column head', value), recipes: [...build.textRecipes(style), rule, recipes.line('end')], style });
    return element(tag, placed(place, '', scope ? { scope } : {}), [value]);
  };
  const columns = block.columnOrder;
  const caption = block.caption === '' ? undefined : words(build, 'caption', `${block.id}/caption`, block.id, block.headStyle, [{ text: block.caption }]);
  const head = element('thead', {}, [element('tr', {}, columns.map((id) => cell('th', `${block.id}/head/${id}`, block.headStyle, block.columns[id]!.label, 'col')))]);
  const body = element('tbody', {}, block.order.map((row, i) => {
    // Every second row stands on a stripe; over a picture there is none, it would hide the picture.
    const stripe = i % 2 === 1 && build.over !== 'picture'
      ? build.place({ id: `${block.id}/${row}/stripe`, kind: 'surface', label: labelled('Table stripe', block.items[row]!.cells[columns[0]!] ?? ''), recipes: [recipes.stripe(build.ground)] })
      : undefined;
    const on = stripe ? build.onto(stripe, build.ground, null) : build;
    return element('tr', stripe ? placed(stripe) : {}, columns.map((id) => cell('td', `${block.id}/${row}/${id}`, block.style, block.items[row]!.cells[id] ?? '', undefined, on)));
  }));
  return element('div', { className: 'table-wrap', tabIndex: 0, role: 'region', ariaLabel: block.caption || 'Table' }, [element('table', {}, [caption, head, body])]);
}

function cards(build: Build, block: BlockOf<'cards'>): Element {
  const inset = build.spaceFor('card');
  const items = block.order.map((id) => {
    const card = block.items[id]!;
    const base = `${block.id}/${id}`;
    const surface = build.place({
      id: `${base}/surface`, kind: 'surface', label: labelled('Card', card.heading),
      recipes: [recipes.surface(block.ground), ...(inset ? [recipes.inset(inset)] : []), build.corner('card'), ...build.edgeColor('card')],
    });
    const on = build.onto(surface, block.ground);
    const address = [...blockAddress(build, block.id), 'items', id];
    return element('li', placed(surface, 'card'), [
      card.picture ? picture(on, base, card.picture.asset, card.picture.alt, 'picture wide') : undefined,
      words(on, block.headingLevel === null ? 'p' : `h${block.headingLevel}`, `${base}/heading`, base, block.headingStyle, [{ text: card.heading }], { level: block.headingLevel }),
      words(on, 'p', `${base}/text`, base, block.textStyle, card.content, { words: [...address, 'content'] }),
      card.link ? words(on, 'p', `${base}/more-line`, base, block.textStyle, [card.link]) : undefined,
      card.button ? element('div', { className: 'buttons' }, [button(on, base, card.button, [...address, 'button'])]) : undefined,
    ]);
  });
  return element('ul', { className: `cards across-${block.across}` }, items);
}

function form(build: Build, block: BlockOf<'form'>): Element {
  const rows = block.order.map((id) => {
    const field = block.items[id]!;
    const base = `${block.id}/${id}`;
    // An id of HTML: once a page as well.
    const control = build.idHere(`${block.id}-${id}`).replace(':', '-');
    const label = build.place({ id: `${base}/label`, kind: 'text', label: labelled('Field label', field.label), recipes: build.textRecipes(block.labelStyle, 'label'), style: block.labelStyle });
    const place = build.place({
      id: `${base}/field`, kind: 'field', label: labelled('Field', field.label), style: block.labelStyle,
      recipes: [recipes.text(block.labelStyle), build.corner('field'), recipes.field(build.ground)],
    });
    const common = { id: control, name: id, ariaDescribedBy: [field.help && `${control}-help`, field.error && `${control}-error`].filter(Boolean).join(' ') || undefined };
    const input =
      field.kind === 'area' ? element('textarea', placed(place, 'field area', { ...common, rows: 4 }))
      : field.kind === 'select' ? element('select', placed(place, 'field', common), field.options.map((option) => element('option', {}, [option])))
      : field.kind === 'check' ? element('input', placed(place, 'field check', { ...common, type: 'checkbox' }))
      : element('input', placed(place, 'field', { ...common, type: field.kind }));
    const help = field.help === '' ? undefined : element('p', { id: `${control}-help`, className: 'help' }, [
      words(build, 'span', `${base}/help`, base, block.helpStyle, [{ text: field.help }], { className: 'block', slot: 'help' }),
    ]);
    const error = field.error ? element('p', { id: `${control}-error`, className: 'error' }, [
      words(build, 'span', `${base}/error`, base, block.helpStyle, [{ text: field.error }], { className: 'block', slot: 'error' }),
    ]) : undefined;
    return element('div', { className: `row ${field.kind === 'check' ? 'row-check' : ''}`.trim() }, [
      element('label', placed(label, '', { htmlFor: control }), [field.label]), input, error, help,
    ]);
  });
  return element('form', { className: 'form' }, [...rows, element('div', { className: 'buttons' }, [button(build, block.id, block.submit, [...blockAddress(build, block.id), 'submit'], true)])]);
}

function figures(build: Build, block: BlockOf<'figures'>): Element {
  return element('dl', { className: 'figures' }, block.order.map((id) => {
    const { value, label } = block.items[id]!;
    const base = `${block.id}/${id}`;
    return element('div', {}, [
      words(build, 'dt', `${base}/label`, base, block.labelStyle, [{ text: label }]),
      words(build, 'dd', `${base}/value`, base, block.valueStyle, [{ text: value }]),
    ]);
  }));
}
