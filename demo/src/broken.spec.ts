import {
  acceptChange,
  ChangeRefused,
  SiteIssues,
  jsonEqual,
  pageHtml,
  readSite,
  stylesCss,
  withValue,
  writeTokensCss,
  type Site,
} from '@yohaku/core';
import { brokenDocuments, type Breakage } from './testing/broken.ts';
import { EVERY_KIND, somePages } from './testing/some-pages.ts';

/** All of it is read some thousand times. */
const site = somePages(EVERY_KIND);
const [plainTokens, plainStyles] = [writeTokensCss(site.brand), stylesCss(site)];

/** Applies a value with the function that the web store and the server use. */
function accepted({ at, value }: Breakage): Site | ChangeRefused {
  try {
    return acceptChange(site, { ops: [{ op: 'set', at: [...at], ...(value === undefined ? {} : { value }) }] }).site;
  } catch (error) {
    if (error instanceof ChangeRefused) return error;
    throw error;
  }
}

/** A sheet in which every rule and bracket that opens closes, and nothing ends it from within. */
function isWhole(css: string): boolean {
  let depth = 0;
  for (const char of css.replaceAll(/"[^"\n]*"/g, '')) {
    if (char === '{' || char === '(') depth++;
    if (char === '}' || char === ')') depth--;
    if (depth < 0) return false;
  }
  return (
    depth === 0 &&
    !/<\/|<!|@import|body \{ display: none/.test(css) &&
    (css.match(/\/\*/g)?.length ?? 0) === (css.match(/\*\//g)?.length ?? 0)
  );
}

describe('Item 2: whatever is accepted can be read again', () => {
  it('every field of the schema broken in turn is refused, with its path, or taken as something that reads back equal and paints whole sheets', () => {
    const counts: Partial<Record<Breakage['kind'], number>> = {};
    let taken = 0;
    for (const broken of brokenDocuments(site as unknown as Record<string, unknown>)) {
      counts[broken.kind] = (counts[broken.kind] ?? 0) + 1;
      const result = accepted(broken);
      if (result instanceof ChangeRefused) {
        expect(result.message.length).withContext(broken.words).toBeGreaterThan(10);
        continue;
      }
      if (broken.sure) {
        fail(`${broken.words} was accepted`);
        continue;
      }
      taken++;
      if (result === site) continue;
      const again = readSite(JSON.parse(JSON.stringify(result)));
      if (!jsonEqual(again, JSON.parse(JSON.stringify(result)))) fail(`${broken.words} reads back as something else`);
      if (
        result.brand !== site.brand ||
        result.shared !== site.shared ||
        Object.keys(site.pages).some((id) => result.pages[id]?.overrides !== site.pages[id]!.overrides)
      ) {
        const [tokens, styles] = [writeTokensCss(result.brand), stylesCss(result)];
        if (tokens !== plainTokens && !isWhole(tokens)) fail(`${broken.words} breaks tokens.css`);
        if (styles !== plainStyles && !isWhole(styles)) fail(`${broken.words} breaks styles.css`);
      }
      for (const id of result.pageOrder)
        if (result.pages[id] !== site.pages[id])
          expect(pageHtml(result, id).replaceAll(/="[^"]*"/g, ''))
            .withContext(broken.words)
            .not.toContain('<script');
    }
    expect(taken).toBeGreaterThan(100);
    for (const kind of [
      'type',
      'length',
      'range',
      'reference',
      'alphabet',
      'literal',
      'order',
      'key',
      'field',
      'missing',
    ] as const)
      expect(counts[kind] ?? 0)
        .withContext(kind)
        .toBeGreaterThan(5);
  });

  it('a whole document broken in one place is refused by the reader as well, naming the place', () => {
    const inner = (broken: Breakage) => withValue(site, broken.at, broken.value);
    let count = 0;
    for (const broken of brokenDocuments(site as unknown as Record<string, unknown>)) {
      // One of each kind for each part: the reader reads all of it each time.
      if (!broken.sure || broken.kind === 'length' || count++ % 7 !== 0) continue;
      let issues: SiteIssues | undefined;
      try {
        readSite(JSON.parse(JSON.stringify(inner(broken))));
      } catch (error) {
        if (!(error instanceof SiteIssues)) throw error;
        issues = error;
      }
      if (!issues) fail(`${broken.words} was read`);
      else
        expect(
          issues.issues.some(
            (issue) => broken.at.join('.').startsWith(issue.path) || issue.path.startsWith(broken.at.join('.')),
          ),
        )
          .withContext(`${broken.words}: ${issues.issues[0]!.path}`)
          .toBeTrue();
    }
    expect(count).toBeGreaterThan(300);
  });
});
