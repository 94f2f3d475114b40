import { ARRANGEMENTS, allKinds } from '../kinds/index.ts';
import { BANDS, bandQuery } from '../breakpoint/index.ts';

/**
 * The elements with colours that change with their state, and may change slowly: buttons, links, menu entries and form
 * fields.
 */
export const MOVING = '.button, .link, .menu-link, .site-name, .field';

/**
 * Layout that no token moves: what every page has, then what each kind of block
 * and each arrangement says of itself. Everything painted comes from recipes;
 * what stands here only puts things beside and below each other.
 */
export const layoutCss = (): string => `@layer layout {
${COMMON}${allKinds()
  .map(({ css }) => css)
  .join('')}${ARRANGEMENTS.map(({ css }) => css).join('')}${HIDDEN}}
`;

/** Sections that are not shown at a width. */
const HIDDEN = BANDS.map(({ id }) => `@media ${bandQuery(id)} { .hidden-${id} { display: none; } }\n`).join('');

const COMMON = `*, *::before, *::after { box-sizing: border-box; }
html { -webkit-text-size-adjust: 100%; text-size-adjust: 100%; }
body { margin: 0; overflow-wrap: break-word; }
h1, h2, h3, h4, h5, h6, p, ul, ol, dl, dd, figure, blockquote, figcaption, table, caption { margin: 0; padding: 0; }
ul, ol { list-style: none; }
a { color: inherit; }
.link { text-decoration-line: underline; }
.bar { display: flex; flex-wrap: wrap; align-items: center; justify-content: space-between; gap: 4px 32px; max-width: 1120px; margin-inline: auto; padding-block: 12px; }
.site-name, .menu-link { display: inline-block; text-decoration-line: none; padding-block: 6px; }
.logo { box-sizing: content-box; max-width: 100%; height: auto; vertical-align: middle; }
/* A word longer than the window is broken, not cut. */
.bar > *, .menu > li, .site-name, .menu-link { min-width: 0; max-width: 100%; }
.menu { display: flex; flex-wrap: wrap; gap: 0 24px; }
.name-centred .bar { flex-direction: column; }
.name-centred .menu { justify-content: center; }
.name-below .bar { flex-direction: column; align-items: flex-start; }
.stays { position: sticky; inset-block-start: 0; z-index: 3; }
/* Over the picture of the first section, which begins where the page does. */
.over-first { position: absolute; inset-inline: 0; inset-block-start: 0; z-index: 2; }
/* What is said there begins below it: below one line of it, or as many as a menu wraps into on phones. */
html:has(.over-first) main > .section:first-child > .cols { padding-block-start: 4.5rem; }
html:has(.over-first > .notice) main > .section:first-child > .cols { padding-block-start: 7rem; }
@media (width < 640px) {
html:has(.over-first):not(:has(.over-first .fold)) main > .section:first-child > .cols { padding-block-start: 10rem; }
html:has(.over-first > .notice):not(:has(.over-first .fold)) main > .section:first-child > .cols { padding-block-start: 12.5rem; }
}
/* What is led to must not stand under it. */
html:has(.stays) { scroll-padding-block-start: 6rem; }
.menu-more { position: relative; }
.menu-more summary { cursor: pointer; list-style: none; }
.menu-more summary::-webkit-details-marker { display: none; }
.menu-more summary::after { content: " +" / ""; }
.menu-more details[open] > summary::after { content: " \\2212" / ""; }
.menu-under { list-style: none; margin: 0; padding: 4px 16px; }
@media (width >= 640px) { .menu-under { position: absolute; inset-block-start: 100%; inset-inline-start: -16px; z-index: 2; min-width: 12em; box-shadow: 0 4px 16px rgb(0 0 0 / 0.2); } }
.fold { display: none; }
.fold > summary { cursor: pointer; }
@media (width < 640px) { .fold { display: block; } .fold:not([open]) + nav { display: none; } .fold[open] + nav { flex-basis: 100%; } .fold + nav > .menu { flex-direction: column; } }
.notice { padding-block: 8px; text-align: center; }
.menu-link[aria-current="page"] { text-decoration-line: underline; text-underline-offset: 0.4em; }
.section { position: relative; }
.pictured { overflow: hidden; isolation: isolate; }
.backdrop { position: absolute; inset: 0; z-index: -2; width: 100%; height: 100%; object-fit: cover; }
.shade { position: absolute; inset: 0; z-index: -1; }
.cols { display: grid; gap: inherit; grid-template-columns: minmax(0, 1fr); max-width: 1120px; margin-inline: auto; }
.col { display: block; gap: inherit; min-width: 0; }
.col > p { max-width: 58ch; }
.buttons { display: flex; flex-wrap: wrap; gap: 12px; padding-block: 8px; }
.button { display: inline-block; border-style: solid; text-decoration-line: none; text-align: center; cursor: pointer; }
.with-icon { display: inline-flex; align-items: center; justify-content: center; gap: 0.5em; }
.in-button { width: 1.1em; height: 1.1em; flex: none; fill: none; stroke: currentColor; stroke-width: 2; stroke-linecap: round; stroke-linejoin: round; }
.button:is([aria-busy="true"], [data-show="busy"])::after { content: ""; display: inline-block; width: 0.8em; height: 0.8em; margin-inline-start: 0.5em; vertical-align: -0.08em; border: 0.12em solid; border-inline-start-color: transparent; border-radius: 50%; }
@media (prefers-reduced-motion: no-preference) { .button:is([aria-busy="true"], [data-show="busy"])::after { animation: busy 1s linear infinite; } }
@keyframes busy { to { rotate: 1turn; } }
${MOVING} { transition-property: color, background-color, border-color; }
:focus-visible, [data-show="focus"] { outline-width: 3px; outline-style: solid; outline-offset: 3px; }
.skip { position: absolute; inset-inline-start: -999px; }
.skip:focus { inset-inline-start: 8px; top: 8px; }
`;
