import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { BANDS, addSpace, inheritsFrom, plural, removeSpace, setSpaceAt, spaceUses, type BandId } from '@yohaku/core';
import { Editor, NAME_ONLY, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS, NumberField, TextField, nameProblem, type ChoiceOption } from '../../ui/index.ts';
import { Grid } from '../../ui/late/index.ts';

/** Paddings of sections by width, each with its own or that of the wider one. */
@Component({
  selector: 'yo-space-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Grid, NumberField, TextField, Reaching],
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
      const uses = spaceUses(this.#site()!, id).length;
      return {
        ...space,
        words: uses === 0 ? '' : `${plural(uses, 'section')} ${uses === 1 ? 'has' : 'have'} this padding.`,
        section: space.use === 'section',
        cells: this.bands.map((band) => ({
          band,
          px: space.values[band],
          from: inheritsFrom(space, band),
          path: `space.${space.path}.${band}`,
        })),
      };
    });
  });
  /** Returns the paddings that can replace a deleted one. */
  protected replacements(id: string): ChoiceOption[] {
    return this.spaces()
      .filter((space) => space.section && space.id !== id)
      .map((space) => ({ value: space.id, label: space.label }));
  }
  protected readonly nameOnly = NAME_ONLY;
  protected readonly checkName = nameProblem('A padding');
  protected readonly newOnly: Scope = { words: 'No section has this padding yet; no place changes' };

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
    const like = this.spaces()
      .filter((space) => space.section)
      .at(-1)!.id;
    this.#editor.commit((site) => addSpace(site, like, freshId('space')));
  }
  protected remove(id: string, replacement?: string): void {
    this.#editor.commit((site) => removeSpace(site, id, replacement));
  }
}
