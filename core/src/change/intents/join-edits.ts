import type { Site } from '../../site/index.ts';
import { applyChange } from '../apply.ts';
import type { Op } from '../change.ts';
import type { Edit } from './edit.ts';

/** Several edits as one, each made on what those before it leave; what has nothing to do is passed over. */
export function joinEdits(site: Site, label: string, makes: readonly ((now: Site) => Edit | undefined)[]): Edit {
  const ops: Op[] = [];
  let now = site;
  for (const make of makes) {
    const edit = make(now);
    if (!edit) continue;
    ops.push(...edit.ops);
    now = applyChange(now, edit).site;
  }
  return { label, ops };
}
