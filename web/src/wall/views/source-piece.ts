import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { contours } from 'd3-contour';
import { pixelsOf } from './pixels-of.ts';
import { deltaE, hex, parseColor, rgb8ToOklab, sampleColor, type Source, type Pixels, type Rgb8 } from '@yohaku/core';
import { SOURCE_HEIGHT } from './source-height.ts';

/** Most pixels kept of a picture for pointing into it. */
const KEPT = 4_000_000;

/** A colour under the pointer. */
export interface Sample {
  readonly rgb: Rgb8;
  readonly hex: string;
}

/** One source on the wall: the picture or the lines, with the occurrences of the colours in hand outlined. */
@Component({
  selector: 'yo-source-piece',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (sources().size) {
      <div class="picture" [style.width.px]="width()" [style.height.px]="height">
        <img
          #picture
          [src]="source()"
          [alt]="sources().name"
          [width]="width()"
          [height]="height"
          crossorigin="anonymous"
          (load)="loaded()"
          (pointermove)="point($event)"
          (pointerleave)="sampled.emit(null)"
          (click)="take($event)"
        />
        @if (outline(); as path) {
          <svg [attr.viewBox]="'0 0 ' + width() + ' ' + height" aria-hidden="true">
            <path [attr.d]="path" fill="none" stroke="#fff" stroke-width="3.5" />
            <path [attr.d]="path" fill="none" stroke="#000" stroke-width="1.4" />
          </svg>
        }
      </div>
    } @else {
      <div
        class="lines mono"
        [style.height.px]="height"
        tabindex="0"
        role="region"
        [attr.aria-label]="'Lines of ' + sources().name"
      >
        @for (line of lines(); track $index) {
          @if (line.file) {
            <p class="file">{{ line.file }}</p>
          }
          <p>
            <span class="number">{{ line.number }}</span>
            @for (part of line.parts; track $index) {
              @if (part.hex) {
                <mark [class.now]="hand().has(part.hex)" [style.border-bottom-color]="part.hex">{{ part.text }}</mark>
              } @else {
                {{ part.text }}
              }
            }
          </p>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .picture {
      position: relative;
      box-shadow: 0 1px 3px rgb(0 0 0 / 14%);
      background: repeating-conic-gradient(#efefef 0 25%, #fff 0 50%) 0 0 / 16px 16px;
    }
    img {
      display: block;
      cursor: crosshair;
    }
    svg {
      position: absolute;
      inset: 0;
      width: 100%;
      height: 100%;
      pointer-events: none;
    }
    .lines {
      width: 520px;
      overflow: auto;
      padding: 10px 14px;
      background: #fff;
      color: #1a1a1a;
      box-shadow: 0 1px 3px rgb(0 0 0 / 14%);
    }
    .lines p {
      margin: 0;
      white-space: pre;
    }
    .lines .file {
      color: #5a5a5a;
      padding-top: 6px;
    }
    .number {
      display: inline-block;
      width: 40px;
      color: #767676;
    }
    mark {
      background: none;
      color: inherit;
      border-bottom: 3px solid;
    }
    mark.now {
      outline: 1.4px solid #000;
      outline-offset: 2px;
      box-shadow: 0 0 0 2px #fff;
      font-weight: 600;
    }
  `,
})
export class SourcePiece {
  readonly siteId = input.required<string>();
  readonly sources = input.required<Source>();
  /** Hexes of the colours in hand: those that nobody can tell apart count as one. */
  readonly hand = input.required<ReadonlySet<string>>();
  /** Radius in px of the picture around the point that is looked at. */
  readonly radius = input(4);
  readonly sampled = output<Sample | null>();
  readonly taken = output<Sample>();
  protected readonly height = SOURCE_HEIGHT;
  protected readonly picture = viewChild<ElementRef<HTMLImageElement>>('picture');
  protected readonly source = computed(() => `/api/sites/${this.siteId()}/sources/${this.sources().id}/picture`);
  protected readonly width = computed(() => {
    const { width, height } = this.sources().size!;
    return Math.round(Math.max(60, Math.min(760, (width / height) * SOURCE_HEIGHT)));
  });
  protected readonly lines = computed(() => {
    const { lines, colors } = this.sources();
    let file = '';
    return lines.map((line, i) => {
      const spots = colors
        .flatMap((color) => color.spots.filter((spot) => spot.line === i).map((spot) => ({ ...spot, hex: color.hex })))
        .sort((entry, other) => entry.from - other.from);
      const parts: { text: string; hex: string | null }[] = [];
      let at = 0;
      for (const spot of spots) {
        if (spot.from < at) continue;
        parts.push(
          { text: line.text.slice(at, spot.from), hex: null },
          { text: line.text.slice(spot.from, spot.to), hex: spot.hex },
        );
        at = spot.to;
      }
      parts.push({ text: line.text.slice(at), hex: null });
      const heading = line.file !== file ? line.file : '';
      file = line.file;
      return { number: line.line, parts, file: heading };
    });
  });
  /** Index of the colour each pixel at the size shown is nearest to; 255 for none. */
  readonly #nearest = signal<Uint8Array | null>(null);
  protected readonly outline = computed(() => {
    const nearest = this.#nearest();
    const wanted = this.sources().colors.flatMap((color, i) => (this.hand().has(color.hex) ? [i] : []));
    return nearest && wanted.length > 0 ? outlineOf(nearest, wanted, this.width(), SOURCE_HEIGHT) : '';
  });
  #full: Pixels | undefined;
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef);

  constructor() {
    // A colour taken in hand is brought into view in the lines.
    effect(() => {
      if (this.hand().size > 0 && !this.sources().size)
        setTimeout(() => this.#host.nativeElement.querySelector('mark.now')?.scrollIntoView({ block: 'nearest' }));
    });
  }

  protected loaded(): void {
    const image = this.picture()!.nativeElement;
    const { width, height } = this.sources().size!;
    const shrink = Math.min(1, Math.sqrt(KEPT / (width * height)));
    this.#full = pixelsOf(image, Math.max(1, Math.round(width * shrink)), Math.max(1, Math.round(height * shrink)));
    const shown = pixelsOf(image, this.width(), SOURCE_HEIGHT);
    this.#nearest.set(
      nearestColors(
        shown,
        this.sources().colors.map((color) => color.hex),
      ),
    );
  }

  protected point(event: PointerEvent): void {
    this.sampled.emit(this.#sample(event));
  }
  protected take(event: MouseEvent): void {
    const sample = this.#sample(event);
    if (sample) this.taken.emit(sample);
  }

  #sample(event: MouseEvent): Sample | null {
    if (!this.#full) return null;
    const box = this.picture()!.nativeElement.getBoundingClientRect();
    const scale = this.#full.width / this.sources().size!.width;
    const rgb = sampleColor(
      this.#full,
      ((event.clientX - box.left) / box.width) * this.#full.width,
      ((event.clientY - box.top) / box.height) * this.#full.height,
      Math.round(this.radius() * scale),
    );
    return rgb ? { rgb, hex: hex(rgb) } : null;
  }
}

/** For each pixel the index of the nearest colour; 255 where it is see-through. */
function nearestColors({ data }: Pixels, hexes: readonly string[]): Uint8Array {
  const labs = hexes.map((name) => rgb8ToOklab(parseColor(name)!.rgb));
  const known = new Map<number, number>();
  const nearest = new Uint8Array(data.length / 4);
  for (let i = 0; i < nearest.length; i++) {
    const at = i * 4;
    if (data[at + 3]! < 128) {
      nearest[i] = 255;
      continue;
    }
    const key = (data[at]! << 16) | (data[at + 1]! << 8) | data[at + 2]!;
    let index = known.get(key);
    if (index === undefined) {
      const lab = rgb8ToOklab({ r: data[at]!, g: data[at + 1]!, b: data[at + 2]!, alpha: 1 });
      let least = Infinity;
      index = 255;
      labs.forEach((oklab, color) => {
        const distance = deltaE(oklab, lab);
        if (distance < least) [least, index] = [distance, color];
      });
      known.set(key, index);
    }
    nearest[i] = index;
  }
  return nearest;
}

/** Outline, as an SVG path, of the pixels nearest to one of some colours. */
function outlineOf(nearest: Uint8Array, wanted: readonly number[], width: number, height: number): string {
  const member = Uint8Array.from(nearest, (index) => (wanted.includes(index) ? 1 : 0));
  // A pixel counts with at least three neighbours of its kind: the mixed pixels along an edge are nobody's colour.
  const values = Array.from(member, (value, i) => (value && around(member, i, width) >= 4 ? 1 : 0));
  const [found] = contours().size([width, height]).smooth(false).thresholds([0.5])(values);
  return (found?.coordinates ?? [])
    .flatMap((polygon) =>
      polygon
        .filter((ring) => ring.length > 8)
        .map((ring) => `M${ring.map(([x, y]) => `${x!.toFixed(1)} ${y!.toFixed(1)}`).join('L')}Z`),
    )
    .join('');
}

/** How many of a pixel and its eight neighbours are set. */
function around(member: Uint8Array, at: number, width: number): number {
  const x = at % width;
  let sum = 0;
  for (const row of [at - width, at, at + width])
    for (let dx = -1; dx <= 1; dx++) if (x + dx >= 0 && x + dx < width) sum += member[row + dx] ?? 0;
  return sum;
}
