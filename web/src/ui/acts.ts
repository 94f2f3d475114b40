import { Act } from './act.ts';
import { Delete } from './ask.ts';
import { ICONS, IconSign, type Icon } from './icon.ts';
import { Opens } from './opens.ts';
import { Pick } from './pick.ts';
import { Tip } from './tip.ts';

export { Act, Delete, ICONS, IconSign, Opens, Pick, Tip, type Icon };
/** All that is pressed: what acts, what opens something, what is chosen, with what is said beside it. */
export const ACTS = [Act, Delete, Opens, Pick, Tip] as const;
