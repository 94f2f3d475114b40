import { SiteIssues, readDocument, type Issue, type Site } from '../site/index.ts';
import { presentPath, tokenTable } from '../style/index.ts';
import { doublePlaces, looseOverrides, type LooseOverride } from './loose.ts';

/**
 * Reads a received site: by the schema, every reference, every value set on a
 * place, and every id that stands for one. What comes back is what may be stored.
 * @throws SiteIssues with the path and reason of what is wrong
 */
export function readSite(input: unknown): Site {
  const site = readDocument(input);
  const issues = [...looseOverrides(site).map(looseIssue), ...doublePlaces(site).map(doubleIssue)];
  if (issues.length > 0) throw new SiteIssues(issues.slice(0, 20));
  return site;
}

/** A site as it was read, and what had to be left out of it, in whole sentences. */
export interface StoredRead {
  readonly site: Site;
  readonly left: readonly string[];
}

/**
 * Reads a document that was stored by this or an earlier version. Values set on
 * places or naming tokens that are gone paint nothing and were once left behind
 * when their owner was deleted: they are left out, and said.
 * @throws SiteIssues for everything else that is wrong
 */
export function readStored(input: unknown): StoredRead {
  let site = readDocument(input);
  const loose = looseOverrides(site);
  const gone: LooseOverride[] = [];
  for (const entry of loose) {
    const renamed = entry.lacks === 'token' ? withPresentPath(site, entry) : undefined;
    if (!renamed) gone.push(entry);
    site = renamed ?? without(site, entry.record, entry.override.id);
  }
  const doubled = doublePlaces(site);
  if (doubled.length > 0) throw new SiteIssues(doubled.slice(0, 20).map(doubleIssue));
  return {
    site,
    left: gone.map(
      ({ override, lacks }) =>
        `The ${override.property} set on ${override.place} was removed: its ${lacks} is missing.`,
    ),
  };
}

/**
 * The site with a value that names its token by a path of before naming it as it is called now; undefined when there is
 * none such.
 */
function withPresentPath(site: Site, { record, override }: LooseOverride): Site | undefined {
  const { value } = override;
  if (value.kind !== 'token' || !tokenTable(site.brand).has(presentPath(value.path))) return undefined;
  return withOverrides(site, record, (overrides) => ({
    ...overrides,
    [override.id]: { ...override, value: { ...value, path: presentPath(value.path) } },
  }));
}

function without(site: Site, record: readonly string[], id: string): Site {
  return withOverrides(site, record, ({ [id]: _gone, ...others }) => others);
}

function withOverrides(
  site: Site,
  [first, page]: readonly string[],
  change: (overrides: Site['shared']['overrides']) => Site['shared']['overrides'],
): Site {
  if (first === 'shared') return { ...site, shared: { ...site.shared, overrides: change(site.shared.overrides) } };
  return {
    ...site,
    pages: { ...site.pages, [page!]: { ...site.pages[page!]!, overrides: change(site.pages[page!]!.overrides) } },
  };
}

/** Returns an override without its place or token as an issue with its path. */
export function looseIssue({ record, override, lacks }: LooseOverride): Issue {
  return lacks === 'place'
    ? { path: [...record, override.id, 'place'].join('.'), message: `names a missing place: ${override.place}` }
    : {
        path: [...record, override.id, 'value.path'].join('.'),
        message: `names a missing token: ${override.value.kind === 'token' ? override.value.path : ''}`,
      };
}

export function doubleIssue({ page, place }: { readonly page: string; readonly place: string }): Issue {
  return { path: `page ${page}`, message: `the id ${place} names two places` };
}
