import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Editor, Reaching } from '../../state/index.ts';
import { NumberField } from '../../ui/index.ts';
import { scaleScope } from './scale-scope.ts';

/** One end of the type scale: its text size, and the step by which the sizes grow. */
@Component({
  selector: 'yo-scale-end',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, Reaching],
  template: `
    @if (brand(); as brand) {
      <yo-number
        [yoReaching]="scopes().base"
        [label]="label() + ': text size'"
        [hideLabel]="true"
        [value]="brand.scale[end()].base"
        range="scaleBase"
        [digits]="1"
        [width]="40"
        (held)="set('base', $event, 'preview')"
        (done)="set('base', $event, 'commit')"
      />
      <span class="head" aria-hidden="true">×</span>
      <yo-number
        [yoReaching]="scopes().ratio"
        [label]="label() + ': step'"
        [hideLabel]="true"
        [value]="brand.scale[end()].ratio"
        range="scaleRatio"
        [digits]="3"
        [width]="48"
        (held)="set('ratio', $event, 'preview')"
        (done)="set('ratio', $event, 'commit')"
      />
    }
  `,
  styles: ':host { display: flex; gap: 4px; align-items: baseline; }',
})
export class ScaleEnd {
  readonly #editor = inject(Editor);
  readonly end = input.required<'large' | 'small'>();
  protected readonly brand = computed(() => this.#editor.shown()?.brand);
  protected readonly label = computed(() => (this.end() === 'large' ? 'Wide' : 'Phone'));
  protected readonly scopes = computed(() => ({
    base: scaleScope(this.brand(), 'base'),
    ratio: scaleScope(this.brand(), 'ratio'),
  }));

  protected set(field: 'base' | 'ratio', value: number, phase: 'preview' | 'commit'): void {
    const end = this.end();
    this.#editor.set(
      `Scale ${field} at ${this.brand()!.scale[end].width}`,
      ['brand', 'scale', end, field],
      value,
      phase,
    );
  }
}
