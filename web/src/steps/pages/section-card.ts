import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { DomSanitizer } from '@angular/platform-browser';
import { sectionHtml, type Section, type Site } from '@yohaku/core';

/** Width at which a kind is laid out, and how small it is shown. */
const WIDTH = 1120;
const SCALE = 0.2;

/** A section in the site's own brand, at a fifth of its size. */
@Component({
  selector: 'yo-section-card',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<iframe
    [srcdoc]="shown()"
    sandbox="allow-same-origin"
    tabindex="-1"
    scrolling="no"
    inert
    aria-hidden="true"
    [title]="section().label"
  ></iframe>`,
  styles: `
    :host {
      display: block;
      width: ${WIDTH * SCALE}px;
      height: 116px;
      overflow: hidden;
      background: #fff;
      outline: 1px solid #d9d9d9;
      outline-offset: -1px;
    }
    iframe {
      width: ${WIDTH}px;
      height: ${116 / SCALE}px;
      border: 0;
      transform: scale(${SCALE});
      transform-origin: 0 0;
      pointer-events: none;
    }
  `,
})
export class SectionCard {
  readonly #safe = inject(DomSanitizer);
  readonly section = input.required<Section>();
  readonly site = input.required<Site>();
  readonly css = input.required<string>();
  protected readonly shown = computed(() =>
    this.#safe.bypassSecurityTrustHtml(
      sectionHtml(this.site(), this.section(), this.css(), `/frame/${this.site().id}/`),
    ),
  );
}
