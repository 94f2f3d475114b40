import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { Store } from '@ngrx/store';
import {
  addGround, BASE_SLOTS, buttonSlots, buttonSlot, cssColor, cutDownText, groundUses, hex, mendPair, colorOf, parseColor, plural, removeGround, resolvedSwatches, setSlots, setValue, setWash, shapeOfVariant, cornerCss, slotLabel, slotPath, clearestChoice, defaultSlotValue, deltaERgb, passingSwatches,
  tokenTable, tokenValue, parseButtonSlot, composite, type SlotValue,
} from '@yohaku/core';
import { DeskActions, Editor, deskFeature, freshId, NAME_ONLY, Reaching, type Scope } from '../../state/index.ts';
import { ACTS, More, Choice, NumberField, TextField, VerdictRule } from '../../ui/index.ts';
import { JointMend } from './joint-mend.ts';
import { callsOf, fallsShort, groundLines, LINE_SLOTS, rowsOf } from './ground-lines.ts';

/** Heights of a background's line, of each line of roles below it, and of the names above all, px; the stylesheet has them as well. */
const LINE = 47;
const BELOW = 41;
const HEAD = 26;

/** Height of a sample of a button, px: what a corner that is a share is a share of. */
const SAMPLE_HEIGHT = 24;
type ButtonSample = Readonly<Record<string, string>>;

/** Calls shown before more are asked for. */
const CALLS = 3;

/** Each ground as one continuous set line, with its figures beneath and one slot in hand. */
@Component({
  selector: 'yo-grounds',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, More, NgTemplateOutlet, VerdictRule, Choice, NumberField, TextField, Reaching, JointMend],
  templateUrl: './grounds-step.html',
  styleUrl: './grounds-step.less',
})
export class GroundsStep {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  protected readonly site = this.#editor.shown;
  protected readonly together = signal(false);
  protected readonly lines = computed(() => (this.site() ? groundLines(this.site()!) : []));
  protected readonly heads = ['Eyebrow', 'Heading', 'Running text', 'Link', 'Secondary', 'Field', 'Focus', 'Rule'];
  protected readonly variants = computed(() => this.site()?.brand.variantOrder.map((id) => this.site()!.brand.variants[id]!) ?? []);
  protected readonly words = computed(() => {
    // The site's own words: its first short heading and first menu entries.
    const items = Object.values(this.site()?.shared.header.items ?? {});
    return { heading: items[2]?.label ?? 'Heading', text: 'Sails at nine,', link: 'see fares', secondary: 'from Pier 2', button: 'Book' };
  });
  protected readonly families = computed(() => {
    const table = this.site() && tokenTable(this.site()!.brand);
    return { heading: table?.get('family.heading')?.css ?? '', body: table?.get('family.body')?.css ?? '' };
  });
  /** How the buttons of each variant are set and shaped: a sample that is not the brand's own is no sample. */
  protected readonly buttons = computed(() => {
    const brand = this.site()?.brand;
    const style = brand?.styles[brand.buttonStyle];
    if (!brand || !style) return new Map<string, ButtonSample>();
    const set = { 'font-family': this.families()[style.family], 'font-weight': String(style.weight), 'font-style': style.italic ? 'italic' : 'normal', 'text-transform': style.textCase, 'letter-spacing': `${style.letterSpacing}em` };
    return new Map(brand.variantOrder.map((id): [string, ButtonSample] => {
      const { corner, edge } = shapeOfVariant(brand, id);
      const radius = typeof corner === 'number' ? `${corner}px` : corner.value.kind === 'share' ? `${corner.value.share * SAMPLE_HEIGHT}px` : cornerCss(corner.value);
      return [id, { ...set, 'border-radius': radius, 'border-width': `${edge}px` }];
    }));
  });

  protected readonly chosen = computed(() => {
    const { ground, slot } = this.#desk();
    const lines = this.lines();
    const failing = callsOf(lines).filter((call) => call.fails).map(({ line, sample }) => ({ line, one: sample }))[0];
    const line = lines.find((one) => one.id === ground) ?? failing?.line ?? lines[0];
    const site = this.site();
    if (!line || !site) return undefined;
    const wanted = slot ?? (ground === null || ground === failing?.line.id ? failing?.one.slot : undefined) ?? 'text';
    return { line, slot: wanted, value: site.brand.grounds[line.id]!.slots[wanted], path: slotPath(site.brand, site.brand.grounds[line.id]!, wanted) };
  });
  protected readonly slotFacts = computed(() => {
    const chosen = this.chosen();
    const site = this.site();
    if (!chosen || !site) return undefined;
    const sample = [...chosen.line.samples, ...chosen.line.more].find((one) => one.slot === chosen.slot);
    const table = tokenTable(site.brand);
    const { css, chain } = tokenValue(table, chosen.path);
    const by = chosen.value === undefined ? `automatic${defaultSlotValue(chosen.slot).kind === 'readable' && !chosen.slot.startsWith('background') ? `, ${this.#clearest(chosen.line.id, chosen.slot)}` : ''}` : chosen.value.kind === 'readable' ? this.#clearest(chosen.line.id, chosen.slot) : chosen.value.kind === 'same' ? `same as ${slotLabel(chosen.value.slot).toLowerCase()}` : chosen.value.kind === 'raw' ? 'raw' : chosen.value.kind === 'contrast' ? `hue of ${site.brand.swatches[chosen.value.swatch]?.label ?? ''} at ${chosen.value.ratio}` : '';
    return { sample, css, from: chain.slice(1).map((path) => table.get(path)!.label).at(-1) ?? '', by };
  });
  /** What the rule for a readable colour came to, and why it is not of the core where it is not. */
  #clearest(ground: string, slot: string): string {
    const { among, needed, ratio } = clearestChoice(this.site()!.brand, ground, slot);
    if (among === 'core' && ratio >= needed) return 'clearest core swatch';
    if (ratio < needed) return `clearest there is; nothing reaches ${needed}`;
    return among === 'side' ? `not of the core: none of it reaches ${needed}` : `plain, as no swatch reaches ${needed}`;
  }
  protected readonly mend = computed(() => {
    const sample = this.slotFacts()?.sample;
    const color = sample && this.fails(sample) ? colorOf(sample.css) : undefined;
    if (!sample || !color || sample.slot === 'stripe') return undefined;
    const painted = composite(color, sample.behind);
    const found = mendPair(painted, sample.behind, sample.needed);
    // The brand's own swatch that passes comes before a colour that is in no palette.
    const own = sample.path.includes('-edge') ? undefined : passingSwatches(this.site()!.brand, painted, sample.behind, sample.needed)[0];
    return { own: own && { id: own.swatch.id, label: own.swatch.label, deltaE: cutDownText(deltaERgb(painted, own.rgb), 3) }, other: found && { hex: hex(found.rgb), deltaE: cutDownText(found.deltaE, 3) } };
  });
  protected readonly swatches = computed(() => (this.site() ? resolvedSwatches(this.site()!.brand).map(({ swatch, rgb }) => ({ value: swatch.id, label: swatch.label, color: cssColor(rgb) })) : []));
  protected readonly slots = computed(() => [...BASE_SLOTS, ...(this.site()?.brand.variantOrder.flatMap(buttonSlots) ?? [])].filter((slot) => slot !== 'background-to' || this.wash()).map((slot) => {
    const button = parseButtonSlot(slot);
    return { value: slot, label: button ? `${this.site()!.brand.variants[button.variant]!.label} ${slotLabel(slot)}` : slotLabel(slot) };
  }));
  protected readonly grounds = computed(() => this.lines().filter((one) => one.id !== this.chosen()?.line.id).map((one) => ({ value: one.id, label: one.label, color: one.background })));
  /** The gradient of the ground in hand, with the swatch at its far end. */
  protected readonly wash = computed(() => {
    const ground = this.site()?.brand.grounds[this.chosen()?.line.id ?? ''];
    const to = ground?.slots['background-to'];
    return ground?.wash ? { angle: ground.wash.angle, to: to?.kind === 'swatch' ? to.swatch : null } : undefined;
  });
  protected readonly farEnds = computed(() => [{ value: '', label: 'nothing, it is flat' }, ...this.swatches()]);
  protected washTo(swatch: string): void {
    const { line } = this.chosen()!;
    this.#editor.commit((site) => setWash(site, line.id, swatch === '' ? null : { to: { kind: 'swatch', swatch } }));
  }
  protected turn(angle: number, phase: 'preview' | 'commit'): void {
    const { line } = this.chosen()!;
    this.#editor[phase]((site) => setWash(site, line.id, { angle }));
  }
  protected readonly uses = computed(() => (this.site() && this.chosen() ? groundUses(this.site()!, this.chosen()!.line.id) : []));

  protected readonly LINE = LINE;
  protected readonly HEAD = HEAD;
  /** Height of all lines, px. */
  protected readonly tall = computed(() => HEAD + this.sheet().reduce((sum, group) => sum + LINE + (group.rows.length - 1) * BELOW, 0));
  protected readonly fails = fallsShort;
  /** Whether the lines show every slot in use, or the main ones and what fails. */
  protected readonly open = computed(() => this.#desk().unfolded);
  protected fold(): void {
    this.#store.dispatch(DeskActions.unfold({ unfolded: !this.open() }));
  }
  protected readonly sheet = computed(() => {
    const columns = this.heads.length + this.variants().length;
    return this.lines().map((line) => ({ line, rows: rowsOf(line, columns, this.open()) }));
  });
  protected readonly calls = computed(() => callsOf(this.lines()));
  protected readonly callsShown = signal(CALLS);
  /** What a slot is called where its variant is not told by a column. */
  protected nameOf(slot: string): string {
    return this.slots().find((one) => one.value === slot)?.label ?? slotLabel(slot);
  }
  protected shortName(slot: string): string {
    const button = parseButtonSlot(slot);
    return button ? `${this.site()!.brand.variants[button.variant]!.label}, ${button.state}` : slotLabel(slot);
  }
  protected readonly callsAtFirst = CALLS;
  protected slotPathOf(line: string, slot: string): string {
    const brand = this.site()!.brand;
    return slotPath(brand, brand.grounds[line]!, slot);
  }
  protected button(variant: string): string {
    return buttonSlot(variant, 'label', 'rest');
  }
  protected color(line: string, slot: string): string {
    const brand = this.site()!.brand;
    return tokenValue(tokenTable(brand), slotPath(brand, brand.grounds[line]!, slot)).css;
  }
  protected readonly lineSlots = LINE_SLOTS;

  /** Slots in hand besides the chosen one, as `ground slot`: they are edited together. */
  protected readonly more = signal<ReadonlySet<string>>(new Set());
  protected readonly inHand = computed(() => {
    const chosen = this.chosen();
    const site = this.site();
    if (!chosen || !site) return [];
    const others = [...this.more()].map((key) => key.split(' ') as [string, string]).filter(([ground, slot]) => site.brand.grounds[ground] && !(ground === chosen.line.id && slot === chosen.slot));
    return [{ ground: chosen.line.id, slot: chosen.slot }, ...others.map(([ground, slot]) => ({ ground, slot }))];
  });
  protected isNow(ground: string, slot: string): boolean {
    return this.inHand().some((one) => one.ground === ground && one.slot === slot);
  }
  /** A press takes one slot; with Shift or Ctrl it joins those in hand, or leaves them. */
  protected pick(event: MouseEvent | null, ground: string, slot: string): void {
    const chosen = this.chosen();
    if (!chosen || !event || !(event.shiftKey || event.ctrlKey || event.metaKey)) {
      this.more.set(new Set());
      return this.choose(ground, slot);
    }
    const key = `${ground} ${slot}`;
    if (ground === chosen.line.id && slot === chosen.slot) return;
    this.more.update((known) => (known.has(key) ? new Set([...known].filter((one) => one !== key)) : new Set([...known, key])));
  }
  /** Another role in hand: on every ground on which one was. */
  protected role(slot: string): void {
    const grounds = [...new Set(this.inHand().map((one) => one.ground))];
    this.choose(this.chosen()!.line.id, slot);
    this.more.set(new Set(grounds.map((ground) => `${ground} ${slot}`)));
  }
  /** The same slot on every ground. */
  protected column(slot: string): void {
    const chosen = this.chosen();
    if (!chosen) return;
    this.choose(chosen.line.id, slot);
    this.more.set(new Set(this.lines().map((line) => `${line.id} ${slot}`)));
  }
  /** Every slot of a ground that its line shows. */
  protected row(ground: string): void {
    const slots = [...LINE_SLOTS, ...this.variants().map((variant) => this.button(variant.id))];
    this.choose(ground, slots[0]!);
    this.more.set(new Set(slots.map((slot) => `${ground} ${slot}`)));
  }

  protected choose(ground: string, slot: string): void {
    const brand = this.site()!.brand;
    this.#store.dispatch(DeskActions.choose({ choice: { ground, slot } }));
    this.#store.dispatch(DeskActions.take({ token: slotPath(brand, brand.grounds[ground]!, slot) }));
  }
  protected setTo(value: SlotValue | undefined): void {
    const slots = this.inHand();
    this.#editor.commit((site) => setSlots(site, slots, value));
  }
  protected swatch(id: string): void {
    this.setTo({ kind: 'swatch', swatch: id });
  }
  protected same(slot: string): void {
    this.setTo({ kind: 'same', slot });
  }
  /** The hue of a swatch at the contrast that is needed here, or at another. */
  protected atContrast(swatch: string, ratio?: number): void {
    const now = this.chosen()?.value;
    this.setTo({ kind: 'contrast', swatch, ratio: ratio ?? (now?.kind === 'contrast' ? now.ratio : (this.slotFacts()?.sample?.needed ?? 4.5)) });
  }
  protected raw(text: string): void {
    this.setTo({ kind: 'raw', color: text });
  }
  protected checkColor = (text: string): string => (parseColor(text) ? '' : `“${text.slice(0, 24)}” is no colour. What was set is kept.`);
  protected add(): void {
    const background = this.swatches()[0]?.value;
    if (!background) return;
    const id = freshId('g');
    this.#editor.commit((site) => addGround(site, id, { background }));
    this.choose(id, 'background');
  }
  protected duplicate(): void {
    const id = freshId('g');
    const from = this.chosen()!.line.id;
    this.#editor.commit((site) => addGround(site, id, { copyOf: from }));
    this.choose(id, 'background');
  }
  protected rename(label: string): void {
    const { line } = this.chosen()!;
    this.#editor.commit((site) => setValue(site, `Rename ${line.label}`, ['brand', 'grounds', line.id, 'label'], label));
  }
  protected checkName = (text: string): string =>
    text === '' ? 'A background needs a name.' : text.length > 80 ? 'At most 80 characters.' : this.lines().some((one) => one.id !== this.chosen()?.line.id && one.label.toLowerCase() === text.toLowerCase()) ? `“${text}” is taken.` : '';
  /** What would be lost with the background. */
  protected readonly loss = computed(() => {
    const uses = this.uses();
    return uses.length === 0 ? '' : `${plural(uses.length, 'section')} ${uses.length === 1 ? 'stands' : 'stand'} on it: ${uses.slice(0, 2).join('; ')}${uses.length > 2 ? ` and ${uses.length - 2} more` : ''}.`;
  });
  protected remove(heir: string): void {
    const { line } = this.chosen()!;
    this.#editor.commit((site) => removeGround(site, line.id, heir || this.grounds()[0]!.value));
    this.#store.dispatch(DeskActions.choose({ choice: { ground: null, slot: null } }));
  }
  protected readonly unused: Scope = { words: 'A new background paints no place until a section stands on it' };
  protected readonly nameOnly = NAME_ONLY;
  protected readonly count = plural;
  protected readonly cut = cutDownText;
}
