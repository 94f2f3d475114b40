/**
 * The verbs of the command line, each declared once: how it is used, what it does,
 * and which options it takes. The list of all verbs, the help of each and the
 * reading of what was typed are made from here.
 *
 * `own`: run by this script, without a build; all others by the server's code.
 */
const text = /** @type {const} */ ({ type: 'string' });
const flag = /** @type {const} */ ({ type: 'boolean' });
const output = /** @type {const} */ ({ type: 'string', short: 'o' });
const data = text;
const json = flag;

/** Formats that `export` writes; `site` is a folder, the others are one file. */
export const EXPORT_FORMATS = /** @type {const} */ (['dtcg', 'css', 'svg', 'csv', 'json', 'site']);

export const VERBS = /** @type {const} */ ({
  start: {
    own: true, use: ['[--port N] [--data DIR] [--empty]'], does: 'set up, serve, print the address', options: { port: text, data, empty: flag },
    more: '  --port N    port on 127.0.0.1 (default 4780; 0 takes any free one)\n  --data DIR  where the database and the log are kept (default .data)\n  --empty     do not load the demo site on first start\n\nDATABASE_URL, when set, replaces the PostgreSQL it would start.',
  },
  link: { own: false, use: ['[--data DIR] [--json]'], does: 'a fresh one-time sign-in address', options: { data, json }, more: 'A fresh one-time sign-in address for the owner, good for thirty minutes.' },
  test: { own: true, use: ['[core|server|web|e2e]'], does: 'the tests, all or one part', options: {}, more: 'Runs all parts or one, and ends with the line "N passed, N failed". Exit 1 when anything failed.' },
  bench: { own: true, use: ['[NAME…] [--json]'], does: 'the benchmarks', options: null, more: 'Runs the benchmarks (all, or those named): median, unit, and the ratio to a reference in the same run.' },
  palette: {
    own: false, use: ['FILE [--colors N] [--json]'], does: 'palette of a picture', options: { colors: text, json },
    more: 'The palette of a PNG, JPEG, WebP or SVG, of a style sheet or any text, or of a zipped site, largest share first; N colours at most (1 to 32, default 8).',
  },
  contrast: {
    own: false, use: ['FG BG [--json]'], does: 'contrast ratio of two colours', options: { json },
    more: 'Contrast ratio of two CSS colours by WCAG 2.2, and what it passes. A translucent background is\ncomposited over white, a translucent foreground over the background. Exit 1 when it misses 4.5.',
  },
  export: {
    own: false, use: [`SITE --format ${EXPORT_FORMATS.join('|')} [-o FILE|DIR] [--data DIR]`], does: 'tokens, swatches or the whole site', options: { format: text, output, data },
    more: 'dtcg and css are all tokens; svg (a sheet), csv and json are the swatches. They go to FILE or standard output; site goes to the folder DIR (default: SITE).',
  },
  import: {
    own: false, use: ['FILE --site SITE [--colour] [--data DIR] [--json]', 'DIR|FILE.zip|site.json --as ID [--name NAME] [--data DIR] [--json]'], does: 'tokens into a site’s brand, or an exported site as one of its own',
    options: { site: text, as: text, name: text, colour: flag, data, json },
    more: 'With --as, brings an exported site in as a site of its own, under an id that is free; site.json alone will do where its pictures and fonts are kept here already.\n\nReads tokens into a site’s brand, as one change that can be undone, and reports what was taken, changed and left.\nFILE is a DTCG file (of Yohaku or of any tool), CSS custom properties, or a plain list of colours.\nA file of Yohaku’s brings the whole brand, with --colour only its swatches and backgrounds; so does a tokens.css with its edits; all others bring colours, text styles, shadows, motions and corners.',
  },
  reach: { own: false, use: ['SITE [TOKEN] [--json] [--data DIR]'], does: 'the places each token paints', options: { json, data }, more: 'For each token (or the one named by its path, as color.core.funnel) every place it paints.' },
  audit: {
    own: false, use: ['SITE|DIR|FILE.zip [--at VERSION] [--json] [--data DIR]'], does: 'the legibility audit', options: { json, data, at: text },
    more: 'The legibility audit of a site in the database, or of an exported site by what its files say\n(an edited tokens.css counts). Exit 1 when anything fails.',
  },
  backup: {
    own: false, use: ['[-o FILE] [--data DIR] [--json]'], does: 'all that is kept, in one file, read back', options: { output, data, json },
    more: 'Writes every site with its edits, publications, sources and files into one file (tar, gzip), of one moment, while it runs; then reads all of it back. Sign-ins are not in it.\nFILE is yohaku-backup-TIME.tar.gz by default; it must not be there yet.',
  },
  restore: {
    own: false, use: ['FILE [--check] [--data DIR] [--json]'], does: 'a backup in place of what is here', options: { check: flag, data, json },
    more: 'Puts what a backup holds in place of all that is here, while it runs; open windows read anew. What was here is backed up first, into backups/ of the data folder.\n  --check   only reads the backup, all of it, and says what it holds',
  },
});

/** What `--help` of one verb says. */
export const helpOf = (verb) => `${VERBS[verb].use.map((one) => `./yohaku ${verb} ${one}`).join('\n')}\n\n${VERBS[verb].more}\n`;

/** What is said of all of them. */
export const HELP = `Yohaku: colours, type, headings and buttons of a site as shared tokens, with proof of what each change reached.

${Object.entries(VERBS).flatMap(([verb, { use, does }]) => use.map((one, i) => (i === 0 ? `  ./yohaku ${verb} ${one}\n      ${does}` : `  ./yohaku ${verb} ${one}`))).join('\n')}

Every verb has --help. Exit code: 0 done and nothing failing, 1 something falls short, 2 bad use or bad input.
`;
