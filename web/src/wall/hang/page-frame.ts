import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { anyPage, bandOf, outlineOf, pageTree } from '@yohaku/core';
import { Frames } from './frames.ts';
import { PixelsRead, Reading } from '../../state/index.ts';
import { meanToType } from '../../ui/index.ts';
import { BlockGaps } from './block-gaps.ts';
import { hiddenSections } from './hidden-sections.ts';
import { levelTags, type LevelTag } from './level-tags.ts';
import { markPaths, type MarkPaths } from './place-marks.ts';
import { FramePainter, isThere, pageSource, siteFrame, turn } from '../paint/index.ts';
import { PageReadings } from '../read/index.ts';
import { Shells } from './shells.ts';
import { Sight } from './sight.ts';
import { WordsEditor } from '../words/index.ts';
import { type FramePick, picked } from './frame-pick.ts';

/** Part of a page to show, and how it is cropped: the place that must be seen, within a window in wall px. */
export interface Crop {
  readonly part: string;
  readonly place: string;
  readonly width: number;
  readonly height: number;
}

/**
 * Frames are made taller by this many px at a time: each new height of a window makes the browser style again what is
 * measured against it, and the paper cuts off what is empty.
 */
const TALLER = 1000;
/** The same for all that have none, and nothing is looked at anew. */
const NONE: readonly never[] = [];
/** So many places are marked on a page at most. */
const MOST_MARKED = 200;
/** From this scale on there is room for the name of a style beside its level. */
const NAMED = 0.3;

/** One page at one width, at a scale: a sandboxed document without scripts that the painter fills. */
@Component({
  selector: 'yo-page-frame',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [BlockGaps],
  host: { '[class.written]': 'written()' },
  templateUrl: './page-frame.html',
  styleUrl: './page-frame.less',
})
export class PageFrame {
  readonly #sight = inject(Sight);
  readonly siteId = input.required<string>();
  readonly page = input.required<string>();
  readonly width = input.required<number>();
  readonly scale = input.required<number>();
  readonly title = input('');
  readonly live = input(false);
  readonly nearness = input(1);
  readonly crop = input<Crop | null>(null);
  /** Places to outline. */
  readonly lit = input<ReadonlySet<string> | null>(null);
  /** True if headings are named by level and style. */
  readonly outline = input(false);
  readonly picked = output<FramePick>();
  readonly opened = output<FramePick>();
  readonly ready = output<Document>();

  readonly #frames = inject(Frames);
  readonly #destroy = inject(DestroyRef);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly #shells = inject(Shells);
  protected readonly paper = viewChild.required<ElementRef<HTMLElement>>('paper');
  #frame: HTMLIFrameElement | undefined;
  readonly #readings = inject(PageReadings);
  /** As it was read before, hung or not. */
  protected readonly height = linkedSignal(() => {
    const [page, width] = [this.page(), this.width()];
    return untracked(() => this.#readings.heightOf(page, width)) ?? 900;
  });
  protected readonly tall = computed(() => Math.ceil(this.height() / TALLER) * TALLER);
  readonly #offset = signal({ x: 0, y: 0 });
  protected readonly shownHeight = computed(() => {
    const crop = this.crop();
    return crop ? Math.min(crop.height, this.height() * this.scale()) : this.height() * this.scale();
  });
  protected readonly transform = computed(() => {
    const { x, y } = this.#offset();
    return `scale(${this.scale()}) translate(${-x}px, ${-y}px)`;
  });
  /** True if the frame is in sight or about to be: the style of the others is worked out when they come near. */
  protected readonly near = signal(true);
  protected readonly marks = signal<MarkPaths | null>(null, {
    equal: (paths, other) => paths?.line === other?.line,
  });
  protected readonly NAMED = NAMED;
  protected readonly tags = signal<readonly LevelTag[]>([]);
  /** Sections of the page that are not shown at this width, where they would stand. */
  protected readonly gone = signal<readonly { readonly id: string; readonly label: string; readonly y: number }[]>([]);
  readonly #pixels = inject(PixelsRead);
  /** The weakest spot of the text in hand, when it is on this page at this width. */
  protected readonly spot = computed(() => {
    const spot = this.#pixels.spot();
    const { x, y } = this.#offset();
    return spot && spot.page === this.page() && spot.width === this.width()
      ? { x: (spot.x - x) * this.scale(), y: (spot.y - y) * this.scale() }
      : null;
  });
  #painter: FramePainter | undefined;
  /** Ends what listens in the document shown. */
  #gone: AbortController | undefined;

  constructor() {
    // In a task of its own: to put a frame into the desk takes as long as all else of a turn.
    effect(() => {
      const siteId = this.siteId();
      void turn().then(() => {
        if (this.#host.nativeElement.isConnected) this.#open(siteId);
      });
    });
    effect(() => this.#dress());
    this.#destroy.onDestroy(() => this.#gone?.abort());
    this.#destroy.onDestroy(
      this.#sight.watch(this.#host.nativeElement, (near) => {
        this.near.set(near);
        if (near) this.#frames.cameNear();
      }),
    );
    effect(() => {
      this.#frames.version();
      this.shown();
      const lit = this.lit();
      this.near();
      // While the wall follows an edit, where the marks stand is asked once it has: asking lays pages out out of turn.
      if (!untracked(() => this.#frames.behind())) this.marks.set(this.#boxes(lit));
    });
    effect(() => {
      this.#frames.version();
      this.shown();
      this.scale();
      this.near();
      this.tags.set(this.outline() ? this.#named() : NONE);
      this.gone.set(this.live() && !this.crop() ? this.#hidden() : NONE);
    });
    effect(() => {
      this.crop();
      this.#frames.version();
      this.shown();
      // Out of sight nothing is laid out to be measured: it is when it comes near, and the observer tells.
      if (this.crop() || this.near() || this.live()) untracked(() => this.#measure());
      this.#place();
    });
  }

  protected readonly reading = inject(Reading).only;
  /** The same as a signal. */
  protected readonly shown = signal<Document | null>(null);
  readonly #words = inject(WordsEditor);
  /** True if words are being edited in this very frame. */
  protected readonly written = computed(() => this.shown() !== null && this.#words.document() === this.shown());
  /** Document shown, once it is there. */
  get document(): Document | undefined {
    return this.#painter?.document;
  }

  get element(): HTMLElement {
    return this.#host.nativeElement;
  }

  /** Puts the frame up: one that is free, or a new one. */
  #open(siteId: string): void {
    this.#gone?.abort();
    this.#frame?.remove();
    const paper = this.paper().nativeElement;
    const free = this.#shells.take(siteId, paper);
    const frame = (this.#frame = free ?? siteFrame(siteId));
    this.#dress();
    if (free) return void this.#show(frame);
    Object.assign(frame.style, { display: 'block', border: '0', transformOrigin: '0 0', background: '#fff' });
    frame.addEventListener('load', () => {
      if (this.#frame === frame && isThere(frame)) void this.#show(frame);
    });
    paper.prepend(frame);
  }

  /** Size, place and name of the frame. */
  #dress(): void {
    const [title, live, width, tall, transform] = [
      this.title(),
      this.live(),
      this.width(),
      this.tall(),
      this.transform(),
    ];
    if (!this.#frame) return;
    this.#frame.title = title;
    this.#frame.inert = !live;
    Object.assign(this.#frame.style, { width: `${width}px`, height: `${tall}px`, transform });
  }

  async #show(frame: HTMLIFrameElement): Promise<void> {
    const document = frame.contentDocument!;
    const stands = () => document.defaultView !== null && this.#frame === frame && frame.contentDocument === document;
    // In a task of its own, which lays nothing out: what is written while the shell says that it is there is styled and
    // laid out in the same one.
    await turn();
    if (!stands()) return;
    this.#fill(document);
    await turn();
    // Styled in one of its own too: together with its layout and paint it was the longest task while the wall is
    // scrolled.
    if (stands()) void getComputedStyle(document.body).color;
  }

  /** The page leaves the wall; its frame goes on to another. */
  #park(): void {
    const frame = this.#frame;
    this.#gone?.abort();
    this.#frame = undefined;
    this.#painter = undefined;
    if (frame && !this.#shells.give(this.siteId(), frame)) frame.remove();
  }

  #fill(document: Document): void {
    const gone = (this.#gone = new AbortController());
    const { signal } = gone;
    this.#painter = new FramePainter(document, pageSource(this.page(), this.crop()?.part ?? null));
    this.shown.set(document);
    const key = `${this.page()} ${this.width()}${this.crop() ? ` ${this.crop()!.place}` : ''}`;
    let fresh = true;
    const unhang = this.#frames.hang({
      key,
      page: this.page(),
      width: this.width(),
      part: this.crop() !== null,
      painter: this.#painter,
      element: this.element,
      scale: () => this.scale(),
      takesPresses: () => this.takesPresses,
      nearness: () => this.nearness(),
      inSight: () => this.near() || this.live(),
      painted: (structure) => {
        // Sizes are heard of from the observer; asking here would lay out every frame at once, and a fresh one in the
        // task that fills it.
        if (structure && !fresh) this.#measure();
      },
      park: () => this.#park(),
    });
    fresh = false;
    // Under a held control pages keep their place on the wall until the hand rests: to move them is a layout of the
    // whole desk.
    const observer = new ResizeObserver(() => {
      if (!this.#frames.behind()) this.#measure();
    });
    observer.observe(document.body);
    signal.addEventListener('abort', () => {
      observer.disconnect();
      unhang();
    });
    document.addEventListener('click', (event) => this.#click(event, this.picked), { signal });
    document.addEventListener(
      'dblclick',
      (event) => {
        meanToType();
        this.#click(event, this.opened);
      },
      { signal },
    );
    // With Shift a press takes a place along, and no words.
    document.addEventListener(
      'mousedown',
      (event) => {
        if (event.shiftKey && !(event.target as Element | null)?.closest?.('[contenteditable]')) event.preventDefault();
      },
      { signal },
    );
    document.addEventListener('submit', (event) => event.preventDefault(), { signal });
    for (const kind of ['keydown', 'keyup'] as const)
      document.addEventListener(kind, (event) => this.#hand(event), { signal });
    this.ready.emit(document);
  }

  #click(event: MouseEvent, out: { emit(pick: FramePick): void }): void {
    const target = event.target as Element | null;
    const link = target?.closest?.('a, button');
    if (link) event.preventDefault();
    if (target?.closest?.('[contenteditable]')) return;
    const pick = picked(target, event, { x: event.clientX, y: event.clientY });
    if (pick) out.emit(pick);
  }

  /** True if the page takes clicks itself. In the overview it does not. */
  get takesPresses(): boolean {
    return this.#frame?.inert === false;
  }

  /** Returns the place at a point of the window, on a page that takes no presses itself. */
  under(event: MouseEvent): FramePick | undefined {
    const [frame, document] = [this.#frame, this.document];
    if (!frame || !document) return undefined;
    const box = frame.getBoundingClientRect();
    const at = { x: (event.clientX - box.left) / this.scale(), y: (event.clientY - box.top) / this.scale() };
    // Nothing of an inert page is found at a point.
    frame.inert = false;
    const element = document.elementFromPoint(at.x, at.y);
    frame.inert = !this.live();
    return picked(element, event, at);
  }

  /** Keys pressed on a page are the desk's: the page has none of its own, but for words that are edited in it. */
  #hand(event: KeyboardEvent): void {
    if ((event.target as Element | null)?.closest?.('[contenteditable]')) return;
    const { key, code, ctrlKey, metaKey, altKey, shiftKey, repeat } = event;
    const mine = new KeyboardEvent(event.type, {
      key,
      code,
      ctrlKey,
      metaKey,
      altKey,
      shiftKey,
      repeat,
      bubbles: true,
      cancelable: true,
    });
    if (!this.#host.nativeElement.dispatchEvent(mine)) event.preventDefault();
  }

  #measure(): void {
    const body = this.#painter?.document.body;
    if (!body) return;
    const height = Math.ceil(body.getBoundingClientRect().height);
    if (height > 0 && Math.abs(height - this.height()) >= 1) this.height.set(height);
    if (height > 0 && !this.crop()) untracked(() => this.#readings.tall(this.page(), this.width(), height));
  }

  /** Moves the crop so that its place is seen with some of what is above it. */
  #place(): void {
    const crop = this.crop();
    const element = crop && this.#painter?.document.querySelector(`[data-place="${crop.place}"]`);
    if (!crop || !element) return;
    const rect = element.getBoundingClientRect();
    const x = Math.max(0, Math.min(rect.left - 40, this.width() - crop.width / this.scale()));
    const space = crop.height / this.scale();
    const y = Math.max(0, Math.min(rect.top - Math.max(24, space * 0.45), this.height() - space));
    this.#offset.set({ x, y });
  }

  /** The headings of the page with where they begin, in px of the wall. */
  #named(): LevelTag[] {
    const site = this.#painter?.applied;
    if (!site || !this.#painter || !(this.near() || this.live())) return [];
    const { document } = this.#painter;
    return levelTags(outlineOf(pageTree(site, this.page()), site.brand), document, {
      scale: this.scale(),
      right: this.width() * this.scale() - (this.scale() >= NAMED ? 76 : 21),
    });
  }

  #hidden(): { id: string; label: string; y: number }[] {
    const [site, document] = [this.#painter?.applied, this.#painter?.document];
    const page = site && anyPage(site, this.page());
    if (!site || !document || !page) return [];
    return hiddenSections(site, page, document, bandOf(this.width())).map((entry) => ({
      ...entry,
      y: entry.y * this.scale(),
    }));
  }

  #width(): number {
    return this.crop()?.width ?? this.width() * this.scale();
  }

  /**
   * Marks around places, and a light line around each: two paths, for a colour is on a hundred places of a page. Null
   * where there are none.
   */
  #boxes(lit: ReadonlySet<string> | null): MarkPaths | null {
    const document = this.#painter?.document;
    // Out of sight there is nothing to mark, and asking would lay the page out.
    if (!lit || lit.size === 0 || !document || !(this.near() || this.live())) return null;
    return markPaths(document, [...lit].slice(0, MOST_MARKED), {
      ...this.#offset(),
      scale: this.scale(),
      width: this.#width(),
      height: this.shownHeight(),
    });
  }
}
