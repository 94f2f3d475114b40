import { round } from '../number/index.ts';
import { PARTS } from './faces.ts';
import { familyById } from './families.ts';
import type { Family, FamilyShape, OwnFamilies } from './family.ts';
import { READY_METRICS } from './library.ts';
import { widthOf, type FontMetrics } from './metrics.ts';

/** A face that readers have already, under all the names by which systems know it and its twins of equal widths. */
interface Ready {
  readonly id: keyof typeof READY_METRICS;
  readonly name: string;
  readonly shape: FamilyShape;
  readonly generic: string;
  /** Font package of its free twin of equal widths, which ships with the desk; absent where there is none. */
  readonly twin?: string;
  readonly locals: (bold: boolean, italic: boolean) => readonly string[];
}

const named =
  (...families: readonly (readonly [string, string])[]) =>
  (bold: boolean, italic: boolean): string[] =>
    families.map(([family, slanted]) => `${family}${bold ? ' Bold' : ''}${italic ? ` ${slanted}` : ''}`);

const READY: readonly Ready[] = [
  {
    id: 'arial',
    twin: 'arimo',
    name: 'Arial',
    shape: 'sans',
    generic: 'sans-serif',
    locals: named(['Arial', 'Italic'], ['Arimo', 'Italic'], ['Liberation Sans', 'Italic']),
  },
  {
    id: 'georgia',
    twin: 'gelasio',
    name: 'Georgia',
    shape: 'serif',
    generic: 'serif',
    locals: named(['Georgia', 'Italic'], ['Gelasio', 'Italic']),
  },
  {
    id: 'times',
    twin: 'tinos',
    name: 'Times New Roman',
    shape: 'serif',
    generic: 'serif',
    locals: named(['Times New Roman', 'Italic'], ['Tinos', 'Italic'], ['Liberation Serif', 'Italic']),
  },
  {
    id: 'courier',
    twin: 'cousine',
    name: 'Courier New',
    shape: 'mono',
    generic: 'monospace',
    locals: named(['Courier New', 'Italic'], ['Cousine', 'Italic'], ['Liberation Mono', 'Italic']),
  },
  {
    id: 'dejavu-sans',
    name: 'DejaVu Sans',
    shape: 'sans',
    generic: 'sans-serif',
    locals: named(['DejaVu Sans', 'Oblique']),
  },
  {
    id: 'dejavu-serif',
    name: 'DejaVu Serif',
    shape: 'serif',
    generic: 'serif',
    locals: named(['DejaVu Serif', 'Italic']),
  },
  {
    id: 'dejavu-mono',
    name: 'DejaVu Sans Mono',
    shape: 'mono',
    generic: 'monospace',
    locals: named(['DejaVu Sans Mono', 'Oblique']),
  },
];

/** One face that stands in, made as wide and as tall as what it stands in for. */
export interface FallbackFace {
  /** `Gelasio as Georgia`. */
  readonly family: string;
  readonly locals: readonly string[];
  /** Files of the shipped twin, each with the characters it is for (`unicode-range`); empty where none ships. */
  readonly files: readonly { readonly file: string; readonly range: string }[];
  readonly bold: boolean;
  readonly italic: boolean;
  /** All in percent. */
  readonly sizeAdjust: number;
  readonly ascent: number;
  readonly descent: number;
  readonly lineGap: number;
}

/** How a ready face differs from what it stands in for, once it is made as wide: the x-height, as a share. */
export interface ReadyMatch {
  readonly id: string;
  readonly name: string;
  readonly xHeight: number;
}

/** The ready faces of the same kind, nearest in x-height first once each is made as wide. */
export function readyFor(family: Family): ReadyMatch[] {
  return READY.filter((entry) => entry.shape === family.shape)
    .map((entry) => ({
      id: entry.id,
      name: entry.name,
      xHeight: round(matched(family.metrics, READY_METRICS[entry.id]), 4),
    }))
    .sort((entry, other) => Math.abs(entry.xHeight) - Math.abs(other.xHeight));
}

function matched(metrics: FontMetrics, ready: FontMetrics): number {
  const adjust = widthOf(metrics, 400, false) / widthOf(ready, 400, false);
  return (ready.xHeight * adjust) / metrics.xHeight - 1;
}

/**
 * Names that a family's text asks for after its own, and the generic one at the end. Linux has other faces than the
 * rest, so one of each stands there.
 */
function standIns(family: Family): readonly Ready[] {
  const order = readyFor(family).map((match) => READY.find((entry) => entry.id === match.id)!);
  const linux = (entry: Ready) => entry.id.startsWith('dejavu');
  return [order.find((entry) => !linux(entry))!, order.find(linux)!];
}

/**
 * Returns the fallback faces, which show while a family's files load or if they do not
 * load: regular and bold, upright and italic. CSS Fonts Level 5: `size-adjust` scales the
 * letters to the average width of the family; the overrides are shares of the adjusted
 * size and restore the content area.
 */
export function fallbackFaces(family: Family): FallbackFace[] {
  return standIns(family).flatMap((ready) =>
    [400, 700].flatMap((weight) =>
      [false, true].map((italic): FallbackFace => {
        const adjust = widthOf(family.metrics, weight, italic) / widthOf(READY_METRICS[ready.id], weight, italic);
        const percent = (em: number) => round((em / adjust) * 100, 2);
        return {
          family: fallbackName(family, ready),
          locals: ready.locals(weight === 700, italic),
          files: ready.twin ? twinFiles(ready.twin, weight, italic) : [],
          bold: weight === 700,
          italic,
          sizeAdjust: round(adjust * 100, 2),
          ascent: percent(family.metrics.ascent),
          descent: percent(family.metrics.descent),
          lineGap: percent(family.metrics.lineGap),
        };
      }),
    ),
  );
}

const twinFiles = (twin: string, weight: number, italic: boolean): { file: string; range: string }[] =>
  Object.entries(PARTS).map(([part, range]) => ({
    file: `${twin}-${part}-${weight}-${italic ? 'italic' : 'normal'}.woff2`,
    range,
  }));

/** Returns the files of all shipped twins: file name to font package. */
export const twinFileNames = (): Map<string, string> =>
  new Map(
    READY.flatMap(({ twin }) =>
      twin
        ? [400, 700].flatMap((weight) =>
            [false, true].flatMap((italic) => twinFiles(twin, weight, italic).map(({ file }) => [file, twin] as const)),
          )
        : [],
    ),
  );

const fallbackName = (family: Family, ready: Ready): string => `${family.name} as ${ready.name}`;

/** CSS `font-family` value of a family with what stands in for it; Arial where there is no such family. */
export function familyStack(id: string, own?: OwnFamilies): string {
  const family = familyById(id, own);
  if (!family) return 'Arial, sans-serif';
  const ready = standIns(family);
  return `${[family.name, ...ready.map((entry) => fallbackName(family, entry))].map((name) => `"${name}"`).join(', ')}, ${ready[0]!.generic}`;
}
