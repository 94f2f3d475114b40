export { BASE_SLOTS, BUTTON_PARTS, BUTTON_STATES, buttonSlot, parseButtonSlot, slotLabel, type BaseSlot, type ButtonPart, type ButtonState } from './slots.ts';
export { RawColor, SlotName, SlotValue, slotSwatch, withSlotSwatch } from './slot-value.ts';
export { clearestOn } from './clearest-on.ts';
export { buttonSlots, defaultSlotValue } from './defaults.ts';
