export { canLayIn, layIn, type LaidIn } from './lay-in.ts';
export { SECTION_USES, type SectionKind, type SectionUse } from './section-kind.ts';
export { clipSection, fromClip, matchClip, readClip, type FromClip, type Match, type SectionClip } from './clip.ts';
export { inPageWords, wordsOfPage, type PageWords } from './page-words.ts';
export { PAGE_KINDS, type PageKind } from './page-kinds.ts';
export { SECTION_KINDS } from './section-kinds.ts';
export { PASTED_LOOKS, blocksFromPasted, type Pasted, type PastedLook, type PastedNode } from './pasted.ts';
export { blockKinds, sampleBlock } from './sample-block.ts';
