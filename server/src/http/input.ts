import * as v from 'valibot';
import { toIssues } from '@yohaku/core';
import { Problem } from './problem.ts';

const DEEPEST = 40;

/** Reads untrusted input by a schema. @throws Problem 422 with the issues, or 400 when it is nested too deep. */
export function readInput<const S extends v.GenericSchema>(schema: S, input: unknown): v.InferOutput<S> {
  if (tooDeep(input, 0)) throw new Problem(400, 'Bad request', `The request is nested deeper than ${DEEPEST} levels.`);
  const result = v.safeParse(schema, input);
  if (!result.success) {
    const issues = toIssues(result.issues);
    throw new Problem(422, 'Input refused', `${issues[0]!.path || 'The request'} ${issues[0]!.message}`, issues);
  }
  return result.output;
}

function tooDeep(value: unknown, depth: number): boolean {
  if (typeof value !== 'object' || value === null) return false;
  if (depth > DEEPEST) return true;
  return Object.values(value).some((one) => tooDeep(one, depth + 1));
}
