import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { ICON_NAMES, setValue, valueAt, type Block, type ButtonItem, type Place } from '@yohaku/core';
import { Editor, Reaching, type Scope } from '../state/index.ts';
import { Choice } from '../ui/index.ts';

const ICONS = [{ value: '', label: 'none' }, ...ICON_NAMES.map((name) => ({ value: name as string, label: name as string }))];

/** What a button or a list is given where it stands: its variant and size, and the icon it carries. */
@Component({
  selector: 'yo-slip-item',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, Reaching],
  template: `
    @if (button(); as at) {
      <div class="picks" [yoReaching]="here()">
        <yo-choice label="Variant" [value]="at.item.variant" [options]="variants()" [width]="100" (chosen)="set('Variant', at.address, 'variant', $event)" />
        <yo-choice label="Size" [value]="at.item.size" [options]="sizes()" [width]="86" (chosen)="set('Size', at.address, 'size', $event)" />
        <yo-choice label="Icon" [value]="at.item.icon ?? ''" [options]="icons" [width]="69" (chosen)="set('Icon', at.address, 'icon', $event)" />
      </div>
    }
    @if (list(); as at) {
      <div class="picks" [yoReaching]="here()"><yo-choice label="Icon of the whole list" [value]="at.block.icon ?? ''" [options]="icons" [width]="112" (chosen)="set('Icon', at.address, 'icon', $event)" /></div>
    }
  `,
  styles: `.picks { display: flex; gap: 3px; padding: 4px 0 8px; }`,
})
export class SlipItem {
  readonly #editor = inject(Editor);
  readonly place = input.required<Place>();
  readonly here = input.required<Scope>();
  protected readonly icons = ICONS;

  protected readonly button = computed(() => {
    const site = this.#editor.shown();
    const address = this.place().item;
    const item = site && address && this.place().kind === 'button' ? (valueAt(site, address) as ButtonItem | undefined) : undefined;
    return address && item ? { address, item } : undefined;
  });
  /** The list whose item the place is; numbered ones carry their numbers. */
  protected readonly list = computed(() => {
    const site = this.#editor.shown();
    const address = this.place().words?.slice(0, -3);
    const block = site && address && this.place().words?.at(-1) === 'content' ? (valueAt(site, address) as Block | undefined) : undefined;
    return block?.kind === 'list' && !block.ordered && address ? { address, block } : undefined;
  });
  protected readonly variants = computed(() => {
    const brand = this.#editor.shown()?.brand;
    return brand ? brand.variantOrder.map((id) => ({ value: id, label: brand.variants[id]!.label })) : [];
  });
  protected readonly sizes = computed(() => {
    const brand = this.#editor.shown()?.brand;
    return brand ? brand.sizeOrder.map((id) => ({ value: id, label: brand.sizes[id]!.label })) : [];
  });

  protected set(what: string, address: readonly string[], field: string, value: string): void {
    this.#editor.commit((site) => setValue(site, `${what} of ${this.place().label}`, [...address, field], value || undefined));
  }
}
