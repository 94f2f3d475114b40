import type { Block } from '../kinds/index.ts';
import type { Section } from '../site/index.ts';

/** The purposes of kinds of section, used as a filter. */
export const SECTION_USES = ['openers', 'words', 'pictures', 'lists', 'offers', 'people', 'contact'] as const;
export type SectionUse = (typeof SECTION_USES)[number];

/**
 * A kind of section that a designer picks from, as data: an arrangement and the
 * blocks in its columns, with first words. Its blocks are blocks as the document
 * has them, except that every id of something the brand has is the name of a role
 * there (`heading`, `running`, …: `rolesOf` in `lay-in.ts`), filled in when it is laid in. Ids of
 * blocks are its own, once a kind.
 */
export interface SectionKind {
  readonly id: string;
  /** The label of the kind and of the sections made from it. */
  readonly label: string;
  readonly use: SectionUse;
  readonly arrangement?: Section['arrangement'];
  /** Role of the background it stands on; absent: the plain one. */
  readonly ground?: 'other';
  readonly columns: readonly (readonly Block[])[];
}
