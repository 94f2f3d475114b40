import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, input, output } from '@angular/core';
import { cutDownText } from '@yohaku/core';
import { lateChart } from '../../ui/index.ts';
import type { CostCurve as Curve } from './cost-chart.ts';

/** The curve of cost against the number kept; the chart is fetched when it is first shown. */
@Component({
  selector: 'yo-cost-curve',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '',
  styles: ':host { display: block; height: 150px; cursor: pointer; }',
  host: { role: 'img', '[attr.aria-label]': 'words()' },
})
export class CostCurve {
  readonly curve = input.required<Curve>();
  readonly wanted = output<number>();
  protected readonly words = computed(() => {
    const { costs, bestTradeOff, kept, cost } = this.curve();
    return `Colour difference by palette size: ${kept}: ${cutDownText(cost, 1)}; the suggested size is ${bestTradeOff} of ${costs.length}`;
  });
  readonly #element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly #chart = lateChart<[Curve]>(async () => {
    const { drawCosts } = await import('./cost-chart.ts');
    return () => drawCosts(this.#element, (count) => this.wanted.emit(count));
  });

  constructor() {
    effect(() => this.#chart()?.show(this.curve()));
  }
}
