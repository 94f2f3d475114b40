/** What can be set on one place. */
export const OVERRIDE_PROPERTIES = [
  'color', 'background-color', 'border-color', 'font-size', 'font-weight', 'font-family', 'line-height', 'letter-spacing',
  'padding-block', 'padding-inline', 'border-radius', 'margin-block-start', 'margin-block-end',
] as const;
export type OverrideProperty = (typeof OVERRIDE_PROPERTIES)[number];
