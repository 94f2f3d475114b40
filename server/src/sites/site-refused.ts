import type { Issue } from '@yohaku/core';

/** Why a site was not brought in. */
export class SiteRefused extends Error {
  readonly issues: readonly Issue[];
  constructor(message: string, issues: readonly Issue[] = []) {
    super(message);
    this.name = 'SiteRefused';
    this.issues = issues;
  }
}

/** Returns the refusal of an id that another site has. */
export const idTaken = (id: string): SiteRefused =>
  new SiteRefused(`A site already has the id “${id}”. Nothing was changed; choose another id.`);
