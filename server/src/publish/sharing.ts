import { SHARING, firstItem, sharingCard, sharingFile, type FontFace, type SharingCard, type Site } from '@yohaku/core';
import type { Isolated } from '../isolated/index.ts';
import { contentHash } from '../assets/index.ts';
import type { SharingOrder } from './sharing-isolated.ts';

const LIMITS = { seconds: 120, megabytes: 1500 };
const TOLD = {
  tooLong: 'The sharing images take too long to be drawn.',
  tooMuch: 'The sharing images take too much memory to be drawn.',
};
/** Pictures that were drawn last: most pages are as they were at the publication before. */
const drawn = new Map<string, Buffer>();
const MOST_FOREIGN = 1000;
const AT_ONCE = 100;

type BytesOf = (face: FontFace) => Promise<Buffer | undefined>;

/** The picture for sharing of one page, as it is made where the page names none; undefined when it cannot be drawn. */
export async function sharingPicture(
  apart: Isolated,
  site: Site,
  page: string,
  bytesOf: BytesOf,
): Promise<Buffer | undefined> {
  return (await draw(apart, [sharingCard(site, page)], bytesOf))[0];
}

/** Pictures for sharing of all pages that name none, by their file. */
export async function sharingPictures(apart: Isolated, site: Site, bytesOf: BytesOf): Promise<Map<string, Buffer>> {
  const pages = site.pageOrder
    .map((id) => site.pages[id]!)
    .filter((page) => page.picture === undefined || firstItem(site, page.id));
  const bytes = await draw(
    apart,
    pages.map(({ id }) => sharingCard(site, id)),
    bytesOf,
  );
  return new Map(pages.flatMap((page, i) => (bytes[i] ? [[sharingFile(page), bytes[i]] as const] : [])));
}

async function draw(apart: Isolated, cards: readonly SharingCard[], bytesOf: BytesOf): Promise<(Buffer | undefined)[]> {
  const keys = cards.map(({ faces, ...card }) => contentHash(JSON.stringify([card, faces.map(({ file }) => file)])));
  const missing = cards
    .map((card, i) => ({ card, key: keys[i]! }))
    .filter(({ key }, i) => !drawn.has(key) && keys.indexOf(key) === i);
  for (let at = 0; at < missing.length; at += AT_ONCE) {
    const part = missing.slice(at, at + AT_ONCE);
    const orders = await Promise.all(
      part.map(async ({ card: { faces, uppercase, title, ...card } }): Promise<SharingOrder> => ({
        ...SHARING,
        ...card,
        title: uppercase ? title.toUpperCase() : title,
        fonts: (await Promise.all(faces.map(bytesOf))).filter((entry) => entry !== undefined),
      })),
    );
    const answer = await apart.run<Uint8Array[]>('sharing', orders, LIMITS, TOLD);
    // A page goes out without one rather than not at all.
    if ('refused' in answer) continue;
    part.forEach(({ key }, i) => {
      if (drawn.size >= MOST_FOREIGN) drawn.delete(drawn.keys().next().value!);
      drawn.set(key, Buffer.from(answer.given[i]!));
    });
  }
  return keys.map((key) => drawn.get(key));
}
