import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { Editor, Reaching, deskFeature } from '../../state/index.ts';
import { ACTS } from '../../ui/index.ts';
import { FamiliesLine, type TypeView } from './families-line.ts';
import { FamilyShelf } from './family-shelf.ts';
import { PairingList } from './pairing-list.ts';
import { scaleScope } from './scale-scope.ts';
import { SelectedStyle } from './selected-style.ts';
import { SelectedStyles } from './selected-styles.ts';
import { StyleSubject } from './style-subject.ts';
import { TypeRow } from './type-row.ts';

/** The families above; below them the ladder of sizes with the styles in hand, or the shelf, or the pairings. */
@Component({
  selector: 'yo-type',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ACTS,
    Reaching,
    FamiliesLine,
    FamilyShelf,
    PairingList,
    SelectedStyle,
    SelectedStyles,
    StyleSubject,
    TypeRow,
  ],
  templateUrl: './type-step.html',
  styleUrl: './type-step.less',
})
export class TypeStep {
  readonly #editor = inject(Editor);
  readonly #chosen = inject(Store).selectSignal(deskFeature.selectStyle);
  protected readonly brand = computed(() => this.#editor.shown()?.brand);
  protected readonly view = signal<TypeView>('ladder');
  /** Styles taken together; empty while one alone is in hand. */
  protected readonly together = signal<ReadonlySet<string>>(new Set());
  protected readonly several = computed(() => [...this.together()].filter((id) => this.brand()?.styles[id]));
  protected readonly chosen = computed(() => {
    const brand = this.brand();
    const id = this.#chosen();
    return brand
      ? id && brand.styles[id]
        ? id
        : (brand.styleOrder.find((style) => brand.styles[style]!.provisional) ?? brand.styleOrder[0]!)
      : '';
  });

  protected readonly none: ReadonlySet<string> = new Set();
  protected snap(): void {
    const snapped = !this.brand()!.scale.snapped;
    this.#editor.set(
      snapped ? 'Whole pixels on' : 'Whole pixels off',
      ['brand', 'scale', 'snapped'],
      snapped || undefined,
    );
  }
  protected readonly scopes = computed(() => ({
    base: scaleScope(this.brand(), 'base'),
    ratio: scaleScope(this.brand(), 'ratio'),
  }));
}
