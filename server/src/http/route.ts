import type { Context } from 'koa';
import type { GenericSchema, InferOutput } from 'valibot';
import type { PolicyName } from './policy.ts';

/** What a handler gets: everything untrusted has been read by its declaration. */
export interface Asked<B = unknown, Q = unknown> {
  readonly context: Context;
  /** Parts of the address by name; each is a plain name (`PLAIN_PARAM`). */
  readonly params: Readonly<Record<string, string>>;
  readonly body: B;
  readonly query: Q;
  /** The bytes of an upload; empty where none is declared. */
  readonly bytes: Buffer;
  /** Who is signed in; empty on an open route. */
  readonly user: string;
  /** Name under which the session is kept; empty on an open route. */
  readonly session: string;
}

/**
 * One route, declared once: the router, the guard, the reading of input, the
 * security headers and the API description are all made from this.
 * A route is closed to everybody who is not signed in unless it says `open`.
 */
export interface Route {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** As the router takes it: `/api/sites/:site`. Compared letter by letter. */
  readonly path: string;
  readonly summary: string;
  readonly open?: true;
  /** Policy its answer goes out under; data that no browser shows as a page by default. */
  readonly policy?: PolicyName;
  readonly body?: GenericSchema;
  /** Largest JSON body in bytes; `BODY_BYTES` by default. */
  readonly bodyBytes?: number;
  readonly query?: GenericSchema;
  /** Largest file taken as the body, in bytes, and what is said of a larger one. */
  readonly upload?: { readonly bytes: number; readonly tooLarge: string };
  readonly media?: string;
  handle(asked: Asked<never, never>): Promise<void> | void;
}

/** Largest JSON body of a route that does not say otherwise, bytes. */
export const BODY_BYTES = 2 * 1024 * 1024;

/** Declares a route; its handler gets body and query as their schemas give them. */
export function route<const B extends GenericSchema = GenericSchema<undefined>, const Q extends GenericSchema = GenericSchema<undefined>>(
  declared: Omit<Route, 'handle' | 'body' | 'query'> & { readonly body?: B; readonly query?: Q; handle(asked: Asked<InferOutput<B>, InferOutput<Q>>): Promise<void> | void },
): Route {
  return declared as unknown as Route;
}
