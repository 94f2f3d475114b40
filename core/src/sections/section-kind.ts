import type { Block } from '../kinds/index.ts';
import type { Section } from '../site/index.ts';

/**
 * A kind of section that a designer picks from, as data: an arrangement and the
 * blocks in its columns, with first words. Its blocks are blocks as the document
 * has them, except that every id of something the brand has is the name of a role
 * there (`heading`, `running`, …: `rolesOf` in `lay-in.ts`), filled in when it is laid in. Ids of
 * blocks are its own, once a kind.
 */
export interface SectionKind {
  readonly id: string;
  /** What it is called, and the section that is made of it. */
  readonly label: string;
  readonly arrangement?: Section['arrangement'];
  readonly columns: readonly (readonly Block[])[];
}
