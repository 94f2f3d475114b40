import { MOST_COPY, cleanText, type Inline } from '@yohaku/core';

/**
 * Reads edited words back: text, emphasis, and the links and marked words that were there before. Anything else becomes
 * its text.
 */
export function readInline(element: Element, before: readonly Inline[]): Inline[] {
  const runs: Inline[] = [];
  const known = new Map(before.flatMap((run) => ('id' in run ? [[run.id, run] as const] : [])));
  const visit = (node: Node): void => {
    if (node.nodeType === 3) return push({ text: (node.textContent ?? '').replaceAll('\n', ' ') });
    if (node.nodeType !== 1) return;
    const tag = (node as Element).tagName.toLowerCase();
    if (tag === 'br') return push({ text: '\n' });
    const link =
      tag === 'a' || tag === 'mark'
        ? known.get((node as Element).getAttribute('data-place')?.split('/').at(-1) ?? '')
        : undefined;
    if (link) {
      if (node.textContent) runs.push({ ...link, text: textWithBreaks(node) });
    } else if (tag === 'strong' || tag === 'b') push({ text: textWithBreaks(node), mark: 'strong' });
    else if (tag === 'em' || tag === 'i') push({ text: textWithBreaks(node), mark: 'em' });
    else node.childNodes.forEach(visit);
  };
  const push = (run: { text: string; mark?: 'strong' | 'em' }): void => {
    if (run.text === '') return;
    const last = runs.at(-1);
    if (last && !('id' in last) && last.mark === run.mark)
      runs[runs.length - 1] = { ...last, text: last.text + run.text };
    else runs.push(run);
  };
  element.childNodes.forEach(visit);
  // The last break only holds the caret of the browser.
  const last = runs.at(-1);
  if (last?.text.endsWith('\n')) runs[runs.length - 1] = { ...last, text: last.text.slice(0, -1) };
  return runs
    .filter(({ text }) => text !== '')
    .map((run) => ({ ...run, text: cleanText(run.text.replaceAll('\u00a0', ' ')) }))
    .flatMap(inParts);
}

/** The words of a node with its line breaks. */
function textWithBreaks(node: Node): string {
  if (node.nodeType === 3) return (node.textContent ?? '').replaceAll('\n', ' ');
  if (node.nodeName === 'BR') return '\n';
  return [...node.childNodes].map(textWithBreaks).join('');
}

/** Most runs of words in one paragraph. */
const MOST_RUNS = 200;

/** Returns the problem of a text that is too long, with the way out; empty if there is none. */
export function tooMuch(runs: readonly Inline[]): string {
  const long = runs.find((run) => run.text.length > MOST_COPY);
  if (long)
    return `the ${'link' in long ? 'link' : 'marked part'} “${long.text.slice(0, 24)}…” is over ${MOST_COPY} characters. Shorten it.`;
  return runs.length > MOST_RUNS
    ? `it has ${runs.length} parts (links, emphasis, 4,000 characters each), and ${MOST_RUNS} are the most. Move some of them into another paragraph.`
    : '';
}

/**
 * A run that is longer than a run may be as several that read the same; nothing of it is cut. A link stays one: it is
 * refused by name.
 */
function inParts(run: Inline): Inline[] {
  if (run.text.length <= MOST_COPY || 'id' in run) return [run];
  const parts: Inline[] = [];
  for (let at = 0; at < run.text.length;) {
    let end = Math.min(run.text.length, at + MOST_COPY);
    // Never between the halves of one character.
    if (end < run.text.length && /[\ud800-\udbff]/.test(run.text[end - 1]!)) end--;
    parts.push({ ...run, text: run.text.slice(at, end) });
    at = end;
  }
  return parts;
}
