import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
} from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { KEYS } from './keys.ts';
import { Pull, type Pulled } from './pull.ts';
import { RANGES, round, type RangeName } from '@yohaku/core';

let count = 0;

/**
 * A figure that can be dragged by its name, typed, pasted, and nudged with the
 * arrow keys (Shift: ten steps). What is typed stays when it cannot be taken,
 * with the reason under it; the last good value is kept.
 */
@Component({
  selector: 'yo-number',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputModule, Pull],
  template: `
    <label [for]="id" class="head" yoPull (pulling)="pull($event)" (pulled)="letGo($event)" [class.sr]="hideLabel()">{{
      label()
    }}</label>
    <input
      nz-input
      [id]="id"
      type="text"
      inputmode="decimal"
      autocomplete="off"
      [value]="text()"
      [style.width.px]="width()"
      [attr.aria-invalid]="problem() !== '' || null"
      [attr.aria-describedby]="problem() ? id + '-why' : null"
      (input)="type($event)"
      (change)="take()"
      (keydown)="key($event)"
      (focus)="hold()"
      (blur)="leave()"
    />
    @if (problem()) {
      <span class="note why" [id]="id + '-why'" role="alert">{{ problem() }}</span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-direction: column;
      position: relative;
    }
    label {
      cursor: ew-resize;
      user-select: none;
      white-space: nowrap;
    }
    .why {
      max-width: 180px;
      white-space: normal;
      color: #1a1a1a;
    }
  `,
})
export class NumberField {
  readonly label = input.required<string>();
  readonly value = input.required<number>();
  readonly range = input.required<RangeName>();
  readonly digits = input(2);
  readonly width = input(64);
  readonly hideLabel = input(false);
  readonly factor = input(1);
  /** Takes what is no single figure: empty when it was taken, else why not; null leaves the reason to the figure. */
  readonly elsewise = input<((text: string) => string | null) | null>(null);
  readonly held = output<number>();
  readonly done = output<number>();
  protected readonly id = `number-${++count}`;
  protected readonly typed = signal<string | null>(null);
  protected readonly problem = signal('');
  protected readonly text = computed(() => this.typed() ?? this.#shown(this.value()));
  /** The last set value: the desk confirms it some frames later, and keys can be faster. */
  readonly #now = linkedSignal(() => this.value());
  #dragging = false;
  /** The value as it was when its name was taken hold of. */
  #pulled: number | undefined;

  constructor() {
    effect(() => {
      this.value();
      // Text that is still being typed stays: the field may be bound to a new thing only after the first digits.
      if (this.#dragging || untracked(this.#selectedPlaces)) return;
      this.typed.set(null);
      this.problem.set('');
    });
  }

  readonly #selectedPlaces = signal(false);
  protected hold(): void {
    this.#selectedPlaces.set(true);
  }
  protected leave(): void {
    this.#selectedPlaces.set(false);
    this.take();
  }
  protected type(event: Event): void {
    this.typed.set((event.target as HTMLInputElement).value);
    this.problem.set('');
  }

  protected take(): void {
    const typed = this.typed();
    if (typed === null) return;
    const number = this.#read(typed);
    if (typeof number === 'string') {
      const other = this.elsewise()?.(typed) ?? null;
      if (other === '') this.typed.set(null);
      return this.problem.set(other ?? number);
    }
    this.problem.set('');
    this.typed.set(null);
    if (number !== this.value()) this.done.emit(number);
  }

  protected key(event: KeyboardEvent): void {
    if (KEYS.keep.is(event)) return this.take();
    if (KEYS.drop.is(event)) {
      if (this.typed() === null && this.problem() === '') return;
      // The panel around stays open: this press only drops what was typed.
      event.stopPropagation();
      this.typed.set(null);
      this.problem.set('');
      // A figure that was typed within this turn was never bound: the field would keep it.
      const field = event.target as HTMLInputElement;
      setTimeout(() => (field.value = this.text()));
      return;
    }
    const steps = KEYS.figure.by(event);
    if (steps === 0) return;
    const read = this.#read(this.typed() ?? this.#shown(this.#now()));
    const from = typeof read === 'number' ? read : this.value();
    this.typed.set(null);
    this.problem.set('');
    this.#now.set(this.#within(from + steps * RANGES[this.range()].step));
    this.done.emit(this.#now());
  }

  /** Pulls the value by the name: four px a step. */
  protected pull({ dx }: Pulled): void {
    this.#pulled ??= this.value();
    this.#dragging = true;
    this.held.emit(this.#within(this.#pulled + Math.round(dx / 4) * RANGES[this.range()].step));
  }
  protected letGo({ dx }: Pulled): void {
    const from = this.#pulled;
    this.#pulled = undefined;
    this.#dragging = false;
    const value = from === undefined ? undefined : this.#within(from + Math.round(dx / 4) * RANGES[this.range()].step);
    if (value !== undefined && value !== from) this.done.emit(value);
  }

  #shown(value: number): string {
    return String(round(value * this.factor(), this.digits()));
  }
  #within(value: number): number {
    const { min, max } = RANGES[this.range()];
    return round(Math.min(max, Math.max(min, value)), 6);
  }

  /** The number behind a text, or why it cannot be taken. */
  #read(text: string): number | string {
    const { min, max, unit } = RANGES[this.range()];
    const cleaned = text
      .trim()
      .replace(/(px|em|%|°)$/i, '')
      .replace(',', '.')
      .trim();
    const number = cleaned === '' ? Number.NaN : Number(cleaned) / this.factor();
    const show = (value: number) => `${round(value * this.factor(), 3)}${unit}`;
    if (!Number.isFinite(number)) return `“${text.slice(0, 20)}” is not a number. ${show(this.value())} is kept.`;
    if (number < min || number > max) return `From ${show(min)} to ${show(max)}. ${show(this.value())} is kept.`;
    return number;
  }
}
