import { Subject } from 'rxjs';
import { FRAMES, afterPaint } from './after-paint.ts';

/** Resolves after so many animation frames, and what they left to do. */
const painted = async (frames = FRAMES + 1) => {
  for (let i = 0; i < frames; i++)
    await new Promise<void>((resolve) => requestAnimationFrame(() => setTimeout(resolve)));
};

describe('after the paint', () => {
  let source: Subject<number>;
  let seen: number[];
  beforeEach(() => {
    source = new Subject();
    seen = [];
    afterPaint(source, (value) => value < 0).subscribe((value) => seen.push(value));
  });

  it('comes what is held, the newest only; everything else comes at once', async () => {
    source.next(1);
    expect(seen).toEqual([1]);
    source.next(-1);
    source.next(-2);
    expect(seen).toEqual([1]);
    // The nearest page has these frames to itself.
    await painted(1);
    expect(seen).toEqual([1]);
    await painted();
    expect(seen).toEqual([1, -2]);
  });
  it('drops what was held when the edit is done before the paint', async () => {
    source.next(-1);
    source.next(5);
    await painted();
    expect(seen).toEqual([5]);
  });
  it('comes earlier when something else takes that frame anyway', () => {
    const along = new Subject<void>();
    const late = new Subject<number>();
    afterPaint(late, (value) => value < 0, along).subscribe((value) => seen.push(value));
    late.next(-1);
    late.next(-2);
    along.next();
    expect(seen).toEqual([-2]);
    along.next();
    expect(seen).toEqual([-2]);
  });
  it('goes on with the next one held', async () => {
    source.next(-1);
    await painted();
    source.next(-2);
    await painted();
    expect(seen).toEqual([-1, -2]);
  });
});
