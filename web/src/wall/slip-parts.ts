import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { addBlock, blockKinds, duplicatePart, movePart, partsAt, removePart, type BlockPart, type Edit, type Place, type Site } from '@yohaku/core';
import { Editor, Reaching, freshId, type Scope } from '../state/index.ts';
import { ACTS, Choice } from '../ui/index.ts';

/** What can be done with the thing a place belongs to: one of several made once more, moved, deleted; the block likewise; another kind of block laid in behind it. */
@Component({
  selector: 'yo-slip-parts',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, Reaching],
  template: `
    @for (part of parts(); track part.what) {
      <div class="part" [yoReaching]="here()" role="group" [attr.aria-label]="part.label">
        <span class="head">{{ part.label }}</span>
        <span class="yo-joined">
          <button yo-act slight icon="copy" [attr.aria-label]="part.what === 'item' ? 'Another one' : 'Duplicate ' + part.label" [yoTip]="part.what === 'item' ? 'Another one like it, behind it' : 'The same once more, behind it'" (click)="again(part)"></button>
          <button yo-act slight icon="up" [attr.aria-label]="'Move ' + part.label + ' up'" [disabled]="!can(part, -1)" (click)="move(part, -1)"></button>
          <button yo-act slight icon="down" [attr.aria-label]="'Move ' + part.label + ' down'" [disabled]="!can(part, 1)" (click)="move(part, 1)"></button>
        </span>
        <yo-delete slight [name]="part.label" words="" (done)="remove(part)" />
      </div>
    }
    @if (block(); as block) { <yo-choice label="Add behind it" [yoReaching]="here()" [value]="null" placeholder="a block" [options]="kinds()" [width]="150" (chosen)="add(block, $event)" /> }
  `,
  styles: `
    :host { display: block; border-top: 1px solid #d9d9d9; padding: 4px 0; }
    .part { display: flex; gap: 6px; align-items: center; padding: 2px 0; } .part .head { flex: 1; }
  `,
})
export class SlipParts {
  readonly #editor = inject(Editor);
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

  /** Whether a part can go farther: within its order, into the column beside it, into the section beside its own. */
  protected can(part: BlockPart, steps: -1 | 1): boolean {
    const site = this.#editor.current();
    return site !== null && site !== undefined && movePart(site, part, steps) !== undefined;
  }
  protected again(part: BlockPart): void {
    this.#commit((site) => duplicatePart(site, part, freshId('x')));
  }
  protected move(part: BlockPart, steps: -1 | 1): void {
    this.#commit((site) => movePart(site, part, steps));
  }
  protected remove(part: BlockPart): void {
    this.#commit((site) => removePart(site, part));
  }
  protected add(block: BlockPart, kind: string): void {
    this.#commit((site) => addBlock(site, block, kind, freshId('x')));
  }
  #commit(make: (site: Site) => Edit | undefined): void {
    this.#editor.commit(make);
  }
}
