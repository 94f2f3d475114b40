/** How the columns of a section stand at each width, how wide its container is, and what comes first on a phone. */
export interface Arrangement {
  readonly id: string;
  /** The label on the desk. */
  readonly label: string;
  /** How many columns it can take. */
  readonly columns: { readonly min: number; readonly max: number };
  /** Layout of `.cols` with the class `arranged-ID`. Below the widths it names, columns stand one below the other. */
  readonly css: string;
}

/** Class of a container in an arrangement. */
export const arrangedClass = (id: string): string => `arranged-${id}`;
