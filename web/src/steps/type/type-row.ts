import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { Store } from '@ngrx/store';
import {
  LEAST_STEP,
  cutDownText,
  familyById,
  familyStack,
  inRange,
  unclearSteps,
  plural,
  round,
  styleSizeAt,
  type UnclearStep,
  type TextStyle,
} from '@yohaku/core';
import { DeskActions, Editor, Reaching, remember, remembered, type Scope } from '../../state/index.ts';
import { ACTS, KEYS, NumberField, Pull, VerdictRule, type Pulled } from '../../ui/index.ts';
import { Slider } from '../../ui/late/index.ts';
import { ScaleEnd } from './scale-end.ts';
import { scaleScope } from './scale-scope.ts';

interface Rung {
  readonly id: string;
  readonly style: TextStyle;
  readonly size: number;
  readonly small: number;
  readonly stack: string;
  /** How far the baseline stands above the foot of the word's box when it is set in so many px, px. */ readonly foot: (
    px: number,
  ) => number;
  readonly ratio: number | null;
  readonly finding: UnclearStep | undefined;
  readonly step: number | null;
  readonly apart: boolean;
}

const PHONE = 390;
/** Line height of the words, em; the stylesheet has it as well. */
const LINE = 0.78;
/**
 * Baseline above the foot of a line: half of what the line has, less half of what
 * the letters have more above it than below (CSS Inline 3, 4.1). The browser takes
 * the letters in whole px, and so the space above them.
 */
const footOf =
  (metrics?: { readonly ascent: number; readonly descent: number }) =>
  (px: number): number => {
    const [above, below] = [
      Math.round((metrics?.ascent ?? 0.95) * px),
      Math.round(Math.abs(metrics?.descent ?? 0.25) * px),
    ];
    return round(LINE * px - above - Math.floor((LINE * px - above - below) / 2), 2);
  };
const KEY = 'yohaku-ladder-width';
const kept = (): number => {
  const width = Number(remembered(KEY));
  return inRange('pageWidth', width) ? width : 1280;
};

/** How large the largest word is drawn at most where the ladder has its usual width, px. */
const LARGEST = 46;
/** Letters of the word that this is right for. */
/** Width of the heads at the left end, px. */
const HEADS = 176;
const USUAL_WORD = 7;
const USUAL = 1064;

/**
 * One word in all styles on one baseline, at any width, with the phone on a baseline of its own below; ratios between
 * neighbours; the fields of the scale at the left end of each row; the scale pulled by its ends.
 */
@Component({
  selector: 'yo-type-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, ScaleEnd, Slider, NumberField, Pull, VerdictRule, Reaching],
  templateUrl: './type-row.html',
  styleUrl: './type-row.less',
})
export class TypeRow {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly chosen = input.required<string>();
  readonly together = input.required<ReadonlySet<string>>();
  readonly takes = output<ReadonlySet<string>>();
  protected readonly width = signal(kept());
  protected readonly phone = PHONE;
  protected readonly least = LEAST_STEP;
  readonly #site = this.#editor.shown;
  readonly #brand = computed(() => this.#site()?.brand);
  protected readonly word = computed(() => {
    const words = (this.#site()?.name ?? 'Harbour').split(/\s+/);
    return words.sort((text, other) => Math.abs(text.length - USUAL_WORD) - Math.abs(other.length - USUAL_WORD))[0]!;
  });
  protected readonly rungs = computed((): Rung[] => {
    const brand = this.#brand();
    if (!brand) return [];
    const styles = brand.styleOrder.map((id) => brand.styles[id]!);
    const ladder = styles
      .filter((style) => style.use !== 'other')
      .sort((style, other) => ORDER[style.use] - ORDER[other.use]);
    const rest = styles.filter((style) => style.use === 'other');
    const at = (style: TextStyle) => styleSizeAt(brand, style, this.width());
    const found = unclearSteps(
      ladder.map((style) => ({ style: style.id, size: at(style), heading: style.use === 'heading' })),
    );
    return [...ladder, ...rest].map((style, i, all) => {
      const next = i < ladder.length - 1 ? all[i + 1] : undefined;
      return {
        id: style.id,
        style,
        size: at(style),
        small: styleSizeAt(brand, style, PHONE),
        stack: familyStack(brand.families[style.family], brand.fonts),
        foot: footOf(familyById(brand.families[style.family], brand.fonts)?.metrics),
        ratio: next ? at(style) / at(next) : null,
        finding: found.find((entry) => entry.upper === style.id),
        step: style.size.kind === 'step' ? style.size.step : null,
        apart: i === ladder.length,
      };
    });
  });
  /**
   * Display sizes are drawn at most this large, a long word smaller, that all stand in sight; all are scaled alike, so
   * that ratios stay true.
   */
  protected readonly drawn = computed(() =>
    Math.min(
      1,
      (this.#largest() * Math.max(0.6, Math.min(1, USUAL_WORD / this.word().length))) /
        Math.max(...this.rungs().map((rung) => rung.size), 1),
    ),
  );
  /** Wider windows set the scale larger, not just wider apart; px. */
  readonly #largest = signal(LARGEST);
  /**
   * The size a word is set in before it is scaled to its own, px: one of few, for every new font size costs the browser
   * a new set of glyphs.
   */
  protected set(size: number): number {
    return 2 ** (Math.round(Math.log2(size * this.drawn()) * 4) / 4);
  }
  /** Heights of the two rows of words, px: as high as the largest of each. */
  protected readonly rowWide = computed(() => this.#rowOf((rung) => rung.size));
  protected readonly rowPhone = computed(() => this.#rowOf((rung) => rung.small));
  #rowOf(size: (rung: Rung) => number): number {
    return Math.max(24, Math.ceil(Math.max(...this.rungs().map(size), 1) * this.drawn() * 0.86));
  }
  readonly #top = computed(() => Math.max(...this.rungs().map((rung) => rung.step ?? -9)));
  protected readonly scopes = computed(() => ({
    base: scaleScope(this.#brand(), 'base'),
    ratio: scaleScope(this.#brand(), 'ratio'),
  }));

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const size = new ResizeObserver(() =>
      this.#largest.set(Math.round(Math.min(1.3, Math.max(0.7, (host.clientWidth - HEADS) / USUAL) ** 1.4) * LARGEST)),
    );
    afterNextRender(() => size.observe(host));
    inject(DestroyRef).onDestroy(() => size.disconnect());
    effect(() => {
      const style = this.#brand()?.styles[this.chosen()];
      if (style) this.#store.dispatch(DeskActions.take({ token: `text.${style.path}.size` }));
    });
    effect(() => remember(KEY, String(this.width())));
  }

  /** Takes a style in hand; with Shift or Control together with those that are. */
  protected choose(id: string, event?: MouseEvent | KeyboardEvent): void {
    if (event && (event.shiftKey || event.ctrlKey || event.metaKey)) {
      const next = new Set(this.together().size > 0 ? this.together() : [this.chosen()]);
      if (!next.delete(id)) next.add(id);
      return this.takes.emit(next);
    }
    this.takes.emit(new Set());
    this.#store.dispatch(DeskActions.choose({ choice: { style: id } }));
  }
  protected all(wanted: (style: TextStyle) => boolean): void {
    this.takes.emit(
      new Set(
        this.rungs()
          .filter((rung) => wanted(rung.style))
          .map((rung) => rung.id),
      ),
    );
  }
  protected readonly isHeading = (style: TextStyle): boolean => style.use === 'heading';
  protected readonly isRunning = (style: TextStyle): boolean => style.use === 'running';
  protected readonly isAny = (): boolean => true;
  protected selected(id: string): boolean {
    return this.together().size > 0 ? this.together().has(id) : id === this.chosen();
  }
  protected pullable(rung: Rung): boolean {
    return rung.step === 0 || rung.step === this.#top();
  }
  protected scale(field: 'base' | 'ratio', value: number, phase: 'preview' | 'commit'): void {
    this.#editor.set(
      `Scale ${field} at ${this.#brand()!.scale.large.width}`,
      ['brand', 'scale', 'large', field],
      value,
      phase,
    );
  }
  /** Pulling an end of the ladder: the top changes the ratio, the foot the base, at the large width. */
  protected pull({ dy }: Pulled, { step, size }: Rung): void {
    if (step === null || step < 0) return;
    this.#pulled ??= {
      base: this.#brand()!.scale.large.base,
      ratio: this.#brand()!.scale.large.ratio,
      size,
      value: undefined,
    };
    const px = Math.max(8, this.#pulled.size - dy / this.drawn());
    const value = step === 0 ? round(px, 1) : round((px / this.#pulled.base) ** (1 / step), 3);
    if (!inRange(step === 0 ? 'scaleBase' : 'scaleRatio', value)) return;
    this.#pulled.value = value;
    this.scale(step === 0 ? 'base' : 'ratio', value, 'preview');
  }
  protected letGo({ step }: Rung): void {
    const held = this.#pulled;
    this.#pulled = undefined;
    if (held?.value !== undefined && held.value !== (step === 0 ? held.base : held.ratio))
      this.scale(step === 0 ? 'base' : 'ratio', held.value, 'commit');
  }
  /** The scale as it was when an end was taken hold of, and what it was pulled to. */
  #pulled:
    { readonly base: number; readonly ratio: number; readonly size: number; value: number | undefined } | undefined;
  protected keyPull(event: KeyboardEvent, rung: Rung): void {
    const by = KEYS.rung.by(event);
    if (by === 0) return;
    const { base, ratio } = this.#brand()!.scale.large;
    if (rung.step === 0) this.scale('base', round(base + by * 0.5, 1), 'commit');
    else this.scale('ratio', round(ratio + by * 0.01, 3), 'commit');
  }
  protected readonly looking: Scope = { words: 'Shows the type scale at another width; no place changes' };
  protected readonly taking: Scope = { words: 'Selects styles together; no place changes' };
  protected readonly note: Scope = { words: '“Provisional” is a note for you; no place changes' };
  protected readonly count = plural;
  protected readonly cut = cutDownText;
  protected readonly round = round;
}

const ORDER: Record<TextStyle['use'], number> = { heading: 0, running: 1, fine: 2, other: 3 };
