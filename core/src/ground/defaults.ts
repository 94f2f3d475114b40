import { BUTTON_PARTS, BUTTON_STATES, buttonSlot, parseButtonSlot } from './slots.ts';
import type { SlotValue } from './slot-value.ts';

/** What an unset slot does: texts take the clearest core swatch, the rest follows a neighbour; marks and selections turn text and background round. */
export function defaultSlotValue(slot: string): SlotValue {
  const button = parseButtonSlot(slot);
  if (button) {
    if (button.state !== 'rest') return { kind: 'same', slot: buttonSlot(button.variant, button.part, 'rest') };
    if (button.part === 'edge') return { kind: 'same', slot: buttonSlot(button.variant, 'fill', 'rest') };
    if (button.part === 'label') return { kind: 'same', slot: 'background' };
    return { kind: 'readable' };
  }
  switch (slot) {
    case 'link-hover':
    case 'link-visited': return { kind: 'same', slot: 'link' };
    case 'field':
    case 'stripe': return { kind: 'same', slot: 'background' };
    case 'background-to':
    case 'mark-text':
    case 'selection-text': return { kind: 'same', slot: 'background' };
    case 'icon':
    case 'mark':
    case 'selection':
    case 'field-text':
    case 'label': return { kind: 'same', slot: 'text' };
    case 'secondary': return { kind: 'same', slot: 'text' };
    case 'help':
    case 'field-edge':
    case 'rule': return { kind: 'same', slot: 'secondary' };
    default: return { kind: 'readable' };
  }
}

/** All button slots of one variant, in a fixed order. */
export function buttonSlots(variant: string): string[] {
  return BUTTON_PARTS.flatMap((part) => BUTTON_STATES.map((state) => buttonSlot(variant, part, state)));
}
