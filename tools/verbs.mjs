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
    own: true,
    use: ['[--port N] [--data DIR] [--empty]'],
    does: 'sets up and serves Yohaku, and prints its address',
    options: { port: text, data, empty: flag },
    more: '  --port N    port on 127.0.0.1 (default 4780; 0 picks a free port)\n  --data DIR  folder of the database and the log (default .data)\n  --empty     do not load the demo site on first start\n\nIf DATABASE_URL is set, Yohaku uses that database and starts no PostgreSQL.',
  },
  link: {
    own: false,
    use: ['[--data DIR] [--json]'],
    does: 'prints a new one-time sign-in address',
    options: { data, json },
    more: 'Prints a new one-time sign-in address for the owner. It is valid for thirty minutes.',
  },
  test: {
    own: true,
    use: ['[core|server|web|e2e]'],
    does: 'runs the tests, all or one part',
    options: {},
    more: 'Runs all parts or one, and ends with the line "N passed, N failed". Exit 1 when anything failed.',
  },
  bench: {
    own: true,
    use: ['[NAME…] [--json]'],
    does: 'runs the benchmarks',
    options: null,
    more: 'Runs all benchmarks, or the named ones, and prints median, unit and the ratio to a reference of the same run.',
  },
  palette: {
    own: false,
    use: ['FILE [--colors N] [--json]'],
    does: 'prints the palette of an image, a style sheet or a text',
    options: { colors: text, json },
    more: 'Prints the palette of a PNG, JPEG, WebP or SVG, of a style sheet or any text, or of a zipped site, largest share first. N is the largest number of colours (1 to 32, default 8).',
  },
  contrast: {
    own: false,
    use: ['FG BG [--json]'],
    does: 'prints the contrast ratio of two colours',
    options: { json },
    more: 'Prints the contrast ratio of two CSS colours by WCAG 2.2, and the levels that it passes. A translucent background is\ncomposited over white, a translucent foreground over the background. Exit 1 if the ratio is below 4.5.',
  },
  export: {
    own: false,
    use: [`SITE --format ${EXPORT_FORMATS.join('|')} [-o FILE|DIR] [--data DIR]`],
    does: 'exports tokens, swatches or the whole site',
    options: { format: text, output, data },
    more: 'dtcg and css contain all tokens; svg (a sheet), csv and json contain the swatches. The output goes to FILE or standard output; site goes to the folder DIR (default: SITE).',
  },
  import: {
    own: false,
    use: [
      'FILE --site SITE [--colour] [--data DIR] [--json]',
      'DIR|FILE.zip|site.json --as ID [--name NAME] [--data DIR] [--json]',
    ],
    does: 'imports tokens into a site’s brand, or an exported site as a new site',
    options: { site: text, as: text, name: text, colour: flag, data, json },
    more: 'With --as, imports an exported site as a new site under a free id; site.json alone is enough if its images and fonts are already on this server.\n\nWith --site, imports tokens into the site’s brand as one change that can be undone, and reports which values it added, changed and left.\nFILE is a DTCG file (of Yohaku or of any tool), CSS custom properties, or a plain list of colours.\nA file written by Yohaku (also an edited tokens.css) imports the whole brand, with --colour only its swatches and backgrounds; other files import colours, text styles, shadows, motions and corners.',
  },
  reach: {
    own: false,
    use: ['SITE [TOKEN] [--json] [--data DIR]'],
    does: 'lists the places where each token is used',
    options: { json, data },
    more: 'Lists, for each token or for one token path such as color.core.funnel, every place where it is used.',
  },
  audit: {
    own: false,
    use: ['SITE|DIR|FILE.zip [--at VERSION] [--json] [--data DIR]'],
    does: 'runs the legibility audit',
    options: { json, data, at: text },
    more: 'Runs the legibility audit of a site in the database, or of the files of an exported site\n(edits of tokens.css count). Exit 1 if anything fails.',
  },
  backup: {
    own: false,
    use: ['[-o FILE] [--data DIR] [--json]'],
    does: 'writes everything into one file and checks it',
    options: { output, data, json },
    more: 'Writes every site with its edits, publications, sources and files, all of one moment, into one file (tar, gzip), also while Yohaku runs; then reads the file back. It contains no sign-ins.\nFILE is yohaku-backup-TIME.tar.gz by default; it must not exist yet.',
  },
  restore: {
    own: false,
    use: ['FILE [--check] [--data DIR] [--json]'],
    does: 'replaces everything with a backup',
    options: { check: flag, data, json },
    more: 'Replaces everything with the content of a backup, also while Yohaku runs; open windows reload. The present state is backed up first, into backups/ of the data folder.\n  --check   only reads the backup and prints its content',
  },
});

/** Returns the help text of one verb. */
export const helpOf = (verb) =>
  `${VERBS[verb].use.map((one) => `./yohaku ${verb} ${one}`).join('\n')}\n\n${VERBS[verb].more}\n`;

/** The help text of all verbs. */
export const HELP = `Yohaku: colours, type, headings and buttons of a site as shared tokens, with proof that each change reached every place.

${Object.entries(VERBS)
  .flatMap(([verb, { use, does }]) =>
    use.map((one, i) => (i === 0 ? `  ./yohaku ${verb} ${one}\n      ${does}` : `  ./yohaku ${verb} ${one}`)),
  )
  .join('\n')}

Every verb has --help. Exit code: 0 done and nothing fails, 1 something fails, 2 bad use or bad input.
`;
