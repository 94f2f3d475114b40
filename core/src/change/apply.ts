import { mapFields, replaceAt } from '../kinds/index.ts';
import { Site, opsToNow, referencesTo } from '../site/index.ts';
import type { Op } from './change.ts';
import { jsonEqual, valueAt, withValue } from './json.ts';
import { ChangeRefused } from './refused.ts';

/** Operations, and the version of the document they are for; absent: this one. */
export interface Applicable {
  readonly ops: readonly Op[];
  readonly schemaVersion?: number;
}

/** The operations of a change as they are in this version, against the site they are for. */
export function opsOf(site: Site, { ops, schemaVersion }: Applicable): readonly Op[] {
  return schemaVersion === undefined ? ops : opsToNow(ops, schemaVersion, site);
}

/** A site after a change, with the operations that take it back. */
export interface Applied {
  readonly site: Site;
  readonly inverse: readonly Op[];
  /** Addresses whose value was no longer what the change expected; the change won. */
  readonly overtook: readonly (readonly string[])[];
}

/**
 * Applies a change and shares everything it did not touch. When nothing changes
 * the very same site comes back. The result is not checked against the schema:
 * see `checkTouched`. A change that says an older version is brought up to this one.
 * @throws ChangeRefused (`gone`) when something it names is no longer there
 */
export function applyChange(site: Site, change: Applicable): Applied {
  let next = site;
  const inverse: Op[] = [];
  const overtook: string[][] = [];
  const ops = opsOf(site, change);
  for (let i = 0; i < ops.length; i++) {
    const op = ops[i]!;
    const run = runFrom(ops, i);
    if (run.length > 0) {
      const step = applyRun(next, run);
      next = step.site;
      inverse.unshift(...step.inverse);
      i += run.length - 1;
      continue;
    }
    const step = applyOp(next, op as Exclude<Op, Listed>);
    if (step.site === next) continue;
    next = step.site;
    inverse.unshift(step.inverse);
    if (op.op === 'set' && !jsonEqual(step.inverse.op === 'set' ? step.inverse.value : undefined, op.was))
      overtook.push(op.at);
  }
  return { site: next, inverse, overtook };
}

type Listed = OpOf<'insert'> | OpOf<'remove'>;

/** The operations from one on that insert into, or remove from, the same record and order as it. */
function runFrom(ops: readonly Op[], from: number): Listed[] {
  const first = ops[from]!;
  if (first.op !== 'insert' && first.op !== 'remove') return [];
  const same = (bytes: readonly string[] | null, other: readonly string[] | null) => jsonEqual(bytes, other);
  const run: Listed[] = [];
  for (let i = from; i < ops.length; i++) {
    const op = ops[i]!;
    if (op.op !== first.op || !same(op.record, first.record) || !same(op.order, first.order)) break;
    run.push(op);
  }
  return run;
}

/** Inserts or removes: of many that follow one another record and order are copied once, not once each. */
function applyRun(site: Site, run: readonly Listed[]): { site: Site; inverse: Op[] } {
  const { record: at, order: listAt } = run[0]!;
  const record = { ...recordAt(site, at) };
  const order = listAt ? [...orderAt(site, listAt)] : null;
  const inverse: Op[] = [];
  for (const op of run) {
    if (op.op === 'insert') {
      if (Object.hasOwn(record, op.id))
        throw new ChangeRefused('invalid', `The id already exists: ${op.id}. Nothing was added.`);
      record[op.id] = op.value;
      if (order) {
        order.splice(placeBehind(order, op.after), 0, op.id);
      }
      inverse.push({ op: 'remove', record: op.record, order: op.order, id: op.id, was: op.value, after: op.after });
    } else {
      if (!Object.hasOwn(record, op.id)) throw gone([...op.record, op.id]);
      const index = order ? order.indexOf(op.id) : -1;
      inverse.push({
        op: 'insert',
        record: op.record,
        order: op.order,
        id: op.id,
        value: record[op.id],
        after: order && index > 0 ? order[index - 1]! : null,
      });
      delete record[op.id];
      if (order && index >= 0) order.splice(index, 1);
    }
  }
  const next = withValue(site, at, record);
  return { site: listAt ? withValue(next, listAt, order) : next, inverse: inverse.reverse() };
}

function applyOp(site: Site, op: Exclude<Op, Listed>): { site: Site; inverse: Op } {
  switch (op.op) {
    case 'set':
      return applySet(site, op);
    case 'move':
      return applyMove(site, op);
    case 'redirect':
      return applyRedirect(site, op);
  }
}

type OpOf<K extends Op['op']> = Extract<Op, { op: K }>;
type Step = { site: Site; inverse: Op };

function applySet(site: Site, op: OpOf<'set'>): Step {
  const parent = valueAt(site, op.at.slice(0, -1));
  if (typeof parent !== 'object' || parent === null || Array.isArray(parent)) throw gone(op.at);
  const was = valueAt(site, op.at);
  const inverse: Op = { op: 'set', at: op.at, value: was, was: op.value };
  if (jsonEqual(was, op.value)) return { site, inverse };
  return { site: withValue(site, op.at, op.value), inverse };
}

function applyMove(site: Site, op: OpOf<'move'>): Step {
  const from = orderAt(site, op.from);
  if (!from.includes(op.id)) throw gone([...op.from, op.id]);
  const wasAfter = before(from, op.id);
  const without = withValue(
    site,
    op.from,
    from.filter((id) => id !== op.id),
  );
  const next = withValue(without, op.to, placed(orderAt(without, op.to), op.id, op.after));
  const inverse: Op = { op: 'move', from: op.to, to: op.from, id: op.id, after: wasAfter, wasAfter: op.after };
  return jsonEqual(orderAt(next, op.to), orderAt(site, op.to)) ? { site, inverse } : { site: next, inverse };
}

/**
 * Turns references; those that name something else by now stay. The inverse says which it turned: others may have
 * pointed there before.
 */
function applyRedirect(site: Site, op: OpOf<'redirect'>): Step {
  const { target, from, to } = op;
  const at = op.at ?? referencesTo(site, target, from).map((bytes) => [...bytes]);
  const next = op.at
    ? replaceAt(site, op.at, from, to)
    : mapFields(Site, site, (meaning, value) =>
        meaning.means === 'ref' && meaning.to === target && value === from ? to : value,
      );
  return { site: next, inverse: { op: 'redirect', target, from: to, to: from, at } };
}

function recordAt(site: Site, address: readonly string[]): Record<string, unknown> {
  const record = valueAt(site, address);
  if (typeof record !== 'object' || record === null || Array.isArray(record)) throw gone(address);
  return record as Record<string, unknown>;
}

function orderAt(site: Site, address: readonly string[]): readonly string[] {
  const order = valueAt(site, address);
  if (!Array.isArray(order)) throw gone(address);
  return order as string[];
}

const before = (order: readonly string[], id: string): string | null => order[order.indexOf(id) - 1] ?? null;

/** Where something stands behind `after`: at the end when that neighbour is gone, first when it is null. */
function placeBehind(order: readonly string[], after: string | null): number {
  const at = after === null ? -1 : order.indexOf(after);
  return after !== null && at < 0 ? order.length : at + 1;
}

function placed(order: readonly string[], id: string, after: string | null): string[] {
  const at = placeBehind(order, after);
  return [...order.slice(0, at), id, ...order.slice(at)];
}

function gone(address: readonly string[]): ChangeRefused {
  return new ChangeRefused(
    'gone',
    `The target of this edit was deleted (${address.join(' / ')}). Nothing else was changed.`,
    [{ path: address.join('.'), message: 'is no longer there' }],
  );
}
