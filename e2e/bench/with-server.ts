import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Site } from '@yohaku/core';
import { ternhavenFiles } from '@yohaku/demo';
import { storeFile } from '../../server/src/assets/index.ts';
import { migrateDatabase, openDatabase, startServer, type RunningServer } from '../../server/src/main.ts';
import { insertSite } from '../../server/src/sites/index.ts';
import { ROOT } from '../../server/src/testing/database.ts';

/** A throw-away cluster for the time of a benchmark. */
async function withCluster<T>(work: (url: string) => Promise<T>): Promise<T> {
  process.env['YOHAKU_LOG'] = 'silent';
  process.env['YOHAKU_KIT'] = '1';
  const { useCluster } = (await import(join(ROOT, 'tools/cluster.mjs'))) as {
    useCluster(data: string, options: object): Promise<{ url: string; release(): Promise<void> }>;
  };
  const data = mkdtempSync(join(tmpdir(), 'yohaku-bench-'));
  const cluster = await useCluster(data, { fast: true });
  try {
    return await work(cluster.url);
  } finally {
    await cluster.release();
    rmSync(data, { recursive: true, force: true });
  }
}

async function served<T>(databaseUrl: string, demo: boolean, work: (server: RunningServer) => Promise<T>): Promise<T> {
  const server = await startServer({ databaseUrl, port: 0, root: ROOT, demo });
  try {
    return await work(server);
  } finally {
    await server.close();
  }
}

/** A server with the demo for the time of a benchmark. */
export const withServer = <T>(work: (server: { address: string; link: string }) => Promise<T>): Promise<T> =>
  withCluster((url) =>
    served(url, true, async (server) => work({ address: server.address, link: await server.link() })),
  );

/** A server with sites made of the demo, and no other. */
export const withSite = <T>(site: Site | readonly Site[], work: (server: RunningServer) => Promise<T>): Promise<T> =>
  withCluster(async (url) => {
    const database = openDatabase(url);
    await migrateDatabase(database, join(ROOT, 'server', 'migrations'));
    await database.db.transaction(async (tx) => {
      for (const svg of ternhavenFiles.values()) await storeFile(tx, Buffer.from(svg), 'image/svg+xml');
      for (const entry of [site].flat()) await insertSite(tx, entry);
    });
    await database.close();
    return served(url, false, work);
  });
