import { SLIP_WIDTH, slipSpot, type Box, type View } from './slip-spot.ts';

const VIEW: View = { left: 500, top: 100, width: 1280, height: 380 };
const box = (left: number, top: number, width: number, height: number): Box => ({
  left,
  top,
  right: left + width,
  bottom: top + height,
});

describe('slip', () => {
  it('hangs beside the page where there is room, tied to it at the height of the place', () => {
    const spot = slipSpot(VIEW, 1300, box(700, 200, 100, 40), { x: 720, y: 210 });
    expect([spot.x, spot.fromX, spot.fromY]).toEqual([1314, 1300, 220]);
  });
  it('hangs beside the place where the page reaches the edge of the window', () => {
    expect(slipSpot(VIEW, 1700, box(700, 200, 100, 40), { x: 720, y: 210 })).toEqual(
      jasmine.objectContaining({ x: 814, fromX: 800 }),
    );
    expect(slipSpot(VIEW, 2700, box(1500, 200, 200, 40), { x: 1600, y: 210 })).toEqual(
      jasmine.objectContaining({ x: 1500 - 14 - SLIP_WIDTH, fromX: null }),
    );
  });
  it('is in sight wherever the place lies, and never covers the pointer', () => {
    for (let left = 400; left < 1800; left += 90)
      for (const width of [20, 300, 1100, 2000])
        for (const pageRight of [left + width, left + width + 400]) {
          const place = box(left, 150, width, 60);
          // A press lies on its place, in sight.
          const [from, to] = [Math.max(left, VIEW.left), Math.min(left + width, VIEW.left + VIEW.width)];
          for (const x of [from, (from + to) / 2, to].filter(() => from < to)) {
            const spot = slipSpot(VIEW, pageRight, place, { x, y: 170 });
            const words = JSON.stringify({ left, width, pageRight, x, spot });
            expect(spot.x >= VIEW.left && spot.x + SLIP_WIDTH <= VIEW.left + VIEW.width)
              .withContext(words)
              .toBeTrue();
            expect(spot.y >= VIEW.top && spot.y + spot.room <= VIEW.top + VIEW.height)
              .withContext(words)
              .toBeTrue();
            expect(x < spot.x || x > spot.x + SLIP_WIDTH)
              .withContext(words)
              .toBeTrue();
          }
        }
  });
});
