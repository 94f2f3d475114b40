import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { BUTTON_PARTS, buttonSlot, composite, contrastRatio, cssColor, colorOf, parseColor, placesOf, plural, resolvedSwatches, setOp, slotPath, tokenTable, tokenValue, fluidAt, familyStack, styleSize, type ButtonPart, type ButtonState, type CornerUse, type BandId, type SlotValue } from '@yohaku/core';
import { DeskActions, Editor, deskFeature, Reaching, type Scope } from '../../state/index.ts';
import { Choice, NumberField, TextField, VerdictRule } from '../../ui/index.ts';
import { MotionList } from './motion-list.ts';

const STATES = ['rest', 'hover', 'focus', 'pressed', 'disabled'] as const;
type Shown = (typeof STATES)[number];
const WHITE = { r: 255, g: 255, b: 255, alpha: 1 };

/** Variants by states as real buttons on a chosen ground; one shape for all; padding by width. */
@Component({
  selector: 'yo-build',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Choice, NumberField, TextField, VerdictRule, Reaching, MotionList],
  templateUrl: './build-step.html',
  styleUrl: './build-step.less',
})
export class BuildStep {
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
  protected readonly parts = BUTTON_PARTS;
  protected readonly grounds = computed(() => this.brand()?.groundOrder.map((id) => ({ value: id, label: this.brand()!.grounds[id]!.label, color: this.#css(id, 'background') })) ?? []);
  protected readonly swatches = computed(() => (this.brand() ? resolvedSwatches(this.brand()!).map(({ swatch, rgb }) => ({ value: swatch.id, label: swatch.label, color: cssColor(rgb) })) : []));
  protected readonly background = computed(() => (this.ground() ? this.#css(this.ground(), 'background') : '#fff'));
  protected readonly label = computed(() => {
    const brand = this.brand()!;
    const style = brand.styles[brand.buttonStyle]!;
    return { family: familyStack(brand.families[style.family], brand.fonts), size: fluidAt(styleSize(brand, style), 1280), weight: style.weight, lineHeight: style.lineHeight, letterSpacing: style.letterSpacing, textCase: style.textCase };
  });
  protected readonly rows = computed(() => {
    const brand = this.brand();
    if (!brand) return [];
    return brand.variantOrder.map((variant) => ({
      id: variant, label: brand.variants[variant]!.label, places: placesOf(this.site()!, slotPath(brand, brand.grounds[this.ground()]!, buttonSlot(variant, 'fill', 'rest'))).length,
      cells: STATES.map((state) => {
        const colors = state === 'focus' ? 'rest' : state;
        const css = (part: ButtonPart) => this.#css(this.ground(), buttonSlot(variant, part, colors));
        const behind = composite(colorOf(this.background()) ?? WHITE, WHITE);
        const fill = composite(colorOf(css('fill')) ?? behind, behind);
        return {
          state, fill: css('fill'), text: css('label'), edge: css('edge'), ring: state === 'focus' ? this.#css(this.ground(), 'focus') : '',
          found: contrastRatio(composite(colorOf(css('label')) ?? WHITE, fill), fill), exempt: state === 'disabled', key: `${variant} ${state}`,
        };
      }),
    }));
  });
  protected readonly corners: readonly [CornerUse, string][] = [['button', 'Buttons'], ['card', 'Cards'], ['picture', 'Pictures'], ['field', 'Fields']];
  protected readonly bands: readonly BandId[] = ['phone', 'tablet', 'desktop'];
  protected readonly styles = computed(() => this.brand()?.styleOrder.map((id) => ({ value: id, label: this.brand()!.styles[id]!.label })) ?? []);
  /** What the cells in hand have in each part: one value, or how many they differ by. */
  protected readonly inHand = computed(() => {
    const brand = this.brand();
    const keys = [...this.cells()];
    if (!brand || keys.length === 0) return undefined;
    const slots = brand.grounds[this.ground()]!.slots;
    return {
      count: keys.length,
      parts: BUTTON_PARTS.map((part) => {
        const values = new Set(keys.map((key) => JSON.stringify(slots[this.#slot(key, part)] ?? null)));
        const only = values.size === 1 ? (JSON.parse([...values][0]!) as SlotValue | null) : null;
        return { part, scope: this.scopeOf(keys, `Button ${part}`, [part]), swatch: only?.kind === 'swatch' ? only.swatch : null, raw: only?.kind === 'raw' ? only.color : '', differ: values.size > 1 ? `${values.size} values` : only ? 'raw' : 'by rule' };
      }),
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
    this.#store.dispatch(DeskActions.take({ token: slotPath(brand, brand.grounds[this.ground()]!, buttonSlot(variant, 'fill', state === 'focus' ? 'rest' : state)) }));
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
  /** What the parts of these cells reach on the ground shown. */
  protected scopeOf(keys: readonly string[], label: string, parts: readonly ButtonPart[] = BUTTON_PARTS): Scope {
    const brand = this.brand()!;
    const ground = brand.grounds[this.ground()]!;
    return { tokens: keys.flatMap((key) => parts.map((part) => slotPath(brand, ground, this.#slot(key, part)))), label: `${label} on ${ground.label}` };
  }
  protected chooseGround(ground: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { ground, slot: null } }));
  }
  protected take(token: string): void {
    this.#store.dispatch(DeskActions.take({ token }));
  }
  protected setPart(part: ButtonPart, value: SlotValue): void {
    const slots = [...new Set([...this.cells()].map((key) => this.#slot(key, part)))];
    const ground = this.ground();
    this.#editor.commit((site) => ({ label: `Button ${part} on ${site.brand.grounds[ground]!.label}`, ops: slots.map((slot) => setOp(site, ['brand', 'grounds', ground, 'slots', slot], value)) }));
  }
  protected checkColor = (text: string): string => (parseColor(text) ? '' : `“${text.slice(0, 24)}” is no colour. What was set is kept.`);
  protected corner(use: CornerUse, value: number, phase: 'preview' | 'commit'): void {
    this.#editor.set(`${use[0]!.toUpperCase()}${use.slice(1)} corner`, ['brand', 'corners', use], value, phase);
  }
  protected slide(event: Event, phase: 'preview' | 'commit'): void {
    this.corner('button', Number((event.target as HTMLInputElement).value), phase);
  }
  protected pad(size: string, side: 'padX' | 'padY', value: number, phase: 'preview' | 'commit'): void {
    this.#editor.set(`${this.brand()!.sizes[size]!.label} button padding`, ['brand', 'sizes', size, side], value, phase);
  }
  protected space(id: string, band: BandId, value: number, phase: 'preview' | 'commit'): void {
    this.#editor.set(`${this.brand()!.spaces[id]!.label} on ${band}`, ['brand', 'spaces', id, 'values', band], value, phase);
  }
  protected labelStyle(id: string): void {
    this.#editor.set('Button label style', ['brand', 'buttonStyle'], id);
  }
  protected readonly looking: Scope = { words: 'Shows the buttons on another ground; no place changes' };
  protected readonly count = plural;

  #slot(key: string, part: ButtonPart): string {
    const [variant, state] = key.split(' ') as [string, Shown];
    return buttonSlot(variant, part, (state === 'focus' ? 'rest' : state) as ButtonState);
  }
  #css(ground: string, slot: string): string {
    const brand = this.brand()!;
    return tokenValue(tokenTable(brand), slotPath(brand, brand.grounds[ground]!, slot)).css;
  }
}
