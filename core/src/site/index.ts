export { Brand, CornerUse, Ground, Space, StyleSize, MOTION_USES, Swatch, TextStyle, type BroughtFamily, type Motion, type MotionUse, type ByBand } from './brand.ts';
export { Block, ButtonItem, Content, Href, Inline, Section, type BlockOf } from './block.ts';
export { ICON_NAMES, IconName } from './icon.ts';
export { Logo, LogoForm } from './logo.ts';
export { Override, STATES, type OverrideProperty, type State } from './override.ts';
export { Asset, Header, Page, SCHEMA_VERSION, SectionEntry, Shared, Site, homePage, sectionOf } from './site.ts';
export { danglingReferences, ruleLoop, type Dangling } from './references.ts';
export { SiteIssues, readSite, toIssues, upcast, type Issue } from './read.ts';
export { Id, Label } from './fields.ts';
