import { CONTRAST } from '../color/index.ts';

/** The colours that may sit on a ground, apart from those of its buttons. */
export const BASE_SLOTS = [
  'background', 'eyebrow', 'heading', 'text', 'link', 'link-hover', 'link-visited', 'secondary', 'rule', 'stripe',
  'field', 'field-edge', 'field-text', 'label', 'help', 'error', 'focus',
  'background-to', 'icon', 'mark', 'mark-text', 'selection', 'selection-text',
] as const;
export type BaseSlot = (typeof BASE_SLOTS)[number];

export const BUTTON_PARTS = ['fill', 'label', 'edge'] as const;
export type ButtonPart = (typeof BUTTON_PARTS)[number];

/** States in which a button has colours of its own; focus adds the ring to the resting ones. */
export const BUTTON_STATES = ['rest', 'hover', 'pressed', 'disabled', 'busy'] as const;
export type ButtonState = (typeof BUTTON_STATES)[number];

/** Slot of a button part on a ground: `button-primary-fill-hover`, with the variant's id. */
export function buttonSlot(variant: string, part: ButtonPart, state: ButtonState): string {
  return `button-${variant}-${part}-${state}`;
}

/** Whether a slot is one that some page can paint: a base slot, or that of a button variant, by the shape of its name. */
export const isSlotName = (slot: string): boolean => (BASE_SLOTS as readonly string[]).includes(slot) || /^[a-z][a-z0-9-]{0,59}$/.test(parseButtonSlot(slot)?.variant ?? '');

/** Takes a button slot apart again; undefined for a base slot. */
export function parseButtonSlot(slot: string): { variant: string; part: ButtonPart; state: ButtonState } | undefined {
  const match = /^button-(.+)-(fill|label|edge)-(rest|hover|pressed|disabled|busy)$/.exec(slot);
  return match ? { variant: match[1]!, part: match[2] as ButtonPart, state: match[3] as ButtonState } : undefined;
}

/** The slot on which another one is seen: a label on its fill, marked text on its mark, the rest on the background. */
export function behindSlot(slot: string): string {
  const button = parseButtonSlot(slot);
  if (button) return button.part === 'label' ? buttonSlot(button.variant, 'fill', button.state) : 'background';
  return BEHIND[slot] ?? 'background';
}

const BEHIND: Readonly<Record<string, BaseSlot>> = { 'mark-text': 'mark', 'selection-text': 'selection', 'field-text': 'field' };

/** The contrast that the role of a slot asks for on what it is seen on (WCAG 2.2, 1.4.3 and 1.4.11); 1 for surfaces and what is disabled. */
export function slotNeed(slot: string): number {
  const button = parseButtonSlot(slot);
  if (button) return button.state === 'disabled' ? 1 : button.part === 'label' ? CONTRAST.text : CONTRAST.nonText;
  if (['background', 'background-to', 'stripe', 'field', 'mark', 'selection'].includes(slot)) return 1;
  return ['rule', 'field-edge', 'focus', 'icon'].includes(slot) ? CONTRAST.nonText : CONTRAST.text;
}

/** What a slot is called on the desk. */
export function slotLabel(slot: string): string {
  const button = parseButtonSlot(slot);
  if (button) return `${button.part}, ${button.state}`;
  return SLOT_LABELS[slot as BaseSlot] ?? slot;
}

const SLOT_LABELS: Record<BaseSlot, string> = {
  background: 'Background', eyebrow: 'Eyebrow', heading: 'Heading', text: 'Running text', link: 'Link',
  'link-hover': 'Link, hover', 'link-visited': 'Link, visited', secondary: 'Secondary text', rule: 'Rule', stripe: 'Table stripe', field: 'Field',
  'field-edge': 'Field edge', 'field-text': 'Field text', label: 'Field label', help: 'Field help', error: 'Field error', focus: 'Focus ring',
  'background-to': 'Background, far end', icon: 'Icon', mark: 'Mark', 'mark-text': 'Marked text', selection: 'Selection', 'selection-text': 'Selected text',
};
