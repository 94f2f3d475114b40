import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { BANDS, addSpace, inheritsFrom, plural, removeSpace, setSpaceAt, spaceUses, type BandId } from '@yohaku/core';
import { Editor, NAME_ONLY, Reaching, freshId, type Scope } from '../../state/index.ts';
import { HeirAsk, NumberField, TextField, nameProblem } from '../../ui/index.ts';

/** Paddings of sections by width, each with its own or that of the wider one. */
@Component({
  selector: 'yo-space-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [HeirAsk, NumberField, TextField, Reaching],
  templateUrl: './space-panel.html',
  styleUrl: './shape-panel.less',
})
export class SpacePanel {
  readonly #editor = inject(Editor);
  readonly #site = this.#editor.shown;
  protected readonly brand = computed(() => this.#site()?.brand);
  protected readonly bands: readonly BandId[] = BANDS.map((band) => band.id);
  protected readonly spaces = computed(() => {
    const brand = this.brand();
    return (brand?.spaceOrder ?? []).map((id) => {
      const space = brand!.spaces[id]!;
      return { ...space, section: space.use === 'section', cells: this.bands.map((band) => ({ band, px: space.values[band], from: inheritsFrom(space, band), path: `space.${space.path}.${band}` })) };
    });
  });
  /** What is about to be deleted and still used. */
  protected readonly leaving = signal<{ id: string; label: string; words: string } | null>(null);
  protected readonly heirs = computed(() => this.spaces().filter((one) => one.section && one.id !== this.leaving()?.id).map((one) => ({ value: one.id, label: one.label })));
  protected readonly nameOnly = NAME_ONLY;
  protected readonly checkName = nameProblem('A padding');
  protected readonly newOnly: Scope = { words: 'A padding that no section has yet; no place changes' };

  protected set(id: string, band: BandId, px: number | null, phase: 'preview' | 'commit' = 'commit'): void {
    this.#editor[phase]((site) => setSpaceAt(site, id, band, px));
  }
  /** Gives a width its own padding again, beginning with the one it takes now. */
  protected own(id: string, band: BandId): void {
    const { values } = this.brand()!.spaces[id]!;
    this.set(id, band, values[band] ?? values.tablet ?? values.desktop);
  }
  protected rename(id: string, label: string): void {
    this.#editor.set(`Name of ${this.brand()!.spaces[id]!.label}`, ['brand', 'spaces', id, 'label'], label);
  }
  protected add(): void {
    const like = this.spaces().filter((one) => one.section).at(-1)!.id;
    this.#editor.commit((site) => addSpace(site, like, freshId('space')));
  }
  /** Deletes what no section has; asks what takes the place of what some have. */
  protected askDelete(id: string): void {
    const site = this.#site()!;
    const uses = spaceUses(site, id).length;
    if (uses === 0) return this.remove(id);
    this.leaving.set({ id, label: site.brand.spaces[id]!.label, words: `${plural(uses, 'section')} ${uses === 1 ? 'has' : 'have'} this padding.` });
  }
  protected remove(id: string, heir?: string): void {
    this.leaving.set(null);
    this.#editor.commit((site) => removeSpace(site, id, heir));
  }
}
