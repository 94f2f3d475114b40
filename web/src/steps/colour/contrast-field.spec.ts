import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { contrastRatio, paintedRgb, parseColor, type Oklch } from '@yohaku/core';
import { ContrastField } from './contrast-field.ts';

describe('contrast field', () => {
  let fixture: ComponentFixture<ContrastField>;
  const white = parseColor('#ffffff')!.rgb;
  const brand = parseColor('#b83a1e')!.oklch;
  const done: Oklch[] = [];
  const held: Oklch[] = [];
  const element = () => fixture.nativeElement as HTMLElement;
  beforeEach(async () => {
    done.length = held.length = 0;
    fixture = TestBed.createComponent(ContrastField);
    fixture.componentRef.setInput('color', brand);
    fixture.componentRef.setInput('list', [
      { id: 'white', way: 'on', label: 'White', rgb: white },
      { id: 'ink', way: 'under', label: 'Ink', rgb: parseColor('#14211f')!.rgb },
    ]);
    fixture.componentInstance.done.subscribe((color) => done.push(color));
    fixture.componentInstance.held.subscribe((color) => held.push(color));
    await fixture.whenStable();
  });

  it('says the ratio of the colour painted, cut off downwards', () => {
    const ratio = contrastRatio(paintedRgb(brand), white);
    expect(element().querySelector('.ratio')!.textContent!.trim()).toBe((Math.floor(ratio * 100) / 100).toFixed(2));
  });
  it('draws under the mark the colour that is marked', async () => {
    const canvas = element().querySelector('canvas')!;
    const seen = document.createElement('canvas').getContext('2d')!;
    [seen.canvas.width, seen.canvas.height] = [canvas.width, canvas.height];
    // It is painted beside the page and comes when it is ready.
    for (let i = 0; i < 100 && seen.getImageData(20, 20, 1, 1).data[3] === 0; i++) {
      await new Promise((resolve) => setTimeout(resolve, 50));
      seen.drawImage(canvas, 0, 0);
    }
    const mark = element().querySelector('.box svg circle')!;
    const density = canvas.width / 336;
    const x = Math.round(Number(mark.getAttribute('cx')) * density);
    const y = Math.round(Number(mark.getAttribute('cy')) * density);
    const [r, g, b] = seen.getImageData(x, y, 1, 1).data;
    const { rgb } = parseColor('#b83a1e')!;
    expect(Math.max(Math.abs(r! - rgb.r), Math.abs(g! - rgb.g), Math.abs(b! - rgb.b))).toBeLessThan(8);
  });
  it('names the thresholds at their lines, and the part that fails', () => {
    const words = [...element().querySelectorAll('.box text:not(.ratio)')].map((text) => text.textContent!.trim());
    expect(words).toEqual(['7 enhanced', '4.5 text', '3 large text', jasmine.stringMatching(/^fails on /)]);
  });
  it('gives, where it is pulled to, the colour that has that ratio', () => {
    const svg = element().querySelector('.box svg')!;
    const box = svg.getBoundingClientRect();
    const line = /M0 ([\d.]+)H/.exec(element().querySelector('.box path.main')!.getAttribute('d')!)![1]!;
    const at = (type: string, on: EventTarget = document, left = 100) =>
      on.dispatchEvent(
        new MouseEvent(type, {
          clientX: box.left + left,
          clientY: box.top + Number(line),
          bubbles: true,
          detail: 1,
          buttons: 1,
        }),
      );
    at('mousedown', svg, 90);
    at('mousemove');
    at('mouseup');
    expect([held.length, done.length]).toEqual([1, 1]);
    expect(contrastRatio(paintedRgb(done[0]!), white)).toBeCloseTo(4.5, 0);
    expect(done[0]!.h).toBe(brand.h);
  });
  it('moves by keyboard: up is more contrast, whatever the background', async () => {
    const press = (key: string) =>
      element()
        .querySelector('.box svg')!
        .dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    press('ArrowUp');
    expect(contrastRatio(paintedRgb(done[0]!), white)).toBeGreaterThan(contrastRatio(paintedRgb(brand), white));
    const black = parseColor('#000000')!.rgb;
    fixture.componentRef.setInput('list', [{ id: 'black', way: 'on', label: 'Black', rgb: black }]);
    await fixture.whenStable();
    press('ArrowUp');
    expect(contrastRatio(paintedRgb(done[1]!), black)).toBeGreaterThan(contrastRatio(paintedRgb(brand), black));
    press('ArrowRight');
    expect(done[2]!.c).toBeGreaterThan(brand.c);
  });
});
