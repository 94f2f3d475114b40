import { createHash, randomBytes } from 'node:crypto';

/** A fresh secret for an address or a cookie: 32 random bytes in base64url. */
export function newSecret(): string {
  return randomBytes(32).toString('base64url');
}

/** Returns the hash that is stored instead of a secret. SHA-256 is enough, because the secrets are random. */
export function hashSecret(secret: string): string {
  return createHash('sha256').update(secret).digest('hex');
}
