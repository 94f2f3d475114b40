import { API } from '@yohaku/core';
import { sql } from 'drizzle-orm';
import { isCrowded } from '../../db/index.ts';
import { Problem } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/** Health and the description of the API: open to everybody. `describe` is asked when somebody reads it. */
export function systemRoutes({ database }: Services, describe: () => object): Route[] {
  return [
    route(API.system.health, async () => {
      try {
        await database.live.execute(sql`select 1`);
      } catch (error) {
        if (isCrowded(error))
          throw new Problem(503, 'Database busy', 'Other programs hold all connections of the database.', [], 2);
        throw new Problem(503, 'Database not reachable', 'The database does not answer.', [], 2);
      }
      return { status: 'ok' as const };
    }),
    route(API.system.description, () => describe()),
  ];
}
