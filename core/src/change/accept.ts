import * as v from 'valibot';
import { LIMITS, cleanTexts } from '../fields/index.ts';
import { toIssues, type Issue, type Site } from '../site/index.ts';
import { applyChange, opsOf, type Applicable, type Applied } from './apply.ts';
import { Change, type Op } from './change.ts';
import { settleTouched } from './check.ts';
import { ChangeRefused } from './refused.ts';

/**
 * A change that was taken: the site after it, and the operations to keep, which give the very same site wherever they
 * are applied.
 */
export interface Accepted extends Applied {
  readonly ops: readonly Op[];
}

/**
 * The one way into a site: store, server and command line all go through here.
 * Applies a change, checks what it touched, and adds to its operations what it
 * takes for the site to be what the check has read.
 * @throws ChangeRefused when something it names is gone, or the result would not be right
 */
export function acceptChange(site: Site, change: Applicable): Accepted {
  const ops = opsOf(site, change);
  const applied = applyChange(site, { ops });
  if (applied.site === site) return { ...applied, ops };
  const more = settleTouched(site, applied.site).map(({ at, value }): Op => ({
    op: 'set',
    at: [...at],
    ...(value === undefined ? {} : { value }),
  }));
  if (more.length === 0) return { ...applied, ops };
  const settled = applyChange(applied.site, { ops: more });
  return {
    site: settled.site,
    ops: [...ops, ...more],
    inverse: [...settled.inverse, ...applied.inverse],
    overtook: applied.overtook,
  };
}

/**
 * A change as it was sent: read, or refused with the reason and the id it was sent under, if it had one that can be
 * read.
 */
export type ReadChange =
  | { readonly change: Change }
  | { readonly id: string | null; readonly refused: string; readonly issues: readonly Issue[] };

/** Reads one change of whatever was sent; its texts are made fit to be kept. */
export function readChange(sent: unknown): ReadChange {
  const result = v.safeParse(Change, cleanTexts(sent));
  if (result.success) return { change: result.output };
  const issues = toIssues(result.issues);
  const { id } = (typeof sent === 'object' && sent !== null ? sent : {}) as { id?: unknown };
  return {
    id: typeof id === 'string' ? id.slice(0, 60) : null,
    refused: `This edit cannot be read: ${issues[0]!.path} ${issues[0]!.message}. Nothing was changed.`,
    issues,
  };
}

/**
 * Makes sure before it is applied that the server will take an edit in, and with
 * which texts.
 * @throws ChangeRefused when it is too large
 */
export function fitChange(change: Change): Change {
  if (change.ops.length > LIMITS.operations)
    throw new ChangeRefused(
      'invalid',
      `“${change.label}” would change ${change.ops.length} things at once; ${LIMITS.operations} is the limit. Nothing was changed; edit fewer at once.`,
    );
  const read = readChange(change);
  if ('refused' in read) throw new ChangeRefused('invalid', read.refused, read.issues);
  if (bytesOf(read.change) > LIMITS.changeBytes)
    throw new ChangeRefused(
      'invalid',
      `“${change.label}” is over ${LIMITS.changeBytes / 1024 / 1024} MB in one edit. Nothing was changed; edit less at once.`,
    );
  return read.change;
}

/** Bytes of a value as JSON in UTF-8. */
export function bytesOf(value: unknown): number {
  const json = JSON.stringify(value);
  let bytes = json.length;
  for (let at = 0; at < json.length; at++) {
    const code = json.charCodeAt(at);
    if (code > 0x7f) bytes += code > 0x7ff && (code < 0xd800 || code > 0xdfff) ? 2 : 1;
  }
  return bytes;
}
