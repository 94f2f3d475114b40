import type { FontMetrics } from './metrics.ts';

export type FamilyKind = 'serif' | 'slab' | 'sans' | 'mono' | 'display' | 'hand';
/** The nearest of the three generic shapes. */
export type FamilyShape = 'serif' | 'sans' | 'mono';
export const FAMILY_SHAPES: readonly FamilyShape[] = ['serif', 'sans', 'mono'];
export const FAMILY_KINDS: readonly FamilyKind[] = ['serif', 'slab', 'sans', 'mono', 'display', 'hand'];

/** A typeface family that ships with the app: its web font files are served under `/fonts/`. */
export interface LibraryFamily {
  readonly id: string;
  readonly name: string;
  readonly kind: FamilyKind;
  /** The shape of its fallback. */
  readonly shape: FamilyShape;
  /** Made for paragraphs. */
  readonly text: boolean;
  /** Static weights shipped, each upright and, where `italic`, slanted. */
  readonly weights: readonly number[];
  readonly italic: boolean;
  /** SPDX name of the licence under which it ships. */
  readonly licence: string;
  readonly metrics: FontMetrics;
}

/** One file of a family that was brought along. */
export interface OwnFace {
  /** SHA-256 of the woff2 file, hex. */
  readonly hash: string;
  /** Lightest and heaviest weight in it. */
  readonly weight: readonly [number, number];
  readonly italic: boolean;
}

/** A family that was brought along. */
export interface OwnFamily {
  readonly id: string;
  readonly name: string;
  readonly kind: FamilyKind;
  readonly shape: FamilyShape;
  readonly faces: readonly OwnFace[];
  readonly metrics: FontMetrics;
}

export type Family = LibraryFamily | OwnFamily;
/** Families of one site, by id. */
export type OwnFamilies = Readonly<Record<string, OwnFamily>> | undefined;
