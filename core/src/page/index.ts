export { anchorOf, whereSet, type Anchor, type Where } from './tree/anchor.ts';
export { STATES_OF, type Place } from './tree/place.ts';
export {
  forgetTree,
  hasTree,
  isKept,
  looseSection,
  pageTree,
  partOfPage,
  structureKey,
  type PageTree,
} from './tree/tree.ts';
export { work } from './tree/work.ts';
export type { PagePart } from './tree/part.ts';
export { partPatterns, type PartPattern } from './tree/pattern.ts';
export { hrefOf } from './tree/inline.ts';
export { withCommonEnds } from './tree/common-ends.ts';
export { downloadFacts, downloadFile } from './files/download-file.ts';
export { embedProperties } from './forms/embeds.ts';
export { assetFile, readAssetFile } from './files/asset-file.ts';
export { charactersOf, missingCharacters } from './files/site-text.ts';
export {
  MOST_ANSWER,
  answerFile,
  formsOf,
  readLetter,
  type Form,
  type FormOnPage,
  type LetterField,
} from './forms/forms.ts';
export { altProblem, offeredFields, type Offered } from './words/offered.ts';
export { buttonRecipes } from './tree/button-recipes.ts';
export { ownWords, type OwnWords } from './words/own-words.ts';
export { findWords, type WordsFound } from './words/find-words.ts';
export {
  DESCRIPTION_SHOWN,
  TITLE_SHOWN,
  factProblemsByPage,
  SAYS_NOTHING,
  type FactFix,
  type PageFactProblem,
} from './links/page-facts.ts';
export { anchorsOf, hrefFrom, hrefText, linkOffers, lostLinks, type LostLink } from './links/link-words.ts';
export { readsItems } from './tree/shown-items.ts';
export {
  MISSING_FILE,
  answerPage,
  anyPage,
  editedPage,
  fileCount,
  filesOf,
  isMade,
  missingPage,
  pageMark,
  publishedPage,
  publishedPages,
  type PublishedPage,
} from './files/published.ts';
