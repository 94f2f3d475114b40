import { ChangeDetectionStrategy, Component, computed, inject, input, output, viewChildren } from '@angular/core';
import { Reading } from '../../state/index.ts';
import { ACTS, meanToType } from '../../ui/index.ts';
import { PageFrame } from './page-frame.ts';
import { type FramePick } from './frame-pick.ts';

/** Of the look of a page: between its widths, and the line with its name, px. */
const BETWEEN = 6;
const NAME = 22;

/** A page as it hangs on the wall. */
export interface WallPage {
  readonly site: string;
  readonly id: string;
  readonly title: string;
  readonly nearness: number;
  /** How many of its places fail. */
  readonly failing: number;
  /** True if it has a frame at 1280, and at 390; else paper of its size. */
  readonly wide: boolean;
  readonly narrow: boolean;
  /** How tall that paper is, px of the page. */
  readonly tall: Paper;
  readonly grown: boolean;
  readonly third: number | null;
  readonly scale: number;
  readonly lit: ReadonlySet<string> | null;
  readonly outline: boolean;
}

/** How tall a page is, px, at 1280 and at 390. */
export interface Paper {
  readonly wide: number;
  readonly narrow: number;
}

/** One of the page's frames was pressed. */
export interface PairPick {
  readonly frame: PageFrame;
  readonly page: string;
  readonly pick: FramePick;
}

/**
 * A page at 1280 and 390 px, and at a third width where it is grown, under its name.
 * A component of its own, so that of a thousand only those are looked at that change.
 */
@Component({
  selector: 'figure[yo-page-pair]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, PageFrame],
  template: `
    @let it = page();
    <figcaption>
      <button
        yo-pick
        [class.strong]="it.grown"
        (click)="grow.emit(it.grown ? null : it.id)"
        [attr.aria-expanded]="it.grown"
      >
        {{ it.title }}
      </button>
      <span class="muted">
        @if (it.failing) {
          {{ it.failing }} failing
        }
      </span>
    </figcaption>
    <div class="papers" (click)="press($event)" (dblclick)="open($event)">
      @if (it.wide) {
        <yo-page-frame
          #at1280
          [siteId]="it.site"
          [page]="it.id"
          [width]="1280"
          [scale]="it.scale"
          [live]="it.grown"
          [nearness]="it.grown ? 0 : it.nearness"
          [lit]="it.lit"
          [outline]="it.outline"
          [title]="it.title + ' at 1280'"
          (picked)="tell(picked, at1280, $event)"
          (opened)="tell(opened, at1280, $event)"
        />
      } @else {
        <div class="paper" [style.width.px]="1280 * it.scale" [style.height.px]="it.tall.wide * it.scale"></div>
      }
      @if (it.narrow) {
        <yo-page-frame
          #at390
          [siteId]="it.site"
          [page]="it.id"
          [width]="390"
          [scale]="it.scale"
          [live]="it.grown"
          [nearness]="it.grown ? 0 : it.nearness + 0.5"
          [lit]="it.lit"
          [outline]="it.outline"
          [title]="it.title + ' at 390'"
          (picked)="tell(picked, at390, $event)"
          (opened)="tell(opened, at390, $event)"
        />
      } @else {
        <div class="paper" [style.width.px]="390 * it.scale" [style.height.px]="it.tall.narrow * it.scale"></div>
      }
      @if (it.grown) {
        @if (it.third; as width) {
          <yo-page-frame
            #other
            [siteId]="it.site"
            [page]="it.id"
            [width]="width"
            [scale]="it.scale"
            [live]="true"
            [nearness]="0.25"
            [lit]="it.lit"
            [outline]="it.outline"
            [title]="it.title + ' at ' + width"
            (picked)="tell(picked, other, $event)"
            (opened)="tell(opened, other, $event)"
          />
        }
      }
    </div>
  `,
  styleUrl: './page-pair.less',
  host: {
    '[class.still]': '!page().grown',
    '[style.width.px]': 'size()?.width',
    '[style.height.px]': 'size()?.height',
  },
})
export class PagePair {
  /** The same object as long as nothing of it is another: a thousand pages have one input each, and no more. */
  readonly page = input.required<WallPage>();
  /**
   * Its size in the overview, px, whatever it is filled with: a frame that comes or goes lays out nothing but its own
   * page.
   */
  protected readonly size = computed(() => {
    const { grown, scale, tall } = this.page();
    return grown
      ? null
      : { width: (1280 + 390) * scale + BETWEEN, height: NAME + Math.max(tall.wide, tall.narrow) * scale };
  });
  /** This page shall be grown, or (null) none. */
  readonly grow = output<string | null>();
  readonly picked = output<PairPick>();
  readonly opened = output<PairPick>();

  readonly #reading = inject(Reading).only;
  protected readonly frames = viewChildren(PageFrame);
  /** Picks the place under the pointer in the overview. A grown page takes its presses itself. */
  protected press(event: MouseEvent): void {
    if (this.page().grown) return;
    // A window that is only for reading has nothing to select.
    if (this.#reading()) return this.grow.emit(this.page().id);
    const under = this.#under(event);
    if (under) this.picked.emit(under);
  }
  /** Opens the words under the pointer, or enlarges the page where there is no place. */
  protected open(event: MouseEvent): void {
    if (this.page().grown) return;
    meanToType();
    const under = this.#under(event);
    if (under) this.opened.emit(under);
    else this.grow.emit(this.page().id);
  }
  #under(event: MouseEvent): PairPick | undefined {
    const frame = this.frames().find(({ element }) => element.contains(event.target as Node));
    const pick = frame?.under(event);
    return frame && pick && { frame, page: this.page().id, pick };
  }

  protected tell(out: { emit(pick: PairPick): void }, frame: PageFrame, pick: FramePick): void {
    out.emit({ frame, page: this.page().id, pick });
  }
}
