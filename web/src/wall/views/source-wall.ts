import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { cutDownText, deltaERgb, resolvedSwatches } from '@yohaku/core';
import { Editor, SourcesActions, Tray, sourcesFeature, siteFeature } from '../../state/index.ts';
import { NumberField } from '../../ui/index.ts';
import { SourcePiece, type Sample } from './source-piece.ts';

/** The sources, hung in one row at one height; pointing into a picture reads the colour there. */
@Component({
  selector: 'yo-source-wall',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SourcePiece, NumberField],
  template: `
    <div class="row" tabindex="0" role="region" aria-label="Sources">
      @for (piece of sources(); track piece.id) {
        <figure>
          <figcaption>
            <span>{{ piece.name }}</span><span class="muted">{{ piece.facts }}</span>
          </figcaption>
          <yo-source-piece
            [siteId]="siteId()"
            [sources]="piece"
            [hand]="hand()"
            [radius]="radius()"
            (sampled)="sample.set($event)"
            (taken)="take($event, piece.name)"
          />
        </figure>
      }
    </div>
    <div class="bar">
      <yo-number
        label="Sampled radius, px"
        [value]="radius()"
        range="sampleRadius"
        [digits]="0"
        [width]="40"
        (done)="setRadius($event)"
      />
      <p class="reading" role="status">
        @if (reading(); as reading) {
          <span class="chip" [style.background]="reading.hex"></span><span class="mono">{{ reading.hex }}</span
          ><span>{{ reading.near }}; click to add it to the sources</span>
        } @else {
          <span class="muted">Point at an image to read a colour.</span>
        }
      </p>
    </div>
  `,
  styleUrl: './source-wall.less',
})
export class SourceWall {
  readonly #store = inject(Store);
  readonly #tray = inject(Tray);
  readonly #editor = inject(Editor);
  readonly #hand = this.#store.selectSignal(sourcesFeature.selectHand);
  protected readonly siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  protected readonly sources = this.#store.selectSignal(sourcesFeature.selectSources);
  protected readonly radius = this.#store.selectSignal(sourcesFeature.selectRadius);
  protected readonly sample = signal<Sample | null>(null);
  protected readonly hand = computed((): ReadonlySet<string> => new Set(this.#hand()));
  protected readonly reading = computed(() => {
    const sample = this.sample();
    const brand = this.#editor.current()?.brand;
    if (!sample || !brand) return undefined;
    const near = resolvedSwatches(brand)
      .map(({ swatch, rgb }) => ({ label: swatch.label, deltaE: deltaERgb(rgb, sample.rgb) }))
      .sort((entry, other) => entry.deltaE - other.deltaE)[0];
    return {
      hex: sample.hex,
      near: near ? `nearest is ${near.label}, ΔE ${cutDownText(near.deltaE, 3)}` : 'no swatch yet',
    };
  });

  protected setRadius(radius: number): void {
    this.#store.dispatch(SourcesActions.radius({ radius }));
  }
  protected take(sample: Sample, from: string): void {
    void this.#tray.addText(sample.hex, `${from}, picked`);
  }
}
