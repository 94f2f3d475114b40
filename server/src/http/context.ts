import type { Logger } from 'pino';
import type { Isolated } from '../isolated/index.ts';
import type { Database } from '../db/index.ts';
import type { ChangeHub } from '../live/index.ts';
import type { Door } from './door.ts';
import type { UploadQueue } from './uploads.ts';

/** The services that routes need; one per server process. */
export interface Services {
  readonly database: Database;
  readonly hub: ChangeHub;
  readonly log: Logger;
  readonly door: Door;
  readonly uploads: UploadQueue;
  /** The queue for messages from visitors. */
  readonly letters: UploadQueue;
  /** Where files that were sent are taken apart. */
  readonly apart: Isolated;
  /** Folder of the checkout: fonts, built web app. */
  readonly root: string;
}
