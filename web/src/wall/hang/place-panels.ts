import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { WallViews, deskFeature, siteFeature } from '../../state/index.ts';
import { PageFrame, type Crop } from './page-frame.ts';
import { reachPanels, togetherPanels, type ReachPanel } from './panels.ts';

/** Crops of sections, px of the screen: colours are judged at 1280, sizes with the phone beside. */
const PANELS = {
  color: { width: 290, phone: 0, height: 150, scale: 0.5, most: 8 },
  size: { width: 382, phone: 218, height: 240, scale: 0.56, most: 6 },
} as const;

/** The sections that a token paints, or places that are compared, as crops; identical ones are shown once. */
@Component({
  selector: 'yo-place-panels',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PageFrame],
  template: `
    <div class="panels" tabindex="0" role="region" [attr.aria-label]="label()">
      @for (panel of shown(); track panel.key) {
        <figure [style.width.px]="size().width + (size().phone ? size().phone + 6 : 0)">
          <figcaption>
            <span>{{ panel.label }}</span>
            @if (panel.count > 1) {
              <span>×{{ panel.count }}</span>
            }
          </figcaption>
          <div class="papers">
            <yo-page-frame
              [siteId]="siteId()"
              [page]="panel.page"
              [width]="1280"
              [scale]="size().scale"
              [crop]="panel.wide"
              [nearness]="0"
              [title]="panel.label"
            />
            @if (panel.narrow; as narrow) {
              <yo-page-frame
                [siteId]="siteId()"
                [page]="panel.page"
                [width]="390"
                [scale]="size().scale"
                [crop]="narrow"
                [nearness]="0.5"
                [title]="panel.label + ' at 390'"
              />
            }
          </div>
        </figure>
      } @empty {
        <p class="empty">
          {{ views.selected()?.label }} is not used yet. Use it on a background to see its places here.
        </p>
      }
      @if (more() > 0) {
        <p class="empty">and {{ more() }} more kinds of place</p>
      }
    </div>
  `,
  styleUrl: './place-panels.less',
})
export class PlacePanels {
  readonly #store = inject(Store);
  protected readonly views = inject(WallViews);
  protected readonly siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  readonly #site = this.#store.selectSignal(siteFeature.selectCurrent);
  readonly #together = this.#store.selectSignal(deskFeature.selectTogether);

  protected readonly label = computed(() =>
    this.views.shown() === 'together'
      ? (this.#together()?.label ?? '')
      : `Places where ${this.views.selected()?.label ?? ''} is used`,
  );
  readonly #panels = computed((): ReachPanel[] => {
    const [site, token] = [this.#site(), this.views.selected()];
    if (site && this.views.shown() === 'together') return togetherPanels(site, this.#together()?.places ?? []);
    return site && token ? reachPanels(site, token.path) : [];
  });
  protected readonly size = computed(
    () => PANELS[this.views.shown() !== 'together' && this.views.selected()?.type === 'color' ? 'color' : 'size'],
  );
  protected readonly more = computed(() => Math.max(0, this.#panels().length - this.size().most));
  protected readonly shown = computed(() => {
    const { width, phone, height, most } = this.size();
    const crop = ({ part, place }: ReachPanel, across: number): Crop => ({ part, place, width: across, height });
    return this.#panels()
      .slice(0, most)
      .map((panel) => ({ ...panel, wide: crop(panel, width), narrow: phone ? crop(panel, phone) : null }));
  });
}
