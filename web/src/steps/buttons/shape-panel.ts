import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  CORNER_USES,
  edgeWidth,
  namedCorner,
  plural,
  readCorner,
  setCornerOf,
  setCornerValue,
  setEdge,
  setRadius,
  setUnderline,
  shapeOfVariant,
  siteIndex,
  type CornerUse,
  type EdgeUse,
} from '@yohaku/core';
import { DeskActions, Editor, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS, More, Choice, NumberField, type ChoiceOption } from '../../ui/index.ts';
import { Slider, Grid } from '../../ui/late/index.ts';
import { variantScope } from './variant-scope.ts';

const OWN = '';
const LABELS: Record<EdgeUse, string> = {
  button: 'Buttons',
  card: 'Cards',
  picture: 'Images',
  field: 'Form fields',
  rule: 'Dividers',
};

/** Corners, edges and shadows of what has them. */
@Component({
  selector: 'yo-shape-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Slider, More, Grid, Choice, NumberField, Reaching],
  templateUrl: './shape-panel.html',
  styleUrl: './shape-panel.less',
})
export class ShapePanel {
  readonly #editor = inject(Editor);
  readonly #store = inject(Store);
  protected readonly brand = computed(() => this.#editor.shown()?.brand);
  protected readonly count = plural;
  protected readonly rows = computed(() => {
    const brand = this.brand();
    if (!brand) return [];
    return CORNER_USES.map((use) => {
      const named = namedCorner(brand, use);
      const value = brand.corners[use];
      return {
        use,
        label: LABELS[use],
        named: named ? named.id : OWN,
        radius: typeof value === 'number' ? value : null,
        edge: edgeWidth(brand, use),
        shadow: brand.shadows?.uses[use] ?? OWN,
        typed: this.#typedCorner(use),
      };
    });
  });
  protected readonly rule = computed(() => (this.brand() ? edgeWidth(this.brand()!, 'rule') : 1));
  protected readonly underline = computed(() => this.brand()!.underline);
  /** The radius that the slider shows: that of the buttons, or the first of their named corner. */
  protected readonly slider = computed(() => {
    const brand = this.brand()!;
    const named = namedCorner(brand, 'button');
    return named ? (named.value.kind === 'px' ? named.value.radii[0] : 40) : Number(brand.corners.button);
  });
  protected readonly shadowOptions = computed((): ChoiceOption[] => {
    const shadows = this.brand()?.shadows;
    return shadows
      ? [{ value: OWN, label: 'none' }, ...shadows.order.map((id) => ({ value: id, label: shadows.items[id]!.label }))]
      : [];
  });
  /** Places whose corner is set on them and does not follow. */
  protected readonly exceptions = computed(() => {
    const site = this.#editor.current();
    return site
      ? siteIndex(site)
          .groups.filter((group) => group.painting.overrides.some((override) => override.property === 'border-radius'))
          .flatMap((group) => group.places)
      : [];
  });
  /** Variants that are shaped otherwise than all buttons, with what they have of their own. */
  protected readonly otherwise = computed(() => {
    const brand = this.brand();
    return (brand?.variantOrder ?? []).flatMap((id) => {
      const { label, shape } = brand!.variants[id]!;
      if (!shape) return [];
      const { corner, edge, shadow } = shapeOfVariant(brand!, id);
      const words = [
        ...(shape.corner === undefined
          ? []
          : [typeof corner === 'number' ? `a corner of ${corner} px` : `the corner ${corner.label}`]),
        ...(shape.edge === undefined ? [] : [`a border of ${edge} px`]),
        ...(shape.shadow === undefined ? [] : [shadow ? `the shadow ${shadow.label}` : 'no shadow']),
      ];
      return [{ id, label, words: new Intl.ListFormat('en').format(words), scope: variantScope(brand!, [id]) }];
    });
  });
  #shown = -1;

  /** Returns the corners for a use: its own radius, and the named corners that fit. */
  protected cornersFor(use: CornerUse): ChoiceOption[] {
    const list = this.brand()?.cornerList;
    return [
      { value: OWN, label: 'custom' },
      ...(list?.order ?? [])
        .filter((id) => list!.items[id]!.value.kind === 'px' || use === 'button' || use === 'field')
        .map((id) => ({ value: id, label: list!.items[id]!.label })),
    ];
  }
  protected shape(use: CornerUse, to: string): void {
    this.#editor.commit((site) => {
      const named = namedCorner(site.brand, use);
      return setCornerOf(site, use, to === OWN ? (named?.value.kind === 'px' ? named.value.radii[0] : 8) : to);
    });
  }
  protected radius(use: CornerUse, px: number, phase: 'preview' | 'commit'): void {
    this.#editor[phase]((site) => setRadius(site, use, px));
  }
  /** Four radii, or a share of the height, typed where one radius stands: a named corner has them. */
  readonly #typedCorner =
    (use: CornerUse) =>
    (text: string): string | null => {
      if (!/[%\s]/.test(text.trim())) return null;
      const value = readCorner(text);
      if (typeof value === 'string') return value;
      if (value.kind === 'share' && use !== 'button' && use !== 'field')
        return `${LABELS[use]} are not single-line elements, so they cannot use a percentage.`;
      this.#editor.commit((site) => setCornerValue(site, use, value, freshId('corner')));
      return '';
    };
  protected slide(px: number, phase: 'preview' | 'commit'): void {
    this.radius('button', px, phase);
  }
  protected edge(use: EdgeUse, px: number, phase: 'preview' | 'commit'): void {
    this.#editor[phase]((site) => setEdge(site, use, px));
  }
  protected line(part: 'offset' | 'thickness', value: number | null, phase: 'preview' | 'commit'): void {
    this.#editor[phase]((site) => setUnderline(site, part, value));
  }
  protected cast(use: CornerUse, id: string): void {
    if (this.brand()?.shadows)
      this.#editor.set(
        `Shadow of ${LABELS[use].toLowerCase()}`,
        ['brand', 'shadows', 'uses', use],
        id === OWN ? null : id,
      );
  }
  protected asAll(variant: string): void {
    this.#editor.set(
      `Shape of ${this.brand()!.variants[variant]!.label} buttons`,
      ['brand', 'variants', variant, 'shape'],
      undefined,
    );
  }
  protected take(token: string): void {
    this.#store.dispatch(DeskActions.take({ token }));
  }
  /** Brings the next exception to the wall. */
  protected showNext(): void {
    const places = this.exceptions();
    const place = places[(this.#shown = (this.#shown + 1) % places.length)]!;
    this.#store.dispatch(DeskActions.grow({ page: place.page }));
    this.#store.dispatch(DeskActions.choose({ choice: { place: { page: place.page, id: place.id } } }));
  }
  protected readonly exceptionScope: Scope = { words: 'Shows a place with its own corner; no place changes' };
}
