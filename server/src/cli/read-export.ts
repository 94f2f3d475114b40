import { readFile, readdir, stat } from 'node:fs/promises';
import { join, relative } from 'node:path';
import { unzipSync } from 'fflate';
import { fromHtml } from 'hast-util-from-html';
import type { Nodes } from 'hast';
import {
  SCHEMA_VERSION,
  SiteIssues,
  pageTree,
  readSite,
  recipeClass,
  stylesCss,
  tableFromCss,
  tokenTable,
  type Site,
  type TokenTable,
} from '@yohaku/core';
import { UseError } from './host.ts';

/** An exported site as its files say: the document, and the tokens of its `tokens.css`. */
export interface ReadExport {
  readonly site: Site;
  readonly table: TokenTable;
}

const FOREIGN = 'is not a site exported by Yohaku; reading foreign sites does not exist yet';

/** Reads a folder or zip. @throws UseError saying which file is missing or was edited beyond its tokens */
export async function readExport(path: string): Promise<ReadExport> {
  const files = (await stat(path)).isDirectory() ? await readFolder(path) : await readZip(path);
  const text = (name: string): string => {
    const bytes = files.get(name);
    if (!bytes) throw new UseError(`${path} ${FOREIGN} (${name} is missing).`);
    return Buffer.from(bytes).toString('utf8');
  };
  let site: Site;
  let older: boolean;
  try {
    const document = JSON.parse(text('site.json')) as { schemaVersion?: unknown };
    site = readSite(document);
    older = document.schemaVersion !== SCHEMA_VERSION || /--ground-/.test(text('tokens.css'));
  } catch (error) {
    if (error instanceof UseError) throw error;
    throw new UseError(
      `${path}: site.json ${error instanceof SiteIssues ? `${error.issues[0]!.path} ${error.issues[0]!.message}` : 'is not JSON'}.`,
    );
  }
  // Pages and styles of an older version are written otherwise today: its document and its tokens are what it says.
  if (older) return { site, table: tableFromCss(tokenTable(site.brand), text('tokens.css')) };
  if (text('styles.css') !== stylesCss(site))
    throw new UseError(`${path}: styles.css was edited by hand; only tokens.css may be. Export the site again.`);
  for (const id of site.pageOrder) checkPage(path, site, id, text(site.pages[id]!.file));
  return { site, table: tableFromCss(tokenTable(site.brand), text('tokens.css')) };
}

/** The page must paint the places of the document with the classes of the document. */
function checkPage(path: string, site: Site, id: string, html: string): void {
  const found = new Map<string, string>();
  const visit = (node: Nodes): void => {
    if (node.type === 'element' && node.properties['dataPlace']) {
      const classes = node.properties['className'];
      found.set(String(node.properties['dataPlace']), Array.isArray(classes) ? classes.join(' ') : '');
    }
    if ('children' in node) node.children.forEach(visit);
  };
  visit(fromHtml(html));
  for (const place of pageTree(site, id).places) {
    const classes = found.get(place.id)?.split(' ');
    if (!classes || place.recipes.some((recipe) => !classes.includes(recipeClass(recipe))))
      throw new UseError(
        `${path}: ${site.pages[id]!.file} was edited by hand (${place.id}); only tokens.css may be. Export the site again.`,
      );
    found.delete(place.id);
  }
  const [extra] = found.keys();
  if (extra)
    throw new UseError(
      `${path}: ${site.pages[id]!.file} has a place that the document has not (${extra}). Export the site again.`,
    );
}

async function readFolder(path: string): Promise<Map<string, Uint8Array>> {
  const files = new Map<string, Uint8Array>();
  for (const entry of await readdir(path, { recursive: true, withFileTypes: true }))
    if (entry.isFile() && /\.(html|css|json)$/.test(entry.name)) {
      const full = join(entry.parentPath ?? entry.path, entry.name);
      files.set(relative(path, full).replaceAll('\\', '/'), await readFile(full));
    }
  return files;
}

async function readZip(path: string): Promise<Map<string, Uint8Array>> {
  try {
    return new Map(
      Object.entries(
        unzipSync(await readFile(path), {
          filter: ({ name, originalSize }) => /\.(html|css|json)$/.test(name) && originalSize < 50_000_000,
        }),
      ),
    );
  } catch {
    throw new UseError(`${path} is neither a folder nor a zip that can be read.`);
  }
}
