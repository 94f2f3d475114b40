import * as v from 'valibot';
import { Copy, Id } from '../fields/index.ts';
import { element, labelled } from './element.ts';
import { Href } from './inline.ts';
import { kindOfBlock } from './kind.ts';
import { asLine, choiceOf, nameOf, refTo } from './meaning.ts';

const SHAPES = ['wide', 'square', 'tall'] as const;

/**
 * Something from elsewhere: a film, a map, a booking. It goes out as a labelled stand-in with a
 * link to it, and asks nothing of anybody else before it is pressed, unless it is allowed to be
 * shown within the page. Its inside is out of reach of the brand.
 */
export const embed = kindOfBlock(
  'embed',
  {
    ground: refTo('ground', 'Background', true),
    style: refTo('style', 'Style', true),
    title: nameOf('heading'),
    shape: choiceOf(v.picklist(SHAPES), 'Shape', SHAPES, { looks: false, offered: true }),
    more: v.strictObject({ id: Id, link: Href, text: asLine(Copy, null) }),
    inside: v.optional(
      choiceOf(v.literal(true), 'Published as', [{ value: true, label: 'embedded' }], {
        looks: false,
        offered: true,
        none: 'link',
      }),
    ),
  },
  {
    label: 'Embed',
    column: 'parts',
    tree(kit, { ground, title, shape, more, inside }) {
      const { paint } = kit;
      const { kit: on, properties } = kit.onSurface(
        {
          part: 'surface',
          label: labelled('Embed', title),
          paint: [paint.background(ground), ...paint.inset(), paint.corner('picture')],
        },
        `embed ${shape}`,
        ground,
      );
      // The embedded page is written only when the site is published; on the desk each look would load it.
      return element(
        'div',
        inside && more.link.to === 'url'
          ? { ...properties, dataInside: more.link.url, dataInsideTitle: title }
          : properties,
        [on.words('p', 'title', ['title'], ['style']), on.words('p', 'line', ['more'], ['style'])],
      );
    },
    css: `.embed { position: relative; display: flex; flex-direction: column; align-items: center; justify-content: center; text-align: center; }
.embed > iframe { position: absolute; inset: 0; width: 100%; height: 100%; border: 0; }
.embed.wide { aspect-ratio: 16 / 9; }
.embed.square { aspect-ratio: 1; }
.embed.tall { aspect-ratio: 3 / 4; }
`,
    samples: ({ styles, ground }) => [
      {
        name: 'embed',
        ground: ground.id,
        style: styles.running,
        title: 'Video',
        shape: 'wide' as const,
        more: { id: 'there', link: { to: 'url' as const, url: 'https://example.org/film' }, text: 'Watch the video' },
      },
    ],
  },
);
