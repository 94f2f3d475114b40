import { toJsonSchema } from '@valibot/to-json-schema';
import type { GenericSchema } from 'valibot';
import { PutAway } from './routes/evidence.ts';
import { MakeLive, Publish } from './routes/publish.ts';
import { SendChanges } from './routes/sites.ts';
import { SignIn } from './routes/session.ts';

interface Operation { readonly path: string; readonly method: 'get' | 'post' | 'put' | 'delete'; readonly summary: string; readonly body?: GenericSchema; readonly open?: true; readonly media?: string }

const OPERATIONS: readonly Operation[] = [
  { path: '/api/health', method: 'get', summary: 'Whether the server and its database answer', open: true },
  { path: '/api/openapi.json', method: 'get', summary: 'This description', open: true },
  { path: '/api/session', method: 'post', summary: 'Sign in with a one-time token', body: SignIn, open: true },
  { path: '/api/session', method: 'get', summary: 'Who is signed in' },
  { path: '/api/session', method: 'delete', summary: 'Sign out' },
  { path: '/api/sites', method: 'get', summary: 'All sites' },
  { path: '/api/sites/{site}', method: 'get', summary: 'A site with all its pages, and its sequence' },
  { path: '/api/sites/{site}/changes', method: 'get', summary: 'Changes after a sequence (query: after)' },
  { path: '/api/sites/{site}/changes', method: 'post', summary: 'Save changes; each is taken once by its id', body: SendChanges },
  { path: '/api/sites/{site}/inverses', method: 'get', summary: 'Inverses of changes, for undo (query: ids)' },
  { path: '/api/sites/{site}/events', method: 'get', summary: 'Server-sent events: each new sequence', media: 'text/event-stream' },
  { path: '/api/fonts', method: 'post', summary: 'Read a font file and keep it as woff2 (query: name); the body is the file' },
  { path: '/api/sites/{site}/evidence', method: 'get', summary: 'Evidence for the brand, with the colours it gave' },
  { path: '/api/sites/{site}/evidence', method: 'post', summary: 'Keep a piece of evidence and read its colours (query: id, name); the body is the file' },
  { path: '/api/sites/{site}/evidence/{id}', method: 'put', summary: 'Put a piece of evidence away, or back', body: PutAway },
  { path: '/api/sites/{site}/evidence/{id}/picture', method: 'get', summary: 'The picture itself', media: 'image/*' },
  { path: '/api/sites/{site}/publications', method: 'get', summary: 'Publications, newest first, and what is live' },
  { path: '/api/sites/{site}/publications', method: 'post', summary: 'Publish what is saved', body: Publish },
  { path: '/api/sites/{site}/live', method: 'post', summary: 'Make an earlier publication live again', body: MakeLive },
  { path: '/api/sites/{site}/zip', method: 'get', summary: 'The static site as a zip', media: 'application/zip' },
];

/** OpenAPI 3.1 description of everything under `/api`. */
export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const { path, method, summary, body, open, media } of OPERATIONS) {
    const schema = body ? toJsonSchema(body, { errorMode: 'ignore' }) : undefined;
    (paths[path] ??= {})[method] = {
      summary,
      ...(open ? { security: [] } : {}),
      ...(path.includes('{') ? { parameters: [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({ name, in: 'path', required: true, schema: { type: 'string' } })) } : {}),
      ...(schema ? { requestBody: { required: true, content: { 'application/json': { schema } } } } : {}),
      responses: {
        '200': { description: 'Done', content: { [media ?? 'application/json']: {} } },
        default: { description: 'What went wrong (RFC 9457)', content: { 'application/problem+json': {} } },
      },
    };
  }
  return {
    openapi: '3.1.0', info: { title: 'Yohaku', version: '0.1.0' }, paths,
    components: { securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'yohaku_{port}' } } }, security: [{ session: [] }],
  };
}
