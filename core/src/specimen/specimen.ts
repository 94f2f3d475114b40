import type { Element } from 'hast';
import { toHtml } from 'hast-util-to-html';
import { element } from '../kinds/index.ts';
import { pageTree, withCommonEnds } from '../page/index.ts';
import type { Site } from '../site/index.ts';
import { recipes, tokensCss } from '../style/index.ts';
import { siteFontsCss, stylesCss } from '../render/index.ts';
import { groundParts, logoPart, palettePart } from './colours.ts';
import { SpecimenFrame, classes, type SpecimenPart } from './frame.ts';
import { leftOut, leftOutWords } from './left-out.ts';
import { buttonsPart, ladderPart, spacePart, stylesPart } from './shapes.ts';

/** The CSS that only the specimen needs: it places samples side by side and keeps them whole on paper. */
export const SPECIMEN_CSS = `
.specimen { padding-block: 32px; }
.specimen .samples { display: grid; grid-template-columns: repeat(auto-fill, minmax(150px, 1fr)); gap: 24px; padding-block: 12px; }
.specimen .sample { height: 72px; margin-block-end: 6px; border-width: 1px; border-style: solid; }
.specimen .caption { max-width: none; overflow-wrap: anywhere; }
.specimen .on-background { padding: 16px; margin-block: 8px; }
.specimen .style { padding-block: 12px; break-inside: avoid; }
.specimen .style > p:first-child, .specimen .ladder { overflow-wrap: anywhere; }
.specimen .ladder span { margin-inline-end: 0.25em; }
.specimen .corner { height: 72px; border-width: 1px; border-style: solid; }
.specimen .spaces { display: flex; gap: 8px; align-items: flex-end; }
.specimen .space { flex: 1; border-width: 1px; border-style: solid; }
@media print {
  @page { margin: 14mm; }
  * { print-color-adjust: exact; -webkit-print-color-adjust: exact; }
  .specimen li, .specimen .on-background, .specimen .buttons, tr, .row, h2, h3 { break-inside: avoid; }
  h2, h3 { break-after: avoid; }
}
`;

/**
 * Everything the brand has, part by part, always made from its tokens as they are; at the end what the pages use
 * besides.
 */
export function specimenParts(site: Site): SpecimenPart[] {
  const frame = new SpecimenFrame(site);
  const shared = [pageTree(withCommonEnds(site), site.pageOrder[0]!).parts[0]!].map((part): SpecimenPart => ({
    id: 'menu',
    label: 'Header',
    element: { ...part.element, properties: { ...part.element.properties, dataPart: 'menu' } },
  }));
  const logos = logoPart(site, frame);
  const parts: SpecimenPart[] = [
    ...shared,
    title(site, frame),
    ...(logos ? [logos] : []),
    palettePart(site, frame),
    stylesPart(site, frame),
    ladderPart(site, frame),
    ...groundParts(site),
    buttonsPart(site, frame),
    spacePart(site, frame),
  ];
  const left = leftOut(site, parts);
  return [
    ...parts,
    frame.part(
      'left-out',
      'On the pages but not in this specimen',
      left.length === 0
        ? [frame.caption('Nothing. The specimen shows everything that the pages use.')]
        : [
            element(
              'ul',
              {},
              left.map((entry) => element('li', {}, [frame.caption(leftOutWords(entry))])),
            ),
          ],
    ),
  ];
}

function title(site: Site, frame: SpecimenFrame): SpecimenPart {
  const { brand } = site;
  const first = brand.styleOrder.find((id) => brand.styles[id]!.levels.includes(1)) ?? brand.styleOrder[0]!;
  const part = frame.part('title', 'Specimen', []);
  const heading: Element = element(
    'h1',
    { className: classes(recipes.text(first), recipes.role(frame.ground, 'heading')) },
    [`Specimen of ${site.name}`],
  );
  return {
    ...part,
    element: {
      ...part.element,
      children: [
        element('div', { className: 'cols cols-1 arranged-even' }, [element('div', { className: 'col' }, [heading])]),
      ],
    },
  };
}

/**
 * The specimen as a page of its own, with the site's stylesheets beside it, or
 * by itself with all of its styles within.
 *
 * @param fonts where the font files lie; given, the page stands by itself
 */
export function specimenHtml(site: Site, fonts?: string): string {
  const styles =
    fonts === undefined
      ? '<link rel="stylesheet" href="fonts.css"><link rel="stylesheet" href="tokens.css"><link rel="stylesheet" href="styles.css">'
      : `<style>${siteFontsCss(site, fonts)}${tokensCss(site.brand)}${stylesCss(site)}</style>`;
  return `<!doctype html>\n<html lang="${site.language}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Specimen, ${escape(site.name)}</title><link rel="icon" href="data:,">${styles}<style>${SPECIMEN_CSS}</style></head>\n<body class="${specimenBody(site)}">${specimenBodyHtml(site)}</body></html>\n`;
}

/** Inner HTML of the specimen's body: its header, then all other parts as the main thing. */
export function specimenBodyHtml(site: Site): string {
  const [header, ...parts] = specimenPartsHtml(site).map((part) => part.html);
  return `${header}\n<main>\n${parts.join('\n')}\n</main>`;
}

/** The parts of the specimen with their keys, as HTML. */
export function specimenPartsHtml(
  site: Site,
): { readonly id: string; readonly label: string; readonly html: string }[] {
  return specimenParts(site).map(({ id, label, element: node }) => ({ id, label, html: toHtml(node) }));
}

/** Classes of the specimen's own surface. */
export function specimenBody(site: Site): string {
  return classes(recipes.background(site.shared.header.ground));
}

const escape = (text: string): string => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
