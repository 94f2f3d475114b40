import type { Issue, SiteIssues } from '@yohaku/core';

/**
 * A stored site that cannot be read, in a sentence that says what is wrong with which; other sites are not touched by
 * it.
 */
export class SiteUnreadable extends Error {
  readonly issues: readonly Issue[];
  /** True if a newer version made it, which can read it. */
  readonly newer: boolean;
  constructor(siteId: string, cause: SiteIssues, why: string) {
    const [first] = cause.issues;
    super(
      cause.newer
        ? `The site “${siteId}” was made by a newer Yohaku (its document has version ${/^is (\S+?);/.exec(first?.message ?? '')?.[1] ?? '?'}). Nothing was changed. Update this Yohaku to open it.`
        : `The site “${siteId}” cannot be read: ${first?.path ?? ''} ${first?.message ?? ''}. ${why} Nothing was changed; restore a backup with ./yohaku restore, or ask for help and quote this sentence.`,
      { cause },
    );
    this.name = 'SiteUnreadable';
    this.issues = cause.issues;
    this.newer = cause.newer;
  }
}
