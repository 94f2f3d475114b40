import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, output, signal, viewChildren } from '@angular/core';
import { Store } from '@ngrx/store';
import { NzInputModule } from 'ng-zorro-antd/input';
import { VISIONS, VISION_LABELS, findWords, pageTree, placeCount, plural, tokenTable, type Site } from '@yohaku/core';
import { DeskActions, Editor, STEPS, STEP_LABELS, SURROUNDS, deskFeature, handToken, siteFeature } from '../state/index.ts';
import { KEYS } from '../ui/index.ts';
import { rank } from './find-rank.ts';
import { Sheet } from './sheet.ts';

/** Something that can be gone to or done from here. */
interface Found { readonly id: string; readonly kind: string; readonly label: string; readonly reach: string; readonly run: () => void }

/** Most of what fits that is listed. */
const MOST = 12;

/** Goes to any step, page, token or words, or does any act of the desk, by a few letters of its name. */
@Component({
  selector: 'yo-find',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NzInputModule, Sheet],
  template: `
    <yo-sheet title="Find" [width]="560" (closed)="closed.emit()">
      <label class="sr" for="find-what">An act, a step, a page, a token, or words on a page</label>
      <input nz-input cdkFocusInitial id="find-what" type="text" autocomplete="off" spellcheck="false" role="combobox" aria-expanded="true" aria-controls="find-list" aria-autocomplete="list" placeholder="An act, a step, a page, a token, or words on a page"
        [attr.aria-activedescendant]="found().length ? 'find-' + at() : null" [value]="typed()" (input)="type($event)" (keydown)="key($event)" />
      <ul id="find-list" role="listbox" aria-label="What fits">
        @for (one of found(); track one.id; let i = $index) {
          <li #row role="option" [id]="'find-' + i" [attr.aria-selected]="i === at()" [class.now]="i === at()" (mousemove)="at.set(i)" (click)="run(one)"><span class="quiet">{{ one.kind }}</span><span class="name">{{ one.label }}</span><span class="note">{{ one.reach }}</span></li>
        }
      </ul>
      @if (typed().trim() && found().length === 0) { <p class="quiet" role="status">Nothing is called like “{{ typed().trim() }}”.</p> }
    </yo-sheet>
  `,
  styles: `
    ul { margin-top: 8px; max-height: 360px; overflow: auto; }
    li { display: grid; grid-template-columns: 72px 1fr auto; gap: 12px; align-items: baseline; padding: 4px 6px; cursor: pointer; }
    li.now { background: #eee; }
    .name { overflow-wrap: anywhere; }
  `,
})
export class Find {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly closed = output();
  protected readonly typed = signal('');
  protected readonly at = signal(0);
  protected readonly rows = viewChildren<ElementRef<HTMLElement>>('row');
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  readonly #done = this.#store.selectSignal(siteFeature.selectDone);
  readonly #undone = this.#store.selectSignal(siteFeature.selectUndone);

  /** All that has a name here; how far it goes is worked out only for what is listed. */
  readonly #all = computed((): readonly (Omit<Found, 'reach'> & { readonly reach?: () => string })[] => {
    const site = this.#site();
    if (!site) return [];
    const act = (label: string, run: () => void) => ({ id: `act ${label}`, kind: 'act', label, run });
    const hang = (label: string, hanging: 'all' | 'specimen') => act(label, () => this.#store.dispatch(DeskActions.hang({ hanging })));
    const undo = this.#done().at(-1)?.label;
    const redo = this.#undone().at(-1)?.label;
    return [
      ...STEPS.map((step) => ({ id: `step ${step}`, kind: 'step', label: STEP_LABELS[step], run: () => this.#store.dispatch(DeskActions.step({ step })) })),
      ...(undo ? [act(`Undo ${undo}`, () => this.#editor.undo())] : []), ...(redo ? [act(`Redo ${redo}`, () => this.#editor.redo())] : []),
      hang('All pages', 'all'), hang('Specimen', 'specimen'),
      act('Heading levels on the wall', () => this.#store.dispatch(DeskActions.outline({ shown: !this.#desk().outline }))), act('Shortcuts', () => this.#store.dispatch(DeskActions.keys({ shown: true }))),
      ...SURROUNDS.map((surround) => act(`Surround: ${surround}`, () => this.#store.dispatch(DeskActions.surround({ surround })))), ...VISIONS.map((seen) => act(`Seen as: ${VISION_LABELS[seen]}`, () => this.#store.dispatch(DeskActions.seen({ seen })))),
      act('All sites', () => location.assign('/')), act('New site', () => location.assign('/new')),
      ...site.pageOrder.map((page) => ({ id: `page ${page}`, kind: 'page', label: site.pages[page]!.title, reach: () => plural(pageTree(site, page).places.length, 'place'), run: () => this.#store.dispatch(DeskActions.grow({ page })) })),
      ...[...tokenTable(site.brand).values()].map(({ path, label }) => ({ id: `token ${path}`, kind: 'token', label, reach: () => `used in ${plural(placeCount(site, path), 'place')}`, run: () => handToken(this.#store, site, path) })),
    ];
  });
  protected readonly found = computed((): readonly Found[] => {
    const typed = this.typed();
    const site = this.#site();
    if (!site) return [];
    const ranked = this.#all().map((one) => ({ one, rank: typed.trim() === '' ? (one.kind === 'step' ? 1 : 0) : rank(one.label, typed) })).filter((one) => one.rank > 0).sort((one, other) => other.rank - one.rank).slice(0, MOST);
    const named = ranked.map(({ one }): Found => ({ ...one, reach: one.reach?.() ?? '' }));
    // A letter or two are in every text.
    const words = typed.trim().length < 3 ? [] : findWords(site, typed, MOST - named.length);
    return [...named, ...words.map(({ page, entry, block, words: line }, i): Found => ({ id: `words ${i} ${block}`, kind: 'words', label: line.length > 70 ? `${line.slice(0, 70)}…` : line, reach: site.pages[page]!.title, run: () => this.#show(site, page, entry, block) }))];
  });

  /** Grows the page and chooses the place that shows the words. */
  #show(site: Site, page: string, entry: string, block: string): void {
    this.#store.dispatch(DeskActions.grow({ page }));
    const place = pageTree(site, page).places.find(({ id }) => id.startsWith(`${entry}:${block}/`) || id.startsWith(`${block}/`));
    if (place) this.#store.dispatch(DeskActions.choose({ choice: { place: { page, id: place.id } } }));
  }

  protected type(event: Event): void {
    this.typed.set((event.target as HTMLInputElement).value);
    this.at.set(0);
  }
  protected key(event: KeyboardEvent): void {
    const by = -KEYS.row.by(event);
    if (by !== 0) {
      this.at.update((at) => Math.max(0, Math.min(this.found().length - 1, at + by)));
      this.rows()[this.at()]?.nativeElement.scrollIntoView({ block: 'nearest' });
    } else if (KEYS.keep.is(event)) {
      const one = this.found()[this.at()];
      if (one) this.run(one);
    }
  }
  protected run(one: Found): void {
    this.closed.emit();
    one.run();
  }
}
