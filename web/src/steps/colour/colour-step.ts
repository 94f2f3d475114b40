import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  addSwatches,
  colorOf,
  composite,
  cssColor,
  hex,
  mapToSrgb,
  moveWithSimilar,
  nearestSwatch,
  pairsOn,
  oklchFigures,
  oklchText,
  paintedRgb,
  parseColor,
  placeCount,
  plural,
  proposeName,
  removeSwatch,
  resolvedSwatches,
  ruleWords,
  setValue,
  rolePath,
  swatchColor,
  swatchPath,
  swatchUses,
  tokenTable,
  tokenValue,
  type Oklch,
  type ParsedColor,
} from '@yohaku/core';
import {
  DeskActions,
  Editor,
  PaintedAreas,
  deskFeature,
  freshId,
  NAME_ONLY,
  Reaching,
  type Scope,
} from '../../state/index.ts';
import { ACTS, More, Subject, Choice, TextField, VerdictRule } from '../../ui/index.ts';
import { Slider } from '../../ui/late/index.ts';
import { DerivedRule } from './derived-rule.ts';
import { Harmonies } from './harmonies.ts';
import { SimilarList } from './similar-list.ts';
import { ToldApart } from './told-apart.ts';
import { ContrastField, type Against, type FieldPoint } from './contrast-field.ts';
import { sampleOn } from './sample-on.ts';
import { type PairRow, spotsOf, rateSpots } from './pair-rows.ts';

/** The palette by painted area, the contrast field of the swatch in hand, and where it must be read. */
@Component({
  selector: 'yo-colour',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    ACTS,
    More,
    Slider,
    Subject,
    ContrastField,
    DerivedRule,
    Harmonies,
    SimilarList,
    ToldApart,
    VerdictRule,
    TextField,
    Choice,
    Reaching,
  ],
  templateUrl: './colour-step.html',
  styleUrl: './colour-step.less',
})
export class ColourStep {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #areas = inject(PaintedAreas);
  readonly #chosen = this.#store.selectSignal(deskFeature.selectSwatch);
  protected readonly site = this.#editor.shown;
  protected readonly view = signal<'contrast' | 'hues' | 'harmonies'>('contrast');
  protected readonly copied = signal('');

  /** How much each swatch paints: read from what is done, so that a held control does not count everything anew. */
  readonly #amounts = computed(() => {
    const site = this.#editor.current();
    if (!site) return new Map<string, { places: number; weight: number }>();
    const area = this.#areas.byToken();
    return new Map(
      resolvedSwatches(site.brand).map(({ swatch }) => {
        const path = swatchPath(swatch);
        return [path, { places: placeCount(site, path), weight: area.get(path) ?? 0 }];
      }),
    );
  });
  protected readonly swatches = computed(() => {
    const site = this.site();
    if (!site) return [];
    const all = resolvedSwatches(site.brand);
    const amounts = this.#amounts();
    return all.map(({ swatch, oklch, rgb }) => {
      const source = swatch.rule ? site.brand.swatches[swatch.rule.source]?.label : undefined;
      const rule = swatch.rule ? ruleWords(swatch.rule, (id) => site.brand.swatches[id]?.label ?? id) : '';
      const path = swatchPath(swatch);
      return {
        id: swatch.id,
        label: swatch.label,
        path,
        oklch,
        rgb,
        css: cssColor(rgb),
        hex: hex(rgb),
        figures: oklchFigures(oklch).split(' '),
        source,
        rule,
        locked: swatch.locked,
        part: swatch.part,
        places: amounts.get(path)?.places ?? 0,
        weight: amounts.get(path)?.weight ?? 0,
        sample: sampleOn(rgb, all),
      };
    });
  });
  /** The places of the selected swatch, and how many of its uses fail. */
  protected readonly headline = computed(() => {
    const failing = this.pairs().filter((pair) => pair.found < pair.needed);
    const places = plural(this.chosen()?.places ?? 0, 'place');
    if (failing.length === 0) return places;
    return `${places}; ${plural(
      failing.reduce((sum, pair) => sum + pair.places, 0),
      'place',
    )} ${failing.length === 1 ? `(${failing[0]!.label})` : `of ${failing.length} uses`} ${failing.length === 1 && failing[0]!.places === 1 ? 'fails' : 'fail'}`;
  });
  /** The written colour of the selected swatch, if it is outside sRGB and is painted mapped. */
  protected readonly mapped = computed(() => {
    const swatch = this.site()?.brand.swatches[this.chosen()?.id ?? ''];
    const typed = swatch && !swatch.rule ? parseColor(swatch.typed) : undefined;
    return typed?.mapped &&
      Math.abs(typed.oklch.l - swatch!.color.l) < 1e-6 &&
      Math.abs(typed.oklch.c - swatch!.color.c) < 1e-6
      ? typed.typed
      : '';
  });
  protected readonly strip = computed(() =>
    this.swatches()
      .filter((swatch) => swatch.weight > 0)
      .sort((swatch, other) => other.weight - swatch.weight),
  );
  protected readonly chosen = computed(
    () =>
      this.swatches().find((swatch) => swatch.id === this.#chosen()) ??
      this.swatches().find((swatch) => swatch.oklch.c > 0.1) ??
      this.swatches()[0],
  );
  protected readonly was = computed(() => {
    const id = this.chosen()?.id;
    const current = this.#editor.current();
    return id && current && current !== this.site()
      ? (resolvedSwatches(current.brand).find((swatch) => swatch.swatch.id === id)?.oklch ?? null)
      : null;
  });
  readonly #chosenPath = computed(() => this.chosen()?.path);
  /** Where the swatch stands as a foreground; rated anew while it moves, found only when an edit is done. */
  readonly #spots = computed(() => {
    const site = this.#editor.current();
    const path = this.#chosenPath();
    return site && path ? spotsOf(site, path) : [];
  });
  protected readonly pairs = computed((): PairRow[] => {
    const site = this.site();
    const path = this.#chosenPath();
    return site && path ? rateSpots(site, this.#spots()) : [];
  });
  /** The pairs behind which the swatch stands, as the site is saved. */
  readonly #standing = computed(() => {
    const site = this.#editor.current();
    const path = this.#chosenPath();
    return site && path ? pairsOn(site, path) : [];
  });
  /**
   * The colours that the field compares with: the backgrounds of the swatch, the worst first, then the texts
   * on it, then the other backgrounds. They stay the same while a control is held, so that the field does not move.
   */
  protected readonly grounds = computed((): Against[] => {
    const site = this.#editor.current();
    const path = this.#chosenPath();
    if (!site || !path) return [];
    const table = tokenTable(site.brand);
    const background = (id: string): Against => ({
      id,
      way: 'on',
      label: site.brand.grounds[id]!.label,
      rgb: composite(
        colorOf(tokenValue(table, rolePath(site.brand, site.brand.grounds[id]!, 'background')).css) ?? WHITE,
        WHITE,
      ),
    });
    const used = [...new Set(rateSpots(site, this.#spots()).map((pair) => pair.ground))];
    const texts = new Map<string, Against & { places: number }>();
    for (const pair of this.#standing()) {
      const [fore] = pair.fores;
      const [behind] = pair.behind ?? [];
      const rgb = fore && colorOf(fore.css);
      if (!fore || !rgb || rgb.alpha < 1 || !behind?.chain.includes(path) || fore.chain.includes(path)) continue;
      const source = table.get(fore.chain.at(-1) ?? '')?.label ?? fore.css;
      const known = texts.get(source);
      texts.set(source, {
        id: `under ${source}`,
        way: 'under',
        label: source,
        rgb,
        places: (known?.places ?? 0) + pair.count,
      });
    }
    const under = [...texts.values()].sort((text, other) => other.places - text.places);
    const rest = site.brand.groundOrder.filter((id) => !used.includes(id));
    const behindMore =
      under.reduce((sum, entry) => sum + entry.places, 0) >
      this.#spots().reduce((sum, spot) => sum + spot.group.count, 0);
    return behindMore
      ? [...under, ...used.map(background), ...rest.map(background)]
      : [...used.map(background), ...under, ...rest.map(background)];
  });
  protected readonly points = computed((): FieldPoint[] => {
    const site = this.#editor.current();
    return site
      ? resolvedSwatches(site.brand)
          .filter(({ swatch }) => swatchPath(swatch) !== this.#chosenPath())
          .map(({ swatch, rgb, oklch }) => ({ label: swatch.label, rgb, oklch }))
      : [];
  });
  /** The basis of suggestions: the locked swatches, otherwise the selected one. */
  protected readonly stay = computed(
    () => {
      const site = this.#editor.current();
      const locked = site ? site.brand.swatchOrder.filter((id) => site.brand.swatches[id]!.locked) : [];
      return locked.length > 0 ? locked : [this.chosen()?.id ?? ''];
    },
    { equal: (entry, other) => entry.join() === other.join() },
  );
  protected readonly uses = computed(() => {
    const site = this.site();
    const chosen = this.chosen();
    return site && chosen ? swatchUses(site, chosen.id) : [];
  });
  /** The other swatches to choose from: as they are saved, so that the lists keep still while a control is held. */
  protected readonly others = computed(() => {
    const site = this.#editor.current();
    const path = this.#chosenPath();
    return site
      ? resolvedSwatches(site.brand)
          .filter(({ swatch }) => swatchPath(swatch) !== path)
          .map(({ swatch, rgb }) => ({ value: swatch.id, label: swatch.label, color: cssColor(rgb) }))
      : [];
  });

  /** The colour the swatch in hand had when it was taken: what similar colours are measured by. */
  protected readonly from = signal<{ id: string; color: Oklch } | null>(null);
  protected readonly similarAsked = signal(false);
  protected readonly similarShown = computed(() => {
    const [chosen, from] = [this.chosen(), this.from()];
    return !!chosen && from?.id === chosen.id && (this.similarAsked() || hex(paintedRgb(from.color)) !== chosen.hex);
  });

  constructor() {
    effect(() => {
      const id = this.chosen()?.id;
      untracked(() => {
        const color = id && this.#editor.current() ? swatchColor(this.#editor.current()!.brand, id) : undefined;
        if (id && color && this.from()?.id !== id) {
          this.from.set({ id, color });
          this.similarAsked.set(false);
        }
      });
    });
    effect(() => {
      const chosen = this.chosen();
      if (chosen) this.#store.dispatch(DeskActions.take({ token: chosen.path }));
    });
  }

  protected readonly nameOnly = NAME_ONLY;
  protected readonly unused: Scope = { words: 'A new swatch is used in no place yet' };

  protected choose(id: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { swatch: id } }));
  }
  protected reach(): void {
    this.#store.dispatch(DeskActions.hang({ hanging: 'reach' }));
  }

  protected hold(color: Oklch): void {
    const id = this.chosen()!.id;
    this.#editor.preview((site) => moveWithSimilar(site, id, asTyped(color), whatMoved(this.chosen()!.oklch, color)));
  }
  protected done(color: Oklch): void {
    const id = this.chosen()!.id;
    const before = resolvedSwatches(this.#editor.current()!.brand).find((swatch) => swatch.swatch.id === id)!.oklch;
    this.#editor.commit((site) => moveWithSimilar(site, id, asTyped(color), whatMoved(before, color)));
  }
  protected lightness(l: number, done: boolean): void {
    const color = mapToSrgb({ ...this.chosen()!.oklch, l });
    if (done) this.done(color);
    else this.hold(color);
  }
  protected typed(text: string): void {
    const id = this.chosen()!.id;
    this.#editor.commit((site) => moveWithSimilar(site, id, parseColor(text)!));
  }
  protected checkColor = (text: string): string =>
    parseColor(text)
      ? ''
      : `“${text.slice(0, 24)}” is not a colour. ${this.chosen()?.hex} is kept. Try #cf4527, rgb(), hsl(), oklch() or a name.`;
  protected rename(label: string): void {
    const id = this.chosen()!.id;
    this.#editor.commit((site) =>
      setValue(site, `Rename ${site.brand.swatches[id]!.label}`, ['brand', 'swatches', id, 'label'], label),
    );
  }
  protected checkName = (text: string): string => {
    if (text === '') return 'A swatch needs a name.';
    if (text.length > 80) return 'At most 80 characters.';
    const taken = this.swatches().some(
      (swatch) => swatch.id !== this.chosen()?.id && swatch.label.toLowerCase() === text.toLowerCase(),
    );
    return taken ? `“${text}” is already used. Choose another name.` : '';
  };
  /** Rules that look for a readable colour look among the core first. */
  protected readonly parts = [
    { value: 'core', label: 'core' },
    { value: 'side', label: 'supporting' },
  ];
  protected setPart(part: string): void {
    const { id, label } = this.chosen()!;
    this.#editor.set(`${label} is ${part}`, ['brand', 'swatches', id, 'part'], part);
  }
  protected lock(): void {
    const { id, label, locked } = this.chosen()!;
    this.#editor.set(`${label} ${locked ? 'unlocked' : 'locked'}`, ['brand', 'swatches', id, 'locked'], !locked);
  }
  protected async copy(value: string): Promise<void> {
    await navigator.clipboard?.writeText(value).catch(() => {});
    this.copied.set(value);
    setTimeout(() => this.copied.set(''), 1500);
  }
  protected add(): void {
    const id = freshId('s');
    const color = parseColor('#808080')!;
    this.#editor.commit((site) => addSwatches(site, [{ id, label: proposeName(color.oklch), color, part: 'side' }]));
    this.choose(id);
  }
  /** The loss if the swatch is deleted, in words. */
  protected readonly loss = computed(() => {
    const uses = this.uses();
    return uses.length === 0
      ? ''
      : `Used in ${plural(this.chosen()!.places, 'place')}. ${plural(uses.length, 'use')}: ${uses.slice(0, 3).join('; ')}${uses.length > 3 ? ` and ${uses.length - 3} more` : ''}.`;
  });
  /** The other swatches, the nearest first. */
  protected readonly replacements = computed(() => {
    const site = this.site();
    const chosen = this.chosen();
    const nearest = site && chosen ? nearestSwatch(site, chosen.id) : undefined;
    return [...this.others()].sort((entry, other) => Number(other.value === nearest) - Number(entry.value === nearest));
  });
  protected remove(replacement: string): void {
    const id = this.chosen()!.id;
    this.#editor.commit((site) => removeSwatch(site, id, replacement || undefined));
  }
  protected oklch = oklchText;
  protected readonly Math = Math;
}

const WHITE = { r: 255, g: 255, b: 255, alpha: 1 };
const asTyped = (color: Oklch): ParsedColor => ({
  typed: '',
  oklch: { ...color, h: ((color.h % 360) + 360) % 360 },
  rgb: paintedRgb(color),
  mapped: false,
});
const whatMoved = (before: Oklch, after: Oklch): string => {
  const moved = [
    Math.abs(before.l - after.l) > 1e-4 && 'lightness',
    Math.abs(before.c - after.c) > 1e-4 && 'chroma',
    Math.abs(before.h - after.h) > 1e-3 && 'hue',
  ].filter((entry) => typeof entry === 'string');
  return moved.length === 1 ? moved[0]! : 'colour';
};
