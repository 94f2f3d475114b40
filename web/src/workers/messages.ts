import type { Change, Site } from '@yohaku/core';
import type { AuditReport, RippleReport } from '../state/audit/audit.ts';

/** To the audit worker: the whole site once, then only changes. */
export type ToAudit =
  | { readonly kind: 'site'; readonly site: Site }
  | { readonly kind: 'change'; readonly change: Pick<Change, 'ops' | 'label'>; readonly ripple: boolean };

/** From it: counts and the first rows of lists. */
export type FromAudit =
  | { readonly kind: 'report'; readonly report: AuditReport }
  | { readonly kind: 'ripple'; readonly ripple: RippleReport };
