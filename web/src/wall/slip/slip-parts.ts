import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  addBlock,
  blockKinds,
  duplicatePart,
  extrasAt,
  joinEdits,
  movePart,
  partsAt,
  partsOfPlaces,
  removePart,
  turnBlock,
  turnExtra,
  turnsOf,
  valueAt,
  type BlockPart,
  type Edit,
  type ExtraHere,
  type Place,
  type Site,
} from '@yohaku/core';
import { DeskActions, Editor, Reaching, deskFeature, freshId, type Scope } from '../../state/index.ts';
import { ACTS, Choice } from '../../ui/index.ts';
import { selectedPlaces } from './selected-places.ts';

/** The commands of the part that a place belongs to: duplicate, move, delete an item or block; add a block after it. */
@Component({
  selector: 'yo-slip-parts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, Reaching],
  template: `
    @for (part of parts(); track part.what) {
      <div class="part" [yoReaching]="here()" role="group" [attr.aria-label]="part.label">
        <span class="head">{{ part.label }}{{ several(part) > 1 ? ', ' + several(part) + ' selected' : '' }}</span>
        <span class="yo-joined">
          <button
            yo-act
            slight
            icon="copy"
            [attr.aria-label]="part.what === 'item' ? 'Add another' : 'Duplicate ' + part.label"
            [yoTip]="part.what === 'item' ? 'Adds another, after this one' : 'Adds a copy after this block'"
            (click)="again(part)"
          ></button>
          <button
            yo-act
            slight
            icon="up"
            [attr.aria-label]="'Move ' + part.label + ' up'"
            [disabled]="!can(part, -1)"
            (click)="move(part, -1)"
          ></button>
          <button
            yo-act
            slight
            icon="down"
            [attr.aria-label]="'Move ' + part.label + ' down'"
            [disabled]="!can(part, 1)"
            (click)="move(part, 1)"
          ></button>
        </span>
        <yo-delete slight [name]="part.label" words="" (done)="remove(part)" />
      </div>
    }
    @if (extras().length) {
      <span class="turns">
        @for (extra of extras(); track extra.key) {
          <button yo-act slight [attr.aria-pressed]="extra.has" [yoReaching]="here()" (click)="give(extra)">
            {{ extra.label }}
          </button>
        }
      </span>
    }
    @if (turns().length) {
      <span class="turns">
        @for (entry of turns(); track entry.kind) {
          <button yo-act slight [yoReaching]="here()" (click)="turn(entry.kind)">
            Turn into a {{ entry.label.toLowerCase() }}
          </button>
        }
      </span>
    }
    @if (block(); as block) {
      <yo-choice
        label="Add after"
        [yoReaching]="here()"
        [value]="null"
        placeholder="a block"
        [options]="kinds()"
        [width]="150"
        (chosen)="add(block, $event)"
      />
    }
  `,
  styles: `
    :host {
      display: block;
      border-top: 1px solid #d9d9d9;
      padding: 4px 0;
    }
    .part {
      display: flex;
      gap: 6px;
      align-items: center;
      padding: 2px 0;
    }
    .part .head {
      flex: 1;
    }
    .turns {
      display: flex;
      gap: 4px;
      padding: 2px 0;
    }
  `,
})
export class SlipParts {
  readonly #editor = inject(Editor);
  readonly #store = inject(Store);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  readonly place = input.required<Place>();
  readonly here = input.required<Scope>();
  protected readonly parts = computed((): readonly BlockPart[] => {
    const site = this.#editor.current();
    return site ? partsAt(site, this.place()) : [];
  });
  protected readonly block = computed(() => this.parts().find(({ what }) => what === 'block'));
  protected readonly kinds = computed(() => {
    const site = this.#editor.current();
    return site ? blockKinds(site).map(({ kind, label }) => ({ value: kind, label })) : [];
  });

  /**
   * Returns true if a part can go farther: within its order, into the column beside it, into the section beside its
   * own.
   */
  protected can(part: BlockPart, steps: -1 | 1): boolean {
    const site = this.#editor.current();
    return site !== null && site !== undefined && movePart(site, part, steps) !== undefined;
  }
  /** The parts of all that is in hand, each once. */
  #all(site: Site, part: BlockPart): BlockPart[] {
    const key = (entry: BlockPart) => [...entry.record, entry.id].join('/');
    const others = partsOfPlaces(site, selectedPlaces(site, this.#desk().also), part.what).filter(
      (place) => key(place) !== key(part),
    );
    return [part, ...others];
  }
  protected several(part: BlockPart): number {
    const site = this.#editor.current();
    return site && this.#desk().also.length > 0 ? this.#all(site, part).length : 1;
  }
  protected again(part: BlockPart): void {
    this.#each(part, 'Duplicate', (now, entry) => duplicatePart(now, entry, freshId('x')));
  }
  protected move(part: BlockPart, steps: -1 | 1): void {
    this.#each(part, 'Move', (now, entry) => movePart(now, entry, steps), steps === 1);
  }
  protected remove(part: BlockPart): void {
    this.#each(part, 'Delete', (now, entry) => removePart(now, entry));
    this.#store.dispatch(DeskActions.choose({ choice: { place: null } }));
  }
  protected readonly extras = computed(() => {
    const site = this.#editor.current();
    return site ? extrasAt(site, this.place()) : [];
  });
  protected give(extra: ExtraHere): void {
    this.#commit((site) => turnExtra(site, extra, freshId('x')));
  }
  protected readonly turns = computed(() => {
    const [site, block] = [this.#editor.current(), this.block()];
    return site && block ? turnsOf(site, block) : [];
  });
  protected turn(kind: 'text' | 'list' | 'quote'): void {
    this.#commit((site) => turnBlock(site, this.block()!, kind, freshId('x')));
  }
  /** One edit for all in hand; `last`: those farther down first, so that none overtakes another. */
  #each(part: BlockPart, what: string, make: (now: Site, entry: BlockPart) => Edit | undefined, last = false): void {
    this.#commit((site) => {
      const all = this.#all(site, part);
      if (all.length === 1) return make(site, part);
      const order = all
        .map((entry) => ({ entry, at: (valueAt(site, entry.order) as readonly string[]).indexOf(entry.id) }))
        .sort((entry, other) => (last ? other.at - entry.at : entry.at - other.at));
      return joinEdits(
        site,
        `${what} ${all.length} parts`,
        order.map(
          ({ entry }) =>
            (now: Site) =>
              make(now, entry),
        ),
      );
    });
  }
  protected add(block: BlockPart, kind: string): void {
    this.#commit((site) => addBlock(site, block, kind, freshId('x')));
  }
  #commit(make: (site: Site) => Edit | undefined): void {
    this.#editor.commit(make);
  }
}
