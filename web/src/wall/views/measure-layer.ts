import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, signal } from '@angular/core';
import type { Box } from '@yohaku/core';
import { KEYS, Pull, type Pulled } from '../../ui/index.ts';

/** A point of the page, CSS px. */
export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Boxes with a shorter side than this, in CSS px on the screen, are a distance along a line. */
const THIN = 5;

/**
 * Lies over a drawing: drag across it to measure a box or, along one direction, a distance. By keyboard, arrow keys
 * move a cross; the key that starts a box ends it. Every figure is in CSS px of the page the drawing stands for.
 */
@Component({
  selector: 'yo-measure-layer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (shown(); as box) {
      <span
        class="box"
        [class.flat]="box.flat"
        [style.left.px]="box.left * scale()"
        [style.top.px]="box.top * scale()"
        [style.width.px]="(box.right - box.left) * scale()"
        [style.height.px]="(box.bottom - box.top) * scale()"
        ><span class="figure">{{ box.words }}</span></span
      >
    }
    @if (cross(); as spot) {
      <span class="cross" [style.left.px]="spot.x * scale()" [style.top.px]="spot.y * scale()"></span>
    }
  `,
  styles: `
    :host {
      position: absolute;
      inset: 0;
      cursor: crosshair;
      touch-action: none;
    }
    :host(:focus-visible) {
      outline: 2px solid #1a1a1a;
      outline-offset: 2px;
    }
    .box {
      position: absolute;
      box-sizing: border-box;
      outline: 1.5px solid #000;
      box-shadow: 0 0 0 3px #fff;
      min-width: 1px;
      min-height: 1px;
    }
    .figure {
      position: absolute;
      left: 0;
      top: calc(100% + 6px);
      padding: 0 6px;
      background: #fff;
      color: #1a1a1a;
      outline: 1px solid #1a1a1a;
      font-size: 13px;
      line-height: 20px;
      white-space: nowrap;
      font-variant-numeric: tabular-nums;
    }
    .cross {
      position: absolute;
      width: 21px;
      height: 21px;
      margin: -10px;
      pointer-events: none;
      background:
        linear-gradient(#000, #000) 50% 0 / 1px 100% no-repeat,
        linear-gradient(#000, #000) 0 50% / 100% 1px no-repeat;
      filter: drop-shadow(0 0 1px #fff) drop-shadow(0 0 1px #fff);
    }
  `,
  hostDirectives: [Pull],
  host: {
    tabindex: '0',
    role: 'group',
    'aria-label': 'Measure the design: drag, or go with arrow keys from corner to corner, Enter at both',
    '(pointermove)': 'pointed.emit(spotOf($event.clientX, $event.clientY))',
    '(pointerleave)': 'pointed.emit(null)',
    '(keydown)': 'key($event)',
  },
})
export class MeasureLayer {
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef);
  /** Size of the drawing on the page, CSS px. */
  readonly width = input.required<number>();
  readonly height = input.required<number>();
  /** Screen px to a px of the page. */
  readonly scale = input.required<number>();
  /** The box last measured, in CSS px of the page; null after it was cleared. */
  readonly measured = output<Box | null>();
  /** The point below the pointer or the cross. */
  readonly pointed = output<Spot | null>();

  readonly #from = signal<Spot | null>(null);
  readonly #to = signal<Spot | null>(null);
  protected readonly cross = signal<Spot | null>(null);
  /** True while a box is drawn by keys. */
  #drawing = false;
  protected readonly shown = computed(() => {
    const [from, to] = [this.#from(), this.#to()];
    if (!from || !to) return undefined;
    const box = boxOf(from, to, this.scale());
    const [w, h] = [box.right - box.left, box.bottom - box.top].map((side) => Math.round(side * 10) / 10);
    return { ...box, flat: w === 0 || h === 0, words: w === 0 ? `${h} px` : h === 0 ? `${w} px` : `${w} × ${h} px` };
  });

  constructor() {
    const pull = inject(Pull, { self: true });
    pull.pulling.subscribe((pulled) => this.#drag(pulled));
    pull.pulled.subscribe((pulled) => this.#end(pulled));
  }

  #drag({ x, y, dx, dy }: Pulled): void {
    this.cross.set(null);
    this.#drawing = false;
    this.#from.set(this.spotOf(x - dx, y - dy));
    this.#to.set(this.spotOf(x, y));
    this.pointed.emit(this.#to());
  }
  #end({ x, y, dx, dy }: Pulled): void {
    const [from, to] = [this.spotOf(x - dx, y - dy), this.spotOf(x, y)];
    if (Math.hypot(dx, dy) <= THIN) return this.clear();
    this.#from.set(from);
    this.#to.set(to);
    this.measured.emit(boxOf(from, to, this.scale()));
  }
  protected key(event: KeyboardEvent): void {
    const [dx, dy] = [KEYS.measureAcross.by(event), KEYS.measureDown.by(event)];
    if (dx !== 0 || dy !== 0) {
      const at = this.cross() ?? { x: this.width() / 2, y: Math.min(this.height(), 400) / 2 };
      const spot = {
        x: Math.max(0, Math.min(this.width(), at.x + dx)),
        y: Math.max(0, Math.min(this.height(), at.y + dy)),
      };
      this.cross.set(spot);
      if (this.#drawing) this.#to.set(spot);
      this.pointed.emit(spot);
    } else if (KEYS.measureCorner.is(event)) {
      event.preventDefault();
      const spot = this.cross() ?? { x: this.width() / 2, y: Math.min(this.height(), 400) / 2 };
      this.cross.set(spot);
      this.#drawing = !this.#drawing;
      if (this.#drawing) {
        this.#from.set(spot);
        this.#to.set(spot);
        this.measured.emit(null);
      } else this.measured.emit(boxOf(this.#from()!, spot, this.scale()));
    } else if (KEYS.back.is(event) && (this.#from() || this.cross())) {
      event.stopPropagation();
      this.clear();
    }
  }
  /** Takes the box and the cross away. */
  clear(): void {
    this.#drawing = false;
    this.#from.set(null);
    this.#to.set(null);
    this.cross.set(null);
    this.measured.emit(null);
  }

  /** The point of the page below a point of the window, px. */
  protected spotOf(x: number, y: number): Spot {
    const box = this.#host.nativeElement.getBoundingClientRect();
    const within = (value: number, most: number): number => Math.max(0, Math.min(most, value / this.scale()));
    return { x: within(x - box.left, this.width()), y: within(y - box.top, this.height()) };
  }
}

/** The box between two corners; one that is only some px high or wide on the screen is flat. */
function boxOf(from: Spot, to: Spot, scale: number): Box {
  const [left, right] = [Math.min(from.x, to.x), Math.max(from.x, to.x)];
  const [top, bottom] = [Math.min(from.y, to.y), Math.max(from.y, to.y)];
  const [w, h] = [(right - left) * scale, (bottom - top) * scale];
  if (h < THIN && w >= h) return { left, right, top: from.y, bottom: from.y };
  if (w < THIN) return { left: from.x, right: from.x, top, bottom };
  return { left, right, top, bottom };
}
