import { readFileSync, readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import { parseTemplate } from '@angular/compiler';
import ts from 'typescript';
import { ROOT } from './database.ts';

/** A text that somebody can read on the desk, in a message or in help, and where it is written. */
export interface Shown {
  readonly file: string;
  readonly line: number;
  readonly text: string;
}

/** Returns all files of a folder with one of the endings, specs included, without packages and build results. */
export function commentedIn(folder: string, endings: readonly string[]): string[] {
  return (readdirSync(join(ROOT, folder), { recursive: true }) as string[])
    .filter(
      (name) => endings.some((ending) => name.endsWith(ending)) && !/(^|\/)(node_modules|dist|\.angular)\//.test(name),
    )
    .map((name) => join(ROOT, folder, name))
    .sort();
}

/** Every file of a folder with one of the endings, specs and what only tests use left out. */
export function sourcesIn(folder: string, endings: readonly string[]): string[] {
  return (readdirSync(join(ROOT, folder), { recursive: true }) as string[])
    .filter(
      (name) =>
        endings.some((ending) => name.endsWith(ending)) &&
        !/\.spec\.ts$|\.d\.ts$|(^|\/)testing\/|(^|\/)dist\//.test(name),
    )
    .map((name) => join(ROOT, folder, name))
    .sort();
}

/** Strings in code that are not sentences, labels or names: ids, paths, CSS, media types. */
const NO_WORDS = /^[a-z0-9-]+$|^[\w-]*[./#:@][\w./#:@*-]*$|^\s*$|^[A-Z0-9_]+$|^[a-z]+[A-Z]\w*$/;
/** Attributes of a template that are read out or shown. */
const READ_OUT = new Set([
  'aria-label',
  'label',
  'title',
  'placeholder',
  'alt',
  'name',
  'hint',
  'words',
  'aria-description',
  'aria-roledescription',
  'yoTip',
  'empty',
  'said',
]);

/** The texts of one template, of the interpolations in it too. */
function inTemplate(html: string, file: string, firstLine: number): Shown[] {
  const found: Shown[] = [];
  const add = (text: string, offset: number) => {
    if (text.trim() !== '')
      found.push({
        file,
        line: firstLine + html.slice(0, offset).split('\n').length - 1,
        text: text.replace(/\s+/g, ' ').trim(),
      });
  };
  const { nodes, errors } = parseTemplate(html, file, { preserveWhitespaces: true });
  if (errors?.length) throw new Error(`${file}: ${errors[0]!.msg}`);
  const seen = new Set<unknown>();
  const visit = (node: unknown, shown: boolean, at: number): void => {
    if (typeof node !== 'object' || node === null || seen.has(node)) return;
    seen.add(node);
    const entry = node as Record<string, unknown> & { sourceSpan?: { start?: { offset?: number } | number } };
    const start = typeof entry.sourceSpan?.start === 'object' ? entry.sourceSpan.start.offset : undefined;
    const offset = start ?? at;
    const kind = (node as object).constructor.name;
    if (kind === 'Text' || kind === 'Text$3') return add(String(entry['value']), offset);
    if (kind === 'TextAttribute') {
      if (READ_OUT.has(String(entry['name']))) add(String(entry['value']), offset);
      return;
    }
    if (kind === 'LiteralPrimitive') {
      if (shown && typeof entry['value'] === 'string' && !/^[a-z-]+$/.test(entry['value'])) add(entry['value'], offset);
      return;
    }
    if (kind === 'Interpolation' || kind === 'Interpolation$1')
      for (const text of entry['strings'] as string[]) if (shown) add(text, offset);
    const bound =
      kind === 'BoundAttribute'
        ? READ_OUT.has(String(entry['name'])) || typeof entry['name'] === 'string'
        : shown || kind === 'BoundText';
    for (const [key, value] of Object.entries(entry)) {
      if (key === 'sourceSpan' || key === 'span' || key.endsWith('Span')) continue;
      for (const child of Array.isArray(value) ? value : [value]) visit(child, bound, offset);
    }
  };
  for (const node of nodes) visit(node, false, 0);
  return found;
}

/** The texts of a file that are shown: of a template all, of code its sentences and labels. */
export function shownIn(file: string): Shown[] {
  const text = readFileSync(file, 'utf8');
  const name = relative(ROOT, file);
  if (file.endsWith('.html')) return inTemplate(text, name, 1);
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found: Shown[] = [];
  const lineOf = (node: ts.Node) => source.getLineAndCharacterOfPosition(node.getStart()).line + 1;
  const add = (node: ts.Node, said: string) => {
    if (!NO_WORDS.test(said)) found.push({ file: name, line: lineOf(node), text: said.replace(/\s+/g, ' ').trim() });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isLiteralTypeNode(node)) return;
    if (
      ts.isPropertyAssignment(node) &&
      ts.isIdentifier(node.name) &&
      ['selector', 'styles', 'css', 'styleUrl', 'templateUrl'].includes(node.name.text)
    )
      return;
    if (
      ts.isPropertyAssignment(node) &&
      ts.isIdentifier(node.name) &&
      node.name.text === 'template' &&
      ts.isStringLiteralLike(node.initializer)
    ) {
      found.push(...inTemplate(node.initializer.text, name, lineOf(node.initializer)));
      return;
    }
    if (ts.isStringLiteralLike(node)) add(node, node.text);
    if (ts.isTemplateExpression(node))
      add(node, [node.head.text, ...node.templateSpans.map((span) => span.literal.text)].join('…'));
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}
