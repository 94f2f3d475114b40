import { element } from './element.ts';
import { kindOfBlock } from './kind.ts';

/** A line across. */
export const rule = kindOfBlock(
  'rule',
  {},
  {
    label: 'Rule',
    column: 'words',
    tree: (kit) =>
      element(
        'hr',
        kit.painted(
          { part: 'rule', kind: 'rule', label: 'Rule', paint: [kit.paint.rule(), kit.paint.line('start')] },
          'line',
        ),
      ),
    css: '.line { border-width: 0; border-style: solid; margin-block: 24px; }\n',
    samples: () => [{ name: 'rule' }],
  },
);
