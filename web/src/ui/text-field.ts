import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  input,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { KEYS } from './keys.ts';

let count = 0;

/** Most offers that are listed at once: a site may have thousands of pages. */
const MOST_LISTED = 40;

/** A line of text; `check` says what is wrong with it (empty when nothing is), and then what was typed stays. */
@Component({
  selector: 'yo-text',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputModule],
  template: `
    <label [for]="id" class="head" [class.sr]="hideLabel()">{{ label() }}</label>
    <input
      #field
      nz-input
      [class.mono]="mono()"
      [id]="id"
      type="text"
      autocomplete="off"
      spellcheck="false"
      [value]="typed() ?? value()"
      [style.width]="width()"
      [attr.placeholder]="placeholder() || null"
      [attr.list]="offers().length ? id + '-offers' : null"
      [attr.aria-invalid]="problem() !== '' || null"
      [attr.aria-describedby]="problem() ? id + '-why' : null"
      (input)="type($event)"
      (change)="confirmed() || take()"
      (keydown)="key($event)"
      (focus)="selectedPlaces.set(true)"
      (blur)="selectedPlaces.set(false)"
    />
    @if (offers().length) {
      <datalist [id]="id + '-offers'">
        @for (entry of offered(); track entry) {
          <option [value]="entry"></option>
        }
      </datalist>
    }
    @if (problem()) {
      <span class="note why" [id]="id + '-why'" role="alert">{{ problem() }}</span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-direction: column;
    }
    .why {
      color: #1a1a1a;
      max-width: 260px;
      white-space: normal;
    }
  `,
})
export class TextField {
  protected readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly check = input<(text: string) => string>(() => '');
  readonly width = input('120px');
  readonly mono = input(false);
  readonly hideLabel = input(false);
  readonly placeholder = input('');
  /** The offered values; other text can be typed. */
  readonly offers = input<readonly string[]>([]);
  /** Only Enter or a button beside the field takes what was typed. Leaving the field does not. */
  readonly confirmed = input(false);
  readonly done = output<string>();
  protected readonly selectedPlaces = signal(false);
  /** Offers that have in them what stands in the field, while it is in hand. */
  protected readonly offered = computed(() => {
    if (!this.selectedPlaces()) return [];
    const wanted = (this.typed() ?? this.value()).trim().toLowerCase();
    const found: string[] = [];
    for (const offer of this.offers()) {
      if (offer.toLowerCase().includes(wanted)) found.push(offer);
      if (found.length === MOST_LISTED) break;
    }
    return found;
  });
  protected readonly id = `text-${++count}`;
  protected readonly typed = signal<string | null>(null);
  protected readonly problem = signal('');
  protected readonly same = computed(() => this.typed() === null || this.typed() === this.value());

  constructor() {
    effect(() => {
      this.value();
      // Text that is still being typed stays: the field may be bound to a new thing only after the first letters.
      if (!untracked(this.selectedPlaces)) untracked(() => this.drop());
    });
  }

  protected type(event: Event): void {
    this.typed.set((event.target as HTMLInputElement).value);
    this.problem.set('');
  }

  protected take(): void {
    if (this.same()) return;
    this.confirm();
  }
  /** Takes what stands in the field, changed or not. */
  confirm(): void {
    const text = (this.typed() ?? this.value()).trim();
    const problem = this.check()(text);
    this.problem.set(problem);
    if (problem !== '') return;
    this.typed.set(null);
    this.done.emit(text);
    this.#showsNow();
  }

  protected key(event: KeyboardEvent): void {
    if (KEYS.keep.is(event)) return this.confirmed() ? this.confirm() : this.take();

    if (KEYS.drop.is(event) && (this.typed() !== null || this.problem() !== '')) {
      // The panel around stays open: this press only drops what was typed.
      event.stopPropagation();
      this.drop();
    }
  }

  /** Puts the cursor into the field, with its text selected. */
  focus(): void {
    this.field().nativeElement.select();
  }

  protected drop(): void {
    this.typed.set(null);
    this.problem.set('');
    this.#showsNow();
  }

  /**
   * Writes the present text into the field. A text that was typed and accepted or discarded within one turn was never
   * bound: the field would keep it.
   */
  #showsNow(): void {
    setTimeout(() => (this.field().nativeElement.value = this.typed() ?? this.value()));
  }
}
