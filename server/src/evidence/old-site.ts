import { fromHtml } from 'hast-util-from-html';
import type { Nodes } from 'hast';
import { Unzip, UnzipInflate } from 'fflate';
import { plural } from '@yohaku/core';
import { EVIDENCE_FILES, EvidenceRefused } from './limits.ts';
import { attributeColor, readSheet } from './sheet.ts';
import { ColorTally } from './tally.ts';

/** A file that can be read for colours: a page or a sheet. */
const READABLE = /\.(html?|xhtml|css)$/i;

/**
 * Unpacks the pages and sheets of a zipped site, in the order of their names.
 * Sizes are counted while unpacking: what the archive says of itself is not believed.
 *
 * @throws EvidenceRefused for a broken archive, a path that leads outside it, too many files, or too much once unpacked
 */
export function unpackSite(bytes: Uint8Array): { files: Map<string, string>; left: string[] } {
  const parts = new Map<string, Uint8Array[]>();
  const left: string[] = [];
  let total = 0;
  let count = 0;
  let problem: EvidenceRefused | undefined;
  const unzip = new Unzip((file) => {
    if (problem) return;
    const name = file.name.replaceAll('\\', '/');
    if (name.startsWith('/') || /^[a-z]:/i.test(name) || name.split('/').includes('..')) {
      problem = new EvidenceRefused(`The archive holds a path that leads outside it (${name.slice(0, 60)}). Nothing of it was read; pack the folder anew.`);
      return;
    }
    if (name.endsWith('/')) return;
    if (++count > EVIDENCE_FILES.files) {
      problem = new EvidenceRefused(`The archive holds more than ${EVIDENCE_FILES.files} files. Pack only pages and sheets, and drop it again.`);
      return;
    }
    if (!READABLE.test(name) || /(^|\/)(__MACOSX|node_modules)\//.test(name)) {
      left.push(name);
      return;
    }
    const chunks: Uint8Array[] = [];
    file.ondata = (error, chunk) => {
      if (error) problem ??= new EvidenceRefused(`${name} in the archive is broken. Pack the folder anew and drop it again.`);
      if (problem) return;
      total += chunk.length;
      if (total > EVIDENCE_FILES.unpacked) {
        problem = new EvidenceRefused(`The archive holds more than ${EVIDENCE_FILES.unpacked / 1024 / 1024} MB once unpacked. Pack only pages and sheets, and drop it again.`);
        file.terminate();
        return;
      }
      chunks.push(chunk);
      parts.set(name, chunks);
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    // In pieces, so that an archive that swells is stopped on the way.
    for (let at = 0; at < bytes.length && !problem; at += 65_536) unzip.push(bytes.subarray(at, at + 65_536), at + 65_536 >= bytes.length);
  } catch {
    problem ??= new EvidenceRefused('The archive is broken. Pack the folder anew and drop it again.');
  }
  if (problem) throw problem;
  const files = new Map([...parts].sort(([one], [other]) => (one < other ? -1 : 1)).map(([name, chunks]) => [name, Buffer.concat(chunks).toString('utf8')]));
  return { files, left };
}

/** The colours of an old site's pages and sheets. */
export function readSite(files: ReadonlyMap<string, string>): { tally: ColorTally; notes: string[] } {
  const tally = new ColorTally();
  const notes: string[] = [];
  for (const [name, text] of files) {
    if (/\.css$/i.test(name)) notes.push(...readSheet(tally, name, text));
    else notes.push(...readPage(tally, name, text));
  }
  return { tally, notes: notes.slice(0, 12) };
}

/** Style elements, style attributes and old presentation attributes of one page. */
function readPage(tally: ColorTally, name: string, html: string): string[] {
  const notes: string[] = [];
  const visit = (node: Nodes): void => {
    if (node.type === 'element') {
      const { style } = node.properties;
      if (node.tagName === 'style') notes.push(...readSheet(tally, `${name}, styles`, node.children.map((child) => (child.type === 'text' ? child.value : '')).join('')));
      if (typeof style === 'string') notes.push(...readSheet(tally, `${name}, <${node.tagName}>`, `${node.tagName}{${style}}`));
      for (const [key, role] of [['bgColor', 'ground'], ['text', 'text'], ['color', 'text'], ['fill', 'ornament'], ['stroke', 'ornament']] as const) {
        const color = attributeColor(node.properties[key]);
        if (color) tally.count(color, role, `${key.toLowerCase()} of <${node.tagName}>`);
      }
    }
    if ('children' in node) for (const child of node.children) visit(child);
  };
  visit(fromHtml(html, { space: 'html' }));
  return notes;
}

/** What an archive held besides pages and sheets, in a sentence; nothing when it held nothing else. */
export function leftOut(left: readonly string[]): string[] {
  if (left.length === 0) return [];
  const pictures = left.filter((name) => /\.(png|jpe?g|webp|svg|gif|avif)$/i.test(name)).length;
  const others = left.length - pictures;
  return [`Left out: ${[pictures ? `${plural(pictures, 'picture')} (drop those that matter by themselves)` : '', others ? plural(others, 'other file') : ''].filter(Boolean).join(' and ')}.`];
}
