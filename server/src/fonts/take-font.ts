import type { ReadFace } from '@yohaku/core';
import type { Isolated } from '../isolated/index.ts';
import { eq, sql } from 'drizzle-orm';
import { schema, type Querier } from '../db/index.ts';
import { FontRefused } from './font-refused.ts';
import { storeFile } from '../assets/index.ts';
import { openIsolated } from './open-isolated.ts';

/** A font that was taken in, ready to become part of a brand. */
export interface TakenFont extends ReadFace {
  /** The parts read with losses, in whole sentences. */
  readonly notes: readonly string[];
}

/**
 * Reads a font file and keeps it as woff2.
 *
 * @param name of the file, for a font that says none of its own
 * @throws FontRefused when it is none, broken or too large
 */
export async function takeFont(db: Querier, apart: Isolated, name: string, bytes: Buffer): Promise<TakenFont> {
  const { read, looks, woff2 } = await openIsolated(apart, bytes);
  const { family, weight, italic, axes, embedding, metrics, width, coverage, tableFigures, notes } = read;
  const { kind, shape } = looks;
  await refuseWithoutRoom(db, woff2.length);
  const hash = await storeFile(db, Buffer.from(woff2), 'font/woff2');
  const called =
    family ||
    name
      .replace(/\.\w+$/, '')
      .replace(/[^\p{L}\p{N} ._-]/gu, ' ')
      .replace(/\s+/g, ' ')
      .trim()
      .slice(0, 60)
      .trim() ||
    'Font';
  return {
    family: {
      name: called,
      kind,
      shape,
      metrics: {
        ...metrics,
        widths: { [`${Math.min(Math.max(400, weight[0]), weight[1])}${italic ? 'i' : ''}`]: width },
      },
    },
    face: {
      hash,
      file: name.slice(0, 200),
      weight: [...weight],
      italic,
      axes: axes.map((axis) => ({ ...axis })),
      embedding,
      tableFigures,
      coverage: coverage.slice(0, 4000).map((run) => [...run] as [number, number]),
    },
    notes,
  };
}

/** All fonts that were ever sent, bytes. */
const MOST_FONTS = 1024 * 1024 * 1024;

/** @throws FontRefused when so many fonts are kept that there is no room for more */
async function refuseWithoutRoom(db: Querier, bytes: number): Promise<void> {
  const [row] = await db
    .select({ kept: sql<string>`coalesce(sum(${schema.files.size}), 0)` })
    .from(schema.files)
    .where(eq(schema.files.type, 'font/woff2'));
  if (Number(row!.kept) + bytes > MOST_FONTS)
    throw new FontRefused(`At most ${MOST_FONTS / 1024 / 1024 / 1024} GB of fonts are kept here; this one was not.`);
}
