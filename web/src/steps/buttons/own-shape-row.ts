import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { setVariantShape, shapeOfVariant, type OwnShape } from '@yohaku/core';
import { Editor, Reaching } from '../../state/index.ts';
import { Choice, NumberField, type ChoiceOption } from '../../ui/index.ts';
import { variantScope } from './variant-scope.ts';

const AS_ALL = 'as-all';
const OWN = 'own';
const NONE = 'none';
const ALL: ChoiceOption = { value: AS_ALL, label: 'same as buttons' };

/** The differences of the selected variants from all buttons: a corner, a border, a shadow. */
@Component({
  selector: 'yo-own-shape',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, NumberField, Reaching],
  template: `
    <yo-choice
      label="corner"
      [yoReaching]="scope()"
      [value]="corner().chosen"
      [placeholder]="corner().differ"
      [options]="corners()"
      [width]="120"
      (chosen)="setCorner($event)"
    />
    @if (corner().px !== null) {
      <yo-number
        label="px"
        [yoReaching]="scope()"
        [value]="corner().px!"
        range="corner"
        [digits]="1"
        [width]="40"
        (held)="put('corner', $event, 'preview')"
        (done)="put('corner', $event)"
      />
    }
    <yo-choice
      label="border width"
      [yoReaching]="scope()"
      [value]="edge().chosen"
      [placeholder]="edge().differ"
      [options]="edges"
      [width]="120"
      (chosen)="setEdge($event)"
    />
    @if (edge().px !== null) {
      <yo-number
        label="px"
        [yoReaching]="scope()"
        [value]="edge().px!"
        range="edge"
        [digits]="1"
        [width]="40"
        (held)="put('edge', $event, 'preview')"
        (done)="put('edge', $event)"
      />
    }
    @if (shadows().length > 2) {
      <yo-choice
        label="shadow"
        [yoReaching]="scope()"
        [value]="shadow().chosen"
        [placeholder]="shadow().differ"
        [options]="shadows()"
        [width]="120"
        (chosen)="setShadow($event)"
      />
    }
  `,
  styles: ':host { display: flex; gap: 4px 12px; align-items: flex-end; }',
})
export class OwnShapeRow {
  readonly #editor = inject(Editor);
  readonly #brand = computed(() => this.#editor.shown()!.brand);
  readonly variants = input.required<readonly string[]>();
  protected readonly corners = computed((): ChoiceOption[] => [
    ALL,
    { value: OWN, label: 'custom' },
    ...(this.#brand().cornerList?.order ?? []).map((id) => ({
      value: id,
      label: this.#brand().cornerList!.items[id]!.label,
    })),
  ]);
  protected readonly edges: readonly ChoiceOption[] = [ALL, { value: OWN, label: 'custom' }];
  protected readonly shadows = computed((): ChoiceOption[] => [
    ALL,
    { value: NONE, label: 'none' },
    ...(this.#brand().shadows?.order ?? []).map((id) => ({
      value: id,
      label: this.#brand().shadows!.items[id]!.label,
    })),
  ]);
  protected readonly corner = computed(() =>
    this.#of('corner', (value) => (typeof value === 'number' ? OWN : (value ?? AS_ALL))),
  );
  protected readonly edge = computed(() => this.#of('edge', (value) => (value === undefined ? AS_ALL : OWN)));
  protected readonly shadow = computed(() =>
    this.#of('shadow', (value) => (value === undefined ? AS_ALL : (value ?? NONE))),
  );
  protected readonly scope = computed(() => variantScope(this.#brand(), this.variants()));

  /** Returns the shared value of a part in the selected variants, or the number of different ones. */
  #of<P extends keyof OwnShape>(
    part: P,
    choiceOf: (value: OwnShape[P]) => string,
  ): { readonly chosen: string | null; readonly px: number | null; readonly differ: string } {
    const values = [...new Set(this.variants().map((id) => this.#brand().variants[id]?.shape?.[part]))];
    const [value] = values;
    const entry = values.length === 1;
    return {
      chosen: entry ? choiceOf(value as OwnShape[P]) : null,
      px: entry && typeof value === 'number' ? value : null,
      differ: entry ? '' : `${values.length} values`,
    };
  }
  protected setCorner(chosen: string): void {
    if (chosen !== OWN) return this.put('corner', chosen === AS_ALL ? undefined : chosen);
    const { corner } = shapeOfVariant(this.#brand(), this.variants()[0]!);
    this.put('corner', typeof corner === 'number' ? corner : corner.value.kind === 'px' ? corner.value.radii[0] : 8);
  }
  protected setEdge(chosen: string): void {
    this.put('edge', chosen === AS_ALL ? undefined : shapeOfVariant(this.#brand(), this.variants()[0]!).edge);
  }
  protected setShadow(chosen: string): void {
    this.put('shadow', chosen === AS_ALL ? undefined : chosen === NONE ? null : chosen);
  }
  protected put<P extends keyof OwnShape>(part: P, value: OwnShape[P], phase: 'preview' | 'commit' = 'commit'): void {
    this.#editor[phase]((site) => setVariantShape(site, this.variants(), part, value));
  }
}
