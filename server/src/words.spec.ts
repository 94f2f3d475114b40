import { readFileSync } from 'node:fs';
import { commentedIn, shownIn, sourcesIn } from './testing/shown-words.ts';

/**
 * Words that are no longer shown (docs/words.md), each with what is said instead. Some of them are words of everyday
 * use as well: those are named as they were used.
 */
const RETIRED: readonly (readonly [RegExp, string])[] = [
  [/\bevidence\b|\bgather\b/i, 'sources'],
  [
    /\bkin\b|\bgo(es)? along\b|\btake along\b|\btokens along\b/i,
    'similar colours: move together · make derived · leave',
  ],
  [/\bgrounds?\b|\bwash(es)?\b/i, 'background'],
  [/\bslots?\b/i, 'role'],
  [/\bby (its )?rule\b/i, 'automatic'],
  [/\bset by hand\b/i, 'fixed'],
  [/\bside swatch/i, 'supporting'],
  [/\bknee\b|\bbest trade-off\b/i, 'suggested size'],
  [/\bleft? out\b|\bleaves out\b/i, 'exclude, not included, skip'],
  [/\bput(s)? (it )?(away|back)\b/i, 'remove · restore · close'],
  [/\bin hand\b/i, 'selected'],
  [/\breach(es)? (\d+|…|\{\{.*?\}\}) places?\b/i, 'used in N places'],
  [/(\d|…|\}\}) (bound|held|stray|fail)(?=$|[,;.])/i, 'from tokens · overrides · raw values · failing'],
  [/\bcannot be told\b/i, 'not yet measured'],
  [/\bpainted otherwise\b/i, 'rendered differently'],
  [/\b(settle|lift|split off)\b/i, 'use the token · save to the token · make a variant · keep, with a reason'],
  [/\bmend(s|ed|ing)?\b|\bfix all together\b/i, 'fix, fix all'],
  [/\b(take|leave) (it|this)\b(?! to)/i, 'apply · skip · cancel'],
  [/\bheirs?\b|\binstead:/i, 'replacement'],
  [/\b(un)?pin(ned)?\b/i, 'fixed size, overlay'],
  [/\bladder\b/i, 'type scale'],
  [/\bbeyond reach\b/i, 'out of reach'],
  [/\beditions?\b/i, 'version'],
  [/\ball decided\b/i, 'confirm all'],
  [/\btreatments?\b/i, 'alternatives'],
  [/\bkept section|\bsections? (that )?(was|were) kept\b/i, 'reused section'],
  [/\bstress copy\b|\bhostile\b/i, 'stress-test content'],
  [/\bopeners?\b|\bcall to act\b|\bfilms?\b|\bfrom elsewhere\b/i, 'hero · call to action · video · embed'],
  [/\bpictures?\b/i, 'image'],
  [/\bpost ?box\b/i, 'messages'],
  [/\bmake live\b|\bwhat is live\b/i, 'publish again · view live site'],
  [/\bcalm\b|\bdensity\b/i, 'controls: essential · all'],
  [/\bseen as\b/i, 'colour vision'],
  [/\bsurround\b/i, 'workspace background'],
  [/\bpress(es)?\b/i, 'click'],
  [/\bpull(s|ed)?\b/i, 'drag'],
  [
    /\b(lay|laid) in\b|\b(bring|brought|brings) in\b|\bseek\b|\bpaste words\b/i,
    'insert · import · search · paste text',
  ],
  [/\b(page|section) facts\b/i, 'details'],
  [/\bas one likes\b|\blast first\b|\bone below the other\b/i, 'optional · descending · stacked'],
  [/\bhangs?\b|\bthe wall\b|\bthe slip\b|\bthe tally\b/i, 'is shown · the pages · the panel · the bottom bar'],
  [/\bgoes out\b|\bwritten out\b|\blead(s)? on\b/i, 'exported · published · redirects'],
  [/\bfolded\b/i, 'collapsed'],
];
/** Where one of them is a name in a file of a format, an address, a token or CSS: those are code. */
const CODE =
  /^picture (wide|square|tall|…)$|\/(picture|opener)$|^\[attr|\(\)$|\(\$event\)$|^\/|^\.|^\w+-…$|\$\{|^\w+(\.[\w…-]+)+$|^(ground|role)[.:]|\b(select|insert|delete|update|from|join)\b .*(=|;|\bfrom\b)|\{ |^M[\d.]/i;

describe('words that somebody can read', () => {
  const files = [
    ...sourcesIn('web/src', ['.ts', '.html']),
    ...sourcesIn('core/src', ['.ts']),
    ...sourcesIn('server/src', ['.ts']),
    ...sourcesIn('tools', ['.mjs']),
  ];
  // Find also answers to words that are no longer shown.
  const shown = files
    .filter((file) => !file.endsWith('step-controls.ts'))
    .flatMap(shownIn)
    .filter(({ file, text }) => !(file.endsWith('find.ts') && /^[a-z ]+$/.test(text)));
  it('are found at all: of templates, of messages and of help', () => {
    const texts = shown.map((entry) => entry.text);
    for (const wanted of ['Shortcuts', 'Add background', 'from tokens', 'Fix all'])
      expect(texts.some((text) => text.includes(wanted)))
        .withContext(wanted)
        .toBe(true);
  });
  it('name the thing in every comment: no comment begins with What, Whether or That', () => {
    const sources = ['core', 'server', 'web', 'e2e', 'demo', 'tools'].flatMap((folder) =>
      commentedIn(folder, ['.ts', '.mjs', '.less']),
    );
    expect(sources.length).toBeGreaterThan(500);
    const found = sources.flatMap((file) =>
      readFileSync(file, 'utf8')
        .split('\n')
        .flatMap((line, i) =>
          /(\/\*\* |\/\/ |^ *\* )(What|Whether|That) /.test(line)
            ? [`${file}:${i + 1}: ${line.trim().slice(0, 100)}`]
            : [],
        ),
    );
    expect(found).toEqual([]);
  });
  it('are none of those that were retired', () => {
    const found = shown
      .filter(({ text }) => !CODE.test(text))
      .flatMap(({ file, line, text }) =>
        RETIRED.filter(([word]) => word.test(text)).map(
          ([, say]) => `${file}:${line}: “${text.slice(0, 120)}”: say ${say}`,
        ),
      );
    expect(found).toEqual([]);
  });
});
