import { ChangeDetectionStrategy, Component, ViewEncapsulation, computed, input } from '@angular/core';
import plus from 'lucide/dist/esm/icons/plus.mjs';
import minus from 'lucide/dist/esm/icons/minus.mjs';
import copy from 'lucide/dist/esm/icons/copy.mjs';
import trash from 'lucide/dist/esm/icons/trash-2.mjs';
import lock from 'lucide/dist/esm/icons/lock.mjs';
import unlock from 'lucide/dist/esm/icons/lock-open.mjs';
import eye from 'lucide/dist/esm/icons/eye.mjs';
import undo from 'lucide/dist/esm/icons/undo-2.mjs';
import redo from 'lucide/dist/esm/icons/redo-2.mjs';
import search from 'lucide/dist/esm/icons/search.mjs';
import close from 'lucide/dist/esm/icons/x.mjs';
import up from 'lucide/dist/esm/icons/arrow-up.mjs';
import down from 'lucide/dist/esm/icons/arrow-down.mjs';
import open from 'lucide/dist/esm/icons/external-link.mjs';
import exported from 'lucide/dist/esm/icons/download.mjs';
import file from 'lucide/dist/esm/icons/upload.mjs';
import fix from 'lucide/dist/esm/icons/wrench.mjs';
import play from 'lucide/dist/esm/icons/play.mjs';
import pencil from 'lucide/dist/esm/icons/pencil.mjs';
import more from 'lucide/dist/esm/icons/chevron-down.mjs';
import inwards from 'lucide/dist/esm/icons/list-indent-increase.mjs';
import outwards from 'lucide/dist/esm/icons/list-indent-decrease.mjs';
import grip from 'lucide/dist/esm/icons/grip-vertical.mjs';
import less from 'lucide/dist/esm/icons/chevron-up.mjs';

const SHAPES = {
  plus,
  minus,
  copy,
  trash,
  lock,
  unlock,
  eye,
  undo,
  redo,
  search,
  close,
  up,
  down,
  open,
  export: exported,
  file,
  fix,
  play,
  pencil,
  more,
  less,
  inwards,
  outwards,
  grip,
};
/** The signs of frequent acts; a word stands beside each, but for those that stand in a row of things alike. */
export type Icon = keyof typeof SHAPES;
export const ICONS = Object.keys(SHAPES) as readonly Icon[];

/** An icon of Lucide, 14 px, in the colour of the words beside it. It says nothing by itself. */
@Component({
  selector: 'yo-icon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  encapsulation: ViewEncapsulation.None,
  template: `<svg
    viewBox="0 0 24 24"
    width="14"
    height="14"
    fill="none"
    stroke="currentColor"
    stroke-width="2"
    stroke-linecap="round"
    stroke-linejoin="round"
    aria-hidden="true"
  >
    @for (shape of shapes(); track $index) {
      @switch (shape[0]) {
        @case ('path') {
          <svg:path [attr.d]="shape[1]['d']" />
        }
        @case ('line') {
          <svg:line
            [attr.x1]="shape[1]['x1']"
            [attr.x2]="shape[1]['x2']"
            [attr.y1]="shape[1]['y1']"
            [attr.y2]="shape[1]['y2']"
          />
        }
        @case ('circle') {
          <svg:circle [attr.cx]="shape[1]['cx']" [attr.cy]="shape[1]['cy']" [attr.r]="shape[1]['r']" />
        }
        @case ('rect') {
          <svg:rect
            [attr.x]="shape[1]['x']"
            [attr.y]="shape[1]['y']"
            [attr.width]="shape[1]['width']"
            [attr.height]="shape[1]['height']"
            [attr.rx]="shape[1]['rx']"
          />
        }
      }
    }
  </svg>`,
  styles: `
    yo-icon {
      display: inline-flex;
      flex: none;
    }
  `,
})
export class IconSign {
  readonly name = input.required<Icon>();
  protected readonly shapes = computed(
    (): readonly (readonly [string, Readonly<Record<string, string | number>>])[] => SHAPES[this.name()],
  );
}
