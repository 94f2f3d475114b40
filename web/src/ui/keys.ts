import { isTyping } from './typing.ts';

/** A key, declared once: how it is listed, what it does, and which press it is. */
export interface Key {
  readonly shown: string;
  readonly does: string;
  /** Whether a press is this one. Keys of the whole desk are none while somebody types. */
  readonly is: (event: KeyboardEvent) => boolean;
}

const commanded = (event: KeyboardEvent): boolean => (event.ctrlKey || event.metaKey) && !event.altKey;
const plain = (event: KeyboardEvent): boolean => !event.ctrlKey && !event.metaKey && !event.altKey;
const letter = (event: KeyboardEvent): string => event.key.toLowerCase();

/** A key that does something as long as it is held. */
interface Held extends Key {
  /** Whether it is this one that was let go, wherever the focus is by now. */
  readonly ends: (event: KeyboardEvent) => boolean;
}

/** A key of the whole desk: pressed alone, and not into words. */
const alone = (shown: string, does: string, ...keys: readonly string[]): Held => ({ shown, does, ends: (event) => keys.includes(letter(event)), is: (event) => plain(event) && !isTyping(event) && keys.includes(letter(event)) });
const command = (shown: string, does: string, is: (event: KeyboardEvent) => boolean): Key => ({ shown, does, is: (event) => commanded(event) && !isTyping(event) && is(event) });
/** A key of one kind of control, which has the focus when it is pressed. */
const within = (shown: string, does: string, is: (event: KeyboardEvent) => boolean): Key => ({ shown, does, is });
const arrow = (...ways: readonly string[]) => (event: KeyboardEvent): boolean => plain(event) && ways.includes(event.key);

/** Every key there is, in the order of the list on `?`. None is one that browsers use. */
export const KEYS = {
  step: alone('1 … 8', 'Go to a step', '1', '2', '3', '4', '5', '6', '7', '8'),
  undo: command('Ctrl Z', 'Undo', (event) => letter(event) === 'z' && !event.shiftKey),
  redo: command('Ctrl Shift Z, Ctrl Y', 'Redo', (event) => (letter(event) === 'z' && event.shiftKey) || letter(event) === 'y'),
  before: alone('B, held', 'See the wall before the last edit', 'b'),
  specimen: alone('S', 'The specimen, and back', 's'),
  levels: alone('L', 'Headings by level and style', 'l'),
  seen: alone('V', 'Seen as: full colour, protan, deutan, tritan, greyscale', 'v'),
  list: alone('?', 'This list', '?'),
  back: alone('Esc', 'One step back: slip, grown page, token in hand', 'escape'),
  figure: within('↑ ↓ in a figure', 'Nudge by one step; with Shift: ten', arrow('ArrowUp', 'ArrowDown')),
  slider: within('← → on a slider', 'Nudge by one step', arrow('ArrowLeft', 'ArrowRight')),
  height: within('↑ ↓ on the line', 'Taller or lower desk', arrow('ArrowUp', 'ArrowDown')),
  harmony: alone('H, held', 'Harmonies: the next one on the wall', 'h'),
  next: alone('N', 'Check: the next row', 'n'),
  previous: alone('P', 'Check: the row before', 'p'),
  mend: alone('M', 'Check: mend', 'm'),
  undoCheck: alone('U', 'Check: undo the edit', 'u'),
  keep: within('Enter in words', 'Keep what was typed', (event) => event.key === 'Enter'),
  drop: within('Esc in words', 'Drop what was typed', (event) => event.key === 'Escape'),
  strong: within('Ctrl B in words', 'Strong, or not', (event) => commanded(event) && letter(event) === 'b'),
  emphasis: within('Ctrl I in words', 'Emphasis, or not', (event) => commanded(event) && letter(event) === 'i'),
} as const satisfies Readonly<Record<string, Key>>;
