import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, input, output, viewChild } from '@angular/core';
import { Store } from '@ngrx/store';
import { TOLD_APART, VISIONS, VISION_LABELS, apartPairs, cssColor, cutDownText, resolvedSwatches, swatchPath, type ApartPair, type Site } from '@yohaku/core';
import { deskFeature } from '../../state/index.ts';
import { lateChart } from '../../ui/index.ts';
import type { HueLine, HuePoint } from './hue-chart.ts';

/** Swatches by lightness and hue; the pairs that must be told apart are joined and judged for every way of seeing. */
@Component({
  selector: 'yo-told-apart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="between head"><span>Lightness up, hue across; joined: must be told apart</span><button class="act" (click)="closed.emit()">Contrast field</button></div>
    <div class="chart" #chart role="img" [attr.aria-label]="words()"></div>
    <table>
      <thead><tr class="head"><th scope="col">ΔE OK, at least {{ needed }}</th>@for (vision of visions; track vision) { <th scope="col" [class.strong]="vision === seen()">{{ labels[vision] }}</th> }</tr></thead>
      <tbody>
        @for (pair of pairs(); track pair.label) {
          <tr><th scope="row">{{ pair.label }} <span class="note">{{ pair.places }}{{ pair.besides ? ', ' + pair.besides : '' }}</span></th>
            @for (vision of visions; track vision) { <td class="mono" [class.strong]="pair.distances[vision] < needed" [class.short]="pair.distances[vision] < needed">{{ figure(pair.distances[vision]) }}</td> }</tr>
        } @empty { <tr><td [attr.colspan]="visions.length + 1" class="quiet">No two colours on the pages depend on being told apart.</td></tr> }
      </tbody>
    </table>
  `,
  styles: `
    :host { display: block; }
    .between { display: flex; justify-content: space-between; }
    .chart { height: 176px; }
    table { width: 100%; border-collapse: collapse; table-layout: fixed; } th:first-child { width: 196px; } .short { text-decoration: underline; text-underline-offset: 3px; } th, td { text-align: left; font-weight: 400; border-bottom: 1px solid #d9d9d9; padding: 1px 4px 1px 0; white-space: nowrap; font-size: 12px; }
    th[scope=row] { white-space: normal; line-height: 16px; }
  `,
})
export class ToldApart {
  readonly #store = inject(Store);
  readonly site = input.required<Site>();
  readonly closed = output();
  readonly #severity = this.#store.selectSignal(deskFeature.selectSeverity);
  protected readonly seen = this.#store.selectSignal(deskFeature.selectSeen);
  protected readonly chart = viewChild.required<ElementRef<HTMLElement>>('chart');
  protected readonly visions = VISIONS;
  protected readonly labels = { ...VISION_LABELS, full: 'full', grey: 'grey' };
  protected readonly needed = TOLD_APART;
  /** Nearest first: what needs looking at stands on top. */
  protected readonly pairs = computed(() => apartPairs(this.site(), this.#severity()).sort((one, other) => one.distances[one.worst] - other.distances[other.worst]));
  readonly #points = computed((): (HuePoint & { path: string })[] => resolvedSwatches(this.site().brand).map(({ swatch, oklch, rgb }) => ({ label: swatch.label, path: swatchPath(swatch), hue: oklch.h, lightness: oklch.l, css: cssColor(rgb), grey: oklch.c < 0.012 })));
  readonly #lines = computed((): HueLine[] => this.pairs().flatMap((pair) => {
    const index = (chain: readonly string[]) => this.#points().findIndex((point) => chain.includes(point.path));
    const [from, to] = [index(pair.one), index(pair.other)];
    return from >= 0 && to >= 0 && from !== to ? [{ from, to, near: nearest(pair) < TOLD_APART }] : [];
  }));
  protected readonly words = computed(() => `Swatches by hue and lightness; ${this.#lines().length} pairs must be told apart, the nearest at ΔE ${this.pairs()[0] ? cutDownText(nearest(this.pairs()[0]!), 3) : 'none'}`);
  protected figure = (distance: number): string => cutDownText(distance, 2);
  readonly #drawn = lateChart<[readonly HuePoint[], readonly HueLine[]]>(async () => {
    const { drawHues } = await import('./hue-chart.ts');
    return () => drawHues(this.chart().nativeElement);
  });

  constructor() {
    effect(() => this.#drawn()?.show(this.#points(), this.#lines()));
  }
}

const nearest = (pair: ApartPair): number => pair.distances[pair.worst];
