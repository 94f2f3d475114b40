import type { BandId } from '../shape/index.ts';
import type { OverrideProperty, State } from '../site/index.ts';

/** A property the brand paints. Layout properties that no token moves are not among them. */
export type PaintedProperty = OverrideProperty | 'font-style' | 'text-transform' | 'outline-color' | 'border-width' | 'border-block-start-width' | 'border-block-end-width' | 'box-shadow' | 'text-underline-offset' | 'text-decoration-thickness' | 'gap' | 'width' | 'max-width' | 'font-variant-numeric' | 'transition-duration' | 'transition-timing-function' | 'background-image' | `drawing-${number}`;

/** One line of the table: this property takes this token, in this state (absent: in all not named) and band (absent: in all). */
export interface Declaration {
  readonly property: PaintedProperty;
  readonly token: string;
  readonly state?: Exclude<State, 'rest'>;
  readonly band?: BandId;
  /** The token is a share of the height of the part: `border-radius` only. */
  readonly ofHeight?: true;
}
