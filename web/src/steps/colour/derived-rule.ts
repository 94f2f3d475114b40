import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  contrastRatio,
  paintedRgb,
  round,
  ruleBetween,
  ruleOther,
  ruleWords,
  setRule,
  swatchColor,
  type DeriveRule,
} from '@yohaku/core';
import { Editor } from '../../state/index.ts';
import { ACTS, Choice, NumberField, type ChoiceOption } from '../../ui/index.ts';

type How = 'shift' | 'mix' | 'contrast' | 'over';

/** The derivation of a swatch: shifted, mixed with another, at a contrast on another, or overlaid on another. */
@Component({
  selector: 'yo-derived-rule',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Choice, NumberField],
  template: `
    <yo-choice
      label="Derived from"
      [value]="rule()?.source ?? ''"
      [options]="sources()"
      [width]="130"
      (chosen)="follow($event)"
    />
    @if (rule(); as rule) {
      <yo-choice label="Method" [value]="how()" [options]="hows" [width]="112" (chosen)="become($event)" />
      @switch (rule.kind) {
        @case ('mix') {
          <yo-choice
            label="With"
            [value]="rule.with"
            [options]="seconds()"
            [width]="120"
            (chosen)="take({ with: $event })"
          /><yo-number
            label="Amount, %"
            range="share"
            [factor]="100"
            [digits]="0"
            [value]="rule.share"
            [width]="56"
            (held)="hold({ share: $event })"
            (done)="take({ share: $event })"
          />
        }
        @case ('contrast') {
          <yo-choice
            label="On"
            [value]="rule.on"
            [options]="seconds()"
            [width]="120"
            (chosen)="take({ on: $event })"
          /><yo-number
            label="Contrast"
            range="ratio"
            [value]="rule.ratio"
            [width]="56"
            (held)="hold({ ratio: $event })"
            (done)="take({ ratio: $event })"
          />
        }
        @case ('over') {
          <yo-choice
            label="On"
            [value]="rule.on"
            [options]="seconds()"
            [width]="120"
            (chosen)="take({ on: $event })"
          /><yo-number
            label="Opacity, %"
            range="share"
            [factor]="100"
            [digits]="0"
            [value]="rule.alpha"
            [width]="56"
            (held)="hold({ alpha: $event })"
            (done)="take({ alpha: $event })"
          />
        }
        @default {
          <yo-number
            label="Lightness shift"
            range="lighter"
            [factor]="100"
            [digits]="1"
            [value]="rule.lightness"
            [width]="56"
            (held)="hold({ lightness: $event })"
            (done)="take({ lightness: $event })"
          />
          <yo-number
            label="Chroma, %"
            range="chromaShare"
            [factor]="100"
            [digits]="0"
            [value]="rule.chroma"
            [width]="56"
            (held)="hold({ chroma: $event })"
            (done)="take({ chroma: $event })"
          />
          <yo-number
            label="Hue shift, °"
            range="hueTurn"
            [digits]="1"
            [value]="rule.hue"
            [width]="56"
            (held)="hold({ hue: $event })"
            (done)="take({ hue: $event })"
          />
        }
      }
      @if (short(); as short) {
        <p class="note" role="status">{{ short }}</p>
      }
    }
    @if (former(); as former) {
      <button yo-act class="again" (click)="again()">Restore rule: {{ former }}</button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 12px;
    }
    .again {
      align-self: flex-end;
    }
    p {
      flex-basis: 100%;
      margin: 0;
    }
  `,
})
export class DerivedRule {
  readonly #editor = inject(Editor);
  readonly id = input.required<string>();
  /** The other swatches, to follow or to compare with. */
  readonly others = input.required<ChoiceOption[]>();
  readonly #swatch = computed(() => this.#editor.shown()?.brand.swatches[this.id()]);
  protected readonly rule = computed((): DeriveRule | null => this.#swatch()?.rule ?? null);
  protected readonly how = computed((): How => this.rule()?.kind ?? 'shift');
  protected readonly hows = [
    { value: 'shift', label: 'shift' },
    { value: 'mix', label: 'mix' },
    { value: 'contrast', label: 'contrast' },
    { value: 'over', label: 'overlay' },
  ];
  protected readonly sources = computed(() => [{ value: '', label: 'not derived' }, ...this.others()]);
  protected readonly seconds = computed(() => this.others().filter((other) => other.value !== this.rule()?.source));
  protected readonly former = computed(() => {
    const swatch = this.#swatch();
    const brand = this.#editor.shown()?.brand;
    return swatch && brand && !swatch.rule && swatch.formerRule
      ? ruleWords(swatch.formerRule, (id) => brand.swatches[id]?.label ?? 'a deleted swatch')
      : '';
  });
  /** Said where no lightness of the source reaches the contrast asked for. */
  protected readonly short = computed(() => {
    const rule = this.rule();
    const brand = this.#editor.shown()?.brand;
    const [oklch, on] = [
      brand && swatchColor(brand, this.id()),
      brand && rule?.kind === 'contrast' ? swatchColor(brand, rule.on) : undefined,
    ];
    if (!oklch || !on || rule?.kind !== 'contrast') return '';
    const found = contrastRatio(paintedRgb(oklch), paintedRgb(on));
    return found < rule.ratio - 0.005
      ? `No lightness reaches ${round(rule.ratio, 2)} on that swatch; the highest is ${round(found, 2)}.`
      : '';
  });

  protected follow(source: string): void {
    if (source === (this.rule()?.source ?? '')) return;
    this.#editor.commit((site) => {
      const now = swatchColor(site.brand, this.id())!;
      return setRule(
        site,
        this.id(),
        source === '' ? null : ruleBetween(source, swatchColor(site.brand, source)!, now),
      );
    });
  }
  /** Changes the way of following; what it is compared with stays where there was one. */
  protected become(how: string): void {
    const rule = this.rule();
    if (!rule || how === this.how()) return;
    this.#editor.commit((site) => {
      const { source } = rule;
      const other = ruleOther(rule) ?? this.seconds()[0]?.value ?? source;
      if (how === 'mix') return setRule(site, this.id(), { kind: 'mix', source, with: other, share: 0.5 });
      if (how === 'contrast') return setRule(site, this.id(), { kind: 'contrast', source, on: other, ratio: 4.5 });
      if (how === 'over') return setRule(site, this.id(), { kind: 'over', source, on: other, alpha: 0.1 });
      return setRule(
        site,
        this.id(),
        ruleBetween(source, swatchColor(site.brand, source)!, swatchColor(site.brand, this.id())!),
      );
    });
  }
  protected hold(part: object): void {
    this.#editor.preview((site) => setRule(site, this.id(), { ...site.brand.swatches[this.id()]!.rule!, ...part }));
  }
  protected take(part: object): void {
    this.#editor.commit((site) => setRule(site, this.id(), { ...site.brand.swatches[this.id()]!.rule!, ...part }));
  }
  protected again(): void {
    this.#editor.commit((site) => setRule(site, this.id(), site.brand.swatches[this.id()]!.formerRule!));
  }
}
