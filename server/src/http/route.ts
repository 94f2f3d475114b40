import type { Context } from 'koa';
import type { Declared, ParamsOf } from '@yohaku/core';

/** The arguments of a handler: the declaration of its route has checked all untrusted input. */
export interface Asked<P extends string = string, B = unknown, Q = unknown> {
  readonly context: Context;
  /** Parts of the address by name; each is a plain name (`PLAIN_PARAM`). */
  readonly params: ParamsOf<P>;
  readonly body: B;
  readonly query: Q;
  /** The bytes of an upload; empty where none is declared. */
  readonly bytes: Buffer;
  /** Who is signed in; empty on an open route. */
  readonly user: string;
  /** Name under which the session is kept; empty on an open route. */
  readonly session: string;
}

/** A declared route with what answers it. */
export interface Route {
  readonly declared: Declared;
  readonly handle: (asked: Asked) => unknown;
  /** Called before the server reads an upload; throws when the upload has no receiver. */
  readonly admit?: (asked: Pick<Asked, 'context' | 'params'>) => Promise<void>;
}

/** Largest JSON body of a route that does not say otherwise, bytes. */
export const BODY_BYTES = 2 * 1024 * 1024;

/**
 * Binds a declared route to what answers it. What the handler returns is the answer
 * as JSON; one that answers otherwise, or with nothing, does so on the context.
 *
 * @param admit called before the server reads an upload
 */
export function route<P extends string, B, Q, A>(
  declared: Declared<P, B, Q, A>,
  handle: (asked: Asked<P, B, Q>) => Promise<A | void> | A | void,
  admit?: (asked: Pick<Asked<P, B, Q>, 'context' | 'params'>) => Promise<void>,
): Route {
  return { declared, handle, ...(admit ? { admit } : {}) } as unknown as Route;
}
