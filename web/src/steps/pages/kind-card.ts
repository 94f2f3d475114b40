import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import { layIn, sectionHtml, type SectionKind, type Site } from '@yohaku/core';

/** Width at which a kind is laid out, and how small it is shown. */
const WIDTH = 1120;
const SCALE = 0.2;

/** A kind of section in the site's own brand, with its first words, at a fifth of its size. */
@Component({
  selector: 'yo-kind-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<iframe [srcdoc]="shown()" sandbox="allow-same-origin" tabindex="-1" scrolling="no" inert aria-hidden="true" [title]="kind().label"></iframe>`,
  styles: `
    :host { display: block; width: ${WIDTH * SCALE}px; height: 116px; overflow: hidden; background: #fff; outline: 1px solid #d9d9d9; outline-offset: -1px; }
    iframe { width: ${WIDTH}px; height: ${116 / SCALE}px; border: 0; transform: scale(${SCALE}); transform-origin: 0 0; pointer-events: none; }
  `,
})
export class KindCard {
  readonly #safe = inject(DomSanitizer);
  readonly kind = input.required<SectionKind>();
  readonly site = input.required<Site>();
  readonly css = input.required<string>();
  /** The title of the page that it would stand on. */
  readonly title = input.required<string>();
  protected readonly shown = computed(() => this.#safe.bypassSecurityTrustHtml(sectionHtml(this.site(), layIn(this.site(), this.kind(), 'new', { title: this.title() }), this.css(), `/frame/${this.site().id}/`)));
}
