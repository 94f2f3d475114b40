import { ChangeDetectionStrategy, Component, computed, inject, output } from '@angular/core';
import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop } from '@angular/cdk/drag-drop';
import {
  addMenuEntry,
  buttonMenuEntry,
  dragMenuEntry,
  hrefFrom,
  hrefText,
  linkOffers,
  menuEntries,
  menuFromPages,
  moveMenuEntry,
  nestMenuEntry,
  plainText,
  removeMenuEntry,
  sayNotice,
  setValue,
  type Edit,
  type MenuEntry,
  type Site,
} from '@yohaku/core';
import { Editor, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS, FocusIn, Choice, IconSign, KEYS, TextField, nameProblem } from '../../ui/index.ts';

/** How far an entry is dragged to the right, px, before it goes under the one above. */
const INWARDS = 24;

/**
 * The menu of all pages: its entries in order, those under another behind it, each with its words, where it leads and
 * how it looks.
 */
@Component({
  selector: 'yo-menu-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, CdkDrag, CdkDragHandle, CdkDropList, Choice, IconSign, TextField, Reaching],
  template: `
    <div class="top">
      <span class="strong">Menu</span><span class="note">In the header of every page, in this order.</span
      ><button
        yo-act
        slight
        class="end"
        yoTip="One entry for each page, in page order; other entries stay, after them"
        (click)="fromPages()"
      >
        Match pages</button
      ><button yo-act slight icon="close" yoTip="Closes the menu" [yoKey]="keyOf.back" (click)="closed.emit()">
        Close
      </button>
    </div>
    <div class="whole" [yoReaching]="everywhere">
      <yo-choice
        label="Header layout"
        [value]="header()?.arrangement ?? ''"
        [options]="arrangements"
        [width]="180"
        (chosen)="arrange($event)"
      />
      <yo-text
        label="Collapse on phones, label"
        [value]="header()?.fold ?? ''"
        placeholder="not collapsed"
        width="110px"
        [check]="checkFold"
        (done)="fold($event)"
      />
      <yo-text
        label="Notice line"
        [value]="notice()"
        placeholder="none"
        width="280px"
        [check]="checkNotice"
        (done)="tell($event)"
      />
      @if (header()?.notice; as line) {
        <yo-choice
          label="Background of the notice"
          [value]="line.ground"
          [options]="grounds()"
          [width]="110"
          (chosen)="noticeOn($event)"
        />
      }
      <p class="scroll">
        <span class="head">Over an image</span
        ><button
          yo-act
          slight
          [attr.aria-pressed]="!!header()?.over"
          yoTip="If the first section of a page has a background image, the header is over it"
          (click)="lieOver()"
        >
          Overlay first image
        </button>
      </p>
      <p class="scroll">
        <span class="head">On scroll</span
        ><button
          yo-act
          slight
          [attr.aria-pressed]="!!header()?.stays"
          yoTip="The header is sticky in sight while a page is scrolled"
          (click)="stay()"
        >
          Sticky
        </button>
      </p>
    </div>
    <div class="yo-rows">
      <ul aria-label="Menu entries" [yoReaching]="everywhere" cdkDropList (cdkDropListDropped)="dropped($event)">
        @for (row of entries(); track row.id) {
          <li cdkDrag [cdkDragData]="row.id" [class.under]="row.under !== undefined">
            <span class="grip" cdkDragHandle yoTip="Drag it up or down; to the right, under the one above"
              ><yo-icon name="grip"
            /></span>
            <yo-text
              [label]="'Text of ' + row.label"
              [hideLabel]="true"
              [value]="row.label"
              width="130px"
              [check]="check"
              (done)="rename(row.id, $event)"
            />
            <yo-text
              [label]="row.label + ' links to'"
              [hideLabel]="true"
              [value]="text(row)"
              [offers]="offers()"
              width="150px"
              [check]="checkLink"
              (done)="lead(row.id, $event)"
            />
            <yo-choice
              [label]="'Look of ' + row.label"
              [hideLabel]="true"
              [value]="row.look?.variant ?? ''"
              [options]="looks()"
              [width]="96"
              (chosen)="look(row.id, $event)"
            />
            <span class="yo-joined">
              <button
                yo-act
                slight
                icon="up"
                [attr.aria-label]="row.label + ' up'"
                [disabled]="row.first"
                (click)="move(row.id, -1)"
              ></button
              ><button
                yo-act
                slight
                icon="down"
                [attr.aria-label]="row.label + ' down'"
                [disabled]="row.last"
                (click)="move(row.id, 1)"
              ></button>
              <button
                yo-act
                slight
                [icon]="row.under === undefined ? 'inwards' : 'outwards'"
                [attr.aria-label]="row.under === undefined ? row.label + ' indent' : row.label + ' outdent'"
                [yoTip]="row.under === undefined ? 'Indent below the entry before' : 'Outdent'"
                [disabled]="row.under === undefined && !canNest(row)"
                (click)="nest(row.id, row.under === undefined)"
              ></button>
            </span>
            <yo-delete
              slight
              [name]="row.label"
              [words]="row.above ? 'Its indented entries move up row level.' : ''"
              (done)="remove(row.id)"
            />
          </li>
        } @empty {
          <li class="quiet">The menu is empty. Add an entry, or click Match pages.</li>
        }
        <li>
          <yo-text
            label="Add an entry: a page, a section, an address"
            [hideLabel]="true"
            [value]="''"
            [offers]="offers()"
            width="290px"
            placeholder="add: a page, a section, an address"
            [check]="checkLink"
            (done)="add($event)"
          />
        </li>
      </ul>
    </div>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      height: 100%;
      min-height: 0;
    }
    .top {
      display: flex;
      gap: 14px;
      align-items: center;
      padding-bottom: 4px;
    }
    .end {
      margin-left: auto;
    }
    .yo-rows {
      flex: 1;
      --row: 33px;
      --head: 4px;
    }
    ul {
      padding: 2px;
      max-width: 720px;
    }
    .grip {
      cursor: grab;
      display: grid;
    }
    .whole {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 16px;
      align-items: flex-start;
      padding-bottom: 6px;
      border-bottom: 1px solid #d9d9d9;
    }
    .scroll {
      display: flex;
      flex-direction: column;
      align-items: flex-start;
    }
    li {
      display: flex;
      gap: 10px;
      align-items: center;
      height: 33px;
      border-bottom: 1px solid #d9d9d9;
      break-inside: avoid;
    }
    .under {
      padding-left: 24px;
    }
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
  protected readonly arrangements = [
    { value: '', label: 'name beside menu' },
    { value: 'centred', label: 'name centred above' },
    { value: 'below', label: 'menu below the name' },
  ];
  protected arrange(value: string): void {
    this.#do((site) => setValue(site, 'Header layout', ['shared', 'header', 'arrangement'], value || undefined));
  }
  protected stay(): void {
    this.#do((site) =>
      setValue(
        site,
        site.shared.header.stays ? 'The header scrolls away' : 'The header is sticky',
        ['shared', 'header', 'stays'],
        site.shared.header.stays ? undefined : true,
      ),
    );
  }
  protected lieOver(): void {
    this.#do((site) =>
      setValue(
        site,
        site.shared.header.over ? 'The header on its own background' : 'The header over the first image',
        ['shared', 'header', 'over'],
        site.shared.header.over ? undefined : true,
      ),
    );
  }
  protected readonly notice = computed(() => plainText(this.header()?.notice?.content ?? []));
  protected readonly grounds = computed(
    () =>
      this.#site()?.brand.groundOrder.map((id) => ({ value: id, label: this.#site()!.brand.grounds[id]!.label })) ?? [],
  );
  protected readonly checkFold = (text: string): string => (text.length > 80 ? 'At most 80 characters.' : '');
  protected readonly checkNotice = (text: string): string =>
    text.length > 400
      ? `${text.length} characters; at most 400 on one line. Put the rest on a page and link to it.`
      : '';
  protected fold(words: string): void {
    this.#do((site) =>
      setValue(
        site,
        words ? 'The menu collapses on phones' : 'The menu does not collapse',
        ['shared', 'header', 'fold'],
        words || undefined,
      ),
    );
  }
  protected tell(words: string): void {
    this.#do((site) => sayNotice(site, words));
  }
  protected noticeOn(ground: string): void {
    this.#do((site) => setValue(site, 'Background of the notice', ['shared', 'header', 'notice', 'ground'], ground));
  }
  /** Far enough to the right it goes under the one above. */
  protected dropped({ item, currentIndex, distance }: CdkDragDrop<unknown>): void {
    const id = item.data as string;
    const own = this.entries().find((entry) => entry.id === id)!;
    const under = own.under !== undefined ? distance.x > -INWARDS : distance.x > INWARDS;
    // The list counts the entry itself, and those under it, where they were.
    const rest = this.entries().filter((entry) => entry.id !== id);
    const at = rest.slice(0, currentIndex).filter((entry) => entry.under !== id).length;
    this.#do((site) => dragMenuEntry(site, id, at, under));
  }
  protected readonly offers = computed(() => (this.#site() ? linkOffers(this.#site()!) : []));
  protected readonly looks = computed(() => [
    { value: '', label: 'words' },
    ...(this.#site()?.brand.variantOrder.map((id) => ({ value: id, label: this.#site()!.brand.variants[id]!.label })) ??
      []),
  ]);
  protected readonly everywhere: Scope = { words: 'The menu is in the header of every page' };
  protected readonly check = nameProblem('An entry');
  protected readonly checkLink = (text: string): string => {
    const read = hrefFrom(this.#editor.current()!, text);
    return typeof read === 'string' ? read : '';
  };

  protected text({ link }: MenuEntry): string {
    return hrefText(this.#site()!, link);
  }
  protected canNest(entry: MenuEntry): boolean {
    return nestMenuEntry(this.#site()!, entry.id, true) !== undefined;
  }
  protected rename(id: string, label: string): void {
    this.#do((site) => setValue(site, `Menu entry ${label}`, ['shared', 'header', 'items', id, 'label'], label));
  }
  protected lead(id: string, text: string): void {
    this.#do((site) =>
      setValue(site, 'Target of a menu entry', ['shared', 'header', 'items', id, 'link'], hrefFrom(site, text)),
    );
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
      const label =
        link.to === 'page' ? (link.anchor ?? site.pages[link.page]!.title) : text.replace(/^[a-z]+:(\/\/)?/i, '');
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
