import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { beyondReach, cssColor, cutDownText, decideKin, deriveKin, kinOf, plural, type Kin, type KinWay, type Oklch } from '@yohaku/core';
import { Editor, Reaching, freshId, type Scope } from '../../state/index.ts';
import { ACTS } from '../../ui/index.ts';

/** Colours close to what a swatch was: each goes along, follows by rule, or is left; what is decided is remembered. */
@Component({
  selector: 'yo-kin-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Reaching],
  template: `
    <div class="head between"><span>Similar colours: close to what it was</span><span>ΔE, places</span></div>
    <ul aria-label="Similar colours">
      @for (kin of list(); track kin.key) {
        <li [class.quiet]="kin.decided === 'leave'">
          <i [style.background]="css(kin)" aria-hidden="true"></i><span class="name">{{ kin.label }}</span><span class="mono right">{{ cut(kin.deltaE, 2) }}</span><span class="mono right">{{ kin.places }}</span>
          @if (kin.locked) { <span class="ways quiet">locked</span> } @else {
            <span class="ways yo-joined" [yoReaching]="scope(kin)">
              <button yo-act slight [attr.aria-pressed]="kin.decided === 'along'" [attr.aria-label]="kin.label + ' goes along'" (click)="decide(kin, 'along')">along</button>
              <button yo-act slight [attr.aria-label]="kin.label + ' follows by a rule'" (click)="derive(kin)">derive</button>
              <button yo-act slight [attr.aria-pressed]="kin.decided === 'leave'" [attr.aria-label]="kin.label + ' is left'" (click)="decide(kin, 'leave')">leave</button>
            </span>
          }
        </li>
      } @empty { <li class="quiet">Nothing else is close to it.</li> }
    </ul>
    @if (beyond().length) {
      <p class="head">Out of reach: made of pixels</p>
      <ul aria-label="Out of reach">@for (one of beyond(); track one.asset) { <li><span></span><span class="name">{{ one.name }}</span><span class="mono right">{{ cut(one.share * 100, 0) }} %</span><span class="mono right">{{ one.places }}</span></li> }</ul>
    }
  `,
  styles: `
    :host { display: block; padding-bottom: 6px; }
    .between { display: flex; justify-content: space-between; border-bottom: 1px solid #d9d9d9; }
    li { display: grid; grid-template-columns: 20px minmax(0, 1fr) 36px 30px; gap: 0 8px; align-items: center; border-bottom: 1px solid #d9d9d9; padding: 2px 0; }
    i { width: 20px; height: 16px; outline: 1px solid #d9d9d9; outline-offset: -1px; }
    .name { overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
    .ways { grid-column: 2 / -1; }
  `,
})
export class KinList {
  readonly #editor = inject(Editor);
  readonly id = input.required<string>();
  /** The swatch's colour before it moved. */
  readonly from = input.required<Oklch>();
  protected readonly list = computed(() => {
    const site = this.#editor.current();
    return site?.brand.swatches[this.id()] ? kinOf(site, this.id(), this.from()) : [];
  });

  protected readonly beyond = computed(() => {
    const site = this.#editor.current();
    return site ? beyondReach(site, this.from()) : [];
  });

  protected decide(kin: Kin, way: KinWay): void {
    this.#editor.commit((site) => decideKin(site, this.id(), kin, way, this.from()));
  }
  protected derive(kin: Kin): void {
    this.#editor.commit((site) => deriveKin(site, this.id(), kin, this.from(), freshId('s')));
  }
  protected scope(kin: Kin): Scope {
    return { words: `${kin.label}: used in ${plural(kin.places, 'place')}` };
  }
  protected css = (kin: Kin): string => cssColor(kin.rgb);
  protected readonly cut = cutDownText;
}
