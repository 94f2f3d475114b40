export { anchorOf, whereSet, type Anchor, type Where } from './anchor.ts';
export { STATES_OF, type Place } from './place.ts';
export {
  forgetTree,
  hasTree,
  isKept,
  looseSection,
  pageTree,
  partOfPage,
  structureKey,
  type PageTree,
} from './tree.ts';
export { work } from './work.ts';
export type { PagePart } from './part.ts';
export { partPatterns, type PartPattern } from './pattern.ts';
export { hrefOf } from './inline.ts';
export { withCommonEnds } from './common-ends.ts';
export { downloadFacts, downloadFile } from './download-file.ts';
export { embedProperties } from './embeds.ts';
export { assetFile, readAssetFile } from './asset-file.ts';
export { charactersOf, missingCharacters } from './site-text.ts';
export { MOST_ANSWER, answerFile, formsOf, readLetter, type Form, type FormOnPage, type LetterField } from './forms.ts';
export { altProblem, offeredFields, type Offered } from './offered.ts';
export { buttonRecipes } from './button-recipes.ts';
export { ownWords, type OwnWords } from './own-words.ts';
export { findWords, type WordsFound } from './find-words.ts';
export {
  DESCRIPTION_SHOWN,
  TITLE_SHOWN,
  factProblemsByPage,
  SAYS_NOTHING,
  type FactFix,
  type PageFactProblem,
} from './page-facts.ts';
export { anchorsOf, hrefFrom, hrefText, linkOffers, lostLinks, type LostLink } from './link-words.ts';
export { readsItems } from './shown-items.ts';
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
} from './published.ts';
