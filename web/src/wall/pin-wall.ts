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
import { cutDownText, deltaERgb, groupSpots, hex, sampleColor, type Pixels, type PinSpot } from '@yohaku/core';
import { Editor, GatherActions, Pinned, gatherFeature, siteFeature, type Pin } from '../state/index.ts';
import { ACTS, Choice, NumberField } from '../ui/index.ts';
import { Slider } from '../ui/late/index.ts';
import { builtColor } from './built-color.ts';
import { Frames } from './frames.ts';
import { PageFrame } from './page-frame.ts';
import { pixelsOf } from './pixels-of.ts';

/** Distance between compared spots, and the radius looked at around each, CSS px of the page. */
const EVERY = 16;
const AROUND = 3;
/** Height in px at which the page hangs at most. */
const TALL = 620;
const SETTLE_MS = 350;

/** A drawn design over a live page at the same width, faded or wiped; spots of both are compared. */
@Component({
  selector: 'yo-pin-wall',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS, Slider, Choice, NumberField, PageFrame],
  template: `
    @if (hung(); as at) {
      <div class="stage" tabindex="0" role="region" aria-label="The design over the page">
        <div class="both" [style.width.px]="at.pin.width * scale()">
          @for (key of [at.pin.page + ' ' + at.pin.width]; track key) {
            <yo-page-frame
              [siteId]="siteId()"
              [page]="at.pin.page"
              [width]="at.pin.width"
              [scale]="scale()"
              [nearness]="0"
              [title]="at.title + ' below the design'"
              (ready)="arrived($event)"
            />
          }
          <img
            #design
            class="design"
            [src]="at.source"
            [alt]="at.name"
            [style.width.px]="at.pin.width * scale()"
            [style.opacity]="at.pin.way === 'fade' ? at.pin.amount : 1"
            [style.clip-path]="at.pin.way === 'wipe' ? 'inset(0 ' + (1 - at.pin.amount) * 100 + '% 0 0)' : null"
            (load)="loaded()"
            (pointermove)="point($event)"
            (pointerleave)="reading.set('')"
          />
          @if (at.pin.way === 'wipe') {
            <span class="edge" [style.left.%]="at.pin.amount * 100"></span>
          }
          @for (spot of marked(); track $index) {
            <span class="spot" [style.left.px]="spot.x * scale()" [style.top.px]="spot.y * scale()"></span>
          }
        </div>
      </div>
      <div class="bar">
        <yo-choice
          label="Over"
          [value]="at.pin.page"
          [options]="pages()"
          [width]="150"
          (chosen)="set({ page: $event })"
        />
        <yo-number
          label="Width, px"
          [value]="at.pin.width"
          range="pinWidth"
          [digits]="0"
          [width]="52"
          (done)="set({ width: $event })"
        />
        <span class="ways yo-joined" role="group" aria-label="Comparison mode"
          ><button yo-act [attr.aria-pressed]="at.pin.way === 'fade'" (click)="set({ way: 'fade' })">fade</button
          ><button yo-act [attr.aria-pressed]="at.pin.way === 'wipe'" (click)="set({ way: 'wipe' })">wipe</button></span
        >
        <span class="amount"
          ><yo-slider
            label="Share of the design"
            [min]="0"
            [max]="1"
            [step]="0.01"
            [value]="at.pin.amount"
            (held)="set({ amount: $event })"
            (done)="set({ amount: $event })"
        /></span>
        <span class="reading" role="status">{{ reading() }}</span>
      </div>
    }
  `,
  styleUrl: './pin-wall.less',
})
export class PinWall {
  readonly #store = inject(Store);
  readonly #pinned = inject(Pinned);
  readonly #frames = inject(Frames);
  readonly #site = inject(Editor).current;
  readonly #state = this.#store.selectSignal(gatherFeature.selectGatherState);
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
  protected readonly scale = computed(() => {
    const at = this.hung();
    return at ? Math.min(1, 900 / at.pin.width, TALL / at.height) : 1;
  });
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
    inject(DestroyRef).onDestroy(() => {
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
    const { size } = this.hung()!.piece;
    const width = Math.min(size!.width, this.hung()!.pin.width);
    this.#pixels = pixelsOf(
      this.design()!.nativeElement,
      width,
      Math.max(1, Math.round((width * size!.height) / size!.width)),
    );
    this.#later();
  }
  protected set(change: Partial<Pin>): void {
    this.#store.dispatch(GatherActions.pin({ pin: { ...this.hung()!.pin, ...change } }));
    this.#pinned.marked.set([]);
  }
  protected point(event: PointerEvent): void {
    const box = this.design()!.nativeElement.getBoundingClientRect();
    const spot = this.#spotAt(
      (event.clientX - box.left) / this.scale(),
      (event.clientY - box.top) / this.scale(),
      false,
    );
    this.reading.set(
      spot
        ? `design ${hex(spot.drawn)}, page ${hex(spot.built)}, ΔE ${cutDownText(deltaERgb(spot.drawn, spot.built), 3)}`
        : '',
    );
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
