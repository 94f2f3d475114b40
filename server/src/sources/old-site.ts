import { fromHtml } from 'hast-util-from-html';
import type { Nodes } from 'hast';
import { plural } from '@yohaku/core';
import { unpack, type ArchiveFault } from '../archive/index.ts';
import { SOURCE_FILES, SourceRefused } from './limits.ts';
import { attributeColor, readStyleSheet } from './style-sheet.ts';
import { ColorTally } from './tally.ts';

/** A file that can be read for colours: a page or a sheet. */
const READABLE = /\.(html?|xhtml|css)$/i;

/**
 * Unpacks the pages and sheets of a zipped site, in the order of their names.
 *
 * @throws SourceRefused for a broken archive, a path that leads outside it, too many files, or too much once unpacked
 */
export function unpackSite(bytes: Uint8Array): { files: Map<string, string>; left: readonly string[] } {
  const unpacked = unpack(
    bytes,
    SOURCE_FILES,
    (name) => READABLE.test(name) && !/(^|\/)(__MACOSX|node_modules)\//.test(name),
  );
  if ('fault' in unpacked) throw new SourceRefused(faultWords(unpacked.fault));
  return {
    files: new Map([...unpacked.files].map(([name, content]) => [name, Buffer.from(content).toString('utf8')])),
    left: unpacked.left,
  };
}

function faultWords(fault: ArchiveFault): string {
  switch (fault.kind) {
    case 'broken':
      return 'The archive is broken. Pack the folder again and drop it here.';
    case 'outside':
      return `The archive holds a path that leads outside it (${fault.name.slice(0, 60)}). Nothing was read. Pack the folder again.`;
    case 'files':
      return `The archive holds more than ${SOURCE_FILES.files} files. Pack only pages and sheets, and drop it again.`;
    case 'file':
      return `${fault.name} in the archive is broken. Pack the folder again and drop it here.`;
    case 'unpacked':
      return `The archive holds more than ${SOURCE_FILES.unpacked / 1024 / 1024} MB once unpacked. Pack only pages and sheets, and drop it again.`;
  }
}

/** The colours of an old site's pages and sheets. */
export function readSite(files: ReadonlyMap<string, string>): { tally: ColorTally; notes: string[] } {
  const tally = new ColorTally();
  const notes: string[] = [];
  for (const [name, text] of files) {
    if (/\.css$/i.test(name)) notes.push(...readStyleSheet(tally, name, text));
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
      if (node.tagName === 'style')
        notes.push(
          ...readStyleSheet(
            tally,
            `${name}, styles`,
            node.children.map((child) => (child.type === 'text' ? child.value : '')).join(''),
          ),
        );
      if (typeof style === 'string')
        notes.push(...readStyleSheet(tally, `${name}, <${node.tagName}>`, `${node.tagName}{${style}}`));
      for (const [key, role] of [
        ['bgColor', 'ground'],
        ['text', 'text'],
        ['color', 'text'],
        ['fill', 'ornament'],
        ['stroke', 'ornament'],
      ] as const) {
        const color = attributeColor(node.properties[key]);
        if (color) tally.count(color, role, `${key.toLowerCase()} of <${node.tagName}>`);
      }
    }
    if ('children' in node) for (const child of node.children) visit(child);
  };
  visit(fromHtml(html, { space: 'html' }));
  return notes;
}

/** Returns a sentence about the files in an archive besides pages and style sheets; empty if there were none. */
export function leftOut(left: readonly string[]): string[] {
  if (left.length === 0) return [];
  const pictures = left.filter((name) => /\.(png|jpe?g|webp|svg|gif|avif)$/i.test(name)).length;
  const others = left.length - pictures;
  return [
    `Not read: ${[pictures ? `${plural(pictures, 'image')} (drop important ones separately)` : '', others ? plural(others, 'other file') : ''].filter(Boolean).join(' and ')}.`,
  ];
}
