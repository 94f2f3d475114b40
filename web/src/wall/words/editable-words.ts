import {
  cleanText,
  emphasised,
  laidInto,
  markedWords,
  linked,
  recipeClass,
  recipes,
  runAt,
  type Inline,
  type Place,
} from '@yohaku/core';
import { freshId } from '../../state/index.ts';
import { readInline } from './read-inline.ts';
import { type Words } from './edited-words.ts';

export const same = (entry: unknown, other: unknown): boolean => JSON.stringify(entry) === JSON.stringify(other);

/** One line of plain words, without what else stands in its element. */
export function line(element: HTMLElement, text: string): Words {
  element.textContent = text;
  element.setAttribute('contenteditable', 'plaintext-only');
  const nothing = () => undefined;
  return {
    rich: false,
    read: () => cleanText((element.textContent ?? '').replaceAll('\u00a0', ' ').replace(/\s+/g, ' ')).trim(),
    mark: nothing,
    link: nothing,
    lay: nothing,
    chosen: () => ({ link: null, mark: null }),
  };
}

/** Running words with emphasis and links. */
export function rich(element: HTMLElement, before: readonly Inline[], place: Place, changed: () => void): Words {
  const document = element.ownerDocument;
  element.setAttribute('contenteditable', 'true');
  let known = before;
  let chosen = { start: 0, end: 0 };
  const look = () => {
    const range = document.getSelection()?.rangeCount ? document.getSelection()!.getRangeAt(0) : undefined;
    // The selection stays while the tools have the focus.
    if (range && element.contains(range.commonAncestorContainer)) {
      const start = offsetOf(element, range.startContainer, range.startOffset);
      chosen = { start, end: offsetOf(element, range.endContainer, range.endOffset) };
    }
    return chosen;
  };
  const show = (runs: readonly Inline[]) => {
    known = [...known, ...runs];
    const looks = new Map(
      [...element.querySelectorAll('a, mark')].map((entry) => [entry.getAttribute('data-place'), entry.className]),
    );
    const base = place.id.slice(0, place.id.lastIndexOf('/'));
    element.replaceChildren(
      ...runs.map((run) => {
        const tag = 'link' in run ? 'a' : 'marked' in run ? 'mark' : 'mark' in run ? run.mark : undefined;
        if (!tag) return withLines(document, document.createDocumentFragment(), run.text);
        const made = withLines(document, document.createElement(tag), run.text);
        if ('id' in run) {
          const id = `${base}/${run.id}`;
          made.setAttribute('data-place', id);
          made.className = looks.get(id) ?? `link ${recipeClass(recipes.link(place.ground))}`;
          if (tag === 'a') made.setAttribute('href', '#');
        }
        return made;
      }),
    );
    element.focus();
    choose(element, chosen.start, chosen.end);
    changed();
  };
  const read = () => readInline(element, known);
  return {
    rich: true,
    read,
    mark: (mark) => {
      const { start, end } = look();
      if (start < end)
        show(mark === 'marked' ? markedWords(read(), start, end, freshId('m')) : emphasised(read(), start, end, mark));
    },
    link: (link) => {
      const { start, end } = look();
      if (start < end || !link) show(linked(read(), start, end, link, freshId('l')));
    },
    lay: (runs) => {
      const { start, end } = look();
      const length = runs.reduce((sum, run) => sum + run.text.length, 0);
      chosen = { start: start + length, end: start + length };
      show(laidInto(read(), start, end, runs));
    },
    chosen: () => {
      const { start, end } = look();
      const run = runAt(read(), start, end);
      return {
        link: run && 'link' in run ? run.link : null,
        mark: run && 'marked' in run ? 'marked' : run && 'mark' in run ? (run.mark ?? null) : null,
      };
    },
  };
}

/** Selects the word at a point of the page, as a double click in a text does. */
export function selectWord(
  document: Document,
  element: HTMLElement,
  { x, y }: { readonly x: number; readonly y: number },
): void {
  const [selection, range] = [document.getSelection(), document.caretRangeFromPoint(x, y)];
  if (!selection || !range || !element.contains(range.startContainer)) return;
  selection.collapse(range.startContainer, range.startOffset);
  selection.modify('move', 'backward', 'word');
  selection.modify('extend', 'forward', 'word');
}

/** Characters of an element before a point in it. */
function offsetOf(element: Element, node: Node, offset: number): number {
  const range = element.ownerDocument.createRange();
  range.selectNodeContents(element);
  range.setEnd(node, offset);
  return range.toString().length + range.cloneContents().querySelectorAll('br').length;
}

/** Puts words with their line breaks into a node. */
function withLines<T extends Node & ParentNode>(document: Document, node: T, text: string): T {
  node.append(
    ...text
      .split('\n')
      .flatMap((line, i) => [
        ...(i > 0 ? [document.createElement('br')] : []),
        ...(line === '' ? [] : [document.createTextNode(line)]),
      ]),
  );
  return node;
}

/** Chooses the words between two offsets. */
function choose(element: HTMLElement, start: number, end: number): void {
  const document = element.ownerDocument;
  const range = document.createRange();
  // Words and line breaks: a break is one character.
  const walker = document.createTreeWalker(element, 5);
  let from = 0;
  range.selectNodeContents(element);
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    if (node.nodeName === 'BR') {
      from += 1;
      continue;
    }
    if (node.nodeType !== 3) continue;
    const { length } = node.textContent ?? '';
    if (start >= from && start <= from + length) range.setStart(node, start - from);
    if (end >= from && end <= from + length) {
      range.setEnd(node, end - from);
      break;
    }
    from += length;
  }
  const selection = document.getSelection();
  selection?.removeAllRanges();
  selection?.addRange(range);
}
