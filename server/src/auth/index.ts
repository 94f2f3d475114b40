export { OWNER, endSession, ensureOwner, makeSignInToken, sessionUser, useSignInToken } from './sign-in.ts';
export { hashSecret, newSecret } from './secret.ts';
