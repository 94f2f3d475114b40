export { AuditLink } from './audit-link.ts';
export type { BrandMend } from './messages.ts';
