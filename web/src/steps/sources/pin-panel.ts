import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  AS_DRAWN,
  addSwatches,
  cutDownText,
  drawnAndBuilt,
  parseColor,
  plural,
  proposeName,
  type NeverDrawn,
  type SpotGroup,
  type WithoutToken,
} from '@yohaku/core';
import { DeskActions, Editor, Pinned, Reaching, freshId, sourcesFeature, type Scope } from '../../state/index.ts';
import { ACTS } from '../../ui/index.ts';

/** Most spots of one row marked on the wall. */
const MARKED = 4000;

/**
 * The results of a comparison: where design and page differ, colours of the design without a token, tokens that the
 * design does not show.
 */
@Component({
  selector: 'yo-pin-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Reaching],
  templateUrl: './pin-panel.html',
  styleUrl: './pin-panel.less',
  host: { role: 'group', 'aria-label': 'Comparison' },
})
export class PinPanel {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #pinned = inject(Pinned);
  readonly #state = this.#store.selectSignal(sourcesFeature.selectSourcesState);
  protected readonly rows = computed(() => this.#pinned.groups().filter((group) => group.deltaE > AS_DRAWN));
  protected readonly same = computed(() =>
    this.#pinned
      .groups()
      .filter((group) => group.deltaE <= AS_DRAWN)
      .reduce((sum, group) => sum + group.share, 0),
  );
  protected readonly read = computed(() => this.#pinned.groups().length > 0);
  /** True if the design is shown alone: there is no page to compare it with. */
  protected readonly alone = computed(() => this.#state().pin?.way === 'alone');
  protected readonly chosen = signal<string | null>(null);
  protected readonly tokens = computed(() => {
    const { pin, sources } = this.#state();
    const site = this.#editor.current();
    const piece = sources.find((source) => source.id === pin?.sources);
    return site && pin && piece && site.pages[pin.page]
      ? drawnAndBuilt(site, pin.page, piece.colors)
      : { withoutToken: [], neverDrawn: [] };
  });

  protected key(row: SpotGroup): string {
    return `${row.drawn} ${row.built}`;
  }
  protected mark(row: SpotGroup): void {
    const on = this.chosen() !== this.key(row);
    this.chosen.set(on ? this.key(row) : null);
    const step = Math.max(1, Math.floor(row.spots.length / MARKED));
    this.#pinned.marked.set(on ? row.spots.filter((_, i) => i % step === 0) : []);
  }
  protected add(color: WithoutToken): void {
    const parsed = parseColor(color.hex)!;
    this.#editor.commit((site) =>
      addSwatches(site, [
        { id: freshId('s'), label: proposeName(parsed.oklch), color: { ...parsed, typed: color.hex } },
      ]),
    );
  }
  protected take(swatch: NeverDrawn): void {
    this.#store.dispatch(DeskActions.choose({ choice: { swatch: swatch.id } }));
    this.#store.dispatch(DeskActions.step({ step: 'colour' }));
  }
  protected percent = (share: number): string => `${cutDownText(share * 100, share < 0.1 ? 1 : 0)} %`;
  protected readonly unused: Scope = { words: 'New swatches are used in no place yet' };
  protected readonly cut = cutDownText;
  protected readonly plural = plural;
}
