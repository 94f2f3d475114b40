import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  BANDS,
  WALL_WIDTHS,
  fontSizeAt,
  unclearSteps,
  placeCount,
  plural,
  removeStyle,
  round,
  setStyleAt,
  siteIndex,
  styleSizeAt,
  styleUses,
  tokenTable,
  type BandId,
  type Place,
  type Site,
  type TextStyle,
} from '@yohaku/core';
import { DeskActions, Editor, NAME_ONLY, Reaching, type Scope } from '../../state/index.ts';
import { ACTS, More, Choice, NumberField, TextField } from '../../ui/index.ts';

const BAND_WIDTH: Record<BandId, number> = { phone: 390, tablet: 800, desktop: 1280 };
const ROLES: readonly TextStyle['role'][] = ['text', 'heading', 'secondary', 'eyebrow', 'link'];
const USES: readonly { readonly value: TextStyle['use']; readonly label: string }[] = [
  { value: 'heading', label: 'headings' },
  { value: 'running', label: 'body' },
  { value: 'fine', label: 'small print' },
  { value: 'other', label: 'small elements' },
];

/** One text style in hand: everything about how it looks, what is set and what is painted, width by width. */
@Component({
  selector: 'yo-selected-style',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, More, Choice, NumberField, TextField, Reaching],
  templateUrl: './selected-style.html',
  styleUrl: './selected-style.less',
})
export class SelectedStyle {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly id = input.required<string>();
  readonly #site = this.#editor.shown;
  protected readonly style = computed(() => this.#site()?.brand.styles[this.id()]);
  protected readonly path = computed(() => `text.${this.style()?.path}`);
  protected readonly places = computed(() => {
    const site = this.#site();
    return site && this.style() ? placeCount(site, `${this.path()}.size`) : 0;
  });
  protected readonly size = (width: number): number => {
    const brand = this.#site()?.brand;
    const style = this.style();
    return brand && style ? styleSizeAt(brand, style, width) : 0;
  };
  /** Size by band: set there, or following the two ends. */
  protected readonly bands = computed(() =>
    BANDS.map(({ id }) => ({ id, px: this.size(BAND_WIDTH[id]), set: this.style()?.at?.[id] !== undefined })),
  );
  /** Sizes really painted at the widths that hang, most places first. */
  protected readonly painted = computed(() => {
    const site = this.#site();
    return site
      ? Object.values(WALL_WIDTHS).map((width) => ({ width, sizes: paintedSizes(site, this.id(), width) }))
      : [];
  });
  /** Phones or tablets that do not follow the large end. */
  protected readonly standing = computed(() =>
    this.bands()
      .filter((band) => band.set)
      .map((band) => band.id),
  );
  protected readonly uses = computed(() => {
    const site = this.#editor.current();
    return site ? styleUses(site, this.id()).length : 0;
  });
  protected readonly instead = computed(() => {
    const brand = this.#site()?.brand;
    return [
      ...(brand?.styleOrder ?? [])
        .filter((id) => id !== this.id())
        .map((id) => ({ value: id, label: brand!.styles[id]!.label })),
    ];
  });
  /** Neighbours on the ladder that do not read as two levels, and where both stand in one section. */
  protected readonly look = computed(() => {
    const site = this.#site();
    const style = this.style();
    if (!site || !style || style.use !== 'heading') return undefined;
    const ladder = site.brand.styleOrder
      .map((id) => site.brand.styles[id]!)
      .filter((entry) => entry.use === 'heading' || entry.use === 'running');
    const headings = ladder.filter((entry) => entry.use === 'heading');
    const order = [...headings, ...ladder.filter((entry) => entry.use === 'running')];
    for (const width of Object.values(WALL_WIDTHS)) {
      const size = (entry: TextStyle) => styleSizeAt(site.brand, entry, width);
      const finding = unclearSteps(
        order.map((entry) => ({ style: entry.id, size: size(entry), heading: entry.use === 'heading' })),
      ).find((entry) => entry.upper === style.id);
      if (!finding) continue;
      const under = site.brand.styles[finding.lower]!;
      const apart = round(size(style) - size(under), 1);
      return {
        text:
          apart < 0
            ? `${style.label} is ${-apart} px smaller than ${under.label} at ${width}`
            : `${style.label} and ${under.label} are ${apart} px apart at ${width}`,
        both: together(site, style.id, under.id),
      };
    }
    return undefined;
  });
  #shown = 0;

  protected field(field: keyof TextStyle, name: string, value: unknown, phase: 'preview' | 'commit' = 'commit'): void {
    this.#editor.set(`${this.style()!.label} ${name}`, ['brand', 'styles', this.id(), field], value, phase);
  }
  protected pinned(end: 'small' | 'large', px: number, phase: 'preview' | 'commit'): void {
    const { scale } = this.#editor.current()!.brand;
    this.field(
      'size',
      'size',
      {
        kind: 'pinned',
        small: round(this.#end('small', scale.small.width), 1),
        large: round(this.#end('large', scale.large.width), 1),
        [end]: px,
      },
      phase,
    );
  }
  /** Size at an end of the scale, as it is set there. */
  #end(end: 'small' | 'large', width: number): number {
    const { brand } = this.#editor.current()!;
    const style = brand.styles[this.id()]!;
    return style.size.kind === 'pinned' ? style.size[end] : styleSizeAt(brand, { ...style, at: undefined }, width);
  }
  protected unpin(): void {
    const { scale } = this.#editor.current()!.brand;
    const step = Math.round(
      Math.log(this.#end('large', scale.large.width) / scale.large.base) / Math.log(scale.large.ratio),
    );
    this.field('size', 'on the scale', { kind: 'step', step: Math.max(-4, Math.min(10, step)) });
  }
  protected setAt(band: BandId, px: number | undefined, phase: 'preview' | 'commit' = 'commit'): void {
    this.#editor[phase]((site) => setStyleAt(site, this.id(), band, px));
  }
  protected toggleLevel(level: number): void {
    const { levels } = this.style()!;
    this.field(
      'levels',
      'levels',
      levels.includes(level)
        ? levels.filter((value) => value !== level)
        : [...levels, level].sort((value, other) => value - other),
    );
  }
  protected remove(instead?: string): void {
    this.#editor.commit((site) => removeStyle(site, this.id(), instead || undefined));
  }
  /** The next section in which both stand, grown on the wall with the heading in hand. */
  protected show(places: readonly Place[]): void {
    const place = places[this.#shown++ % places.length];
    if (!place) return;
    this.#store.dispatch(DeskActions.grow({ page: place.page }));
    this.#store.dispatch(DeskActions.choose({ choice: { place: { page: place.page, id: place.id } } }));
  }
  /** Hangs every section in which both stand, at both widths. */
  protected hang(places: readonly Place[]): void {
    this.#store.dispatch(
      DeskActions.hangTogether({
        label: `${this.style()!.label} next to its neighbour, in ${plural(places.length, 'section')}`,
        places: places.map(({ page, id }) => ({ page, id })),
      }),
    );
  }
  protected checkName = (text: string): string => {
    if (text === '') return 'A style needs a name.';
    const taken = Object.values(this.#editor.current()?.brand.styles ?? {}).some(
      (style) => style.id !== this.id() && style.label.toLowerCase() === text.toLowerCase(),
    );
    return taken
      ? `A style called ${text} exists. The old name is kept.`
      : text.length > 80
        ? 'At most 80 characters.'
        : '';
  };
  protected readonly levels = [1, 2, 3, 4, 5, 6];
  protected readonly roles = ROLES.map((role) => ({ value: role, label: role }));
  protected readonly useOptions = USES;
  protected readonly note: Scope = { words: '“Provisional” is a note for you; no place changes' };
  protected readonly nameOnly = NAME_ONLY;
  protected readonly levelNote: Scope = { words: 'New headings of this level use the style; no place changes now' };
  protected readonly count = plural;
  protected readonly round = round;
}

function paintedSizes(site: Site, style: string, width: number): { readonly px: number; readonly count: number }[] {
  const table = tokenTable(site.brand);
  const found = new Map<number, number>();
  for (const group of siteIndex(site).groups) {
    if (group.style !== style) continue;
    const px = round(fontSizeAt(table, group.painting, width), 1);
    found.set(px, (found.get(px) ?? 0) + group.count);
  }
  return [...found].map(([px, count]) => ({ px, count })).sort((entry, other) => other.count - entry.count);
}

/** The headings of one style in sections where the other style stands as well. */
function together(site: Site, upper: string, lower: string): Place[] {
  const { places } = siteIndex(site);
  const of = (style: string) => places.filter((place) => place.style === style && place.kind === 'text');
  const section = (place: Place) => `${place.page} ${place.section}`;
  const under = new Set(of(lower).map(section));
  const seen = new Set<string>();
  return of(upper).filter(
    (place) => under.has(section(place)) && !seen.has(section(place)) && seen.add(section(place)),
  );
}
