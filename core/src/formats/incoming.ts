import type { ParsedColor } from '../color/index.ts';
import type { DeriveRule } from '../palette/index.ts';
import type { IncomingPart } from './dtcg-parts.ts';
import type { ReadBrand } from './dtcg-read.ts';

/** A colour that a file has, before anything is done with it. */
export interface IncomingColor {
  /** The key in the file: a token path, a property or a name. Unique within the file. */
  readonly key: string;
  readonly label: string;
  readonly color: ParsedColor;
  readonly part: 'core' | 'side';
  /** A rule of ours, its swatches named by their keys. */
  readonly rule: DeriveRule | null;
}

/** A token that is not brought in, and why. */
export interface LeftToken {
  readonly path: string;
  readonly reason: string;
  /** The token as JSON, to be kept in the brand and written out again. */
  readonly kept?: string;
}

/** The content of a file of tokens or colours. */
export interface Incoming {
  readonly name: string;
  readonly format: 'yohaku' | 'dtcg' | 'css' | 'list';
  readonly colors: readonly IncomingColor[];
  /** Text styles, corners, shadows and motions of another tool. */
  readonly parts: readonly IncomingPart[];
  readonly left: readonly LeftToken[];
  /** The whole brand, when Yohaku wrote the file. */
  readonly brand: ReadBrand | null;
}
