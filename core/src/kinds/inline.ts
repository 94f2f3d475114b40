import * as v from 'valibot';
import { byField, Copy, Id, PathSegment, text } from '../fields/index.ts';
import { asLink, asWords, refTo } from './meaning.ts';

/** Where a link leads: a page of the site by id, a download, or an address. Scripts and unknown schemes are refused. */
export const Href = asLink(
  v.variant('to', [
    v.strictObject({
      to: v.literal('page'),
      page: refTo('page', 'Page'),
      /** The name of a section there; a page without it is shown from its top. */ anchor: v.optional(PathSegment),
      /**
       * The item that is meant, where the page is the one that items have one like; one that is gone leads to the page.
       */
      item: v.optional(Id),
    }),
    v.strictObject({ to: v.literal('download'), download: refTo('download', 'Download') }),
    v.strictObject({
      to: v.literal('url'),
      url: v.pipe(
        text(500),
        v.regex(/^(https?:\/\/|mailto:|tel:|#)/i, 'must start with https://, http://, mailto:, tel: or #'),
      ),
    }),
  ]),
);
export type Href = v.InferOutput<typeof Href>;

/** A run of text in a paragraph. Links and marked words carry their own id; strong and emphasis do not. */
export const Inline = byField([
  ['link', v.strictObject({ id: Id, link: Href, text: Copy })],
  ['marked', v.strictObject({ id: Id, marked: v.literal(true), text: Copy })],
  [null, v.strictObject({ text: Copy, mark: v.optional(v.picklist(['strong', 'em'])) })],
]);
export type Inline = v.InferOutput<typeof Inline>;

const Runs = v.pipe(v.array(Inline), v.maxLength(200));
/** Running words. */
export const Content = asWords(Runs);
/** Words that are a heading where the field `level` beside them says of which level. */
export const contentAtLevel = (level: string) => asWords(Runs, level);

/** The words of a paragraph without its marks. */
export function plainText(content: readonly Inline[]): string {
  return content.map((run) => run.text).join('');
}

/** An address as a link; undefined for one that is none, or is a script. */
export function hrefIs(url: string): Href | undefined {
  const read = v.safeParse(Href, { to: 'url', url: url.trim() });
  return read.success ? read.output : undefined;
}

/** A link to a page of the site. */
export const pageLink = (page: string) => ({ to: 'page', page }) satisfies Href;
