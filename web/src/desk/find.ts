import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  STRESS_KINDS,
  VISIONS,
  VISION_LABELS,
  findWords,
  itemName,
  pageTree,
  placeCount,
  plural,
  tokenTable,
  type Site,
} from '@yohaku/core';
import {
  DeskActions,
  Editor,
  STEPS,
  stepLabel,
  SURROUNDS,
  deskFeature,
  handToken,
  siteFeature,
  WaysOfSeeing,
} from '../state/index.ts';
import { Finder, type Findable } from '../ui/index.ts';
import { rank } from './find-rank.ts';
import { GoToControl } from './go-to-control.ts';
import { Drawer } from './drawer.ts';
import { STEP_CONTROLS } from './step-controls.ts';

/** Something that can be gone to or done from here. */
interface Found extends Findable {
  readonly run: () => void;
  /** The drawer of the desk that takes the place of this one. */ readonly drawer?: 'site' | 'person';
}

/**
 * An entry before it is listed. `also` are common other words for it; `reach` is worked out only for what is listed.
 */
interface Entry extends Omit<Found, 'reach'> {
  readonly also?: string;
  readonly reach?: () => string;
}

/** Most of what fits that is listed. */
const MOST = 12;
/** Most items among them. */
const MOST_ITEMS = 6;

/** Goes to any step, page, token or words, or does any act of the desk, by a few letters of its name. */
@Component({
  selector: 'yo-find',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Finder, Drawer],
  template: `
    <yo-drawer title="Find" [width]="560" (closed)="closed.emit()">
      <yo-finder
        label="A command, a field, a step, a page, a token, an item, or words on a page"
        [results]="found"
        (sought)="typed.set($event)"
        (chosen)="run($event)"
      />
    </yo-drawer>
  `,
})
export class Find {
  readonly #store = inject(Store);
  readonly #seeing = inject(WaysOfSeeing);
  readonly #editor = inject(Editor);
  readonly closed = output();
  protected readonly typed = signal('');
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  readonly #done = this.#store.selectSignal(siteFeature.selectDone);
  readonly #undone = this.#store.selectSignal(siteFeature.selectUndone);

  readonly #controls = inject(GoToControl);
  /** A drawer of the desk is asked for. */
  readonly drawer = output<'site' | 'person'>();

  /** Everything that has a name here. */
  readonly #all = computed((): readonly Entry[] => {
    const site = this.#site();
    if (!site) return [];
    const act = (label: string, run: () => void, also = '') => ({
      id: `act ${label}`,
      kind: 'command',
      label,
      also,
      run,
    });
    const drawer = (label: string, which: 'site' | 'person', also: string) => ({
      ...act(label, () => undefined, also),
      drawer: which,
    });
    const hang = (label: string, hanging: 'all' | 'specimen', also: string) =>
      act(label, () => this.#store.dispatch(DeskActions.hang({ hanging })), also);
    const hostile = STRESS_KINDS.filter((kind) => kind.copy).map((kind) => kind.kind);
    const undo = this.#done().at(-1)?.label;
    const redo = this.#undone().at(-1)?.label;
    return [
      ...STEPS.map((step) => ({
        id: `step ${step}`,
        kind: 'step',
        label: stepLabel(step),
        run: () => this.#store.dispatch(DeskActions.step({ step })),
      })),
      // By these words alone: the words of the edit may stand on pages as well.
      ...(undo ? [{ ...act('Undo', () => this.#editor.undo(), 'back revert'), reach: () => undo }] : []),
      ...(redo ? [{ ...act('Redo', () => this.#editor.redo(), 'again repeat'), reach: () => redo }] : []),
      hang('All pages', 'all', 'overview wall'),
      hang('Specimen', 'specimen', 'style guide tokens sheet'),
      act(
        'Stress-test content',
        () => this.#store.dispatch(DeskActions.stress({ kinds: this.#desk().stress.length > 0 ? [] : hostile })),
        'test long words content overflow',
      ),
      act('Show heading levels', () => this.#seeing.outline(), 'outline h1 h2 structure'),
      act('Shortcuts', () => this.#store.dispatch(DeskActions.keys({ shown: true })), 'keys keyboard help'),
      drawer('Site settings', 'site', 'name language address url icon favicon title'),
      drawer(
        'Your settings',
        'person',
        'density calm essential controls surround background sessions sign out log out account',
      ),
      ...STEP_CONTROLS.map((control) => ({
        id: `control ${control.step} ${control.open ?? ''} ${control.control}`,
        kind: 'control',
        label: control.name ?? control.control,
        also: control.also,
        reach: () => stepLabel(control.step),
        run: () => this.#controls.go(control),
      })),
      ...SURROUNDS.map((surround) =>
        act(`Workspace background: ${surround}`, () => this.#store.dispatch(DeskActions.surround({ surround }))),
      ),
      ...VISIONS.map((seen) =>
        act(`Colour vision: ${VISION_LABELS[seen]}`, () => this.#store.dispatch(DeskActions.seen({ seen }))),
      ),
      act('All sites', () => location.assign('/'), 'shelf projects home'),
      act('New site', () => location.assign('/new'), 'begin create start project'),
      ...site.pageOrder.map((page) => ({
        id: `page ${page}`,
        kind: 'page',
        label: site.pages[page]!.title,
        reach: () => plural(pageTree(site, page).places.length, 'place'),
        run: () => this.#store.dispatch(DeskActions.grow({ page })),
      })),
      ...[...tokenTable(site.brand).values()].map(({ path, label }) => ({
        id: `token ${path}`,
        kind: 'token',
        label,
        reach: () => `used in ${plural(placeCount(site, path), 'place')}`,
        run: () => handToken(this.#store, site, path),
      })),
    ];
  });
  protected readonly found = computed((): readonly Found[] => {
    const typed = this.typed();
    const site = this.#site();
    if (!site) return [];
    const ranked = this.#all()
      .map((entry) => ({
        entry,
        rank: typed.trim() === '' ? (entry.kind === 'step' ? 1 : 0) : rank(entry.label, typed, entry.also),
      }))
      .filter((entry) => entry.rank > 0)
      .sort((entry, other) => other.rank - entry.rank)
      .slice(0, MOST);
    // Items are many: they are looked at only for what was typed.
    const items =
      typed.trim().length < 2
        ? []
        : Object.values(site.items)
            .map((item) => ({ item, label: itemName(site.collections[item.collection]!, item) }))
            .map((entry) => ({ ...entry, rank: rank(entry.label, typed) }))
            .filter((entry) => entry.rank > 0)
            .sort((entry, other) => other.rank - entry.rank)
            .slice(0, MOST_ITEMS)
            .map(({ item, label }): Found => ({
              id: `item ${item.id}`,
              kind: 'item',
              label,
              reach: site.collections[item.collection]!.label,
              run: () => this.#item(item.id),
            }));
    const named = [
      ...ranked
        .slice(0, MOST - Math.min(items.length, 4))
        .map(({ entry }): Found => ({ ...entry, reach: entry.reach?.() ?? '' })),
      ...items,
    ];
    // A letter or two are in every text.
    const words = typed.trim().length < 3 ? [] : findWords(site, typed, MOST - named.length);
    return [
      ...named,
      ...words.map(({ page, entry, block, words: line }, i): Found => ({
        id: `words ${i} ${block}`,
        kind: 'words',
        label: line.length > 70 ? `${line.slice(0, 70)}…` : line,
        reach: site.pages[page]?.title ?? '',
        run: () => this.#show(site, page, entry, block),
      })),
    ];
  });

  /** Opens an item in the table of its collection. */
  #item(item: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { item: null } }));
    this.#store.dispatch(DeskActions.step({ step: 'pages' }));
    setTimeout(() => this.#store.dispatch(DeskActions.choose({ choice: { item } })));
  }

  /** Grows the page and chooses the place that shows the words. */
  #show(site: Site, page: string, entry: string, block: string): void {
    this.#store.dispatch(DeskActions.grow({ page }));
    const place = pageTree(site, page).places.find(
      ({ id }) => id.startsWith(`${entry}:${block}/`) || id.startsWith(`${block}/`),
    );
    if (place) this.#store.dispatch(DeskActions.choose({ choice: { place: { page, id: place.id } } }));
  }

  protected run(id: string): void {
    const entry = this.found().find((found) => found.id === id);
    if (entry?.drawer) return this.drawer.emit(entry.drawer);
    this.closed.emit();
    // The drawer that closes gives the focus back first.
    if (entry) setTimeout(() => entry.run());
  }
}
