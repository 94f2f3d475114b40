export { Block, allKinds, kindOf, withKind, wordsIn, type BlockOf } from './kinds.ts';
export { kindOfBlock, type BlockBase, type Extra, type Kind, type SampleBrand } from './kind.ts';
export { ButtonItem } from './button-item.ts';
export { Content, Href, Inline, hrefIs, pageLink, plainText } from './inline.ts';
export { emphasised, linked, runAt, laidInto, linesOf, markedWords, withBreaks } from './runs.ts';
export { ICON_NAMES, IconName } from './icon-name.ts';
export {
  Alt,
  asLine,
  asLink,
  asOrder,
  asWords,
  choiceOf,
  lineOf,
  nameOf,
  orderOf,
  fieldOf,
  refTo,
  said,
  saidList,
  TARGETS,
  type Meaning,
  type NameKind,
  type Target,
} from './meaning.ts';
export { fieldAt, mapFields, namedAt, replaceAt, walk, type FieldHere } from './walk.ts';
export { element, labelled, type Properties } from './element.ts';
export type {
  ItemQuery,
  ItemWords,
  Kit,
  ListPage,
  ListedItem,
  PaintedAs,
  Paints,
  Path,
  PlaceKind,
  WordsHow,
} from './kit.ts';
export { ARRANGEMENTS, arrangedClass, arrangementOf, type Arrangement } from './arrangements/index.ts';
export { SIDES, keepsAs, keepsPoint, type Keeps } from './keeps.ts';
