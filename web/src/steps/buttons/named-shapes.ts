import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import {
  CORNER_USES,
  addCorner,
  addShadow,
  cornerCss,
  cornerText,
  cssColor,
  readCorner,
  readShadow,
  removeCorner,
  removeShadow,
  resolvedSwatches,
  setCorner,
  setOp,
} from '@yohaku/core';
import { Editor, NAME_ONLY, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS, Choice, NumberField, TextField, nameProblem } from '../../ui/index.ts';

/** The corners and shadows that the brand names, each drawn. */
@Component({
  selector: 'yo-named-shapes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, NumberField, TextField, Reaching],
  templateUrl: './named-shapes.html',
  styleUrl: './shape-panel.less',
})
export class NamedShapes {
  readonly #editor = inject(Editor);
  protected readonly brand = computed(() => this.#editor.shown()?.brand);
  protected readonly nameOnly = NAME_ONLY;
  protected readonly checkName = nameProblem('It');
  protected readonly corners = computed(() =>
    (this.brand()?.cornerList?.order ?? []).map((id) => {
      const brand = this.brand()!;
      const { label, path, value } = brand.cornerList!.items[id]!;
      return {
        id,
        label,
        path,
        text: cornerText(value),
        drawn: value.kind === 'share' ? `${value.share * 22}px` : cornerCss(value),
        uses: CORNER_USES.filter((use) => brand.corners[use] === id).length,
      };
    }),
  );
  protected readonly shadows = computed(() =>
    (this.brand()?.shadows?.order ?? []).map((id) => {
      const shadow = this.brand()!.shadows!.items[id]!;
      return {
        ...shadow,
        text: `${shadow.x} ${shadow.y} ${shadow.blur} ${shadow.spread}`,
        css: `${shadow.x}px ${shadow.y}px ${shadow.blur}px ${shadow.spread}px`,
        drawn: this.swatches().find((swatch) => swatch.value === shadow.color)?.color ?? '#000',
      };
    }),
  );
  protected readonly swatches = computed(() =>
    this.brand()
      ? resolvedSwatches(this.brand()!).map(({ swatch, rgb }) => ({
          value: swatch.id,
          label: swatch.label,
          color: cssColor(rgb),
        }))
      : [],
  );

  protected newCorner(): void {
    this.#editor.commit((site) => addCorner(site, freshId('corner')));
  }
  protected renameCorner(id: string, label: string): void {
    this.#editor.set('Name of a corner', ['brand', 'cornerList', 'items', id, 'label'], label);
  }
  protected setCorner(id: string, text: string): void {
    const value = readCorner(text);
    if (typeof value !== 'string') this.#editor.commit((site) => setCorner(site, id, value));
  }
  protected checkCorner(id: string): (text: string) => string {
    return (text) => {
      const value = readCorner(text);
      if (typeof value === 'string') return `${value} The old value is kept.`;
      const { card, picture } = this.brand()!.corners;
      return value.kind === 'share' && (card === id || picture === id)
        ? 'Percentages work only on single-line elements; cards and images use this corner. The old value is kept.'
        : '';
    };
  }
  protected dropCorner(id: string): void {
    this.#editor.commit((site) => removeCorner(site, id));
  }
  protected newShadow(): void {
    this.#editor.commit((site) => addShadow(site, freshId('shadow')));
  }
  protected checkShadow = (text: string): string => {
    const read = readShadow(text);
    return typeof read === 'string' ? `${read} The old value is kept.` : '';
  };
  protected setShadow(id: string, text: string): void {
    const read = readShadow(text);
    if (typeof read !== 'string')
      this.#editor.commit((site) => ({
        label: `Shadow ${site.brand.shadows!.items[id]!.label}`,
        ops: Object.entries(read).map(([field, value]) => setOp(site, ['brand', 'shadows', 'items', id, field], value)),
      }));
  }
  protected shadowField(
    id: string,
    field: 'label' | 'color' | 'alpha',
    value: string | number,
    phase: 'preview' | 'commit' = 'commit',
  ): void {
    this.#editor.set(
      `Shadow ${this.brand()!.shadows!.items[id]!.label}`,
      ['brand', 'shadows', 'items', id, field],
      value,
      phase,
    );
  }
  protected dropShadow(id: string): void {
    this.#editor.commit((site) => removeShadow(site, id));
  }
  protected readonly newOnly: Scope = { words: 'Not used yet; no place changes' };
}
