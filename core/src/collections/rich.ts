import { hrefIs, type Href, type Inline } from '../kinds/index.ts';

/** Emphasis, strong words and links as plain text has them (CommonMark): `*so*`, `**so**`, `[words](address)`. */
const MARKED = /\*\*(?<strong>[^*\n]+)\*\*|\*(?<em>[^*\n]+)\*|\[(?<words>[^\]\n]+)\]\((?<address>[^()\s]+)\)/g;

/**
 * Rich words of an item as runs. They are kept as text, so that a sheet can hold
 * them; what leads nowhere stays as it was typed.
 *
 * @param leads finds pages and sections by what is typed for them; addresses are known anyway
 */
export function richRuns(text: string, leads: (address: string) => Href | undefined = () => undefined): Inline[] {
  const runs: Inline[] = [];
  const plain = (words: string) => {
    if (words !== '') runs.push({ text: words });
  };
  let from = 0;
  for (const found of text.matchAll(MARKED)) {
    const { strong, em, words, address } = found.groups!;
    const link = address === undefined ? undefined : (hrefIs(address) ?? leads(address));
    if (address !== undefined && !link) continue;
    plain(text.slice(from, found.index));
    if (link) runs.push({ id: `r${runs.length + 1}`, link, text: words! });
    else runs.push({ text: (strong ?? em)!, mark: strong === undefined ? 'em' : 'strong' });
    from = found.index + found[0].length;
  }
  plain(text.slice(from));
  return runs;
}

/** Rich words without their marks. */
export const richPlain = (text: string): string =>
  richRuns(text)
    .map((run) => run.text)
    .join('');
