import type * as v from 'valibot';

/**
 * Policy under which an answer goes out: data that no browser shows as a page, a frame of the wall, or a published
 * page.
 */
export type AnswerPolicy = 'data' | 'frame' | 'live';

/**
 * One address of the API, declared once: router, guard, reading of input, description and the desk's client are all
 * made from this. `B` and `Q` are body and query as the handler gets them, `SentB` and `SentQ` as a client sends them.
 */
export interface Declared<
  P extends string = string,
  B = unknown,
  Q = unknown,
  A = unknown,
  SentB = unknown,
  SentQ = unknown,
> {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** As the router takes it: `/api/sites/:site`. Compared letter by letter. */
  readonly path: P;
  readonly summary: string;
  /** Open to those who are not signed in; every other route is closed to them. */
  readonly open?: true;
  readonly policy?: AnswerPolicy;
  readonly body?: v.GenericSchema<SentB, B>;
  /** Largest JSON body in bytes, where it is not that of most routes. */
  readonly bodyBytes?: number;
  readonly query?: v.GenericSchema<SentQ, Q>;
  /** Largest file taken as the body, in bytes, and what is said of a larger one. */
  readonly upload?: {
    readonly bytes: number;
    readonly tooLarge: string;
    /** For visitors: the upload has its own queue and limits, and `admit` runs before the server reads it. */
    readonly visitors?: true;
  };
  /** Media type of the answer; JSON where none is named. */
  readonly media?: string;
  /** The answer; only a type. */
  readonly answer?: A;
}

/** Declares a route that answers `A`. */
export function answering<A>() {
  return <const P extends string, B = undefined, Q = undefined, SentB = undefined, SentQ = undefined>(
    declared: Declared<P, B, Q, unknown, SentB, SentQ>,
  ): Declared<P, B, Q, A, SentB, SentQ> => declared as Declared<P, B, Q, A, SentB, SentQ>;
}

/** The parts of an address that are filled in: those of `/api/sites/:site` are `{ site }`. */
export type ParamsOf<P extends string> = P extends `${string}:${infer Name}/${infer Rest}`
  ? { readonly [N in Name]: string } & ParamsOf<`/${Rest}`>
  : P extends `${string}:${infer Name}`
    ? { readonly [N in Name]: string }
    : unknown;

/** An address with its parts filled in. */
export function addressOf<P extends string>({ path }: { readonly path: P }, params: ParamsOf<P>): string {
  return path.replaceAll(/:(\w+)/g, (_whole, name: string) =>
    encodeURIComponent((params as Record<string, string>)[name]!),
  );
}
