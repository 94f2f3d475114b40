import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { VISIONS, VISION_LABELS } from '@yohaku/core';
import {
  DeskActions,
  Editor,
  Reading,
  SURROUNDS,
  SURROUND_LABELS,
  WallViews,
  WaysOfSeeing,
  deskFeature,
  siteFeature,
  type DeskState,
} from '../state/index.ts';
import { ACTS, Density, KEYS, OptionsMenu, type OptionGroup } from '../ui/index.ts';
import { SaveState } from './save-state.ts';

/** The panels that the top line opens. */
export type Panel = 'aside' | 'person' | 'find' | 'site';

/** The top line: site and save state; views of the wall; undo, redo, find; how things are shown; all other settings. */
@Component({
  selector: 'yo-top-line',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, OptionsMenu],
  template: `
    <h1 class="sr">Yohaku</h1>
    <a class="sites" href="/">All sites</a>
    <span class="site" [title]="site()?.name"
      ><bdi>{{ site()?.name }}</bdi></span
    >
    <span class="muted" role="status">{{ save.words() }}</span>
    @if (!reading()) {
      @if (aside(); as count) {
        <button yo-act (click)="opened.emit('aside')">
          {{ count === 1 ? '1 edit' : count + ' edits' }} not applied
        </button>
      }
    }
    <div class="yo-joined views" role="group" aria-label="View">
      @for (view of views.offered(); track view.id) {
        <button
          yo-act
          [yoTip]="view.tip"
          [yoKey]="view.key ?? null"
          [attr.aria-pressed]="view.on"
          (click)="hang(view.id, view.on)"
        >
          <span>{{ view.label }}</span>
        </button>
      }
    </div>
    <span class="space"></span>
    @if (!reading()) {
      <button
        yo-act
        quiet
        icon="undo"
        [yoTip]="undoLabel() ? 'Undo ' + undoLabel() : 'Nothing to undo'"
        [yoKey]="keyOf.undo"
        [disabled]="!undoLabel()"
        (click)="editor.undo()"
      >
        Undo<span class="sr"> {{ undoLabel() }}</span>
      </button>
      <button
        yo-act
        quiet
        icon="redo"
        [yoTip]="redoLabel() ? 'Redo ' + redoLabel() : 'Nothing to redo'"
        [yoKey]="keyOf.redo"
        [disabled]="!redoLabel()"
        (click)="editor.redo()"
      >
        Redo<span class="sr"> {{ redoLabel() }}</span>
      </button>
      <button
        yo-act
        quiet
        icon="search"
        yoTip="A command, a field, a step, a page, a token or words"
        [yoKey]="keyOf.find"
        (click)="opened.emit('find')"
      >
        Find
      </button>
    }
    <yo-options icon="eye" words="Show" [pressed]="unusual()" [groups]="shows()" (chosen)="show($event)" />
    @if (!reading()) {
      <yo-options words="Settings" [groups]="settings" (chosen)="settle($event)" />
    }
  `,
  styleUrl: './top-line.less',
})
export class TopLine {
  readonly #store = inject(Store);
  protected readonly editor = inject(Editor);
  protected readonly views = inject(WallViews);
  protected readonly save = inject(SaveState);
  readonly #density = inject(Density);
  readonly #seeing = inject(WaysOfSeeing);
  protected readonly reading = inject(Reading).only;
  protected readonly keyOf = KEYS;
  readonly opened = output<Panel>();
  protected readonly site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  readonly #aside = this.#store.selectSignal(siteFeature.selectAside);
  protected readonly aside = computed(() => this.#aside().length);
  readonly #done = this.#store.selectSignal(siteFeature.selectDone);
  readonly #undone = this.#store.selectSignal(siteFeature.selectUndone);
  protected readonly undoLabel = computed(() => this.#done().at(-1)?.label);
  protected readonly redoLabel = computed(() => this.#undone().at(-1)?.label);

  /** Shows a view; the specimen, once it is shown, gives way to all pages, as its key does. */
  protected hang(hanging: DeskState['hanging'], on: boolean): void {
    if (on && hanging === 'specimen') return this.#seeing.specimen();
    this.#store.dispatch(DeskActions.hang({ hanging }));
  }

  protected readonly shows = computed((): readonly OptionGroup[] => {
    const { fits, outline, stress, seen, surround } = this.#desk();
    const controls: OptionGroup = {
      label: 'Controls',
      options: [
        { id: 'calm', label: 'Essential', single: true, on: !this.#density.all() },
        { id: 'all', label: 'All', single: true, on: this.#density.all() },
      ],
    };
    return [
      {
        label: 'Pages',
        options: [
          { id: 'fits', label: 'All pages at once', on: fits, key: KEYS.fit },
          { id: 'outline', label: 'Heading levels', on: outline, key: KEYS.levels },
          ...(this.reading() ? [] : [{ id: 'stress', label: 'Stress-test content', on: stress.length > 0 }]),
        ],
      },
      {
        label: 'Colour vision',
        options: VISIONS.map((id) => ({ id, label: VISION_LABELS[id], single: true, on: id === seen })),
      },
      {
        label: 'Workspace background',
        options: SURROUNDS.map((id) => ({ id, label: SURROUND_LABELS[id], single: true, on: id === surround })),
      },
      ...(this.reading() ? [] : [controls]),
    ];
  });
  /** True if the pages are not seen as visitors see them. */
  protected readonly unusual = computed(() => {
    const { outline, stress, seen } = this.#desk();
    return outline || stress.length > 0 || seen !== 'full';
  });
  protected show(id: string): void {
    if (id === 'fits') return this.#seeing.fit();
    if (id === 'outline') return this.#seeing.outline();
    if (id === 'stress') return this.#seeing.stress();
    if (id === 'calm' || id === 'all') return this.#density.set(id);
    const vision = VISIONS.find((known) => known === id);
    if (vision) return this.#store.dispatch(DeskActions.seen({ seen: vision }));
    const surround = SURROUNDS.find((known) => known === id);
    if (surround) return this.#store.dispatch(DeskActions.surround({ surround }));
  }

  protected readonly settings: readonly OptionGroup[] = [
    {
      options: [
        { id: 'site', label: 'Site settings' },
        { id: 'person', label: 'Your settings' },
        { id: 'keys', label: 'Shortcuts', key: KEYS.list },
      ],
    },
  ];
  protected settle(id: string): void {
    if (id === 'keys') this.#store.dispatch(DeskActions.keys({ shown: true }));
    else this.opened.emit(id as Panel);
  }
}
