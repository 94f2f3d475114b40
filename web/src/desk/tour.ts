import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { placeCount, plural, resolvedSwatches, swatchPath, type Site } from '@yohaku/core';
import { DeskActions, deskFeature, siteFeature } from '../state/index.ts';
import { ACTS, remember, remembered } from '../ui/index.ts';
import { CheckView } from './check-view.ts';

const KEY = 'yohaku-tour';
/** The site that comes with Yohaku. */
const DEMO = 'ternhaven';

/**
 * The main job in six stops, on the demo: each is gone past by really doing it. It is
 * offered once; left or gone through, it does not come again.
 */
@Component({
  selector: 'yo-tour',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS],
  template: `
    @if (!over() && site()?.id === demo && ready()) {
      @if (at() === null) {
        <p>
          <span>New here? Take a two-minute tour: six steps on this demo.</span
          ><button yo-act icon="play" (click)="begin()">Take the tour</button
          ><button yo-act (click)="leave()">No tour</button>
        </p>
      } @else if (at()! < stops().length) {
        <p>
          <span class="mono">{{ at()! + 1 }} of {{ stops().length }}</span
          ><span role="status">{{ stops()[at()!]!.words }}</span
          ><button yo-act (click)="leave()">Leave the tour</button>
        </p>
      } @else {
        <p>
          <span role="status"
            >Done: you changed a colour once, saw every place that changed, fixed what failed and undid it. Try anything
            here; nothing is live until you publish.</span
          ><button yo-act (click)="leave()">Done</button>
        </p>
      }
    }
  `,
  styles: `
    p {
      display: flex;
      gap: 10px;
      align-items: center;
      margin: 6px 20px 0;
      padding: 2px 0 2px 12px;
      border-left: 3px solid #1a1a1a;
    }
    p span[role] {
      flex: 0 1 auto;
    }
  `,
})
export class Tour {
  readonly #store = inject(Store);
  readonly #view = inject(CheckView);
  protected readonly demo = DEMO;
  protected readonly site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #status = this.#store.selectSignal(siteFeature.selectStatus);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  readonly #done = this.#store.selectSignal(siteFeature.selectDone);
  protected readonly ready = computed(() => this.#status() === 'ready');
  protected readonly over = signal(remembered(KEY) !== null);
  /** Which stop; null while it is only offered. */
  protected readonly at = signal<number | null>(null);
  /** Edits there were when the tour began. */
  #before = 0;
  /** Edits there were when the stop in hand was reached. */
  readonly #since = signal(0);

  /** The colour that stands out: the one with the most chroma. */
  readonly #strong = computed(() => {
    const site = this.site();
    return site
      ? [...resolvedSwatches(site.brand)]
          .sort((swatch, other) => other.oklch.c - swatch.oklch.c)
          .find(({ swatch }) => swatch.part === 'core')?.swatch
      : undefined;
  });
  protected readonly stops = computed((): readonly { readonly words: string; readonly done: () => boolean }[] => {
    const strong = this.#strong();
    if (!strong) return [];
    const { label, id } = strong;
    const more = () => this.#done().length > this.#since();
    return [
      {
        words: `${label} is the strongest colour of this site. Open Colour and select it in the palette.`,
        done: () =>
          this.#desk().step === 'colour' && this.#desk().swatch === id && this.#desk().selected === swatchPath(strong),
      },
      {
        words: `${label} is used in ${plural(placesIn(this.site(), swatchPath(strong)), 'place')}. Click “Uses of ${label}” above the pages to see them.`,
        done: () => this.#desk().hanging === 'reach',
      },
      {
        words:
          'Now change it: drag the ring in the contrast field, or the Lightness slider below it. Every place changes as you drag.',
        done: more,
      },
      {
        words: 'The bottom bar shows the effect. Click Review changes.',
        done: () => this.#desk().step === 'check' && ['worse', 'changed'].includes(this.#view.list()),
      },
      {
        words:
          'Open Failing, select a row, and click one of the fixes at the right. Each fix names the swatch that it changes.',
        done: more,
      },
      {
        words: 'Undo both: click Undo at the top until the colour is back.',
        done: () => this.#done().length <= this.#before,
      },
    ];
  });

  constructor() {
    effect(() => {
      const at = this.at();
      if (at === null || !this.stops()[at]?.done()) return;
      untracked(() => {
        this.#since.set(this.#done().length);
        this.at.set(at + 1);
      });
    });
  }

  protected begin(): void {
    this.#before = this.#done().length;
    this.#since.set(this.#before);
    // A stop that is already done does not count.
    this.#store.dispatch(DeskActions.take({ token: null }));
    this.#store.dispatch(DeskActions.hang({ hanging: 'all' }));
    this.at.set(0);
  }
  /** Left, declined or gone through: it is not offered again. */
  protected leave(): void {
    this.over.set(true);
    remember(KEY, 'over');
  }
}

const placesIn = (site: Site | null, path: string): number => (site ? placeCount(site, path) : 0);
