import * as v from 'valibot';
import { Id } from '../fields/index.ts';
import { ICON_NAMES, IconName } from './icon-name.ts';
import { Href } from './inline.ts';
import { choiceOf, nameOf, refTo } from './meaning.ts';

/** An icon beside words, or none. */
export const iconChoice = (label: string, unless?: string) =>
  choiceOf(IconName, label, ICON_NAMES, { offered: true, ...(unless === undefined ? {} : { unless }) });

/** A button: its words, where it leads, and which of the brand's variants, sizes and icons it has. */
export const ButtonItem = v.strictObject({
  id: Id,
  label: nameOf('button'),
  href: Href,
  variant: refTo('variant', 'Variant', true),
  size: refTo('size', 'Size', true),
  icon: v.optional(iconChoice('Icon')),
});
export type ButtonItem = v.InferOutput<typeof ButtonItem>;
