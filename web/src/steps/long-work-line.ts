import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { NzProgressComponent } from 'ng-zorro-antd/progress';
import { LongWork } from '../workers/index.ts';
import { ACTS } from '../ui/index.ts';

/** How far something is that takes long, and the way to stop it. */
@Component({
  selector: 'yo-long-work',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, NzProgressComponent],
  template: `<p class="note" role="status">{{ words() }}…</p>
    <nz-progress
      [nzPercent]="percent()"
      nzSize="small"
      [nzShowInfo]="false"
      nzStrokeColor="#1a1a1a"
      nzStrokeLinecap="square"
    /><button yo-act (click)="work.stop()">Stop</button>`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: auto 160px auto;
      gap: 14px;
      align-items: center;
      justify-content: start;
      min-height: 28px;
    }
  `,
})
export class LongWorkLine {
  protected readonly work = inject(LongWork);
  readonly words = input.required<string>();
  protected readonly percent = computed(() => Math.round((this.work.share() ?? 0) * 100));
}
