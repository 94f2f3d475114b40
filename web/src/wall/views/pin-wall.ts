import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { Store } from '@ngrx/store';
import {
  cutDownText,
  deltaERgb,
  groupSpots,
  hex,
  sampleColor,
  type Box,
  type Pixels,
  type PinSpot,
} from '@yohaku/core';
import { Editor, SourcesActions, Pinned, sourcesFeature, siteFeature, type Pin } from '../../state/index.ts';
import { ACTS, Choice, NumberField } from '../../ui/index.ts';
import { Slider } from '../../ui/late/index.ts';
import { builtColor } from './built-color.ts';
import { Frames, PageFrame } from '../hang/index.ts';
import { MeasureLayer, type Spot } from './measure-layer.ts';
import { measuredWords } from './measured-words.ts';
import { pixelsOf } from './pixels-of.ts';

/** Distance between compared spots, and the radius looked at around each, CSS px of the page. */
const EVERY = 16;
const AROUND = 3;
/** Height in px at which the page hangs at most. */
const TALL = 620;
const SETTLE_MS = 350;
/** Most pixels kept of a design for measuring in it. */
const MOST_PIXELS = 6_000_000;

/** How design and page are shown, as the switch offers it. */
const WAYS = [
  { way: 'fade', label: 'fade' },
  { way: 'wipe', label: 'wipe' },
  { way: 'beside', label: 'side by side' },
  { way: 'alone', label: 'design only' },
] as const satisfies readonly { readonly way: Pin['way']; readonly label: string }[];
const ZOOMS = [
  { value: 'fit', label: 'fit' },
  { value: '0.5', label: '50 %' },
  { value: '1', label: '100 %' },
  { value: '2', label: '200 %' },
];
/** Gap between a design and the page beside it, px. */
const BETWEEN = 24;

/**
 * A drawn design over a live page at the same width, faded or wiped, beside it, or alone; spots of both are compared,
 * and sizes, distances and colours of the design are measured.
 */
@Component({
  selector: 'yo-pin-wall',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Slider, Choice, NumberField, PageFrame, MeasureLayer],
  templateUrl: './pin-wall.html',
  styleUrl: './pin-wall.less',
})
export class PinWall {
  readonly #store = inject(Store);
  readonly #pinned = inject(Pinned);
  readonly #frames = inject(Frames);
  readonly #site = inject(Editor).current;
  readonly #state = this.#store.selectSignal(sourcesFeature.selectSourcesState);
  protected readonly siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  protected readonly design = viewChild<ElementRef<HTMLImageElement>>('design');
  protected readonly reading = signal('');
  protected readonly marked = this.#pinned.marked;
  #document: Document | undefined;
  #pixels: Pixels | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;

  protected readonly hung = computed(() => {
    const { pin, sources } = this.#state();
    const site = this.#site();
    const piece = sources.find((source) => source.id === pin?.sources);
    return pin && piece?.size && site?.pages[pin.page]
      ? {
          pin,
          piece,
          name: piece.name,
          title: site.pages[pin.page]!.title,
          height: (pin.width * piece.size.height) / piece.size.width,
          source: `/api/sites/${this.siteId()}/sources/${piece.id}/picture`,
        }
      : undefined;
  });
  /** Width of the wall inside its margins, px. */
  readonly #room = signal(1200);
  readonly #zooms = signal<Partial<Record<Pin['way'], string>>>({});
  protected readonly ways = WAYS;
  protected readonly zooms = ZOOMS;
  protected readonly zoom = computed(() => {
    const { way } = this.hung()?.pin ?? {};
    return (way && this.#zooms()[way]) ?? (way === 'alone' ? '1' : 'fit');
  });
  /** Screen px to a CSS px of the page. */
  protected readonly scale = computed(() => {
    const at = this.hung();
    if (!at) return 1;
    if (this.zoom() !== 'fit') return Number(this.zoom());
    if (at.pin.way === 'beside') return Math.min(1, (this.#room() - BETWEEN) / 2 / at.pin.width);
    if (at.pin.way === 'alone') return Math.min(1, this.#room() / at.pin.width);
    return Math.min(1, 900 / at.pin.width, TALL / at.height);
  });
  /** Width of what hangs, screen px. */
  protected readonly bothWidth = computed(() => {
    const { pin } = this.hung()!;
    return pin.width * this.scale() * (pin.way === 'beside' ? 2 : 1) + (pin.way === 'beside' ? BETWEEN : 0);
  });
  /** The marked spots as one path of squares: neighbours join to the region in which design and page differ. */
  protected readonly regions = computed(() =>
    this.marked()
      .map(({ x, y }) => `M${x - EVERY / 2} ${y - EVERY / 2}h${EVERY}v${EVERY}h${-EVERY}z`)
      .join(''),
  );
  /** The last measurement in words; empty before the first one. */
  protected readonly measured = signal('');
  protected readonly pages = computed(() => {
    const site = this.#site();
    return site ? site.pageOrder.map((id) => ({ value: id, label: site.pages[id]!.title })) : [];
  });

  constructor() {
    // The page changes with every edit; the spots are read again when all is quiet.
    effect(() => {
      this.#frames.version();
      this.hung();
      this.#later();
    });
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const seen = new ResizeObserver(() => this.#room.set(Math.max(320, host.clientWidth - 40)));
    seen.observe(host);
    inject(DestroyRef).onDestroy(() => {
      seen.disconnect();
      clearTimeout(this.#timer);
      this.#pinned.groups.set([]);
      this.#pinned.marked.set([]);
    });
  }

  protected arrived(document: Document): void {
    this.#document = document;
    this.#later();
  }
  protected loaded(): void {
    const { width, height } = this.hung()!.piece.size!;
    const shrink = Math.min(1, Math.sqrt(MOST_PIXELS / (width * height)));
    this.#pixels = pixelsOf(
      this.design()!.nativeElement,
      Math.max(1, Math.round(width * shrink)),
      Math.max(1, Math.round(height * shrink)),
    );
    this.#later();
  }
  protected set(change: Partial<Pin>): void {
    this.#store.dispatch(SourcesActions.pin({ pin: { ...this.hung()!.pin, ...change } }));
    this.#pinned.marked.set([]);
    this.measured.set('');
  }
  protected setZoom(zoom: string): void {
    const { way } = this.hung()!.pin;
    this.#zooms.update((zooms) => ({ ...zooms, [way]: zoom }));
  }
  protected point(at: Spot | null): void {
    const { pin } = this.hung()!;
    const spot = at && pin.way !== 'alone' ? this.#spotAt(at.x, at.y, false) : undefined;
    const drawn = spot?.drawn ?? (at ? this.#drawnAt(at) : undefined);
    this.reading.set(
      spot
        ? `design ${hex(spot.drawn)}, page ${hex(spot.built)}, ΔE ${cutDownText(deltaERgb(spot.drawn, spot.built), 3)}`
        : drawn
          ? `design ${hex(drawn)}`
          : '',
    );
  }
  /** Says what a box over the design holds, in CSS px of the page and in the terms of the brand. */
  protected measure(box: Box | null): void {
    const at = this.hung();
    const site = this.#site();
    if (!box || !at || !site || !this.#pixels) return this.measured.set('');
    this.measured.set(measuredWords(site, at.pin.width, box, this.#pixels));
  }

  #later(): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => this.#read(), SETTLE_MS);
  }

  #read(): void {
    const at = this.hung();
    if (!at || !this.#pixels || !this.#document) return;
    const spots: PinSpot[] = [];
    const height = Math.min(at.height, this.#document.body.getBoundingClientRect().height);
    for (let y = EVERY / 2; y < height; y += EVERY)
      for (let x = EVERY / 2; x < at.pin.width; x += EVERY) {
        const spot = this.#spotAt(x, y, true);
        if (spot) spots.push(spot);
      }
    this.#pinned.groups.set(groupSpots(spots));
  }

  #drawnAt({ x, y }: Spot) {
    const k = this.#pixels ? this.#pixels.width / this.hung()!.pin.width : 0;
    return this.#pixels && sampleColor(this.#pixels, x * k, y * k, Math.max(1, Math.round(AROUND * k)));
  }

  /** Returns the colours of design and page at a point; `flat`: only where the design has one colour around it. */
  #spotAt(x: number, y: number, flat: boolean): PinSpot | undefined {
    const at = this.hung();
    if (!at || !this.#pixels || !this.#document) return undefined;
    const k = this.#pixels.width / at.pin.width;
    const drawn = sampleColor(this.#pixels, x * k, y * k, Math.max(1, Math.round(AROUND * k)));
    const built = builtColor(this.#document, x, y);
    if (!drawn || !built) return undefined;
    const edge =
      flat &&
      [
        [-1, 0],
        [1, 0],
        [0, -1],
        [0, 1],
      ].some(([dx, dy]) => {
        const next = sampleColor(this.#pixels!, (x + dx! * 2 * AROUND) * k, (y + dy! * 2 * AROUND) * k, 0);
        return next && hex(next) !== hex(drawn);
      });
    return edge ? undefined : { x, y, drawn, built: { ...built, alpha: 1 } };
  }
}
