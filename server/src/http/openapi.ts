import { toJsonSchema } from '@valibot/to-json-schema';
import { megabytes } from '@yohaku/core';
import type { Route } from './route.ts';

/** OpenAPI 3.1 description of everything under `/api`, made from the routes themselves. */
export function openApi(routes: readonly Route[]): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const {
    declared: { path: address, method, summary, body, query, upload, open, media },
  } of routes) {
    if (!address.startsWith('/api/')) continue;
    const path = address.replaceAll(/:(\w+)/g, '{$1}');
    const schema = body ? toJsonSchema(body, { errorMode: 'ignore' }) : undefined;
    const asked = query ? toJsonSchema(query, { errorMode: 'ignore' }) : undefined;
    const parameters = [
      ...[...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
        name,
        in: 'path',
        required: true,
        schema: { type: 'string' },
      })),
      ...Object.entries(asked?.properties ?? {}).map(([name, definition]) => ({
        name,
        in: 'query',
        required: asked!.required?.includes(name) ?? false,
        schema: definition,
      })),
    ];
    (paths[path] ??= {})[method] = {
      summary,
      ...(open ? { security: [] } : {}),
      ...(parameters.length > 0 ? { parameters } : {}),
      ...(schema ? { requestBody: { required: true, content: { 'application/json': { schema } } } } : {}),
      ...(upload
        ? {
            requestBody: {
              required: true,
              description: `A file of at most ${megabytes(upload.bytes)}`,
              content: { 'application/octet-stream': {} },
            },
          }
        : {}),
      responses: {
        '200': { description: 'Done', content: { [media ?? 'application/json']: {} } },
        default: { description: 'What went wrong (RFC 9457)', content: { 'application/problem+json': {} } },
      },
    };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Yohaku', version: '0.1.0' },
    paths,
    components: { securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'yohaku_{port}' } } },
    security: [{ session: [] }],
  };
}
