import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { LargeSample } from './large-sample.ts';
import { BrandFaultsLine } from '../brand-faults-line.ts';
import { Store } from '@ngrx/store';
import {
  addGround,
  BASE_ROLES,
  buttonRoles,
  buttonRole,
  cssColor,
  cutDownText,
  groundUses,
  hex,
  fixPair,
  colorOf,
  ownWords,
  parseColor,
  plural,
  removeGround,
  resolvedSwatches,
  setRoles,
  setValue,
  setWash,
  roleLabel,
  rolePath,
  clearestChoice,
  defaultRoleValue,
  deltaERgb,
  passingSwatches,
  tokenTable,
  tokenValue,
  parseButtonRole,
  composite,
  type RoleValue,
} from '@yohaku/core';
import { DeskActions, Editor, deskFeature, freshId, NAME_ONLY, Reaching, type Scope } from '../../state/index.ts';
import { ACTS, More, Subject, Choice, NumberField, TextField, VerdictRule } from '../../ui/index.ts';
import { buttonSamples, type ButtonSample } from './button-samples.ts';
import { JointFix } from './joint-fix.ts';
import { callsOf, fallsShort, groundLines, LINE_ROLES, rowsOf, sampleType } from './background-lines.ts';

/**
 * Heights of a background's line, of each line of roles below it, and of the names above all, px; the stylesheet has
 * them as well.
 */
const LINE = 47;
const BELOW = 41;
const HEAD = 26;

/** Calls shown before more are asked for. */
const CALLS = 3;

/** Each ground as one continuous set line, with its figures beneath and one role in hand. */
@Component({
  selector: 'yo-grounds',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    BrandFaultsLine,
    ACTS,
    More,
    Subject,
    NgTemplateOutlet,
    VerdictRule,
    Choice,
    NumberField,
    TextField,
    Reaching,
    JointFix,
    LargeSample,
  ],
  templateUrl: './backgrounds-step.html',
  styleUrl: './backgrounds-step.less',
})
export class BackgroundsStep {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #desk = this.#store.selectSignal(deskFeature.selectDeskState);
  protected readonly site = this.#editor.shown;
  protected readonly together = signal(false);
  protected readonly lines = computed(() => (this.site() ? groundLines(this.site()!) : []));
  protected readonly heads = [
    'Eyebrow',
    'Heading',
    'Body text',
    'Link',
    'Secondary text',
    'Form field',
    'Focus ring',
    'Divider',
  ];
  protected readonly variants = computed(
    () => this.site()?.brand.variantOrder.map((id) => this.site()!.brand.variants[id]!) ?? [],
  );
  protected readonly words = computed(() => {
    const site = this.site();
    return site && ownWords(site).short;
  });
  protected readonly families = computed(() => sampleType(this.site()?.brand));
  /** How the buttons of each variant are set and shaped: a sample that is not the brand's own is no sample. */
  protected readonly buttons = computed(() => {
    const brand = this.site()?.brand;
    return brand ? buttonSamples(brand, this.families()) : new Map<string, ButtonSample>();
  });

  protected readonly chosen = computed(() => {
    const { ground, role } = this.#desk();
    const lines = this.lines();
    const failing = callsOf(lines)
      .filter((call) => call.fails)
      .map(({ line, sample }) => ({ line, sample }))[0];
    const line = lines.find((entry) => entry.id === ground) ?? failing?.line ?? lines[0];
    const site = this.site();
    if (!line || !site) return undefined;
    const wanted =
      role ?? (ground === null || ground === failing?.line.id ? failing?.sample.role : undefined) ?? 'text';
    return {
      line,
      role: wanted,
      value: site.brand.grounds[line.id]!.roles[wanted],
      path: rolePath(site.brand, site.brand.grounds[line.id]!, wanted),
    };
  });
  protected readonly roleFacts = computed(() => {
    const chosen = this.chosen();
    const site = this.site();
    if (!chosen || !site) return undefined;
    const sample = [...chosen.line.samples, ...chosen.line.more].find((entry) => entry.role === chosen.role);
    const table = tokenTable(site.brand);
    const { css, chain } = tokenValue(table, chosen.path);
    const by =
      chosen.value === undefined
        ? `automatic${defaultRoleValue(chosen.role).kind === 'readable' && !chosen.role.startsWith('background') ? `, ${this.#clearest(chosen.line.id, chosen.role)}` : ''}`
        : chosen.value.kind === 'readable'
          ? this.#clearest(chosen.line.id, chosen.role)
          : chosen.value.kind === 'same'
            ? `same as ${roleLabel(chosen.value.role).toLowerCase()}`
            : chosen.value.kind === 'raw'
              ? 'raw'
              : chosen.value.kind === 'contrast'
                ? `hue of ${site.brand.swatches[chosen.value.swatch]?.label ?? ''} at ${chosen.value.ratio}`
                : '';
    return {
      sample,
      css,
      from:
        chain
          .slice(1)
          .map((path) => table.get(path)!.label)
          .at(-1) ?? '',
      by,
    };
  });
  /** The one figure of the role in hand: its ratio and the required one, where its colour comes from, its places. */
  protected readonly headline = computed(() => {
    const facts = this.roleFacts();
    if (this.selected().length > 1) return `${this.selected().length} roles selected`;
    if (!facts) return '';
    const { sample, from, by } = facts;
    const ratio = sample?.found == null ? '' : `${cutDownText(sample.found)}, needs ${sample.needed}`;
    return [ratio, [from, by].filter(Boolean).join(', '), sample ? plural(sample.places, 'place') : '']
      .filter(Boolean)
      .join('; ');
  });
  /** Returns the result of the rule for a readable colour, and why it is not a core swatch if it is not. */
  #clearest(ground: string, role: string): string {
    const { among, needed, ratio } = clearestChoice(this.site()!.brand, ground, role);
    if (among === 'core' && ratio >= needed) return 'best contrast from core';
    if (ratio < needed) return `best contrast available; no swatch reaches ${needed}`;
    return among === 'side'
      ? `not from core: no core swatch reaches ${needed}`
      : `black or white: no swatch reaches ${needed}`;
  }
  protected readonly fix = computed(() => {
    const sample = this.roleFacts()?.sample;
    const color = sample && this.fails(sample) ? colorOf(sample.css) : undefined;
    if (!sample || !color || sample.role === 'stripe') return undefined;
    const painted = composite(color, sample.behind);
    const found = fixPair(painted, sample.behind, sample.needed);
    // The brand's own swatch that passes comes before a colour that is in no palette.
    const own = sample.path.includes('-edge')
      ? undefined
      : passingSwatches(this.site()!.brand, painted, sample.behind, sample.needed)[0];
    return {
      own: own && { id: own.swatch.id, label: own.swatch.label, deltaE: cutDownText(deltaERgb(painted, own.rgb), 3) },
      other: found && { hex: hex(found.rgb), deltaE: cutDownText(found.deltaE, 3) },
    };
  });
  protected readonly swatches = computed(() =>
    this.site()
      ? resolvedSwatches(this.site()!.brand).map(({ swatch, rgb }) => ({
          value: swatch.id,
          label: swatch.label,
          color: cssColor(rgb),
        }))
      : [],
  );
  protected readonly roles = computed(() =>
    [...BASE_ROLES, ...(this.site()?.brand.variantOrder.flatMap(buttonRoles) ?? [])]
      .filter((role) => role !== 'background-to' || this.wash())
      .map((role) => {
        const button = parseButtonRole(role);
        return {
          value: role,
          label: button ? `${this.site()!.brand.variants[button.variant]!.label} ${roleLabel(role)}` : roleLabel(role),
        };
      }),
  );
  protected readonly grounds = computed(() =>
    this.lines()
      .filter((line) => line.id !== this.chosen()?.line.id)
      .map((line) => ({ value: line.id, label: line.label, color: line.background })),
  );
  /** The gradient of the ground in hand, with the swatch at its far end. */
  protected readonly wash = computed(() => {
    const ground = this.site()?.brand.grounds[this.chosen()?.line.id ?? ''];
    const to = ground?.roles['background-to'];
    return ground?.wash ? { angle: ground.wash.angle, to: to?.kind === 'swatch' ? to.swatch : null } : undefined;
  });
  protected readonly farEnds = computed(() => [{ value: '', label: 'none' }, ...this.swatches()]);
  protected washTo(swatch: string): void {
    const { line } = this.chosen()!;
    this.#editor.commit((site) => setWash(site, line.id, swatch === '' ? null : { to: { kind: 'swatch', swatch } }));
  }
  protected turn(angle: number, phase: 'preview' | 'commit'): void {
    const { line } = this.chosen()!;
    this.#editor[phase]((site) => setWash(site, line.id, { angle }));
  }
  protected readonly uses = computed(() =>
    this.site() && this.chosen() ? groundUses(this.site()!, this.chosen()!.line.id) : [],
  );

  protected readonly LINE = LINE;
  protected readonly HEAD = HEAD;
  /** Height of all lines, px. */
  protected readonly tall = computed(
    () => HEAD + this.shownLines().reduce((sum, group) => sum + LINE + (group.rows.length - 1) * BELOW, 0),
  );
  protected readonly fails = fallsShort;
  /** True if the lines show every role in use, or the main ones and what fails. */
  protected readonly open = computed(() => this.#desk().unfolded);
  protected fold(): void {
    this.#store.dispatch(DeskActions.unfold({ unfolded: !this.open() }));
  }
  protected readonly shownLines = computed(() => {
    const columns = this.heads.length + this.variants().length;
    return this.lines().map((line) => ({ line, rows: rowsOf(line, columns, this.open()) }));
  });
  protected readonly calls = computed(() => callsOf(this.lines()));
  protected readonly callsShown = signal(CALLS);
  /** Returns the label of a role whose variant no column shows. */
  protected nameOf(role: string): string {
    return this.roles().find((entry) => entry.value === role)?.label ?? roleLabel(role);
  }
  protected shortName(role: string): string {
    const button = parseButtonRole(role);
    return button ? `${this.site()!.brand.variants[button.variant]!.label}, ${button.state}` : roleLabel(role);
  }
  protected readonly callsAtFirst = CALLS;
  protected rolePathOf(line: string, role: string): string {
    const brand = this.site()!.brand;
    return rolePath(brand, brand.grounds[line]!, role);
  }
  protected button(variant: string): string {
    return buttonRole(variant, 'label', 'rest');
  }
  protected color(line: string, role: string): string {
    const brand = this.site()!.brand;
    return tokenValue(tokenTable(brand), rolePath(brand, brand.grounds[line]!, role)).css;
  }
  protected readonly lineRoles = LINE_ROLES;

  /** Roles in hand besides the chosen one, as `ground role`: they are edited together. */
  protected readonly more = signal<ReadonlySet<string>>(new Set());
  protected readonly selected = computed(() => {
    const chosen = this.chosen();
    const site = this.site();
    if (!chosen || !site) return [];
    const others = [...this.more()]
      .map((key) => key.split(' ') as [string, string])
      .filter(([ground, role]) => site.brand.grounds[ground] && !(ground === chosen.line.id && role === chosen.role));
    return [{ ground: chosen.line.id, role: chosen.role }, ...others.map(([ground, role]) => ({ ground, role }))];
  });
  protected isNow(ground: string, role: string): boolean {
    return this.selected().some((entry) => entry.ground === ground && entry.role === role);
  }
  /** A press takes one role; with Shift or Ctrl it joins those in hand, or leaves them. */
  protected pick(event: MouseEvent | null, ground: string, role: string): void {
    const chosen = this.chosen();
    if (!chosen || !event || !(event.shiftKey || event.ctrlKey || event.metaKey)) {
      this.more.set(new Set());
      return this.choose(ground, role);
    }
    const key = `${ground} ${role}`;
    if (ground === chosen.line.id && role === chosen.role) return;
    this.more.update((known) =>
      known.has(key) ? new Set([...known].filter((entry) => entry !== key)) : new Set([...known, key]),
    );
  }
  /** Another role in hand: on every ground on which one was. */
  protected role(role: string): void {
    const grounds = [...new Set(this.selected().map((entry) => entry.ground))];
    this.choose(this.chosen()!.line.id, role);
    this.more.set(new Set(grounds.map((ground) => `${ground} ${role}`)));
  }
  /** The same role on every ground. */
  protected column(role: string): void {
    const chosen = this.chosen();
    if (!chosen) return;
    this.choose(chosen.line.id, role);
    this.more.set(new Set(this.lines().map((line) => `${line.id} ${role}`)));
  }
  /** Every role of a ground that its line shows. */
  protected row(ground: string): void {
    const roles = [...LINE_ROLES, ...this.variants().map((variant) => this.button(variant.id))];
    this.choose(ground, roles[0]!);
    this.more.set(new Set(roles.map((role) => `${ground} ${role}`)));
  }

  protected choose(ground: string, role: string): void {
    const brand = this.site()!.brand;
    this.#store.dispatch(DeskActions.choose({ choice: { ground, role } }));
    this.#store.dispatch(DeskActions.take({ token: rolePath(brand, brand.grounds[ground]!, role) }));
  }
  protected setTo(value: RoleValue | undefined): void {
    const roles = this.selected();
    this.#editor.commit((site) => setRoles(site, roles, value));
  }
  protected swatch(id: string): void {
    this.setTo({ kind: 'swatch', swatch: id });
  }
  protected same(role: string): void {
    this.setTo({ kind: 'same', role });
  }
  /** The hue of a swatch at the contrast that is needed here, or at another. */
  protected atContrast(swatch: string, ratio?: number): void {
    const now = this.chosen()?.value;
    this.setTo({
      kind: 'contrast',
      swatch,
      ratio: ratio ?? (now?.kind === 'contrast' ? now.ratio : (this.roleFacts()?.sample?.needed ?? 4.5)),
    });
  }
  protected raw(text: string): void {
    this.setTo({ kind: 'raw', color: text });
  }
  protected checkColor = (text: string): string =>
    parseColor(text) ? '' : `“${text.slice(0, 24)}” is not a colour. The old value is kept.`;
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
    this.#editor.commit((site) =>
      setValue(site, `Rename ${line.label}`, ['brand', 'grounds', line.id, 'label'], label),
    );
  }
  protected checkName = (text: string): string =>
    text === ''
      ? 'A background needs a name.'
      : text.length > 80
        ? 'At most 80 characters.'
        : this.lines().some(
              (line) => line.id !== this.chosen()?.line.id && line.label.toLowerCase() === text.toLowerCase(),
            )
          ? `“${text}” is already used.`
          : '';
  /** The loss if the background is deleted, in words. */
  protected readonly loss = computed(() => {
    const uses = this.uses();
    return uses.length === 0
      ? ''
      : `${plural(uses.length, 'section')} ${uses.length === 1 ? 'stands' : 'stand'} on it: ${uses.slice(0, 2).join('; ')}${uses.length > 2 ? ` and ${uses.length - 2} more` : ''}.`;
  });
  protected remove(replacement: string): void {
    const { line } = this.chosen()!;
    this.#editor.commit((site) => removeGround(site, line.id, replacement || this.grounds()[0]!.value));
    this.#store.dispatch(DeskActions.choose({ choice: { ground: null, role: null } }));
  }
  protected readonly unused: Scope = { words: 'A new background is used in no place until a section has it' };
  protected readonly nameOnly = NAME_ONLY;
  protected readonly count = plural;
  protected readonly cut = cutDownText;
}
