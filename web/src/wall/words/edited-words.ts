import { type Href, type Inline } from '@yohaku/core';

/** The marks of a text: strong, emphasis, highlight. */
export type Mark = 'strong' | 'em' | 'marked';

/** Words that are being edited where they stand. */
export interface EditedWords {
  readonly page: string;
  readonly place: string;
  /** True if they may have emphasis and links; a line has neither. */
  readonly rich: boolean;
  /** Where the words that are chosen lead, and whether they are emphasised. */
  readonly link: Href | null;
  readonly mark: Mark | null;
}

/** One editing of words, from its start until it is done or dropped. */
export interface Session {
  readonly finish: (keep: boolean) => void;
  readonly mark: (mark: Mark) => void;
  readonly link: (link: Href | null) => void;
}

/** Words in an element: how they are read, and what the tools do to them. */
export interface Words {
  readonly rich: boolean;
  readonly read: () => string | Inline[];
  readonly mark: (mark: Mark) => void;
  readonly link: (link: Href | null) => void;
  /** Lays runs in where the caret is, in place of the words that are chosen. */
  readonly lay: (runs: readonly Inline[]) => void;
  readonly chosen: () => { readonly link: Href | null; readonly mark: Mark | null };
}
