import { namedAt } from '../kinds/index.ts';
import type { Site } from '../site/index.ts';
import { applyChange } from './apply.ts';
import type { Op } from './change.ts';
import { jsonEqual, valueAt } from './json.ts';

/** The part of an edit that can still be undone, and the part that later edits replaced. */
export interface UndoPlan {
  readonly ops: readonly Op[];
  readonly overtaken: readonly (readonly string[])[];
}

/**
 * The part of an edit's inverse that may be applied: a value only where the
 * current one is still what that edit wrote, an added thing only while it is
 * as it was added, a removed one only while its id is free.
 */
export function planUndo(site: Site, inverse: readonly Op[]): UndoPlan {
  const ops: Op[] = [];
  const overtaken: string[][] = [];
  let now = site;
  for (const whole of inverse) {
    const op = whole.op === 'redirect' ? stillThere(now, whole, overtaken) : whole;
    if (op === undefined) continue;
    // Against what the ops before it leave: an edit may set what it has itself added.
    if (stillAsWritten(now, op)) {
      ops.push(op);
      now = applyChange(now, { ops: [op] }).site;
    } else
      overtaken.push(
        op.op === 'set'
          ? op.at
          : op.op === 'redirect'
            ? [op.target, op.from]
            : op.op === 'move'
              ? [...op.from, op.id]
              : [...op.record, op.id],
      );
  }
  return { ops, overtaken };
}

/** A redirect for what still points where it was turned to; the rest is overtaken. Undefined when nothing does. */
function stillThere(site: Site, op: Extract<Op, { op: 'redirect' }>, overtaken: string[][]): Op | undefined {
  if (!op.at) return op;
  const at = op.at.filter((entry) => namedAt(site, entry) === op.from);
  if (at.length < op.at.length) overtaken.push(...op.at.filter((entry) => namedAt(site, entry) !== op.from));
  return at.length > 0 ? { ...op, at } : undefined;
}

function stillAsWritten(site: Site, op: Op): boolean {
  switch (op.op) {
    case 'set':
      return valueAt(site, op.at.slice(0, -1)) !== undefined && jsonEqual(valueAt(site, op.at), op.was);
    case 'insert':
      return valueAt(site, op.record) !== undefined && valueAt(site, [...op.record, op.id]) === undefined;
    case 'redirect':
      return true;
    case 'remove':
      return jsonEqual(valueAt(site, [...op.record, op.id]), op.was);
    case 'move': {
      const order = valueAt(site, op.from);
      return Array.isArray(order) && order.includes(op.id) && Array.isArray(valueAt(site, op.to));
    }
  }
}
