import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { Store } from '@ngrx/store';
import {
  ICON_SIDES,
  LOGO_RATIO,
  cssColor,
  cutDownText,
  formOn,
  groundColor,
  groundExtent,
  iconBox,
  logoContrast,
  paintedForm,
  rolePath,
  tokenTable,
} from '@yohaku/core';
import { DeskActions, Editor, deskFeature, pictureAddress } from '../../state/index.ts';
import { ACTS, VerdictRule } from '../../ui/index.ts';

/** Backgrounds of our own drawing of a browser's frame: a tab in front, the strip behind it, and its words. */
const CHROMES = [
  { name: 'pale', front: '#ffffff', strip: '#dedede', ink: '#1a1a1a' },
  { name: 'dark', front: '#3a3a3a', strip: '#1c1c1c', ink: '#f2f2f2' },
] as const;

/** The logo on every ground, at its smallest, with its clear space, and as the site's icon at real size. */
@Component({
  selector: 'yo-logo-wall',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, NgTemplateOutlet, VerdictRule],
  templateUrl: './logo-wall.html',
  styleUrl: './logo-wall.less',
})
export class LogoWall {
  readonly #store = inject(Store);
  readonly #site = inject(Editor).shown;
  protected readonly selected = this.#store.selectSignal(deskFeature.selectGround);
  protected readonly needed = LOGO_RATIO;
  protected readonly chromes = CHROMES;

  protected readonly tiles = computed(() => {
    const site = this.#site();
    return site?.shared.logo
      ? site.brand.groundOrder.flatMap((id) => {
          const form = formOn(site, id);
          if (!form) return [];
          const { ratio, seen } = logoContrast(paintedForm(site, form), ...groundExtent(site.brand, id));
          return [
            {
              id,
              label: site.brand.grounds[id]!.label,
              background:
                tokenTable(site.brand).get(rolePath(site.brand, site.brand.grounds[id]!, 'wash'))?.css ??
                cssColor(groundColor(site.brand, id)),
              form: form.label,
              source: pictureAddress(site, site.assets[form.asset]!),
              ratio,
              seen: `${cutDownText(seen * 100, 0)} %`,
            },
          ];
        })
      : [];
  });
  protected readonly title = computed(() => this.#site()?.name ?? '');
  protected readonly sizes = computed(() => {
    const site = this.#site();
    const sizes = site?.brand.logo;
    const form = site && formOn(site, site.shared.header.ground);
    if (!site || !sizes || !form) return undefined;
    const asset = site.assets[form.asset]!;
    return {
      background: cssColor(groundColor(site.brand, site.shared.header.ground)),
      source: pictureAddress(site, site.assets[form.asset]!),
      width: sizes.width,
      height: Math.round((sizes.width * asset.height) / asset.width),
      clear: Math.round(sizes.width * sizes.clear),
      smallest: sizes.smallest,
      smallHeight: Math.round((sizes.smallest * asset.height) / asset.width),
      smallClear: Math.round(sizes.smallest * sizes.clear),
    };
  });
  protected readonly icons = computed(() => {
    const site = this.#site();
    const icon = site?.shared.logo?.icon;
    if (!site || !icon) return [];
    const form = site.shared.logo!.forms[icon.form]!;
    const asset = site.assets[form.asset]!;
    return ICON_SIDES.map((side) => ({
      side,
      source: pictureAddress(site, site.assets[form.asset]!),
      box: iconBox(side, icon.margin, asset),
      background: icon.ground === null ? 'transparent' : cssColor(groundColor(site.brand, icon.ground)),
    }));
  });

  protected take(ground: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { ground } }));
  }
}
