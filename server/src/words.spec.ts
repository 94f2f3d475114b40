import { shownIn, sourcesIn } from './testing/shown-words.ts';

/** Words that are no longer shown (docs/words.md), each with what is said instead. Some of them are words of everyday use as well: those are named as they were used. */
const RETIRED: readonly (readonly [RegExp, string])[] = [
  [/\bevidence\b/i, 'sources'], [/\bkin\b/i, 'similar colours'], [/\bgrounds?\b/i, 'background'], [/\bslots?\b/i, 'role'], [/\bby rule\b/i, 'automatic'], [/\bset by hand\b/i, 'fixed'],
  [/\bknee\b/i, 'best trade-off'], [/\bin hand\b/i, 'selected'], [/\breach(es)? (\d+|…|\{\{.*?\}\}) places?\b/i, 'used in N places'], [/(\d|…|\}\}) (bound|held|stray|fail)(?=$|[,;.])/i, 'from tokens · overrides · raw values · failing'],
  [/\b(settle|bind|lift|split off)\b/i, 'resolve: use the token · save to the token · make a variant · keep, with a reason'], [/\bmend(s|ed|ing)?\b/i, 'fix'], [/\b(take|leave) (it|this)\b(?! to)/i, 'apply · skip · cancel'],
  [/\bheirs?\b|\binstead:/i, 'replacement'], [/\b(un)?pin(ned)?\b/i, 'fixed size, overlay'], [/\bladder\b/i, 'type scale'], [/\bbeyond reach\b/i, 'out of reach'], [/\beditions?\b/i, 'version'],
  [/\btreatments?\b/i, 'alternatives'], [/\btake along\b|\btokens along\b/i, 'export tokens'],
];
/** Where one of them is a name in a file of a format, an address, a token or CSS: those are code. */
const CODE = /^\/|^\.|^\w+-…$|\$\{|^\w+(\.[\w…-]+)+$|^(ground|role)[.:]|\b(select|insert|delete|update|from|join)\b .*(=|;|\bfrom\b)|\{ |^M[\d.]/i;

describe('words that somebody can read', () => {
  const files = [...sourcesIn('web/src', ['.ts', '.html']), ...sourcesIn('core/src', ['.ts']), ...sourcesIn('server/src', ['.ts']), ...sourcesIn('tools', ['.mjs'])];
  const shown = files.flatMap(shownIn);
  it('are found at all: of templates, of messages and of help', () => {
    const texts = shown.map((one) => one.text);
    for (const wanted of ['Shortcuts', 'Add background', 'from tokens', 'Fix all together']) expect(texts.some((text) => text.includes(wanted))).withContext(wanted).toBe(true);
  });
  it('are none of those that were retired', () => {
    const found = shown.filter(({ text }) => !CODE.test(text)).flatMap(({ file, line, text }) => RETIRED.filter(([word]) => word.test(text)).map(([, say]) => `${file}:${line}: “${text.slice(0, 120)}”: say ${say}`));
    expect(found).toEqual([]);
  });
});
