import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { VISION_LABELS, cutDownText } from '@yohaku/core';
import { DeskActions, WallViews, deskFeature, siteFeature } from '../../state/index.ts';
import { ACTS, KEYS, NumberField, TextField } from '../../ui/index.ts';
import { Found, READ_WIDTHS } from '../read/index.ts';

/** Returns true if pages are shown at a width anyway. */
export const hangsAlready = (width: number | null): boolean => READ_WIDTHS.some((known) => known === width);

/**
 * The state of the wall where it is not as usual: an enlarged page, another colour vision, fallback fonts, the pages
 * before the last edit. At rest it is not there.
 */
@Component({
  selector: 'yo-wall-state',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, NumberField, TextField],
  template: `
    @if (views.shown() === 'together') {
      <span class="strong">{{ desk().together?.label }}</span>
    }
    @if (grown()) {
      <button yo-act quiet icon="less" yoTip="Shows all pages" [yoKey]="keyOf.back" (click)="overview.emit()">
        Overview
      </button>
      <div class="yo-joined" role="group" aria-label="Zoom">
        <button yo-act icon="minus" aria-label="Smaller" (click)="nearer.emit(-1)"></button
        ><button yo-act icon="plus" aria-label="Larger" (click)="nearer.emit(1)"></button>
      </div>
      <span class="muted">{{ scale() }}</span>
      <yo-text
        label="Add width, px"
        [hideLabel]="true"
        [value]="desk().third === null ? '' : '' + desk().third"
        placeholder="width"
        width="72px"
        [check]="checkThird"
        (done)="third.emit($event.trim() === '' ? null : +$event)"
      />
    }
    <span class="space"></span>
    @if (before()) {
      <span class="strong" role="status">Before the last edit</span>
    }
    @if (desk().standIns) {
      <button yo-act (click)="fontsAgain()">{{ shiftWords() }}</button>
    }
    @if (desk().seen !== 'full') {
      <span role="status" class="strong">Colour vision: {{ visionLabels[desk().seen] }}</span>
      @if (desk().seen !== 'grey') {
        <yo-number
          label="Severity"
          [value]="desk().severity"
          range="severity"
          [digits]="1"
          [width]="36"
          (held)="see($event)"
          (done)="see($event)"
        />
      }
    }
  `,
  styleUrl: './wall-state.less',
  host: { '[class.rest]': 'rest()' },
})
export class WallState {
  readonly #store = inject(Store);
  readonly #found = inject(Found);
  protected readonly views = inject(WallViews);
  protected readonly keyOf = KEYS;
  protected readonly visionLabels = VISION_LABELS;
  protected readonly desk = this.#store.selectSignal(deskFeature.selectDeskState);
  protected readonly before = this.#store.selectSignal(siteFeature.selectShowBefore);
  /** The scale of the enlarged page, in words. */
  readonly scale = input('');
  readonly nearer = output<number>();
  /** Another width at which the enlarged page is shown too, px; null for none. */
  readonly third = output<number | null>();
  readonly overview = output();

  protected readonly grown = computed(() => this.desk().grown !== null && this.views.shown() === 'all');
  protected readonly rest = computed(
    () =>
      !this.grown() &&
      !this.before() &&
      !this.desk().standIns &&
      this.desk().seen === 'full' &&
      this.views.shown() !== 'together',
  );

  protected see(severity: number): void {
    this.#store.dispatch(DeskActions.seen({ seen: this.desk().seen, severity }));
  }
  protected fontsAgain(): void {
    this.#store.dispatch(DeskActions.standIns({ shown: false }));
  }
  /** The effect of fallback fonts on the pages, once measured, in words. */
  protected readonly shiftWords = computed(() => {
    const shift = this.#found.shift();
    return shift
      ? `Preview fallback: at most ${cutDownText(Math.abs(shift.most) * 100, 2)} % ${shift.most < 0 ? 'shorter' : 'longer'}`
      : 'Preview fallback';
  });
  protected readonly checkThird = (text: string): string => {
    const typed = text.trim();
    if (hangsAlready(Number(typed))) return 'Pages are already shown at 1280 and 390. Type another width, or nothing.';
    return typed === '' || (/^\d{3,4}$/.test(typed) && Number(typed) >= 320 && Number(typed) <= 2560)
      ? ''
      : 'Type a width from 320 to 2560 px, or nothing.';
  };
}
