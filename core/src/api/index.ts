import { LETTERS } from './letters.ts';
import { DOWNLOADS, SOURCES, FONTS, FRAME, SYSTEM } from './files.ts';
import { MEASURED } from './measured.ts';
import { PUBLISH } from './publish.ts';
import { SESSION } from './session.ts';
import { SITES } from './sites.ts';

export { addressOf, type AnswerPolicy, type Declared, type ParamsOf } from './declare.ts';
export type { FontRead } from './files.ts';
export type { Measured } from './measured.ts';
export { megabytes } from './megabytes.ts';
export type { Publication, Publications } from './publish.ts';
export type { ListedSession } from './session.ts';
export type {
  Brought,
  CaughtUp,
  LoadedSite,
  SavedChange,
  SendResult,
  ShelvedSite,
  SiteLine,
  SiteStanding,
} from './sites.ts';

/** Every address of the API. */
export const API = {
  session: SESSION,
  sites: SITES,
  sources: SOURCES,
  downloads: DOWNLOADS,
  fonts: FONTS,
  publish: PUBLISH,
  measured: MEASURED,
  letters: LETTERS,
  frame: FRAME,
  system: SYSTEM,
} as const;
export type { Letter, LettersPage } from './letters.ts';
