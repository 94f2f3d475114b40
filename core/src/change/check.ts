import * as v from 'valibot';
import { Asset, Brand, Page, Shared, danglingReferences, toIssues, type Dangling, type Issue, type Site } from '../site/index.ts';
import { ChangeRefused } from './refused.ts';

/**
 * Checks what differs between two sites against the schema, and that nothing
 * points at a thing that is not there.
 * @throws ChangeRefused (`invalid` or `in-use`) with the places of the faults
 */
export function checkTouched(before: Site, after: Site): void {
  const issues: Issue[] = [];
  const check = (schema: v.GenericSchema, path: string, value: unknown) => {
    const result = v.safeParse(schema, value);
    if (!result.success) issues.push(...toIssues(result.issues).map((issue) => ({ ...issue, path: issue.path ? `${path}.${issue.path}` : path })));
  };
  if (after.brand !== before.brand) check(Brand, 'brand', after.brand);
  if (after.shared !== before.shared) check(Shared, 'shared', after.shared);
  if (after.assets !== before.assets) check(v.record(v.string(), Asset), 'assets', after.assets);
  if (after.name !== before.name) check(v.pipe(v.string(), v.trim(), v.minLength(1, 'must not be empty'), v.maxLength(80)), 'name', after.name);
  for (const [id, page] of Object.entries(after.pages)) if (page !== before.pages[id]) check(Page, `pages.${id}`, page);
  for (const key of ['schemaVersion', 'id', 'language'] as const)
    if (after[key] !== before[key]) issues.push({ path: key, message: 'cannot be changed' });
  if (issues.length > 0) {
    const [first] = issues;
    throw new ChangeRefused('invalid', `${first!.path} ${first!.message}. The last good value is kept.`, issues);
  }
  const dangling = danglingReferences(after);
  if (dangling.length > 0) throw refusal(dangling);
}

function refusal(dangling: readonly Dangling[]): ChangeRefused {
  const issues = dangling.slice(0, 20).map(({ where, kind, target }) => ({ path: where, message: `${kind} ${target}` }));
  const { where, kind, target } = dangling[0]!;
  if (kind === 'loop') return new ChangeRefused('invalid', `A rule must not lead back to itself: ${target}. The last good rule is kept.`, issues);
  if (kind === 'name') return new ChangeRefused('invalid', `${where} “${target}” is taken. Choose another name.`, issues);
  if (kind === 'file') return new ChangeRefused('invalid', `Two pages cannot both be ${target}.`, issues);
  if (kind === 'page' && target === 'index.html') return new ChangeRefused('in-use', 'The home page cannot be deleted. Make another page the home page first.', issues);
  if (kind === 'height') return new ChangeRefused('invalid', `${target} is a share of the height of one line; cards and pictures have none. The last good corner is kept.`, issues);
  if (kind === 'order') return new ChangeRefused('invalid', `The order of ${where} does not fit what is there. Nothing was changed.`, issues);
  return new ChangeRefused('in-use', `The ${kind} ${target} is still used: ${where}${dangling.length > 1 ? ` and ${dangling.length - 1} more` : ''}. Say what to use instead.`, issues);
}
