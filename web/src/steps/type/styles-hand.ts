import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { plural, resizeStyles, round, siteIndex, styleSizeAt, type RangeName, type SizeChange } from '@yohaku/core';
import { Editor, Reaching, type Scope } from '../../state/index.ts';
import { NumberField } from '../../ui/index.ts';

/** Several text styles in hand: made larger or smaller together, each in its relation to the others; one undo step. */
@Component({
  selector: 'yo-styles-hand',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, Reaching],
  template: `
    <p class="which"><span class="strong">{{ count(ids().length, 'style') }} in hand together</span><button class="act" (click)="released.emit()">let go</button></p>
    @for (one of ways; track one.by) {
      <yo-number [yoReaching]="scope()" [label]="one.label" [value]="0" [range]="one.range" [digits]="1" [width]="64" (held)="change(one.by, $event, 'preview')" (done)="change(one.by, $event, 'commit')" />
    }
    <ul>@for (row of rows(); track row.label) { <li><span>{{ row.label }}</span><span class="mono">{{ row.large }} <span class="quiet">{{ row.small }}</span></span></li> }</ul>
  `,
  styles: `
    :host { display: flex; gap: 24px; border-top: 1px solid #d9d9d9; margin-top: 8px; padding-top: 4px; align-items: flex-start; }
    .which { display: flex; flex-direction: column; align-items: flex-start; }
    ul { display: grid; grid-template-columns: repeat(auto-fill, minmax(180px, 1fr)); gap: 2px 24px; flex: 1; } li { display: flex; justify-content: space-between; gap: 8px; border-bottom: 1px solid #d9d9d9; }
  `,
})
export class StylesHand {
  readonly #editor = inject(Editor);
  readonly ids = input.required<readonly string[]>();
  readonly released = output();
  protected readonly ways: readonly { readonly by: SizeChange['by']; readonly label: string; readonly range: RangeName }[] = [
    { by: 'steps', label: 'By steps of the scale', range: 'bySteps' }, { by: 'px', label: 'by px', range: 'byPx' }, { by: 'percent', label: 'by %', range: 'byPercent' },
  ];
  protected readonly rows = computed(() => {
    const brand = this.#editor.shown()?.brand;
    return brand ? this.ids().flatMap((id) => (brand.styles[id] ? [{ label: brand.styles[id].label, large: round(styleSizeAt(brand, brand.styles[id], 1280), 1), small: round(styleSizeAt(brand, brand.styles[id], 390), 1) }] : [])) : [];
  });
  protected readonly scope = computed((): Scope => {
    const site = this.#editor.current();
    const ids = new Set(this.ids());
    const reached = site ? siteIndex(site).groups.reduce((sum, group) => sum + (group.style && ids.has(group.style) ? group.count : 0), 0) : 0;
    return { words: `${plural(ids.size, 'style')} together reach ${plural(reached, 'place')}` };
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
  protected readonly count = plural;
}
