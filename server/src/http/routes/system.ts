import type Router from '@koa/router';
import { sql } from 'drizzle-orm';
import { Problem } from '../problem.ts';
import { openApi } from '../openapi.ts';
import type { Services } from '../context.ts';

/** Health and the description of the API: open to everybody. */
export function systemRoutes(router: Router, { database }: Services): void {
  router.get('/api/health', async (context) => {
    try {
      await database.db.execute(sql`select 1`);
    } catch {
      throw new Problem(503, 'Database not reachable', 'The database does not answer.');
    }
    context.body = { status: 'ok' };
  });
  router.get('/api/openapi.json', (context) => {
    context.body = openApi();
  });
}
