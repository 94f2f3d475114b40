import { SiteIssues, readSite, upcast, type Issue, type Site } from '@yohaku/core';

/** A document to read: bytes of JSON, or a value; `with` replaces some of its fields. */
export interface SiteOrder {
  readonly bytes?: Uint8Array;
  readonly document?: unknown;
  readonly with: Readonly<Record<string, unknown>>;
}

/** The site, or a sentence about the problem with the list of issues. */
export type SiteRead = { readonly site: Site } | { readonly problem: string; readonly issues: readonly Issue[] };

const NO_JSON = 'site.json is not JSON that can be read. Export the site again and import that file.';

/** Reads and checks a whole document. Runs in its own process, because a large site takes many seconds. */
export async function readSiteIsolated({ bytes, document, with: more }: SiteOrder): Promise<SiteRead> {
  try {
    const found = bytes ? upcast(parsed(bytes)) : document;
    if (typeof found !== 'object' || found === null || Array.isArray(found)) return { problem: NO_JSON, issues: [] };
    return { site: readSite({ ...found, ...more }) };
  } catch (error) {
    if (error instanceof SiteIssues)
      return {
        problem: `site.json: ${error.issues[0]!.path} ${error.issues[0]!.message}. Nothing was imported.`,
        issues: error.issues,
      };
    if (error instanceof SyntaxError) return { problem: NO_JSON, issues: [] };
    throw error;
  }
}

function parsed(bytes: Uint8Array): unknown {
  return JSON.parse(Buffer.from(bytes).toString('utf8')) as unknown;
}
