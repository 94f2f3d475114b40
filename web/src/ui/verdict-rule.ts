import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { cutDownText } from '@yohaku/core';

/** A figure; failing, it is set in ink with a line as long as the share reached and a tick where it should end. */
@Component({
  selector: 'yo-verdict',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span [class.quiet]="!fails()">{{ text() }}</span>
    @if (fails()) {
      <svg
        [attr.width]="short() ? 15 : 34"
        height="12"
        [attr.viewBox]="short() ? '18 0 16 12' : null"
        role="img"
        [attr.aria-label]="'short of ' + needed()"
      >
        <path [attr.d]="path()" stroke="currentColor" stroke-width="2" fill="none" />
        <path d="M33 1V11" stroke="currentColor" />
      </svg>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 6px;
      white-space: nowrap;
    }
  `,
})
export class VerdictRule {
  readonly found = input.required<number>();
  readonly needed = input.required<number>();
  readonly unit = input('');
  readonly digits = input(2);
  /** Where there is little room: the end of the line only. */
  readonly short = input(false);
  protected readonly fails = computed(() => this.found() < this.needed());
  protected readonly text = computed(() => cutDownText(this.found(), this.digits()) + this.unit());
  protected readonly path = computed(() => `M0 6H${Math.max(2, Math.min(30, (30 * this.found()) / this.needed()))}`);
}

/** The signs of standing: a line between ticks, a bracket, a dot off its line, a line short of its tick. */
@Component({
  selector: 'yo-standing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg width="20" height="12" aria-hidden="true" stroke="currentColor" fill="none">
    <path [attr.d]="paths[kind()]" [attr.stroke-width]="1.4" />
    @if (kind() === 'stray') {
      <circle cx="14" cy="9" r="1.8" fill="currentColor" stroke="none" />
    }
  </svg>`,
  styles: `
    :host {
      display: inline-flex;
    }
  `,
})
export class StandingSign {
  readonly kind = input.required<'bound' | 'held' | 'stray' | 'fail'>();
  protected readonly paths = {
    bound: 'M1 2V10M1 6H19M19 2V10',
    held: 'M12 2H5V10H12',
    stray: 'M1 5H9',
    fail: 'M1 6H11M17 2V10',
  };
}
