import { Shells } from './shells.ts';

describe('frames that are put by', () => {
  let wall: HTMLElement;
  const frames: HTMLIFrameElement[] = [];
  beforeEach(() => document.body.append((wall = document.createElement('div'))));
  afterEach(() => {
    wall.remove();
    for (const frame of frames.splice(0)) frame.remove();
  });
  const hung = (): HTMLIFrameElement => {
    const frame = document.createElement('iframe');
    wall.append(frame);
    frames.push(frame);
    return frame;
  };

  it('come back empty, with the document they had', () => {
    const shells = new Shells();
    const frame = hung();
    const loaded = frame.contentDocument!;
    loaded.body.innerHTML = '<h1>Ferries</h1>';
    expect(shells.give('quay', frame)).toBeTrue();
    expect(wall.contains(frame)).toBeFalse();
    const name = document.createElement('b');
    wall.append(name);
    expect(shells.take('quay', wall)).toBe(frame);
    expect(frame.contentDocument).toBe(loaded);
    expect(loaded.body.childNodes.length).toBe(0);
    expect([...wall.children]).toEqual([frame, name]);
    expect(shells.take('quay', wall)).toBeUndefined();
  });
  it('are hung for their own site only', () => {
    const shells = new Shells();
    const frame = hung();
    shells.give('quay', frame);
    expect(shells.take('mill', wall)).toBeUndefined();
    expect(shells.take('quay', wall)).toBe(frame);
  });
  it('are no more than a few, and none that is gone from the wall', () => {
    const shells = new Shells();
    const gone = hung();
    gone.remove();
    expect(shells.give('quay', gone)).toBeFalse();
    const kept = Array.from({ length: 12 }, () => shells.give('quay', hung()));
    expect(kept[0]).toBeTrue();
    expect(kept.at(-1)).toBeFalse();
  });
});
