export { AuditLink } from './audit-link.ts';
export type { BrandMend } from './messages.ts';
export { LongWork } from './long-work.ts';
export { FieldPainter } from './field-painter.ts';
