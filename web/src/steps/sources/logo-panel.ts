import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  LOGO_RATIO,
  cssColor,
  formOn,
  groundColor,
  groundExtent,
  logoContrast,
  paintedForm,
  removeLogoForm,
  setLogoOn,
  setValue,
  type RangeName,
} from '@yohaku/core';
import {
  DeskActions,
  Editor,
  NAME_ONLY,
  Reaching,
  deskFeature,
  pictureAddress,
  type Scope,
} from '../../state/index.ts';
import { ACTS, Choice, NumberField, TextField, VerdictRule, nameProblem } from '../../ui/index.ts';

/** The logo as it is set: its forms, which of them stands on which ground, its sizes, and the icon made from it. */
@Component({
  selector: 'yo-logo-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, NumberField, TextField, VerdictRule, Reaching],
  templateUrl: './logo-panel.html',
  styleUrl: './logo-panel.less',
  host: { role: 'group', 'aria-label': 'Logo' },
})
export class LogoPanel {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #shown = this.#editor.shown;
  protected readonly ground = this.#store.selectSignal(deskFeature.selectGround);
  protected readonly needed = LOGO_RATIO;
  protected readonly logo = computed(() => this.#shown()?.shared.logo);
  protected readonly sizes = computed(() => this.#shown()?.brand.logo);
  protected readonly forms = computed(() => {
    const site = this.#shown();
    const logo = site?.shared.logo;
    return site && logo
      ? logo.formOrder.map((id) => {
          const form = logo.forms[id]!;
          return {
            ...form,
            source: pictureAddress(site, site.assets[form.asset]!),
            on: site.brand.groundOrder.filter((ground) => formOn(site, ground)?.id === id).length,
          };
        })
      : [];
  });
  protected readonly grounds = computed(() => {
    const site = this.#shown();
    const logo = site?.shared.logo;
    return site && logo
      ? site.brand.groundOrder.map((id) => {
          const form = formOn(site, id)!;
          const background = groundColor(site.brand, id);
          const { ratio } = logoContrast(paintedForm(site, form), ...groundExtent(site.brand, id));
          return {
            id,
            label: site.brand.grounds[id]!.label,
            color: cssColor(background),
            set: logo.onGround[id] ?? '',
            shown: form.id,
            ratio,
          };
        })
      : [];
  });
  /** Colour below the variants of the icon; undefined for a transparent icon, which stands on light and dark. */
  protected readonly iconGround = computed(() => {
    const ground = this.logo()?.icon.ground;
    return this.grounds().find(({ id }) => id === ground)?.color;
  });
  protected readonly groundOptions = computed(() => [
    { value: '', label: 'transparent' },
    ...this.grounds().map(({ id, label, color }) => ({ value: id, label, color })),
  ]);
  protected readonly everywhere: Scope = { tokens: ['logo.width'], label: 'The logo' };
  protected readonly iconScope: Scope = {
    words: 'Browsers show the icon in tabs, bookmarks and on home screens; no place changes',
  };
  protected readonly nameOnly = NAME_ONLY;

  protected put(ground: string, form: string): void {
    this.#editor.commit((site) => setLogoOn(site, ground, form || undefined));
  }
  protected rename(id: string, label: string): void {
    this.#editor.set(`Rename logo variant`, ['shared', 'logo', 'forms', id, 'label'], label);
  }
  protected remove(id: string): void {
    this.#editor.commit((site) => removeLogoForm(site, id));
  }
  protected size(field: 'width' | 'smallest' | 'clear', value: number, phase: 'preview' | 'commit'): void {
    this.#editor.set(`Logo ${field === 'clear' ? 'clear space' : field}`, ['brand', 'logo', field], value, phase);
  }
  protected name(named: boolean): void {
    this.#editor.set(named ? 'The name beside the logo' : 'The logo alone', ['shared', 'logo', 'named'], named);
  }
  protected icon(
    field: 'form' | 'ground' | 'margin',
    value: string | number,
    phase: 'preview' | 'commit' = 'commit',
  ): void {
    this.#editor[phase]((site) =>
      setValue(
        site,
        'Icon of the site',
        ['shared', 'logo', 'icon', field],
        field === 'ground' && value === '' ? null : value,
      ),
    );
  }
  protected hand(ground: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { ground } }));
  }
  protected readonly checkName = nameProblem('A variant');
  protected readonly figures: readonly {
    readonly field: 'width' | 'smallest' | 'clear';
    readonly label: string;
    readonly range: RangeName;
    readonly factor: number;
  }[] = [
    { field: 'width', label: 'Width, px', range: 'logoWidth', factor: 1 },
    { field: 'smallest', label: 'Smallest, px', range: 'logoWidth', factor: 1 },
    { field: 'clear', label: 'Clear space, %', range: 'share', factor: 100 },
  ];
}
