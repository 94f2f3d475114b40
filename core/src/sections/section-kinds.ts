import type { SectionKind } from './section-kind.ts';

/** The kinds of section there are. */
export const SECTION_KINDS = {
  opener: {
    id: 'opener', label: 'Opener', columns: [[
      { kind: 'text', id: 'title', style: 'opening', level: 1, content: [{ text: 'A new page' }] },
      { kind: 'text', id: 'words', style: 'running', level: null, content: [{ text: 'Write here.' }] },
    ]],
  },
  text: {
    id: 'text', label: 'New section', columns: [[
      { kind: 'text', id: 'title', style: 'heading', level: 2, content: [{ text: 'A new section' }] },
      { kind: 'text', id: 'words', style: 'running', level: null, content: [{ text: 'Write here.' }] },
    ]],
  },
} as const satisfies Readonly<Record<string, SectionKind>>;
