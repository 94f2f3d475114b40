import { documentTo2, opTo2 } from './to-2.ts';
import { documentTo3, opTo3 } from './to-3.ts';

/** Version of the stored document and of the changes to it. */
export const SCHEMA_VERSION = 3;

type Json = Record<string, unknown>;

/**
 * The steps from one version to the next; the first leads from version 1 to 2. No step throws: faults stay for the
 * reader to name.
 */
const STEPS: readonly {
  readonly document: (document: Json) => Json;
  readonly op: (op: Json, document: Json) => Json;
}[] = [
  { document: documentTo2, op: opTo2 },
  { document: documentTo3, op: opTo3 },
];

/** A document of an older version as one of `SCHEMA_VERSION`; any other value as it is. */
export function documentToNow(input: Json): Json {
  const version = input['schemaVersion'];
  if (!isOlder(version)) return input;
  return STEPS.slice(version - 1).reduce((document, step) => step.document(document), input);
}

/**
 * Operations of an older version as those of `SCHEMA_VERSION`, against the document
 * they are for, which is of that version already.
 *
 * The very same list comes back where nothing of it differs.
 *
 * @param version what the change or undo step says
 */
export function opsToNow<T extends object>(ops: readonly T[], version: number, document: object): readonly T[] {
  if (!isOlder(version)) return ops;
  return STEPS.slice(version - 1).reduce<readonly T[]>((list, step) => {
    const now = list.map((op) => {
      const next = step.op(op as Json, document as Json) as T;
      return JSON.stringify(next) === JSON.stringify(op) ? op : next;
    });
    return now.every((op, i) => op === list[i]) ? list : now;
  }, ops);
}

const isOlder = (version: unknown): version is number =>
  typeof version === 'number' && Number.isInteger(version) && version >= 1 && version < SCHEMA_VERSION;
