import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterRenderEffect,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import { Store } from '@ngrx/store';
import { SPECIMEN_CSS, specimenParts, tokenTable, type Site } from '@yohaku/core';
import { Editor, deskFeature, handToken, siteFeature } from '../../state/index.ts';
import { FramePainter } from '../paint/index.ts';
import { SpecimenSource } from './specimen-source.ts';
import { ACTS } from '../../ui/index.ts';

const WIDTH = 1280;

/** Everything the brand has on one page, always as it is now; what is pressed comes in hand on the desk below. */
@Component({
  selector: 'yo-specimen-wall',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ACTS],
  template: `
    <nav aria-label="Parts of the specimen">
      @for (part of parts(); track part.id) {
        <button yo-pick (click)="go(part.id)">{{ part.label }}</button>
      }
      <a class="plain muted" [href]="'/frame/' + siteId() + '/specimen.html'" target="_blank" rel="noopener"
        >Open to print</a
      >
    </nav>
    <div class="paper" #paper tabindex="0" role="region" aria-label="Specimen">
      <div class="paper" [style.width.px]="width * scale()" [style.height.px]="height() * scale()">
        <iframe
          #frame
          [src]="source()"
          sandbox="allow-same-origin"
          title="Specimen"
          tabindex="-1"
          scrolling="no"
          [style.width.px]="width"
          [style.height.px]="height()"
          [style.transform]="'scale(' + scale() + ')'"
          (load)="loaded()"
        ></iframe>
        @if (mark(); as at) {
          <span
            class="mark"
            [style.left.px]="at.x"
            [style.top.px]="at.y"
            [style.width.px]="at.w"
            [style.height.px]="at.h"
          ></span>
        }
      </div>
    </div>
  `,
  styles: `
    :host {
      display: flex;
      gap: 20px;
      flex: 1;
      min-height: 0;
      padding: 4px 20px 0;
    }
    nav {
      display: flex;
      flex-direction: column;
      flex: none;
      width: 148px;
      overflow: auto;
      padding: 2px;
    }
    nav > * {
      min-height: 24px;
      flex: none;
    }
    nav a {
      color: var(--wall-quiet);
      text-decoration: underline;
      margin-top: 8px;
    }
    .paper {
      flex: 1;
      overflow: auto;
      min-width: 0;
    }
    .paper {
      position: relative;
      overflow: hidden;
      background: #fff;
      box-shadow: 0 1px 3px rgb(0 0 0 / 14%);
    }
    iframe {
      display: block;
      border: 0;
      transform-origin: 0 0;
    }
    .mark {
      position: absolute;
      border: 2px solid #000;
      outline: 1px solid #fff;
      pointer-events: none;
    }
  `,
})
export class SpecimenWall {
  readonly #store = inject(Store);
  readonly #shown = this.#store.selectSignal(siteFeature.selectPainted);
  readonly #current = inject(Editor).current;
  readonly #selected = this.#store.selectSignal(deskFeature.selectSelected);
  readonly #standIns = this.#store.selectSignal(deskFeature.selectStandIns);
  readonly #sanitizer = inject(DomSanitizer);
  protected readonly siteId = this.#store.selectSignal(siteFeature.selectSiteId);
  protected readonly source = computed(() =>
    this.#sanitizer.bypassSecurityTrustResourceUrl(`/frame/${this.siteId()}/`),
  );
  protected readonly frame = viewChild.required<ElementRef<HTMLIFrameElement>>('frame');
  protected readonly paper = viewChild.required<ElementRef<HTMLElement>>('paper');
  protected readonly width = WIDTH;
  protected readonly height = signal(900);
  protected readonly scale = signal(0.8);
  readonly #painted = signal(0);
  protected readonly parts = computed(
    () => {
      const site = this.#current();
      return site ? specimenParts(site).map(({ id, label }) => ({ id, label })) : [];
    },
    {
      equal: (entry, other) =>
        entry.length === other.length &&
        entry.every((part, i) => part.id === other[i]!.id && part.label === other[i]!.label),
    },
  );
  /** Where the token in hand stands. */
  protected readonly mark = signal<{
    readonly x: number;
    readonly y: number;
    readonly w: number;
    readonly h: number;
  } | null>(null);
  readonly #source = new SpecimenSource();
  #painter: FramePainter | undefined;

  constructor() {
    effect(() => {
      const site = this.#shown();
      if (site) this.#paint(site, site !== this.#current());
    });
    effect(() => this.#painter?.standIn(this.#standIns()));
    afterRenderEffect(() => {
      this.#painted();
      const token = this.#selected();
      const rect = token
        ? this.#painter?.document.querySelector(`[data-token="${CSS.escape(token)}"]`)?.getBoundingClientRect()
        : undefined;
      const scale = this.scale();
      this.mark.set(
        rect
          ? { x: rect.left * scale - 3, y: rect.top * scale - 3, w: rect.width * scale + 6, h: rect.height * scale + 6 }
          : null,
      );
    });
    const size = new ResizeObserver(([entry]) =>
      this.scale.set(Math.max(0.3, Math.min(1, (entry!.contentRect.width - 2) / WIDTH))),
    );
    afterRenderEffect(() => size.observe(this.paper().nativeElement));
    inject(DestroyRef).onDestroy(() => size.disconnect());
  }

  protected loaded(): void {
    const document = this.frame().nativeElement.contentDocument;
    if (!document?.body || document.URL === 'about:blank') return;
    const style = document.createElement('style');
    style.textContent = SPECIMEN_CSS;
    document.head.append(style);
    this.#painter = new FramePainter(document, this.#source);
    this.#painter.standIn(this.#standIns());
    new ResizeObserver(() => {
      const height = Math.ceil(document.body.getBoundingClientRect().height);
      if (height > 0) this.height.set(height);
      this.#painted.update((count) => count + 1);
    }).observe(document.body);
    document.addEventListener('click', (event) => this.#press(event));
    document.addEventListener('submit', (event) => event.preventDefault());
    const site = this.#shown();
    if (site) this.#paint(site, false);
  }

  #paint(site: Site, held: boolean): void {
    this.#source.held = held;
    if (this.#painter?.paint(site)) this.#painted.update((count) => count + 1);
  }

  #press(event: Event): void {
    event.preventDefault();
    const site = this.#current();
    const path = (event.target as Element | null)?.closest?.('[data-token]')?.getAttribute('data-token');
    if (site && path && tokenTable(site.brand).has(path)) handToken(this.#store, site, path);
  }

  protected go(part: string): void {
    const rect = this.#painter?.document.querySelector(`[data-part="${part}"]`)?.getBoundingClientRect();
    if (rect) this.paper().nativeElement.scrollTo({ top: rect.top * this.scale(), behavior: 'instant' });
  }
}
