import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, input, output, viewChild } from '@angular/core';
import { contrastRatio, cssColor, luminance, mapToSrgb, oklabToLinear, oklchToOklab, paintedRgb, cutDownText, type Oklch, type Rgb8 } from '@yohaku/core';

const W = 340;
const H = 212;
/** Ratios run from 1 at the foot to 19 or so at the top, on a logarithmic scale so that 3, 4.5 and 7 have room. */
const TOP_RATIO = 19;
const MOST_CHROMA = 0.26;

interface Point { readonly x: number; readonly y: number }

/**
 * The contrast field: up is the contrast ratio on the ground in hand, across is
 * chroma, at one hue. Thresholds are straight lines; what lies below 4.5 is
 * hatched; other grounds have their scales at the side; the old value stays as a small ring.
 */
@Component({
  selector: 'yo-contrast-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './contrast-field.html',
  styleUrl: './contrast-field.less',
})
export class ContrastField {
  readonly color = input.required<Oklch>();
  readonly before = input<Oklch | null>(null);
  readonly ground = input.required<Rgb8>();
  readonly groundLabel = input('');
  readonly other = input<{ label: string; rgb: Rgb8 } | null>(null);
  readonly held = output<Oklch>();
  readonly done = output<Oklch>();
  protected readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  protected readonly w = W;
  protected readonly h = H;
  protected readonly ticks = [1, 3, 4.5, 7, TOP_RATIO];
  /** Whether colours of this field are darker than the ground. */
  readonly #darker = computed(() => luminance(this.ground()) > 0.18);
  protected readonly ratio = computed(() => contrastRatio({ ...paintedRgb(this.color()), alpha: 1 }, this.ground()));
  protected readonly ratioText = computed(() => cutDownText(this.ratio()));
  protected readonly mark = computed(() => this.#at(this.color()));
  protected readonly old = computed(() => {
    const before = this.before();
    return before ? this.#at(before) : null;
  });
  protected readonly fill = computed(() => cssColor(paintedRgb(this.color())));
  protected readonly otherTicks = computed(() => {
    const other = this.other();
    if (!other) return [];
    // A colour of luminance Y has one ratio on each ground: the other scale is found from the lightness it takes there.
    return [3, 4.5, 7].flatMap((ratio) => {
      const behind = luminance(other.rgb) + 0.05;
      const wanted = this.#darker() ? behind / ratio - 0.05 : behind * ratio - 0.05;
      if (wanted < 0 || wanted > 1) return [];
      const here = this.#darker() ? (luminance(this.ground()) + 0.05) / (wanted + 0.05) : (wanted + 0.05) / (luminance(this.ground()) + 0.05);
      return here >= 1 && here <= TOP_RATIO ? [{ ratio, y: yOf(here) }] : [];
    });
  });
  protected readonly hueTrack = computed(() => {
    const { l, c } = this.color();
    const stops = Array.from({ length: 25 }, (_, i) => cssColor(paintedRgb({ l: Math.min(0.8, Math.max(0.45, l)), c: Math.max(c, 0.1), h: i * 15, alpha: 1 })));
    return `linear-gradient(to right, ${stops.join(',')})`;
  });
  #drawn = '';

  constructor() {
    effect(() => this.#draw());
  }

  protected y(ratio: number): number {
    return yOf(ratio);
  }

  protected hue(event: Event, done: boolean): void {
    const h = Number((event.target as HTMLInputElement).value);
    (done ? this.done : this.held).emit({ ...this.color(), h });
  }

  /** Pulling in the field sets chroma and the lightness that has that ratio. */
  protected grab(start: PointerEvent): void {
    const field = start.currentTarget as SVGElement;
    field.setPointerCapture(start.pointerId);
    const read = (event: PointerEvent): Oklch => {
      const box = field.getBoundingClientRect();
      return this.#colorAt({ x: event.clientX - box.left, y: event.clientY - box.top });
    };
    const move = (event: PointerEvent) => this.held.emit(read(event));
    field.addEventListener('pointermove', move);
    field.addEventListener('lostpointercapture', () => field.removeEventListener('pointermove', move), { once: true });
    field.addEventListener('pointerup', (event) => this.done.emit(read(event as PointerEvent)), { once: true });
  }

  protected key(event: KeyboardEvent): void {
    const step = event.shiftKey ? 10 : 1;
    const { l, c } = this.color();
    const next = event.key === 'ArrowUp' ? { l: l + (this.#darker() ? -0.002 : 0.002) * step } : event.key === 'ArrowDown' ? { l: l + (this.#darker() ? 0.002 : -0.002) * step }
      : event.key === 'ArrowRight' ? { c: c + 0.002 * step } : event.key === 'ArrowLeft' ? { c: Math.max(0, c - 0.002 * step) } : undefined;
    if (!next) return;
    event.preventDefault();
    this.done.emit(mapToSrgb({ ...this.color(), ...next }));
  }

  #at(color: Oklch): Point {
    return { x: Math.min(W, (color.c / MOST_CHROMA) * W), y: yOf(contrastRatio({ ...paintedRgb(color), alpha: 1 }, this.ground())) };
  }

  #colorAt({ x, y }: Point): Oklch {
    const c = Math.max(0, Math.min(W, x)) / W * MOST_CHROMA;
    const ratio = ratioOf(Math.max(0, Math.min(H, y)));
    const behind = luminance(this.ground()) + 0.05;
    const wanted = Math.max(0, Math.min(1, this.#darker() ? behind / ratio - 0.05 : behind * ratio - 0.05));
    return mapToSrgb({ l: lightnessFor(wanted, c, this.color().h), c, h: this.color().h, alpha: this.color().alpha });
  }

  #draw(): void {
    const ground = this.ground();
    const hue = this.color().h;
    const key = `${hue.toFixed(1)} ${ground.r} ${ground.g} ${ground.b}`;
    const canvas = this.canvas().nativeElement;
    if (key === this.#drawn) return;
    this.#drawn = key;
    const context = canvas.getContext('2d')!;
    const image = context.createImageData(W / 2, H);
    const angle = (hue * Math.PI) / 180;
    const behind = luminance(ground) + 0.05;
    for (let row = 0; row < H; row++) {
      const ratio = ratioOf(row);
      const wanted = this.#darker() ? behind / ratio - 0.05 : behind * ratio - 0.05;
      if (wanted < 0 || wanted > 1) continue;
      let lightness = Math.cbrt(wanted);
      for (let column = 0; column < W / 2; column++) {
        const c = (column / (W / 2)) * MOST_CHROMA;
        lightness = lightnessFor(wanted, c, hue, lightness);
        const [r, g, b] = oklabToLinear({ l: lightness, a: c * Math.cos(angle), b: c * Math.sin(angle) });
        if (Math.min(r, g, b) < -0.0005 || Math.max(r, g, b) > 1.0005) continue;
        const at = (row * (W / 2) + column) * 4;
        image.data[at] = encode(r);
        image.data[at + 1] = encode(g);
        image.data[at + 2] = encode(b);
        image.data[at + 3] = 255;
        if (ratio < 4.5 && (row + column * 2) % 8 === 0) image.data[at + 3] = 190;
      }
    }
    context.putImageData(image, 0, 0);
  }
}

const encode = (value: number): number => (value <= 0.0031308 ? value * 12.92 : 1.055 * value ** (1 / 2.4) - 0.055) * 255;
const yOf = (ratio: number): number => H - (Math.log(Math.max(1, ratio)) / Math.log(TOP_RATIO)) * H;
const ratioOf = (y: number): number => TOP_RATIO ** ((H - y) / H);
const luminanceAt = (l: number, c: number, h: number): number => {
  const [r, g, b] = oklabToLinear(oklchToOklab({ l, c, h, alpha: 1 }));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
};

/** OKLCH lightness at which a chroma and hue have a relative luminance (Newton's method; luminance rises with lightness). */
function lightnessFor(wanted: number, c: number, h: number, start = Math.cbrt(wanted)): number {
  let l = start;
  for (let i = 0; i < 6; i++) {
    const here = luminanceAt(l, c, h);
    const slope = (luminanceAt(l + 1e-4, c, h) - here) / 1e-4;
    if (Math.abs(slope) < 1e-9) break;
    const next = Math.max(0, Math.min(1, l + (wanted - here) / slope));
    if (Math.abs(next - l) < 1e-5) return next;
    l = next;
  }
  return l;
}
