import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { addMenuEntry, menuEntries, moveMenuEntry, removeMenuEntry, setValue } from '@yohaku/core';
import { Editor, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS, FocusIn, Choice, KEYS, TextField, nameProblem } from '../../ui/index.ts';

/** The menu of all pages: its entries in order, each with its words and the page it leads to; pages that are in none can be put in. */
@Component({
  selector: 'yo-menu-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, TextField, Reaching],
  template: `
    <div class="top"><span class="strong">Menu</span><span class="note">In the header of every page, in this order.</span><button yo-act slight class="end" icon="close" yoTip="Closes the menu" [yoKey]="keyOf.back" (click)="closed.emit()">Close</button></div>
    <ul aria-label="Menu entries" [yoReaching]="everywhere">
      @for (one of entries(); track one.id; let i = $index) {
        <li>
          <yo-text [label]="'Words of ' + one.label" [hideLabel]="true" [value]="one.label" width="150px" [check]="check" (done)="rename(one.id, $event)" />
          <yo-choice [label]="one.label + ' leads to'" [hideLabel]="true" [value]="one.page" [options]="pages()" [width]="150" (chosen)="lead(one.id, $event)" />
          <span class="yo-joined"><button yo-act slight icon="up" [attr.aria-label]="one.label + ' earlier'" [disabled]="i === 0" (click)="move(one.id, -1)"></button><button yo-act slight icon="down" [attr.aria-label]="one.label + ' later'" [disabled]="i === entries().length - 1" (click)="move(one.id, 1)"></button></span>
          <yo-delete slight [name]="one.label" words="" (done)="remove(one.id)" />
        </li>
      } @empty { <li class="quiet">The menu is empty.</li> }
      @if (left().length) { <li><yo-choice label="Put a page in" [hideLabel]="true" [value]="null" placeholder="put a page in" [options]="left()" [width]="150" (chosen)="add($event)" /></li> }
    </ul>
  `,
  styles: `
    :host { display: flex; flex-direction: column; height: 100%; min-height: 0; }
    .top { display: flex; gap: 14px; align-items: center; padding-bottom: 4px; } .end { margin-left: auto; }
    ul { overflow: auto; min-height: 0; columns: 460px auto; column-gap: 40px; padding: 2px; }
    li { display: flex; gap: 10px; align-items: center; min-height: 32px; border-bottom: 1px solid #d9d9d9; break-inside: avoid; }
  `,
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()' },
})
export class MenuList {
  readonly #editor = inject(Editor);
  readonly closed = output();
  protected readonly keyOf = KEYS;
  protected readonly entries = computed(() => {
    const site = this.#editor.shown();
    return site ? menuEntries(site) : [];
  });
  protected readonly pages = computed(() => this.#editor.current()?.pageOrder.map((id) => ({ value: id, label: this.#editor.current()!.pages[id]!.title })) ?? []);
  /** Pages that no entry leads to. */
  protected readonly left = computed(() => this.pages().filter(({ value }) => !this.entries().some(({ page }) => page === value)));
  protected readonly everywhere: Scope = { words: 'The menu stands in the header of every page' };
  protected readonly check = nameProblem('An entry');

  protected rename(id: string, label: string): void {
    this.#editor.commit((site) => setValue(site, `Menu entry ${label}`, ['shared', 'header', 'items', id, 'label'], label));
  }
  protected lead(id: string, page: string): void {
    this.#editor.commit((site) => setValue(site, 'Where a menu entry leads', ['shared', 'header', 'items', id, 'page'], page));
  }
  protected move(id: string, steps: -1 | 1): void {
    this.#editor.commit((site) => moveMenuEntry(site, id, steps));
  }
  protected remove(id: string): void {
    this.#editor.commit((site) => removeMenuEntry(site, id));
  }
  protected add(page: string): void {
    this.#editor.commit((site) => addMenuEntry(site, page, freshId('m')));
  }
}
