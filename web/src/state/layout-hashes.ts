import { publishedPages, type Site } from '@yohaku/core';
import { layoutInputs } from './layout-inputs.ts';

/** A measurement made by another version says nothing: raise it whenever measuring changes. */
const VERSION = 'measured 2';
/** Pages that are hashed before the desk has its turn. */
const AT_ONCE = 40;

/** JSON with its keys in order: a database gives them back in another one. */
const stable = (value: unknown): string =>
  JSON.stringify(value, (_key, part: unknown) =>
    part && typeof part === 'object' && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([name], [other]) => (name < other ? -1 : 1)))
      : part,
  ) ?? '';

async function sha256(text: string): Promise<string> {
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text)));
  return [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/**
 * Returns the SHA-256 of what the layout of each published page hangs on, in hexadecimal, by page.
 * Null where the browser has no hashes: it gives them only to pages from this machine or over HTTPS.
 */
export async function layoutHashes(site: Site): Promise<Record<string, string> | null> {
  if (!crypto.subtle) return null;
  // Parts that pages share are hashed once.
  const parts = new Map<unknown, Promise<string>>();
  const partHash = (part: unknown): Promise<string> => {
    const known = parts.get(part);
    if (known) return known;
    const made = sha256(stable(part));
    parts.set(part, made);
    return made;
  };
  const hashes: Record<string, string> = {};
  for (const [i, { id }] of publishedPages(site).entries()) {
    if (i % AT_ONCE === AT_ONCE - 1) await new Promise((resolve) => setTimeout(resolve));
    hashes[id] = await sha256([VERSION, id, ...(await Promise.all(layoutInputs(site, id).map(partHash)))].join(' '));
  }
  return hashes;
}
