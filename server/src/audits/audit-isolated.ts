import { auditCounts, auditSite, type AuditCounts, type LayoutReading, type PixelSets, type Site } from '@yohaku/core';

/** A site to audit, with the pixels and layout that a desk has read. */
export interface AuditOrder {
  readonly site: Site;
  readonly pixels?: PixelSets | undefined;
  readonly layout?: readonly LayoutReading[] | undefined;
}

/** Audits a whole site. Runs in its own process. */
export async function auditIsolated({ site, pixels, layout }: AuditOrder): Promise<AuditCounts> {
  return auditCounts(auditSite(site, undefined, undefined, pixels, layout));
}
