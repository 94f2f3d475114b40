export { BASE_SLOTS, BUTTON_PARTS, BUTTON_STATES, behindSlot, buttonSlot, parseButtonSlot, slotLabel, slotNeed, type BaseSlot, type ButtonPart, type ButtonState } from './slots.ts';
export { RawColor, SlotName, SlotValue, slotSwatch, withSlotSwatch } from './slot-value.ts';
export { clearestFor, clearestOn, type Clearest } from './clearest-on.ts';
export { buttonSlots, defaultSlotValue } from './defaults.ts';
