import { CONTRAST } from '../color/index.ts';

/** The colours that may sit on a ground, apart from those of its buttons. */
export const BASE_ROLES = [
  'background',
  'eyebrow',
  'heading',
  'text',
  'link',
  'link-hover',
  'link-visited',
  'secondary',
  'rule',
  'stripe',
  'field',
  'field-edge',
  'field-text',
  'label',
  'help',
  'error',
  'focus',
  'background-to',
  'icon',
  'mark',
  'mark-text',
  'selection',
  'selection-text',
] as const;
export type BaseRole = (typeof BASE_ROLES)[number];

export const BUTTON_PARTS = ['fill', 'label', 'edge'] as const;
export type ButtonPart = (typeof BUTTON_PARTS)[number];

/** States in which a button has colours of its own; focus adds the ring to the resting ones. */
export const BUTTON_STATES = ['rest', 'hover', 'pressed', 'disabled', 'busy'] as const;
export type ButtonState = (typeof BUTTON_STATES)[number];

/** Role of a button part on a ground: `button-primary-fill-hover`, with the variant's id. */
export function buttonRole(variant: string, part: ButtonPart, state: ButtonState): string {
  return `button-${variant}-${part}-${state}`;
}

/**
 * Returns true if a role is one that some page can paint: a base role, or that of a button variant, by the shape of its
 * name.
 */
export const isRoleName = (role: string): boolean =>
  (BASE_ROLES as readonly string[]).includes(role) ||
  /^[a-z][a-z0-9-]{0,59}$/.test(parseButtonRole(role)?.variant ?? '');

/** Takes a button role apart again; undefined for a base role. */
export function parseButtonRole(role: string): { variant: string; part: ButtonPart; state: ButtonState } | undefined {
  const match = /^button-(.+)-(fill|label|edge)-(rest|hover|pressed|disabled|busy)$/.exec(role);
  return match ? { variant: match[1]!, part: match[2] as ButtonPart, state: match[3] as ButtonState } : undefined;
}

/** The role on which another one is seen: a label on its fill, marked text on its mark, the rest on the background. */
export function behindRole(role: string): string {
  const button = parseButtonRole(role);
  if (button) return button.part === 'label' ? buttonRole(button.variant, 'fill', button.state) : 'background';
  return BEHIND[role] ?? 'background';
}

const BEHIND: Readonly<Record<string, BaseRole>> = {
  'mark-text': 'mark',
  'selection-text': 'selection',
  'field-text': 'field',
};

/**
 * The contrast that a role asks for on what it is seen on (WCAG 2.2, 1.4.3 and 1.4.11); 1 for surfaces and what is
 * disabled.
 */
export function roleNeed(role: string): number {
  const button = parseButtonRole(role);
  if (button) return button.state === 'disabled' ? 1 : button.part === 'label' ? CONTRAST.text : CONTRAST.nonText;
  if (['background', 'background-to', 'stripe', 'field', 'mark', 'selection'].includes(role)) return 1;
  return ['rule', 'field-edge', 'focus', 'icon'].includes(role) ? CONTRAST.nonText : CONTRAST.text;
}

/** Labels of the parts of a button. */
export const BUTTON_PART_LABELS: Readonly<Record<ButtonPart, string>> = {
  fill: 'fill',
  label: 'label',
  edge: 'border',
};

/** Returns the name of a role, whose label is given, on a background: “Eyebrow on Fog”, “Background of Fog”. */
export function roleOn(role: string, name: string, background: string): string {
  return `${name} ${role.startsWith('background') ? 'of' : 'on'} ${background}`;
}

/** Returns the label of a role. */
export function roleLabel(role: string): string {
  const button = parseButtonRole(role);
  if (button) return `${BUTTON_PART_LABELS[button.part]}, ${button.state}`;
  return ROLE_LABELS[role as BaseRole] ?? role;
}

const ROLE_LABELS: Record<BaseRole, string> = {
  background: 'Background',
  eyebrow: 'Eyebrow',
  heading: 'Heading',
  text: 'Body text',
  link: 'Link',
  'link-hover': 'Link, hover',
  'link-visited': 'Link, visited',
  secondary: 'Secondary text',
  rule: 'Divider',
  stripe: 'Table stripe',
  field: 'Field',
  'field-edge': 'Field border',
  'field-text': 'Field text',
  label: 'Field label',
  help: 'Field help',
  error: 'Field error',
  focus: 'Focus ring',
  'background-to': 'Gradient end',
  icon: 'Icon',
  mark: 'Mark',
  'mark-text': 'Marked text',
  selection: 'Selection',
  'selection-text': 'Selected text',
};
