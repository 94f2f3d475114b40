import { auditCounts, auditSite, type AuditCounts } from '@yohaku/core';
import { ApartBusy, type Apart } from '../apart/index.ts';
import type { AuditOrder } from './audit-apart.ts';

const LIMITS = { seconds: 120, megabytes: 2500 };
const TOLD = { tooLong: 'The site takes too long to be judged.', tooMuch: 'The site takes too much memory to be judged.' };

/**
 * Returns how the places of a site fare, judged in a process of its own so that
 * other requests are answered meanwhile.
 * @throws ApartBusy when too much is under way, or the site takes longer than two minutes
 */
export async function countsOf(apart: Apart, order: AuditOrder): Promise<AuditCounts> {
  const answer = await apart.run<AuditCounts>('audit', order, LIMITS, TOLD);
  if ('given' in answer) return answer.given;
  // A small site is judged at once; what a process of its own cannot judge, this one must not try.
  if (order.site.pageOrder.length > 50) throw new ApartBusy(answer.refused);
  return auditCounts(auditSite(order.site, undefined, undefined, order.pixels, order.layout));
}
