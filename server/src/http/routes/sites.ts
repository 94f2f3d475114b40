import { PassThrough, Readable } from 'node:stream';
import { API, readChange, type LoadedSite, type SiteLine } from '@yohaku/core';
import { isOpen } from '../../auth/index.ts';
import {
  archiveSite,
  bringIn,
  changesAfter,
  copySite,
  hasSite,
  inversesOf,
  loadSite,
  moveSite,
  movedTo,
  removeSite,
  saveChanges,
  sequenceOf,
  shelvedSites,
  standingOf,
  type StoredSite,
} from '../../sites/index.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Time between two signs of life of a stream, in which it also makes sure that its session is open still; ms. */
const BEAT = 15_000;

/** Reading a site, sending changes, catching up, hearing of others, bringing a site in. */
export function siteRoutes({ database, hub, apart, log }: Services): Route[] {
  const { db } = database;
  const known = async (site: string): Promise<string> => {
    if (!(await hasSite(db, site))) throw notFound(`The site “${site}”`);
    return site;
  };
  return [
    route(API.sites.list, async () => ({ sites: await shelvedSites(db) })),
    route(API.sites.bringIn, async ({ context, query, bytes }) => {
      const brought = await bringIn(database, apart, bytes, query.id, query.name);
      context.status = 201;
      return brought;
    }),
    route(API.sites.load, async ({ params }) => {
      const stored = await loadSite(database, params.site);
      if (!stored) throw notFound(`The site “${params.site}”`);
      return loaded(stored);
    }),
    route(API.sites.standing, async ({ params }) => {
      const standing = await standingOf(database, apart, params.site);
      if (!standing) throw notFound(`The site “${params.site}”`);
      return standing;
    }),
    route(API.sites.copy, async ({ context, params, body }) => {
      const copied = await copySite(database, params.site, body.id, body.name);
      if (!copied) throw notFound(`The site “${params.site}”`);
      context.status = 201;
      return copied;
    }),
    route(API.sites.archive, async ({ context, params, body }) => {
      if (!(await archiveSite(db, params.site, body.archived))) throw notFound(`The site “${params.site}”`);
      context.status = 204;
    }),
    route(API.sites.move, async ({ context, params, body }) => {
      if (!(await moveSite(database, params.site, body.id))) throw notFound(`The site “${params.site}”`);
      context.status = 204;
    }),
    route(API.sites.remove, async ({ context, params, query }) => {
      if (!(await removeSite(database, params.site, query.name))) throw notFound(`The site “${params.site}”`);
      context.status = 204;
    }),
    route(API.sites.stream, async ({ context, params, query }) => {
      const stored = await loadSite(database, params.site);
      if (!stored) throw notFound(`The site “${params.site}”`);
      context.type = 'application/x-ndjson';
      context.set('Cache-Control', 'no-store');
      context.body = Readable.from(siteLines(loaded(stored), query.first));
    }),
    route(API.sites.send, async ({ params, body: { window, changes }, user }) => {
      const site = await known(params.site);
      return {
        results: await saveChanges(database, site, changes.map(readChange), user, window, (error) =>
          log.error({ err: error, site }, 'an edit could not be saved'),
        ),
      };
    }),
    route(API.sites.after, async ({ params, query }) => {
      const site = await known(params.site);
      // The sequence first: what is saved between the two reads is then still ahead of what is said.
      const sequence = await sequenceOf(db, site);
      return { changes: await changesAfter(db, site, query.after), sequence };
    }),
    route(API.sites.inverses, async ({ params, query }) => ({
      inverses: await inversesOf(db, await known(params.site), query.ids.split(',').filter(Boolean).slice(0, 100)),
    })),
    route(API.sites.events, async ({ context, params, session }) => {
      const site = await known(params.site);
      const stream = new PassThrough();
      context.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
      context.status = 200;
      context.body = stream;
      const tell = (sequence: number) => stream.write(`event: sequence\ndata: ${sequence}\n\n`);
      const end = () => {
        clearInterval(beat);
        leave();
        stream.end();
      };
      // The site can have another id by now.
      const now = async (): Promise<number> => sequenceOf(db, (await movedTo(db, site)) ?? site);
      const leave = hub.subscribe(site, session, {
        // Nothing certain after a gap of the server's own: then it is looked up.
        sequence: (sequence) => (sequence > 0 ? tell(sequence) : void now().then(tell, () => {})),
        restored: () => stream.write('event: restored\ndata: \n\n'),
        end,
      });
      const beat = setInterval(() => {
        stream.write(': still here\n\n');
        // A session that ran out, or was ended while nobody could be told, takes its stream with it.
        void isOpen(db, session).then(
          (open) => {
            if (!open) end();
          },
          () => {},
        );
      }, BEAT);
      context.req.on('close', end);
      // The present sequence comes first, so that a window that missed edits sees the gap at once.
      stream.write('retry: 1000\n\n');
      tell(await sequenceOf(db, site).catch(() => 0));
    }),
  ];
}

/** Returns a stored site in the form that windows receive. */
const loaded = ({ site, sequence, told }: StoredSite): LoadedSite => ({ site, sequence, ...(told ? { told } : {}) });

/**
 * A site line by line: what its pages share first, then the pages that are asked for, then the others in their order.
 */
function* siteLines({ site, ...about }: LoadedSite, first: readonly string[]): Generator<string> {
  const line = (entry: SiteLine) => `${JSON.stringify(entry)}\n`;
  const wanted = new Set(first.filter((id) => Object.hasOwn(site.pages, id)));
  yield line({ head: { ...about, site: { ...site, pages: {} } }, pages: site.pageOrder.length });
  for (const id of [...wanted, ...site.pageOrder.filter((page) => !wanted.has(page))])
    yield line({ page: site.pages[id]! });
  yield line({ whole: true });
}
