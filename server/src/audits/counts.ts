import { auditCounts, auditSite, type AuditCounts } from '@yohaku/core';
import { IsolatedBusy, type Isolated } from '../isolated/index.ts';
import type { AuditOrder } from './audit-isolated.ts';

const LIMITS = { seconds: 120, megabytes: 2500 };
const TOLD = {
  tooLong: 'Checking the site takes more than two minutes. Try again later.',
  tooMuch: 'Checking the site takes too much memory. Try again later.',
};

/**
 * Returns the audit counts of a site. The audit runs in its own process, so that the
 * server answers other requests meanwhile.
 * @throws IsolatedBusy when too many tasks are running, or the audit takes longer than two minutes
 */
export async function countsOf(apart: Isolated, order: AuditOrder): Promise<AuditCounts> {
  const answer = await apart.run<AuditCounts>('audit', order, LIMITS, TOLD);
  if ('given' in answer) return answer.given;
  // This process audits a small site itself. A large site would block it, so the request fails.
  if (order.site.pageOrder.length > 50) throw new IsolatedBusy(answer.refused);
  return auditCounts(auditSite(order.site, undefined, undefined, order.pixels, order.layout));
}
