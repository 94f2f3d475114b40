export { AuditLink } from './audit-link.ts';
export { MeasureKeeper } from './measure-keeper.ts';
export type { BrandFix } from './messages.ts';
export { LongWork } from './long-work.ts';
export { FieldPainter } from './field-painter.ts';
