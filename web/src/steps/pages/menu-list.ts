import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { addMenuEntry, buttonMenuEntry, hrefFrom, hrefText, linkOffers, menuEntries, menuFromPages, moveMenuEntry, nestMenuEntry, removeMenuEntry, setValue, type Edit, type MenuEntry, type Site } from '@yohaku/core';
import { Editor, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS, FocusIn, Choice, KEYS, TextField, nameProblem } from '../../ui/index.ts';

/** The menu of all pages: its entries in order, those under another behind it, each with its words, where it leads and how it looks. */
@Component({
  selector: 'yo-menu-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, TextField, Reaching],
  template: `
    <div class="top"><span class="strong">Menu</span><span class="note">In the header of every page, in this order.</span><yo-choice label="Name and menu" [hideLabel]="true" [value]="header()?.arrangement ?? ''" [options]="arrangements" [width]="150" (chosen)="arrange($event)" /><button yo-act slight [attr.aria-pressed]="!!header()?.stays" yoTip="The header stays in sight while a page is scrolled" (click)="stay()">Stays on scroll</button><button yo-act slight class="end" yoTip="An entry for every page, in page order; other entries stay, behind them" (click)="fromPages()">After the pages</button><button yo-act slight icon="close" yoTip="Closes the menu" [yoKey]="keyOf.back" (click)="closed.emit()">Close</button></div>
    <ul aria-label="Menu entries" [yoReaching]="everywhere">
      @for (one of entries(); track one.id) {
        <li [class.under]="one.under !== undefined">
          <yo-text [label]="'Words of ' + one.label" [hideLabel]="true" [value]="one.label" width="130px" [check]="check" (done)="rename(one.id, $event)" />
          <yo-text [label]="one.label + ' leads to'" [hideLabel]="true" [value]="text(one)" [offers]="offers()" width="150px" [check]="checkLink" (done)="lead(one.id, $event)" />
          <yo-choice [label]="'Look of ' + one.label" [hideLabel]="true" [value]="one.look?.variant ?? ''" [options]="looks()" [width]="96" (chosen)="look(one.id, $event)" />
          <span class="yo-joined">
            <button yo-act slight icon="up" [attr.aria-label]="one.label + ' earlier'" [disabled]="one.first" (click)="move(one.id, -1)"></button><button yo-act slight icon="down" [attr.aria-label]="one.label + ' later'" [disabled]="one.last" (click)="move(one.id, 1)"></button>
            <button yo-act slight [icon]="one.under === undefined ? 'inwards' : 'outwards'" [attr.aria-label]="one.under === undefined ? one.label + ' under the one before' : one.label + ' out again'" [yoTip]="one.under === undefined ? 'Under the entry before it' : 'Out from under it'" [disabled]="one.under === undefined && !canNest(one)" (click)="nest(one.id, one.under === undefined)"></button>
          </span>
          <yo-delete slight [name]="one.label" [words]="one.above ? 'What is under it moves up.' : ''" (done)="remove(one.id)" />
        </li>
      } @empty { <li class="quiet">The menu is empty: add an entry, or press After the pages.</li> }
      <li><yo-text label="Add an entry: a page, a section there, an address" [hideLabel]="true" [value]="''" [offers]="offers()" width="290px" placeholder="add: a page, a section there, an address" [check]="checkLink" (done)="add($event)" /></li>
    </ul>
  `,
  styles: `
    :host { display: flex; flex-direction: column; height: 100%; min-height: 0; }
    .top { display: flex; gap: 14px; align-items: center; padding-bottom: 4px; } .end { margin-left: auto; }
    ul { overflow: auto; min-height: 0; columns: 560px auto; column-gap: 40px; padding: 2px; }
    li { display: flex; gap: 10px; align-items: center; min-height: 32px; border-bottom: 1px solid #d9d9d9; break-inside: avoid; }
    .under { padding-left: 24px; }
  `,
  hostDirectives: [FocusIn],
  host: { '(keydown.escape)': 'closed.emit(); $event.stopPropagation()' },
})
export class MenuList {
  readonly #editor = inject(Editor);
  readonly closed = output();
  protected readonly keyOf = KEYS;
  readonly #site = this.#editor.shown;
  protected readonly entries = computed(() => (this.#site() ? menuEntries(this.#site()!) : []));
  protected readonly header = computed(() => this.#site()?.shared.header);
  protected readonly arrangements = [{ value: '', label: 'name beside menu' }, { value: 'centred', label: 'name centred above' }, { value: 'below', label: 'menu below the name' }];
  protected arrange(value: string): void {
    this.#do((site) => setValue(site, 'Arrangement of the header', ['shared', 'header', 'arrangement'], value || undefined));
  }
  protected stay(): void {
    this.#do((site) => setValue(site, site.shared.header.stays ? 'The header scrolls away' : 'The header stays', ['shared', 'header', 'stays'], site.shared.header.stays ? undefined : true));
  }
  protected readonly offers = computed(() => (this.#site() ? linkOffers(this.#site()!) : []));
  protected readonly looks = computed(() => [{ value: '', label: 'words' }, ...(this.#site()?.brand.variantOrder.map((id) => ({ value: id, label: this.#site()!.brand.variants[id]!.label })) ?? [])]);
  protected readonly everywhere: Scope = { words: 'The menu stands in the header of every page' };
  protected readonly check = nameProblem('An entry');
  protected readonly checkLink = (text: string): string => {
    const read = hrefFrom(this.#editor.current()!, text);
    return typeof read === 'string' ? read : '';
  };

  protected text({ link }: MenuEntry): string {
    return hrefText(this.#site()!, link);
  }
  protected canNest(one: MenuEntry): boolean {
    return nestMenuEntry(this.#site()!, one.id, true) !== undefined;
  }
  protected rename(id: string, label: string): void {
    this.#do((site) => setValue(site, `Menu entry ${label}`, ['shared', 'header', 'items', id, 'label'], label));
  }
  protected lead(id: string, text: string): void {
    this.#do((site) => setValue(site, 'Where a menu entry leads', ['shared', 'header', 'items', id, 'link'], hrefFrom(site, text)));
  }
  protected look(id: string, variant: string): void {
    this.#do((site) => buttonMenuEntry(site, id, variant || null));
  }
  protected move(id: string, steps: -1 | 1): void {
    this.#do((site) => moveMenuEntry(site, id, steps));
  }
  protected nest(id: string, inwards: boolean): void {
    this.#do((site) => nestMenuEntry(site, id, inwards));
  }
  protected remove(id: string): void {
    this.#do((site) => removeMenuEntry(site, id));
  }
  protected add(text: string): void {
    this.#do((site) => {
      const link = hrefFrom(site, text);
      if (typeof link === 'string') return undefined;
      const label = link.to === 'page' ? (link.anchor ?? site.pages[link.page]!.title) : text.replace(/^[a-z]+:(\/\/)?/i, '');
      return addMenuEntry(site, freshId('m'), label.slice(0, 80), link);
    });
  }
  protected fromPages(): void {
    this.#do((site) => menuFromPages(site, () => freshId('m')));
  }
  #do(make: (site: Site) => Edit | undefined): void {
    this.#editor.commit(make);
  }
}
