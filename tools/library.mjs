import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { register } from 'tsx/esm/api';
import { ROOT } from './paths.mjs';

/**
 * Makes core/src/type/library.ts anew from the installed font packages:
 * `node tools/library.mjs`. Run it after a family is added here or a package is
 * updated; a spec compares the file with the fonts.
 */
register();
const { readFontFile } = await import('../server/src/fonts/read-font.ts');

const KINDS = {
  serif:
    'gelasio source-serif-4 literata lora fraunces eb-garamond crimson-pro libre-baskerville merriweather spectral newsreader vollkorn',
  slab: 'bitter zilla-slab aleo crete-round',
  sans: 'public-sans source-sans-3 work-sans karla barlow atkinson-hyperlegible inter ibm-plex-sans fira-sans open-sans nunito-sans rubik manrope figtree outfit space-grotesk red-hat-text alegreya-sans',
  mono: 'ibm-plex-mono jetbrains-mono source-code-pro space-mono',
  display: 'cormorant playfair-display dm-serif-display abril-fatface yeseva-one bebas-neue oswald archivo-black',
  hand: 'caveat kalam patrick-hand shantell-sans',
};
/** Too light, too tight or too loud for a paragraph. */
const NOT_FOR_TEXT = new Set(['space-mono', 'outfit', 'space-grotesk', 'patrick-hand', 'shantell-sans']);
const WITH_SERIFS = new Set(['cormorant', 'playfair-display', 'dm-serif-display', 'abril-fatface', 'yeseva-one']);
/** The fonts that most computers have, each with a free twin of the same widths, used for its metrics. */
const READY = {
  arial: ['arimo'],
  times: ['tinos'],
  georgia: ['gelasio'],
  courier: ['cousine'],
  'dejavu-sans': 'DejaVuSans',
  'dejavu-serif': 'DejaVuSerif',
  'dejavu-mono': 'DejaVuSansMono',
};
const DEJAVU = {
  400: '',
  700: '-Bold',
  '400i': { DejaVuSerif: '-Italic', other: '-Oblique' },
  '700i': { DejaVuSerif: '-BoldItalic', other: '-BoldOblique' },
};

const files = (id) => join(ROOT, 'node_modules/@fontsource', id, 'files');
const faceFile = (id, weight, italic) => join(files(id), `${id}-latin-${weight}-${italic ? 'italic' : 'normal'}.woff2`);

async function metricsOf(paths) {
  const widths = {};
  let regular;
  for (const [key, path] of Object.entries(paths)) {
    if (!existsSync(path)) continue;
    const { metrics, width } = await readFontFile(readFileSync(path));
    regular ??= metrics;
    widths[key] = width;
  }
  return regular && { ...regular, widths };
}

async function family(id, kind) {
  const about = JSON.parse(readFileSync(join(ROOT, 'node_modules/@fontsource', id, 'metadata.json'), 'utf8'));
  const wanted = [400, 600, 700].filter((weight) => about.weights.includes(weight));
  const weights = wanted.length > 0 ? wanted : [about.weights.at(-1)];
  const italic = about.styles.includes('italic');
  const paths = Object.fromEntries(
    [false, true].flatMap((slant) =>
      weights.map((weight) => [`${weight}${slant ? 'i' : ''}`, faceFile(id, weight, slant)]),
    ),
  );
  const text = !NOT_FOR_TEXT.has(id) && kind !== 'display' && kind !== 'hand' && weights.includes(400);
  const shape =
    kind === 'mono' ? 'mono' : kind === 'serif' || kind === 'slab' || WITH_SERIFS.has(id) ? 'serif' : 'sans';
  return {
    id,
    name: about.family,
    kind,
    shape,
    text,
    weights,
    italic,
    licence: about.license.type,
    metrics: await metricsOf(paths),
  };
}

const library = [];
for (const [kind, ids] of Object.entries(KINDS)) for (const id of ids.split(' ')) library.push(await family(id, kind));
const ready = {};
for (const [id, source] of Object.entries(READY)) {
  const paths = Array.isArray(source)
    ? Object.fromEntries(
        ['400', '700', '400i', '700i'].map((key) => [key, faceFile(source[0], key.slice(0, 3), key.endsWith('i'))]),
      )
    : Object.fromEntries(
        Object.entries(DEJAVU).map(([key, end]) => [
          key,
          `/usr/share/fonts/truetype/dejavu/${source}${typeof end === 'string' ? end : (end[source] ?? end.other)}.ttf`,
        ]),
      );
  ready[id] = await metricsOf(paths);
  if (!ready[id]) throw new Error(`no file of ${id} is installed here`);
}
const line = (value) =>
  JSON.stringify(value)
    .replace(/"([a-z]\w*)":/gi, '$1:')
    .replace(/:(?=\S)/g, ': ')
    .replace(/,/g, ', ')
    .replaceAll('"', "'")
    .replace(/\{/g, '{ ')
    .replace(/\}/g, ' }');
writeFileSync(
  join(ROOT, 'core/src/type/library.ts'),
  `import type { LibraryFamily } from './family.ts';
import type { FontMetrics } from './metrics.ts';

// Made by tools/library.mjs from the font files themselves; not written by hand.

/** The families that ship with the app. */
export const LIBRARY: readonly LibraryFamily[] = [
${library.map((one) => `  ${line(one)},`).join('\n')}
];

/** Metrics of the faces that readers have already. */
export const READY_METRICS = {
${Object.entries(ready)
  .map(([id, metrics]) => `  '${id}': ${line(metrics)},`)
  .join('\n')}
} as const satisfies Record<string, FontMetrics>;
`,
);
