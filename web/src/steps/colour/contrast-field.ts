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
  viewChild,
} from '@angular/core';
import {
  FIELD,
  contrastRatio,
  cssColor,
  cutDownText,
  fieldColor,
  fieldDarker,
  fieldHeight,
  luminance,
  mapToSrgb,
  paintedRgb,
  type Oklch,
  type Rgb8,
} from '@yohaku/core';
import { Choice, KEYS, Pull, type Pulled } from '../../ui/index.ts';
import { Slider } from '../../ui/late/index.ts';
import { FieldPainter } from '../../workers/index.ts';

const W = 336;
const H = 170;
/** The thresholds with what they are for, at the line. */
const LINES = [
  { ratio: 7, words: '7 enhanced' },
  { ratio: 4.5, words: '4.5 text' },
  { ratio: 3, words: '3 large text' },
] as const;
/** Other backgrounds and texts with their ratios below the field. */
const MOST_OTHERS = 4;

interface Point {
  readonly x: number;
  readonly y: number;
}
/** A colour to compare with: a background of the swatch, or a text on the swatch. */
export interface Against {
  readonly id: string;
  readonly label: string;
  readonly rgb: Rgb8;
  readonly way: 'on' | 'under';
}
/** Another swatch, to be seen in the field. */
export interface FieldPoint {
  readonly label: string;
  readonly rgb: Rgb8;
  readonly oklch: Oklch;
}

/**
 * The contrast field: up is the contrast against a background or text, across is chroma, at one hue. Thresholds are
 * straight lines with their names; the part below 4.5 is hatched and says so. Other swatches stand as points, the old
 * value as a small ring. For a background the field is taken against the texts on it. Below it stands the ratio against
 * the next of the list.
 */
@Component({
  selector: 'yo-contrast-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Slider, Choice, Pull],
  templateUrl: './contrast-field.html',
  styleUrl: './contrast-field.less',
})
export class ContrastField {
  readonly color = input.required<Oklch>();
  readonly before = input<Oklch | null>(null);
  /** All it may be taken against, what matters most first. */
  readonly list = input.required<readonly Against[]>();
  readonly points = input<readonly FieldPoint[]>([]);
  readonly held = output<Oklch>();
  readonly done = output<Oklch>();
  protected readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  protected readonly w = W;
  protected readonly h = H;
  protected readonly lines = LINES;
  protected readonly needed = 4.5;
  protected readonly cut = cutDownText;
  readonly #chosen = signal<string | null>(null);
  protected readonly against = computed(
    () => this.list().find((entry) => entry.id === this.#chosen()) ?? this.list()[0]!,
  );
  protected readonly options = computed(() =>
    this.list().map((entry) => ({
      value: entry.id,
      label: entry.way === 'on' ? `on ${entry.label}` : `under ${entry.label}`,
      color: cssColor(entry.rgb),
    })),
  );
  protected readonly ratio = computed(() =>
    contrastRatio({ ...paintedRgb(this.color()), alpha: 1 }, this.against().rgb),
  );
  protected readonly ratioText = computed(() => cutDownText(this.ratio()));
  protected readonly mark = computed(() => this.#at(this.color()));
  protected readonly old = computed(() => {
    const before = this.before();
    return before ? this.#at(before) : null;
  });
  protected readonly fill = computed(() => cssColor(paintedRgb(this.color())));
  protected readonly others = computed(() =>
    this.points()
      .map((point) => ({ ...this.#at(point.oklch), label: point.label, css: cssColor(point.rgb) }))
      .filter((entry) => entry.x < W && entry.y > 0),
  );
  /** The ratio against the next of the list, as figures. */
  protected readonly elsewhere = computed(() => {
    const rgb = { ...paintedRgb(this.color()), alpha: 1 };
    return this.list()
      .filter((entry) => entry !== this.against())
      .slice(0, MOST_OTHERS)
      .map((entry) => ({
        id: entry.id,
        name: `${entry.way} ${entry.label}`,
        css: cssColor(entry.rgb),
        ratio: contrastRatio(rgb, entry.rgb),
      }));
  });
  /** In coarse steps, so that a pulled lightness does not paint it anew each time. */
  readonly #trackTone = computed(
    () => {
      const { l, c } = this.color();
      return { l: Math.round(l * 16) / 16, c: Math.round(c * 40) / 40 };
    },
    { equal: (entry, other) => entry.l === other.l && entry.c === other.c },
  );
  protected readonly hueTrack = computed(() => {
    const { l, c } = this.#trackTone();
    const stops = Array.from({ length: 25 }, (_, i) =>
      cssColor(paintedRgb({ l: Math.min(0.8, Math.max(0.45, l)), c: Math.max(c, 0.1), h: i * 15, alpha: 1 })),
    );
    return `linear-gradient(to right, ${stops.join(',')})`;
  });
  readonly #density = Math.min(2, Math.max(1, globalThis.devicePixelRatio || 1));
  protected readonly deviceWidth = Math.round(W * this.#density);
  protected readonly deviceHeight = Math.round(H * this.#density);
  readonly #painter = signal<FieldPainter | null>(null);
  #drawn = '';

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => {
      const context = this.canvas().nativeElement.getContext('bitmaprenderer')!;
      const painter = new FieldPainter((bitmap) => context.transferFromImageBitmap(bitmap));
      destroy.onDestroy(() => painter.end());
      this.#painter.set(painter);
    });
    effect(() => this.#draw(this.#painter()));
  }

  protected choose(id: string): void {
    this.#chosen.set(id);
  }

  protected y(ratio: number): number {
    return fieldHeight(ratio) * H;
  }

  protected hue(h: number, done: boolean): void {
    (done ? this.done : this.held).emit({ ...this.color(), h });
  }

  /** Pulling in the field sets chroma and the lightness that has that ratio. */
  protected at({ x, y }: Pulled): Oklch {
    const box = this.canvas().nativeElement.getBoundingClientRect();
    return fieldColor((x - box.left) / W, (y - box.top) / H, this.color().h, this.against().rgb, this.color().alpha);
  }

  protected key(event: KeyboardEvent): void {
    const [up, right] = [KEYS.contrast.by(event), KEYS.chroma.by(event)];
    if (up === 0 && right === 0) return;
    const { l, c } = this.color();
    const lighter = fieldDarker(this.against().rgb) ? -up : up;
    this.done.emit(mapToSrgb({ ...this.color(), l: l + 0.002 * lighter, c: Math.max(0, c + 0.002 * right) }));
  }

  /** Where a colour stands; one on the other side of what it is taken against stands at the foot. */
  #at(color: Oklch): Point {
    const rgb = { ...paintedRgb(color), alpha: 1 };
    const { rgb: against } = this.against();
    const side = fieldDarker(against) === luminance(rgb) <= luminance(against);
    return {
      x: Math.min(W, (color.c / FIELD.mostChroma) * W),
      y: fieldHeight(side ? contrastRatio(rgb, against) : 1) * H,
    };
  }

  #draw(painter: FieldPainter | null): void {
    const { rgb: against } = this.against();
    const { h: hue } = this.color();
    if (!painter) return;
    const key = `${hue.toFixed(2)} ${against.r} ${against.g} ${against.b}`;
    if (key === this.#drawn) return;
    this.#drawn = key;
    painter.paint({ width: this.deviceWidth, height: this.deviceHeight, hue, against, density: this.#density });
  }
}
