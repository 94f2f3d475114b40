import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { round } from '@yohaku/core';
import { KEYS } from '../keys.ts';
import { Pull, type Pulled } from '../pull.ts';

/** A point of a picture, as shares of its width and height from its upper left corner, 0 to 1. */
export interface PicturePoint {
  readonly x: number;
  readonly y: number;
}

const within = (share: number): number => round(Math.min(1, Math.max(0, share)), 2);

/**
 * The point of a picture that stays in sight where it is cropped: pressed or pulled
 * on the picture itself, or nudged with the arrow keys (Shift: ten steps). `held`
 * comes with each move of a pull, `done` once when it is let go and with each key.
 */
@Component({
  selector: 'yo-focus-point',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Pull],
  template: `
    <div
      class="whole"
      yoPull
      (pulling)="held.emit(to($event))"
      (pulled)="done.emit(to($event))"
      [style.width.px]="size().width"
      [style.height.px]="size().height"
    >
      <img [src]="src()" alt="" draggable="false" />
      <span
        class="point"
        tabindex="0"
        role="slider"
        [attr.aria-label]="label()"
        aria-valuemin="0"
        aria-valuemax="100"
        [attr.aria-valuenow]="percent(now().x)"
        [attr.aria-valuetext]="said()"
        [style.left.%]="now().x * 100"
        [style.top.%]="now().y * 100"
        (keydown)="key($event)"
      ></span>
    </div>
  `,
  styles: `
    :host {
      display: block;
    }
    .whole {
      position: relative;
      overflow: hidden;
      background: #eee;
      border: 1px solid #8a8a8a;
      cursor: crosshair;
      touch-action: none;
    }
    img {
      display: block;
      width: 100%;
      height: 100%;
      object-fit: fill;
      pointer-events: none;
      user-select: none;
    }
    .point {
      position: absolute;
      width: 17px;
      height: 17px;
      margin: -9px 0 0 -9px;
      border: 2px solid #1a1a1a;
      outline: 2px solid #fff;
      outline-offset: -4px;
      border-radius: 50%;
      box-shadow: 0 0 0 2px #fff;
      cursor: inherit;
    }
    .point:focus-visible {
      outline: 2px solid #1a1a1a;
      outline-offset: 3px;
    }
  `,
})
export class FocusPoint {
  readonly label = input.required<string>();
  /** Address of the picture, shown whole. */
  readonly src = input.required<string>();
  /** Its size in px of its own; only the proportion counts. */
  readonly width = input.required<number>();
  readonly height = input.required<number>();
  readonly point = input.required<PicturePoint>();
  /** Largest room it takes, px. */
  readonly room = input({ width: 258, height: 108 });
  readonly held = output<PicturePoint>();
  readonly done = output<PicturePoint>();
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef);

  protected readonly size = computed(() => {
    const { width, height } = this.room();
    const scale = Math.min(width / this.width(), height / this.height());
    return { width: Math.max(24, this.width() * scale), height: Math.max(24, this.height() * scale) };
  });
  protected readonly said = computed(
    () => `${this.percent(this.now().x)} % from left, ${this.percent(this.now().y)} % from top`,
  );

  /** Where it is put already, before whoever listens has said so: keys that follow upon each other go on from there. */
  protected readonly now = linkedSignal(() => this.point());

  protected percent(share: number): number {
    return Math.round(share * 100);
  }
  protected to({ x, y }: Pulled): PicturePoint {
    const box = this.#host.nativeElement.querySelector('.whole')!.getBoundingClientRect();
    return this.#put((x - box.left) / box.width, (y - box.top) / box.height);
  }
  #put(x: number, y: number): PicturePoint {
    this.now.set({ x: within(x), y: within(y) });
    return this.now();
  }
  protected key(event: KeyboardEvent): void {
    const [x, y] = [KEYS.focusAcross.by(event), KEYS.focusDown.by(event)];
    if (x === 0 && y === 0) return;
    event.stopPropagation();
    this.done.emit(this.#put(this.now().x + x / 100, this.now().y + y / 100));
  }
}
