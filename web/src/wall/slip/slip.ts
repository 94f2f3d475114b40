import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  BANDS,
  addOverride,
  anchorOf,
  bindDrawing,
  useOwnToken,
  cssColor,
  drawnColors,
  embedProperties,
  resolvedSwatches,
  valueAt,
  keepOverride,
  liftLoss,
  liftOverride,
  literalCss,
  cutDownText,
  plural,
  siteIndex,
  splitStyle,
  splitVariant,
  tokenTable,
  type BandId,
  type Block,
  type OneOff,
  type OverrideProperty,
  type Place,
  type Where,
} from '@yohaku/core';
import {
  DeskActions,
  EditRefused,
  Editor,
  deskFeature,
  freshId,
  Reaching,
  reachOfScope,
  type Scope,
} from '../../state/index.ts';
import { ACTS, Choice, StandingSign, TextField, VerdictRule } from '../../ui/index.ts';
import { SlipFields } from './slip-fields.ts';
import { SlipParts } from './slip-parts.ts';
import { WordsTools } from '../words/index.ts';
import { slipValues, type SlipValue } from './slip-values.ts';

/** The values of a place with their chains, and its commands, beside the page. */
@Component({
  selector: 'yo-slip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, SlipFields, SlipParts, WordsTools, StandingSign, VerdictRule, TextField, Choice, Reaching],
  templateUrl: './slip.html',
  styleUrl: './slip.less',
  host: {
    class: 'on-paper',
    role: 'dialog',
    '[attr.aria-label]': "place()?.label ?? 'Place'",
    '(keydown.escape)': 'closed.emit(); $event.stopPropagation()',
  },
})
export class Slip {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly closed = output();
  readonly editWords = output();
  readonly #ref = this.#store.selectSignal(deskFeature.selectPlace);
  protected readonly setting = signal<string | null>(null);
  /** Widths at which a value is set; empty: at all. */
  protected readonly band = signal('');
  protected readonly bands = [
    { value: '', label: 'all widths' },
    ...BANDS.map(({ id }) => ({ value: id as string, label: id as string })),
  ];
  protected readonly leaving = signal<string | null>(null);

  protected readonly place = computed(() => {
    const site = this.#editor.shown();
    const ref = this.#ref();
    return site && ref ? siteIndex(site).byAddress.get(`${ref.page} ${ref.id}`) : undefined;
  });
  /** The scope of the place itself: its text, its style, its item. */
  protected readonly here = computed((): Scope | undefined => {
    const place = this.place();
    return place && { page: place.page, place: place.id };
  });
  /** Where a value is set that is set next: here, or wherever the place is used. */
  protected readonly where = signal<Where>('used');
  protected readonly wheres = computed(() => {
    const place = this.place();
    const site = this.#editor.shown();
    if (!site || place?.usedId == null) return [];
    const uses = reachOfScope(site, { page: place.page, place: place.id }).count;
    return [
      { value: 'used', label: `everywhere, ${plural(uses, 'place')}` },
      { value: 'here', label: 'this page' },
    ];
  });
  /** Returns the scope of an override, set or about to be set. */
  protected reachOf(where: Where): Scope {
    const place = this.place()!;
    return { page: place.page, place: place.id, where };
  }
  protected readonly values = computed(() => {
    const site = this.#editor.shown();
    const place = this.place();
    return site && place ? slipValues(site, place) : [];
  });
  /** Address of the id of its style, where the style is that of these words alone. */
  readonly #ownStyle = computed(() => {
    const { styled, words } = this.place() ?? {};
    const owner = words?.slice(0, -1);
    return styled && owner && styled.length === owner.length + 1 && owner.every((key, i) => styled[i] === key)
      ? styled
      : undefined;
  });

  /** Custom properties that the inside of an embed could take; none for anything else. */
  protected readonly beyond = computed((): readonly string[] => {
    const [site, place] = [this.#editor.shown(), this.place()];
    const block =
      site && place?.kind === 'surface' && place.block ? (valueAt(site, place.block) as Block | undefined) : undefined;
    return site && block?.kind === 'embed' ? embedProperties(site, block) : [];
  });
  /** The flat colours of the drawing the place shows, each with the swatch it follows. */
  protected readonly drawing = computed(() => {
    const site = this.#editor.shown();
    const asset = site?.assets[this.place()?.asset ?? ''];
    if (!site || asset?.type !== 'image/svg+xml' || !asset.colors?.length) return undefined;
    const painted = drawnColors(asset, site.brand);
    return {
      asset: asset.id,
      colors: asset.colors.map(({ hex }) => ({ hex, swatch: asset.bound?.[hex] ?? '', now: painted.get(hex) ?? hex })),
    };
  });
  protected readonly swatches = computed(() => {
    const brand = this.#editor.shown()?.brand;
    return [
      { value: '', label: 'as drawn' },
      ...(brand
        ? resolvedSwatches(brand).map(({ swatch, rgb }) => ({
            value: swatch.id,
            label: swatch.label,
            color: cssColor(rgb),
          }))
        : []),
    ];
  });
  protected readonly drawingScope: Scope = { words: 'The drawing changes everywhere' };
  protected bindColor(asset: string, hex: string, swatch: string): void {
    this.#editor.commit((site) => bindDrawing(site, asset, hex, swatch || null));
  }

  protected take(token: string): void {
    this.#store.dispatch(DeskActions.take({ token }));
  }
  protected distance(value: SlipValue): string {
    return value.nearest ? cutDownText(value.nearest.distance, value.nearest.unit === 'px' ? 1 : 3) : '';
  }

  /** Removes the value, so that the place uses its own token again. */
  protected useToken(value: SlipValue): void {
    this.#editor.commit((site) => useOwnToken(site, value.record, value.override!, null));
  }
  protected bind(value: SlipValue): void {
    this.#editor.commit((site) => useOwnToken(site, value.record, value.override!, value.nearest!.path));
  }
  /** Returns the label of the place's own token. */
  protected ownLabel(value: SlipValue): string {
    const site = this.#editor.shown();
    return (value.own !== null && site && tokenTable(site.brand).get(value.own)?.label) || 'its own value';
  }
  /** Returns words for the other values that saving to the token replaces. */
  protected loss(value: SlipValue): string {
    const site = this.#editor.current();
    return site && value.own !== null && value.override ? liftLoss(site, value.override, value.own) : '';
  }
  protected lift(value: SlipValue): void {
    this.#editor.commit((site) => {
      const edit = liftOverride(site, value.record, value.override!, value.own ?? '');
      if (!edit)
        throw new EditRefused(
          'This value cannot be saved to its token. Use the token, or keep the value with a reason.',
        );
      return edit;
    });
  }
  protected leave(value: SlipValue, reason: string): void {
    this.leaving.set(null);
    this.#editor.commit((site) => keepOverride(site, value.record, value.override!, reason));
  }
  /** The label of the command that makes a variant or a style of the overrides; empty if neither is possible. */
  protected readonly splits = computed(() => {
    const site = this.#editor.current();
    const place = this.place();
    if (!site || !place) return '';
    return splitVariant(site, this.#oneOff(place), 'new')
      ? 'Make a variant'
      : this.#ownStyle() && splitStyle(site, this.#oneOff(place), this.#ownStyle()!, 'new')
        ? 'Make a style'
        : '';
  });
  protected splitOff(): void {
    const place = this.place()!;
    const styled = this.#ownStyle();
    this.#editor.commit(
      (site) =>
        splitVariant(site, this.#oneOff(place), freshId('variant')) ??
        (styled && splitStyle(site, this.#oneOff(place), styled, freshId('style'))),
    );
  }
  /**
   * Returns the place as a one-off: a shared part changes everywhere, so its new variant or style applies everywhere
   * too.
   */
  #oneOff(place: Place): OneOff {
    return { anchor: anchorOf(place, 'used'), ground: place.ground, item: place.item };
  }
  protected needsWords = (text: string): string => (text.trim() === '' ? 'Type a reason in a few words.' : '');

  /** Opens what sets a value, in sight and ready to be typed into, however far down the slip it is. */
  protected open(property: string, event: Event): void {
    const line = (event.target as Element).closest('dd');
    this.setting.set(property);
    setTimeout(() => line?.querySelector<HTMLInputElement>('yo-text input')?.focus(), 0);
  }

  protected set(value: SlipValue, css: string): void {
    const place = this.place()!;
    this.setting.set(null);
    this.#editor.commit((site) =>
      addOverride(
        site,
        anchorOf(place, this.where()),
        {
          id: freshId('o'),
          property: value.property as OverrideProperty,
          band: (this.band() || null) as BandId | null,
          origin: 'set',
          value: { kind: 'literal', css: withUnit(value.property as OverrideProperty, css) },
          reason: null,
        },
        place.label,
      ),
    );
  }
  protected checkValue = (css: string): string => {
    const property = this.values().find((value) => value.property === this.setting())?.property as
      OverrideProperty | undefined;
    if (css.trim() === '') return 'Type a value.';
    if (!property || literalCss(property, withUnit(property, css)) === undefined)
      return `“${css.slice(0, 24)}” is not a value for ${property ?? 'this'} that Yohaku understands. Nothing was changed.`;
    return '';
  };
}

/** A bare figure where a length is meant is one in px. */
function withUnit(property: OverrideProperty, css: string): string {
  return literalCss(property, css) === undefined && literalCss(property, `${css.trim()}px`) !== undefined
    ? `${css.trim()}px`
    : css.trim();
}
