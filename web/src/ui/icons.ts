import back from 'lucide/dist/esm/icons/arrow-left.mjs';
import open from 'lucide/dist/esm/icons/arrow-up-right.mjs';
import add from 'lucide/dist/esm/icons/plus.mjs';

type Shape = readonly (readonly [string, Readonly<Record<string, string | number>>])[];
const paths = (shape: Shape): readonly string[] => shape.flatMap(([tag, { d }]) => (tag === 'path' ? [String(d)] : []));

/** Icons of the frequent acts, as the paths that Lucide draws them with in a box of 24. */
export const ICONS = { add: paths(add), back: paths(back), open: paths(open) } as const;
export type UiIcon = keyof typeof ICONS;
