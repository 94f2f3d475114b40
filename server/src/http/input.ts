import * as v from 'valibot';
import { toIssues } from '@yohaku/core';
import { Problem } from './problem.ts';

const DEEPEST = 40;

/** Bytes as JSON. @throws Problem 400 when they are none, or nested deeper than anything here is */
export function readJson(bytes: Buffer): unknown {
  const text = bytes.toString('utf8');
  if (deeperThan(text, DEEPEST))
    throw new Problem(400, 'Bad request', `The request is nested deeper than ${DEEPEST} levels.`);
  try {
    return JSON.parse(text);
  } catch {
    throw new Problem(400, 'Bad request', 'The request could not be read as JSON.');
  }
}

/** Reads untrusted input by a schema. @throws Problem 422 with the issues */
export function readInput<const S extends v.GenericSchema>(schema: S, input: unknown): v.InferOutput<S> {
  const result = v.safeParse(schema, input);
  if (!result.success) {
    const issues = toIssues(result.issues);
    throw new Problem(422, 'Input refused', `${issues[0]!.path || 'The request'} ${issues[0]!.message}`, issues);
  }
  return result.output;
}

/**
 * Returns true if brackets outside strings open deeper than a bound: seen before anything is parsed, which would go as
 * deep.
 */
function deeperThan(text: string, bound: number): boolean {
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (code === 0x22) {
      for (at++; at < text.length && text.charCodeAt(at) !== 0x22; at++) if (text.charCodeAt(at) === 0x5c) at++;
    } else if (code === 0x5b || code === 0x7b) {
      if (++depth > bound) return true;
    } else if (code === 0x5d || code === 0x7d) depth--;
  }
  return false;
}
