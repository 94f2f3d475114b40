import { auditCounts, auditSite, type AuditCounts, type LayoutReading, type PixelSets, type Site } from '@yohaku/core';

/** A site to be judged, with what a desk has read of its layout. */
export interface AuditOrder { readonly site: Site; readonly pixels?: PixelSets | undefined; readonly layout?: readonly LayoutReading[] | undefined }

/** Judges a whole site. Runs in a process of its own. */
export async function auditApart({ site, pixels, layout }: AuditOrder): Promise<AuditCounts> {
  return auditCounts(auditSite(site, undefined, undefined, pixels, layout));
}
