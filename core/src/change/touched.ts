import type { Op } from './change.ts';

/** The stored documents that a change writes: the site row (brand, shared parts, order) and pages by id. */
export interface Touched {
  readonly site: boolean;
  readonly pages: readonly string[];
}

/** Which stored documents a change touches, read from its addresses alone. */
export function touchedDocuments(change: { readonly ops: readonly Op[] }): Touched {
  let site = false;
  const pages = new Set<string>();
  const mark = (address: readonly string[]) => {
    if (address[0] === 'pages' && address[1] !== undefined) pages.add(address[1]);
    else site = true;
  };
  for (const op of change.ops) {
    if (op.op === 'set') mark(op.at);
    else if (op.op === 'move') [op.from, op.to].forEach(mark);
    else {
      mark([...op.record, op.id]);
      if (op.order) mark(op.order);
    }
  }
  return { site, pages: [...pages] };
}
