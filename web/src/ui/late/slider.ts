import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  ViewEncapsulation,
  afterRenderEffect,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzSliderModule } from 'ng-zorro-antd/slider';
import { round } from '@yohaku/core';

/**
 * A figure that is set by pulling along a line: `held` with each step of a pull, `done`
 * once when it is let go, and with each press of an arrow key (Shift: ten steps; Home and End: the ends).
 */
@Component({
  selector: 'yo-slider',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  imports: [FormsModule, NzSliderModule],
  template: `<nz-slider
    [nzMin]="min()"
    [nzMax]="max()"
    [nzStep]="step()"
    nzTooltipVisible="never"
    [nzIncluded]="false"
    [ngModel]="value()"
    (ngModelChange)="hold($event)"
    (nzOnAfterChange)="letGo($event)"
  />`,
  styles: `
    yo-slider {
      display: block;
      width: 100%;
    }
  `,
})
export class Slider {
  readonly label = input.required<string>();
  readonly value = input.required<number>();
  readonly min = input.required<number>();
  readonly max = input.required<number>();
  readonly step = input.required<number>();
  /** The spoken value; by default the number. */
  readonly said = input('');
  readonly held = output<number>();
  readonly done = output<number>();

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // The library knows single steps only: it is not asked about others.
    host.addEventListener('keydown', (event) => this.#far(event), { capture: true });
    // The library's handle has no role and no name.
    afterRenderEffect({
      write: () => {
        const handle = host.querySelector('.ant-slider-handle');
        if (!handle) return;
        const says = {
          role: 'slider',
          'aria-label': this.label(),
          'aria-valuemin': this.min(),
          'aria-valuemax': this.max(),
          'aria-valuenow': round(this.value(), 4),
          'aria-valuetext': this.said() || String(round(this.value(), 3)),
        };
        for (const [name, value] of Object.entries(says)) handle.setAttribute(name, String(value));
      },
    });
  }

  /**
   * Where it was put last: the desk says so some frames later, and until then a way back to what it still says is a
   * move like any other.
   */
  readonly #now = linkedSignal(() => this.value());

  protected hold(value: number): void {
    if (value === this.#now()) return;
    this.#now.set(value);
    this.held.emit(value);
  }
  protected letGo(value: number | number[]): void {
    if (typeof value === 'number') this.done.emit(value);
  }
  #far(event: KeyboardEvent): void {
    const by =
      event.shiftKey && /^Arrow/.test(event.key) ? 10 * this.step() * (/Right|Up/.test(event.key) ? 1 : -1) : 0;
    const to =
      event.key === 'Home' ? this.min() : event.key === 'End' ? this.max() : by === 0 ? null : this.value() + by;
    if (to === null) return;
    event.preventDefault();
    event.stopPropagation();
    this.done.emit(round(Math.min(this.max(), Math.max(this.min(), to)), 6));
  }
}
