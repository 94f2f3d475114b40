import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import {
  plural,
  resizeStyles,
  round,
  setStyles,
  siteIndex,
  styleSizeAt,
  type RangeName,
  type SizeChange,
  type TextStyle,
} from '@yohaku/core';
import { Editor, Reaching, type Scope } from '../../state/index.ts';
import { ACTS, Choice, NumberField } from '../../ui/index.ts';

/** The fields that are set together. */
type Shared = 'weight' | 'letterSpacing' | 'lineHeight' | 'family';

/** Several text styles in hand: made larger or smaller together, each in its relation to the others; one undo step. */
@Component({
  selector: 'yo-selected-styles',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, NumberField, Reaching],
  template: `
    <p class="which">
      <span class="strong">{{ count(ids().length, 'style') }} selected together</span
      ><button yo-act slight (click)="released.emit()">Deselect</button>
    </p>
    @for (way of ways; track way.by) {
      <yo-number
        [yoReaching]="scope()"
        [label]="way.label"
        [value]="0"
        [range]="way.range"
        [digits]="1"
        [width]="64"
        (held)="change(way.by, $event, 'preview')"
        (done)="change(way.by, $event, 'commit')"
      />
    }
    <yo-number
      [yoReaching]="scope()"
      [label]="'Weight' + mixed('weight')"
      [value]="first().weight"
      range="fontWeight"
      [digits]="0"
      [width]="48"
      (held)="set('weight', $event, 'preview')"
      (done)="set('weight', $event, 'commit')"
    />
    <yo-number
      [yoReaching]="scope()"
      [label]="'Spacing, em' + mixed('letterSpacing')"
      [value]="first().letterSpacing"
      range="letterSpacing"
      [width]="52"
      (held)="set('letterSpacing', $event, 'preview')"
      (done)="set('letterSpacing', $event, 'commit')"
    />
    <yo-number
      [yoReaching]="scope()"
      [label]="'Line height' + mixed('lineHeight')"
      [value]="first().lineHeight"
      range="lineHeight"
      [width]="48"
      (held)="set('lineHeight', $event, 'preview')"
      (done)="set('lineHeight', $event, 'commit')"
    />
    <yo-choice
      [yoReaching]="scope()"
      label="Family"
      [value]="mixed('family') ? null : first().family"
      placeholder="mixed"
      [options]="families"
      [width]="92"
      (chosen)="set('family', $any($event), 'commit')"
    />
    <ul>
      @for (row of rows(); track row.label) {
        <li>
          <span>{{ row.label }}</span><span class="mono"
            >{{ row.large }} <span class="quiet">{{ row.small }}</span></span
          >
        </li>
      }
    </ul>
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 24px;
      border-top: 1px solid #d9d9d9;
      margin-top: 8px;
      padding-top: 4px;
      align-items: flex-start;
    }
    .which {
      display: flex;
      flex-direction: column;
      align-items: flex-start;
    }
    ul {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
      gap: 2px 24px;
      flex: 1 1 300px;
    }
    li {
      display: flex;
      justify-content: space-between;
      gap: 8px;
      border-bottom: 1px solid #d9d9d9;
    }
  `,
})
export class SelectedStyles {
  readonly #editor = inject(Editor);
  readonly ids = input.required<readonly string[]>();
  readonly released = output();
  protected readonly ways: readonly {
    readonly by: SizeChange['by'];
    readonly label: string;
    readonly range: RangeName;
  }[] = [
    { by: 'steps', label: 'By scale steps', range: 'bySteps' },
    { by: 'px', label: 'by px', range: 'byPx' },
    { by: 'percent', label: 'by %', range: 'byPercent' },
  ];
  protected readonly rows = computed(() => {
    const brand = this.#editor.shown()?.brand;
    return brand
      ? this.ids().flatMap((id) =>
          brand.styles[id]
            ? [
                {
                  label: brand.styles[id].label,
                  large: round(styleSizeAt(brand, brand.styles[id], 1280), 1),
                  small: round(styleSizeAt(brand, brand.styles[id], 390), 1),
                },
              ]
            : [],
        )
      : [];
  });
  protected readonly scope = computed((): Scope => {
    const site = this.#editor.current();
    const ids = new Set(this.ids());
    const reached = site
      ? siteIndex(site).groups.reduce((sum, group) => sum + (group.style && ids.has(group.style) ? group.count : 0), 0)
      : 0;
    return { words: `${plural(ids.size, 'style')} together: used in ${plural(reached, 'place')}` };
  });

  protected change(by: SizeChange['by'], amount: number, phase: 'preview' | 'commit'): void {
    if (amount === 0) return this.#editor.cancel();
    const ids = this.ids();
    this.#editor[phase]((site) => {
      // While a figure is being pulled, what cannot be is simply not shown.
      if (phase === 'commit') return resizeStyles(site, ids, { by, amount });
      try {
        return resizeStyles(site, ids, { by, amount });
      } catch {
        return undefined;
      }
    });
  }
  readonly #styles = computed((): readonly TextStyle[] =>
    this.ids().flatMap((id) => this.#editor.shown()?.brand.styles[id] ?? []),
  );
  protected readonly first = computed(
    () => this.#styles()[0] ?? { weight: 400, letterSpacing: 0, lineHeight: 1, family: 'body' as const },
  );
  protected readonly families = [
    { value: 'heading', label: 'heading' },
    { value: 'body', label: 'body' },
  ];
  /** True if they differ in a field, as its label says it. */
  protected mixed(field: Shared): string {
    return new Set(this.#styles().map((style) => style[field])).size > 1 ? ', mixed' : '';
  }
  protected set<F extends Shared>(field: F, value: TextStyle[F], phase: 'preview' | 'commit'): void {
    this.#editor[phase]((site) => setStyles(site, this.ids(), field, value));
  }
  protected readonly count = plural;
}
