/** The facts of a failing judgement that tell its cause. */
export interface FailingRow {
  readonly page: string;
  readonly place: string;
  readonly label: string;
  readonly rule: string | null;
  readonly found: number | null;
  readonly needed: number;
  /** Paths of the tokens that the value comes from, the nearest first. */
  readonly tokens: readonly string[];
}

/** Failing judgements with one cause: the same rule asks the same of values that come from the same token. */
export interface FailingCause<Row extends FailingRow> {
  readonly key: string;
  /** Every judgement, in the order of the list. */
  readonly rows: readonly Row[];
  /** The one that is farthest from what is required. */
  readonly worst: Row;
  /** How many places fail; one place can fail at several widths or in several states. */
  readonly places: number;
  readonly pages: readonly string[];
}

/**
 * Returns failing judgements grouped by cause, the one with most places first: an edit of the token that a cause comes
 * from puts all of its places right.
 */
export function failingCauses<Row extends FailingRow>(rows: readonly Row[]): FailingCause<Row>[] {
  const causes = new Map<string, Row[]>();
  for (const row of rows) {
    // Without a token the cause is the thing itself, by its name: the header of every page is one header.
    const key = `${row.rule} ${row.needed} ${row.tokens.length > 0 ? row.tokens.join() : row.label}`;
    const known = causes.get(key);
    if (known) known.push(row);
    else causes.set(key, [row]);
  }
  return [...causes]
    .map(([key, all]) => ({
      key,
      rows: all,
      worst: all.reduce((worst, row) => (shortfall(row) > shortfall(worst) ? row : worst)),
      places: new Set(all.map(({ page, place }) => `${page} ${place}`)).size,
      pages: [...new Set(all.map(({ page }) => page))],
    }))
    .sort((a, b) => b.places - a.places);
}

/** How far a value is from what is required, as a share of it. */
const shortfall = ({ found, needed }: FailingRow): number =>
  found === null || needed === 0 ? 0 : Math.abs(needed - found) / needed;
