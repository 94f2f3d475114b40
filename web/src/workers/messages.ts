import type { Change, Incoming, JointMove, LayoutReading, PixelSets, Site, Suggestion } from '@yohaku/core';
import type { AuditReport, RippleReport } from '../state/audit/audit.ts';

/** To the audit worker: the whole site once, then only changes. */
export type ToAudit =
  | { readonly kind: 'site'; readonly site: Site }
  | { readonly kind: 'incoming'; readonly asked: number; readonly name: string; readonly text: string }
  | { readonly kind: 'pixels'; readonly sets: PixelSets }
  | { readonly kind: 'layout'; readonly readings: readonly LayoutReading[] }
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
  /** What cannot hold, in words, with the places that are left failing. */
  readonly conflicts: readonly { readonly words: string; readonly places: number }[];
  readonly movement: number;
  readonly fixed: number;
}

/** A file of tokens as it was read, or why it was not. */
export type ReadFile = { readonly incoming: Incoming } | { readonly problem: string };

/** From it: counts and the first rows of lists. */
export type FromAudit =
  | { readonly kind: 'answer'; readonly asked: number; readonly answer: ReadFile }
  | { readonly kind: 'report'; readonly report: AuditReport }
  | { readonly kind: 'ripple'; readonly ripple: RippleReport };
