import type { GenericSchema } from 'valibot';
import { mapFields, walk, type Inline, type Meaning, type NameKind } from '../kinds/index.ts';
import { Page, Shared, type Site } from '../site/index.ts';

/** Ways in which real content is harder than the words a design was made with. */
export type StressKind = 'names' | 'pictures' | 'twice' | 'language' | 'spacing' | 'zoom';

export const STRESS_KINDS: readonly { readonly kind: StressKind; readonly label: string; readonly copy: boolean }[] = [
  { kind: 'names', label: 'longest names', copy: true },
  { kind: 'pictures', label: 'no images', copy: true },
  { kind: 'twice', label: 'twice the text', copy: true },
  { kind: 'language', label: 'a longer language', copy: true },
  { kind: 'spacing', label: 'text spacing', copy: false },
  { kind: 'zoom', label: 'text at 200 %', copy: false },
];

/**
 * A site with hostile copy: every short name as long as the longest of its kind
 * that the site knows, no picture at hand, running text doubled, headings and
 * labels in a language of longer words. Structure, ids and tokens stay, so that
 * what breaks can be named. The same site comes back when nothing of it is asked.
 */
export function stressSite(site: Site, kinds: ReadonlySet<StressKind>): Site {
  if (!STRESS_KINDS.some(({ kind, copy }) => copy && kinds.has(kind))) return site;
  const longest = kinds.has('names') ? longestNames(site) : undefined;
  const long = (text: string) => (kinds.has('language') ? longer(text) : text);
  const change = (meaning: Meaning, value: unknown, beside: Readonly<Record<string, unknown>>): unknown => {
    // The item's own value decides the length of a filled field name.
    if (meaning.means === 'line' && meaning.name !== null)
      return value === '' || String(value).includes('{') ? value : long(longest?.get(meaning.name) ?? String(value));
    if (meaning.means !== 'words') return value;
    const runs = value as readonly Inline[];
    const heading = meaning.level !== undefined && beside[meaning.level] !== null;
    if (heading) return kinds.has('language') ? runs.map((run) => ({ ...run, text: longer(run.text) })) : runs;
    return kinds.has('twice') ? doubled(runs) : runs;
  };
  const stressed = <T>(schema: GenericSchema, value: T): T => mapFields(schema, value, change);
  return {
    ...site,
    assets: kinds.has('pictures')
      ? Object.fromEntries(
          Object.entries(site.assets).filter(([id]) =>
            Object.values(site.shared.logo?.forms ?? {}).some((form) => form.asset === id),
          ),
        )
      : site.assets,
    shared: stressed(Shared, site.shared),
    items: kinds.has('language')
      ? Object.fromEntries(
          Object.entries(site.items).map(([id, item]) => [
            id,
            {
              ...item,
              values: Object.fromEntries(
                Object.entries(item.values).map(([field, said]) => [
                  field,
                  site.collections[item.collection]?.fields[field]?.kind === 'line' ? longer(said) : said,
                ]),
              ),
            },
          ]),
        )
      : site.items,
    pages: Object.fromEntries(Object.entries(site.pages).map(([id, page]) => [id, stressed(Page, page)])),
  };
}

/** Styles that make text as wide as readers may set it: WCAG 2.2, 1.4.12 (text spacing) and 1.4.4 (text at 200 %). */
export function stressCss(kinds: ReadonlySet<StressKind>): string {
  return (
    (kinds.has('spacing')
      ? '* { line-height: 1.5 !important; letter-spacing: 0.12em !important; word-spacing: 0.16em !important; }\np { margin-block-end: 2em !important; }\n'
      : '') + (kinds.has('zoom') ? 'html { font-size: 200%; }\n' : '')
  );
}

/** The same words again behind themselves; links and marks are not doubled, for their ids stand once. */
function doubled(content: readonly Inline[]): Inline[] {
  const plain = content.map((run) => run.text).join('');
  return plain === '' ? [...content] : [...content, { text: ` ${plain}` }];
}

/** The longest name of each kind on the site. */
function longestNames(site: Site): Map<NameKind, string> {
  const found = new Map<NameKind, string>();
  const look = (schema: GenericSchema, value: unknown) =>
    walk(schema, value, (meaning, text) => {
      if (
        meaning.means === 'line' &&
        meaning.name !== null &&
        typeof text === 'string' &&
        !text.includes('{') &&
        text.length > (found.get(meaning.name)?.length ?? 0)
      )
        found.set(meaning.name, text);
    });
  look(Shared, site.shared);
  for (const page of Object.values(site.pages)) look(Page, page);
  return found;
}

/** Endings of words in languages that join theirs. */
const ENDINGS = 'ungsverzeichnislichkeitsfahrt';

/**
 * Makes words of four letters and more longer by two fifths, about as much as short labels grow from English into the
 * longest large European languages. Field names in braces stay unchanged.
 */
export function longer(text: string): string {
  return text.replace(/\{[^{}\n]{1,80}\}|\p{L}{4,}/gu, (word) =>
    word.startsWith('{') ? word : word + ENDINGS.slice(0, Math.max(2, Math.round(word.length * 0.4))),
  );
}
