export { layIn } from './lay-in.ts';
export type { SectionKind } from './section-kind.ts';
export { SECTION_KINDS } from './section-kinds.ts';
