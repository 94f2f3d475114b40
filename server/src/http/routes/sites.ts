import { PassThrough } from 'node:stream';
import * as v from 'valibot';
import { Id, LIMITS, readChange } from '@yohaku/core';
import { isOpen } from '../../auth/index.ts';
import { SITE_FILES, bringIn, changesAfter, hasSite, inversesOf, listSites, loadSite, saveChanges, sequenceOf } from '../../sites/index.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** What the description shows of a body: edits are read one by one, so that a faulty one does not take the others with it. */
const SendChanges = v.strictObject({
  window: v.pipe(v.string(), v.regex(/^[a-z0-9-]{4,60}$/, 'must be 4 to 60 lower case letters, digits or hyphens')),
  changes: v.pipe(v.array(v.unknown()), v.minLength(1), v.maxLength(LIMITS.changesAtOnce)),
});
const After = v.strictObject({ after: v.optional(v.pipe(v.string(), v.regex(/^\d{1,15}$/, 'must be a sequence number'), v.transform(Number)), '0') });
const ChangeIds = v.strictObject({ ids: v.pipe(v.string(), v.maxLength(8000), v.regex(/^[a-z0-9,-]*$/, 'must be ids joined by commas')) });
const As = v.strictObject({ id: Id, name: v.optional(v.pipe(v.string(), v.maxLength(80))) });

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
    route({
      method: 'get', path: '/api/sites', summary: 'All sites',
      async handle({ context }) {
        context.body = { sites: await listSites(db) };
      },
    }),
    route({
      method: 'post', path: '/api/sites', summary: 'Bring in an exported site (its zip, or its site.json) under an id that is free; the body is the file', query: As,
      upload: { bytes: SITE_FILES.bytes, tooLarge: `The file is over ${SITE_FILES.bytes / 1024 / 1024} MB. Bring the site in with ./yohaku import instead.` },
      async handle({ context, query, bytes }) {
        const brought = await bringIn(database, apart, bytes, query.id, query.name);
        context.status = 201;
        context.body = brought;
      },
    }),
    route({
      method: 'get', path: '/api/sites/:site', summary: 'A site with all its pages, and its sequence',
      async handle({ context, params }) {
        const stored = await loadSite(database, params['site']!);
        if (!stored) throw notFound(`The site “${params['site']}”`);
        context.body = stored;
      },
    }),
    route({
      method: 'post', path: '/api/sites/:site/changes', summary: 'Save changes; each is taken once by its id, and a refused one is answered beside the saved ones', body: SendChanges, bodyBytes: LIMITS.bodyBytes,
      async handle({ context, params, body: { window, changes }, user }) {
        const site = await known(params['site']!);
        context.body = { results: await saveChanges(database, site, changes.map(readChange), user, window, (error) => log.error({ err: error, site }, 'an edit could not be saved')) };
      },
    }),
    route({
      method: 'get', path: '/api/sites/:site/changes', summary: 'Changes after a sequence, a thousand at most, and the sequence there is', query: After,
      async handle({ context, params, query }) {
        const site = await known(params['site']!);
        // The sequence first: what is saved between the two reads is then still ahead of what is said.
        const sequence = await sequenceOf(db, site);
        context.body = { changes: await changesAfter(db, site, query.after), sequence };
      },
    }),
    route({
      method: 'get', path: '/api/sites/:site/inverses', summary: 'Inverses of changes, for undo', query: ChangeIds,
      async handle({ context, params, query }) {
        context.body = { inverses: await inversesOf(db, await known(params['site']!), query.ids.split(',').filter(Boolean).slice(0, 100)) };
      },
    }),
    route({
      method: 'get', path: '/api/sites/:site/events', summary: 'Server-sent events: each new sequence', media: 'text/event-stream',
      async handle({ context, params, session }) {
        const site = await known(params['site']!);
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
        const leave = hub.subscribe(site, session, {
          // Nothing certain after a gap of the server's own: then it is looked up.
          sequence: (sequence) => (sequence > 0 ? tell(sequence) : void sequenceOf(db, site).then(tell, () => {})),
          restored: () => stream.write('event: restored\ndata: \n\n'), end,
        });
        const beat = setInterval(() => {
          stream.write(': still here\n\n');
          // A session that ran out, or was ended while nobody could be told, takes its stream with it.
          void isOpen(db, session).then((open) => { if (!open) end(); }, () => {});
        }, BEAT);
        context.req.on('close', end);
        // What there is now: a window that missed something while it was not connected sees the gap at once.
        stream.write('retry: 1000\n\n');
        tell(await sequenceOf(db, site).catch(() => 0));
      },
    }),
  ];
}

