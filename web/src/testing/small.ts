import { readSite, type Site } from '@yohaku/core';
import { smallSite } from '../../../core/src/testing/small-site.ts';

export { literal } from '../../../core/src/testing/small-site.ts';

/** The small site of core's own tests, as the desk has it. */
export const small = (...args: Parameters<typeof smallSite>): Site => readSite(smallSite(...args));
