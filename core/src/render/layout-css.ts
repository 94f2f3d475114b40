/** What changes its colours from state to state, and may take time to: whatever carries the look of a button, a link, a menu entry or a field. */
export const MOVING = '.button, .link, .menu-link, .site-name, .field';

/**
 * Layout that no token moves. Everything painted comes from recipes; what
 * stands here only puts things beside and below each other.
 */
export const LAYOUT_CSS = `@layer layout {
*, *::before, *::after { box-sizing: border-box; }
html { -webkit-text-size-adjust: 100%; text-size-adjust: 100%; }
body { margin: 0; overflow-wrap: break-word; }
h1, h2, h3, h4, h5, h6, p, ul, ol, dl, dd, figure, blockquote, figcaption, table, caption { margin: 0; padding: 0; }
ul, ol { list-style: none; }
.list { padding-inline-start: 1.25rem; list-style: disc; }
ol.list { list-style: decimal; }
.with-icons { list-style: none; padding-inline-start: 0; }
.with-icons > li { position: relative; padding-inline-start: 2em; }
.icon { position: absolute; inset-inline-start: 0; top: 0.2em; width: 1.25em; height: 1.25em; fill: none; stroke: currentColor; stroke-width: 2; stroke-linecap: round; stroke-linejoin: round; }
a { color: inherit; }
.link { text-decoration-line: underline; }
.bar { display: flex; flex-wrap: wrap; align-items: center; justify-content: space-between; gap: 4px 32px; max-width: 1120px; margin-inline: auto; padding-block: 12px; }
.site-name, .menu-link { display: inline-block; text-decoration-line: none; padding-block: 6px; }
.logo { box-sizing: content-box; max-width: 100%; height: auto; vertical-align: middle; }
.menu { display: flex; flex-wrap: wrap; gap: 0 24px; }
.menu-link[aria-current="page"] { text-decoration-line: underline; text-underline-offset: 0.4em; }
.section { position: relative; }
.pictured { overflow: hidden; isolation: isolate; }
.backdrop { position: absolute; inset: 0; z-index: -2; width: 100%; height: 100%; object-fit: cover; }
.shade { position: absolute; inset: 0; z-index: -1; }
.cols { display: grid; gap: inherit; grid-template-columns: minmax(0, 1fr); max-width: 1120px; margin-inline: auto; }
.col { display: block; gap: inherit; min-width: 0; }
.col > p, .col > .list { max-width: 58ch; }
.picture { display: block; width: 100%; height: auto; object-fit: cover; }
.picture.wide { aspect-ratio: 16 / 9; }
.picture.square { aspect-ratio: 1; }
.picture.tall { aspect-ratio: 3 / 4; }
.captioned > figcaption { padding-block-start: 8px; }
.quote { padding-inline-start: 1.25rem; max-width: 58ch; }
.buttons { display: flex; flex-wrap: wrap; gap: 12px; padding-block: 8px; }
.button { display: inline-block; border-style: solid; text-decoration-line: none; text-align: center; cursor: pointer; }
.with-icon { display: inline-flex; align-items: center; justify-content: center; gap: 0.5em; }
.in-button { width: 1.1em; height: 1.1em; flex: none; fill: none; stroke: currentColor; stroke-width: 2; stroke-linecap: round; stroke-linejoin: round; }
.button:is([aria-busy="true"], [data-show="busy"])::after { content: ""; display: inline-block; width: 0.8em; height: 0.8em; margin-inline-start: 0.5em; vertical-align: -0.08em; border: 0.12em solid; border-inline-start-color: transparent; border-radius: 50%; }
@media (prefers-reduced-motion: no-preference) { .button:is([aria-busy="true"], [data-show="busy"])::after { animation: busy 1s linear infinite; } }
@keyframes busy { to { rotate: 1turn; } }
.cards { display: grid; gap: inherit; grid-template-columns: minmax(0, 1fr); padding-block: 8px; }
.card { min-width: 0; }
.card, .picture { border-style: solid; }
.card .picture { margin-block-end: 12px; }
.table-wrap { overflow-x: auto; padding-block: 8px; }
table { width: 100%; border-collapse: collapse; }
caption { text-align: start; }
th, td { text-align: start; vertical-align: baseline; padding: 10px 12px; border-width: 0; border-style: solid; }
.line { border-width: 0; border-style: solid; margin-block: 24px; }
.form { display: grid; gap: 16px; max-width: 560px; padding-block: 8px; }
.form label { display: block; }
.field { display: block; width: 100%; padding: 10px 12px; border-style: solid; appearance: none; }
.area { resize: vertical; }
.row-check { display: grid; grid-template-columns: 24px 1fr; gap: 10px; align-items: center; }
.row-check label { order: 2; }
.field.check { width: 24px; height: 24px; padding: 0; }
.field.check:checked { background-image: linear-gradient(currentcolor, currentcolor); background-size: 12px 12px; background-position: center; background-repeat: no-repeat; }
.error { display: none; }
.row:has(.field:user-invalid) .error { display: block; }
.block { display: block; }
.figures { display: grid; grid-template-columns: repeat(auto-fit, minmax(160px, 1fr)); gap: 24px; padding-block: 8px; }
${MOVING} { transition-property: color, background-color, border-color; }
:focus-visible, [data-show="focus"] { outline-width: 3px; outline-style: solid; outline-offset: 3px; }
.skip { position: absolute; inset-inline-start: -999px; }
.skip:focus { inset-inline-start: 8px; top: 8px; }
@media (width >= 640px) { .across-2, .across-3, .across-4 { grid-template-columns: repeat(2, minmax(0, 1fr)); } }
@media (width >= 1024px) {
.cols-2 { grid-template-columns: repeat(2, minmax(0, 1fr)); }
.cols-3 { grid-template-columns: repeat(3, minmax(0, 1fr)); }
.cols-4 { grid-template-columns: repeat(4, minmax(0, 1fr)); }
.across-3 { grid-template-columns: repeat(3, minmax(0, 1fr)); }
.across-4 { grid-template-columns: repeat(4, minmax(0, 1fr)); }
}
}
`;
