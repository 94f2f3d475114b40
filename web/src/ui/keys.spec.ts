import { KEYS, type Key } from './keys.ts';
import { meanToType } from './typing.ts';

const press = (key: string, more: KeyboardEventInit = {}, target: Element = document.body): KeyboardEvent => {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, ...more });
  target.dispatchEvent(event);
  return event;
};
const which = (event: KeyboardEvent): string[] =>
  Object.entries(KEYS as Record<string, Key>)
    .filter(([, key]) => !key.within && key.is(event))
    .map(([name]) => name);

describe('keys', () => {
  it('of the whole desk: no press is two of them', () => {
    const letters = [...'abcdefghijklmnopqrstuvwxyz0123456789?', 'Escape', 'Enter', 'ArrowUp'];
    for (const key of letters)
      for (const more of [
        {},
        { shiftKey: true },
        { ctrlKey: true },
        { ctrlKey: true, shiftKey: true },
        { altKey: true },
      ])
        expect(which(press(key, more)).length)
          .withContext(`${key} ${JSON.stringify(more)}`)
          .toBeLessThan(2);
    expect([
      which(press('z', { ctrlKey: true })),
      which(press('z', { metaKey: true, shiftKey: true })),
      which(press('3')),
      which(press('?', { shiftKey: true })),
    ]).toEqual([['undo'], ['redo'], ['step'], ['list']]);
  });
  it('are none while somebody types, and take nothing that browsers use', () => {
    const field = document.body.appendChild(document.createElement('input'));
    for (const key of ['b', 's', '1', '?', 'n']) expect(which(press(key, {}, field))).toEqual([]);
    expect(which(press('z', { ctrlKey: true }, field))).toEqual([]);
    for (const key of ['s', 'l', 'b', 'p', 'n', 'r', 't', 'w', '1'])
      expect(which(press(key, { ctrlKey: true })))
        .withContext(`Ctrl ${key}`)
        .toEqual([]);
    field.remove();
  });
  it('run no command while the letters were meant for a text editor that did not open; Escape and commands still work', () => {
    // Long before all other specs.
    const now = spyOn(performance, 'now').and.returnValue(-95_000);
    const at = (ms: number, event: KeyboardEvent): string[] => {
      now.and.returnValue(ms);
      return which(Object.defineProperty(event, 'timeStamp', { value: ms }));
    };
    meanToType();
    // Each further letter belongs to the same words.
    for (const [ms, key] of [
      [-94_700, 'm'],
      [-93_800, 'u'],
      [-92_900, 's'],
      [-92_000, '1'],
    ] as const)
      expect(at(ms, press(key)))
        .withContext(key)
        .toEqual([]);
    expect([at(-92_000, press('Escape')), at(-92_000, press('z', { ctrlKey: true }))]).toEqual([['back'], ['undo']]);
    expect(at(-90_999, press('s'))).toEqual(['specimen']);
  });
  it('that undo or fix need a modifier', () => {
    for (const key of 'abcdefghijklmnopqrstuvwxyz')
      expect(which(press(key)).filter((name) => /undo|redo|fix/i.test(name)))
        .withContext(key)
        .toEqual([]);
    expect(which(press('Enter', { ctrlKey: true }))).toEqual(['fix']);
  });
  it('that are held end wherever the focus is by then', () => {
    const field = document.body.appendChild(document.createElement('input'));
    expect([
      KEYS.before.ends(press('B', {}, field)),
      KEYS.harmony.ends(press('h')),
      KEYS.before.ends(press('x')),
    ]).toEqual([true, true, false]);
    field.remove();
  });
  it('that nudge move by one, with Shift by ten, and leave other keys and scrolling alone', () => {
    const plain = new KeyboardEvent('keydown', { key: 'ArrowUp', cancelable: true });
    expect([KEYS.figure.by(plain), plain.defaultPrevented]).toEqual([1, true]);
    expect(
      [press('ArrowDown', { shiftKey: true }), press('ArrowLeft'), press('ArrowUp', { ctrlKey: true })].map((event) =>
        KEYS.figure.by(event),
      ),
    ).toEqual([-10, 0, 0]);
  });
});
