import type { FramePainter } from './frame-painter.ts';

/** A frame on the wall as those see it who paint and compare it. */
export interface HungFrame {
  readonly key: string;
  readonly page: string;
  readonly width: number;
  /** Shows a part of the page only. */
  readonly part: boolean;
  readonly painter: FramePainter;
  readonly element: HTMLElement;
  scale(): number;
  /** Returns true if the page takes clicks itself. */
  takesPresses(): boolean;
  /** Smaller is nearer; the grown page is 0. */
  nearness(): number;
  /** Returns true if it is in sight or about to be; the others come last. */
  inSight(): boolean;
  /** Called after something was painted, so that heights and marks follow. */
  painted(structure: boolean): void;
  /** Called before its page is taken from the wall, so that its document is kept for another. */
  park(): void;
}

/**
 * Returns true if a frame is laid out at its width: what has just been hung out of sight still has that of the page it
 * showed before.
 */
export const laidOut = ({ painter, width }: HungFrame): boolean => painter.document.defaultView?.innerWidth === width;
