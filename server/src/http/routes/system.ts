import { sql } from 'drizzle-orm';
import { Problem } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Health and the description of the API: open to everybody. `describe` is asked when somebody reads it. */
export function systemRoutes({ database }: Services, describe: () => object): Route[] {
  return [
    route({
      method: 'get', path: '/api/health', summary: 'Whether the server and its database answer', open: true,
      async handle({ context }) {
        try {
          await database.db.execute(sql`select 1`);
        } catch {
          throw new Problem(503, 'Database not reachable', 'The database does not answer.', [], 2);
        }
        context.body = { status: 'ok' };
      },
    }),
    route({
      method: 'get', path: '/api/openapi.json', summary: 'This description', open: true,
      handle({ context }) {
        context.body = describe();
      },
    }),
  ];
}
