import type {
  Change,
  FocusPoint,
  Incoming,
  JointMove,
  LayoutReading,
  PixelSets,
  PixelsJson,
  Site,
  Suggestion,
} from '@yohaku/core';
import type { AuditReport, FoundBehind, RippleReport, PageReading, TextOver } from '../state/index.ts';

/** To the audit worker: the whole site once, then only changes. */
export type ToAudit =
  | { readonly kind: 'site'; readonly site: Site }
  | { readonly kind: 'incoming'; readonly asked: number; readonly name: string; readonly text: string }
  | { readonly kind: 'read'; readonly siteId: string; readonly readings: readonly PageReading[] }
  | { readonly kind: 'evidence'; readonly asked: number; readonly most?: number }
  /**
   * The text over a picture in hand: what is found behind it is answered now, and again whenever that may be another.
   */
  | { readonly kind: 'behind'; readonly text: TextOver | null; readonly fixId: string }
  | { readonly kind: 'turned'; readonly surface: string; readonly sets: ReadonlyMap<FocusPoint, PixelSets> }
  | { readonly kind: 'change'; readonly change: Pick<Change, 'ops' | 'label'>; readonly ripple: boolean };

/** To the worker of what takes long: the site, then what is asked of it. */
export type ToLong =
  | { readonly kind: 'site'; readonly site: Site }
  | { readonly kind: 'fix'; readonly asked: number; readonly locked: readonly string[] }
  | { readonly kind: 'suggest'; readonly asked: number; readonly stay: readonly string[] };

/** From it: how far it is, 0 to 1, and what it found. */
export type FromLong =
  | { readonly kind: 'progress'; readonly asked: number; readonly share: number }
  | { readonly kind: 'answer'; readonly asked: number; readonly answer: BrandFix | readonly Suggestion[] };

/** A joint fix as the desk shows it: plain data. */
export interface BrandFix {
  readonly moves: readonly JointMove[];
  /** The pairs that cannot pass, in words, with the number of places that stay failing. */
  readonly conflicts: readonly { readonly words: string; readonly places: number }[];
  readonly movement: number;
  readonly fixed: number;
}

/** A file of tokens as it was read, or why it was not. */
export type ReadFile = { readonly incoming: Incoming } | { readonly problem: string };

/** The layout measurements of the pages, for a server that has none: with pixels only if they are few enough. */
export interface Evidence {
  readonly pixels: PixelsJson | undefined;
  readonly layout: readonly LayoutReading[];
}

/**
 * From it: counts and the first rows of lists. `step` counts the sites and changes it had been told when it answered.
 */
export type FromAudit =
  | { readonly kind: 'answer'; readonly asked: number; readonly answer: ReadFile | Evidence }
  | { readonly kind: 'behind'; readonly step: number; readonly fixId: string; readonly found: FoundBehind | null }
  | { readonly kind: 'report'; readonly report: AuditReport }
  | { readonly kind: 'ripple'; readonly ripple: RippleReport };
