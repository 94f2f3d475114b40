/** An error and what caused it, outermost first; no deeper than errors are made here. */
function* causes(error: unknown): Generator<Error> {
  for (let at = error, depth = 0; at instanceof Error && depth < 6; at = at.cause, depth++) {
    yield at;
    if (at instanceof AggregateError) for (const entry of at.errors) if (entry instanceof Error) yield entry;
  }
}

const codeOf = (error: Error): string => {
  const { code } = error as { code?: unknown };
  return typeof code === 'string' ? code : '';
};

/** Returns true when an error or one of its causes has a code of the pattern. */
function hasCode(error: unknown, pattern: RegExp): boolean {
  for (const cause of causes(error)) if (pattern.test(codeOf(cause))) return true;
  return false;
}

/**
 * Returns true when an error or its cause says that PostgreSQL cannot be reached, is going down,
 * has no room left or no connection to give. A later try can succeed.
 */
export function isDatabaseDown(error: unknown): boolean {
  for (const cause of causes(error)) {
    // SQLSTATE classes: 08 connection, 53 resources (disk full, too many connections), 57P shut down, 58 system errors.
    if (
      /^(ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|ENOTFOUND|EAI_AGAIN)$/.test(codeOf(cause)) ||
      /^(08|53|57P|58)/.test(codeOf(cause)) ||
      /^(XX000|XX001|XX002)$/.test(codeOf(cause))
    )
      return true;
    if (
      /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|Query read timeout|Cannot use a pool after calling end|client is not queryable/i.test(
        cause.message,
      )
    )
      return true;
  }
  return false;
}

/**
 * Returns true when an error or its cause says that the disk has no room left: SQLSTATE 53100, or the system's ENOSPC
 * and EDQUOT.
 */
export function isDiskFull(error: unknown): boolean {
  for (const cause of causes(error))
    if (
      /^(53100|ENOSPC|EDQUOT)$/.test(codeOf(cause)) ||
      /No space left on device|Disk quota exceeded/i.test(cause.message)
    )
      return true;
  return false;
}

/**
 * Returns true when an error or its cause says that PostgreSQL gives no more connections (SQLSTATE 53300): others hold
 * them all.
 */
export function isCrowded(error: unknown): boolean {
  return hasCode(error, /^53300$/);
}

/**
 * Returns true for an error from a lock: the wait for it took too long (SQLSTATE 55P03), or two transactions waited for
 * each other (40P01). A later try can succeed.
 */
export function isLocked(error: unknown): boolean {
  return hasCode(error, /^(55P03|40P01)$/);
}

/**
 * Returns true if PostgreSQL refused a value itself: SQLSTATE 22 (no such text or number) or 23 (a constraint), 54 (too
 * large).
 */
export function isRefusedByDatabase(error: unknown): boolean {
  return hasCode(error, /^(22|23|54)[0-9A-Z]{3}$/);
}
