import * as v from 'valibot';
import { answering } from './declare.ts';

/** A place where somebody is signed in; `current` is this one. */
export interface ListedSession {
  readonly id: string;
  readonly createdAt: string;
  readonly seenAt: string;
  readonly expiresAt: string;
  readonly agent: string;
  readonly current: boolean;
}

const SignIn = v.strictObject({ token: v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{20,100}$/, 'is no sign-in token')) });

export const SESSION = {
  signIn: answering<void>()({
    method: 'post',
    path: '/api/session',
    summary: 'Sign in with a one-time token',
    open: true,
    body: SignIn,
    bodyBytes: 4096,
  }),
  who: answering<{ readonly user: string }>()({ method: 'get', path: '/api/session', summary: 'Who is signed in' }),
  signOut: answering<void>()({ method: 'delete', path: '/api/session', summary: 'Sign out' }),
  list: answering<{ readonly sessions: readonly ListedSession[] }>()({
    method: 'get',
    path: '/api/sessions',
    summary: 'Sessions of the user, the last used first',
  }),
  end: answering<void>()({
    method: 'delete',
    path: '/api/sessions/:id',
    summary: 'End one session and its open streams',
  }),
} as const;
