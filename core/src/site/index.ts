export {
  Brand,
  Ground,
  Space,
  StyleSize,
  MOTION_USES,
  Swatch,
  TextStyle,
  type BroughtFamily,
  type ButtonVariant,
  type Motion,
  type MotionUse,
} from './brand.ts';
export {
  CORNER_USES,
  Corner,
  CornerUse,
  EDGE_USES,
  OwnShape,
  PLAIN_EDGES,
  PLAIN_UNDERLINE,
  type CornerValue,
  type EdgeUse,
  type Shadow,
} from './shape-parts.ts';
export { Section } from './section.ts';
export { Logo, LogoForm } from './logo.ts';
export {
  INHERITED,
  OVERRIDE_PROPERTIES,
  SLIP_ROWS,
  paintedFacts,
  type OverrideProperty,
  type PaintedProperty,
} from './painted.ts';
export { Override, STATES, type State } from './override.ts';
export { isWholeValue, literalCss } from './literal.ts';
export { Collection, CollectionField, FIELD_KINDS, Item, type FieldKind } from './collection.ts';
export { DOWNLOAD_TYPES, Download, type DownloadType } from './download.ts';
export { formerAddresses } from './former.ts';
export { Asset, Header, MenuItem, Page, SectionEntry, Shared, Site, homePage, sectionOf } from './site.ts';
export { danglingIssue, danglingReferences, type Dangling } from './references.ts';
export { ruleLoop } from './brand-references.ts';
export { perSection } from './per-section.ts';
export { headerOver, sectionsOf, sectionsOn } from './sections-of.ts';
export { referencesByTarget, referencesTo } from './uses.ts';
export { fieldProblem, isRunning } from './field-problem.ts';
export { ownerWords } from './owner-words.ts';
export { SCHEMA_VERSION, opsToNow } from './versions/chain.ts';
export { SiteIssues, readDocument, toIssues, upcast, type Issue } from './read.ts';
