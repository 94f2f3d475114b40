import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  fluidAt,  ladderFindings, placesOf, plural, round, siteIndex, stepPath, styleSize, familyStack, cutDownText, LADDER_STEP, inRange, type Site, type TextStyle, type LadderFinding,
} from '@yohaku/core';
import { DeskActions, Editor, deskFeature, Reaching, type Scope } from '../../state/index.ts';
import { NumberField, VerdictRule } from '../../ui/index.ts';
import { FamiliesLine, type TypeView } from './families-line.ts';
import { FamilyShelf } from './family-shelf.ts';
import { PairingList } from './pairing-list.ts';

interface Rung { readonly id: string; readonly style: TextStyle; readonly large: number; readonly small: number; readonly stack: string; readonly ratio: number | null; readonly finding: LadderFinding | undefined; readonly step: number | null }

const size = (site: Site, style: TextStyle, width: number): number => fluidAt(styleSize(site.brand, style), width);

/** The families in the site's own words, the ladder of sizes on one baseline, and the style in hand. */
@Component({
  selector: 'yo-type',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, VerdictRule, Reaching, FamiliesLine, FamilyShelf, PairingList],
  templateUrl: './type-step.html',
  styleUrl: './type-step.less',
})
export class TypeStep {
  readonly #store = inject(Store);
  readonly #editor = inject(Editor);
  readonly #chosen = this.#store.selectSignal(deskFeature.selectStyle);
  protected readonly site = this.#editor.shown;
  protected readonly view = signal<TypeView>('ladder');
  protected readonly brand = computed(() => this.site()?.brand);
  protected readonly word = computed(() => {
    const words = (this.site()?.name ?? 'Harbour').split(/\s+/);
    return words.sort((one, other) => Math.abs(one.length - 7) - Math.abs(other.length - 7))[0]!;
  });
  protected readonly rungs = computed((): Rung[] => {
    const site = this.site();
    if (!site) return [];
    const styles = site.brand.styleOrder.map((id) => site.brand.styles[id]!);
    const ladder = styles.filter((style) => style.use !== 'other').sort(byUse);
    const rest = styles.filter((style) => style.use === 'other');
    const rung = (style: TextStyle) => ({ style: style.id, size: size(site, style, 1280), heading: style.use === 'heading' });
    const found = ladderFindings(ladder.map(rung));
    return [...ladder, ...rest].map((style, i, all) => {
      const next = i < ladder.length - 1 ? all[i + 1] : undefined;
      const large = size(site, style, 1280);
      return {
        id: style.id, style, large, small: size(site, style, 390), stack: familyStack(site.brand.families[style.family], site.brand.fonts),
        ratio: next ? large / size(site, next, 1280) : null, finding: found.find((one) => one.upper === style.id), step: style.size.kind === 'step' ? style.size.step : null,
      };
    });
  });
  protected readonly chosen = computed(() => this.rungs().find((one) => one.id === this.#chosen()) ?? this.rungs().find((one) => one.style.provisional) ?? this.rungs()[0]);
  /** Display sizes are drawn at most this large; all are scaled alike, so that ratios stay true. */
  protected readonly drawn = computed(() => Math.min(1, 70 / Math.max(...this.rungs().map((one) => one.large), 1)));
  protected readonly least = LADDER_STEP;
  protected readonly together = computed(() => {
    const finding = this.chosen()?.finding;
    const site = this.site();
    if (!finding || !site) return undefined;
    const index = siteIndex(site);
    const sections = (style: string) => new Set(index.places.filter((place) => place.style === style && place.kind === 'text').map((place) => `${place.page} ${place.section}`));
    const lower = sections(finding.lower);
    const both = [...sections(finding.upper)].filter((one) => lower.has(one)).length;
    const [upper, under] = [site.brand.styles[finding.upper]!, site.brand.styles[finding.lower]!];
    const apart = size(site, upper, 1280) - size(site, under, 1280);
    return { text: apart < 0 ? `${upper.label} is ${round(-apart, 1)} px smaller than ${under.label}` : `${upper.label} and ${under.label} are ${round(apart, 1)} px apart`, both };
  });
  protected readonly says = computed(() => {
    const site = this.site();
    const chosen = this.chosen();
    return site && chosen?.step !== null && chosen ? '' : 'pinned';
  });

  constructor() {
    effect(() => {
      const chosen = this.chosen();
      if (chosen) this.#store.dispatch(DeskActions.take({ token: `text.${chosen.style.path}.size` }));
    });
  }


  protected choose(id: string): void {
    this.#store.dispatch(DeskActions.choose({ choice: { style: id } }));
  }
  protected scale(end: 'small' | 'large', field: 'base' | 'ratio', value: number, phase: 'preview' | 'commit'): void {
    this.#editor.set(`Scale ${field} at ${this.brand()!.scale[end].width}`, ['brand', 'scale', end, field], value, phase);
  }
  protected field(field: keyof TextStyle, name: string, value: unknown, phase: 'preview' | 'commit' = 'commit'): void {
    const { id, style } = this.chosen()!;
    this.#editor.set(`${style.label} ${name}`, ['brand', 'styles', id, field], value, phase);
  }
  protected pinned(end: 'small' | 'large', px: number, phase: 'preview' | 'commit'): void {
    const { small, large } = this.chosen()!;
    this.field('size', 'size', { kind: 'pinned', small: round(small, 1), large: round(large, 1), [end]: px }, phase);
  }
  protected unpin(): void {
    const { large } = this.chosen()!;
    const scale = this.brand()!.scale;
    const step = Math.round(Math.log(large / scale.large.base) / Math.log(scale.large.ratio));
    this.field('size', 'on the scale', { kind: 'step', step: Math.max(-4, Math.min(10, step)) });
  }
  protected provisional(): void {
    this.field('provisional', this.chosen()!.style.provisional ? 'settled' : 'provisional', !this.chosen()!.style.provisional);
  }

  /** Pulling an end of the ladder: the top changes the ratio, the foot the base, at the large width. */
  protected grab(start: PointerEvent, rung: Rung): void {
    if (rung.step === null || (rung.step <= 0 && rung.step !== 0)) return;
    const handle = start.currentTarget as HTMLElement;
    handle.setPointerCapture(start.pointerId);
    const { base, ratio } = this.brand()!.scale.large;
    const step = rung.step;
    let next: number | undefined;
    const field = step === 0 ? 'base' : 'ratio';
    const move = (event: PointerEvent) => {
      const px = Math.max(8, rung.large + (start.clientY - event.clientY) / this.drawn());
      const value = step === 0 ? round(px, 1) : round((px / base) ** (1 / step), 3);
      if (!inRange(step === 0 ? 'scaleBase' : 'scaleRatio', value)) return;
      next = value;
      this.scale('large', field, value, 'preview');
    };
    const end = () => {
      handle.removeEventListener('pointermove', move);
      if (next !== undefined && next !== (step === 0 ? base : ratio)) this.scale('large', field, next, 'commit');
    };
    handle.addEventListener('pointermove', move);
    handle.addEventListener('lostpointercapture', end, { once: true });
  }

  /** Token of the largest step on the scale: what the ratio moves most. */
  protected topStep(): string {
    return stepPath(Math.max(...this.rungs().map((one) => one.step ?? -9)));
  }
  protected readonly note: Scope = { words: 'Provisional is a note to yourselves; no place changes' };
  protected pullable(rung: Rung): boolean {
    return rung.step === 0 || rung.step === Math.max(...this.rungs().map((one) => one.step ?? -9));
  }
  protected keyPull(event: KeyboardEvent, rung: Rung): void {
    const by = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const { base, ratio } = this.brand()!.scale.large;
    if (rung.step === 0) this.scale('large', 'base', round(base + by * 0.5, 1), 'commit');
    else this.scale('large', 'ratio', round(ratio + by * 0.01, 3), 'commit');
  }
  protected places(rung: Rung): number {
    return placesOf(this.site()!, `text.${rung.style.path}.size`).length;
  }
  protected readonly count = plural;
  protected readonly cut = cutDownText;
  protected readonly round = round;
}

const ORDER: Record<TextStyle['use'], number> = { heading: 0, running: 1, fine: 2, other: 3 };
const byUse = (one: TextStyle, other: TextStyle): number => ORDER[one.use] - ORDER[other.use];
