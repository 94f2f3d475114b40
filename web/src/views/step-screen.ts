import { NgComponentOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  afterNextRender,
  computed,
  effect,
  input,
  signal,
  untracked,
  type Type,
} from '@angular/core';
import { NotLoaded, Opening } from '../desk/opening.ts';
import { STEPS, type Step } from '../state/index.ts';
import { STEP_SCREENS } from '../steps/screens.ts';

/** A script that is not there after so many ms is said to be on its way. */
const LATE_MS = 300;
/** The scripts of the other steps are fetched after so many ms at the latest. */
const IDLE_MS = 4000;

/** The screen of a step, fetched when the step is first opened. */
@Component({
  selector: 'yo-step-screen',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NgComponentOutlet, NotLoaded, Opening],
  template: `
    @switch (shown()) {
      @case ('failed') {
        <yo-not-loaded />
      }
      @case (undefined) {
        @if (late()) {
          <yo-opening />
        }
      }
      @default {
        <ng-container *ngComponentOutlet="screen()" />
      }
    }
  `,
})
export class StepScreen {
  readonly step = input.required<Step>();
  readonly #known = signal<Partial<Record<Step, Type<unknown> | 'failed'>>>({});
  protected readonly shown = computed(() => this.#known()[this.step()]);
  protected readonly screen = computed(() => {
    const shown = this.shown();
    return shown === 'failed' || shown === undefined ? null : shown;
  });
  protected readonly late = signal(false);

  constructor() {
    effect(() => {
      const step = this.step();
      untracked(() => void this.#fetch(step));
    });
    // Once there is nothing else to do, the other steps are fetched: a server that is away later keeps nobody from
    // opening one.
    afterNextRender(() => this.#fetchNext(STEPS));
  }

  async #fetch(step: Step): Promise<void> {
    if (this.shown() !== undefined) return;
    this.late.set(false);
    const timer = setTimeout(() => this.late.set(true), LATE_MS);
    const screen = await STEP_SCREENS[step]().catch(() => 'failed' as const);
    clearTimeout(timer);
    this.#known.update((known) => ({ ...known, [step]: screen }));
  }

  /** Fetches one after the other, each in a time of its own. */
  #fetchNext([next, ...others]: readonly Step[]): void {
    if (!next) return;
    requestIdleCallback(
      () =>
        void STEP_SCREENS[next]()
          .then((screen) => this.#known.update((known) => ({ [next]: screen, ...known })))
          .catch(() => undefined)
          .then(() => this.#fetchNext(others)),
      { timeout: IDLE_MS },
    );
  }
}
