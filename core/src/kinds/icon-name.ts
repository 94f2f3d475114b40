import * as v from 'valibot';

/** Icons that a list may carry, named after what they show. */
export const ICON_NAMES = ['check', 'arrow', 'anchor', 'clock', 'info', 'warning'] as const;
export const IconName = v.picklist(ICON_NAMES);
export type IconName = v.InferOutput<typeof IconName>;
