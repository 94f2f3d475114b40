import type { Target } from '../../kinds/index.ts';
import type { Site } from '../../site/index.ts';
import type { Op } from '../change.ts';
import { valueAt } from '../json.ts';

/** An edit ready to be given an id: what it is called and what it does. */
export interface Edit {
  readonly label: string;
  readonly ops: readonly Op[];
}

/** Sets the value at an address; absent removes the field. */
export function setValue(site: Site, label: string, at: readonly string[], value: unknown): Edit {
  return { label, ops: [setOp(site, at, value)] };
}

export function setOp(site: Site, at: readonly string[], value: unknown): Op {
  return { op: 'set', at: [...at], value, was: valueAt(site, at) };
}

/** Adds a record behind a neighbour; `after` undefined puts it last. */
export function insertOp(
  site: Site,
  record: readonly string[],
  order: readonly string[] | null,
  id: string,
  value: unknown,
  after?: string | null,
): Op {
  const list = order ? (valueAt(site, order) as string[]) : [];
  return {
    op: 'insert',
    record: [...record],
    order: order ? [...order] : null,
    id,
    value,
    after: after === undefined ? (list.at(-1) ?? null) : after,
  };
}

export function removeOp(site: Site, record: readonly string[], order: readonly string[] | null, id: string): Op {
  const list = order ? (valueAt(site, order) as string[]) : [];
  return {
    op: 'remove',
    record: [...record],
    order: order ? [...order] : null,
    id,
    was: valueAt(site, [...record, id]),
    after: list[list.indexOf(id) - 1] ?? null,
  };
}

/** Turns whatever points at one thing towards another. */
export function redirectOp(target: Target, from: string, to: string): Op {
  return { op: 'redirect', target, from, to };
}

/** Moves an id by `steps` within its list; undefined when it is at the end already. */
export function stepOp(site: Site, order: readonly string[], id: string, steps: -1 | 1): Op | undefined {
  const list = valueAt(site, order) as string[];
  const at = list.indexOf(id);
  const target = at + steps;
  if (at < 0 || target < 0 || target >= list.length) return undefined;
  const rest = list.filter((entry) => entry !== id);
  return {
    op: 'move',
    from: [...order],
    to: [...order],
    id,
    after: rest[target - 1] ?? null,
    wasAfter: list[at - 1] ?? null,
  };
}
