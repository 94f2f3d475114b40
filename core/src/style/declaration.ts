import type { BandId } from '../breakpoint/index.ts';
import type { PaintedProperty, State } from '../site/index.ts';

/**
 * One line of the table: this property takes this token, in this state (absent: in all not named) and band (absent: in
 * all).
 */
export interface Declaration {
  readonly property: PaintedProperty;
  readonly token: string;
  readonly state?: Exclude<State, 'rest'>;
  readonly band?: BandId;
  /** The token is a share of the height of the part: `border-radius` only. */
  readonly ofHeight?: true;
}
