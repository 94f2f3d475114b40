import { KEYS, type Key } from './keys.ts';

const press = (key: string, more: KeyboardEventInit = {}, target: Element = document.body): KeyboardEvent => {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, ...more });
  target.dispatchEvent(event);
  return event;
};
const which = (event: KeyboardEvent): string[] => Object.entries(KEYS as Record<string, Key>).filter(([, key]) => !key.within && key.is(event)).map(([name]) => name);

describe('keys', () => {
  it('of the whole desk: no press is two of them', () => {
    const letters = [...'abcdefghijklmnopqrstuvwxyz0123456789?', 'Escape', 'Enter', 'ArrowUp'];
    for (const key of letters) for (const more of [{}, { shiftKey: true }, { ctrlKey: true }, { ctrlKey: true, shiftKey: true }, { altKey: true }]) expect(which(press(key, more)).length).withContext(`${key} ${JSON.stringify(more)}`).toBeLessThan(2);
    expect([which(press('z', { ctrlKey: true })), which(press('z', { metaKey: true, shiftKey: true })), which(press('3')), which(press('?', { shiftKey: true }))]).toEqual([['undo'], ['redo'], ['step'], ['list']]);
  });
  it('are none while somebody types, and take nothing that browsers use', () => {
    const field = document.body.appendChild(document.createElement('input'));
    for (const key of ['b', 's', '1', '?', 'n']) expect(which(press(key, {}, field))).toEqual([]);
    expect(which(press('z', { ctrlKey: true }, field))).toEqual([]);
    for (const key of ['s', 'l', 'b', 'p', 'n', 'r', 't', 'w', '1']) expect(which(press(key, { ctrlKey: true }))).withContext(`Ctrl ${key}`).toEqual([]);
    field.remove();
  });
  it('that are held end wherever the focus is by then', () => {
    const field = document.body.appendChild(document.createElement('input'));
    expect([KEYS.before.ends(press('B', {}, field)), KEYS.harmony.ends(press('h')), KEYS.before.ends(press('x'))]).toEqual([true, true, false]);
    field.remove();
  });
  it('that nudge move by one, with Shift by ten, and leave other keys and scrolling alone', () => {
    const plain = new KeyboardEvent('keydown', { key: 'ArrowUp', cancelable: true });
    expect([KEYS.figure.by(plain), plain.defaultPrevented]).toEqual([1, true]);
    expect([press('ArrowDown', { shiftKey: true }), press('ArrowLeft'), press('ArrowUp', { ctrlKey: true })].map((event) => KEYS.figure.by(event))).toEqual([-10, 0, 0]);
  });
});
