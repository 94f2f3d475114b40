import { isMeantAsText, isTyping, keepsEscape } from './typing.ts';

/** A key, declared once: how it is listed, what it does, and which press it is. */
export interface Key {
  readonly shown: string;
  readonly does: string;
  /** True if it is one of one kind of control, which has the focus then; else it is one of the whole desk. */
  readonly within?: true;
  /** Returns true if a press is this one. Keys of the whole desk are none while somebody types. */
  readonly is: (event: KeyboardEvent) => boolean;
}

const commanded = (event: KeyboardEvent): boolean => (event.ctrlKey || event.metaKey) && !event.altKey;
const plain = (event: KeyboardEvent): boolean => !event.ctrlKey && !event.metaKey && !event.altKey;
const letter = (event: KeyboardEvent): string => event.key.toLowerCase();

/** A key that does something as long as it is held. */
interface Held extends Key {
  /** Returns true if it is this one that was let go, wherever the focus is by now. */
  readonly ends: (event: KeyboardEvent) => boolean;
}

/** A key of the whole desk: pressed alone, and not into words. */
const alone = (shown: string, does: string, ...keys: readonly string[]): Held => ({
  shown,
  does,
  ends: (event) => keys.includes(letter(event)),
  is: (event) => plain(event) && !isTyping(event) && !isMeantAsText(event) && keys.includes(letter(event)),
});
const command = (shown: string, does: string, is: (event: KeyboardEvent) => boolean): Key => ({
  shown,
  does,
  is: (event) => commanded(event) && !isTyping(event) && is(event),
});
/** A key of one kind of control, which has the focus when it is pressed. */
const within = (shown: string, does: string, is: (event: KeyboardEvent) => boolean): Key => ({
  shown,
  does,
  within: true,
  is,
});

/** Keys that move a value along. */
interface Nudge extends Key {
  /**
   * Steps a press moves it: one, with Shift ten; 0 for any other key. What it would have scrolled or selected stays.
   */
  readonly by: (event: KeyboardEvent) => number;
}
const nudge = (shown: string, does: string, on: readonly string[], back: readonly string[]): Nudge => {
  const steps = (event: KeyboardEvent): number =>
    (!plain(event) ? 0 : on.includes(event.key) ? 1 : back.includes(event.key) ? -1 : 0) * (event.shiftKey ? 10 : 1);
  const is = (event: KeyboardEvent): boolean => steps(event) !== 0;
  return {
    ...within(shown, does, is),
    by: (event) => {
      if (is(event)) event.preventDefault();
      return steps(event);
    },
  };
};

/** Every key there is, in the order of the list on `?`. None is one that browsers use. */
export const KEYS = {
  step: alone('1 … 8', 'Go to a step', '1', '2', '3', '4', '5', '6', '7', '8'),
  undo: command('Ctrl Z', 'Undo', (event) => letter(event) === 'z' && !event.shiftKey),
  redo: command(
    'Ctrl Shift Z, Ctrl Y',
    'Redo',
    (event) => (letter(event) === 'z' && event.shiftKey) || letter(event) === 'y',
  ),
  // In a field as well: no field has a use of its own for it.
  find: {
    shown: 'Ctrl K',
    does: 'Find a command, field, page, token or text',
    is: (event: KeyboardEvent) => commanded(event) && letter(event) === 'k' && !event.shiftKey,
  },
  before: alone('B, held', 'Show the pages before the last edit', 'b'),
  specimen: alone('S', 'Specimen, and back', 's'),
  fit: alone('O', 'All pages at once, and back', 'o'),
  levels: alone('L', 'Show heading levels', 'l'),
  seen: alone('V', 'Colour vision: normal, protan, deutan, tritan, greyscale', 'v'),
  list: alone('?', 'This list of shortcuts', '?'),
  back: {
    shown: 'Esc',
    does: 'One step back: panel, enlarged page, selected token',
    is: (event: KeyboardEvent) => plain(event) && !keepsEscape(event) && event.key === 'Escape',
  },
  figure: nudge('↑ ↓ in a number', 'Change by one step; with Shift, ten', ['ArrowUp'], ['ArrowDown']),
  slider: nudge('← → on a slider', 'Change by one step', ['ArrowRight'], ['ArrowLeft']),
  contrast: nudge(
    '↑ ↓ in the contrast field',
    'More or less contrast; with Shift, ten steps',
    ['ArrowUp'],
    ['ArrowDown'],
  ),
  chroma: nudge(
    '← → in the contrast field',
    'Less or more chroma; with Shift, ten steps',
    ['ArrowRight'],
    ['ArrowLeft'],
  ),
  focusAcross: nudge(
    '← → on an image',
    'Focus point left or right; with Shift, ten steps',
    ['ArrowRight'],
    ['ArrowLeft'],
  ),
  focusDown: nudge('↑ ↓ on an image', 'Focus point up or down; with Shift, ten steps', ['ArrowDown'], ['ArrowUp']),
  measureAcross: nudge(
    '← → on a design',
    'Move the measuring cross; with Shift, ten px',
    ['ArrowRight'],
    ['ArrowLeft'],
  ),
  measureDown: nudge('↑ ↓ on a design', 'Move the measuring cross; with Shift, ten px', ['ArrowDown'], ['ArrowUp']),
  measureCorner: within('Enter on a design', 'Begin or end a box to measure', (event) => event.key === 'Enter'),
  cut: nudge(
    '↑ ↓ on the line in Sources',
    'One colour fewer or more',
    ['ArrowDown', 'ArrowRight'],
    ['ArrowUp', 'ArrowLeft'],
  ),
  row: nudge('↑ ↓ in search results', 'Previous or next row', ['ArrowUp'], ['ArrowDown']),
  rung: nudge('↑ ↓ at an end of the type scale', 'Change text size or step', ['ArrowUp'], ['ArrowDown']),
  height: nudge('↑ ↓ on the line', 'Higher or lower lower half', ['ArrowUp'], ['ArrowDown']),
  harmony: alone('H, held', 'Harmonies: preview the next palette', 'h'),
  next: alone('N', 'Check: next row', 'n'),
  previous: alone('P', 'Check: previous row', 'p'),
  fix: command('Ctrl Enter', 'Check: apply the first fix', (event) => event.key === 'Enter'),
  keep: within('Enter in a text', 'Keep the typed text', (event) => event.key === 'Enter' && !event.shiftKey),
  lineBreak: within('Shift Enter in a text', 'A line break', (event) => event.key === 'Enter' && event.shiftKey),
  drop: within('Esc in a text', 'Discard the typed text', (event) => event.key === 'Escape'),
  strong: within('Ctrl B in a text', 'Strong on or off', (event) => commanded(event) && letter(event) === 'b'),
  emphasis: within('Ctrl I in a text', 'Emphasis on or off', (event) => commanded(event) && letter(event) === 'i'),
} as const satisfies Readonly<Record<string, Key>>;
