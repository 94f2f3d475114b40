import { PASTED_LOOKS, type PastedLook, type PastedNode } from '@yohaku/core';

/** Attributes that carry a look of elsewhere. */
const LOOKS = ['style', 'class', 'color', 'face', 'size', 'align', 'bgcolor', 'width', 'height'];
/** Deeper than this nothing is looked into: what people write is not nested so. */
const DEEPEST = 200;

/** Most that is taken at once, characters. */
const MOST = 4_000_000;

/** Why something is too much to be pasted at once; empty when it is not. */
export function pasteProblem(source: string): string {
  return source.length > MOST
    ? `That is ${Math.round(source.length / 1_000_000)} million characters; four million can be pasted at once. Nothing was pasted: paste it in parts.`
    : '';
}

/** HTML as plain data, read without running or fetching anything of it. */
export function pastedNodes(html: string): PastedNode[] {
  // Handlers never run in a document that is only read, but a browser reports each as refused.
  const quiet = html.replaceAll(/<[^<>]*>/g, (tag) => tag.replaceAll(/([\s"'/])on\w+\s*=/gi, '$1data-left='));
  const { body } = new DOMParser().parseFromString(quiet, 'text/html');
  const read = (node: Node, depth: number): PastedNode[] => {
    if (node.nodeType === 3) return node.textContent ? [node.textContent] : [];
    if (!(node instanceof Element) || depth > DEEPEST) return [];
    const href = node.getAttribute('href');
    return [
      {
        tag: node.tagName.toLowerCase(),
        ...(href === null ? {} : { href }),
        foreign: node.tagName === 'FONT' || LOOKS.some((name) => node.hasAttribute(name)),
        ...lookOf(node),
        children: [...node.childNodes].flatMap((element) => read(element, depth + 1)),
      },
    ];
  };
  return [...body.childNodes].flatMap((node) => read(node, 0));
}

/** Returns the inline style of an element that can be kept as raw values. */
function lookOf(node: Element): { look: PastedLook } | Record<string, never> {
  const style = (node as HTMLElement).style as CSSStyleDeclaration | undefined;
  const said = PASTED_LOOKS.flatMap((property) =>
    style?.getPropertyValue(property) ? [[property, style.getPropertyValue(property)] as const] : [],
  );
  return said.length > 0 ? { look: Object.fromEntries(said) } : {};
}

/** Plain text as paragraphs: an empty line between them, or each line one where there is none. */
export function pastedText(text: string): PastedNode[] {
  const parts = /\n\s*\n/.test(text) ? text.split(/\n\s*\n/) : text.split('\n');
  return parts.filter((part) => part.trim() !== '').map((part) => ({ tag: 'p', foreign: false, children: [part] }));
}
