import { ChangeDetectionStrategy, Component, input, output, viewChildren } from '@angular/core';
import { ACTS } from '../ui/index.ts';
import { PageFrame, type FramePick } from './page-frame.ts';

/** A page as it hangs on the wall: its place in the order, and how many of its places fail. */
export interface WallPage {
  readonly id: string;
  /** Id of its element. */
  readonly hangs: string;
  readonly title: string;
  readonly nearness: number;
  readonly failing: number;
}

/** How tall the paper is that stands for a frame, px of the page, at 1280 and at 390. */
export interface Paper { readonly wide: number; readonly narrow: number }

/** One of the page's frames was pressed. */
export interface PairPick { readonly frame: PageFrame; readonly page: string; readonly pick: FramePick }

/**
 * A page at 1280 and 390 px, and at a third width where it is grown, under its name.
 * A component of its own, so that of a thousand only those are looked at that change.
 */
@Component({
  selector: 'figure[yo-page-pair]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, PageFrame],
  template: `
    <figcaption>
      <button yo-pick [class.strong]="grown()" (click)="grow.emit(grown() ? null : page().id)" [attr.aria-expanded]="grown()">{{ page().title }}</button>
      <span class="muted">@if (page().failing) { {{ page().failing }} failing }</span>
    </figcaption>
    <div class="sheets" (click)="grown() || grow.emit(page().id)">
      @if (wide()) {
        <yo-page-frame #at1280 [siteId]="siteId()" [page]="page().id" [width]="1280" [scale]="scale()" [live]="grown()" [nearness]="grown() ? 0 : page().nearness"
          [lit]="lit()" [outline]="outline()" [title]="page().title + ' at 1280'" (picked)="tell(picked, at1280, $event)" (opened)="tell(opened, at1280, $event)" />
      } @else { <div class="sheet" [style.width.px]="1280 * scale()" [style.height.px]="paper().wide * scale()"></div> }
      @if (narrow()) {
        <yo-page-frame #at390 [siteId]="siteId()" [page]="page().id" [width]="390" [scale]="scale()" [live]="grown()" [nearness]="grown() ? 0 : page().nearness + 0.5"
          [lit]="lit()" [outline]="outline()" [title]="page().title + ' at 390'" (picked)="tell(picked, at390, $event)" (opened)="tell(opened, at390, $event)" />
      } @else { <div class="sheet" [style.width.px]="390 * scale()" [style.height.px]="paper().narrow * scale()"></div> }
      @if (grown()) { @if (third(); as width) {
        <yo-page-frame #other [siteId]="siteId()" [page]="page().id" [width]="width" [scale]="scale()" [live]="true" [nearness]="0.25"
          [lit]="lit()" [outline]="outline()" [title]="page().title + ' at ' + width" (picked)="tell(picked, other, $event)" (opened)="tell(opened, other, $event)" />
      } }
    </div>
  `,
  styleUrl: './page-pair.less',
})
export class PagePair {
  readonly siteId = input.required<string>();
  readonly page = input.required<WallPage>();
  /** Whether it has a frame at 1280, and at 390; else paper of its size. */
  readonly wide = input.required<boolean>();
  readonly narrow = input.required<boolean>();
  readonly paper = input.required<Paper>();
  readonly grown = input.required<boolean>();
  readonly third = input.required<number | null>();
  readonly scale = input.required<number>();
  readonly lit = input.required<ReadonlySet<string> | null>();
  readonly outline = input.required<boolean>();
  /** This page shall be grown, or (null) none. */
  readonly grow = output<string | null>();
  readonly picked = output<PairPick>();
  readonly opened = output<PairPick>();
  readonly frames = viewChildren(PageFrame);

  protected tell(out: { emit(pick: PairPick): void }, frame: PageFrame, pick: FramePick): void {
    out.emit({ frame, page: this.page().id, pick });
  }
}
