import type { Element } from 'hast';
import { element, labelled, plainText } from '../../kinds/index.ts';
import { homePage, type MenuItem, type Page, type Site } from '../../site/index.ts';
import { recipes } from '../../style/index.ts';
import { Build, placed } from './build.ts';
import { buttonRecipes } from './button-recipes.ts';
import { hrefOf, inlineNodes, isAt } from './inline.ts';
import { logo } from './logo.ts';
import type { Place } from './place.ts';
import type { PagePart } from './part.ts';

/**
 * The header of a page: the name or logo, which leads to the home page, and the menu.
 *
 * @param over the section over whose picture it lies, by its surface; else it stands on a ground of its own
 */
export function headerPart(
  site: Site,
  page: Page,
  body: Place,
  over?: { readonly surface: Place; readonly ground: string },
): PagePart {
  const { header } = site.shared;
  const ground = over?.ground ?? header.ground;
  const outer = new Build(
    site,
    page.id,
    'header',
    ground,
    over?.surface ?? body,
    over ? 'picture' : null,
    ['shared', 'header'],
    'once',
  );
  const gutter = outer.spaceFor('gutter');
  const surface = outer.place({
    id: `${header.id}/surface`,
    kind: 'surface',
    label: 'Header',
    recipes: [
      ...(over ? [] : [recipes.background(ground)]),
      ...(gutter && !header.notice ? [recipes.gutter(gutter)] : []),
    ],
  });
  const build = over ? outer : outer.onto(surface, ground);
  const notice = header.notice ? noticeLine(build, header.notice, gutter) : undefined;
  // A notice goes from edge to edge: then what is below it keeps its distance from the sides by itself.
  const inner =
    header.notice && gutter
      ? build.place({
          id: `${header.id}/inner`,
          kind: 'surface',
          label: 'Name and menu',
          recipes: [recipes.gutter(gutter)],
        })
      : undefined;
  const alone = site.shared.logo?.named === false;
  const mark = logo(build, `${header.id}/logo`, alone ? header.name : '');
  const name = alone
    ? build.place({
        id: `${header.id}/name`,
        kind: 'logo',
        label: 'Logo, to the home page',
        recipes: [recipes.menu(ground)],
        states: ['rest', 'hover', 'focus'],
      })
    : build.place({
        id: `${header.id}/name`,
        kind: 'menu',
        label: labelled('Site name', header.name),
        recipes: [recipes.text(header.nameStyle), recipes.menu(ground)],
        style: header.nameStyle,
        words: ['shared', 'header', 'name'],
        styled: ['shared', 'header', 'nameStyle'],
      });
  const items = header.order
    .filter((id) => header.items[id]!.under === undefined)
    .map((id) =>
      entry(
        build,
        header.items[id]!,
        page,
        header.order.filter((item) => header.items[item]!.under === id),
      ),
    );
  // Folded, the menu stands where it stood once it is opened: by what says so, without script.
  const opens =
    header.fold === undefined || header.order.length === 0
      ? undefined
      : build.place({
          id: `${header.id}/fold`,
          kind: 'menu',
          label: labelled('Opens the menu', header.fold),
          recipes: [recipes.text(header.menuStyle), recipes.menu(ground)],
          style: header.menuStyle,
          words: ['shared', 'header', 'fold'],
          styled: ['shared', 'header', 'menuStyle'],
          hidden: ['tablet', 'desktop'],
        });
  const bar = element('div', { className: 'bar' }, [
    element('a', placed(name, 'site-name', { href: homePage(site)?.file ?? '#' }), [
      mark,
      alone ? undefined : header.name,
    ]),
    opens
      ? element('details', { className: 'fold' }, [element('summary', placed(opens, 'menu-link'), [header.fold!])])
      : undefined,
    element('nav', { ariaLabel: 'Main' }, [element('ul', { className: 'menu' }, items)]),
  ]);
  const node = element(
    'header',
    placed(
      surface,
      [
        'header',
        ...(header.arrangement ? [`name-${header.arrangement}`] : []),
        ...(over ? ['over-first'] : header.stays ? ['stays'] : []),
      ].join(' '),
      { dataPart: 'header' },
    ),
    [notice, inner ? element('div', placed(inner), [bar]) : bar],
  );
  return { id: 'header', label: 'Header', shared: true, element: node, places: outer.places };
}

/** The line above name and menu, on a ground of its own from edge to edge. */
function noticeLine(
  build: Build,
  { ground, style, content }: NonNullable<Site['shared']['header']['notice']>,
  gutter: string | undefined,
): Element {
  const { header } = build.site.shared;
  const surface = build.place({
    id: `${header.id}/notice`,
    kind: 'surface',
    label: 'Notice line',
    recipes: [recipes.background(ground), ...(gutter ? [recipes.gutter(gutter)] : [])],
  });
  const on = build.onto(surface, ground);
  const address = ['shared', 'header', 'notice'];
  const words = on.place({
    id: `${header.id}/notice-words`,
    kind: 'text',
    label: labelled('Notice', plainText(content)),
    recipes: on.textRecipes(style),
    style,
    styled: [...address, 'style'],
    words: [...address, 'content'],
    block: address,
  });
  return element('div', placed(surface, 'notice'), [
    element('p', placed(words), inlineNodes(on, header.id, content, words)),
  ]);
}

/** An entry of the menu; one with others under it opens a list, without script, in which it stands first itself. */
function entry(build: Build, item: MenuItem, page: Page, under: readonly string[]): Element {
  const { header } = build.site.shared;
  if (under.length === 0) return element('li', {}, [leading(build, item, page)]);
  const opener = build.place({ ...menuSpec(build, item, `${header.id}/${item.id}/opener`) });
  const list = build.place({
    id: `${header.id}/${item.id}/list`,
    kind: 'surface',
    label: labelled('Under', item.label),
    recipes: [recipes.background(build.ground), recipes.corner('card')],
  });
  const inside = build.onto(list, build.ground);
  const entries = [item, ...under.map((id) => header.items[id]!)].map((candidate) =>
    element('li', {}, [leading(inside, candidate, page)]),
  );
  return element('li', { className: 'menu-more' }, [
    element('details', {}, [
      element('summary', placed(opener, 'menu-link'), [item.label]),
      element('ul', placed(list, 'menu-under'), entries),
    ]),
  ]);
}

function leading(build: Build, item: MenuItem, page: Page): Element {
  const { site } = build;
  const { header } = site.shared;
  const href = hrefOf(site, item.link);
  if (item.look) {
    const { variant, size } = item.look;
    const address = ['shared', 'header', 'items', item.id];
    const place = build.place({
      id: `${header.id}/${item.id}`,
      kind: 'button',
      label: labelled('Button', item.label),
      style: site.brand.buttonStyle,
      words: [...address, 'label'],
      recipes: buttonRecipes(site.brand, build.ground, variant, size),
    });
    return element('a', placed(place, 'button', { href }), [item.label]);
  }
  return element(
    'a',
    placed(build.place(menuSpec(build, item, `${header.id}/${item.id}`)), 'menu-link', {
      href,
      ariaCurrent: isAt(item.link, page) ? 'page' : undefined,
    }),
    [item.label],
  );
}

function menuSpec(build: Build, item: MenuItem, id: string): Parameters<Build['place']>[0] {
  const { header } = build.site.shared;
  return {
    id,
    kind: 'menu',
    label: labelled('Menu', item.label),
    recipes: [recipes.text(header.menuStyle), recipes.menu(build.ground)],
    style: header.menuStyle,
    words: ['shared', 'header', 'items', item.id, 'label'],
    styled: ['shared', 'header', 'menuStyle'],
  };
}
