import { BUTTON_PARTS, BUTTON_STATES, buttonRole, parseButtonRole } from './roles.ts';
import type { RoleValue } from './role-value.ts';

/**
 * Returns the rule of an unset role: texts use the best core swatch, other roles follow a neighbour, marks and
 * selections swap text and background.
 */
export function defaultRoleValue(role: string): RoleValue {
  const button = parseButtonRole(role);
  if (button) {
    if (button.state !== 'rest') return { kind: 'same', role: buttonRole(button.variant, button.part, 'rest') };
    if (button.part === 'edge') return { kind: 'same', role: buttonRole(button.variant, 'fill', 'rest') };
    if (button.part === 'label') return { kind: 'same', role: 'background' };
    return { kind: 'readable' };
  }
  switch (role) {
    case 'link-hover':
    case 'link-visited':
      return { kind: 'same', role: 'link' };
    case 'field':
    case 'stripe':
      return { kind: 'same', role: 'background' };
    case 'background-to':
    case 'mark-text':
    case 'selection-text':
      return { kind: 'same', role: 'background' };
    case 'icon':
    case 'mark':
    case 'selection':
    case 'field-text':
    case 'label':
      return { kind: 'same', role: 'text' };
    case 'secondary':
      return { kind: 'same', role: 'text' };
    case 'help':
    case 'field-edge':
    case 'rule':
      return { kind: 'same', role: 'secondary' };
    default:
      return { kind: 'readable' };
  }
}

/** All button roles of one variant, in a fixed order. */
export function buttonRoles(variant: string): string[] {
  return BUTTON_PARTS.flatMap((part) => BUTTON_STATES.map((state) => buttonRole(variant, part, state)));
}
