import { create, type Font } from 'fontkit';
import sharp from 'sharp';
import type { SharingCard } from '@yohaku/core';

/** One picture for sharing to draw: words in the font they have on the page, on the colours they stand on. */
export interface SharingOrder extends Omit<SharingCard, 'faces' | 'uppercase'> {
  readonly width: number;
  readonly height: number;
  /** Font files in the order in which a letter is looked for. */
  readonly fonts: readonly Uint8Array[];
}

const MARGIN = 80;
/** Largest and smallest size of the title, px; most lines of it. */
const [LARGEST, SMALLEST, MOST_LINES] = [96, 40, 4];

/** Words that were set. */
interface Outline {
  readonly path: string;
  readonly width: number;
}

/** Draws pictures for sharing as PNG, each in its order. Runs in a process of its own. */
export async function drawSharingIsolated(orders: readonly SharingOrder[]): Promise<Uint8Array[]> {
  const known = new Map<string, Font[]>();
  const done: Uint8Array[] = [];
  for (const order of orders) {
    const key = order.fonts
      .map((bytes) => `${bytes.length}:${Buffer.from(bytes.subarray(0, 64)).toString('base64')}`)
      .join();
    let fonts = known.get(key);
    if (!fonts) known.set(key, (fonts = order.fonts.map((bytes) => create(Buffer.from(bytes)) as Font)));
    done.push(
      await sharp(Buffer.from(drawing(order, fonts)))
        .png({ compressionLevel: 9, palette: true })
        .toBuffer(),
    );
  }
  return done;
}

function drawing(
  { width, height, title, name, background, far, ink, quiet }: SharingOrder,
  fonts: readonly Font[],
): string {
  const room = width - 2 * MARGIN;
  let size = LARGEST;
  let lines = wrapped(title, size, room, fonts);
  while ((lines.length > MOST_LINES || lines.some((line) => line.width > room)) && size > SMALLEST)
    lines = wrapped(title, (size -= 4), room, fonts);
  const shown = lines.slice(0, MOST_LINES);
  const leading = size * 1.15;
  const top = height - MARGIN - 56 - (shown.length - 1) * leading;
  const words = (outline: Outline, y: number, color: string) =>
    `<path transform="translate(${MARGIN} ${y.toFixed(1)})" d="${outline.path}" fill="${color}"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">${far === null ? '' : `<defs><linearGradient id="g" x1="0" y1="0" x2="0" y2="1"><stop stop-color="${background}"/><stop offset="1" stop-color="${far}"/></linearGradient></defs>`}
<rect width="${width}" height="${height}" fill="${far === null ? background : 'url(#g)'}"/>${shown.map((line, i) => words(line, top + i * leading, ink)).join('')}${words(set(name, 30, fonts), height - MARGIN, quiet)}</svg>`;
}

function wrapped(text: string, size: number, room: number, fonts: readonly Font[]): Outline[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const last = lines.at(-1);
    if (last !== undefined && set(`${last} ${word}`, size, fonts).width <= room)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines.map((line) => set(line, size, fonts));
}

/** Words as an outline, from their baseline; letters that no font has are left out. */
function set(text: string, size: number, fonts: readonly Font[]): Outline {
  let [path, x] = ['', 0];
  // Runs of letters that one font has are set together: they keep their kerning.
  for (const { font, letters } of runsOf(text, fonts)) {
    const scale = size / font.unitsPerEm;
    const laid = font.layout(letters);
    laid.glyphs.forEach((glyph, i) => {
      const at = laid.positions[i]!;
      path += glyph.path
        .scale(scale, -scale)
        .translate(x + at.xOffset * scale, -at.yOffset * scale)
        .toSVG();
      x += at.xAdvance * scale;
    });
  }
  return { path, width: x };
}

function runsOf(text: string, fonts: readonly Font[]): { font: Font; letters: string }[] {
  const runs: { font: Font; letters: string }[] = [];
  for (const letter of text) {
    const font = fonts.find((entry) => entry.hasGlyphForCodePoint(letter.codePointAt(0)!));
    if (!font) continue;
    const last = runs.at(-1);
    if (last?.font === font) last.letters += letter;
    else runs.push({ font, letters: letter });
  }
  return runs;
}
