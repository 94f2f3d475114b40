/** Kinds of token, named after the DTCG format's types. */
export type TokenType =
  | 'color'
  | 'fontFamily'
  | 'fontWeight'
  | 'dimension'
  | 'number'
  | 'gradient'
  | 'duration'
  | 'cubicBezier'
  | 'shadow'
  | 'text';

/**
 * A leaf token. `path` joined with hyphens is its custom property. It either
 * stands for another token (`alias`) or has a literal CSS value (`css`).
 * `follows` names the tokens from which a rule computed the literal, or, with
 * `chooses`, the swatches among which a rule chose: they need not move it.
 */
export interface Token {
  readonly path: string;
  readonly label: string;
  readonly type: TokenType;
  readonly alias?: string;
  readonly css?: string;
  readonly follows?: readonly string[];
  readonly chooses?: true;
  /** The sources of a mixed colour, and the share of the second in OKLab, 0 to 1. */
  readonly mixes?: { readonly from: string; readonly with: string; readonly share: number };
  /** Where in the document its value is set; undefined when it is computed. */
  readonly address?: readonly string[];
}

const properties = new Map<string, string>();

/**
 * `color.core.funnel` as `--color-core-funnel`; remembered, because every move of a held control asks for all of them.
 */
export function customProperty(path: string): string {
  let property = properties.get(path);
  if (property === undefined) properties.set(path, (property = `--${path.replaceAll('.', '-')}`));
  return property;
}
