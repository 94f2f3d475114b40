import type { Issue } from '../site/index.ts';

/** Why a change cannot be applied, in a sentence that says what to do. */
export class ChangeRefused extends Error {
  readonly kind: 'gone' | 'invalid' | 'in-use';
  readonly issues: readonly Issue[];
  constructor(kind: ChangeRefused['kind'], message: string, issues: readonly Issue[] = []) {
    super(message);
    this.name = 'ChangeRefused';
    this.kind = kind;
    this.issues = issues;
  }
}
