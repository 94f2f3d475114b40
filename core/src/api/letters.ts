import * as v from 'valibot';
import type { LetterField } from '../page/index.ts';
import { answering } from './declare.ts';

/** A letter: what somebody sent from a form of the published site. */
export interface Letter {
  readonly id: string;
  readonly tray: string;
  readonly page: string;
  readonly fields: readonly LetterField[];
  readonly read: boolean;
  /** When, ISO 8601. */ readonly at: string;
}

/** A part of the letters: `more` is true if older letters follow; `total` and `unread` count all letters. */
export interface LettersPage {
  readonly letters: readonly Letter[];
  readonly more: boolean;
  readonly total: number;
  readonly unread: number;
}

/** Largest letter, bytes as it is sent. */
const LETTER_BYTES = 256 * 1024;

export const LETTERS = {
  list: answering<LettersPage>()({
    method: 'get',
    path: '/api/sites/:site/letters',
    summary: 'List messages from the forms of the live site, newest first, in pages',
    query: v.object({ before: v.optional(v.pipe(v.string(), v.uuid())) }),
  }),
  mark: answering<void>()({
    method: 'put',
    path: '/api/sites/:site/letters/:id',
    summary: 'Mark a message as read or unread',
    body: v.strictObject({ read: v.boolean() }),
  }),
  remove: answering<void>()({ method: 'delete', path: '/api/sites/:site/letters/:id', summary: 'Delete a message' }),
  // As browsers send a form, without script: open to visitors, answered with a page.
  send: answering<never>()({
    method: 'post',
    path: '/live/:site/:file',
    summary: 'Send a form of a live site',
    open: true,
    policy: 'live',
    media: 'text/html',
    upload: {
      visitors: true,
      bytes: LETTER_BYTES,
      tooLarge: 'Your message is too long. It was not sent; go back and shorten it.',
    },
  }),
} as const;
