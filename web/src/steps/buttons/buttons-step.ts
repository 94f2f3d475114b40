import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { BrandFaultsLine } from '../brand-faults-line.ts';
import { Store } from '@ngrx/store';
import {
  BUTTON_PARTS,
  addVariant,
  buttonRecipes,
  buttonRole,
  buttonUses,
  contrastRules,
  cornerCss,
  looseLook,
  ownWords,
  shapeOfVariant,
  removeButtonPart,
  cssColor,
  parseColor,
  placeCount,
  plural,
  resolvedSwatches,
  setOp,
  rolePath,
  tokenTable,
  tokenValue,
  fluidAt,
  familyStack,
  styleSize,
  worstOf,
  type ButtonPart,
  type ButtonState,
  type RoleValue,
} from '@yohaku/core';
import {
  DeskActions,
  Editor,
  NAME_ONLY,
  deskFeature,
  Reaching,
  freshId,
  remember,
  remembered,
  type Scope,
} from '../../state/index.ts';
import { ACTS, More, Subject, Choice, TextField, VerdictRule, nameProblem } from '../../ui/index.ts';
import { MotionList } from './motion-list.ts';
import { NamedShapes } from './named-shapes.ts';
import { ShapePanel } from './shape-panel.ts';
import { OwnShapeRow } from './own-shape-row.ts';
import { SizesList } from './sizes-list.ts';
import { SpacePanel } from './space-panel.ts';

const STATES = ['rest', 'hover', 'focus', 'pressed', 'disabled', 'busy'] as const;
const VIEWS = ['Shape', 'Corners and shadows', 'Spaces', 'Sizes and motion'] as const;
const EVERY = '';
type Shown = (typeof STATES)[number];
const KEY = 'yohaku-build-view';

/** Returns the label of a part of a button. */
const partWord = (part: string): string => (part === 'edge' ? 'border' : part);

/** Variants by sizes by states as real buttons on a chosen ground; beside them what shapes, spaces and moves them. */
@Component({
  selector: 'yo-build',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BrandFaultsLine,
    ACTS,
    More,
    Subject,
    Choice,
    TextField,
    VerdictRule,
    Reaching,
    MotionList,
    NamedShapes,
    OwnShapeRow,
    ShapePanel,
    SizesList,
    SpacePanel,
  ],
  templateUrl: './buttons-step.html',
  styleUrl: './buttons-step.less',
})
export class ButtonsStep {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  protected readonly site = this.#editor.shown;
  protected readonly brand = computed(() => this.site()?.brand);
  readonly #chosenGround = this.#store.selectSignal(deskFeature.selectGround);
  protected readonly ground = computed(() => {
    const brand = this.brand();
    const id = this.#chosenGround();
    return brand ? (id && brand.grounds[id] ? id : brand.groundOrder[0]!) : '';
  });
  /** Cells in hand: `variant state`; rows and columns take several at once. */
  protected readonly cells = signal<ReadonlySet<string>>(new Set());
  protected readonly states = STATES;
  protected readonly views = VIEWS;
  readonly #kept = remembered(KEY);
  protected readonly view = signal<(typeof VIEWS)[number]>(VIEWS.find((view) => view === this.#kept) ?? 'Shape');
  /** The size that the grid shows; empty: all of them. */
  protected readonly size = signal(this.brand()?.sizeOrder[0] ?? EVERY);
  protected readonly sizeOptions = computed(() => [
    ...(this.brand()?.sizeOrder ?? []).map((id) => ({ value: id, label: this.brand()!.sizes[id]!.label })),
    { value: EVERY, label: 'every size' },
  ]);
  /** How the buttons of a variant are shaped in the grid. */
  #shape(
    variant: string,
    padY: number,
  ): { readonly radius: string; readonly edge: number; readonly shadow: string | null } {
    const brand = this.brand()!;
    const { corner, edge, shadow } = shapeOfVariant(brand, variant);
    const radius =
      typeof corner === 'number'
        ? `${corner}px`
        : corner.value.kind === 'share'
          ? `${corner.value.share * this.#high(variant, padY)}px`
          : cornerCss(corner.value);
    return { radius, edge, shadow: shadow && tokenValue(tokenTable(brand), `shadow.${shadow.path}`).css };
  }
  /** Height of a button of one line at 1280, px. */
  #high(variant: string, padY: number): number {
    return this.label().size * this.label().lineHeight + 2 * (padY + shapeOfVariant(this.brand()!, variant).edge);
  }
  /** The variant whose buttons are in hand, when they are all of one. */
  protected readonly variant = computed(() => {
    const [id, ...others] = this.variantsSelected();
    const variant = id && others.length === 0 ? this.brand()?.variants[id] : undefined;
    return variant && { ...variant, uses: buttonUses(this.site()!, 'variant', variant.id).length };
  });
  /** Variants that have buttons in hand. */
  protected readonly variantsSelected = computed(() => {
    const ids = new Set([...this.cells()].map((key) => key.split(' ')[0]!));
    return (this.brand()?.variantOrder ?? []).filter((id) => ids.has(id));
  });
  protected readonly replacements = computed(() =>
    (this.brand()?.variantOrder ?? [])
      .filter((id) => id !== this.variant()?.id)
      .map((id) => ({ value: id, label: this.brand()!.variants[id]!.label })),
  );
  protected readonly nameOnly = NAME_ONLY;
  protected readonly checkName = nameProblem('A variant');
  protected readonly newOnly: Scope = { words: 'No button has this variant yet; no place changes' };
  protected readonly iconSides = [
    { value: 'before', label: 'before the words' },
    { value: 'after', label: 'after the words' },
  ];
  protected readonly parts = BUTTON_PARTS;
  protected readonly grounds = computed(
    () =>
      this.brand()?.groundOrder.map((id) => ({
        value: id,
        label: this.brand()!.grounds[id]!.label,
        color: this.#css(id, 'background'),
      })) ?? [],
  );
  protected readonly swatches = computed(() =>
    this.brand()
      ? resolvedSwatches(this.brand()!).map(({ swatch, rgb }) => ({
          value: swatch.id,
          label: swatch.label,
          color: cssColor(rgb),
        }))
      : [],
  );
  protected readonly background = computed(() => (this.ground() ? this.#css(this.ground(), 'background') : '#fff'));
  /** The text of the buttons in the grid: from a button on the pages. */
  protected readonly word = computed(() => {
    const site = this.site();
    return site && ownWords(site).short.button;
  });
  protected readonly label = computed(() => {
    const brand = this.brand()!;
    const style = brand.styles[brand.buttonStyle]!;
    return {
      family: familyStack(brand.families[style.family], brand.fonts),
      size: fluidAt(styleSize(brand, style), 1280),
      weight: style.weight,
      lineHeight: style.lineHeight,
      letterSpacing: style.letterSpacing,
      textCase: style.textCase,
    };
  });
  protected readonly rows = computed(() => {
    const brand = this.brand();
    if (!brand) return [];
    const sizes = this.size() === EVERY || !brand.sizes[this.size()] ? brand.sizeOrder : [this.size()];
    const site = this.site()!;
    const table = tokenTable(brand);
    const judgements = (variant: string, size: string) =>
      contrastRules(
        table,
        looseLook(site, 'button', buttonRecipes(brand, this.ground(), variant, size), STATES, this.ground()),
      );
    return brand.variantOrder.flatMap((variant) =>
      sizes.map((size, nth) => ({
        id: variant,
        key: `${variant} ${size}`,
        size: brand.sizes[size]!,
        shape: this.#shape(variant, brand.sizes[size]!.padY),
        high: this.#high(variant, brand.sizes[size]!.padY),
        first: nth === 0,
        label: brand.variants[variant]!.label,
        places: placeCount(
          this.site()!,
          rolePath(brand, brand.grounds[this.ground()]!, buttonRole(variant, 'fill', 'rest')),
        ),
        cells: STATES.map((state) => {
          const judged = judgements(variant, size);
          const colors = state === 'focus' ? 'rest' : state;
          const css = (part: ButtonPart) => this.#css(this.ground(), buttonRole(variant, part, colors));
          return {
            state,
            fill: css('fill'),
            text: css('label'),
            edge: css('edge'),
            ring: state === 'focus' ? this.#css(this.ground(), 'focus') : '',
            label: worstOf(judged, 'text-contrast', state),
            // A button is told by its edge or by its fill; in focus by its ring.
            around: worstOf(judged, state === 'focus' ? 'focus-contrast' : 'button-contrast', state),
            exempt: state === 'disabled',
            busy: state === 'busy',
            key: `${variant} ${state}`,
          };
        }),
      })),
    );
  });
  protected readonly styles = computed(
    () => this.brand()?.styleOrder.map((id) => ({ value: id, label: this.brand()!.styles[id]!.label })) ?? [],
  );
  /** The value of each part in the selected cells: one value, or the number of different ones. */
  protected readonly selected = computed(() => {
    const brand = this.brand();
    const keys = [...this.cells()];
    if (!brand || keys.length === 0) return undefined;
    const roles = brand.grounds[this.ground()]!.roles;
    return {
      count: keys.length,
      parts: BUTTON_PARTS.map((part) => {
        const values = new Set(keys.map((key) => JSON.stringify(roles[this.#role(key, part)] ?? null)));
        const only = values.size === 1 ? (JSON.parse([...values][0]!) as RoleValue | null) : null;
        return {
          part,
          scope: this.scopeOf(keys, `Button ${partWord(part)}`, [part]),
          swatch: only?.kind === 'swatch' ? only.swatch : null,
          raw: only?.kind === 'raw' ? only.color : '',
          differ: values.size > 1 ? `${values.size} values` : only ? 'raw' : 'automatic',
        };
      }),
    };
  });

  /** The selected buttons, and how many figures of the shown ones fail. */
  protected readonly headline = computed(() => {
    const cells = this.rows().flatMap((row) => row.cells);
    const failing = cells
      .flatMap((cell) => (cell.exempt ? [] : [cell.label, cell.around]))
      .filter((judged) => judged && judged.found !== null && judged.found < judged.needed).length;
    const on = this.brand()?.grounds[this.ground()]?.label ?? '';
    const keys = [...this.cells()];
    const [variant, state] = (keys[0] ?? '').split(' ');
    const label = this.brand()?.variants[variant ?? '']?.label;
    return {
      subject:
        keys.length > 1
          ? `${plural(keys.length, 'button')} selected`
          : label
            ? `${label}, ${state}`
            : `Buttons on ${on}`,
      figure: `${failing === 0 ? 'every state passes' : `${plural(failing, 'figure')} below what is required`}${keys.length > 0 ? ` on ${on}` : ''}; label on fill, border (focus: ring) on background`,
    };
  });

  protected pick(key: string, event: MouseEvent | KeyboardEvent): void {
    const adding = event.shiftKey || event.ctrlKey || event.metaKey;
    this.cells.update((cells) => {
      const next = new Set(adding ? cells : []);
      if (adding && next.has(key)) next.delete(key);
      else next.add(key);
      return next;
    });
    const [variant, state] = key.split(' ') as [string, Shown];
    const brand = this.brand()!;
    this.#store.dispatch(
      DeskActions.take({
        token: rolePath(
          brand,
          brand.grounds[this.ground()]!,
          buttonRole(variant, 'fill', state === 'focus' ? 'rest' : state),
        ),
      }),
    );
  }
  protected pickRow(variant: string): void {
    this.cells.set(new Set(this.rowKeys(variant)));
  }
  protected pickColumn(state: Shown): void {
    this.cells.set(new Set(this.column(state)));
  }
  protected rowKeys(variant: string): string[] {
    return STATES.map((state) => `${variant} ${state}`);
  }
  protected column(state: Shown): string[] {
    return this.brand()!.variantOrder.map((variant) => `${variant} ${state}`);
  }
  /** Returns the scope of parts of the selected cells on the shown background. */
  protected scopeOf(keys: readonly string[], label: string, parts: readonly ButtonPart[] = BUTTON_PARTS): Scope {
    const brand = this.brand()!;
    const ground = brand.grounds[this.ground()]!;
    return {
      tokens: keys.flatMap((key) => parts.map((part) => rolePath(brand, ground, this.#role(key, part)))),
      label: `${label} on ${ground.label}`,
    };
  }
  protected chooseGround(ground: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { ground, role: null } }));
  }
  protected take(token: string): void {
    this.#store.dispatch(DeskActions.take({ token }));
  }
  protected setPart(part: ButtonPart, value: RoleValue): void {
    const roles = [...new Set([...this.cells()].map((key) => this.#role(key, part)))];
    const ground = this.ground();
    this.#editor.commit((site) => ({
      label: `Button ${partWord(part)} on ${site.brand.grounds[ground]!.label}`,
      ops: roles.map((role) => setOp(site, ['brand', 'grounds', ground, 'roles', role], value)),
    }));
  }
  protected checkColor = (text: string): string =>
    parseColor(text) ? '' : `“${text.slice(0, 24)}” is not a colour. The old value is kept.`;
  protected see(view: (typeof VIEWS)[number]): void {
    this.view.set(view);
    remember(KEY, view);
  }
  protected addVariant(like: string): void {
    const id = freshId('variant');
    this.#editor.commit((site) => addVariant(site, like, id));
    if (this.brand()?.variants[id]) this.pickRow(id);
  }
  protected renameVariant(id: string, label: string): void {
    this.#editor.set('Name of a button variant', ['brand', 'variants', id, 'label'], label);
  }
  /** Deletes a variant no button has; asks what takes the place of one that some have. */
  protected removeVariant(replacement: string): void {
    const variant = this.variant();
    if (!variant) return;
    this.cells.set(new Set());
    this.#editor.commit((site) => removeButtonPart(site, 'variant', variant.id, replacement));
  }
  protected iconSide(side: string): void {
    this.#editor.set('Position of button icons', ['brand', 'iconSide'], side);
  }
  protected labelStyle(id: string): void {
    this.#editor.set('Button label style', ['brand', 'buttonStyle'], id);
  }
  protected readonly looking: Scope = { words: 'Shows the buttons on another background; no place changes' };
  protected readonly count = plural;

  #role(key: string, part: ButtonPart): string {
    const [variant, state] = key.split(' ') as [string, Shown];
    return buttonRole(variant, part, (state === 'focus' ? 'rest' : state) as ButtonState);
  }
  #css(ground: string, role: string): string {
    const brand = this.brand()!;
    return tokenValue(tokenTable(brand), rolePath(brand, brand.grounds[ground]!, role)).css;
  }
}
