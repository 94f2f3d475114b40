export { AuditLink } from './audit-link.ts';
export type { BrandFix } from './messages.ts';
export { LongWork } from './long-work.ts';
export { FieldPainter } from './field-painter.ts';
