export { AuditLink } from './audit-link.ts';
