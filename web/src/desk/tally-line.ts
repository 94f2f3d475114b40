import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { plural } from '@yohaku/core';
import { DeskActions, SiteActions, auditFeature, differingPlaces, siteFeature } from '../state/index.ts';
import { ACTS, StandingSign } from '../ui/index.ts';
import { CheckView, type CheckList } from './check-view.ts';

/** The line of truth at the bottom: places by standing, and what the last edit did. Every number opens its list. */
@Component({
  selector: 'yo-tally-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, StandingSign],
  template: `
    @if (report(); as report) {
      <span>{{ count(report.tally.pages, 'page') }}</span>
      <button yo-opens (click)="open('all')">{{ count(report.tally.places, 'place') }}</button>
      <span class="item"
        ><yo-standing kind="bound" /><button yo-opens (click)="open('all')">
          {{ figure(report.tally.bound) }} from tokens
        </button></span
      >
      <span class="item"
        ><yo-standing kind="held" /><button yo-opens (click)="open('held')">
          {{ figure(report.tally.held) }} overrides
        </button></span
      >
      <span class="item"
        ><yo-standing kind="stray" /><button yo-opens (click)="open('stray')">
          {{ figure(report.tally.stray) }} raw values
        </button></span
      >
      <span class="item"
        ><yo-standing kind="fail" /><button yo-opens (click)="open('failing')">
          {{ figure(report.tally.failing) }} failing
        </button></span
      >
      @if (measured(); as words) {
        @if (!ripple() || notice()) {
          <span class="quiet">{{ words }}</span>
        }
      }
      @if (report.counts.cannotTell) {
        <button yo-opens (click)="open('unknown')">{{ figure(report.counts.cannotTell) }} not yet measured</button>
      }
      @if (differences()) {
        <button yo-opens class="strong" (click)="open('differences')">
          {{ figure(differences()) }} rendered differently
        </button>
      }
    } @else {
      <span class="quiet">Counting places…</span>
    }
    <span class="space"></span>
    @if (notice()) {
      <span class="notice" role="alert"
        ><span class="words" [title]="notice()">{{ notice() }}</span>
        <button yo-act (click)="clear()">Close</button></span
      >
    } @else if (ripple(); as ripple) {
      <span role="status" class="told" [title]="ripple.label + ': ' + words()">{{ ripple.label }}: {{ words() }}.</span
      ><button yo-opens (click)="open(anyWorse() ? 'worse' : 'changed')">Review changes</button>
    }
  `,
  styleUrl: './tally-line.less',
})
export class TallyLine {
  readonly #store = inject(Store);
  readonly #view = inject(CheckView);
  protected readonly report = this.#store.selectSignal(auditFeature.selectReport);
  protected readonly ripple = this.#store.selectSignal(auditFeature.selectRipple);
  readonly #layout = this.#store.selectSignal(auditFeature.selectLayoutWorse);
  readonly #compared = this.#store.selectSignal(auditFeature.selectDifferences);
  protected readonly notice = this.#store.selectSignal(siteFeature.selectNotice);
  protected readonly differences = computed(() => differingPlaces(this.#compared()).length);
  readonly #measuring = this.#store.selectSignal(auditFeature.selectMeasuring);
  /** The progress of measuring in words; empty when all pages are measured. */
  protected readonly measured = computed(() => {
    const measuring = this.#measuring();
    return measuring ? `measuring${measuring.of ? `, ${measuring.done} of ${plural(measuring.of, 'page')}` : ''}` : '';
  });
  /** The number of newly failing places, without places that only have more lines. */
  protected readonly worse = computed(() => this.ripple()?.worse ?? 0);
  readonly #lines = computed(() => new Set(this.#layout().map((row) => `${row.page} ${row.place}`)).size);
  protected readonly anyWorse = computed(() => this.worse() + this.#lines() > 0);
  protected readonly words = computed(() => {
    const ripple = this.ripple()!;
    const parts = [
      `${plural(ripple.changed, 'place')} changed${ripple.anew > 0 ? ` (${ripple.anew} because a rule now picks another swatch)` : ''}`,
    ];
    if (ripple.added) parts.push(`${ripple.added} added`);
    if (ripple.removed) parts.push(`${ripple.removed} removed`);
    if (ripple.held) parts.push(`${ripple.held} kept`);
    if (this.worse()) parts.push(`${this.worse()} worse`);
    if (this.#lines()) parts.push(`${this.#lines()} with more lines`);
    if (this.measured()) parts.push(this.measured());
    else if (!this.worse()) parts.push('none worse');
    return parts.join(', ');
  });
  protected readonly count = plural;
  protected readonly figure = (value: number): string => plural(value, '', '').trim();

  protected open(list: CheckList): void {
    this.#view.list.set(list);
    this.#store.dispatch(DeskActions.step({ step: 'check' }));
  }
  protected clear(): void {
    this.#store.dispatch(SiteActions.clearNotice());
  }
}
