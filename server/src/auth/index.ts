export { OWNER, ensureOwner, makeSignInToken, useSignInToken } from './sign-in.ts';
export {
  SESSIONS_CHANNEL,
  SESSION_LIMITS,
  clearSessions,
  endSession,
  isOpen,
  listSessions,
  sessionOf,
  type ListedSession,
  type OpenedSession,
  type Session,
} from './sessions.ts';
export { hashSecret, newSecret } from './secret.ts';
