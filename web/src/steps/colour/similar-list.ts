import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  beyondReach,
  cssColor,
  cutDownText,
  decideSimilar,
  deriveSimilar,
  similarColors,
  plural,
  type PicturesShown,
  type SimilarColor,
  type SimilarWay,
  type Oklch,
} from '@yohaku/core';
import { Editor, Reaching, auditFeature, freshId, type Scope } from '../../state/index.ts';
import { ACTS } from '../../ui/index.ts';

/**
 * Colours close to what a swatch was: each moves together, follows by rule, or stays; what is decided is remembered.
 */
@Component({
  selector: 'yo-similar-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Reaching],
  template: `
    <div class="head between"><span>Colours similar to the old colour</span><span>ΔE, places</span></div>
    <ul aria-label="Similar colours">
      @for (similar of seen(); track similar.key) {
        <li [class.quiet]="similar.decided === 'leave'">
          <i [style.background]="css(similar)" aria-hidden="true"></i><span class="name">{{ similar.label }}</span
          ><span class="mono right">{{ cut(similar.deltaE, 2) }}</span
          ><span class="mono right">{{ similar.places }}</span>
          @if (similar.locked) {
            <span class="ways quiet">locked</span>
          } @else {
            <span class="ways yo-joined" [yoReaching]="scope(similar)">
              <button
                yo-act
                slight
                [attr.aria-pressed]="similar.decided === 'along'"
                [attr.aria-label]="similar.label + ' moves together'"
                (click)="decide(similar, 'along')"
              >
                Move together
              </button>
              <button yo-act slight [attr.aria-label]="similar.label + ' is derived'" (click)="derive(similar)">
                Make derived
              </button>
              <button
                yo-act
                slight
                [attr.aria-pressed]="similar.decided === 'leave'"
                [attr.aria-label]="similar.label + ' stays'"
                (click)="decide(similar, 'leave')"
              >
                Leave
              </button>
            </span>
          }
        </li>
      } @empty {
        <li class="quiet">No similar colours.</li>
      }
    </ul>
    @if (list().length > seen().length) {
      <p>
        <button yo-act icon="more" (click)="all.set(id())">Show {{ list().length - seen().length }} more</button>
      </p>
    }
    @if (beyond().length) {
      <p class="head">Out of reach (in images)</p>
      <ul aria-label="Out of reach">
        @for (source of beyond(); track source.asset) {
          <li>
            <span></span><span class="name">{{ source.name }}</span
            ><span class="mono right">{{ cut(source.share * 100, 0) }} %</span
            ><span class="mono right">{{ source.places }}</span>
          </li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: block;
      padding-bottom: 6px;
    }
    .between {
      display: flex;
      justify-content: space-between;
      border-bottom: 1px solid #d9d9d9;
    }
    li {
      display: grid;
      grid-template-columns: 20px minmax(0, 1fr) 36px 30px;
      gap: 0 8px;
      align-items: center;
      border-bottom: 1px solid #d9d9d9;
      padding: 2px 0;
    }
    i {
      width: 20px;
      height: 16px;
      outline: 1px solid #d9d9d9;
      outline-offset: -1px;
    }
    .name {
      line-height: 16px;
      overflow-wrap: anywhere;
    }
    .ways {
      grid-column: 2 / -1;
    }
  `,
})
export class SimilarList {
  readonly #editor = inject(Editor);
  readonly #report = inject(Store).selectSignal(auditFeature.selectReport);
  /**
   * Which pictures the pages show is told with the audit, where they are taken apart. While it is the same it stays.
   */
  readonly #shown = computed((): PicturesShown => this.#report()?.shown ?? NONE, { equal: sameCounts });
  readonly id = input.required<string>();
  /** The swatch's colour before it moved. */
  readonly from = input.required<Oklch>();
  protected readonly list = computed(() => {
    const site = this.#editor.current();
    return site?.brand.swatches[this.id()] ? similarColors(site, this.id(), this.from(), this.#shown()) : [];
  });

  /** For which swatch all are shown: at first the nearest are, and what has been decided. */
  protected readonly all = signal('');
  protected readonly seen = computed(() =>
    this.all() === this.id() ? this.list() : this.list().filter((entry, i) => i < NEAREST || entry.decided !== null),
  );

  protected readonly beyond = computed(() => {
    const site = this.#editor.current();
    return site ? beyondReach(site, this.from(), this.#shown()) : [];
  });

  protected decide(similar: SimilarColor, way: SimilarWay): void {
    this.#editor.commit((site) => decideSimilar(site, this.id(), similar, way, this.from()));
  }
  protected derive(similar: SimilarColor): void {
    this.#editor.commit((site) => deriveSimilar(site, this.id(), similar, this.from(), freshId('s')));
  }
  protected scope(similar: SimilarColor): Scope {
    return { words: `${similar.label}: used in ${plural(similar.places, 'place')}` };
  }
  protected css = (similar: SimilarColor): string => cssColor(similar.rgb);
  protected readonly cut = cutDownText;
}

/** So many are shown before somebody asks for all. */
const NEAREST = 40;

const NONE: PicturesShown = new Map();

const sameCounts = (entry: PicturesShown, other: PicturesShown): boolean =>
  entry.size === other.size && [...entry].every(([asset, count]) => other.get(asset) === count);
