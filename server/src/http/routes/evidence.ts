import type Router from '@koa/router';
import getRawBody from 'raw-body';
import * as v from 'valibot';
import { readFile } from '../../assets/index.ts';
import { EVIDENCE_FILES, addEvidence, evidenceFile, listEvidence, putAway } from '../../evidence/index.ts';
import { readInput } from '../input.ts';
import { Problem, notFound } from '../problem.ts';
import type { Services } from '../context.ts';

const Sent = v.object({
  id: v.pipe(v.string(), v.regex(/^[a-z][a-z0-9-]{0,59}$/, 'must be lower case letters, digits and hyphens')),
  name: v.pipe(v.string(), v.trim(), v.minLength(1, 'must not be empty'), v.maxLength(200, 'must have at most 200 characters')),
});
export const PutAway = v.strictObject({ putAway: v.boolean() });

/** Evidence in: kept with what it gave, listed, put away and back. */
export function evidenceRoutes(router: Router, { database }: Services): void {
  router.get('/api/sites/:site/evidence', async (context) => {
    context.body = { evidence: await listEvidence(database, context.params['site']!) };
  });

  router.post('/api/sites/:site/evidence', async (context) => {
    const { id, name } = readInput(Sent, { ...context.query });
    const bytes = await getRawBody(context.req, { limit: EVIDENCE_FILES.bytes }).catch((error: { status?: number }) => {
      throw error.status === 413 ? new Problem(413, 'Too large', `The file is over ${EVIDENCE_FILES.bytes / 1024 / 1024} MB. Make it smaller and drop it again.`) : error;
    });
    context.body = await addEvidence(database, context.params['site']!, id, name, bytes);
  });

  router.put('/api/sites/:site/evidence/:id', async (context) => {
    const { putAway: away } = readInput(PutAway, context.request.body);
    if (!(await putAway(database, context.params['site']!, context.params['id']!, away))) throw notFound('The piece of evidence');
    context.status = 204;
  });

  router.get('/api/sites/:site/evidence/:id/picture', async (context) => {
    const hash = await evidenceFile(database, context.params['site']!, context.params['id']!);
    const file = hash ? await readFile(database.db, hash) : undefined;
    if (!file) throw notFound('The picture');
    context.type = file.type;
    context.set('Cache-Control', 'private, max-age=31536000, immutable');
    context.body = file.bytes;
  });
}
