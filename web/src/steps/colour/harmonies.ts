import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import {
  cutDownText,
  deltaERgb,
  parseColor,
  placeCount,
  plural,
  swatchPath,
  takeSuggestion,
  type SuggestedSwatch,
  type Suggestion,
} from '@yohaku/core';
import { Editor, Reaching, type Scope } from '../../state/index.ts';
import { ACTS, KEYS } from '../../ui/index.ts';
import { LongWork } from '../../workers/index.ts';
import { LongWorkLine } from '../long-work-line.ts';

/**
 * Palettes suggested from the swatches that stay: tried on the wall while pointed at or in focus, taken only on
 * purpose, whole or by one swatch.
 */
@Component({
  selector: 'yo-harmonies',
  host: { '(document:keydown)': 'press($event)', '(document:keyup)': 'release($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, LongWorkLine, Reaching],
  template: `
    <div class="between head">
      <span>Built on {{ names() }}{{ verdict() }}</span
      ><button yo-act slight (click)="closed.emit()">Contrast field</button>
    </div>
    @if (list(); as list) {
      <ul>
        @for (entry of list; track entry.name) {
          <li
            [class.now]="tried() === entry"
            (mousemove)="pointed($event, entry)"
            (mouseleave)="tries(null)"
            (focusin)="tries(entry)"
            (focusout)="tries(null)"
          >
            <span class="name">{{ entry.name }}</span>
            <span class="strip" role="group" [attr.aria-label]="entry.name + ', swatch by swatch'">
              @for (swatch of entry.swatches; track swatch.id) {
                <button
                  yo-pick
                  [style.background]="swatch.to"
                  [attr.aria-label]="'Apply ' + swatch.label + ' ' + swatch.to + ' alone'"
                  [title]="swatch.label + ': ' + swatch.from + ' to ' + swatch.to + ', ΔE ' + distance(swatch)"
                  [yoReaching]="scope(swatch)"
                  (click)="take(entry, swatch)"
                ></button>
              }
            </span>
            <span class="note">{{ entry.failing ? plural(entry.failing, 'pair') + ' failing' : '' }}</span>
            <button
              yo-act
              slight
              [attr.aria-label]="'Apply ' + entry.name"
              [yoReaching]="whole(entry)"
              (click)="take(entry)"
            >
              Apply
            </button>
          </li>
        } @empty {
          <li class="quiet">Every other swatch is locked or derived. Unlock a swatch, or set one to “not derived”.</li>
        }
      </ul>
      <p class="note">Hover to preview; hold H for the next palette. Click one colour to apply only that swatch.</p>
    } @else if (stopped()) {
      <p class="note" role="status">Stopped. <button yo-act (click)="again()">Compute palettes</button></p>
    } @else {
      <yo-long-work words="Computing palettes" />
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .between {
      display: flex;
      justify-content: space-between;
      gap: 12px;
    }
    li {
      display: grid;
      grid-template-columns: 128px minmax(0, 1fr) 64px 56px;
      gap: 10px;
      align-items: center;
      border-bottom: 1px solid #d9d9d9;
      min-height: 34px;
    }
    .strip {
      display: flex;
      height: 24px;
    }
    .strip button {
      flex: 1;
      outline: 1px solid #d9d9d9;
      outline-offset: -1px;
    }
    .strip button:focus-visible {
      outline: 2px solid #1a1a1a;
      z-index: 1;
    }
    li.now {
      background: #f0f0f0;
    }
    p {
      padding-top: 6px;
    }
  `,
})
export class Harmonies {
  readonly #editor = inject(Editor);
  readonly #work = inject(LongWork);
  /** Ids of the swatches that stay. */
  readonly stay = input.required<readonly string[]>();
  readonly closed = output();
  protected readonly list = signal<readonly Suggestion[] | null>(null);
  protected readonly names = computed(() =>
    this.stay()
      .map((id) => this.#editor.current()?.brand.swatches[id]?.label ?? id)
      .join(', '),
  );
  #asked = 0;

  constructor() {
    // Worked out anew for every state of the site: what was taken is no suggestion any more.
    effect(() => {
      const stay = this.stay();
      if (this.#editor.current()) untracked(() => void this.#ask(stay));
    });
    inject(DestroyRef).onDestroy(() => {
      this.#work.stop();
      this.#editor.cancel();
    });
  }

  async #ask(stay: readonly string[]): Promise<void> {
    const asked = ++this.#asked;
    // A list for other swatches is not left standing under these names.
    this.list.set(null);
    this.tried.set(null);
    this.stopped.set(false);
    this.#editor.cancel();
    const list = await this.#work.suggest(stay);
    if (asked !== this.#asked) return;
    if (list) this.list.set(list);
    else this.stopped.set(true);
  }
  protected readonly stopped = signal(false);
  protected again(): void {
    void this.#ask(this.stay());
  }
  protected readonly verdict = computed(() => {
    const list = this.list();
    return list?.length
      ? list.every((entry) => entry.failing === 0)
        ? '; every pair of flat colours passes. Text over images is not counted here'
        : '; failing pairs of flat colours are listed. Text over images is not counted here'
      : '';
  });

  /** Previews a row only when the pointer moves: after *apply*, new rows appear under a resting pointer. */
  protected pointed(event: MouseEvent, suggestion: Suggestion): void {
    if ((event.movementX === 0 && event.movementY === 0) || this.#shown === suggestion) return;
    this.tries(suggestion);
  }
  #shown: Suggestion | null = null;

  protected tries(suggestion: Suggestion | null): void {
    this.#shown = suggestion;
    this.#editor.preview((site) =>
      suggestion ? { label: suggestion.name, ops: takeSuggestion(site, suggestion) } : undefined,
    );
  }
  /** The suggestion that a held key shows. */
  protected readonly tried = signal<Suggestion | null>(null);
  #next = 0;
  /** H, held: the next suggestion is on the wall until it is let go. */
  protected press(event: KeyboardEvent): void {
    const list = this.list();
    if (!KEYS.harmony.is(event) || event.repeat || !list?.length) return;
    const suggestion = list[this.#next++ % list.length]!;
    this.tried.set(suggestion);
    this.tries(suggestion);
  }
  protected release(event: KeyboardEvent): void {
    if (!KEYS.harmony.ends(event) || !this.tried()) return;
    this.tried.set(null);
    this.tries(null);
  }
  protected take(suggestion: Suggestion, swatch?: SuggestedSwatch): void {
    this.#shown = null;
    this.#editor.commit((site) => ({
      label: swatch ? `${swatch.label} of ${suggestion.name}` : `Apply ${suggestion.name}`,
      ops: takeSuggestion(site, suggestion, swatch?.id),
    }));
  }
  protected scope(swatch: SuggestedSwatch): Scope {
    const site = this.#editor.current();
    const known = site?.brand.swatches[swatch.id];
    return known ? swatchPath(known) : { words: swatch.label };
  }
  protected whole(suggestion: Suggestion): Scope {
    const site = this.#editor.current();
    const paths = suggestion.swatches.flatMap(({ id }) =>
      site?.brand.swatches[id] ? [swatchPath(site.brand.swatches[id])] : [],
    );
    return { words: `${suggestion.name} changes ${plural(site ? placeCount(site, paths) : 0, 'place')}` };
  }
  protected distance = (swatch: SuggestedSwatch): string =>
    cutDownText(deltaERgb(parseColor(swatch.from)!.rgb, parseColor(swatch.to)!.rgb), 3);
  protected readonly plural = plural;
}
