import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Slider } from './slider.ts';

@Component({
  imports: [Slider],
  template:
    '<div style="width: 300px"><yo-slider label="Light" [min]="0" [max]="1" [step]="0.1" [value]="0.5" (held)="held.push($event)" /></div>',
})
class Host {
  readonly held: number[] = [];
}

describe('a slider that is held', () => {
  it('tells of the way back to where it began, also while the desk still says that it is there', async () => {
    const fixture = TestBed.createComponent(Host);
    document.body.append(fixture.nativeElement as HTMLElement);
    await fixture.whenStable();
    const line = (fixture.nativeElement as HTMLElement).querySelector('.ant-slider')!;
    const { left, top, width } = line.getBoundingClientRect();
    const press = (share: number) =>
      line.dispatchEvent(
        new MouseEvent('mousedown', { clientX: left + share * width, clientY: top + 4, bubbles: true }),
      );
    for (const share of [0.6, 0.6, 0.5, 0.7]) press(share);
    expect(fixture.componentInstance.held.map((value) => Math.round(value * 10) / 10)).toEqual([0.6, 0.5, 0.7]);
    document.dispatchEvent(new MouseEvent('mouseup', { bubbles: true }));
    fixture.destroy();
  });
});
