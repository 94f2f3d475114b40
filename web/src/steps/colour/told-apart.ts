import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  output,
  viewChild,
} from '@angular/core';
import { Store } from '@ngrx/store';
import {
  TOLD_APART,
  VISIONS,
  VISION_LABELS,
  apartPairs,
  cssColor,
  cutDownText,
  resolvedSwatches,
  setIsolated,
  swatchPath,
  type ApartPair,
  type Site,
} from '@yohaku/core';
import { Editor, Reaching, deskFeature, type Scope } from '../../state/index.ts';
import { ACTS, Choice, lateChart } from '../../ui/index.ts';
import { Grid } from '../../ui/late/index.ts';
import type { HueLine, HuePoint } from './hue-chart.ts';

/** Swatches by lightness and hue; the pairs that must be told apart are joined and judged for every way of seeing. */
@Component({
  selector: 'yo-told-apart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Grid, Choice, Reaching],
  template: `
    <div class="between head">
      <span>Lightness (up) by hue (across). Lines join colours that must differ.</span
      ><button yo-act slight (click)="closed.emit()">Contrast field</button>
    </div>
    <div class="chart" #chart role="img" [attr.aria-label]="words()"></div>
    @for (set of sets(); track set.id) {
      <div class="set" [yoReaching]="scope">
        <span class="head">{{ set.label }}</span>
        @for (swatch of set.swatches; track swatch.id) {
          <button
            yo-act
            slight
            [attr.aria-label]="'Remove ' + swatch.label + ' from the ' + set.label.toLowerCase()"
            (click)="put(set.id, swatch.id, false)"
          >
            <i [style.background]="swatch.css"></i>{{ swatch.label }} ×
          </button>
        }
        <yo-choice
          [label]="'Add to the ' + set.label.toLowerCase()"
          [hideLabel]="true"
          [value]="null"
          [options]="set.others"
          [width]="64"
          placeholder="add"
          (chosen)="put(set.id, $event, true)"
        />
      </div>
    }
    <yo-grid>
      <thead>
        <tr class="head">
          <th scope="col">ΔE OK, at least {{ needed }}</th>
          @for (vision of visions; track vision) {
            <th scope="col" [class.strong]="vision === seen()">{{ labels[vision] }}</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (pair of pairs(); track pair.label) {
          <tr>
            <th scope="row">
              {{ pair.label }}
              <span class="note">{{ pair.places || '' }}{{ pair.besides ? ', ' + pair.besides : '' }}</span>
            </th>
            @for (vision of visions; track vision) {
              <td
                class="mono"
                [class.strong]="pair.distances[vision] < needed"
                [class.short]="pair.distances[vision] < needed"
              >
                {{ figure(pair.distances[vision]) }}
              </td>
            }
          </tr>
        } @empty {
          <tr>
            <td [attr.colspan]="visions.length + 1" class="quiet">No two colours on the pages must differ.</td>
          </tr>
        }
      </tbody>
    </yo-grid>
  `,
  styles: `
    :host {
      display: block;
    }
    .between {
      display: flex;
      justify-content: space-between;
    }
    .chart {
      height: 166px;
    }
    th:first-child {
      width: 196px;
    }
    .short {
      text-decoration: underline;
      text-underline-offset: 3px;
    }
    th,
    td {
      white-space: nowrap;
      font-size: 12px;
    }
    th[scope='row'] {
      white-space: normal;
      line-height: 16px;
    }
    .set {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 12px;
      align-items: center;
      min-height: 28px;
    }
    .set i {
      display: inline-block;
      width: 12px;
      height: 12px;
      margin-right: 6px;
      vertical-align: -1px;
      outline: 1px solid #d9d9d9;
    }
  `,
})
export class ToldApart {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly site = input.required<Site>();
  readonly closed = output();
  readonly #severity = this.#store.selectSignal(deskFeature.selectSeverity);
  protected readonly seen = this.#store.selectSignal(deskFeature.selectSeen);
  protected readonly chart = viewChild.required<ElementRef<HTMLElement>>('chart');
  protected readonly visions = VISIONS;
  protected readonly labels = { ...VISION_LABELS, full: 'full', grey: 'grey' };
  protected readonly needed = TOLD_APART;
  /** Nearest first: what needs looking at stands on top. */
  protected readonly pairs = computed(() =>
    apartPairs(this.site(), this.#severity()).sort(
      (pair, other) => pair.distances[pair.worst] - other.distances[other.worst],
    ),
  );
  readonly #points = computed((): (HuePoint & { path: string })[] =>
    resolvedSwatches(this.site().brand).map(({ swatch, oklch, rgb }) => ({
      label: swatch.label,
      path: swatchPath(swatch),
      hue: oklch.h,
      lightness: oklch.l,
      css: cssColor(rgb),
      grey: oklch.c < 0.012,
    })),
  );
  readonly #lines = computed((): HueLine[] =>
    this.pairs().flatMap((pair) => {
      const index = (chain: readonly string[]) => this.#points().findIndex((point) => chain.includes(point.path));
      const [from, to] = [index(pair.first), index(pair.other)];
      return from >= 0 && to >= 0 && from !== to ? [{ from, to, near: nearest(pair) < TOLD_APART }] : [];
    }),
  );
  protected readonly words = computed(
    () =>
      `Swatches by hue and lightness; ${this.#lines().length} pairs must differ, the closest by ΔE ${this.pairs()[0] ? cutDownText(nearest(this.pairs()[0]!), 3) : 'none'}`,
  );
  /**
   * The sets of the brand beside the pages: status marks, each different from each; chart colours, each from its
   * neighbours.
   */
  protected readonly sets = computed(() => {
    const { brand } = this.site();
    const all = resolvedSwatches(brand).map(({ swatch, rgb }) => ({
      id: swatch.id,
      label: swatch.label,
      css: cssColor(rgb),
    }));
    return (
      [
        ['status', 'Status marks'],
        ['chart', 'Chart colours'],
      ] as const
    ).map(([id, label]) => {
      const ids = brand.apart?.[id] ?? [];
      return {
        id,
        label,
        swatches: ids.flatMap((name) => all.find((other) => other.id === name) ?? []),
        others: all
          .filter((entry) => !ids.includes(entry.id))
          .map((entry) => ({ value: entry.id, label: entry.label, color: entry.css })),
      };
    });
  });
  protected readonly scope: Scope = { words: 'Only this chart changes; no place changes' };
  protected put(set: 'status' | 'chart', swatch: string, among: boolean): void {
    this.#editor.commit((site) => setIsolated(site, set, swatch, among));
  }
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
