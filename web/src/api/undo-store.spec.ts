import { UndoStore } from './undo-store.ts';

interface Step {
  readonly changeId: string;
  readonly inverse: string;
}
const step = (id: string, size = 10): Step => ({ changeId: id, inverse: 'x'.repeat(size) });

/** A storage of so many characters that counts what is written. */
class Room {
  readonly kept = new Map<string, string>();
  written = 0;
  constructor(readonly most: number) {}
  getItem(key: string): string | null {
    return this.kept.get(key) ?? null;
  }
  setItem(key: string, text: string): void {
    const others = [...this.kept].reduce(
      (sum, [name, entry]) => sum + (name === key ? 0 : name.length + entry.length),
      0,
    );
    if (others + key.length + text.length > this.most) throw new DOMException('full', 'QuotaExceededError');
    this.written += text.length;
    this.kept.set(key, text);
  }
  removeItem(key: string): void {
    this.kept.delete(key);
  }
}

describe('undo kept over a reload', () => {
  it('writes the step of an edit and no other', () => {
    const room = new Room(1_000_000);
    const shelf = new UndoStore<Step>(room);
    const steps = Array.from({ length: 40 }, (_, i) => step(`e${i}`, 5000));
    steps.forEach((_entry, i) => shelf.keep('s', steps.slice(0, i + 1), []));
    expect(room.written).toBeLessThan(40 * 5000 * 1.2);
    expect(new UndoStore<Step>(room).read('s')).toEqual({ done: steps, undone: [] });
  });
  it('follows what is undone and done again, and forgets what is replaced', () => {
    const room = new Room(1_000_000);
    const shelf = new UndoStore<Step>(room);
    shelf.keep('s', [step('a'), step('b')], []);
    shelf.keep('s', [step('a')], [step('c')]);
    expect(shelf.read('s')).toEqual({ done: [step('a')], undone: [step('c')] });
    shelf.keep('s', [step('d')], []);
    expect([...room.kept.keys()]).toEqual(['yohaku-undo-s', 'yohaku-undo-s d']);
  });
  it('drops from the old end what does not fit any more, and says how much', () => {
    const room = new Room(2700);
    const shelf = new UndoStore<Step>(room);
    const steps = [step('a', 900), step('b', 900), step('c', 900)];
    expect(shelf.keep('s', steps.slice(0, 2), [])).toBe(0);
    expect(shelf.keep('s', steps, [])).toBe(1);
    expect(shelf.read('s').done.map((entry) => entry.changeId)).toEqual(['b', 'c']);
    // One that is larger than all there is goes alone, and is not tried again.
    const huge = step('h', 9000);
    expect(shelf.keep('s', [...steps, huge], [])).toBeGreaterThan(0);
    expect(shelf.keep('s', [...steps, huge, step('z')], [])).toBe(0);
    expect(shelf.read('s').done.map((entry) => entry.changeId)).toEqual(['z']);
  });
  it('reads what was kept in one piece before', () => {
    const room = new Room(100_000);
    room.setItem('yohaku-undo-s', JSON.stringify({ done: [step('a'), step('b')], undone: [step('c')] }));
    expect(new UndoStore<Step>(room).read('s')).toEqual({ done: [step('a'), step('b')], undone: [step('c')] });
  });
  it('is empty where what was kept cannot be read', () => {
    const room = new Room(100_000);
    room.setItem('yohaku-undo-s', '{');
    expect(new UndoStore<Step>(room).read('s')).toEqual({ done: [], undone: [] });
  });
});
