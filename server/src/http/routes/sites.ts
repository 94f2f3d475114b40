import { PassThrough } from 'node:stream';
import type Router from '@koa/router';
import * as v from 'valibot';
import { Change, ChangeRefused } from '@yohaku/core';
import { changesAfter, inversesOf, listSites, loadSite, saveChange } from '../../sites/index.ts';
import { readInput } from '../input.ts';
import { notFound } from '../problem.ts';
import type { Services } from '../context.ts';

export const SendChanges = v.strictObject({
  window: v.pipe(v.string(), v.regex(/^[a-z0-9-]{4,60}$/)),
  changes: v.pipe(v.array(Change), v.minLength(1), v.maxLength(200)),
});
const After = v.pipe(v.string(), v.regex(/^\d{1,15}$/, 'must be a sequence number'), v.transform(Number));

/** Reading a site, sending changes, catching up, hearing of others. */
export function siteRoutes(router: Router, { database, hub }: Services): void {
  const { db } = database;
  router.get('/api/sites', async (context) => {
    context.body = { sites: await listSites(db) };
  });

  router.get('/api/sites/:site', async (context) => {
    const stored = await loadSite(database, context.params['site']!);
    if (!stored) throw notFound(`The site “${context.params['site']}”`);
    context.body = stored;
  });

  router.post('/api/sites/:site/changes', async (context) => {
    const { window, changes } = readInput(SendChanges, context.request.body);
    const results: unknown[] = [];
    for (const change of changes) {
      try {
        const saved = await saveChange(database, context.params['site']!, change, context.state['user'] as string, window);
        if (!saved) throw notFound(`The site “${context.params['site']}”`);
        results.push({ id: change.id, ...saved });
      } catch (error) {
        if (!(error instanceof ChangeRefused)) throw error;
        results.push({ id: change.id, refused: error.message, kind: error.kind, issues: error.issues });
      }
    }
    context.body = { results };
  });

  router.get('/api/sites/:site/changes', async (context) => {
    const after = readInput(After, context.query['after'] ?? '0');
    context.body = { changes: await changesAfter(db, context.params['site']!, after) };
  });

  router.get('/api/sites/:site/inverses', async (context) => {
    const ids = readInput(v.pipe(v.string(), v.maxLength(8000)), context.query['ids'] ?? '').split(',').filter(Boolean).slice(0, 100);
    context.body = { inverses: await inversesOf(db, context.params['site']!, ids) };
  });

  router.get('/api/sites/:site/events', (context) => {
    const stream = new PassThrough();
    context.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
    context.status = 200;
    context.body = stream;
    stream.write('retry: 1000\n\n');
    const leave = hub.subscribe(context.params['site']!, (sequence) => stream.write(`event: sequence\ndata: ${sequence}\n\n`));
    const beat = setInterval(() => stream.write(': still here\n\n'), 15_000);
    const end = () => {
      clearInterval(beat);
      leave();
      stream.end();
    };
    context.req.on('close', end);
  });
}
