import * as v from 'valibot';
import { Id } from '@yohaku/core';
import { readFile } from '../../assets/index.ts';
import { EVIDENCE_FILES, addEvidence, evidenceFile, listEvidence, putAway } from '../../evidence/index.ts';
import { hasSite } from '../../sites/index.ts';
import { SentName } from '../mount.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

const Sent = v.object({ id: Id, name: SentName });
const PutAway = v.strictObject({ putAway: v.boolean() });

/** Evidence in: kept with what it gave, listed, put away and back. */
export function evidenceRoutes({ database, apart }: Services): Route[] {
  const known = async (site: string): Promise<string> => {
    if (!(await hasSite(database.db, site))) throw notFound(`The site “${site}”`);
    return site;
  };
  return [
    route({
      method: 'get', path: '/api/sites/:site/evidence', summary: 'Evidence for the brand, with the colours it gave',
      async handle({ context, params }) {
        context.body = { evidence: await listEvidence(database, await known(params['site']!)) };
      },
    }),
    route({
      method: 'post', path: '/api/sites/:site/evidence', summary: 'Keep a piece of evidence and read its colours; the body is the file', query: Sent,
      upload: { bytes: EVIDENCE_FILES.bytes, tooLarge: `The file is over ${EVIDENCE_FILES.bytes / 1024 / 1024} MB. Make it smaller and drop it again.` },
      async handle({ context, params, query, bytes }) {
        context.body = await addEvidence(database, apart, await known(params['site']!), query.id, query.name, bytes);
      },
    }),
    route({
      method: 'put', path: '/api/sites/:site/evidence/:id', summary: 'Put a piece of evidence away, or back', body: PutAway,
      async handle({ context, params, body }) {
        if (!(await putAway(database, params['site']!, params['id']!, body.putAway))) throw notFound('The piece of evidence');
        context.status = 204;
      },
    }),
    route({
      method: 'get', path: '/api/sites/:site/evidence/:id/picture', summary: 'The picture itself', media: 'image/*',
      async handle({ context, params }) {
        const hash = await evidenceFile(database, params['site']!, params['id']!);
        const file = hash ? await readFile(database.db, hash) : undefined;
        if (!file) throw notFound('The picture');
        context.type = file.type;
        context.set('Cache-Control', 'private, max-age=31536000, immutable');
        context.body = file.bytes;
      },
    }),
  ];
}
