import { ChangeDetectionStrategy, Component, computed, inject, input, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { addBlockAt, blockKinds, kindOf, sectionAddress, valueAt, type Section } from '@yohaku/core';
import { DeskActions, Editor, deskFeature, freshId } from '../../state/index.ts';
import { ActsMenu } from '../../ui/index.ts';
import { Frames } from './frames.ts';

/** Least distance of two, px. */
const APART = 26;

/** A place between two blocks of a column, in px of the paper. */
interface Gap {
  readonly key: string;
  readonly column: string;
  readonly after: string | null;
  readonly where: string;
  readonly x: number;
  readonly y: number;
}

/** Between the blocks of the section in hand: pressed, it offers the kinds of block, and says where one would go. */
@Component({
  selector: 'yo-block-gaps',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ActsMenu],
  template: `@for (gap of gaps(); track gap.key) {
    <yo-acts-menu
      words="+"
      [label]="'Add a block ' + gap.where"
      [acts]="kinds()"
      [style.left.px]="gap.x"
      [style.top.px]="gap.y"
      (chosen)="add(gap, $event)"
    />
  }`,
  styles: `
    :host {
      display: contents;
    }
    yo-acts-menu {
      position: absolute;
      transform: translate(-50%, -50%);
    }
    :host ::ng-deep yo-acts-menu > button {
      width: 24px;
      height: 24px;
      min-width: 0;
      padding: 0;
      line-height: 20px;
      font-size: 14px;
      background: #fff !important;
      color: #1a1a1a;
      border: 1px solid #1a1a1a;
    }
    :host-context(.paper:not(:hover):not(:focus-within)) yo-acts-menu {
      opacity: 0;
    }
  `,
})
export class BlockGaps {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #frames = inject(Frames);
  readonly #section = this.#store.selectSignal(deskFeature.selectSection);
  readonly page = input.required<string>();
  readonly document = input.required<Document>();
  readonly scale = input.required<number>();

  readonly #address = computed((): readonly string[] | undefined => {
    const [site, id] = [this.#editor.current(), this.#section()];
    const page = site?.pages[this.page()];
    if (!site || !page || id === null) return undefined;
    if (id === 'header' ? page.header === undefined : id !== 'footer' && !page.sections[id]) return undefined;
    return sectionAddress(site, page.id, id);
  });
  /** The site as far as it decides which kinds of block it can have: an edit of words or a section is none of that. */
  readonly #able = computed(() => this.#editor.current(), {
    equal: (site, other) =>
      site?.brand === other?.brand &&
      site?.assets === other?.assets &&
      site?.downloads === other?.downloads &&
      site?.collections === other?.collections &&
      site?.shared.logo === other?.shared.logo,
  });
  protected readonly kinds = computed(() => {
    const site = this.#able();
    return site ? blockKinds(site).map(({ kind, label }) => ({ id: kind, label })) : [];
  });
  protected readonly gaps = computed((): Gap[] => {
    // Where they stand is asked once the page is painted and laid out, not as soon as there is an edit.
    this.#frames.version();
    this.#section();
    this.page();
    const [site, address] = untracked(() => [this.#editor.current(), this.#address()] as const);
    const section = site && address ? (valueAt(site, address) as Section | undefined) : undefined;
    const scale = this.scale();
    const columns = section
      ? [...this.document().querySelectorAll(`[data-part="${this.#section()!}"] > .cols > .col`)]
      : [];
    return columns.flatMap((element, i): Gap[] => {
      const column = section!.columnOrder[i];
      const order = column === undefined ? [] : section!.columns[column]!.order;
      const children = [...element.children];
      // A block that shows nothing has no element: then it cannot be told which is which.
      if (column === undefined || children.length !== order.length) return [];
      const rects = children.map((child) => child.getBoundingClientRect());
      const { left } = element.getBoundingClientRect();
      let last = -Infinity;
      return [null, ...order].map((after, at): Gap => {
        const [above, below] = [rects[at - 1], rects[at]];
        const y =
          above && below
            ? (above.bottom + below.top) / 2
            : above
              ? above.bottom + 8
              : (below?.top ?? element.getBoundingClientRect().top) - 8;
        // Small pages have less room between two blocks than a finger needs.
        last = Math.max(y * scale, last + APART);
        const label = after === null ? '' : (kindOf(section!.blocks[after]!)?.label ?? 'block').toLowerCase();
        return {
          key: `${column} ${after ?? ''}`,
          column,
          after,
          where: after === null ? 'first' : `after the ${label}`,
          x: Math.max(13, left * scale - 15),
          y: last,
        };
      });
    });
  });

  protected add({ column, after }: Gap, kind: string): void {
    const id = freshId('x');
    const address = this.#address();
    if (!address) return;
    this.#editor.commit((site) => addBlockAt(site, address, column, after, kind, id));
    this.#store.dispatch(DeskActions.choose({ choice: { place: null } }));
  }
}
