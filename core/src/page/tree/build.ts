import type { Paints, PlaceKind, Properties } from '../../kinds/index.ts';
import type { Asset, CornerUse, Site, State } from '../../site/index.ts';
import type { BandId } from '../../breakpoint/index.ts';
import { edgeWidth, recipeClass, recipes, type Recipe } from '../../style/index.ts';
import { STATES_OF, type Place } from './place.ts';

/** The data of a new place; the builder adds the rest from its position. */
interface PlaceSpec {
  /** Its name within its section. */
  id: string;
  kind: PlaceKind;
  label: string;
  recipes: Recipe[];
  level?: number | null;
  style?: string;
  inline?: boolean;
  words?: readonly string[];
  /** Address of the text style's id, and of the block. */
  styled?: readonly string[];
  block?: readonly string[];
  /** Address of the item it is made from. */
  item?: readonly string[];
  /** The picture it shows, by asset id. */
  asset?: string;
  /** The parts of its look that no token paints. */
  look?: string;
  inherits?: Place;
  /** Other states than its kind has: a logo that is a link by itself. */
  states?: readonly State[];
  /** Widths at which it is not shown, where the part it stands in is. */
  hidden?: readonly BandId[];
  /** Adds the disabled and the busy state, for real form buttons. */
  canBeDisabled?: boolean;
}

/** How a part comes onto a page: it is the page's own, it is what each page has once, or it is a shared section. */
export type Use = 'own' | 'once' | { readonly shared: string };

/** Where the builder stands while it walks a page: collects places in document order. */
export class Build {
  readonly places: Place[];
  #paints: Paints | undefined;

  constructor(
    readonly site: Site,
    readonly page: string,
    readonly section: string,
    readonly ground: string,
    readonly under: Place | null,
    /** The background behind it if there is no single colour. */
    readonly over: 'picture' | 'gradient' | null,
    /** Address of the section in the document. */
    readonly address: readonly string[],
    /** Its scope: this page only, shown once on all pages, or a shared section by its id. */
    readonly use: Use = 'own',
    /** Widths at which nothing of it is shown. */
    readonly hidden: readonly BandId[] = [],
    places: Place[] = [],
  ) {
    this.places = places;
  }

  /** The id on this page of what has one within its section. */
  idHere(id: string): string {
    return typeof this.use === 'string' ? id : `${this.section}:${id}`;
  }

  /** The same walk continued on a surface of its own, which paints the ground's background unless told otherwise. */
  onto(
    surface: Place,
    ground: string,
    over: Build['over'] = this.site.brand.grounds[ground]?.wash ? 'gradient' : null,
  ): Build {
    return new Build(
      this.site,
      this.page,
      this.section,
      ground,
      surface,
      over,
      this.address,
      this.use,
      this.hidden,
      this.places,
    );
  }

  /** Notes a place and gives the element attributes that mark it. */
  place(spec: PlaceSpec): Place {
    const states = spec.states ?? STATES_OF[spec.kind];
    // A page that exists only as a published file has no section to edit.
    const edited = !(this.page.startsWith('~') && this.address[0] === 'pages');
    const place: Place = {
      id: this.idHere(spec.id),
      usedId: this.use === 'own' ? null : this.use === 'once' ? spec.id : `${this.use.shared}:${spec.id}`,
      page: this.page,
      section: this.section,
      kind: spec.kind,
      label: spec.label,
      recipes: spec.recipes,
      states: spec.canBeDisabled ? [...states, 'disabled', 'busy'] : states,
      hidden: spec.hidden ?? this.hidden,
      ground: this.ground,
      under: this.under,
      inherits: spec.inherits ?? null,
      overPicture: this.over !== null,
      pictured: this.over === 'picture',
      level: spec.level ?? null,
      style: spec.style ?? null,
      inline: spec.inline ?? false,
      words: (edited && spec.words) || null,
      styled: (edited && spec.styled) || null,
      block: (edited && spec.block) || null,
      item: (edited && spec.item) || null,
      asset: spec.asset ?? null,
      look: spec.look ?? null,
    };
    this.places.push(place);
    return place;
  }

  /** Text style plus a colour on this ground: that of the style's own role unless another is asked for. */
  textRecipes(style: string, role: string = this.site.brand.styles[style]!.role): Recipe[] {
    return [recipes.text(style), recipes.role(this.ground, role)];
  }

  /** The recipes that kinds ask for, on the ground where it stands: made once for all blocks that stand there. */
  get paints(): Paints {
    return (this.#paints ??= {
      text: (style, role) => this.textRecipes(style, role),
      style: recipes.text,
      background: recipes.background,
      corner: recipes.corner,
      edge: (use) => this.edgeColor(use),
      inset: () => {
        const space = this.spaceFor('card');
        return space === undefined ? [] : [recipes.inset(space)];
      },
      between: recipes.gap,
      rule: () => recipes.rule(this.ground),
      line: recipes.line,
      stripe: () => recipes.stripe(this.ground),
      field: () => recipes.field(this.ground),
    });
  }

  /** First space of a fixed use; every brand keeps at least one of each. */
  spaceFor(use: 'gutter' | 'gap' | 'card'): string | undefined {
    return this.site.brand.spaceOrder.find((id) => this.site.brand.spaces[id]!.use === use);
  }

  /** The recipe of a picture that follows the brand; none for any other. */
  drawing(asset: Asset | undefined): Recipe[] {
    const swatches = [...new Set(Object.values(asset?.bound ?? {}))].sort();
    return swatches.length > 0 ? [recipes.drawing(swatches)] : [];
  }

  /** The colour of an edge, for a part that has one only if the brand says so. */
  edgeColor(use: 'card' | 'picture'): Recipe[] {
    return edgeWidth(this.site.brand, use) > 0 ? [recipes.rule(this.ground)] : [];
  }

  corner(use: CornerUse): Recipe {
    return recipes.corner(use);
  }
}

/**
 * The attributes of a placed element: its classes, then `data-place`; in a shared section also what it is wherever that
 * is used.
 */
export function placed(place: Place, className = '', more?: Properties): Properties {
  let classes = className;
  // The file of a drawing holds its colours.
  for (const recipe of place.recipes)
    if (!recipe.startsWith('drawing:')) classes += `${classes === '' ? '' : ' '}${recipeClass(recipe)}`;
  const marked: Properties = { className: classes, ...more, dataPlace: place.id };
  if (place.usedId !== null && place.usedId !== place.id) marked['dataUsed'] = place.usedId;
  return marked;
}
