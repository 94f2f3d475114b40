import type { ReadFace } from '@yohaku/core';
import type { Apart } from '../apart/index.ts';
import type { Querier } from '../db/index.ts';
import { storeFile } from '../assets/index.ts';
import { openApart } from './open-apart.ts';

/** A font that was taken in, ready to become part of a brand. */
export interface TakenFont extends ReadFace {
  /** What was read with losses, in whole sentences. */
  readonly notes: readonly string[];
}

/**
 * Reads a font file and keeps it as woff2.
 *
 * @param name of the file, for a font that says none of its own
 * @throws FontRefused when it is none, broken or too large
 */
export async function takeFont(db: Querier, apart: Apart, name: string, bytes: Buffer): Promise<TakenFont> {
  const { read, looks, woff2 } = await openApart(apart, bytes);
  const { family, weight, italic, axes, embedding, metrics, width, coverage, tableFigures, notes } = read;
  const { kind, shape } = looks;
  const hash = await storeFile(db, Buffer.from(woff2), 'font/woff2');
  const called = family || name.replace(/\.\w+$/, '').replace(/[^\p{L}\p{N} ._-]/gu, ' ').replace(/\s+/g, ' ').trim().slice(0, 60).trim() || 'Font';
  return {
    family: { name: called, kind, shape, metrics: { ...metrics, widths: { [`${Math.min(Math.max(400, weight[0]), weight[1])}${italic ? 'i' : ''}`]: width } } },
    face: { hash, file: name.slice(0, 200), weight: [...weight], italic, axes: axes.map((axis) => ({ ...axis })), embedding, tableFigures, coverage: coverage.slice(0, 4000).map((run) => [...run] as [number, number]) },
    notes,
  };
}
