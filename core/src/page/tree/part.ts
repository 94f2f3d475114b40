import type { Element } from 'hast';
import type { Place } from './place.ts';

/** One top-level part of a page: the header, a section or the footer. */
export interface PagePart {
  /** `header`, `footer`, or the id of the section's entry on the page. */
  readonly id: string;
  readonly label: string;
  readonly shared: boolean;
  readonly element: Element;
  readonly places: readonly Place[];
}
