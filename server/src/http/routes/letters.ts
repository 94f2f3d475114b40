import { API } from '@yohaku/core';
import { LetterRefused, listLetters, markLetter, removeLetter, takeLetter } from '../../letters/index.ts';
import { liveFile, liveSite } from '../../publish/index.ts';
import { hasSite } from '../../sites/index.ts';
import { notFound } from '../problem.ts';
import { route, type Route } from '../route.ts';
import type { Services } from '../context.ts';

/**
 * The post box of the stand-in host: forms of published sites are sent to it, and their letters are read at the desk.
 */
export function letterRoutes({ database }: Services): Route[] {
  const { db } = database;
  return [
    route(API.letters.list, async ({ params, query }) => {
      if (!(await hasSite(db, params.site))) throw notFound(`The site “${params.site}”`);
      return listLetters(db, params.site, query.before);
    }),
    route(API.letters.mark, async ({ context, params, body }) => {
      if (!(await markLetter(db, params.site, params.id, body.read))) throw notFound('The letter');
      context.status = 204;
    }),
    route(API.letters.remove, async ({ context, params }) => {
      if (!(await removeLetter(db, params.site, params.id))) throw notFound('The letter');
      context.status = 204;
    }),
    route(
      API.letters.send,
      async ({ context, params, bytes }) => {
        const live = await liveSite(db, params.site);
        context.type = 'text/plain; charset=utf-8';
        try {
          if (
            live &&
            context.is('application/x-www-form-urlencoded') &&
            (await takeLetter(database, live.site, params.file, bytes.toString('utf8')))
          ) {
            context.status = 303;
            context.set('Location', `/live/${params.site}/${params.file}`);
            return;
          }
          context.status = 404;
          context.body = 'No form is sent there.\n';
        } catch (error) {
          if (!(error instanceof LetterRefused)) throw error;
          context.status = 422;
          context.body = `Not sent. ${error.message} Go back, correct it and send it again; your text is still there.\n`;
        }
      },
      async ({ params }) => {
        // The server reads only messages to a form of a live site.
        if (!/-sent\.html$/.test(params.file) || !(await liveFile(database.live, params.site, params.file)))
          throw notFound('A form that is sent there');
      },
    ),
  ];
}
