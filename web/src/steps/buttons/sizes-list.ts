import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { addSize, buttonUses, plural, removeButtonPart } from '@yohaku/core';
import { Editor, NAME_ONLY, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS, NumberField, TextField, nameProblem, type ChoiceOption } from '../../ui/index.ts';

/** The sizes of buttons with their paddings. */
@Component({
  selector: 'yo-sizes-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, NumberField, TextField, Reaching],
  template: `
    <p class="bar">
      <span class="head">Button sizes, px</span
      ><button yo-act slight icon="plus" [yoReaching]="newOnly" aria-label="New button size" (click)="add()">
        New
      </button>
    </p>
    @for (size of sizes(); track size.id) {
      <div class="row foot">
        <yo-text
          [label]="'Name of size ' + size.label"
          [hideLabel]="true"
          [yoReaching]="nameOnly"
          [value]="size.label"
          width="120px"
          [check]="checkName"
          (done)="rename(size.id, $event)"
        />
        <yo-number
          label="Horizontal"
          [value]="size.padX"
          range="space"
          [digits]="0"
          [width]="48"
          (held)="pad(size.id, 'padX', $event, 'preview')"
          (done)="pad(size.id, 'padX', $event, 'commit')"
          [yoReaching]="'button.' + size.path + '.pad-x'"
        />
        <yo-number
          label="Vertical"
          [value]="size.padY"
          range="space"
          [digits]="0"
          [width]="48"
          (held)="pad(size.id, 'padY', $event, 'preview')"
          (done)="pad(size.id, 'padY', $event, 'commit')"
          [yoReaching]="'button.' + size.path + '.pad-y'"
        />
        @if (sizes().length > 1) {
          <yo-delete
            slight
            class="last"
            [yoReaching]="'button.' + size.path + '.pad-x'"
            [name]="'size ' + size.label"
            [words]="words(size.id)"
            [options]="words(size.id) ? replacements(size.id) : []"
            (done)="remove(size.id, $event || undefined)"
          />
        }
      </div>
    }
  `,
  styleUrl: './shape-panel.less',
})
export class SizesList {
  readonly #editor = inject(Editor);
  readonly #brand = computed(() => this.#editor.shown()?.brand);
  protected readonly sizes = computed(() => (this.#brand()?.sizeOrder ?? []).map((id) => this.#brand()!.sizes[id]!));
  /** Returns the sizes that can replace a deleted one. */
  protected replacements(id: string): ChoiceOption[] {
    return this.sizes()
      .filter((size) => size.id !== id)
      .map((size) => ({ value: size.id, label: size.label }));
  }
  /** Returns the loss if a size is deleted, in words. */
  protected words(id: string): string {
    const uses = buttonUses(this.#editor.current()!, 'size', id).length;
    return uses === 0 ? '' : `${plural(uses, 'button')} ${uses === 1 ? 'has' : 'have'} this size.`;
  }
  protected readonly nameOnly = NAME_ONLY;
  protected readonly checkName = nameProblem('A size');
  protected readonly newOnly: Scope = { words: 'No button has this size yet; no place changes' };

  protected rename(id: string, label: string): void {
    this.#editor.set(`Name of ${this.#brand()!.sizes[id]!.label}`, ['brand', 'sizes', id, 'label'], label);
  }
  protected add(): void {
    this.#editor.commit((site) => addSize(site, site.brand.sizeOrder.at(-1)!, freshId('size')));
  }
  protected pad(size: string, side: 'padX' | 'padY', value: number, phase: 'preview' | 'commit'): void {
    this.#editor.set(
      `${this.#brand()!.sizes[size]!.label} button padding`,
      ['brand', 'sizes', size, side],
      value,
      phase,
    );
  }
  protected remove(id: string, replacement?: string): void {
    this.#editor.commit((site) => removeButtonPart(site, 'size', id, replacement));
  }
}
