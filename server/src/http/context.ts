import type { Logger } from 'pino';
import type { Database } from '../db/index.ts';
import type { ChangeHub } from '../live/index.ts';

/** What the routes need; one per server process. */
export interface Services {
  readonly database: Database;
  readonly hub: ChangeHub;
  readonly log: Logger;
  readonly port: number;
  /** Folder of the checkout: fonts, built web app. */
  readonly root: string;
}
