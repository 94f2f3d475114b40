import { element } from './element.ts';
import { kindOfBlock } from './kind.ts';

/** The site's logo; while it has none, nothing. */
export const logo = kindOfBlock(
  'logo',
  {},
  {
    label: 'Logo',
    column: 'words',
    tree: (kit) => kit.logo('logo') ?? element('div', {}),
    // The specimen shows every form of it in a part of its own.
    samples: () => [],
  },
);
